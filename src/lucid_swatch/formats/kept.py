"""What a wardrobe keeps about a piece beside its look."""

from datetime import date
from enum import StrEnum
from typing import Annotated

from pydantic import ConfigDict, Field

from .document import Document


class Season(StrEnum):
    """When a piece is worn."""

    SPRING = "spring"
    SUMMER = "summer"
    AUTUMN = "autumn"
    WINTER = "winter"


class DayVerdict(StrEnum):
    """What the stylist decides about a piece when going through the wardrobe."""

    KEEP = "keep"
    ALTER = "alter"
    MEND = "mend"
    LET_GO = "let go"


class Kept(Document):
    """What is kept about a piece."""

    model_config = ConfigDict(extra="forbid")

    uses: list[Annotated[str, Field(min_length=1, max_length=40, pattern=r"^[^;\s][^;]*$")]] = Field(
        default_factory=list, max_length=20
    )
    """What it is worn for."""
    seasons: list[Season] = Field(default_factory=list)
    """When it is worn; empty for what its warmth says."""
    verdict: DayVerdict | None = None
    fits: bool | None = None
    """Whether it fits now."""
    size: str = Field(default="", max_length=40)
    price: float | None = Field(default=None, ge=0, le=1e7)
    bought_on: date | None = None
    care: str = Field(default="", max_length=500)
    note: str = Field(default="", max_length=2000)
    worn_on: list[date] = Field(default_factory=list, max_length=5000)
    """Days on which it was worn."""
    set: str = Field(default="", max_length=80)
    """The set that it belongs to and is never parted from."""
    other_face: str | None = Field(default=None, max_length=200)
    """The piece that is the other face of this reversible one."""


SEASONS_OF_WARMTH = (
    (Season.SUMMER,),
    (Season.SPRING, Season.SUMMER),
    (Season.SPRING, Season.AUTUMN),
    (Season.AUTUMN, Season.WINTER),
    (Season.WINTER,),
)
"""When a piece is worn whose warmth is 0, 1, 2, 3 or 4."""


def seasons_of(kept: Kept, warmth: float | None) -> list[Season]:
    """The seasons of a piece: as said, or as its warmth tells; none when neither is known."""
    if kept.seasons:
        return list(kept.seasons)
    return [] if warmth is None else list(SEASONS_OF_WARMTH[round(warmth)])
