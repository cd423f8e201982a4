"""What common sense keeps apart although it could be worn at once, for every two pieces of a list."""

from collections.abc import Sequence

import numpy as np

from ...colour.arrays import BoolArray
from ...garment.piece import Piece
from ...garment.vocabulary import Category as C
from ..dressing.dress import CATEGORIES, NOT_WITH, TOGETHER
from ..remarks.sense import FORMALITY_STEPS, LENGTHS, LOUD, WARMTH_STEPS


def wearable_pairs(pieces: Sequence[Piece]) -> BoolArray:
    """Which two pieces go into one look: the rule of dress, and what would be said of them as a note. Symmetric, (n, n);
    two of one category do not.

    pieces: as they are known."""
    kind = np.array([CATEGORIES.index(p.category) for p in pieces], dtype=np.intp)
    able = TOGETHER[kind[:, None], kind] & (kind[:, None] != kind) & ~_not_with()[kind[:, None], kind]
    formal, warm = _known(pieces, "formality"), _known(pieces, "warmth")
    # nan compares to nothing, so that what is not known stands in no way
    able &= ~(np.abs(formal[:, None] - formal) > FORMALITY_STEPS)
    able &= ~(np.abs(warm[:, None] - warm) > WARMTH_STEPS)
    loud = np.array([p.category is C.NECKLACE and (p.statement or 0) > LOUD for p in pieces])
    able &= ~_either(loud, _are(pieces, C.EARRINGS))
    length = np.array([LENGTHS.index(p.length) if p.length is not None else -1 for p in pieces])
    coat, jacket = _are(pieces, C.COAT) & (length >= 0), _are(pieces, C.JACKET) & (length >= 0)
    too_short = np.outer(coat, jacket) & (length[:, None] <= length)
    apart: BoolArray = able & ~(too_short | too_short.T)
    return apart


def _not_with() -> BoolArray:
    able = np.array([[other in NOT_WITH.get(one, frozenset()) for other in CATEGORIES] for one in CATEGORIES])
    both: BoolArray = able | able.T
    return both


def _known(pieces: Sequence[Piece], name: str) -> np.ndarray:
    found = (getattr(p, name) for p in pieces)
    return np.array([np.nan if one is None else one for one in found], dtype=float)


def _are(pieces: Sequence[Piece], category: C) -> BoolArray:
    return np.array([p.category is category for p in pieces], dtype=bool)


def _either(first: BoolArray, second: BoolArray) -> BoolArray:
    one_way = np.outer(first, second)
    both: BoolArray = one_way | one_way.T
    return both
