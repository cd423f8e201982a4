"""What the screens send and get about plans."""

from datetime import date, datetime
from datetime import time as Clock

from pydantic import Field

from lucid_swatch.core.garment.piece import Piece
from lucid_swatch.core.look.kept_look import TimeOfDay
from lucid_swatch.core.look.planning.plan import MOST_DAYS, MOST_REST, Plan
from lucid_swatch.core.look.wearing.wear import Felt
from lucid_swatch.usecases.plans import EventChange, PlanChange, ShownEvent, ShownPlan

from .base import Answer, Request
from .walls import Span
from .wears import WeatherDocument


class PlanRequest(Request):
    """Some days to be dressed for."""

    name: str = Field(max_length=200)
    first: date
    days: int = Field(default=7, ge=1, le=MOST_DAYS)
    place: str = Field(default="", max_length=200)


class PlanChangeRequest(Request):
    """What changes on a plan; what is left out stays."""

    name: str | None = Field(default=None, max_length=200)
    first: date | None = None
    days: int | None = Field(default=None, ge=1, le=MOST_DAYS)
    place: str | None = Field(default=None, max_length=200)
    rest: int | None = Field(default=None, ge=0, le=MOST_REST)
    """Days that clothes and shoes rest."""
    usual_rest: bool = False
    """Whether everything rests as such pieces usually do again."""
    capsule: str | None = Field(default=None, max_length=64)
    """The capsule that it is dressed from; empty for the whole rail."""
    away: dict[str, date | None] | None = Field(default=None, max_length=500)
    """Days until which pieces are away; null for one that is back."""
    ticked: list[str] | None = Field(default=None, max_length=500)
    """What lies in the case."""

    def to_core(self) -> PlanChange:
        """The change as it is made."""
        return PlanChange(
            self.name,
            self.first,
            self.days,
            self.place,
            self.rest,
            self.usual_rest,
            self.capsule,
            self.away,
            None if self.ticked is None else tuple(dict.fromkeys(self.ticked)),
        )


class EventRequest(Request):
    """An occasion on a day."""

    on: date
    name: str = Field(max_length=120)
    time: TimeOfDay = TimeOfDay.ANY


class EventChangeRequest(Request):
    """What changes on an occasion; what is left out stays."""

    name: str | None = Field(default=None, max_length=120)
    on: date | None = None
    formality: Span | None = None
    told_by_name: bool = False
    """Whether its formality is told by its name again."""
    time: TimeOfDay | None = None
    people: list[str] | None = Field(default=None, max_length=100)
    pieces: list[str] | None = Field(default=None, max_length=40)
    """The look that hangs there; empty for none."""
    locked: bool | None = None

    def to_core(self) -> EventChange:
        """The change as it is made."""
        return EventChange(
            self.name,
            self.on,
            None if self.formality is None else (self.formality.low, self.formality.high),
            self.told_by_name,
            self.time,
            None if self.people is None else tuple(self.people),
            None if self.pieces is None else tuple(self.pieces),
            self.locked,
        )


class SwapRequest(Request):
    """Two occasions whose looks change places."""

    one: str
    other: str


class ForecastRequest(Request):
    """Where the weather is asked for."""

    place: str = Field(max_length=200)


class DayWeatherRequest(Request):
    """The weather of a day by hand."""

    on: date
    weather: WeatherDocument | None = None


class FeltRequest(Request):
    """How what was worn felt."""

    felt: Felt | None = None
    note: str = Field(default="", max_length=2000)


class OccasionWordRequest(Request):
    """A word that says how formal what bears it is."""

    word: str = Field(max_length=60)
    formality: Span


class StageWornAnswer(Answer):
    """A look at one stage of its day."""

    when: str
    pieces: list[str]
    amiss: list[str]


class EventAnswer(Answer):
    """An occasion with the look that hangs on it."""

    id: str
    on: date
    name: str
    formality: Span
    said: bool
    """Whether somebody said so; else its name tells."""
    told_by: str
    """The word of its name that does; empty where none does."""
    time: TimeOfDay
    begins: Clock | None
    ends: Clock | None
    people: list[str]
    pieces: list[str]
    overall: float | None
    locked: bool
    stages: list[StageWornAnswer]
    amiss: list[str]
    """What stands against what hangs there."""
    worn: str | None
    """The line of the log that tells of it."""
    felt: Felt | None


class DayWeatherAnswer(WeatherDocument):
    """The weather of a day, and what it asks for."""

    warmth: float
    wet: bool


class PackedAnswer(Answer):
    """A piece of the case."""

    piece: str
    called: str
    ticked: bool
    days: int
    """On which it is worn."""


class PlanAnswer(Answer):
    """A plan."""

    id: str
    name: str
    first: date
    days: int
    place: str
    rest: int | None
    capsule: str | None
    away: dict[str, date]
    weather: dict[date, DayWeatherAnswer]
    forecast: str
    """Where the weather was told."""
    events: list[EventAnswer]
    unmet: list[str]
    filling: float | None
    """How far the filling is, 0..1; null when nothing is being filled."""
    filled: bool
    case: list[PackedAnswer]
    travels: list[str]
    """What one travels in: the look of the first occasion."""
    twice: dict[str, int]
    """On how many days each piece is worn that is worn more than once."""
    created_at: datetime


class PlanInListAnswer(Answer):
    """A plan as it stands in a list."""

    id: str
    name: str
    first: date
    days: int


class ReadInAnswer(Answer):
    """A plan into which a calendar was read."""

    plan: PlanAnswer
    added: int
    problems: list[str]
    """What could not be read."""


class NewEventAnswer(Answer):
    """A plan with a new occasion."""

    plan: PlanAnswer
    event: str


class OtherLookAnswer(Answer):
    """A look that fits an occasion."""

    pieces: list[str]
    overall: float


class OtherLooksAnswer(Answer):
    """The looks that fit an occasion."""

    fit: int
    """Good base looks that fit it while the other days stay."""
    looks: list[OtherLookAnswer]


class OwnWordAnswer(Answer):
    """A word of the studio's own."""

    word: str
    formality: Span


def plan_answer(found: ShownPlan) -> PlanAnswer:
    """A plan as the screen shows it."""
    plan = found.plan
    return PlanAnswer(
        id=plan.id,
        name=plan.name,
        first=plan.first,
        days=plan.days,
        place=plan.place,
        rest=plan.rest,
        capsule=plan.capsule,
        away=dict(plan.away),
        weather={
            on: DayWeatherAnswer(
                low=sky.low, high=sky.high, rain=sky.rain, warmth=round(sky.warmth(TimeOfDay.ANY), 2), wet=sky.wet
            )
            for on, sky in plan.weather.items()
        },
        forecast=plan.forecast,
        events=[_event(one) for one in found.events],
        unmet=list(plan.unmet),
        filling=found.filling,
        filled=plan.filled_at is not None,
        case=[_packed(piece, plan, found) for piece in found.case],
        travels=list(found.travels),
        twice=dict(found.often),
        created_at=plan.created_at,
    )


def _event(one: ShownEvent) -> EventAnswer:
    event = one.event
    return EventAnswer(
        id=event.id,
        on=event.on,
        name=event.name,
        formality=Span(low=one.span[0], high=one.span[1]),
        said=event.formality is not None,
        told_by=one.told_by,
        time=event.time,
        begins=event.begins,
        ends=event.ends,
        people=list(event.people),
        pieces=list(event.piece_ids),
        overall=one.whole,
        locked=event.locked,
        stages=[StageWornAnswer(when=s.when, pieces=list(s.piece_ids), amiss=list(s.amiss)) for s in event.stages],
        amiss=list(one.amiss),
        worn=None if one.worn is None else one.worn.id,
        felt=None if one.worn is None else one.worn.felt,
    )


def _packed(piece: Piece, plan: Plan, found: ShownPlan) -> PackedAnswer:
    ticked, days = piece.id in plan.ticked, found.often.get(piece.id, 1)
    return PackedAnswer(piece=piece.id, called=piece.called, ticked=ticked, days=days)
