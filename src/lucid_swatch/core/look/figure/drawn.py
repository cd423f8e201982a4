"""A piece as it is drawn, and what its cut is taken for where nothing is known."""

from collections.abc import Sequence
from dataclasses import dataclass

from ...garment.details import Details
from ...garment.lengths import HEMS
from ...garment.piece import Piece
from ...garment.vocabulary import Category, Finish, Length, Volume, Worn
from .outlines import Point
from .parts import Part

EASE: dict[Volume, float] = {Volume.CLOSE: 0.7, Volume.EASY: 2.2, Volume.FULL: 5.5}
"""How far a piece stands off the body on each side, centimetres."""


@dataclass(frozen=True, slots=True)
class Cut:
    """All of a piece that its outlines hang on."""

    category: Category
    length: Length | None
    volume: Volume
    details: Details
    worn: Worn | None
    finish: frozenset[Finish]
    statement: float | None


def cut_of(piece: Piece) -> Cut:
    """The cut of a piece; of a volume that nobody knows it is drawn easy."""
    return Cut(
        piece.category,
        piece.length,
        piece.volume or Volume.EASY,
        piece.details,
        piece.worn,
        piece.finish,
        piece.statement,
    )


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
