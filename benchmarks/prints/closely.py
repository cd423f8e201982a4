"""What of a piece its pattern is read from: the whole of it, smaller, or its middle where motifs would be lost in that."""

import cv2
import numpy as np

from lucid_swatch.core.colour.arrays import LabelArray
from lucid_swatch.core.garment.deepest import deepest_part
from lucid_swatch.core.garment.palette import run_length
from lucid_swatch.core.garment.pattern import READING_SIDE, body_width


def read_closely(labels: LabelArray) -> tuple[LabelArray, float]:
    """What of a piece its pattern is read from, and the width of its body in pixels of that.

    labels: (rows, columns), -1 outside. The whole piece, smaller; of motifs that would be lost in that, the middle of the
    piece as it is."""
    ys, xs = np.flatnonzero((labels >= 0).any(axis=1)), np.flatnonzero((labels >= 0).any(axis=0))
    box = labels[ys[0] : ys[-1] + 1, xs[0] : xs[-1] + 1]
    width, shrink = body_width(box >= 0), READING_SIDE / max(box.shape)
    if shrink >= 1:
        return box, width
    if run_length(box) * shrink < FINEST_RUN:
        rows, columns = deepest_part(box >= 0, READING_SIDE)
        return np.ascontiguousarray(box[rows, columns]), width
    size = (max(1, round(box.shape[1] * shrink)), max(1, round(box.shape[0] * shrink)))
    return cv2.resize(box, size, interpolation=cv2.INTER_NEAREST), width * shrink


FINEST_RUN = 4.5
"""Pixels of one colour in a row below which a smaller picture no longer shows the shapes."""
