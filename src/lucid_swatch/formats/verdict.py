"""Verdicts and sorts in the open format."""

import numpy as np
from pydantic import Field

from lucid_swatch.core.colour.spaces import lab_to_hex
from lucid_swatch.core.garment.sorting import Sorted
from lucid_swatch.core.garment.vocabulary import Bin, Undertone
from lucid_swatch.core.look.dressing.mends import Mend
from lucid_swatch.core.look.look import Intent, Look
from lucid_swatch.core.look.theme import Carried, Theme, carried
from lucid_swatch.core.look.verdict import Verdict

from .document import Document


class ReasonDocument(Document):
    """Why a measure gained or lost points."""

    code: str
    text: str
    pieces: list[str]
    points: float
    meant: bool = False
    """Whether it is broken knowingly: its points stay in the measure and do not count in the whole."""


class MeasureDocument(Document):
    """One measure: start plus the points is the score."""

    score: float
    start: float
    because: list[ReasonDocument]


class MeasuresDocument(Document):
    """The five measures."""

    harmony: MeasureDocument
    contrast: MeasureDocument
    monochrome: MeasureDocument
    statement: MeasureDocument
    colouring: MeasureDocument | None
    """Null without a client."""


class MendColour(Document):
    """The colour that a mend asks for."""

    lab: list[float]


class MendDocument(Document):
    """A change that raises the whole."""

    do: str
    """swap, add, remove or recolour."""
    piece: str | None = None
    with_piece: str | None = Field(default=None, serialization_alias="with")
    for_colour: MendColour | None = Field(default=None, serialization_alias="for")
    text: str
    gain: float
    """What the whole really rises by."""
    rises: dict[str, float] = Field(default_factory=dict)
    """What each measure really rises by, or falls."""
    then: "MendDocument | None" = None
    """The second of two changes that help together; its gain is what it would do alone."""
    alone: float | None = None
    """What the first of two would do alone."""


class CarriedDocument(Document):
    """How far a look carries its theme."""

    word: str
    share: float
    """0..1."""
    pieces: list[str]
    missing: list[str]
    hex: list[str] = Field(default_factory=list)
    """Of the theme's colours, for drawing them."""


class VerdictDocument(Document):
    """The verdict on a look."""

    id: str
    intent: Intent
    overall: float
    measures: MeasuresDocument
    mends: list[MendDocument]
    weights: str
    """The version of the weights that made it."""
    overall_as_scored: float | None = None
    """The whole as if nothing were meant; null where nothing is."""
    theme: CarriedDocument | None = None

    @classmethod
    def from_core(cls, verdict: Verdict, mends: list[Mend], look: Look | None = None) -> "VerdictDocument":
        """The document of a verdict and its mends. look: whose theme is told too."""
        return cls(
            id=verdict.id,
            intent=verdict.intent,
            overall=verdict.overall,
            measures=measures_document(verdict),
            mends=[mend_document(m) for m in mends],
            weights=verdict.weights,
            overall_as_scored=verdict.overall_as_scored,
            theme=None
            if look is None or look.theme is None
            else carried_document(look.theme, carried(look.worn, look.theme)),
        )


def carried_document(theme: Theme, found: Carried) -> CarriedDocument:
    """How far a look carries a theme."""
    return CarriedDocument(
        word=theme.word,
        hex=[lab_to_hex(np.array(lab)) for lab in theme.colours],
        share=found.share,
        pieces=list(found.pieces),
        missing=list(found.missing),
    )


def measures_document(verdict: Verdict) -> MeasuresDocument:
    """The document of the five measures of a verdict."""
    measures = {
        name: None
        if one is None
        else MeasureDocument(
            score=one.score,
            start=one.start,
            because=[
                ReasonDocument(code=r.code, text=r.text, pieces=list(r.pieces), points=r.points, meant=r.meant)
                for r in one.because
            ],
        )
        for name, one in verdict.measures.items()
    }
    return MeasuresDocument.model_validate(measures)


def mend_document(mend: Mend) -> MendDocument:
    """The document of a mend."""
    colour = None if mend.lab is None else MendColour(lab=[round(float(v), 1) for v in mend.lab])
    return MendDocument(
        do=mend.do,
        piece=mend.piece,
        with_piece=mend.with_piece,
        for_colour=colour,
        text=mend.text,
        gain=mend.gain,
        rises=dict(mend.rises),
        then=None if mend.then is None else mend_document(mend.then),
        alone=mend.alone,
    )


class SortDocument(Document):
    """Where a piece hangs."""

    id: str
    bin: Bin
    temperature: float
    """-1 cool to 1 warm."""
    undertone: Undertone
    lean: str | None = None
    name: str
    family: str
    """The family of the name: of a print, that of its ground."""
    confidence: float

    @classmethod
    def from_core(cls, id: str, one: Sorted) -> "SortDocument":
        """The document of a sort."""
        return cls(
            id=id,
            bin=one.bin,
            temperature=round(one.temperature, 2),
            undertone=one.undertone,
            lean=one.lean,
            name=one.name,
            family=one.family,
            confidence=round(one.confidence, 2),
        )
