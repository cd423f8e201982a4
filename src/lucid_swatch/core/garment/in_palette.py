"""Which pieces are in a palette: those of whose cloth enough is near one of its colours."""

from collections.abc import Sequence
from dataclasses import dataclass

import numpy as np

from ..colour.arrays import FloatArray
from ..colour.few import nearest_of
from .piece import Piece

IN_FROM = 0.75
"""Share of a piece's cloth that has to be near the palette for the piece to be in it."""
WITHIN = 12.0
"""CIEDE2000 up to which a colour counts as one of a palette, where nobody says."""


@dataclass(frozen=True, slots=True)
class InPalette:
    """A piece against a palette."""

    piece_id: str
    share: float
    """Of its cloth that is within the stated difference of a colour."""
    difference: float
    """CIEDE2000 from its main colour to the nearest of the palette."""
    nearest: int
    """Place of that colour."""

    @property
    def inside(self) -> bool:
        """Whether it is in the palette."""
        return self.share >= IN_FROM


def in_palette(pieces: Sequence[Piece], palette: FloatArray, within: float = WITHIN) -> tuple[InPalette, ...]:
    """Pieces against a palette. palette: (m, 3), CIELAB, m at least 1. within: CIEDE2000."""
    if not pieces:
        return ()
    nearest, away = nearest_of(np.concatenate([piece.lab for piece in pieces]), palette)
    reached, counts = away <= within, [len(piece.lab) for piece in pieces]
    starts = np.concatenate([[0], np.cumsum(counts)[:-1]])
    return tuple(
        InPalette(
            piece.id, float(piece.share @ reached[start : start + count]), float(away[start]), int(nearest[start])
        )
        for piece, start, count in zip(pieces, starts.tolist(), counts, strict=True)
    )
