"""What it takes to put many pixels into few groups of colour."""

import numpy as np

from ..colour.arrays import FloatArray, IntArray, LabelArray, some_of
from ..colour.spaces import like

LIGHTNESS_WEIGHT = 0.55
"""How much lightness counts beside chromaticity while grouping: folds move it, cloth does not."""
MIDDLE_OF = 2_000
"""Pixels from which a median is taken while grouping."""
MIDDLES_OF = 60_000
"""Pixels of all colours together, from which the middle of each is taken."""


def shading_free(lab: FloatArray) -> FloatArray:
    """Coordinates in which a fold moves a colour along one axis only.

    A fold scales light; X, Y and Z scale together, so a*/(L* + 16) and b*/(L* + 16) stay as they are.
    (..., 3) to (..., 3): weighted lightness and the two chromaticities, near CIELAB units at L* 50."""
    level = np.maximum(lab[..., 0], 2.0) + 16.0
    scale = 66.0 / level
    return np.stack([LIGHTNESS_WEIGHT * lab[..., 0], lab[..., 1] * scale, lab[..., 2] * scale], axis=-1)


def middle(values: FloatArray) -> FloatArray:
    """The median of some thousand of many. (n, channels) to (channels,)."""
    # short columns are sorted several times sooner than numpy prepares for their median
    columns = np.sort(np.ascontiguousarray(some_of(values, MIDDLE_OF).T))
    half = (columns.shape[1] - 1) // 2, columns.shape[1] // 2
    found: FloatArray = columns[:, half].mean(axis=1).astype(np.float64)
    return found


def middles(values: FloatArray, labels: LabelArray, count: int, places: IntArray | None = None) -> FloatArray:
    """The middle of each colour.

    values: (n, channels). labels: (n,), below count; where places are given, of the values at those. Returns
    (count, channels)."""
    every = max(1, len(labels) // MIDDLES_OF)
    few = np.ascontiguousarray(labels[::every])
    own = [np.flatnonzero(few == k) * every for k in range(count)]
    # a colour that is hardly there is looked for everywhere
    own = [o if len(o) >= LEAST_OF_MIDDLE else np.flatnonzero(labels == k) for k, o in enumerate(own)]
    own = [some_of(o, MIDDLE_OF) for o in own]
    return np.array([middle(values[o if places is None else places[o]]) for o in own])


LEAST_OF_MIDDLE = 100
"""Pixels of a colour."""


def nearest(feature: FloatArray, centres: FloatArray) -> LabelArray:
    """The nearest centre of each pixel. (n, 3) and (k, 3) to (n,), k below 128."""
    # the square of the feature is the same for every centre and may stay out of the comparison; going through the few
    # centres is sooner done than through as many short rows as there are pixels
    twice, square = like(2 * centres, feature), like((centres**2).sum(axis=1, keepdims=True), feature)
    found = np.zeros(len(feature), dtype=np.int8)
    for start in range(0, len(feature), BLOCK):
        answer = found[start : start + BLOCK]
        best, *others = twice @ feature[start : start + BLOCK].T - square
        for k, nearness in enumerate(others, start=1):
            np.copyto(answer, k, where=nearness > best)
            np.maximum(best, nearness, out=best)
    return found


BLOCK = 1 << 15
"""Pixels that are worked on at a time: what fits into the cache of a core."""


def counts(labels: LabelArray, count: int) -> IntArray:
    """How many pixels each colour has. labels: (n,), below count. Returns (count,)."""
    # few labels are compared sooner than they are made numbers to count by
    return np.array([np.count_nonzero(labels == k) for k in range(count)])


def renumbered(merged: IntArray) -> LabelArray:
    """Numbers without gaps for the colours that are left. merged: (n,), the colour that each has become."""
    numbers = np.searchsorted(np.unique(merged), merged)
    return numbers.astype(np.int8)
