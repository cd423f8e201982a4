"""What the screens send and get about the wear log."""

from datetime import date, datetime

from pydantic import Field

from lucid_swatch.core.look.planning.days import Weather
from lucid_swatch.core.look.wearing.tally import Group
from lucid_swatch.core.look.wearing.wear import Felt, Wear
from lucid_swatch.core.problems import Refused
from lucid_swatch.usecases.wear_log import TakenIn, ToLog, Wearing

from .base import Answer, Request


class WeatherDocument(Request):
    """The weather of a day."""

    low: float = Field(ge=-60, le=60)
    """Degrees Celsius."""
    high: float = Field(ge=-60, le=60)
    rain: float = Field(default=0.0, ge=0, le=2000)
    """Millimetres."""

    def to_core(self) -> Weather:
        """The weather as the core sees it. Refused where the high lies below the low."""
        if self.high < self.low:
            raise Refused("the high lies below the low.", "weather", "Write them the other way round.")
        return Weather(self.low, self.high, self.rain)

    @classmethod
    def from_core(cls, weather: Weather) -> "WeatherDocument":
        """The document of the weather of a day."""
        return cls(low=weather.low, high=weather.high, rain=weather.rain)


class WearRequest(Request):
    """What was worn on a day."""

    on: date
    pieces: list[str] = Field(default_factory=list, max_length=40)
    """Left out, those of the look."""
    look: str | None = Field(default=None, max_length=64)
    """The kept look that it was."""
    occasion: str = Field(default="", max_length=120)
    felt: Felt | None = None
    note: str = Field(default="", max_length=2000)
    weather: WeatherDocument | None = None

    def to_core(self, planned: str | None = None) -> ToLog:
        """The same as it is logged."""
        sky = None if self.weather is None else self.weather.to_core()
        return ToLog(self.on, tuple(self.pieces), self.look, planned, self.occasion, self.felt, self.note, sky)


class WearAnswer(Answer):
    """A line of the log."""

    id: str
    on: date
    pieces: list[str]
    look: str | None
    planned: str | None
    occasion: str
    felt: Felt | None
    note: str
    weather: WeatherDocument | None
    created_at: datetime


class TallyAnswer(Answer):
    """What the log tells of a piece."""

    days: int
    last: date | None
    loved: int
    off: int


class GroupAnswer(Answer):
    """What the log tells of several pieces."""

    name: str
    pieces: int
    worn: int
    """Pieces of it that were worn at all."""
    days: int
    cost: float | None
    """Price over wears, of those of which both are known."""
    loved: int
    off: int


class ChosenAnswer(Answer):
    """Of two pieces that are alike, the one that is chosen and the one that is left."""

    chosen: str
    left: str


class WearingAnswer(Answer):
    """What the log tells of a rail."""

    lines: int
    first: date | None
    pieces: dict[str, TallyAnswer]
    """Of every piece of the rail that was worn, by id."""
    families: list[GroupAnswer]
    seasons: list[GroupAnswer]
    of_two: list[ChosenAnswer]
    leaning: dict[str, float]
    """Points of the whole that the log would put on a piece when looks are made, by id."""


class LogTakenAnswer(Answer):
    """What a log that came in brought."""

    added: int
    same: int
    refused: list[str]
    """Sentences, each on a line that could not be taken."""


def wear_answer(wear: Wear) -> WearAnswer:
    """A line of the log as the screen shows it."""
    return WearAnswer(
        id=wear.id,
        on=wear.on,
        pieces=list(wear.piece_ids),
        look=wear.look_id,
        planned=wear.planned,
        occasion=wear.occasion,
        felt=wear.felt,
        note=wear.note,
        weather=None if wear.weather is None else WeatherDocument.from_core(wear.weather),
        created_at=wear.created_at,
    )


def wearing_answer(found: Wearing) -> WearingAnswer:
    """What the log tells as the screen shows it."""
    return WearingAnswer(
        lines=found.lines,
        first=found.first,
        pieces={
            id: TallyAnswer(days=one.days, last=one.last, loved=one.loved, off=one.off)
            for id, one in found.by_piece.items()
        },
        families=[_group(one) for one in found.families],
        seasons=[_group(one) for one in found.seasons],
        of_two=[ChosenAnswer(chosen=one, left=other) for one, other in found.of_two],
        leaning=found.leaning,
    )


def _group(one: Group) -> GroupAnswer:
    return GroupAnswer(
        name=one.name, pieces=one.pieces, worn=one.worn, days=one.days, cost=one.cost, loved=one.loved, off=one.off
    )


def taken_answer(taken: TakenIn) -> LogTakenAnswer:
    """What a log that came in brought."""
    return LogTakenAnswer(added=taken.added, same=taken.same, refused=list(taken.refused[:40]))
