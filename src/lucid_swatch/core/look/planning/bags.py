"""Bags that go with the looks of a capsule."""

from collections.abc import Sequence

import numpy as np

from ...colour.arrays import FloatArray
from ...garment.vocabulary import Category
from ..dressing.outfits import wholes_of
from ..dressing.wardrobe import Wardrobe
from .capsule import Capsule
from .good_looks import GoodLooks

LOOKS = 160
"""Looks of a capsule with which bags are tried, the best and evenly among the rest."""


def bags_for(wardrobe: Wardrobe, good: GoodLooks, capsule: Capsule, most: int) -> tuple[str, ...]:
    """Ids of at most so many bags, each chosen because it makes the looks of the capsule better than those before it do."""
    if not most or not capsule.piece_ids:
        return ()
    chosen = np.array([piece.id in capsule.piece_ids for piece in good.pieces], dtype=bool)
    rows = good.rows[good.within(chosen)]
    place = {piece.id: k for k, piece in enumerate(wardrobe.pieces)}
    bags = [k for k in wardrobe.free if wardrobe.pieces[k].category is Category.BAG]
    if not len(rows) or not bags:
        return ()
    some = rows[np.unique(np.linspace(0, len(rows) - 1, min(LOOKS, len(rows))).astype(int))]
    of_good = np.array([place[piece.id] for piece in good.pieces] + [-1])
    looks = of_good[some]
    tried = np.concatenate([np.column_stack([looks, np.full(len(looks), bag)]) for bag in bags])
    wholes = wholes_of(wardrobe, tried).reshape(len(bags), len(looks))
    return tuple(wardrobe.pieces[bags[k]].id for k in _best(wholes, most))


def _best(wholes: FloatArray, most: int) -> Sequence[int]:
    """Bags one after the other, each the one that adds most to the best of every look. wholes: (bags, looks)."""
    best: FloatArray = np.zeros(wholes.shape[1])
    found: list[int] = []
    while len(found) < min(most, len(wholes)):
        gain = np.maximum(wholes, best).sum(axis=1) - best.sum()
        one = int(np.argmax(gain))
        if gain[one] <= 0:
            break
        found.append(one)
        best = np.maximum(best, wholes[one])
    return found
