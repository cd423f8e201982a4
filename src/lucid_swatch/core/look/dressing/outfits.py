"""How many good looks a rail holds, and how many each piece is in: every base look scored, or a fair draw of them."""

from collections.abc import Sequence
from concurrent.futures import ThreadPoolExecutor
from dataclasses import dataclass

import numpy as np

from ...colour.arrays import BoolArray, FloatArray, IntArray
from ..body import Zone
from ..look import Intent
from ..verdict import score_batch
from .base_looks import BASE, base_looks, places_by_zone, unsplit
from .dress import zone_of
from .wardrobe import Wardrobe

GOOD = 61.0
"""The whole from which a look is good. Some tenth to a third of the base looks of a rail, which have no bag and no
accessory yet, reach it; where the scale is drawn anew it moves along."""
MOST_SCORED = 4000
"""Base looks that are scored; of more, that many are drawn."""
DRAWN_FOR_EXTRAS = 40
"""Good base looks on which each accessory is tried."""
HANDS, SIDE_BY_SIDE = 2, 4
"""Threads that score, and chunks from which they are worth their start: numpy lets go of the interpreter meanwhile."""
CHUNK = 12000
"""Looks scored at once: enough that numpy's own cost a call hardly counts, few enough for some twenty megabytes."""


Kind = tuple[bool, bool]
"""Whether a base look is of a whole garment and not of halves, and whether it has a layer."""
KINDS: tuple[Kind, ...] = ((False, False), (False, True), (True, False), (True, True))


@dataclass(frozen=True, slots=True)
class Outfits:
    """The base looks of a rail."""

    looks: int
    """How many there are."""
    good: int
    """How many of them are good; an estimate where they were drawn."""
    drawn: bool
    """Whether only a draw of them was scored."""
    each: dict[str, int]
    """How many good looks each piece is in, by id. An accessory counts with the share of good base looks that stay
    good with it, and what is always on with all of them."""


class Counter:
    """The base looks of a wardrobe, scored once."""

    def __init__(self, wardrobe: Wardrobe, most: int = MOST_SCORED) -> None:
        """most: base looks that are scored."""
        # in the order in which looks are scored
        self.wardrobe = wardrobe.with_strangers(())
        self.pieces = self.wardrobe.pieces
        self.free = list(self.wardrobe.free)
        self.places = places_by_zone([piece.category for piece in self.pieces], self.free)
        looks = base_looks(self.places, most)
        kept = unsplit(looks.rows, base_sets(self.wardrobe, self.free))
        self.index, self.scored = looks.rows[kept], len(looks.rows)
        self.scale = looks.total / max(self.scored, 1)
        self.drawn = self.scored < looks.total
        self.good = self._good(self.index)

    def outfits(self) -> Outfits:
        """How many good looks there are, and how many each piece is in."""
        good = self.good.sum() * self.scale
        each = {}
        for k in self.free:
            if zone_of(self.pieces[k].category) in BASE:
                each[self.pieces[k].id] = round(float((self.good & (self.index == k).any(axis=1)).sum() * self.scale))
        each |= {self.pieces[k].id: round(share * good) for k, share in self._extras().items()}
        each |= {piece.id: round(good) for piece in self.wardrobe.always if piece.id in self.wardrobe.by_id}
        return Outfits(round(len(self.index) * self.scale), round(good), self.drawn, each)

    def by_kind(self) -> dict[Kind, tuple[int, int]]:
        """Of every kind of base look how many were scored, and how many of those are good."""
        zone = np.array([zone_of(piece.category) for piece in self.pieces] + [None])
        whole, layered = ((zone[self.index] == one).any(axis=1) for one in (Zone.WHOLE, Zone.LAYER))
        kinds = {kind: (whole == kind[0]) & (layered == kind[1]) for kind in KINDS}
        return {kind: (int(rows.sum()), int((self.good & rows).sum())) for kind, rows in kinds.items()}

    def _extras(self) -> dict[int, float]:
        """For each accessory the share of good base looks that stay good with it."""
        extras = [k for zone in Zone if zone not in BASE for k in self.places[zone]]
        base = self.index[self.good]
        if not extras or not len(base):
            return dict.fromkeys(extras, 0.0)
        draw = np.random.default_rng(6).permutation(len(base))[:DRAWN_FOR_EXTRAS]
        rows = np.concatenate([np.column_stack([base[draw], np.full(len(draw), k)]) for k in extras])
        good = self._good(rows).reshape(len(extras), len(draw))
        return {k: float(good[row].mean()) for row, k in enumerate(extras)}

    def _good(self, rows: IntArray) -> BoolArray:
        return wholes_of(self.wardrobe, rows) >= GOOD


def wholes_of(wardrobe: Wardrobe, rows: IntArray, intent: Intent | None = None) -> FloatArray:
    """The whole of each look, 0..100, some at a time. rows: (n, m), places in the wardrobe, to (n,)."""

    def some(at: int) -> FloatArray:
        return score_batch(wardrobe.batch(rows[at : at + CHUNK], intent)).overall

    begins = range(0, len(rows), CHUNK)
    if len(begins) < SIDE_BY_SIDE:
        found = [some(at) for at in begins]
    else:
        _ = wardrobe.table  # made once, before they all ask for it
        with ThreadPoolExecutor(HANDS) as hands:
            found = list(hands.map(some, begins))
    return np.concatenate(found) if found else np.zeros(0)


def base_sets(wardrobe: Wardrobe, free: Sequence[int]) -> list[list[int]]:
    """Places of the base pieces of each set. free: of the pieces that looks are made of."""
    base = [k for k in free if zone_of(wardrobe.pieces[k].category) in BASE]
    return [[k for k in base if wardrobe.pieces[k].id in one] for one in wardrobe.sets]
