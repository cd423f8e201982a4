"""What a drawing is made of."""

from collections.abc import Sequence
from dataclasses import dataclass, replace
from enum import StrEnum

from ...colour.arrays import FloatArray
from ...garment.vocabulary import Part as ColourOf
from .outlines import Point, mirrored, rounded_off


class Role(StrEnum):
    """What a part of the drawing is."""

    SKIN = "skin"
    HAIR = "hair"
    EYES = "eyes"
    CLOTH = "cloth"
    """Filled with the relit crop of the piece."""
    COLOUR = "colour"
    """Filled with one colour of the piece: a trim, a lining, a buckle, a sole."""
    LINE = "line"
    """A seam, a crease or a fold: a line and no area."""


@dataclass(frozen=True, slots=True, eq=False)
class Part:
    """One outline of the drawing; later ones lie on earlier ones."""

    role: Role
    points: FloatArray
    """(n, 2), centimetres: x from the middle of the body, y down from the crown. Closed, but for a line."""
    colour_of: ColourOf = ColourOf.CLOTH
    """What of the piece lends the colour."""
    dark: float = 0.0
    """How far it is darkened, 0 not at all to 1 black: the inside of a neck, a fold."""
    turn: float = 0.0
    """Degrees by which the grain of the cloth is turned, clockwise."""
    width: float = 0.0
    """Of a line, centimetres."""

    def mirrored(self) -> "Part":
        """The same on the other side of the body."""
        return replace(self, points=self.points[::-1] * (-1.0, 1.0), turn=-self.turn)


def cloth(points: FloatArray, turn: float = 0.0, dark: float = 0.0) -> Part:
    """A part of cloth."""
    return Part(Role.CLOTH, points, turn=turn, dark=dark)


def inside(points: FloatArray) -> Part:
    """Cloth that is seen from within."""
    return Part(Role.COLOUR, points, ColourOf.LINING, dark=0.45)


def trim(points: FloatArray, dark: float = 0.0) -> Part:
    """A part in the colour of the trim."""
    return Part(Role.COLOUR, points, ColourOf.TRIM, dark=dark)


def hardware(points: FloatArray) -> Part:
    """A button, a buckle, a ring."""
    return Part(Role.COLOUR, points, ColourOf.HARDWARE)


def line(points: Sequence[Point], width: float = 0.35, dark: float = 0.3) -> Part:
    """A seam, a crease or a fold."""
    return Part(Role.LINE, rounded_off(points, closed=False), dark=dark, width=width)


def lines(right: Sequence[Point], width: float = 0.35, dark: float = 0.3) -> list[Part]:
    """The same line on both sides of the body."""
    return [line(right, width, dark), line(mirrored(right), width, dark)]


def pair(part: Part) -> list[Part]:
    """A part and its mirror image."""
    return [part, part.mirrored()]
