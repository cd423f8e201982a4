"""What only light divides: folds, highlights and the cloth they lie on are one colour."""

import numpy as np

from ..colour.arrays import BoolArray, FloatArray, IntArray, LabelArray
from .grouping import counts, middles, renumbered

SOFT_BORDER = 0.5
"""Change across a pixel, as a part of the difference between two shades, below which light made the border."""
MOST_BORDERS = 40_000
"""Places at which the change of colour is looked at."""
BORDERS_OF = 400_000
"""Pixels of the picture in which they are looked for."""
OWN_BORDER = 0.25
"""Part of the border of a fold or a highlight that is with its own cloth, at least."""


def without_shading(
    lab_picture: FloatArray, lab: FloatArray, inside: BoolArray, labels: LabelArray, count: int
) -> LabelArray:
    """Joins what only light divides: a fold or a highlight runs softly into the cloth, a dye ends sharply.

    lab_picture: (rows, columns, 3). inside: its pixels that lab, (n, 3), and labels, (n,), stand for.
    Returns (n,), renumbered."""
    picture = np.full(inside.shape, -1, dtype=np.int8)
    picture[inside] = labels
    middle = middles(lab, labels, count)
    share = counts(labels, count) / len(labels)
    low, high, step = _borders(lab_picture, picture)
    merged = np.arange(count)
    for small in np.argsort(share):
        length = np.count_nonzero((low == small) | (high == small))
        for large in np.argsort(-share):
            if large == small or share[large] < share[small] or not _one_hue(middle[large], middle[small]):
                continue
            steps = step[(low == min(small, large)) & (high == max(small, large))]
            if len(steps) < max(40, OWN_BORDER * length):
                continue
            if np.median(steps) < SOFT_BORDER * np.linalg.norm(middle[large] - middle[small]):
                merged[small] = large
                break
    while (merged[merged] != merged).any():
        merged = merged[merged]
    return renumbered(merged)[labels]


def _one_hue(cloth: FloatArray, shade: FloatArray) -> bool:
    """Whether a shade can be the cloth in other light: of its hue or greyer, a highlight paler, a shadow darker."""
    along = np.array([cloth[0] + 16, cloth[1], cloth[2]])
    strength = float(np.hypot(cloth[1], cloth[2]))
    expected = along * (shade[0] + 16) / (cloth[0] + 16)
    off = np.array([shade[1], shade[2]]) - expected[1:]
    if strength < 6:
        return bool(np.hypot(*off) < 7)
    direction = cloth[1:] / strength
    beside = abs(float(off @ np.array([-direction[1], direction[0]])))
    more = float(off @ direction)
    return beside < 7 and more < 7 and (more > -8 or shade[0] > cloth[0])


def _borders(lab_picture: FloatArray, picture: LabelArray) -> tuple[LabelArray, LabelArray, FloatArray]:
    """The places where two shades meet.

    picture: (rows, columns), the shade of each pixel, -1 outside. Returns the lower and the higher number of the two
    shades, and the change of colour from a pixel before the border to a pixel behind it, CIELAB units, each (k,)."""
    colours, labels = lab_picture.reshape(-1, 3), picture.ravel()
    rows, columns = picture.shape
    # a large picture has more borders than a median needs in some of its rows
    some = max(1, picture.size // BORDERS_OF)
    met = [
        (1, _met([picture[:rows:some, k : columns - 3 + k] for k in range(4)], some * columns)),
        (columns, _met([picture[k : rows - 3 + k : some] for k in range(4)], some * columns)),
    ]
    # where motifs are fine there are still too many; as many of either direction
    every = max(1, sum(len(places) for _, places in met) // MOST_BORDERS)
    low, high, steps = [], [], []
    for apart, places in met:
        first = places[::every]
        one, other = labels[first + apart], labels[first + 2 * apart]
        low.append(np.minimum(one, other))
        high.append(np.maximum(one, other))
        change = colours[first] - colours[first + 3 * apart]
        steps.append(np.sqrt(np.einsum("ij,ij->i", change, change)))
    return np.concatenate(low), np.concatenate(high), np.concatenate(steps)


def _met(four: list[LabelArray], apart: int) -> IntArray:
    """The first of four pixels in a row of which the middle two are two shades, as places in a picture in which so many
    pixels lie from one of the rows to the next. four: each (rows, columns). Returns (n,)."""
    before, left, right, behind = four
    meet = (left != right) & (left >= 0) & (right >= 0) & (before >= 0) & (behind >= 0)
    row, column = np.divmod(np.flatnonzero(meet), meet.shape[1])
    return row * apart + column
