"""The good base looks of a wardrobe as a table of which pieces each holds."""

from collections.abc import Sequence
from dataclasses import dataclass, replace

import numpy as np

from ...colour.arrays import BoolArray, FloatArray, IntArray
from ...garment.known import as_known
from ...garment.piece import Piece
from ..dressing.base_looks import COLUMNS, base_looks, places_by_zone, unsplit
from ..dressing.dress import zone_of
from ..dressing.outfits import GOOD, base_sets, wholes_of
from ..dressing.wardrobe import NOTHING, Wardrobe
from ..making.day import LAYER_FROM, DayTable, why_left_out
from ..making.wanted import Wanted

MOST = 400_000
"""Base looks that are scored; of more, so many are drawn and counts are estimates."""


INSIDE_FROM, INSIDE = 3.0, 2.0
"""Formality from which an occasion is inside, and the warmth that one dresses for there."""


@dataclass(frozen=True, slots=True, eq=False)
class GoodLooks:
    """Good base looks, each by the places of its pieces."""

    pieces: tuple[Piece, ...]
    """Those that are in a base look, in the order of their places."""
    rows: IntArray
    """(n, 4), places in `pieces`, NOTHING where a look has fewer."""
    wholes: FloatArray
    """(n,), 0..100."""
    scale: float
    """How many looks each stands for: 1 where all were scored."""

    @property
    def place(self) -> dict[str, int]:
        """The place of each piece, by id."""
        return {piece.id: k for k, piece in enumerate(self.pieces)}

    def told(self, count: float) -> int:
        """How many looks so many rows stand for."""
        return round(count * self.scale)

    def within(self, chosen: BoolArray) -> BoolArray:
        """Which looks hold nothing but chosen pieces. chosen: (pieces,). To (n,)."""
        there = np.append(chosen, True)
        return np.asarray(there[self.rows].all(axis=1))

    def suiting(self, wanted: Wanted) -> BoolArray:
        """Which looks go to an occasion, into a weather and to an hour. (n,)."""
        known = [as_known(piece) for piece in self.pieces]
        may = np.array([why_left_out(piece, wanted) is None for piece in known] + [True])
        suits: BoolArray = DayTable(known, wanted).suits(self.rows, layers_there=True)
        return suits & may[self.rows].all(axis=1)

    def dressing(self, wanted: Wanted) -> BoolArray:
        """The same; where nothing suits a formal occasion because the cold asks for a layer, what is worn to it inside. (n,)."""
        suits = self.suiting(wanted)
        return suits if suits.any() or inside(wanted) is wanted else self.suiting(inside(wanted))

    def with_look(self, look: Sequence[Piece], whole: float) -> "GoodLooks":
        """The same with a look that hangs there whether it is good or not. look: its pieces, of which one of each column counts."""
        place, pieces = self.place, list(self.pieces)
        row = [NOTHING] * self.rows.shape[1]
        for piece in look:
            column = COLUMNS.get(zone_of(piece.category))
            if column is None or row[column] != NOTHING:
                continue
            if piece.id not in place:
                place[piece.id] = len(pieces)
                pieces.append(piece)
            row[column] = place[piece.id]
        if (self.rows == row).all(axis=1).any():
            return self
        return GoodLooks(tuple(pieces), np.vstack([self.rows, [row]]), np.append(self.wholes, whole), self.scale)


def inside(wanted: Wanted) -> Wanted:
    """What a formal occasion on a cold day asks of what is worn to it under a coat; anything else as it is."""
    formal = wanted.formality is not None and wanted.formality[0] >= INSIDE_FROM
    cold = wanted.warmth is not None and wanted.warmth >= LAYER_FROM
    return replace(wanted, warmth=INSIDE) if formal and cold else wanted


def good_looks(wardrobe: Wardrobe, least: float = GOOD) -> GoodLooks:
    """All base looks of a wardrobe that reach a whole. least: 0..100."""
    # in the order in which looks are scored
    wardrobe = wardrobe.with_strangers(())
    free = list(wardrobe.free)
    places = places_by_zone([piece.category for piece in wardrobe.pieces], free)
    looks = base_looks(places, MOST)
    rows = looks.rows[(looks.rows[:, 2] != NOTHING)]  # no look is whole without shoes
    sets = base_sets(wardrobe, free)
    rows = rows[unsplit(rows, sets)] if sets else rows
    wholes = wholes_of(wardrobe, rows) if len(rows) else np.zeros(0)
    good = wholes >= least
    return _of(wardrobe.pieces, rows[good], wholes[good], looks.total / max(len(looks.rows), 1))


def _of(pieces: Sequence[Piece], rows: IntArray, wholes: FloatArray, scale: float) -> GoodLooks:
    used = [int(k) for k in np.unique(rows) if k != NOTHING]
    anew = np.full(len(pieces) + 1, NOTHING)
    anew[used] = np.arange(len(used))
    return GoodLooks(tuple(pieces[k] for k in used), anew[rows], wholes, scale)
