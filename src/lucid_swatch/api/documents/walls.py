"""What the screens send and get about walls of looks that were made, and about turning looks."""

from collections.abc import Sequence
from datetime import datetime

from pydantic import Field

from lucid_swatch.core.look.kept_look import TimeOfDay
from lucid_swatch.core.look.look import Intent
from lucid_swatch.core.look.making.lacking import Need
from lucid_swatch.core.look.making.stages import Stage, weakest
from lucid_swatch.core.look.making.turning import Turn, Turned
from lucid_swatch.core.look.making.wall import Wall
from lucid_swatch.core.look.making.wanted import Share, Wanted
from lucid_swatch.core.look.theme import carried
from lucid_swatch.core.look.verdict import MEASURES, Verdict
from lucid_swatch.core.problems import Refused
from lucid_swatch.formats.look import ThemeDocument
from lucid_swatch.formats.look_particulars import StageDocument
from lucid_swatch.formats.verdict import MendDocument, mend_document
from lucid_swatch.usecases.figures import DrawnLook
from lucid_swatch.usecases.walls import Shown

from .base import Answer, Request
from .figures import DrawnAnswer, drawn_answer
from .looks import JudgeRequest


class Span(Request):
    """From where to where the formality of an occasion lies."""

    low: float = Field(ge=1, le=5)
    high: float = Field(ge=1, le=5)


class WallRequest(Request):
    """So many looks, from what, for what."""

    name: str = Field(max_length=200)
    number: int = Field(ge=1, le=500)
    start: list[str] = Field(default_factory=list, max_length=30)
    """Pieces that looks start from."""
    share: Share = Share.ONE
    formality: Span | None = None
    """Of the occasion; left out, any."""
    warmth: float | None = Field(default=None, ge=0, le=4)
    """That the weather asks for."""
    wet: bool = False
    time: TimeOfDay = TimeOfDay.ANY
    intent: Intent | None = None
    theme: ThemeDocument | None = None
    spread: bool = False
    """Whether the one piece that looks start from is spread over every occasion that it goes to."""
    seed: int = Field(default=0, ge=0, le=1_000_000)
    by_log: bool = False
    """Whether what the log tells of the pieces weighs."""

    def to_core(self) -> Wanted:
        """The question as the core sees it. Refused where it makes no sense."""
        try:
            return Wanted(
                self.number,
                tuple(self.start),
                self.share,
                None if self.formality is None else (self.formality.low, self.formality.high),
                self.warmth,
                self.wet,
                self.time,
                self.intent,
                None if self.theme is None else self.theme.to_core(),
                self.spread,
                self.seed,
                by_log=self.by_log,
            )
        except ValueError as problem:
            raise Refused(f"{problem}.", "the question", "Change it.") from None


class WallName(Request):
    """Another name for a wall."""

    name: str = Field(max_length=200)


class KnotRequest(Request):
    """Whether a look of a wall is kept."""

    keep: bool


class WallLookAnswer(Answer):
    """A look on a wall."""

    id: str
    pieces: list[str]
    start: int
    """Which of the starts it holds."""
    occasion: str
    role: str
    """What the one piece does in it, where one is spread."""
    kept_as: str | None
    overall: float
    intent: Intent
    scores: dict[str, float | None]
    """Of the five measures."""
    because: str
    """What sets it apart."""
    carries: float | None
    """How far it carries the theme, 0..1; null without one."""
    drawn: DrawnAnswer | None = None
    """As it is drawn with what is always on, where it is the first to be seen and nothing is to be waited for twice."""


class WantedAnswer(Answer):
    """What a wall was asked for."""

    number: int
    start: list[str]
    share: Share
    formality: Span | None
    warmth: float | None
    wet: bool
    time: TimeOfDay
    intent: Intent | None
    theme: ThemeDocument | None
    spread: bool
    seed: int
    by_log: bool


class WallAnswer(Answer):
    """A wall of looks."""

    id: str
    name: str
    wanted: WantedAnswer
    looks: list[WallLookAnswer]
    making: float | None
    """How far the making is, 0..1; null when nothing is being made."""
    lack: str
    """Why there are fewer than were asked for."""
    base_looks: int
    good: int
    left_out: dict[str, str]
    """Why pieces are in no look, by id."""
    uses: dict[str, int]
    """In how many looks each piece is that could be in one, by id."""
    lost: int
    """Looks that hold pieces that no longer hang on the rail."""
    created_at: datetime


class WallInListAnswer(Answer):
    """A wall as it stands in a list."""

    id: str
    name: str
    looks: int
    kept: int
    making: bool
    created_at: datetime


class NeedAnswer(Answer):
    """What a piece that is in no look would need."""

    piece: str
    text: str
    good: int
    """Good looks that could hold it as things are."""


class TurnRequest(JudgeRequest):
    """A look that is to be turned."""

    to: Turn


class TurnedAnswer(Answer):
    """A look after its turn."""

    changes: list[MendDocument]
    pieces: list[str]
    overall: float


class TurnsAnswer(Answer):
    """The ways to turn a look, fewest changes first."""

    turns: list[TurnedAnswer]
    as_it_is: bool
    """Whether nothing has to change."""


class DayRequest(JudgeRequest):
    """A look over a day."""

    stages: list[StageDocument] = Field(min_length=1, max_length=6)


class StageAnswer(Answer):
    """A look at one stage of a day."""

    when: str
    pieces: list[str]
    overall: float
    amiss: list[str]
    """What of the stage could not be met."""


class DayAnswer(Answer):
    """A look over a day."""

    stages: list[StageAnswer]
    weakest: str
    """The stage that speaks for the day."""
    overall: float
    """The whole of that stage."""


def wall_answer(found: Shown, making: float | None, drawn: Sequence[DrawnLook] = ()) -> WallAnswer:
    """A wall as the screen shows it. drawn: its looks, where they are sent along."""
    figures: list[DrawnAnswer | None] = [drawn_answer(one) for one in drawn]
    figures = figures or [None] * len(found.looks)
    wall, theme = found.wall, found.wall.wanted.theme
    looks = [
        WallLookAnswer(
            id=one.id,
            pieces=list(one.piece_ids),
            start=one.start,
            occasion=one.occasion,
            role=role,
            kept_as=one.kept_as,
            overall=verdict.overall,
            intent=verdict.intent,
            scores=_scores(verdict),
            because=because,
            carries=None if theme is None else carried(worn, theme).share,
            drawn=figure,
        )
        for one, verdict, because, role, worn, figure in zip(
            found.looks, found.verdicts, found.because, found.roles, found.worn, figures, strict=True
        )
    ]
    return WallAnswer(
        id=wall.id,
        name=wall.name,
        wanted=_wanted_answer(wall.asked if making is not None and wall.asked else wall.wanted),
        looks=looks,
        making=making,
        lack=wall.lack,
        base_looks=wall.base_looks,
        good=wall.good,
        left_out=wall.left_out,
        uses=found.uses,
        lost=found.lost,
        created_at=wall.created_at,
    )


def wall_in_list(wall: Wall, making: bool) -> WallInListAnswer:
    """A wall as it stands in a list."""
    kept = sum(one.kept_as is not None for one in wall.looks)
    return WallInListAnswer(
        id=wall.id, name=wall.name, looks=len(wall.looks), kept=kept, making=making, created_at=wall.created_at
    )


def need_answer(need: Need) -> NeedAnswer:
    """What a piece would need."""
    return NeedAnswer(piece=need.piece, text=need.text, good=need.good)


def turned_answer(one: Turned) -> TurnedAnswer:
    """A look after its turn."""
    changes = [mend_document(change) for change in one.changes]
    return TurnedAnswer(changes=changes, pieces=[p.id for p in one.look.pieces], overall=one.whole)


def day_answer(found: list[Stage]) -> DayAnswer:
    """A look over a day."""
    stages = [
        StageAnswer(when=one.when, pieces=[p.id for p in one.look.pieces], overall=one.whole, amiss=list(one.amiss))
        for one in found
    ]
    speaks = weakest(found)
    return DayAnswer(stages=stages, weakest=speaks.when, overall=speaks.whole)


def _scores(verdict: Verdict) -> dict[str, float | None]:
    found = ((name, verdict.measures[name]) for name in MEASURES)
    return {name: None if measure is None else measure.score for name, measure in found}


def _wanted_answer(wanted: Wanted) -> WantedAnswer:
    span = wanted.formality
    return WantedAnswer(
        number=wanted.number,
        start=list(wanted.start),
        share=wanted.share,
        formality=None if span is None else Span(low=span[0], high=span[1]),
        warmth=wanted.warmth,
        wet=wanted.wet,
        time=wanted.time,
        intent=wanted.intent,
        theme=None if wanted.theme is None else ThemeDocument.from_core(wanted.theme),
        spread=wanted.spread,
        seed=wanted.seed,
        by_log=wanted.by_log,
    )
