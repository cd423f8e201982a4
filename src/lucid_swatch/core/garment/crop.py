"""Where in a photo a piece of cloth can be cut that stands for a colour or for the whole."""

from dataclasses import dataclass
from typing import Any

import cv2
import numpy as np
from numpy.typing import NDArray

from ..colour.arrays import BoolArray, FloatArray, IntArray


@dataclass(frozen=True, slots=True)
class Window:
    """A rectangle of a picture, in pixels."""

    top: int
    left: int
    height: int
    width: int

    def cut(self, picture: NDArray[Any]) -> NDArray[Any]:
        """That part of a picture. (rows, columns, ...)."""
        return picture[self.top : self.top + self.height, self.left : self.left + self.width]


def largest_window(inside: BoolArray, aspect: float = 1.0) -> Window | None:
    """The largest rectangle of an aspect (width over height) that lies inside a mask, or None.

    inside: (rows, columns). Of several, the one nearest the middle of the mask."""
    low, high, best = 4, min(inside.shape[0], int(inside.shape[1] / aspect)), None
    while low <= high:
        height = (low + high) // 2
        found = _placed(inside.astype(np.float64), height, max(1, round(height * aspect)), 0.999)
        if found is None:
            high = height - 1
        else:
            best, low = found, height + 1
    return best


def colour_window(labels: IntArray, colour: int, largest: int = 160) -> Window | None:
    """A square that shows almost only one colour, as large as can be had, or None for a scattered one.

    labels: (rows, columns), the colour of each pixel, -1 outside."""
    own = (labels == colour).astype(np.float64)
    for side in (largest, 110, 76, 52, 36, 24, 16):
        if side <= min(labels.shape):
            found = _placed(own, side, side, 0.93)
            if found is not None:
                return found
    return None


def _placed(weight: FloatArray, height: int, width: int, least: float) -> Window | None:
    """Where a window holds most weight, if that is at least a share of it."""
    if height > weight.shape[0] or width > weight.shape[1]:
        return None
    total = cv2.integral(weight)
    held = total[height:, width:] - total[:-height, width:] - total[height:, :-width] + total[:-height, :-width]
    share = held / (height * width)
    if share.max() < least:
        return None
    ys, xs = np.nonzero(share >= max(least, share.max() - 0.01))
    rows, columns = np.nonzero(weight)
    away = (ys + height / 2 - rows.mean()) ** 2 + (xs + width / 2 - columns.mean()) ** 2
    k = int(away.argmin())
    return Window(int(ys[k]), int(xs[k]), height, width)
