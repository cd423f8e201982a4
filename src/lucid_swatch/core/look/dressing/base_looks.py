"""The base looks of a rail as rows of an array: a top and a lower half or one whole piece, shoes where there are some,
and at most one layer."""

from collections.abc import Mapping, Sequence
from dataclasses import dataclass
from itertools import product

import numpy as np

from ...colour.arrays import BoolArray, IntArray
from ...garment.vocabulary import Category
from ..body import Zone
from .dress import zone_of
from .wardrobe import NOTHING

BASE = (Zone.UPPER, Zone.LOWER, Zone.WHOLE, Zone.FEET, Zone.LAYER)
"""Zones that a base look fills; the others hold what is added to one."""
COLUMNS = {Zone.UPPER: 0, Zone.WHOLE: 0, Zone.LOWER: 1, Zone.FEET: 2, Zone.LAYER: 3}
"""Where a row holds what is worn in a zone."""
DRAW = 5
"""Seed of the draw, so that the same rail is always told the same."""


@dataclass(frozen=True, slots=True, eq=False)
class BaseLooks:
    """Base looks of some pieces."""

    rows: IntArray
    """(n, 4), places of the pieces by COLUMNS, NOTHING where there is none."""
    total: int
    """How many base looks there are; more than there are rows where only some were drawn."""


def places_by_zone(categories: Sequence[Category], among: Sequence[int]) -> dict[Zone, list[int]]:
    """The places of some pieces in each zone. categories: of every piece. among: places that count."""
    return {zone: [k for k in among if zone_of(categories[k]) is zone] for zone in Zone}


def base_looks(places: Mapping[Zone, list[int]], most: int) -> BaseLooks:
    """All base looks, or a fair draw of at most so many. places: of the pieces that may be worn in each zone."""
    halves = [*product(places[Zone.UPPER], places[Zone.LOWER]), *((whole, NOTHING) for whole in places[Zone.WHOLE])]
    feet, layers = places[Zone.FEET] or [NOTHING], [NOTHING, *places[Zone.LAYER]]
    across = len(feet) * len(layers)
    total = len(halves) * across
    picks = np.arange(total)
    if total > most:
        picks = np.unique(np.random.default_rng(DRAW).integers(0, total, most))
    half = np.array(halves, dtype=np.intp).reshape(-1, 2)[picks // across]
    foot = np.array(feet, dtype=np.intp)[picks % across // len(layers)]
    layer = np.array(layers, dtype=np.intp)[picks % len(layers)]
    return BaseLooks(np.column_stack([half, foot, layer]), total)


def looks_with(zone: Zone, count: Mapping[Zone, int]) -> int:
    """How many base looks one piece of a zone is in, or would be. count: pieces of each zone."""
    upper, lower, whole = (count[z] for z in (Zone.UPPER, Zone.LOWER, Zone.WHOLE))
    feet, layers = max(count[Zone.FEET], 1), count[Zone.LAYER] + 1
    halves = upper * lower + whole
    return {
        Zone.UPPER: lower * feet * layers,
        Zone.LOWER: upper * feet * layers,
        Zone.WHOLE: feet * layers,
        Zone.FEET: halves * layers,
        Zone.LAYER: halves * feet,
    }[zone]


def unsplit(rows: IntArray, sets: Sequence[Sequence[int]]) -> BoolArray:
    """Which looks part no set. rows: (n, m). sets: places of what is worn together or not at all.

    A set that no base look can hold whole, such as one with two skirts, holds no look back."""
    whole = np.ones(len(rows), dtype=bool)
    for one in sets:
        held = np.isin(rows, one).sum(axis=1)
        if (held == len(one)).any():
            whole &= (held == 0) | (held == len(one))
    return whole
