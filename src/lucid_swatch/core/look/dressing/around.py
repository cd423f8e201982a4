"""A look and all that could become of it by other pieces, scored in one go: the ground of mends and of effects."""

from collections.abc import Sequence
from dataclasses import dataclass

import numpy as np

from ...colour.arrays import FloatArray
from ...garment.piece import Piece
from ..look import Look
from ..scorer.batch import make_batch_round
from ..verdict import Scores, score_batch

PIECES_AT_ONCE = 600
"""Pieces of one table: what is known of their pairs grows with the square of them."""
PART = 150
"""Pieces of each table of a longer rail: small ones are quicker together than few large ones."""


def at_once(count: int) -> int:
    """How many of some pieces are asked in one table."""
    return count if count <= PIECES_AT_ONCE else PART


@dataclass(frozen=True, slots=True, eq=False)
class Around:
    """A look beside what it would be after each of many changes."""

    look: Look
    parts: list[Scores]
    """Of a long rail some pieces at a time; each holds the look in its first row."""
    places: list[tuple[int, int]]
    """Of every change: the part that scored it, and its row there."""

    @property
    def scores(self) -> Scores:
        """A batch whose first row is the look."""
        return self.parts[0]

    @property
    def gains(self) -> FloatArray:
        """What every change does to the whole. (changes,)."""
        now = self.scores.overall[0]
        return np.array([self.parts[part].overall[row] for part, row in self.places], dtype=float) - now

    def of(self, change: int) -> tuple[Scores, int]:
        """The scores that hold a change, and its row there; their first row is the look."""
        part, row = self.places[change]
        return self.parts[part], row

    def further(self, others: Sequence[tuple[Piece, ...]]) -> "Around":
        """The same look after other changes, whose pieces were among those of before.

        A table of all of them is at hand where there is one part: what is known of its pairs is not worked out again."""
        known = self.scores.batch.table.pieces if len(self.parts) == 1 else ()
        scores = score_batch(make_batch_round(self.look, others, known))
        return Around(self.look, [scores], [(0, row) for row in range(1, len(others) + 1)])


def score_around(look: Look, others: Sequence[tuple[Piece, ...]]) -> Around:
    """A look, and what it would be after many changes. others: the pieces after each, without what is always on."""
    own = {piece.id for piece in look.worn}
    newcomers: dict[str, list[int]] = {}
    for change, pieces in enumerate(others):
        coming = next((piece.id for piece in pieces if piece.id not in own), "")
        newcomers.setdefault(coming, []).append(change)
    size = at_once(len(newcomers))
    groups = list(newcomers.values())
    places = [(0, 0)] * len(others)
    parts: list[Scores] = []
    for start in range(0, max(len(groups), 1), max(size, 1)):
        changes = [change for group in groups[start : start + size] for change in group]
        for row, change in enumerate(changes, start=1):
            places[change] = len(parts), row
        parts.append(score_batch(make_batch_round(look, [others[change] for change in changes])))
    return Around(look, parts, places)
