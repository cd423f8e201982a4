"""What the screens send and get about looks and verdicts."""

from datetime import date, datetime

from pydantic import Field

from lucid_swatch.core.garment.vocabulary import Worn
from lucid_swatch.core.look.kept_look import KeptLook
from lucid_swatch.core.look.look import Intent
from lucid_swatch.formats.look import ConventionsDocument, MeantDocument, ThemeDocument
from lucid_swatch.formats.look_particulars import LookParticularsDocument
from lucid_swatch.formats.verdict import CarriedDocument, MeasuresDocument, MendDocument

from .base import Answer, Request


class JudgeRequest(Request):
    """Pieces to judge as a look."""

    pieces: list[str] = Field(min_length=1, max_length=30)
    intent: Intent | None = None
    rain: bool = False
    """Whether it rains on the day."""
    worn: dict[str, Worn] = Field(default_factory=dict, max_length=30)
    """How pieces are worn, by id, where it is not as they usually are."""
    formality: int | None = Field(default=None, ge=1, le=5)
    """Of the occasion."""
    warmth: int | None = Field(default=None, ge=0, le=4)
    """That the weather asks for."""
    conventions: ConventionsDocument | None = None
    """The school to judge by; left out, the client's."""
    on: str | None = Field(default=None, max_length=200)
    """Another client, whose colouring and refusals the look is held against."""
    meant: list[MeantDocument] = Field(default_factory=list, max_length=40)
    """Reasons that are broken knowingly."""
    theme: ThemeDocument | None = None


class StitchAnswer(Answer):
    """Two pieces that are joined."""

    first: str
    second: str
    competes: bool
    code: str


class EffectAnswer(Answer):
    """What putting a piece on, or taking it off again, would do."""

    change: float
    """Of the whole."""
    pieces: list[str]
    """The look after it."""


class BandAnswer(Answer):
    """A range of lightness, L*."""

    dark: float
    light: float


class HeldBackAnswer(Answer):
    """Something that keeps a look from more."""

    measure: str
    text: str
    pieces: list[str]
    costs: float
    """Points of the whole."""
    lost: bool
    """Whether points were lost; otherwise nothing was gained yet."""


class NoteAnswer(Answer):
    """Something to think of, apart from the score."""

    key: str
    text: str
    pieces: list[str]


class DismissRequest(Request):
    """A note that is waved away, or speaks again."""

    key: str = Field(min_length=1, max_length=1000)
    again: bool = False


class JudgedAnswer(Answer):
    """The verdict on a look and what every piece would do to it."""

    intent: Intent
    overall: float
    measures: MeasuresDocument
    mends: list[MendDocument]
    effects: dict[str, EffectAnswer]
    """What each piece of the rail would do, by piece id."""
    stitches: list[StitchAnswer]
    band: BandAnswer | None
    """From the darkest to the lightest of skin, hair and eyes."""
    held_back: list[HeldBackAnswer]
    """Why it is not higher, what costs most first."""
    notes: list[NoteAnswer]
    """What there is to think of beside colour."""
    weights: str
    """The version of the weights that judged."""
    conventions: ConventionsDocument
    """The school that judged."""
    overall_as_scored: float | None = None
    """The whole as if nothing were meant; null where nothing is."""
    theme: CarriedDocument | None = None
    """How far it carries its theme."""


class LightAnswer(Answer):
    """A light that a look can be seen in."""

    name: str
    note: str
    matrix: list[list[float]]
    """Linear sRGB as measured to linear sRGB as seen, three rows of three."""


class LookRequest(Request):
    """A look to keep."""

    name: str = Field(max_length=200)
    pieces: list[str] = Field(min_length=1, max_length=30)
    intent: Intent | None = None
    kept: LookParticularsDocument | None = None
    """What is kept about it; left out, it stays."""


class PastVerdictAnswer(Answer):
    """What another version of the weights found."""

    weights: str
    overall: float
    on: date


class LookAnswer(Answer):
    """A kept look."""

    id: str
    name: str
    pieces: list[str]
    intent: Intent | None
    overall: float
    kept: LookParticularsDocument
    verdicts: list[PastVerdictAnswer]
    created_at: datetime


def look_answer(look: KeptLook, overall: float) -> LookAnswer:
    """A kept look."""
    return LookAnswer(
        id=look.id,
        name=look.name,
        pieces=list(look.piece_ids),
        intent=look.intent,
        overall=overall,
        kept=LookParticularsDocument.from_core(look.particulars),
        verdicts=[PastVerdictAnswer(weights=one.weights, overall=one.overall, on=one.on) for one in look.verdicts],
        created_at=look.created_at,
    )
