"""What the screens send and get about palettes."""

from pydantic import Field

from lucid_swatch.formats.palette import PaletteColour
from lucid_swatch.store.records import PaletteRecord
from lucid_swatch.usecases.palettes import Fitted

from .base import Answer, Request


class PaletteColourAnswer(Answer):
    """A colour of a palette."""

    name: str
    lab: list[float]
    hex: str
    covers: float
    """Share of the rail's cloth."""


class InPaletteAnswer(Answer):
    """A piece against a palette."""

    piece_id: str
    inside: bool
    share: float
    difference: float
    nearest: int


class PaletteAnswer(Answer):
    """A palette against a rail."""

    id: str | None
    name: str
    within: float
    colours: list[PaletteColourAnswer]
    covers: float
    pieces: list[InPaletteAnswer]


class PaletteRequest(Request):
    """A palette to try or to keep."""

    name: str = Field(default="", max_length=200)
    within: float = Field(default=10.0, ge=1, le=40)
    colours: list[PaletteColour] = Field(default_factory=list, max_length=40)


class FindRequest(Request):
    """How many colours are wanted."""

    count: int = Field(default=5, ge=1, le=24)
    within: float = Field(default=10.0, ge=1, le=40)
    kept: list[PaletteColour] = Field(default_factory=list, max_length=24)
    """Colours that stay in."""


def palette_answer(
    colours: list[PaletteColour], within: float, fitted: Fitted, kept: PaletteRecord | None
) -> PaletteAnswer:
    """A palette against a rail. kept: under what it is kept, if it is."""
    return PaletteAnswer(
        id=None if kept is None else kept.id,
        name="" if kept is None else kept.name,
        within=within,
        colours=[
            PaletteColourAnswer(name=one.name, lab=one.lab, hex=one.hex, covers=round(covers, 4))
            for one, covers in zip(colours, fitted.covered, strict=True)
        ],
        covers=round(fitted.share, 4),
        pieces=[
            InPaletteAnswer(
                piece_id=one.piece_id,
                inside=one.inside,
                share=round(one.share, 3),
                difference=round(one.difference, 1),
                nearest=one.nearest,
            )
            for one in fitted.pieces
        ],
    )
