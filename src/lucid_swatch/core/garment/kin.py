"""Pieces of nearly the same colour: which match, which are related, and which nearly match and quarrel."""

from dataclasses import dataclass
from enum import StrEnum

import numpy as np

from ..colour.arrays import FloatArray
from ..colour.difference import pairwise_delta_e_2000
from .piece import Piece
from .sorting import USUAL_UNCERTAINTY, Sorted
from .vocabulary import PLAIN_PATTERNS

MATCH, RELATED = 3.0, 8.0
"""CIEDE2000 up to which two colours pass for one, and up to which they are near without being one."""
QUARREL = 0.45
"""Temperatures that far apart set two near colours against each other: a greyed beige beside a sandy one."""
DARK_QUARREL, DARK_BELOW, DARK_RELATED = 0.25, 28.0, 10.0
"""The same for darks below an L*, which look alike until they lie side by side, up to a CIEDE2000."""


MOST_PAIRS = 500
"""Pairs that are told of a rail; nobody reads more."""


class Kin(StrEnum):
    """How two colours stand to each other."""

    MATCH = "match"
    PERHAPS = "may match"
    """They differ by no more than their readings leave open."""
    CLASH = "clash"
    """A near miss: nearly one colour, but a warm one and a cool one."""
    RELATED = "related"
    APART = "apart"


@dataclass(frozen=True, slots=True)
class Neighbour:
    """A piece beside another one."""

    piece: Piece
    difference: float
    """CIEDE2000 between their main colours."""
    within: float
    """CIEDE2000 that the two readings leave open together."""
    kin: Kin


def how_near(difference: float, within: float, warmth: tuple[float, float], dark: bool) -> Kin:
    """How two main colours stand to each other. warmth: their temperatures. dark: whether both are."""
    apart = abs(warmth[0] - warmth[1])
    quarrel = apart > (DARK_QUARREL if dark else QUARREL)
    if difference <= MATCH:
        return Kin.MATCH
    if difference <= (DARK_RELATED if dark else RELATED) and quarrel and difference > within / 2:
        return Kin.CLASH
    if difference <= min(within, RELATED):
        return Kin.PERHAPS
    return Kin.RELATED if difference <= RELATED else Kin.APART


def neighbours(one: Piece, sort: Sorted, others: list[Piece], sorts: list[Sorted]) -> list[Neighbour]:
    """The plain pieces beside a plain piece, and prints by their main cloth, nearest first."""
    if not others:
        return []
    away = pairwise_delta_e_2000(one.lab[:1], np.array([p.lab[0] for p in others]))[0]
    found = []
    for k in np.argsort(away, kind="stable"):
        other, difference = others[k], float(away[k])
        dark = max(one.lab[0, 0], other.lab[0, 0]) < DARK_BELOW
        within = float(np.hypot(doubt_of(one), doubt_of(other)))
        kin = how_near(difference, within, (_warmth(one, sort), _warmth(other, sorts[k])), bool(dark))
        found.append(Neighbour(other, difference, within, kin))
    return found


def _warmth(piece: Piece, sort: Sorted) -> float:
    return sort.temperature if piece.pattern in PLAIN_PATTERNS else 0.0


def doubt_of(piece: Piece) -> float:
    """CIEDE2000 that holds the true main colour of a piece nine times in ten."""
    return USUAL_UNCERTAINTY if piece.uncertainty is None else float(piece.uncertainty[0])


def near_duplicates(pieces: list[Piece]) -> list[tuple[Piece, Piece, float]]:
    """Pairs of one category whose main colours pass for one, nearest first, with their CIEDE2000."""
    kinds: dict[object, list[Piece]] = {}
    for piece in pieces:
        kinds.setdefault((piece.category, piece.pattern), []).append(piece)
    pairs = []
    for alike in kinds.values():
        away = pairwise_delta_e_2000(_mains(alike), _mains(alike))
        near = zip(*np.nonzero(np.triu(away <= MATCH, 1)), strict=True)
        pairs += [(alike[i], alike[j], float(away[i, j])) for i, j in near]
    return sorted(pairs, key=lambda pair: pair[2])[:MOST_PAIRS]


def _mains(pieces: list[Piece]) -> FloatArray:
    return np.array([p.lab[0] for p in pieces])
