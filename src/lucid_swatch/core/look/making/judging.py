"""What made looks come to: the whole, and what beside it speaks for a look."""

from functools import cached_property

import numpy as np

from ...colour.arrays import BoolArray, FloatArray, IntArray
from ..dressing.dress import zone_of
from ..dressing.outfits import wholes_of
from ..dressing.wardrobe import NOTHING
from ..theme import shares_carried
from .day import CLOTHES, DayTable
from .material import Material

THEME = 20.0
"""Points of the whole for which a look is taken that carries its theme wholly before one that carries nothing of it."""
A_LAYER = 2.0
"""Points of the whole that a layer has to be worth where the day asks for none."""


A_SET = 3.0
"""Points of the whole for which a look is taken that holds shoes and bag the stylist has named as a set."""


class Judging:
    """Scores looks of one wardrobe for one question. Looks are rows of places, NOTHING where they have fewer pieces."""

    def __init__(self, material: Material) -> None:
        self.material, self.wanted = material, material.wanted
        self.day = DayTable(material.known, material.wanted)

    def wholes(self, rows: IntArray) -> FloatArray:
        """The whole of each look, 0..100. (n, m) to (n,)."""
        return wholes_of(self.material.wardrobe, rows, self.wanted.intent)

    def values(self, rows: IntArray, wholes: FloatArray) -> FloatArray:
        """What looks are ordered by: the whole, less what is off the occasion, more for the theme. (n,)."""
        values = (
            wholes
            - self.day.off(rows)
            - A_LAYER * self.day.spare_layers(rows)
            + A_SET * self._sets_of_accessories(rows)
        )
        if self.material.wardrobe.leaning:
            values = values + self._leaning[rows].sum(axis=1)
        if self.wanted.theme is not None:
            pieces = self.material.wardrobe.everything
            rows = np.where(rows == NOTHING, len(pieces), rows)
            values = values + THEME * shares_carried(pieces, self.wanted.theme, rows)
        return values

    @cached_property
    def _leaning(self) -> FloatArray:
        """Points for each piece, and none where a look has fewer. (pieces + 1,)."""
        points = self.material.wardrobe.leaning
        return np.array([points.get(piece.id, 0.0) for piece in self.material.wardrobe.everything] + [0.0])

    def _sets_of_accessories(self, rows: IntArray) -> IntArray:
        """How many sets without a garment, such as shoes and bag, each look holds. (n,)."""
        held = np.zeros(len(rows), dtype=np.intp)
        for kit in self.material.sets:
            if not any(zone_of(self.material.known[k].category) in CLOTHES for k in kit.all):
                held += np.isin(rows, kit.all).sum(axis=1) == len(kit.all)
        return held

    def goes(self, rows: IntArray) -> BoolArray:
        """Which looks can be worn as they are: every two pieces together, and the day suited. (n,)."""
        pairs = np.pad(self.material.pairs, (0, 1), constant_values=True)
        able = np.ones(len(rows), dtype=bool)
        for one in range(rows.shape[1]):
            for other in range(one):
                able &= pairs[rows[:, one], rows[:, other]]
        return able & self.day.suits(rows, self.layers_there)

    @property
    def layers_there(self) -> bool:
        """Whether a layer hangs there at all."""
        return bool(self.day.is_layer[list(self.material.usable)].any())
