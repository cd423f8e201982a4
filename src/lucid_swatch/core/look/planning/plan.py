"""A plan as kept: some days, what happens on them, the weather, and the look that hangs on each occasion."""

from collections.abc import Mapping
from dataclasses import dataclass, field
from datetime import date, datetime, timedelta
from datetime import time as Clock

from ..kept_look import TimeOfDay
from .days import Weather
from .occasions import Span, formality_of

MOST_DAYS, MOST_EVENTS, MOST_REST = 60, 400, 30
"""Days of one plan, occasions on them, and days that anything rests."""


EVENING = Clock(19)
"""From when what began by day has gone on into the evening."""


@dataclass(frozen=True, slots=True)
class WornStage:
    """A look at one stage of its day."""

    when: str
    piece_ids: tuple[str, ...]
    amiss: tuple[str, ...] = ()
    """What of the stage could not be met, in words."""


@dataclass(frozen=True, slots=True)
class Event:
    """An occasion on its day, with the look that hangs on it."""

    id: str
    on: date
    name: str
    formality: Span | None = None
    """As somebody said it; None for what the words of its name tell."""
    time: TimeOfDay = TimeOfDay.ANY
    begins: Clock | None = None
    """None for what takes the whole day."""
    ends: Clock | None = None
    """None where nobody said, or it ends on another day."""
    people: tuple[str, ...] = ()
    """Who is there; only whether they are the same counts."""
    piece_ids: tuple[str, ...] = ()
    """Of the look, empty where none hangs there."""
    locked: bool = False
    """Whether the look stays, whatever the other days become."""
    stages: tuple[WornStage, ...] = ()
    """The look through the day, where the weather turns."""

    def span(self, own: Mapping[str, Span] | None = None) -> Span:
        """How formal it is. own: the stylist's own words."""
        return formality_of(self.name, own) if self.formality is None else self.formality

    @property
    def is_long(self) -> bool:
        """Whether it goes on from the day into the evening."""
        return self.begins is not None and self.ends is not None and self.begins < EVENING <= self.ends

    @property
    def sorts_at(self) -> tuple[date, Clock]:
        """Its place in the order of time; what takes the whole day comes first."""
        return self.on, self.begins or Clock(0)


@dataclass(frozen=True, slots=True)
class Plan:
    """Some days that a client is dressed for. What each look comes to is told anew whenever it is shown.

    ValueError where the numbers make no sense."""

    id: str
    client_id: str
    name: str
    first: date
    created_at: datetime
    days: int = 7
    place: str = ""
    """Where, as the stylist calls it."""
    events: tuple[Event, ...] = ()
    weather: Mapping[date, Weather] = field(default_factory=dict)
    forecast: str = ""
    """Where the weather was told."""
    rest: int | None = None
    """Days that clothes and shoes rest; None for what such pieces usually need."""
    away: Mapping[str, date] = field(default_factory=dict)
    """Days until which pieces are in the wash or elsewhere, by id, that day among them."""
    capsule: str | None = None
    """The capsule that it is dressed from, by id."""
    ticked: tuple[str, ...] = ()
    """Ids of what lies in the case already."""
    unmet: tuple[str, ...] = ()
    """What the last filling could not meet, and what would meet it."""
    filled_at: datetime | None = None

    def __post_init__(self) -> None:
        if not 1 <= self.days <= MOST_DAYS:
            raise ValueError(f"a plan has 1 to {MOST_DAYS} days, and not {self.days}")
        if self.rest is not None and not 0 <= self.rest <= MOST_REST:
            raise ValueError(f"nothing rests for {self.rest} days; 0 to {MOST_REST} can be asked for")
        if len(self.events) > MOST_EVENTS:
            raise ValueError(f"a plan holds {MOST_EVENTS} occasions, and this one would have {len(self.events)}")

    @property
    def dates(self) -> tuple[date, ...]:
        """Its days in order."""
        return tuple(self.first + timedelta(k) for k in range(self.days))

    @property
    def last(self) -> date:
        """Its last day."""
        return self.first + timedelta(self.days - 1)

    @property
    def ordered(self) -> tuple[Event, ...]:
        """Its occasions in the order of time."""
        return tuple(sorted(self.events, key=lambda event: event.sorts_at))
