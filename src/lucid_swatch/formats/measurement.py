"""A measurement of a photo in the open format."""

from collections.abc import Sequence
from dataclasses import replace
from typing import TYPE_CHECKING, Literal

from pydantic import Field

from lucid_swatch.core.colour.arrays import FloatArray
from lucid_swatch.core.colour.spaces import lab_to_hex
from lucid_swatch.core.garment.cut import cut_seen
from lucid_swatch.core.garment.finishes import finish_chances, told_by
from lucid_swatch.core.garment.front import Front
from lucid_swatch.core.garment.likely import firm, likely
from lucid_swatch.core.garment.measurement import Measurement
from lucid_swatch.core.garment.reading import Reading
from lucid_swatch.core.garment.vocabulary import Bin, Category, Metal, Part, PatternType, Scale, Undertone
from lucid_swatch.core.photo.light import LightReference
from lucid_swatch.core.photo.outline import Outline
from lucid_swatch.core.photo.paper import Sheet

from .cut import CutGuesses, FinishGuess, finish_guesses
from .document import Document, Titled

if TYPE_CHECKING:
    from lucid_swatch.files.photo import Photo


class PhotoDocument(Document):
    """The photo that was measured."""

    file: str
    width: int
    height: int
    profile: str


GUESSES = 5
"""How many are kept: the rest is hardly likely."""


class PaperDocument(Document):
    """Where paper lies in a photo."""

    x: float
    y: float
    corners: list[list[float]]
    """Fractions from the top left corner, in order round it."""
    sure: bool

    @classmethod
    def from_core(cls, sheet: Sheet) -> "PaperDocument":
        """The document of a sheet."""
        x, y = (round(float(value), 4) for value in sheet.middle)
        corners = [[round(float(one), 4), round(float(other), 4)] for one, other in sheet.corners]
        return cls(x=x, y=y, corners=corners, sure=sheet.sure)


class LightDocument(Document):
    """The light it was taken in."""

    reference: LightReference
    cct: int | None = None
    """Correlated colour temperature in kelvin of the cast that was left."""
    uncertainty: float
    """CIEDE2000 that the light alone leaves."""
    note: str | None = None
    """What the stylist should know of it, such as a reference card that could not be used."""
    lamp: str | None = None
    """The kind of lamp, where the photo or its room tells it firmly."""
    lent_by: str | None = None
    """The photo whose paper, card or mark told the light, where that is another one of the room."""
    paper: PaperDocument | None = None
    """Paper or a card that was found in the photo without being marked, the surest."""


class GuessDocument(Document):
    """What the piece may be."""

    category: Category
    confidence: float


class GarmentDocument(Document):
    """The garment in it."""

    share: float
    method: str
    confidence: float
    category: Category | None = None
    """What it is taken for; left out where its outline leaves that open."""
    guesses: list[GuessDocument] = Field(default_factory=list)
    """What it may be, likeliest first."""


class MeasuredColour(Document):
    """One measured colour."""

    lab: list[float]
    share: float
    hex: str
    name: str
    uncertainty: float
    """CIEDE2000 that holds the true colour nine times in ten."""
    part: Part = Part.CLOTH


class MeasuredPattern(Document):
    """The pattern as read."""

    type: PatternType
    scale: Scale | None = None
    confidence: float
    repeat: float | None = None
    """Repeat against the width of the body."""


class MeasuredFinish(Document):
    """The surface as read."""

    sheen: float
    texture: float
    measures: list[float] | None = None
    """What the finish is told by; left out where too little of one colour lies together."""
    guesses: list[FinishGuess] = Field(default_factory=list)
    """For what the piece is taken for, likeliest first."""


class MeasuredHardware(Document):
    """The metal that seems to show: a suggestion."""

    metal: Metal
    confidence: float


class MeasuredNeck(Document):
    """An opening at the neck whose inside shows."""

    half_width: float
    """Against the square root of the piece's area, as the depth."""
    depth: float
    pointed: float
    """How much better a point explains its edge than a curve does."""


class MeasuredFront(Document):
    """What shows on the front."""

    neck: MeasuredNeck | None = None
    buttons: int = 0
    """Of the longest row near the middle."""


class MeasuredSort(Document):
    """Where it would hang."""

    bin: Bin
    temperature: float
    undertone: Undertone
    lean: str | None = None
    name: str
    confidence: float


class MeasurementDocument(Titled):
    """A measurement of a photo."""

    format: Literal["lucid-swatch/measurement"] = "lucid-swatch/measurement"
    photo: PhotoDocument
    light: LightDocument
    garment: GarmentDocument
    colours: list[MeasuredColour] = Field(min_length=1)
    threads: list[list[float]] | None = None
    """The yarns of a marl, whose mean stands in colours."""
    pattern: MeasuredPattern
    finish: MeasuredFinish
    cut: CutGuesses | None = None
    """For what the piece is taken for."""
    hardware: MeasuredHardware | None = None
    front: MeasuredFront | None = None
    sort: MeasuredSort

    def to_core(self) -> Reading:
        """The reading as it is kept."""
        return Reading(self.model_dump(mode="json"))

    @classmethod
    def from_core(
        cls,
        photo: "Photo",
        outline: Outline,
        read: Measurement,
        sheets: Sequence[Sheet] = (),
        lent_by: str | None = None,
    ) -> "MeasurementDocument":
        """The document of a reading.

        sheets: paper found in it, the surest first. lent_by: the photo that its light came from, where that is another."""
        shares = rounded_shares(read.share)
        colours = [
            MeasuredColour(
                lab=[round(float(v), 2) for v in lab],
                share=share,
                hex=lab_to_hex(lab),
                name=name,
                uncertainty=round(float(doubt), 1),
                part=part,
            )
            for lab, share, name, doubt, part in zip(
                read.lab, shares, read.names, read.uncertainty, read.parts, strict=True
            )
        ]
        repeat, guesses = read.pattern.repeat, likely(outline.mask)
        kind = guesses[0].category
        cloth = finish_chances(kind, told_by(read.surface, read.lab, read.pattern.type))
        seen = replace(cut_seen(outline.mask, kind, read.front), finish=cloth)
        return cls(
            photo=PhotoDocument(file=photo.file, width=photo.width, height=photo.height, profile=photo.profile),
            light=LightDocument(
                reference=read.light.reference,
                cct=read.light.cct,
                uncertainty=read.light.uncertainty,
                note=read.light.note or None,
                lamp=read.light.lamp or None,
                lent_by=lent_by,
                paper=PaperDocument.from_core(sheets[0]) if sheets else None,
            ),
            garment=GarmentDocument(
                share=round(outline.share, 4),
                method=outline.method,
                confidence=round(outline.confidence, 2),
                category=firm(guesses),
                guesses=[
                    GuessDocument(category=one.category, confidence=round(one.confidence, 3))
                    for one in guesses[:GUESSES]
                ],
            ),
            colours=colours,
            threads=None if read.threads is None else [[round(float(v), 2) for v in lab] for lab in read.threads],
            pattern=MeasuredPattern(
                type=read.pattern.type,
                scale=read.pattern.scale,
                confidence=round(read.pattern.confidence, 2),
                repeat=None if repeat is None else round(repeat, 3),
            ),
            finish=MeasuredFinish(
                sheen=round(read.surface.sheen, 2),
                texture=round(read.surface.texture, 2),
                measures=None if read.surface.measures is None else [round(float(v), 4) for v in read.surface.measures],
                guesses=finish_guesses(seen)[:GUESSES],
            ),
            cut=CutGuesses.from_core(seen),
            hardware=None
            if read.hardware is None
            else MeasuredHardware(metal=read.hardware.metal, confidence=read.hardware.confidence),
            front=_front(read.front),
            sort=MeasuredSort(
                bin=read.sorted.bin,
                temperature=round(read.sorted.temperature, 2),
                undertone=read.sorted.undertone,
                lean=read.sorted.lean,
                name=read.sorted.name,
                confidence=round(read.sorted.confidence, 2),
            ),
        )


def _front(front: Front) -> MeasuredFront:
    neck = front.neck
    shown = None
    if neck is not None:
        shown = MeasuredNeck(half_width=neck.half_width, depth=neck.depth, pointed=round(neck.pointed, 3))
    return MeasuredFront(neck=shown, buttons=front.buttons)


def rounded_shares(share: FloatArray) -> list[float]:
    """Shares to four decimals that still sum to 1: the largest takes up the rest."""
    rounded = [round(float(s), 4) for s in share]
    rounded[0] = round(rounded[0] + 1 - sum(rounded), 4)
    return rounded
