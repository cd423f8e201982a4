"""What colour a part of a piece has where it is not filled with its cloth."""

import numpy as np

from ...colour.arrays import FloatArray
from ...garment.piece import Piece
from ...garment.vocabulary import Metal
from ...garment.vocabulary import Part as ColourOf
from .parts import Part

METALS: dict[Metal, tuple[float, float, float]] = {
    Metal.GOLD: (74.0, 5.0, 36.0),
    Metal.SILVER: (78.0, 0.0, -1.0),
    Metal.ROSE: (70.0, 16.0, 20.0),
    Metal.MIXED: (77.0, 2.0, 16.0),
}
"""CIELAB of polished metal, for hardware whose own colour was not measured."""
UNKNOWN: dict[ColourOf, float] = {ColourOf.TRIM: 0.1, ColourOf.HARDWARE: 0.35}
"""How much darker than the cloth a part is drawn whose own colour is not known."""


def fill_of(part: Part, piece: Piece) -> FloatArray:
    """The colour of a part: as it was measured, or as its metal is, or the darkened cloth. (3,), CIELAB."""
    own = [k for k, one in enumerate(piece.parts) if one is part.colour_of]
    if own:
        lab = piece.lab[own[0]]
    elif part.colour_of is ColourOf.HARDWARE and piece.metal in METALS:
        lab = np.array(METALS[piece.metal])
    else:
        lab = piece.lab[0] * (1 - UNKNOWN.get(part.colour_of, 0.0))
    darker: FloatArray = lab * (1 - part.dark)
    return darker
