"""What of a piece its pattern is read from: the whole of it, smaller, or its middle where motifs would be lost in that."""

import cv2
import numpy as np

from ..colour.arrays import BoolArray, LabelArray
from .deepest import deepest_part
from .palette import run_length


def read_closely(labels: LabelArray) -> tuple[LabelArray, float]:
    """What of a piece its pattern is read from, and the width of its body in pixels of that.

    labels: (rows, columns), -1 outside. The whole piece, smaller; of motifs that would be lost in that, the middle of the
    piece as it is."""
    ys, xs = np.flatnonzero((labels >= 0).any(axis=1)), np.flatnonzero((labels >= 0).any(axis=0))
    box = labels[ys[0] : ys[-1] + 1, xs[0] : xs[-1] + 1]
    width, shrink = body_width(box >= 0), READING_SIDE / max(box.shape)
    if shrink >= 1:
        return box, width
    run = run_length(box) * shrink
    if run < FINEST_RUN or (run < COARSE_RUN and finest_run(box) * shrink < FINEST_MOTIF):
        rows, columns = deepest_part(box >= 0, READING_SIDE)
        return np.ascontiguousarray(box[rows, columns]), width
    return smaller(box, shrink), width * shrink


def smaller(labels: LabelArray, shrink: float) -> LabelArray:
    """A smaller picture, each place in the colour that has most of it. labels: (rows, columns). shrink: below 1."""
    size = (max(1, round(labels.shape[1] * shrink)), max(1, round(labels.shape[0] * shrink)))
    held = [
        cv2.resize(cv2.compare(labels, k, cv2.CMP_EQ), size, interpolation=cv2.INTER_AREA)
        for k in range(-1, int(labels.max()) + 1)
    ]
    return (np.argmax(held, axis=0) - 1).astype(np.int8)


def finest_run(labels: LabelArray) -> float:
    """Typical run in pixels of the colour with the finest motifs; dots of a diameter have two thirds of it.

    labels: (rows, columns), -1 outside."""
    count = int(labels.max()) + 1
    borders = np.zeros(count, np.intp)
    for one, other in ((labels[:, 1:], labels[:, :-1]), (labels[1:], labels[:-1])):
        meet = (one != other) & (one >= 0) & (other >= 0)
        borders += np.bincount(one[meet], minlength=count) + np.bincount(other[meet], minlength=count)
    areas = np.bincount(labels[labels >= 0], minlength=count)
    counted = areas > LEAST_AREA * areas.sum()
    return 3.2 * float((areas[counted] / np.maximum(borders[counted], 1)).min())


def body_width(inside: BoolArray) -> float:
    """Width of the body in pixels: the middle run of the widest orientation of the garment's rows."""
    rows = inside.sum(axis=1)
    rows = rows[rows > 0]
    return float(max(np.quantile(rows, 0.6), 8.0)) if len(rows) else 8.0


READING_SIDE = 640
"""Pixels of the long side of what is read."""
FINEST_RUN = 4.5
"""Pixels of one colour in a row below which a smaller picture no longer shows the shapes."""
FINEST_MOTIF, COARSE_RUN, LEAST_AREA = 2.0, 9.0, 0.03
"""The same of the finest motifs; and how much of the piece a colour has to have to be asked."""
