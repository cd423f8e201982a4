"""What the screens send and get about photos of garments."""

from collections.abc import Sequence
from dataclasses import asdict

from pydantic import Field

from lucid_swatch.core.colour.spaces import lab_to_hex
from lucid_swatch.core.garment.kin import Kin, Neighbour
from lucid_swatch.core.garment.likely import Guess, firm
from lucid_swatch.core.garment.vocabulary import Category
from lucid_swatch.core.photo.light import LightReference
from lucid_swatch.formats.measurement import GuessDocument, MeasurementDocument
from lucid_swatch.store.records import HungPiece, PhotoRecord, PhotoState
from lucid_swatch.usecases.alike import Alike, Likeness
from lucid_swatch.usecases.intake import TakenIn

from ..problems import ProblemDocument
from .base import Answer, Fraction, NeutralMark, Request
from .rail import picture_of


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


class SheetAnswer(Answer):
    """What is, or may be, paper or a grey card in a photo."""

    corners: list[list[float]]
    """Fractions from the top left corner, in order round it."""
    sure: bool
    """Whether the reading believes it by itself."""
    said: bool | None
    """What the stylist said of it."""
    used: bool
    """Whether the light was read from it."""


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
    """The photo whose light it was given by hand."""
    lent_by: str | None
    """The photo whose paper, card or mark told the light it was read in."""
    sheet: SheetAnswer | None
    """What may be paper in it."""
    room_said: bool
    """Whether its room is the stylist's word."""
    changing: bool
    """Whether it is being read again while what was read stands."""
    guesses: list[GuessDocument]
    """What it may be, likeliest first."""
    category: Category | None
    """What it is taken for without being asked."""
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


class NeighbourAnswer(Answer):
    """A piece beside another one, with how far apart their main colours are."""

    piece_id: str
    label: str
    difference: float
    """CIEDE2000 between the two readings."""
    within: float
    """CIEDE2000 that the two readings leave open together."""
    kin: Kin
    hex: str
    picture: str | None


def photo_answer(
    photo: PhotoRecord,
    stage: str = "",
    likeness: Alike | None = None,
    guesses: Sequence[Guess] = (),
    changing: bool = False,
) -> PhotoAnswer:
    """A photo as the intake shows it. guesses: what it may be, likeliest first."""
    reading = None if photo.reading is None else MeasurementDocument.model_validate(photo.reading.document)
    shown = photo.reading_number > 0
    read = shown and reading is not None

    def picture(name: str) -> str:
        return _picture(photo, name)

    return PhotoAnswer(
        id=photo.id,
        name=photo.name,
        state=photo.state,
        stage=stage,
        problem=None if photo.problem is None else ProblemDocument(**asdict(photo.problem)),
        reading=reading,
        outline=None if photo.outline is None else [[list(p) for p in polygon] for polygon in photo.outline],
        neutral=None if photo.neutral is None else NeutralMark(**asdict(photo.neutral)),
        reader=None if photo.reader is None else list(photo.reader),
        series_from=None if photo.series_light is None else photo.series_light.photo_id,
        lent_by=photo.lent_by,
        sheet=_sheet(photo),
        room_said=photo.room is not None,
        changing=changing,
        guesses=[GuessDocument(category=one.category, confidence=round(one.confidence, 2)) for one in guesses],
        category=firm(list(guesses)),
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


def _sheet(photo: PhotoRecord) -> SheetAnswer | None:
    evidence = photo.evidence
    if evidence is None or not evidence.sheets:
        return None
    first = evidence.sheets[0]
    return SheetAnswer(
        corners=[[float(x), float(y)] for x, y in first.corners],
        sure=first.sure,
        said=photo.paper,
        used=evidence.own.reference is LightReference.PAPER,
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


def neighbour_answer(found: Neighbour, hung: HungPiece | None) -> NeighbourAnswer:
    """A near piece, as it hangs."""
    piece = found.piece
    return NeighbourAnswer(
        piece_id=piece.id,
        label=piece.called,
        difference=round(found.difference, 1),
        within=round(found.within, 1),
        kin=found.kin,
        hex=lab_to_hex(piece.lab[0]),
        picture=picture_of(hung, "colour-0.jpg"),
    )
