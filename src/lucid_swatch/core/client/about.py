"""What a stylist knows about a client beside colours: the occasions, the refusals, what is always worn."""

from dataclasses import dataclass, field
from datetime import date

from ..colour.arrays import Lab
from ..garment.piece import Piece
from ..garment.vocabulary import Finish, Heel, Length, Metal, PatternType
from .wishes import NO_WISHES, Wishes


@dataclass(frozen=True, slots=True)
class Refusals:
    """What the client will not wear."""

    lengths: tuple[Length, ...] = ()
    sheer: bool = False
    """Whether sheer cloth is refused."""
    heel: float | None = None
    """The highest heel that is worn, in centimetres."""
    materials: tuple[Finish, ...] = ()
    patterns: tuple[PatternType, ...] = ()
    metals: tuple[Metal, ...] = ()
    colours: tuple[str, ...] = ()
    """Colours in words."""


@dataclass(frozen=True, slots=True)
class DyedHair:
    """Hair that is dyed."""

    on: date | None = None
    """When it was dyed last."""
    root: Lab | None = None
    """What grows."""


@dataclass(frozen=True, slots=True)
class About:
    """What is known about a client."""

    dresses_for: str = ""
    refuses: Refusals = field(default_factory=Refusals)
    allergies: tuple[str, ...] = ()
    """What irritates the skin, such as nickel."""
    metal: Metal | None = None
    """The metal that is worn every day."""
    shoes: str = ""
    """The shoes that are worn all day."""
    always_on: tuple[str, ...] = ()
    """Ids of pieces that join every look: glasses, a ring, a headscarf."""
    dyed_hair: DyedHair | None = None
    height: int | None = None
    """In centimetres; the figure is drawn in this proportion."""
    seated: bool = False
    """Whether the client is mostly seen seated."""
    tan: bool = False
    """Whether the skin is tanned now."""
    lipstick: Lab | None = None
    """The lipstick that is worn, a colour at the face."""
    wishes: Wishes = NO_WISHES
    """For the proportions of a look."""


HEELS: dict[Heel, float] = {Heel.FLAT: 1.5, Heel.LOW: 3.5, Heel.HIGH: 7.0}
"""About how high a heel is, centimetres."""


def why_refused(piece: Piece, names: tuple[str, ...], refusals: Refusals) -> str | None:
    """Why a client will not wear a piece, in words; None when nothing stands against it.

    names: what the piece and its colours are called: name, family, undertone."""
    if piece.length in refusals.lengths and piece.length is not None:
        return f"{piece.length.value} length"
    if refusals.sheer and Finish.SHEER in piece.finish:
        return "sheer cloth"
    lifted = HEELS.get(piece.details.heel) if piece.details.heel is not None else None
    if refusals.heel is not None and lifted is not None and lifted > refusals.heel:
        return f"a heel of some {lifted:.0f} cm"
    material = next((one for one in sorted(piece.finish) if one in refusals.materials), None)
    if material is not None:
        return material.value
    if piece.pattern in refusals.patterns:
        return f"{piece.pattern.value} pattern"
    if piece.metal in refusals.metals:
        return f"{piece.metal.value} metal"
    told = " ".join(names).lower().split()
    words = (one.lower() for one in refusals.colours)
    colour = next((one for one in words if one and all(word in told for word in one.split())), None)
    return None if colour is None else f"the colour {colour}"


def what_irritates(told: str, about: About) -> str | None:
    """What irritates the client of what is told about a piece: its label, its care, a note. None where nothing does."""
    words = told.lower()
    return next((one.lower() for one in about.allergies if one.strip() and one.lower() in words), None)
