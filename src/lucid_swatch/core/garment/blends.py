"""Colours that are only the blurred edge between two others."""

import cv2
import numpy as np

from ..colour.arrays import BoolArray, FloatArray, IntArray, LabelArray
from ..colour.spaces import rgb_linear_to_lab
from .grouping import counts, middles, nearest, shading_free

THIN = 0.16
"""A colour of which less than this lies more than a pixel inside its own areas is only an edge."""


def without_blends(rgb_linear: FloatArray, pixels: IntArray, inside: BoolArray, labels: LabelArray) -> LabelArray:
    """Gives to their neighbours the colours that are only the blurred edge between two others.

    rgb_linear: (rows * columns, 3). pixels: (n,), which of them labels, (n,), stand for. inside: (rows, columns), the
    same as a mask. Returns (n,), renumbered."""
    count = int(labels.max()) + 1
    if count < 3:
        return labels
    picture = np.full(inside.shape, -1, dtype=np.int8)
    picture[inside] = labels
    light = middles(rgb_linear, labels, count, pixels)
    kept = np.ones(count, dtype=bool)
    for k in np.argsort(counts(labels, count)):
        own = (picture == k).astype(np.uint8)
        core = cv2.erode(own, np.ones((3, 3), np.uint8))
        others = [j for j in range(count) if j != k and kept[j]]
        thin = cv2.countNonZero(core) < THIN * cv2.countNonZero(own)
        if thin and len(others) > 1 and _between(light, k, others):
            kept[k] = False
    if kept.all():
        return labels
    lost = np.flatnonzero(~kept[labels])
    lab = rgb_linear_to_lab(rgb_linear.take(pixels[lost], axis=0)[None])[0]
    centres = rgb_linear_to_lab(light[kept])
    answer = (np.cumsum(kept) - 1).astype(np.int8)[labels]
    answer[lost] = nearest(shading_free(lab), shading_free(centres))
    return answer


def _between(light: FloatArray, k: int, others: list[int]) -> bool:
    """Whether the light of one colour is a mixture of the light of two others."""
    for i, a in enumerate(others):
        for b in others[i + 1 :]:
            line = light[b] - light[a]
            along = float((light[k] - light[a]) @ line / max(float(line @ line), 1e-9))
            off = rgb_linear_to_lab(light[a] + np.clip(along, 0, 1) * line) - rgb_linear_to_lab(light[k])
            if 0.12 < along < 0.88 and np.linalg.norm(off) < 9.0:
                return True
    return False
