"""A piece in the open format, and the way to and from the core."""

from typing import Annotated

import numpy as np
from pydantic import AfterValidator, Field, model_validator

from lucid_swatch.core.garment.piece import Piece
from lucid_swatch.core.garment.vocabulary import (
    Bin,
    Category,
    Finish,
    Length,
    Metal,
    Part,
    PatternType,
    Scale,
    Volume,
    Worn,
)

from .cut import CutDocument, SeenDocument
from .document import Document

SHARE_SLACK = 0.02
"""How far shares may be from summing to 1: printed shares are rounded."""


def check_lab(lab: list[float]) -> list[float]:
    """Raises ValueError when a CIELAB colour cannot be that of a surface."""
    if not 0 <= lab[0] <= 100:
        raise ValueError(f"L* is {lab[0]:g}, outside 0 to 100")
    if max(abs(lab[1]), abs(lab[2])) > 150:
        raise ValueError(f"a* {lab[1]:g} and b* {lab[2]:g} cannot be those of a surface")
    return lab


Lab = Annotated[list[float], Field(min_length=3, max_length=3), AfterValidator(check_lab)]
"""CIELAB of a surface, D65, 2°."""


class ColourShare(Document):
    """A colour and how much of the visible piece it covers."""

    lab: Lab
    """CIELAB, D65, 2°."""
    share: float = Field(ge=0, le=1)
    part: Part = Part.CLOTH
    uncertainty: float | None = Field(default=None, ge=0, le=100)
    """CIEDE2000 that holds the true colour nine times in ten."""


class PatternDocument(Document):
    """How the colours lie."""

    type: PatternType = PatternType.SOLID
    scale: Scale | None = None
    confidence: float | None = Field(default=None, ge=0, le=1)


class PieceDocument(Document):
    """One garment or accessory."""

    id: str = Field(min_length=1, max_length=200)
    label: str = Field(default="", max_length=200)
    category: Category
    colours: list[ColourShare] = Field(min_length=1, max_length=24)
    """Largest share first; the shares sum to 1."""
    pattern: PatternDocument = Field(default_factory=PatternDocument)
    finish: list[Finish] = Field(default_factory=list)
    metal: Metal = Metal.NONE
    volume: Volume | None = None
    """Left out where nobody has said it; it is then taken for easy."""
    length: Length | None = None
    cut: CutDocument = Field(default_factory=CutDocument)
    formality: float | None = Field(default=None, ge=1, le=5)
    warmth: float | None = Field(default=None, ge=0, le=4)
    statement: float | None = Field(default=None, ge=0, le=1)
    worn: Worn | None = None
    bin: Bin | None = None
    """Where the stylist hangs it, when that is not where its colours say."""
    seen: SeenDocument = Field(default_factory=SeenDocument)
    """What its photo tells of what nobody has said."""

    @model_validator(mode="after")
    def _shares_sum(self) -> "PieceDocument":
        total = sum(c.share for c in self.colours)
        if abs(total - 1) > SHARE_SLACK:
            raise ValueError(f"the shares of '{self.id}' sum to {total:.2f}, not 1")
        return self

    def to_core(self) -> Piece:
        """The piece as the core sees it, colours largest first, shares exactly 1."""
        colours = sorted(self.colours, key=lambda c: (-c.share, c.lab))
        share = np.array([c.share for c in colours])
        if abs(share.sum() - 1) > 1e-9:
            share = share / share.sum()
        known = all(c.uncertainty is not None for c in colours)
        return Piece(
            id=self.id,
            category=self.category,
            lab=np.array([c.lab for c in colours], dtype=float),
            share=share,
            label=self.label,
            parts=tuple(c.part for c in colours),
            uncertainty=np.array([c.uncertainty for c in colours], dtype=float) if known else None,
            pattern=self.pattern.type,
            pattern_confidence=0.95 if self.pattern.confidence is None else self.pattern.confidence,
            scale=self.pattern.scale,
            finish=frozenset(self.finish),
            metal=self.metal,
            volume=self.volume,
            length=self.length,
            details=self.cut.to_core(),
            formality=self.formality,
            warmth=self.warmth,
            statement=self.statement,
            worn=self.worn,
            bin_said=self.bin,
            seen=self.seen.to_core(),
        )

    @classmethod
    def from_core(cls, piece: Piece) -> "PieceDocument":
        """The document of a piece."""
        colours = [
            {
                "lab": [float(v) for v in lab],
                "share": float(share),
                "part": piece.parts[k] if piece.parts else Part.CLOTH,
                "uncertainty": None if piece.uncertainty is None else float(piece.uncertainty[k]),
            }
            for k, (lab, share) in enumerate(zip(piece.lab, piece.share, strict=True))
        ]
        return cls.model_validate(
            {
                "id": piece.id,
                "label": piece.label,
                "category": piece.category,
                "colours": colours,
                "pattern": {"type": piece.pattern, "scale": piece.scale, "confidence": piece.pattern_confidence},
                "finish": sorted(piece.finish),
                "metal": piece.metal,
                "volume": piece.volume,
                "length": piece.length,
                "cut": CutDocument.from_core(piece.details),
                "formality": piece.formality,
                "warmth": piece.warmth,
                "statement": piece.statement,
                "worn": piece.worn,
                "bin": piece.bin_said,
                "seen": SeenDocument.of(piece.seen),
            }
        )
