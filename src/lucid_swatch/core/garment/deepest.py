"""The part of a garment that is farthest from its edge."""

import cv2
import numpy as np

from ..colour.arrays import BoolArray


def deepest_part(mask: BoolArray, side: int) -> tuple[slice, slice]:
    """The square of a garment round the place farthest from its edge, cut off where the picture ends.

    mask: (rows, columns), one pixel at least. side: pixels."""
    depth = cv2.distanceTransform(mask.astype(np.uint8), cv2.DIST_L2, cv2.DIST_MASK_3)
    row, column = np.unravel_index(int(depth.argmax()), mask.shape)
    half = side // 2
    return np.s_[max(0, int(row) - half) : int(row) + half, max(0, int(column) - half) : int(column) + half]
