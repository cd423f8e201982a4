"""What the screens send and get. The open formats stand inside them as they are."""

from datetime import date, datetime
from typing import Literal

from pydantic import Field

from lucid_swatch.core.garment.vocabulary import Bin, Undertone, Worn
from lucid_swatch.core.look.look import Intent
from lucid_swatch.formats.client import About
from lucid_swatch.formats.kept_look import KeptLookDocument
from lucid_swatch.formats.look import ConventionsDocument
from lucid_swatch.formats.measurement import MeasurementDocument
from lucid_swatch.formats.verdict import MeasuresDocument, MendDocument
from lucid_swatch.store.records import KeptLook, PhotoRecord, PhotoState
from lucid_swatch.usecases.alike import Alike, Likeness
from lucid_swatch.usecases.intake import TakenIn
from lucid_swatch.usecases.rereading import Change

from .base import Answer, Fraction, NeutralMark, Request
from .colouring_documents import FaceAnswer, PortraitAnswer
from .problems import ProblemDocument
from .rail_documents import BoltColour


class ClientAnswer(Answer):
    """A client."""

    id: str
    name: str
    note: str
    consent_on: date
    consent_for: str
    consent_withdrawn_on: date | None
    archived: bool
    about: About
    portrait: str | None
    """Where the face is, relit."""
    person: str | None
    """The person of the same portrait, cut out."""
    portraits: list[PortraitAnswer]
    face: FaceAnswer
    neutrals: Literal["broad", "strict"]
    """The school of neutrals that the stylist follows for this client."""
    waiting: int
    """Photos in the intake that are not hung."""


class BookEntry(ClientAnswer):
    """A client in the book, with the rail as one bolt."""

    pieces: int
    doubtful: int
    looks: int
    bolt: list[BoltColour]


class NewClient(Request):
    """A client to add."""

    name: str = Field(max_length=120)
    note: str = Field(default="", max_length=2000)
    consent: bool = False
    """That the client agreed to be photographed, today."""
    consent_for: str = Field(default="", max_length=500)


class ClientChange(Request):
    """What changes on a client; what is left out stays."""

    name: str | None = Field(default=None, max_length=120)
    note: str | None = Field(default=None, max_length=2000)
    neutrals: Literal["broad", "strict"] | None = None
    conventions: ConventionsDocument | None = None
    """The schools to follow for this client."""
    undertone: Undertone | Literal["as read"] | None = None


class ConsentRequest(Request):
    """Consent to photos, given again or withdrawn today."""

    given: bool
    given_for: str = Field(default="", max_length=500)


class ArchiveRequest(Request):
    """Whether a client is archived."""

    archived: bool


class ErasedAnswer(Answer):
    """What went with an erased client."""

    rows: dict[str, int]
    """How many rows from each table of the database."""
    files: list[str]
    """Names below the data folder."""
    left: list[str]
    """What a search of the data folder still found; empty when everything went."""
    backups_replaced: int
    """Backups of a day that held the client and are gone; a fresh one stands in their place."""
    backups_left: list[str]
    """Backups that still hold the client and are the stylist's to delete."""


class AlikeAnswer(Answer):
    """Another photo that shows the same."""

    photo_id: str
    name: str
    kind: Likeness
    hung: bool
    picture: str


class ApartRequest(Request):
    """The photo that shows something else."""

    other: str


class SeriesRequest(Request):
    """The photos of the same series; none for all that wait to be gone through."""

    photos: list[str] | None = Field(default=None, max_length=1000)


class WatchRequest(Request):
    """A folder of this machine, and whose photos come into it."""

    path: str = Field(min_length=1, max_length=4000)
    client_id: str


class WatchedAnswer(Answer):
    """The watched folder."""

    path: str
    client_id: str
    problem: str


class PatchAnswer(Answer):
    """How many patches of the card are still to be measured."""

    left: int


class StudioAnswer(Answer):
    """What is set up in the studio."""

    card: list[list[float]] | None
    """CIELAB of the card's patches, if it was measured once."""
    reader: str | None
    """What the colour reader calls itself, if one answers."""
    watched: WatchedAnswer | None


class ReadingChange(Answer):
    """What a newer reading would change."""

    photo_id: str
    label: str
    hung: bool
    difference: float
    """CIEDE2000 between the main colours."""
    before: str
    after: str
    """Names of the main colour."""
    before_hex: str
    after_hex: str
    bin_before: Bin
    bin_after: Bin
    picture: str


class RereadingAnswer(Answer):
    """How far a rereading is, and what it would change."""

    waiting: int
    changes: list[ReadingChange]


class TakeOverRequest(Request):
    """The photos whose newer reading is taken over; the others keep the older one."""

    photos: list[str] = Field(max_length=5000)


class PhotoAnswer(Answer):
    """A photo in the intake."""

    id: str
    name: str
    state: PhotoState
    stage: str
    problem: ProblemDocument | None
    reading: MeasurementDocument | None
    outline: list[list[list[float]]] | None
    neutral: NeutralMark | None
    reader: list[float] | None
    """CIELAB of the cloth as the colour reader read it."""
    series_from: str | None
    """The photo whose light it takes."""
    alike: AlikeAnswer | None
    """An earlier photo that shows the same, to be asked about."""
    strokes: int
    """How many strokes were drawn to mend the outline."""
    pictures: "PhotoPictures"
    doubt: float
    """0 sure to 1 unsure: what is to be looked at first."""


class LightRequest(Request):
    """The tapped neutral, or none to estimate the light again."""

    neutral: NeutralMark | None


class StrokeRequest(Request):
    """A line drawn over a photo."""

    cloth: bool
    points: list[tuple[Fraction, Fraction]] = Field(min_length=1, max_length=2000)
    width: float = Field(gt=0, le=0.2)
    box: bool = False
    """A rectangle between the first and the last point, with the garment inside."""


class PhotoPictures(Answer):
    """Where the pictures of a photo are, if they are there."""

    thumbnail: str | None
    as_shot: str | None
    relit: str | None
    cloth_only: str | None
    colours: list[str]


class TakenAnswer(Answer):
    """What became of one sent file."""

    name: str
    photo: PhotoAnswer | None
    problem: ProblemDocument | None


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


class MovedRuleAnswer(Answer):
    """A rule whose points are multiplied."""

    rule: str
    says: str
    times: float


class TasteAnswer(Answer):
    """What the stylist's own verdicts say of the rules."""

    verdicts: int
    agreed: int
    would_agree: int
    asked: list[MovedRuleAnswer]
    kept: list[MovedRuleAnswer]


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
    kept: KeptLookDocument | None = None
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
    kept: KeptLookDocument
    verdicts: list[PastVerdictAnswer]
    created_at: datetime


def photo_answer(photo: PhotoRecord, likeness: Alike | None = None) -> PhotoAnswer:
    """A photo as the intake shows it."""
    reading = None if photo.reading is None else MeasurementDocument.model_validate(photo.reading)
    shown = photo.reading_number > 0
    read = shown and reading is not None

    def picture(name: str) -> str:
        return _picture(photo, name)

    return PhotoAnswer(
        id=photo.id,
        name=photo.name,
        state=photo.state,
        stage=photo.stage,
        problem=None if photo.problem is None else ProblemDocument.model_validate(photo.problem),
        reading=reading,
        outline=photo.outline,
        neutral=None if photo.neutral is None else NeutralMark.model_validate(photo.neutral),
        reader=photo.reader,
        series_from=None if photo.series_light is None else photo.series_light["from"],
        alike=None if likeness is None else _alike(likeness),
        strokes=len(photo.strokes),
        pictures=PhotoPictures(
            thumbnail=picture("thumbnail.jpg") if shown else None,
            as_shot=picture("as-shot.jpg") if shown else None,
            relit=picture("relit.jpg") if read else None,
            cloth_only=picture("cloth-only.webp") if read else None,
            colours=[picture(f"colour-{k}.jpg") for k in range(len(reading.colours))] if reading and shown else [],
        ),
        doubt=_doubt(photo, reading),
    )


def _alike(found: Alike) -> AlikeAnswer:
    one = found.photo
    return AlikeAnswer(
        photo_id=one.id,
        name=one.name,
        kind=found.kind,
        hung=one.state is PhotoState.HUNG,
        picture=_picture(one, "thumbnail.jpg"),
    )


def _picture(photo: PhotoRecord, name: str) -> str:
    return f"/api/photos/{photo.id}/pictures/{name}?reading={photo.reading_number}"


def reading_change(change: Change) -> ReadingChange:
    """A changed reading as the intake shows it."""
    before, after = (MeasurementDocument.model_validate(r) for r in (change.before, change.after))
    return ReadingChange(
        photo_id=change.photo.id,
        label=change.label,
        hung=change.photo.state is PhotoState.HUNG,
        difference=round(change.difference, 1),
        before=before.sort.name,
        after=after.sort.name,
        before_hex=before.colours[0].hex,
        after_hex=after.colours[0].hex,
        bin_before=before.sort.bin,
        bin_after=after.sort.bin,
        picture=_picture(change.photo, "thumbnail.jpg"),
    )


def _doubt(photo: PhotoRecord, reading: MeasurementDocument | None) -> float:
    if photo.state is PhotoState.FAILED:
        return 1.0
    if reading is None:
        return 0.0
    return round(1 - min(reading.sort.confidence, reading.garment.confidence, reading.pattern.confidence), 2)


def taken_answer(taken: TakenIn) -> TakenAnswer:
    """What became of a sent file."""
    return TakenAnswer(
        name=taken.name,
        photo=None if taken.photo is None else photo_answer(taken.photo),
        problem=None if taken.problem is None else ProblemDocument.of(taken.problem),
    )


def look_answer(look: KeptLook, overall: float) -> LookAnswer:
    """A kept look."""
    return LookAnswer(
        id=look.id,
        name=look.name,
        pieces=list(look.piece_ids),
        intent=look.intent,
        overall=overall,
        kept=KeptLookDocument.model_validate(look.kept),
        verdicts=[PastVerdictAnswer.model_validate(one) for one in look.verdicts],
        created_at=look.created_at,
    )
