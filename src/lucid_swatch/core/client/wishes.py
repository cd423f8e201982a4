"""What a client wishes for the proportions of a look, in words that judge nobody."""

from dataclasses import dataclass
from enum import StrEnum


class Place(StrEnum):
    """Where a look may be full."""

    SHOULDER = "shoulder"
    WAIST = "waist"
    HIP = "hip"
    HEM = "hem"


class Longer(StrEnum):
    """What is to look longer."""

    LEG = "leg"
    BODY = "body"


class Bare(StrEnum):
    """What a look may show or cover."""

    NECK = "neck"
    ARMS = "arms"
    WAIST = "waist"
    KNEES = "knees"
    ANKLES = "ankles"


class Stature(StrEnum):
    """How large the figure is on which everything has its size."""

    PETITE = "petite"
    TALL = "tall"


@dataclass(frozen=True, slots=True)
class Wishes:
    """Wishes for proportion; what nobody has named is free."""

    full: tuple[Place, ...] = ()
    """Where fullness is welcome."""
    not_full: tuple[Place, ...] = ()
    """Where it is not."""
    longer: Longer | None = None
    shown: tuple[Bare, ...] = ()
    covered: tuple[Bare, ...] = ()
    stature: Stature | None = None


NO_WISHES = Wishes()
