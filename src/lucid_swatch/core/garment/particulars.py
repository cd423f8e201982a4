"""What a wardrobe keeps about a piece beside its look."""

from dataclasses import dataclass
from datetime import date
from enum import StrEnum


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


AWAY = {DayVerdict.MEND: "is at the mender's", DayVerdict.ALTER: "is to be altered"}
"""Why a piece is not there to be worn until it comes back."""


@dataclass(frozen=True, slots=True)
class Particulars:
    """What is known about a piece beside how it looks."""

    uses: tuple[str, ...] = ()
    """What it is worn for."""
    seasons: tuple[Season, ...] = ()
    """When it is worn; empty for what its warmth says."""
    verdict: DayVerdict | None = None
    fits: bool | None = None
    """Whether it fits now."""
    size: str = ""
    price: float | None = None
    bought_on: date | None = None
    care: str = ""
    note: str = ""
    set: str = ""
    """The set that it belongs to and is never parted from."""
    other_face: str | None = None
    """The piece that is the other face of this reversible one, by id."""

    def __post_init__(self) -> None:
        if self.price is not None and not 0 <= self.price <= 1e7:
            raise ValueError(f"{self.price} is no price")

    @property
    def why_not_worn(self) -> str | None:
        """Why no look is made with it now; None where nothing stands against it."""
        if self.verdict is DayVerdict.LET_GO:
            return "is to be let go"
        if self.verdict in AWAY:
            return AWAY[self.verdict]
        return "does not fit" if self.fits is False else None


SEASONS_OF_WARMTH = (
    (Season.SUMMER,),
    (Season.SPRING, Season.SUMMER),
    (Season.SPRING, Season.AUTUMN),
    (Season.AUTUMN, Season.WINTER),
    (Season.WINTER,),
)
"""When a piece is worn whose warmth is 0, 1, 2, 3 or 4."""


def seasons_of(particulars: Particulars, warmth: float | None) -> list[Season]:
    """The seasons of a piece: as said, or as its warmth tells; none when neither is known."""
    if particulars.seasons:
        return list(particulars.seasons)
    return [] if warmth is None else list(SEASONS_OF_WARMTH[round(warmth)])
