"""The base looks from which looks are made: all of a short rail, of a longer one what each piece goes with best."""

from itertools import product

import numpy as np

from ...colour.arrays import BoolArray, FloatArray, IntArray
from ..body import Zone
from ..dressing.dress import zone_of
from ..dressing.wardrobe import NOTHING
from .judging import Judging
from .material import Kit

ALL_UP_TO = 40_000
"""Base looks that are all scored; of more, pieces are put together a zone at a time."""
HALVES, SHOD = 900, 1200
"""Halves that are shod, and shod ones that are tried with layers, of a long rail."""
EACH = 6
"""How many of them each piece is in at least."""


def base_rows(judging: Judging, start: Kit, strangers: tuple[int, ...] = ()) -> tuple[IntArray, FloatArray]:
    """Base looks that hold a start and part no set, with what else has to join them, and their wholes.

    (n, m) places, NOTHING elsewhere, and (n,). strangers: places of pieces of which a look holds one at most."""
    material = judging.material
    upper, lower, whole, feet, layers = (
        material.of_zone(zone, start) for zone in (Zone.UPPER, Zone.LOWER, Zone.WHOLE, Zone.FEET, Zone.LAYER)
    )
    kinds = {zone_of(material.known[k].category) for k in start.base}
    halves = [] if Zone.WHOLE in kinds else list(product(upper, lower))
    halves += [] if {Zone.UPPER, Zone.LOWER} & kinds else [(one, NOTHING) for one in whole]
    if not halves or not feet:
        return np.zeros((0, 4), dtype=np.intp), np.zeros(0)
    layers = layers if Zone.LAYER in kinds else [NOTHING, *layers]
    rows = np.array(halves, dtype=np.intp).reshape(-1, 2)
    steps: tuple[list[int], ...] = (feet, layers)
    if len(rows) * len(feet) * len(layers) > ALL_UP_TO:
        rows = _best(judging, rows, HALVES)
        rows = _best(judging, _times(rows, feet), SHOD)
        steps = (layers,)
    for step in steps:
        rows = _times(rows, step)
    able, joins = material.whole_sets(rows)
    more = np.broadcast_to(np.array(start.more, dtype=np.intp), (len(rows), len(start.more)))
    # what a set brings that the start has brought already comes once
    joins = np.where(np.isin(joins, start.more), NOTHING, joins)
    rows = np.concatenate([rows, more, joins], axis=1)[able]
    rows = rows[judging.goes(rows) & (np.isin(rows, strangers).sum(axis=1) <= 1)]
    return rows, judging.wholes(rows)


def _times(rows: IntArray, places: list[int]) -> IntArray:
    """Every look with each of some pieces. (n, m) to (n * k, m + 1)."""
    return np.column_stack([np.repeat(rows, len(places), axis=0), np.tile(np.array(places, dtype=np.intp), len(rows))])


def _best(judging: Judging, rows: IntArray, most: int) -> IntArray:
    pairs = np.pad(judging.material.pairs, (0, 1), constant_values=True)
    able = np.ones(len(rows), dtype=bool)
    for column in range(rows.shape[1] - 1):
        able &= pairs[rows[:, column], rows[:, -1]]
    rows = rows[able]
    if len(rows) <= most:
        return rows
    values = judging.values(rows, judging.wholes(rows))
    return rows[best_with_shares(rows, values, most, EACH)]


def best_with_shares(rows: IntArray, values: FloatArray, most: int, each: int) -> IntArray:
    """The best looks, and of each piece the best that hold it. rows: (n, m). values: (n,). To indices, best first.

    most: that many are taken by value alone. each: that many of every piece."""
    order = np.argsort(-values, kind="stable")
    taken: BoolArray = np.zeros(len(rows), dtype=bool)
    taken[order[:most]] = True
    for column in range(rows.shape[1]):
        held = rows[order, column]
        by_piece = np.argsort(held, kind="stable")
        sorted_held = held[by_piece]
        first = np.searchsorted(sorted_held, sorted_held)
        rank = np.arange(len(held)) - first
        chosen = by_piece[(rank < each) & (sorted_held != NOTHING)]
        taken[order[chosen]] = True
    return order[taken[order]]
