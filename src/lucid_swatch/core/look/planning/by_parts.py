"""The best choice of pieces by its parts: shoes and layers gone through one choice after the other, the rest bounded and, where the
bound leaves room, tried out.

With shoes and layers chosen, a half (an upper with a lower piece, or a whole one) carries so many good looks and no more, and what is
left is to take uppers and lowers: for every few uppers the best lowers are those that carry most with them. Choices whose bound is not
above the best that is known are passed over. Source: branch and bound, Land and Doig 1960."""

from collections.abc import Iterator, Mapping, Sequence
from dataclasses import dataclass
from functools import lru_cache
from itertools import combinations
from math import comb

import numpy as np

from ...colour.arrays import FloatArray, IntArray
from ..body import Zone
from .bound import Tables, loosely, shared_out

MOST_CHOICES = 4_000
"""Choices of shoes, or of layers, or of one side of the halves, that are gone through; of more, only a bound is told."""


@dataclass(slots=True)
class Parts:
    """Which pieces there are for each place, and which of them have to be in; and the best choice so far."""

    own: Mapping[Zone, Sequence[int]]
    """Places of the pieces of each zone, in the order of the tables."""
    kept: frozenset[int]
    best: float
    """Looks that the best choice carries."""
    chosen: tuple[int, ...] | None = None
    """Its pieces, where it was found here."""
    bound: float = 0.0
    """What the choices that were not gone through cannot exceed."""
    tried: int = 0
    """Choices of shoes with layers that were."""

    def forced(self, zone: Zone) -> list[int]:
        """Positions within a zone of what has to be in."""
        return [k for k, place in enumerate(self.own[zone]) if place in self.kept]


def best_by_parts(
    tables: Tables,
    own: Mapping[Zone, Sequence[int]],
    pieces: int,
    caps: Mapping[Zone, int],
    kept: frozenset[int],
    reached: float,
    effort: int,
) -> Parts:
    """The best choice, or as much as can be told of it with some effort. reached: looks of a choice that is known.

    effort: choices of shoes with layers that are gone through."""
    parts = Parts(own, kept, reached)
    for shoes in range(1, min(len(own[Zone.FEET]), caps[Zone.FEET], pieces) + 1):
        loose = max((value for value, _ in loosely(tables, pieces, shoes, caps)), default=0.0)
        if loose <= parts.best:
            continue
        if comb(len(own[Zone.FEET]), shoes) > MOST_CHOICES:
            parts.bound = max(parts.bound, loose)
            continue
        for some in _choices(len(own[Zone.FEET]), shoes, parts.forced(Zone.FEET)):
            if parts.tried >= effort:
                parts.bound = max(parts.bound, loose)
                break
            _with_shoes(tables, some, pieces, caps, parts)
    return parts


def _choices(count: int, number: int, forced: Sequence[int]) -> IntArray:
    """All choices that hold what has to be in. (n, number), positions."""
    every = _all_choices(count, number)
    if not forced:
        return every
    holds = [(every == one).any(axis=1) for one in forced]
    return every[np.logical_and.reduce(holds)] if len(every) else every


@lru_cache(maxsize=256)
def _all_choices(count: int, number: int) -> IntArray:
    return np.array(list(combinations(range(count), number)), dtype=np.intp).reshape(comb(count, number), number)


def _with_shoes(tables: Tables, some: IntArray, pieces: int, caps: Mapping[Zone, int], parts: Parts) -> None:
    """Goes through the layers for some shoes."""
    halves, wholes = tables.halves[:, :, some].sum(axis=2), tables.wholes[:, some].sum(axis=1)
    there = halves.shape[2] - 1
    for layers in range(min(there, caps[Zone.LAYER], pieces - len(some)) + 1):
        left = pieces - len(some) - layers
        if comb(there, layers) > MOST_CHOICES:
            loose = max(
                (value for value, _ in shared_out(_nested(halves, layers), _nested(wholes, layers), left, caps)),
                default=0.0,
            )
            parts.bound = max(parts.bound, loose)
            continue
        over = _choices(there, layers, parts.forced(Zone.LAYER))
        if not len(over):
            continue
        parts.tried += len(over)
        each = halves[..., 0][None] + np.moveaxis(halves[..., 1:][..., over].sum(axis=-1), -1, 0)
        alone = wholes[..., 0][None] + np.moveaxis(wholes[..., 1:][..., over].sum(axis=-1), -1, 0)
        for k, upper, lower, whole in _worth_trying(each, alone, left, caps, parts):
            _tried(
                each[k],
                alone[k],
                (upper, lower, whole),
                [*_places(parts, Zone.FEET, some), *_places(parts, Zone.LAYER, over[k])],
                parts,
            )


def _places(parts: Parts, zone: Zone, positions: Sequence[int] | IntArray) -> list[int]:
    return [parts.own[zone][int(k)] for k in positions]


def _nested(looks: FloatArray, layers: int) -> FloatArray:
    ordered: FloatArray = -np.sort(-looks[..., 1:], axis=-1)
    return looks[..., 0] + ordered[..., :layers].sum(axis=-1)


def _worth_trying(
    each: FloatArray, alone: FloatArray, left: int, caps: Mapping[Zone, int], parts: Parts
) -> Iterator[tuple[int, int, int, int]]:
    """Choices of layers, by their places, with how many uppers, lowers and wholes could carry more than the best.

    each: (n, uppers, lowers) and alone: (n, wholes), looks of each half."""
    count, uppers, lowers = each.shape
    by_upper = np.cumsum(-np.sort(-each, axis=2), axis=2)
    by_lower = np.cumsum(-np.sort(-each, axis=1), axis=1)
    single = np.concatenate([np.zeros((count, 1)), np.cumsum(-np.sort(-alone, axis=1), axis=1)], axis=1)
    for upper in range(min(uppers, left, caps[Zone.UPPER]) + 1):
        for lower in range(min(lowers, left - upper, caps[Zone.LOWER]) + 1):
            whole = min(left - upper - lower, single.shape[1] - 1, caps[Zone.WHOLE])
            value = single[:, whole]
            if upper and lower:
                value = value + np.minimum(
                    -np.sort(-by_upper[:, :, lower - 1], axis=1)[:, :upper].sum(axis=1),
                    -np.sort(-by_lower[:, upper - 1], axis=1)[:, :lower].sum(axis=1),
                )
            for k in np.flatnonzero(value > parts.best).tolist():
                # what was found meanwhile may have made it useless
                if value[k] > parts.best:
                    if min(comb(uppers, upper), comb(lowers, lower)) > MOST_CHOICES:
                        parts.bound = max(parts.bound, float(value[k]))
                    else:
                        yield k, upper, lower, whole


def _tried(each: FloatArray, alone: FloatArray, split: tuple[int, int, int], beside: list[int], parts: Parts) -> None:
    """The best uppers, lowers and wholes beside some shoes and layers; kept where they carry more than the best."""
    upper, lower, whole = split
    zones = (Zone.UPPER, Zone.LOWER)
    if comb(each.shape[0], upper) > comb(each.shape[1], lower):
        each, zones, upper, lower = each.T, (Zone.LOWER, Zone.UPPER), lower, upper
    firsts = _choices(each.shape[0], upper, parts.forced(zones[0]))
    seconds = parts.forced(zones[1])
    single, more = _top(alone[None], whole, parts.forced(Zone.WHOLE))
    if not len(firsts) or len(seconds) > lower or len(parts.forced(Zone.WHOLE)) > whole:
        return
    carried, others = _top(each[firsts].sum(axis=1), lower, seconds)
    best = int(carried.argmax())
    value = float(carried[best] + single[0])
    if value > parts.best:
        parts.best = value
        chosen = [
            *beside,
            *_places(parts, zones[0], firsts[best]),
            *_places(parts, zones[1], others[best]),
            *_places(parts, Zone.WHOLE, more[0]),
        ]
        parts.chosen = tuple(chosen)


def _top(looks: FloatArray, number: int, forced: Sequence[int]) -> tuple[FloatArray, IntArray]:
    """The most that so many of some columns carry, those that have to be in among them, and which. (n, m) to (n,), (n, number)."""
    if not number:
        return np.zeros(len(looks)), np.zeros((len(looks), 0), dtype=np.intp)
    first = looks.copy()
    first[:, list(forced)] = np.inf
    order = np.argsort(-first, axis=1, kind="stable")[:, :number]
    return np.take_along_axis(looks, order, axis=1).sum(axis=1), order


def own_places(zones: Sequence[Zone]) -> dict[Zone, list[int]]:
    """The places of the pieces of each zone, in the order of the tables. zones: of every piece."""
    return {zone: [k for k, one in enumerate(zones) if one is zone] for zone in Zone}
