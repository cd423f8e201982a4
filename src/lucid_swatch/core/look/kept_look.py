"""A look that is kept: its pieces by id, what it is for, and how it was found. The verdict is always made anew."""

from collections.abc import Mapping
from dataclasses import dataclass, field
from datetime import date, datetime
from enum import StrEnum

from ..garment.particulars import Season
from ..garment.vocabulary import Worn
from .look import Conventions, Intent
from .theme import Theme


class TimeOfDay(StrEnum):
    """When in the day a look is worn."""

    ANY = ""
    DAY = "day"
    EVENING = "evening"


@dataclass(frozen=True, slots=True)
class WornPhoto:
    """A photo of the look as it was worn."""

    number: int
    """Counts up with every new photo."""
    feet: bool
    """Whether it shows the look down to the shoes."""
    on: date


@dataclass(frozen=True, slots=True)
class DayStage:
    """What a stage of a day is for."""

    when: str
    """As 'morning', in the stylist's words."""
    formality: float | None = None
    """Of the occasion, 1 beach and garden .. 5 black tie."""
    warmth: float | None = None
    """That the weather asks for, 0 bare summer .. 4 deep winter."""
    wet: bool = False
    time: TimeOfDay = TimeOfDay.ANY


@dataclass(frozen=True, slots=True)
class LookParticulars:
    """What a look is for, and how it was found."""

    occasion: str = ""
    time: TimeOfDay = TimeOfDay.ANY
    seasons: tuple[Season, ...] = ()
    note: str = ""
    stylist_rating: int | None = None
    client_rating: int | None = None
    parent: str | None = None
    """The look that this one varies, by id."""
    worn: Mapping[str, Worn] = field(default_factory=dict)
    """How pieces are worn here, by id, where it is not as they usually are."""
    seated: bool | None = None
    """Whether it is seen seated, where it is not as the client usually is."""
    formality: int | None = None
    """Of the occasion, 1 beach and garden .. 5 black tie."""
    warmth: int | None = None
    """That the weather asks for, 0 bare summer .. 4 deep winter."""
    photo: WornPhoto | None = None
    conventions: Conventions | None = None
    """The school this look follows, where it is not the client's."""
    meant: Mapping[str, str] = field(default_factory=dict)
    """Codes of reasons that are broken knowingly here, each with a note why."""
    theme: Theme | None = None
    stages: tuple[DayStage, ...] = ()
    """Of the day over which it is worn; what changes from one to the next follows from them."""

    def __post_init__(self) -> None:
        for rating in (self.stylist_rating, self.client_rating):
            if rating is not None and not 1 <= rating <= 5:
                raise ValueError(f"{rating} is no rating from 1 to 5")
        if self.formality is not None and not 1 <= self.formality <= 5:
            raise ValueError(f"{self.formality} is no formality from 1 to 5")
        if self.warmth is not None and not 0 <= self.warmth <= 4:
            raise ValueError(f"{self.warmth} is no warmth from 0 to 4")


@dataclass(frozen=True, slots=True)
class PastVerdict:
    """What a version of the weights found, and when."""

    weights: str
    overall: float
    on: date


@dataclass(frozen=True, slots=True)
class KeptLook:
    """A look as kept."""

    id: str
    client_id: str
    name: str
    piece_ids: tuple[str, ...]
    created_at: datetime
    intent: Intent | None = None
    particulars: LookParticulars = field(default_factory=LookParticulars)
    verdicts: tuple[PastVerdict, ...] = ()
    """One for each version of the weights that judged it, the oldest first."""
