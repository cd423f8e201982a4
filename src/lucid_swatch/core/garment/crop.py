"""Where in a photo a piece of cloth can be cut that stands for a colour or for the whole."""

from dataclasses import dataclass
from typing import Any

import cv2
import numpy as np
from numpy.typing import NDArray

from ..colour.arrays import FloatArray, LabelArray


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


def cloth_window(labels: LabelArray, lightness: FloatArray, plain: bool, aspect: float) -> Window | None:
    """A rectangle that shows the cloth of a piece: one evenly lit stretch of a plain one, the motifs of a print.

    labels: (rows, columns), the colour of each pixel, -1 outside. lightness: (rows, columns), L*. aspect: width over
    height. None for a piece too thin to cut from."""
    inside = labels >= 0
    if not inside.any():
        return None
    main = labels == 0
    even = main & (np.abs(lightness - np.median(lightness[main])) < EVEN_LIGHT)
    tallest = round(CLOTH_SHARE * np.ptp(np.flatnonzero(inside.any(axis=1))))
    least_height = max(SMALLEST_CLOTH, round(0.12 * tallest))
    for weight in (even, inside) if plain else (inside,):
        for least in (0.999, 0.97, 0.9):
            found = _largest(weight.astype(np.float64), aspect, tallest, least)
            if found is not None and found.height >= least_height:
                return found
    return None


EVEN_LIGHT = 14.0
"""L* either side of the middle that is cloth in even light: no buttons, no deep fold."""
CLOTH_SHARE = 0.62
"""Of the height of a piece: a larger cut would run over seams and hems."""
SMALLEST_CLOTH = 20


def _largest(weight: FloatArray, aspect: float, tallest: int, least: float) -> Window | None:
    """The largest rectangle up to a height that holds at least a share of weight; nearest the middle of several."""
    low, high, best = 4, min(weight.shape[0], int(weight.shape[1] / aspect), max(tallest, 4)), None
    while low <= high:
        height = (low + high) // 2
        found = _placed(weight, height, max(1, round(height * aspect)), least)
        if found is None:
            high = height - 1
        else:
            best, low = found, height + 1
    return best


def colour_window(labels: LabelArray, colour: int) -> Window:
    """A square that shows one colour, as large and as pure as can be had.

    labels: (rows, columns), the colour of each pixel, -1 outside."""
    own = (labels == colour).astype(np.float64)
    for least, sides in ((0.93, (160, 110, 76, 52, 36, 24, 16)), (0.75, (24, 16, 10)), (0.0, (8, 4, 2, 1))):
        for side in sides:
            found = _placed(own, side, side, least) if side <= min(labels.shape) else None
            if found is not None:
                return found
    return Window(0, 0, 1, 1)


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
