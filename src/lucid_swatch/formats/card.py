"""The reference card as the colour reader read it once."""

from typing import Annotated, Literal

import numpy as np
from pydantic import Field

from lucid_swatch.core.colour.arrays import FloatArray
from lucid_swatch.core.photo.card import NOMINAL

from .document import Titled
from .piece import Lab


class CardDocument(Titled):
    """The measured card: every patch in the order of the card, row by row."""

    format: Literal["lucid-swatch/card"] = "lucid-swatch/card"
    patches: Annotated[list[Lab], Field(min_length=len(NOMINAL), max_length=len(NOMINAL))]

    @classmethod
    def from_core(cls, measured: FloatArray) -> "CardDocument":
        """The document of measured patches, (24, 3), CIELAB."""
        return cls(patches=[[round(float(v), 2) for v in lab] for lab in measured])

    def to_core(self) -> FloatArray:
        """(24, 3), CIELAB."""
        return np.array(self.patches, dtype=np.float64)
