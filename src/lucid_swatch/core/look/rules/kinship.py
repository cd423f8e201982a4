"""How colours answer each other: exactly, as another depth of one hue, or as another grey."""

import numpy as np

from ..scorer.soft import falling
from ..scorer.table import Feature, PieceTable


def one_family(table: PieceTable) -> Feature:
    """How well the colour of either piece returns in the other: exactly, as another depth of one hue, or as another grey.
    Of pairs, 0..1."""
    apart = np.abs(table.lightness[:, None] - table.lightness)
    grey = falling(table.chroma, 3, 8) * (table.area > 0)
    return np.maximum.reduce(
        [table.returns, OF_ONE_HUE * table.kin, ANOTHER_GREY * np.outer(grey, grey) * falling(apart, 25, 60)]
    )


OF_ONE_HUE, ANOTHER_GREY = 0.85, 0.7
"""How far another depth of one hue, and another grey, answers a colour."""
