"""Whether bands cross in a cloth: a part of it that is laid upright is then made of a few rows, each in other strengths.

The picture is a matrix, and the share of its energy that the first singular values hold tells how few (Eckart and Young
1936): one for stripes and boards, two for most checks, more for anything else."""

from typing import cast

import cv2
import numpy as np

from ..colour.arrays import BoolArray, FloatArray, LabelArray, RealArray
from .borders import Slopes
from .motifs import painted

RUNS = 9.0
"""Sides of a part, in runs of one colour: a few repeats, over which a cloth hardly bends."""
LEAST_SIDE, MOST_SIDE, PARTS = 24, 160, 9
"""Pixels of a side, and how many parts are looked at."""


def crossing_bands(labels: LabelArray, lab: FloatArray, steep: Slopes, run: float) -> tuple[float, float]:
    """Share of what changes in the parts of a cloth that one row, and that two rows, make up, 0..1.

    labels: (rows, columns), -1 outside. lab: (n, 3). steep: of the same picture. run: pixels."""
    picture = painted(labels, lab)[0]
    side = int(np.clip(RUNS * run, LEAST_SIDE, min(MOST_SIDE, *labels.shape)))
    shares = [_first_two(_upright(picture, steep, part, side)) for part in _whole_parts(labels >= 0, side)]
    if not shares:
        return UNKNOWN
    one, two = np.quantile(shares, PLAINEST, axis=0)
    return float(one), float(two)


PLAINEST = 0.7
"""Of the parts: a fold, a seam or a button spoils some."""
UNKNOWN = (0.5, 0.7)
"""Of cloth of which no part is large enough."""


def _whole_parts(inside: BoolArray, side: int) -> list[tuple[slice, slice]]:
    """The fullest of the squares that a picture is divided into, those that are nearly whole. inside: (rows, columns)."""
    rows, columns = inside.shape[0] // side, inside.shape[1] // side
    whole = inside[: rows * side, : columns * side].astype(np.float32)
    full = cv2.resize(whole, (columns, rows), interpolation=cv2.INTER_AREA)
    order = np.argsort(-full, axis=None, kind="stable")[:PARTS]
    return [
        (slice(y * side, (y + 1) * side), slice(x * side, (x + 1) * side))
        for y, x in zip(*np.unravel_index(order, full.shape), strict=True)
        if full[y, x] > WHOLE
    ]


WHOLE = 0.97


def _upright(picture: RealArray, steep: Slopes, part: tuple[slice, slice], side: int) -> RealArray:
    """A part of a picture, turned round its middle so that borders at right angles stand upright. To (side, side)."""
    own = Slopes(steep.xx[part], steep.yy[part], steep.xy[part])
    rows, columns = part
    middle = (columns.start + side / 2, rows.start + side / 2)
    turn = cv2.getRotationMatrix2D(middle, upright_by(own), 1.0)
    turn[:, 2] -= columns.start, rows.start
    return cast(RealArray, cv2.warpAffine(picture, turn, (side, side), borderMode=cv2.BORDER_REFLECT))


def upright_by(steep: Slopes) -> float:
    """Degrees by which borders at right angles have to be turned to stand upright, -45..45."""
    across, along = steep.xx - steep.yy, 2 * steep.xy
    strength = np.maximum(cv2.magnitude(across, along), 1e-9)
    # twice the doubled angle: what is turned by a right angle is the same
    folded = np.arctan2((2 * across * along / strength).sum(), ((across**2 - along**2) / strength).sum())
    return float(np.degrees(folded)) / 4


def _first_two(part: RealArray) -> tuple[float, float]:
    """Shares of the energy of a part, without its mean, that the first and the first two singular values hold."""
    strength = np.linalg.svd(part - part.mean(), compute_uv=False) ** 2
    total = max(float(strength.sum()), 1e-9)
    return float(strength[0]) / total, float(strength[:2].sum()) / total
