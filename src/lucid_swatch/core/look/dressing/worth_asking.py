"""Which of the things that nobody knows would change most looks: that one is worth asking."""

from collections.abc import Sequence
from dataclasses import dataclass, replace

import numpy as np

from ...colour.arrays import FloatArray, IntArray
from ...garment.piece import Piece
from ..verdict import score_batch
from .base_looks import BASE, base_looks, places_by_zone
from .dress import zone_of
from .wardrobe import Wardrobe

MOST_LOOKS, TRIED = 3000, 16
"""Base looks from which are drawn, and on how many of its looks the variants of a piece are tried."""
SEED = 11


@dataclass(frozen=True, slots=True)
class Open:
    """Something about a piece that is open: what it might be, and how likely."""

    piece: str
    """Id."""
    variants: tuple[tuple[Piece, float], ...]
    """The piece as each would have it, with its chance; at least one."""


@dataclass(frozen=True, slots=True)
class Worth:
    """What asking would settle."""

    looks: float
    """Share of the base looks that hang on it."""
    points: float
    """How far the whole of such a look moves on average, whichever way it turns out."""


NOTHING_HANGS_ON_IT = Worth(0.0, 0.0)


def worth_asking(wardrobe: Wardrobe, opens: Sequence[Open]) -> list[Worth]:
    """What each open thing is worth, in their order. An accessory is tried on base looks it is added to."""
    known = [one for one in opens if one.piece in wardrobe.by_id]
    strangers = [
        replace(variant, id=f"{variant.id} {k} {j}")
        for k, one in enumerate(known)
        for j, (variant, _) in enumerate(one.variants)
    ]
    if not strangers:
        return [NOTHING_HANGS_ON_IT] * len(opens)
    wider = wardrobe.with_strangers(strangers)
    place = {piece.id: k for k, piece in enumerate(wider.pieces)}
    free = [place[wardrobe.pieces[k].id] for k in wardrobe.free]
    looks = base_looks(places_by_zone([piece.category for piece in wider.pieces], free), MOST_LOOKS).rows
    if not len(looks):
        return [NOTHING_HANGS_ON_IT] * len(opens)
    rows, owner = _tried(looks, known, place)
    overall = score_batch(wider.batch(rows)).overall if len(rows) else np.zeros(0)
    found: dict[int, Worth] = {}
    for k, one in enumerate(known):
        moved = overall[owner == k].reshape(len(one.variants), -1)
        chances = np.array([chance for _, chance in one.variants])
        found[id(one)] = Worth(_share(looks, place[one.piece], one), _moves(moved, chances / chances.sum()))
    return [found.get(id(one), NOTHING_HANGS_ON_IT) for one in opens]


def _share(looks: IntArray, place: int, one: Open) -> float:
    inside = float((looks == place).any(axis=1).mean())
    # what is added may be added to any look
    return inside if zone_of(one.variants[0][0].category) in BASE else 0.5


def _moves(overall: FloatArray, chances: FloatArray) -> float:
    """Mean distance of the whole from what is to be expected. overall: (variants, looks)."""
    if not overall.size:
        return 0.0
    expected = chances @ overall
    return float((chances @ np.abs(overall - expected)).mean())


def _tried(looks: IntArray, opens: Sequence[Open], place: dict[str, int]) -> tuple[IntArray, IntArray]:
    """Looks with each variant in the place of its piece, and which open thing each row belongs to."""
    order, rows, owner = np.random.default_rng(SEED).permutation(len(looks)), [], []
    shuffled = looks[order]
    for k, one in enumerate(opens):
        base = zone_of(one.variants[0][0].category) in BASE
        own = shuffled[(shuffled == place[one.piece]).any(axis=1)][:TRIED] if base else shuffled[:TRIED]
        for j, (variant, _) in enumerate(one.variants):
            stranger = place[f"{variant.id} {k} {j}"]
            if base:
                taken = np.where(own == place[one.piece], stranger, own)
                taken = np.column_stack([taken, np.full(len(own), -1)])
            else:
                taken = np.column_stack([own, np.full(len(own), stranger)])
            rows.append(taken)
            owner.append(np.full(len(taken), k))
    width = looks.shape[1] + 1
    return np.concatenate(rows) if rows else np.zeros((0, width), np.intp), np.concatenate(owner)
