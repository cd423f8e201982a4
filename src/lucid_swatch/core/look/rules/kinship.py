"""How colours answer each other: exactly, as another depth of one hue, as another grey, or as neutrals of one side."""

import numpy as np

from ..scorer.soft import falling, rising
from ..scorer.table import Feature, PieceTable


def one_family(table: PieceTable) -> Feature:
    """How well the colour of either piece returns in the other: exactly, as another depth of one hue, as another grey, or
    as a neutral that belongs with it. Of pairs, 0..1."""
    apart = np.abs(table.lightness[:, None] - table.lightness)
    grey = falling(table.chroma, 2, 10) * (table.area > 0)
    return np.maximum.reduce(
        [
            table.returns,
            OF_ONE_HUE * table.kin,
            ANOTHER_GREY * np.outer(grey, grey) * falling(apart, 25, 60),
            OF_ONE_SIDE * _of_one_side(table) * falling(apart, 25, 60),
        ]
    )


def repeated(table: PieceTable) -> Feature:
    """The same, where one metal that is seen on both counts in full. Of pairs, 0..1."""
    return np.maximum(table.repeated, one_family(table))


OF_ONE_HUE, ANOTHER_GREY, OF_ONE_SIDE = 0.85, 0.7, 0.9
"""How far another depth of one hue, another grey, and a neutral of the same side, answers a colour."""


def _of_one_side(table: PieceTable) -> Feature:
    """How far two pieces are neutrals that belong together: sandy, caramel, tan, cream and off-white; stone, putty, greyed
    beige and cool grey. Of pairs, 0..1."""
    neutral = rising(table.neutral, 0.2, 0.7) * (table.area > 0)
    sided = 1 - table.white
    # a very pale white sits with either side
    apart = np.abs(table.temperature[:, None] - table.temperature) * np.outer(sided, sided)
    return np.minimum.outer(neutral, neutral) * falling(apart, 0.05, 0.65)
