"""A book: everything that stands in it, and nothing that was not chosen for it."""

from collections.abc import Mapping
from dataclasses import dataclass, field

from ...colour.arrays import ByteArray, FloatArray
from ...garment.piece import Piece
from ..figure.body import STANDING, Build
from .page import BookPage
from .plain_colouring import PlainColouring


@dataclass(frozen=True, slots=True, eq=False)
class PieceInPictures:
    """What is shown of a piece beside its colours."""

    cloth: ByteArray | None = None
    """(rows, columns, 3), encoded sRGB: its relit cloth."""
    cut_out: ByteArray | None = None
    """(rows, columns, 4), encoded sRGB and opacity: the piece alone, from edge to edge."""

    @property
    def aspect(self) -> float | None:
        """Width over height of what was cut out; None where nothing was."""
        return None if self.cut_out is None else self.cut_out.shape[1] / self.cut_out.shape[0]


@dataclass(frozen=True, slots=True, eq=False)
class Wearer:
    """Who is drawn."""

    build: Build = STANDING
    skin: FloatArray | None = None
    hair: FloatArray | None = None
    eyes: FloatArray | None = None
    """(3,), CIELAB each."""
    head: ByteArray | None = None
    """(rows, columns, 4), encoded sRGB and opacity: a head cut from a portrait, if it is to be shown."""
    face: ByteArray | None = None
    """(rows, columns, 3), encoded sRGB: the face for the cover, if it is to be shown."""


@dataclass(frozen=True, slots=True, eq=False)
class Help:
    """Something that would help, if one comes across it."""

    name: str
    lab: FloatArray
    """(3,), CIELAB."""
    opens: int
    """Good looks that it would open."""


@dataclass(frozen=True, slots=True, eq=False)
class LookBook:
    """A book."""

    title: str
    pages: tuple[BookPage, ...]
    wearer: Wearer = field(default_factory=Wearer)
    pictures: Mapping[str, PieceInPictures] = field(default_factory=dict)
    """By piece id."""
    subtitle: str = ""
    """As in 'for Ilka Maren, by Ada'."""
    word: str = ""
    """What the stylist says to the client."""
    cover: bool = True
    bolt: tuple[Piece, ...] = ()
    """The cloth of the cover, in its order."""
    colouring: PlainColouring | None = None
    index: bool = True
    helps: tuple[Help, ...] = ()
