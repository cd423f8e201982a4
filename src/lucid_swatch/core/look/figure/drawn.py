"""A piece as it is drawn, and what its cut is taken for where nothing is known."""

from collections.abc import Sequence
from dataclasses import dataclass

from ...garment.piece import Piece
from ...garment.vocabulary import Category, Finish, Length, Volume, Worn
from .body import HIP, KNEE, WAIST
from .outlines import Point
from .parts import Part

HEMS: dict[Length, float] = {
    Length.CROPPED: 58.0,
    Length.WAIST: WAIST + 1,
    Length.HIP: HIP,
    Length.KNEE: KNEE,
    Length.MIDI: 141.0,
    Length.ANKLE: 157.0,
    Length.FLOOR: 165.0,
}
"""Centimetres below the crown."""
EASE: dict[Volume, float] = {Volume.CLOSE: 0.7, Volume.EASY: 2.2, Volume.FULL: 5.5}
"""How far a piece stands off the body on each side, centimetres."""


@dataclass(frozen=True, slots=True)
class Cut:
    """All of a piece that its outlines hang on."""

    category: Category
    length: Length | None
    volume: Volume
    worn: Worn | None
    finish: frozenset[Finish]
    statement: float | None


def cut_of(piece: Piece) -> Cut:
    """The cut of a piece."""
    return Cut(piece.category, piece.length, piece.volume, piece.worn, piece.finish, piece.statement)


@dataclass(frozen=True, slots=True, eq=False)
class Drawn:
    """The outlines of a piece on a body."""

    parts: Sequence[Part]
    anchor: Point
    """Where stitches and threads are tied."""
    top: float
    bottom: float
    """Between which heights it covers the body, for the trace of lightness."""
    cover: float = 1.0
    """How much of the width it covers there."""
    behind: Sequence[Part] = ()
    """What of it lies behind the body."""


@dataclass(frozen=True, slots=True)
class Company:
    """What else is worn, as far as it changes how a piece is drawn."""

    layered: bool = False
    """Whether a layer with sleeves goes over it."""
    lower: bool = False
    """Whether a skirt or trousers hold it at the waist."""
    long_boots: bool = False
    """Whether the shoes reach up the leg."""


ALONE = Company()


def hem_of(piece: Cut, usual: float, least: float) -> float:
    """Where a piece ends, centimetres below the crown. least: the shortest that such a piece is."""
    return usual if piece.length is None else max(least, HEMS[piece.length])
