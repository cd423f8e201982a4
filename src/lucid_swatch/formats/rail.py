"""A wardrobe in the open format."""

from datetime import datetime
from typing import Annotated, Any, Literal

from pydantic import AfterValidator, AwareDatetime, Field, model_validator

from lucid_swatch.core.garment.piece import Piece
from lucid_swatch.core.garment.school import School
from lucid_swatch.core.photo.neutral import NeutralPoint
from lucid_swatch.core.photo.strokes import Stroke
from lucid_swatch.core.problems import Refused

from .client import AboutDocument
from .document import Document, Titled, parse
from .look import ClientDocument, ConventionsDocument, LookDocument, check_ids
from .measurement import MeasurementDocument
from .particulars import KeptDocument
from .piece import PieceDocument

Fraction = Annotated[float, Field(ge=0, le=1)]


class NeutralDocument(Document):
    """A place in a photo known to be neutral, in fractions from the top left corner."""

    x: Fraction
    y: Fraction
    lightness: float | None = Field(default=None, ge=5, le=100)

    def to_core(self) -> NeutralPoint:
        """The place as the core sees it."""
        return NeutralPoint(self.x, self.y, self.lightness)


class StrokeDocument(Document):
    """A line that the stylist drew over a photo, in fractions of it."""

    cloth: bool
    points: list[tuple[Fraction, Fraction]] = Field(min_length=1, max_length=2000)
    width: float = Field(gt=0, le=0.2)
    box: bool = False

    def to_core(self) -> Stroke:
        """The stroke as the core sees it."""
        return Stroke(self.cloth, tuple(self.points), self.width, self.box)


class PhotoDocument(Document):
    """The photo of a piece, beside the document in an archive."""

    file: str = Field(min_length=1, max_length=200)
    """Its name in the folder photos of the archive."""
    name: str = Field(default="", max_length=200)
    """What it was called when it was taken in."""
    neutral: NeutralDocument | None = None
    """The tapped neutral: x, y and lightness."""
    strokes: list[StrokeDocument] = Field(default_factory=list, max_length=1000)
    """What the stylist drew to mend the outline."""
    reading: MeasurementDocument | None = None
    """The measurement of it."""
    paper: bool | None = None
    """Whether what may be paper in it is paper, where the stylist said so."""
    room: str | None = Field(default=None, max_length=200)
    """The file of the photo whose room it was taken in, where the stylist said so."""
    taken_at: float | None = None
    """Seconds by the clock of the camera; only differences mean anything."""
    camera: str | None = Field(default=None, max_length=64)
    """The same for photos of one make and model of camera."""


def _in_range(moment: datetime) -> datetime:
    """Raises ValueError when a moment is none in which a wardrobe was kept, or is one in no other time zone."""
    if not 1900 <= moment.year < 3000:
        raise ValueError(f"{moment.year} is no year of this wardrobe")
    return moment


Moment = Annotated[AwareDatetime, AfterValidator(_in_range)]


class RailPieceDocument(PieceDocument):
    """A piece with what a wardrobe keeps about it."""

    kept: KeptDocument = Field(default_factory=KeptDocument)
    hung_at: Moment | None = None
    photo: PhotoDocument | None = None


class RailDocument(Titled):
    """A wardrobe."""

    format: Literal["lucid-swatch/rail"] = "lucid-swatch/rail"
    conventions: ConventionsDocument = Field(default_factory=ConventionsDocument)
    client: ClientDocument | None = None
    """Whose it is; without, looks are judged for nobody."""
    about: AboutDocument = Field(default_factory=AboutDocument)
    """What looks of it are held to: refusals, allergies, what is always on."""
    pieces: list[RailPieceDocument] = Field(max_length=5000)

    @model_validator(mode="after")
    def _check_ids(self) -> "RailDocument":
        check_ids([p.id for p in self.pieces])
        return self


def parse_pieces(value: Any) -> tuple[list[Piece], School]:
    """The pieces of a rail or a look, and what counts as a neutral."""
    kind = value.get("format") if isinstance(value, dict) else None
    if kind == "lucid-swatch/look":
        look = parse(LookDocument, value)
        return [p.to_core() for p in look.pieces], look.conventions.to_core().school
    if kind == "lucid-swatch/rail":
        rail = parse(RailDocument, value)
        return [p.to_core() for p in rail.pieces], rail.conventions.to_core().school
    raise Refused(
        "this is neither a rail nor a look.",
        "$.format",
        'Begin the document with "format": "lucid-swatch/rail", "version": 1.',
    )
