"""The base looks of a wardrobe, scored once, and those that pieces which do not hang there would open."""

from collections.abc import Mapping, Sequence
from dataclasses import dataclass
from functools import cached_property

import numpy as np

from ...colour.arrays import FloatArray, IntArray
from ...garment.piece import Piece
from ..body import Zone
from ..dressing.base_looks import BASE, COLUMNS, base_looks, places_by_zone, unsplit
from ..dressing.dress import zone_of
from ..dressing.outfits import GOOD, base_sets, wholes_of
from ..dressing.wardrobe import NOTHING, Wardrobe

EXACT_UP_TO = 400_000
"""Base looks that are all scored; of more, so many are drawn and the count is an estimate."""
LEAST_BASE = 20_000
"""Base looks from which it is told what accessories do, at least, where there are so many."""
LIFTS_AT_MOST = 40.0
"""Points of the whole below a good look from which no accessory makes one."""
EXCLUDES = {Zone.UPPER: (Zone.WHOLE,), Zone.LOWER: (Zone.WHOLE,), Zone.WHOLE: (Zone.UPPER, Zone.LOWER)}
"""What a base look with a piece of a zone has not."""
NO_LOOKS = np.zeros((0, len(set(COLUMNS.values()))), np.intp)


@dataclass(frozen=True, slots=True, eq=False)
class Opened:
    """The good looks that a piece opens."""

    rows: IntArray
    """(n, 4) or, for an accessory, (n, 5): places of pieces, the accessory last."""
    wholes: FloatArray
    """(n,)."""
    scale: float
    """How many looks each stands for: 1 where all were scored."""

    @property
    def count(self) -> int:
        """How many looks there would be more."""
        return round(len(self.rows) * self.scale)


class Counted:
    """The good base looks of a wardrobe, and what strangers would add to them."""

    def __init__(
        self, wardrobe: Wardrobe, strangers: Sequence[Piece] = (), most: int = EXACT_UP_TO, most_base: int | None = None
    ) -> None:
        """strangers: pieces that do not hang there and may be asked about. most: looks scored for each question.
        most_base: looks of the rail as it hangs that are scored, where an estimate will do."""
        self.most_base = max(most, LEAST_BASE) if most_base is None else most_base
        outside = {piece.id for piece in strangers}
        self.wardrobe, self.most = wardrobe.with_strangers(strangers), most
        self.pieces = self.wardrobe.pieces
        self.place = {piece.id: k for k, piece in enumerate(self.pieces)}
        free = [k for k in self.wardrobe.free if self.pieces[k].id not in outside]
        self.places = places_by_zone([piece.category for piece in self.pieces], free)
        self.sets = base_sets(self.wardrobe, free)

    @cached_property
    def base(self) -> Opened:
        """All base looks as they hang now, good or not, with their wholes."""
        return self._scored(*self._rows(self.places, self.most_base))

    @cached_property
    def good(self) -> int:
        """How many good base looks there are now."""
        return round(float((self.base.wholes >= GOOD).sum()) * self.base.scale)

    @cached_property
    def each(self) -> dict[int, int]:
        """How many good base looks each piece of the rail is in now, by place."""
        rows = self.base.rows[self.base.wholes >= GOOD]
        free = [k for zone in BASE for k in self.places[zone]]
        return {k: round(float((rows == k).any(axis=1).sum()) * self.base.scale) for k in free}

    def opened(self, id: str) -> Opened:
        """The good looks that a stranger opens: base looks that hold it or, for an accessory, those that it makes good."""
        place = self.place[id]
        zone = zone_of(self.pieces[place].category)
        if place not in self.wardrobe.free:
            return Opened(NO_LOOKS, np.zeros(0), 1.0)
        if zone not in BASE:
            return self._lifted(place)
        scored = self.holding([place])
        kept = scored.wholes >= GOOD
        return Opened(scored.rows[kept], scored.wholes[kept], scored.scale)

    def holding(self, strangers: Sequence[int]) -> Opened:
        """All base looks, good or not, that hold some strangers. strangers: places of clothes of different zones."""
        return self._scored(*self._rows_holding(strangers))

    def _rows_holding(self, strangers: Sequence[int]) -> tuple[IntArray, float]:
        zones = [zone_of(self.pieces[place].category) for place in strangers]
        left_out = {other for zone in zones for other in EXCLUDES.get(zone, ())}
        places = {one: [] if one in left_out else there for one, there in self.places.items()}
        places |= {zone: [place] for zone, place in zip(zones, strangers, strict=True)}
        layer = next((place for zone, place in zip(zones, strangers, strict=True) if zone is Zone.LAYER), None)
        return self._rows(places, self.most, layer)

    def lifts(self, place: int, most: int) -> int:
        """How many base looks an accessory makes good, told from at most so many of those it could."""
        near = self._near_good
        step = max(1, len(near) // most)
        rows = self._with(near[::step], place)
        return round(float((self.wholes(rows) >= GOOD).sum()) * step * self.base.scale)

    def opens(self, ids: Sequence[str]) -> IntArray:
        """How many good looks each of some strangers opens; an accessory those that none which hangs makes good. (n,).

        All are scored in one go: of a few looks at a time the scorer spends most of its time on the way."""
        free = set(self.wardrobe.free)
        asked = [self._asked(self.place[id]) if self.place[id] in free else (NO_LOOKS, 1.0) for id in ids]
        good = np.zeros(len(ids))
        for width in {rows.shape[1] for rows, _ in asked}:
            those = [k for k, (rows, _) in enumerate(asked) if rows.shape[1] == width]
            wholes = self.wholes(np.concatenate([asked[k][0] for k in those]))
            ends = np.cumsum([len(asked[k][0]) for k in those])[:-1]
            good[those] = [(one >= GOOD).sum() for one in np.split(wholes, ends)]
        return np.rint(good * [scale for _, scale in asked]).astype(np.intp)

    def _asked(self, place: int) -> tuple[IntArray, float]:
        """The looks of which those that are good are what a stranger opens, and for how many each stands."""
        if zone_of(self.pieces[place].category) in BASE:
            return self._rows_holding([place])
        step = max(1, len(self._near_good) // self.most)
        return self._with(self._unserved, place), step * self.base.scale

    @cached_property
    def _unserved(self) -> IntArray:
        """Some of the base looks that an accessory could make good and none that hangs there does."""
        left = self._near_good[:: max(1, len(self._near_good) // self.most)]
        for place in [k for zone in Zone if zone not in BASE for k in self.places[zone]]:
            left = left[self.wholes(self._with(left, place)) < GOOD]
        return left

    def _lifted(self, place: int) -> Opened:
        rows = self._with(self._near_good, place)
        wholes = self.wholes(rows)
        kept = wholes >= GOOD
        return Opened(rows[kept], wholes[kept], self.base.scale)

    def _with(self, looks: IntArray, place: int) -> IntArray:
        """Some base looks with an accessory. looks: places in the base looks. To (n, 5)."""
        return np.column_stack([self.base.rows[looks], np.full(len(looks), place)])

    @cached_property
    def _near_good(self) -> IntArray:
        """Base looks that are not good and that an accessory could make so."""
        wholes = self.base.wholes
        return np.flatnonzero((wholes < GOOD) & (wholes >= GOOD - LIFTS_AT_MOST))

    def _scored(self, rows: IntArray, scale: float) -> Opened:
        return Opened(rows, self.wholes(rows), scale)

    def _rows(self, places: Mapping[Zone, list[int]], most: int, layer: int | None = None) -> tuple[IntArray, float]:
        """Base looks, and for how many each stands. layer: the one that each holds, where it is asked about."""
        if not places[Zone.FEET]:
            # no look is whole without shoes
            return NO_LOOKS, 1.0
        looks = base_looks(places, most if layer is None else 2 * most)
        rows = looks.rows if layer is None else looks.rows[looks.rows[:, COLUMNS[Zone.LAYER]] == layer]
        scale = looks.total / max(len(looks.rows), 1)
        return (rows[unsplit(rows, self.sets)] if self.sets else rows), scale

    def wholes(self, rows: IntArray) -> FloatArray:
        """The whole of each look, 0..100. (n, m) to (n,)."""
        return wholes_of(self.wardrobe, rows)

    def named(self, row: IntArray) -> tuple[Piece, ...]:
        """The pieces of one look."""
        return tuple(self.pieces[int(k)] for k in row if k != NOTHING)
