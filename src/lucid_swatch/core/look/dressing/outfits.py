"""How many good looks a rail holds, and how many each piece is in: every base look scored, or a fair draw of them."""

from collections.abc import Mapping, Sequence
from dataclasses import dataclass
from itertools import product

import numpy as np

from ...client.colouring import Client, read_colouring
from ...colour.arrays import BoolArray, FloatArray, IntArray
from ...garment.piece import Piece
from ..body import ZONES, Zone
from ..look import Conventions, in_order
from ..scorer.batch import batch_of
from ..scorer.table import build_table
from ..verdict import score_batch

GOOD = 70.0
"""The whole from which a look is good."""
MOST_SCORED = 4000
"""Base looks that are scored; of more, that many are drawn."""
DRAWN_FOR_EXTRAS, TRIED_FOR_OPENINGS = 40, 120
"""Good base looks on which each accessory is tried, and base looks on which each stranger is."""
CHUNK = 12000
"""Looks scored at once: enough that numpy's own cost a call hardly counts, few enough for some twenty megabytes."""
BASE = (Zone.UPPER, Zone.LOWER, Zone.WHOLE, Zone.FEET, Zone.LAYER)
EXTRA = (Zone.HEAD, Zone.NECK, Zone.WAIST, Zone.HAND, Zone.LEGS)
NOTHING = -1


@dataclass(frozen=True, slots=True)
class Outfits:
    """The base looks of a rail: a top and a lower half or one whole piece, shoes where there are some, and at most
    one layer."""

    looks: int
    """How many there are."""
    good: int
    """How many of them are good; an estimate where they were drawn."""
    drawn: bool
    """Whether only a draw of them was scored."""
    each: dict[str, int]
    """How many good looks each piece is in, by id. An accessory counts with the share of good base looks that stay
    good with it."""


def looks_with(zone: Zone, count: Mapping[Zone, int]) -> int:
    """How many base looks one piece of a zone is in, or would be. count: pieces of each zone."""
    upper, lower, whole = (count[z] for z in (Zone.UPPER, Zone.LOWER, Zone.WHOLE))
    feet, layers = max(count[Zone.FEET], 1), count[Zone.LAYER] + 1
    halves = upper * lower + whole
    return {
        Zone.UPPER: lower * feet * layers,
        Zone.LOWER: upper * feet * layers,
        Zone.WHOLE: feet * layers,
        Zone.FEET: halves * layers,
        Zone.LAYER: halves * feet,
    }[zone]


class Counter:
    """The base looks of a rail, scored once, so that additions can be tried against them."""

    def __init__(
        self,
        pieces: list[Piece],
        client: Client | None,
        conventions: Conventions,
        strangers: Sequence[Piece] = (),
        most: int = MOST_SCORED,
    ) -> None:
        """strangers: pieces that are not on the rail and may be asked about. most: base looks that are scored."""
        self.most = most
        self.pieces = in_order(pieces)
        self.strangers = {piece.id: len(self.pieces) + k for k, piece in enumerate(strangers)}
        self.conventions = conventions
        self.colouring = None if client is None else read_colouring(client)
        everything = (*self.pieces, *strangers)
        self.table = build_table(everything, conventions.school) if everything else None
        order = {piece.id: place for place, piece in enumerate(in_order(everything))}
        self.rank = np.array([order[piece.id] for piece in everything], dtype=np.intp)
        self.places = {zone: [k for k, p in enumerate(self.pieces) if ZONES[p.category] is zone] for zone in Zone}
        self.index, self.total = self._base()
        self.good = self._good(self.index)

    def outfits(self) -> Outfits:
        """How many good looks there are, and how many each piece is in."""
        scored = max(len(self.index), 1)
        scale = self.total / scored
        good = self.good.sum() * scale
        each = {}
        for k, piece in enumerate(self.pieces):
            if ZONES[piece.category] in BASE:
                each[piece.id] = round(float((self.good & (self.index == k).any(axis=1)).sum() * scale))
        each |= {self.pieces[k].id: round(share * good) for k, share in self._extras().items()}
        return Outfits(self.total, round(good), len(self.index) < self.total, each)

    def opened(self, candidate: Piece) -> int:
        """How many good base looks a stranger would open; an estimate on a large rail. Nothing for an accessory."""
        zone = ZONES[candidate.category]
        rows = self._with(zone, self.strangers[candidate.id]) if zone in BASE else np.zeros((0, 4), dtype=np.intp)
        if not len(rows):
            return 0
        tried = rows[np.random.default_rng(7).permutation(len(rows))[:TRIED_FOR_OPENINGS]]
        return round(float(self._good(tried).mean()) * self._count_with(zone))

    def _base(self) -> tuple[IntArray, int]:
        lists = [self._choices(zones) for zones in ((Zone.UPPER, Zone.LOWER), (Zone.WHOLE,))]
        feet, layers = self.places[Zone.FEET] or [NOTHING], [NOTHING, *self.places[Zone.LAYER]]
        halves = [(u, low) for u, low in lists[0]] + [(w, NOTHING) for (w,) in lists[1]]
        total = len(halves) * len(feet) * len(layers)
        if total <= self.most:
            rows = [(*half, foot, layer) for half, foot, layer in product(halves, feet, layers)]
        else:
            draw = np.random.default_rng(5)
            picks = np.unique(draw.integers(0, total, self.most))
            across = len(feet) * len(layers)
            rows = [
                (*halves[k // across], feet[k % across // len(layers)], layers[k % len(layers)]) for k in picks.tolist()
            ]
        return np.array(rows, dtype=np.intp).reshape(-1, 4), total

    def _choices(self, zones: tuple[Zone, ...]) -> list[tuple[int, ...]]:
        return list(product(*(self.places[zone] for zone in zones)))

    def _with(self, zone: Zone, stranger: int) -> IntArray:
        """Base looks with a stranger in one zone. stranger: its place in the table."""
        column = {Zone.UPPER: 0, Zone.WHOLE: 0, Zone.LOWER: 1, Zone.FEET: 2, Zone.LAYER: 3}[zone]
        rows = self.index.copy()
        if not len(rows):
            return rows
        whole = rows[:, 1] == NOTHING
        if zone is Zone.WHOLE:
            rows[:, 1] = NOTHING
        elif zone in (Zone.UPPER, Zone.LOWER):
            rows = rows[~whole]
        rows[:, column] = stranger
        unique: IntArray = np.unique(rows, axis=0)
        return unique

    def _count_with(self, zone: Zone) -> int:
        return looks_with(zone, {one: len(places) for one, places in self.places.items()})

    def _extras(self) -> dict[int, float]:
        """For each accessory the share of good base looks that stay good with it."""
        extras = [k for zone in EXTRA for k in self.places[zone]]
        base = self.index[self.good]
        if not extras or not len(base):
            return dict.fromkeys(extras, 0.0)
        draw = np.random.default_rng(6).permutation(len(base))[:DRAWN_FOR_EXTRAS]
        rows = np.concatenate([np.column_stack([base[draw], np.full(len(draw), k)]) for k in extras])
        good = self._good(rows).reshape(len(extras), len(draw))
        return {k: float(good[row].mean()) for row, k in enumerate(extras)}

    def _good(self, rows: IntArray) -> BoolArray:
        if self.table is None or not len(rows):
            return np.zeros(len(rows), dtype=bool)
        # in the one order of a look, and what is missing last
        order = np.argsort(np.where(rows == NOTHING, len(self.rank), self.rank[rows]), axis=1, kind="stable")
        rows = np.take_along_axis(rows, order, axis=1)
        scores: list[FloatArray] = []
        for start in range(0, len(rows), CHUNK):
            some = rows[start : start + CHUNK]
            batch = batch_of(self.table, some, [self.conventions], [None], [self.colouring])
            scores.append(score_batch(batch).overall)
        answer: BoolArray = np.concatenate(scores) >= GOOD
        return answer
