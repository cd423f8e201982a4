"""What base looks are dressed with: bag, belt, scarf, hat, jewellery, a second layer, each where it really helps.

A beam: every addition to every look is scored, and the best few of each base look go on."""

from dataclasses import dataclass

import numpy as np

from ...colour.arrays import BoolArray, FloatArray, IntArray
from ...garment.vocabulary import Category
from ..body import Zone
from ..dressing.base_looks import BASE
from ..dressing.dress import NEEDS, zone_of
from ..dressing.wardrobe import NOTHING
from .judging import Judging
from .material import Kit

BEAM = 3
"""Looks of each base look and bag that go on."""
BAGS = 3
"""Bags that each base look is dressed with, so that it is not always the same one."""
AT_ONCE = 1500
"""Looks that are dressed at once, as a rule: of more base looks each is tried with fewer bags."""
A_BAG_MAY_SEEM = 25.0
"""Points by which a bag may be worse than none as long as nothing answers it yet."""
STEPS = 5
"""Additions that a look is given at most, the bag among them."""
WORTH, WORTH_OF_CLOTHES = 0.5, 6.0
"""Points of the whole from which an accessory, and from which a second upper piece or layer, is put on."""
A_BAG = 3.0
"""Points of the whole that carrying a bag may cost: people have to carry their things."""
HOPEFUL, MOST_TRIED = 10.0, 14
"""Points below the best addition up to which others are tried again, and how many at most."""


@dataclass(frozen=True, slots=True, eq=False)
class Dressed:
    """Whole looks."""

    rows: IntArray
    """(n, m), places, NOTHING elsewhere."""
    wholes: FloatArray
    """(n,), 0..100."""
    values: FloatArray
    """(n,), what they are ordered by, less what their accessories have to be worth."""


def dress(judging: Judging, start: Kit, rows: IntArray, wholes: FloatArray) -> Dressed:
    """Base looks with what helps them, each with the bags that go with it best. rows: (n, m). wholes: theirs."""
    additions = judging.material.added(start)
    if not additions or not len(rows):
        return Dressed(packed(rows), wholes, judging.values(rows, wholes))
    return _Beam(judging, additions, rows, wholes).run()


def packed(rows: IntArray) -> IntArray:
    """The same looks with nothing between their pieces, as narrow as they go. (n, m) to (n, k)."""
    order = np.argsort(rows == NOTHING, axis=1, kind="stable")
    rows = np.take_along_axis(rows, order, axis=1)
    most = int((rows != NOTHING).sum(axis=1).max(initial=1))
    return rows[:, :most]


def wide(rows: IntArray, width: int) -> IntArray:
    """The same looks in rows of some width."""
    return np.pad(rows, ((0, 0), (0, width - rows.shape[1])), constant_values=NOTHING)


def _joined(first: IntArray, second: IntArray) -> IntArray:
    width = max(first.shape[1], second.shape[1])
    return np.concatenate([wide(first, width), wide(second, width)])


def _leading(group: IntArray, values: FloatArray, most: int) -> IntArray:
    """The best few of each group, by index, group by group, best first."""
    order = np.lexsort((np.arange(len(values)), -values, group))
    first = np.searchsorted(group[order], group[order])
    return order[np.arange(len(order)) - first < most]


class _Beam:
    def __init__(self, judging: Judging, additions: list[tuple[int, ...]], rows: IntArray, wholes: FloatArray) -> None:
        self.judging = judging
        known = judging.material.known
        width = max(len(one) for one in additions)
        self.additions = np.array([one + (NOTHING,) * (width - len(one)) for one in additions], dtype=np.intp)
        self.is_bag = np.array([any(known[k].category is Category.BAG for k in one) for one in additions])
        clothes = np.array([any(zone_of(known[k].category) in BASE for k in one) for one in additions])
        # a bag is carried for what is in it; all else has to be worth putting on
        self.worth = np.where(self.is_bag, -A_BAG, np.where(clothes, WORTH_OF_CLOTHES, WORTH))
        self.clothes = clothes
        self.able = self._able_table(additions)
        self.needs = self._needs(additions)
        self.layers = np.array([any(zone_of(known[k].category) is Zone.LAYER for k in one) for one in additions])
        self._start(rows, wholes, np.zeros(len(rows)))
        self.hopes: BoolArray | None = None
        """Which additions are worth trying on each base look. (base looks, additions)."""

    def _able_table(self, additions: list[tuple[int, ...]]) -> BoolArray:
        """Whether each addition goes with each piece; the last row is for no piece. (pieces + 1, additions)."""
        pairs = self.judging.material.pairs
        able = np.ones((len(pairs) + 1, len(additions)), dtype=bool)
        for k, one in enumerate(additions):
            able[:-1, k] = pairs[:, list(one)].all(axis=1)
            able[list(one), k] = False
        return able

    def _needs(self, additions: list[tuple[int, ...]]) -> list[tuple[int, BoolArray]]:
        """What an addition is worn with only: which pieces would do. The last is for no piece."""
        known = self.judging.material.known
        found = []
        for k, one in enumerate(additions):
            for category in {known[place].category for place in one} & NEEDS.keys():
                own = any(known[place].category in NEEDS[category] for place in one)
                does = np.array([p.category in NEEDS[category] for p in known] + [False])
                found += [] if own else [(k, does)]
        return found

    def _values(self, rows: IntArray, wholes: FloatArray, cost: FloatArray) -> FloatArray:
        return self.judging.values(rows, wholes) - cost

    def run(self) -> Dressed:
        # one over the other is another look beside the one without it
        self._branch(self.clothes, 1, 0.0, besides=True)
        bags = min(max(AT_ONCE // max(self.count, 1), 1), BAGS)
        self._branch(self.is_bag, bags, A_BAG_MAY_SEEM, besides=bags == BAGS)
        for _ in range(STEPS):
            if not self._step(~self.is_bag & ~self.clothes):
                break
        return Dressed(packed(self.best_rows), self.best_wholes, self.best)

    def _branch(self, which: BoolArray, most: int, slack: float, besides: bool) -> None:
        """Each look with the best of some additions is one to be dressed, in its place where one of them is better.

        slack: points that an addition may be worse by. besides: whether the look without it goes on all the same."""
        at, with_, rows, wholes = self._tried(which)
        if not len(at):
            return
        cost = self.cost[at] + self.worth[with_]
        values = self._values(rows, wholes, cost)
        kept = _leading(at, values, most)
        kept = kept[values[kept] > self.best[at[kept]] - slack]
        better = at[kept][values[kept] > self.best[at[kept]]]
        bare = np.arange(self.count) if besides else np.setdiff1d(np.arange(self.count), better)
        self._start(
            packed(_joined(self.rows[bare], rows[kept])),
            np.concatenate([self.wholes[bare], wholes[kept]]),
            np.concatenate([self.cost[bare], cost[kept]]),
        )

    def _start(self, rows: IntArray, wholes: FloatArray, cost: FloatArray) -> None:
        """The looks that are dressed from here on, each for itself."""
        self.rows, self.wholes, self.cost = rows, wholes, cost
        self.count = len(rows)
        self.base = np.arange(self.count)
        self.best_rows, self.best_wholes, self.best = rows, wholes, self._values(rows, wholes, cost)

    def _tried(self, which: BoolArray) -> tuple[IntArray, IntArray, IntArray, FloatArray]:
        """Additions to every row that goes on: to which, what, the rows after it and their wholes."""
        able: BoolArray = np.repeat(which[None, :], len(self.rows), axis=0)
        for column in self.rows.T:
            able &= self.able[column]
        for k, does in self.needs:
            able[:, k] = able[:, k] & does[self.rows].any(axis=1)
        able[np.ix_(self._layered(), self.clothes)] = False
        # a first layer is part of a base look: it is not put on by the way
        able[np.ix_(~self._has_layer(), self.layers)] = False
        if self.hopes is not None:
            able = able & self.hopes[self.base]
        at, with_ = np.nonzero(able)
        rows = packed(np.concatenate([self.rows[at], self.additions[with_]], axis=1))
        return at, with_, rows, self.judging.wholes(rows)

    def _has_layer(self) -> BoolArray:
        layers: IntArray = self.judging.day.is_layer[self.rows].sum(axis=1)
        return layers > 0

    def _layered(self) -> BoolArray:
        """Which rows hold one garment over another already: one more is a layer, two are a heap. (n,)."""
        zones = [zone_of(piece.category) for piece in self.judging.material.known]
        body = np.array([zone in (Zone.UPPER, Zone.WHOLE) for zone in zones] + [False])
        layer = np.array([zone is Zone.LAYER for zone in zones] + [False])
        most: IntArray = np.maximum(body[self.rows].sum(axis=1), layer[self.rows].sum(axis=1))
        return most > 1

    def _step(self, which: BoolArray) -> bool:
        """Tries additions on every row that goes on. Whether any base look is better for it."""
        at, with_, rows, wholes = self._tried(which)
        if not len(at):
            return False
        cost = self.cost[at] + self.worth[with_]
        values = self._values(rows, wholes, cost)
        if self.hopes is None:
            self.hopes = self._hopeful(at, with_, values)
        better = self._remember(self.base[at], rows, wholes, values)
        self._go_on(at, rows, wholes, cost, values)
        return better

    def _hopeful(self, at: IntArray, with_: IntArray, values: FloatArray) -> BoolArray:
        table = np.full((self.count, len(self.additions)), -np.inf)
        np.maximum.at(table, (self.base[at], with_), values)
        best = table.max(axis=1, keepdims=True)
        rank = np.argsort(np.argsort(-table, axis=1, kind="stable"), axis=1)
        hopeful: BoolArray = (table > best - HOPEFUL) & (rank < MOST_TRIED)
        return hopeful

    def _remember(self, base: IntArray, rows: IntArray, wholes: FloatArray, values: FloatArray) -> bool:
        width = max(rows.shape[1], self.best_rows.shape[1])
        rows, self.best_rows = wide(rows, width), wide(self.best_rows, width)
        leading = _leading(base, values, 1)
        won = leading[values[leading] > self.best[base[leading]] + 1e-9]
        self.best[base[won]], self.best_wholes = values[won], self.best_wholes.copy()
        self.best_rows[base[won]], self.best_wholes[base[won]] = rows[won], wholes[won]
        return bool(len(won))

    def _go_on(self, at: IntArray, rows: IntArray, wholes: FloatArray, cost: FloatArray, values: FloatArray) -> None:
        """The best few rows of each base look, those before this step among them."""
        all_rows = _joined(self.rows, rows)
        all_wholes, all_cost = np.concatenate([self.wholes, wholes]), np.concatenate([self.cost, cost])
        base = np.concatenate([self.base, self.base[at]])
        all_values = np.concatenate([self._values(self.rows, self.wholes, self.cost), values])
        near = _leading(base, all_values, 4 * BEAM)
        # two ways to the same pieces are one look
        same = np.column_stack([base[near], np.sort(all_rows[near], axis=1)])
        near = near[np.sort(np.unique(same, axis=0, return_index=True)[1])]
        kept = near[_leading(base[near], all_values[near], BEAM)]
        self.rows, self.wholes, self.cost, self.base = all_rows[kept], all_wholes[kept], all_cost[kept], base[kept]
