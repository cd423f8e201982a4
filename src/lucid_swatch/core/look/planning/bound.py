"""What no choice of so many pieces can exceed, from how base looks are made up.

A base look is a half (an upper with a lower piece, or a whole one) with shoes and at most one layer. For every way to share the
pieces out among the places, each half is given the shoes and layers that serve it best, as if every half could have its own; of
the halves are taken the uppers with the lowers that serve each best. What this relaxed choice carries, no real one exceeds.

A relaxation by independent best answers: whatever a real choice takes, each part of it is at most the best for that part."""

from collections.abc import Iterator, Mapping, Sequence
from dataclasses import dataclass

import numpy as np

from ...colour.arrays import FloatArray, IntArray
from ..body import Zone
from ..dressing.wardrobe import NOTHING


@dataclass(frozen=True, slots=True, eq=False)
class Tables:
    """The good base looks by what they are made of: 1 where a look is good."""

    halves: FloatArray
    """(uppers, lowers, shoes, layers + 1), no layer first."""
    wholes: FloatArray
    """(whole pieces, shoes, layers + 1)."""


@dataclass(frozen=True, slots=True)
class Split:
    """How many pieces go to the halves."""

    uppers: int
    lowers: int
    wholes: int


def tables_of(rows: IntArray, zones: Sequence[Zone]) -> Tables:
    """Good base looks as tables. rows: (n, 4), places of pieces; zones: of every piece."""
    own = {zone: [k for k, one in enumerate(zones) if one is zone] for zone in Zone}
    inside = {k: place for some in own.values() for place, k in enumerate(some)}
    count = {zone: len(some) for zone, some in own.items()}
    halves = np.zeros((count[Zone.UPPER], count[Zone.LOWER], count[Zone.FEET], count[Zone.LAYER] + 1))
    wholes = np.zeros((count[Zone.WHOLE], count[Zone.FEET], count[Zone.LAYER] + 1))
    for first, lower, shoes, layer in rows.tolist():
        over = 0 if layer == NOTHING else inside[layer] + 1
        if lower == NOTHING:
            wholes[inside[first], inside[shoes], over] = 1
        else:
            halves[inside[first], inside[lower], inside[shoes], over] = 1
    return Tables(halves, wholes)


def most_looks(tables: Tables, pieces: int, caps: Mapping[Zone, int]) -> int:
    """What no choice of so many pieces carries more than. caps: how many of each zone there may be."""
    number = min(tables.halves.shape[2], caps[Zone.FEET], pieces)
    values = (value for shoes in range(1, number + 1) for value, _ in loosely(tables, pieces, shoes, caps))
    return int(max(values, default=0.0) + 1e-6)


def loosely(tables: Tables, pieces: int, shoes: int, caps: Mapping[Zone, int]) -> Iterator[tuple[float, Split]]:
    """What each split with so many shoes cannot exceed, where each half has its own shoes."""
    for layers in range(min(tables.halves.shape[3] - 1, caps[Zone.LAYER], pieces - shoes) + 1):
        halves = _best(_layered(tables.halves, layers), 2, shoes)
        wholes = _best(_layered(tables.wholes, layers), 1, shoes)
        yield from shared_out(halves, wholes, pieces - shoes - layers, caps)


def shared_out(
    halves: FloatArray, wholes: FloatArray, left: int, caps: Mapping[Zone, int]
) -> Iterator[tuple[float, Split]]:
    """What uppers, lowers and wholes cannot exceed. halves: (uppers, lowers) and wholes: (whole pieces,), looks of each.
    left: pieces that go to them."""
    uppers, lowers = halves.shape
    by_upper = np.cumsum(-np.sort(-halves, axis=1), axis=1)
    by_lower = np.cumsum(-np.sort(-halves, axis=0), axis=0)
    alone = np.concatenate([[0.0], np.cumsum(-np.sort(-wholes))])
    for upper in range(min(uppers, left, caps[Zone.UPPER]) + 1):
        for lower in range(min(lowers, left - upper, caps[Zone.LOWER]) + 1):
            whole = min(left - upper - lower, len(alone) - 1, caps[Zone.WHOLE])
            value = float(alone[whole])
            if upper and lower:
                value += min(
                    float(-np.sort(-by_upper[:, lower - 1])[:upper].sum()),
                    float(-np.sort(-by_lower[upper - 1])[:lower].sum()),
                )
            yield value, Split(upper, lower, whole)


def _layered(looks: FloatArray, layers: int) -> FloatArray:
    """Looks of each half without a layer and with the layers that serve it best. (..., layers + 1) to (...)."""
    bare: FloatArray = looks[..., 0]
    return bare + -np.sort(-looks[..., 1:], axis=-1)[..., :layers].sum(axis=-1) if layers else bare


def _best(looks: FloatArray, axis: int, count: int) -> FloatArray:
    """The sum of the best so many along an axis."""
    ordered: FloatArray = -np.sort(-looks, axis=axis)
    return np.take(ordered, range(min(count, looks.shape[axis])), axis=axis).sum(axis=axis)
