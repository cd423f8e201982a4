"""Where in a photo a piece of cloth can be cut that stands for a colour or for the whole."""

from dataclasses import dataclass
from typing import Any

import cv2
import numpy as np
from numpy.typing import NDArray

from ..colour.arrays import BoolArray, FloatArray, LabelArray, some_of
from .grouping import MIDDLE_OF, middle


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


def cloth_window(labels: LabelArray, lab: FloatArray, plain: bool, aspect: float) -> Window | None:
    """A rectangle that shows the cloth of a piece: one evenly lit stretch of a plain one, the motifs of a print.

    labels: (rows, columns), the colour of each pixel, -1 outside. lab: (rows, columns, 3). aspect: width over height.
    None for a piece too thin to cut from."""
    inside = labels >= 0
    if not inside.any():
        return None
    main = labels == 0
    off = _away(lab, main)
    even = main & (off[..., 0] < EVEN_LIGHT)
    tallest = round(CLOTH_SHARE * np.ptp(np.flatnonzero(inside.any(axis=1))))
    least_height = max(SMALLEST_CLOTH, round(0.12 * tallest))
    foreign = _foreign(off) if plain else np.zeros_like(inside)
    for cloth in (even, inside) if plain else (inside,):
        weight = np.where(foreign, -float(inside.size), cloth)
        for least in (0.999, 0.97, 0.9):
            found = _largest(weight, aspect, tallest, least)
            if found is not None and found.height >= least_height:
                return found
    return None


EVEN_LIGHT = 14.0
"""L* either side of the middle that is cloth in even light: no buttons, no deep fold."""
FOREIGN, FOREIGN_LIGHT = 20.0, 40.0
"""CIELAB units, of a* and b* and of L*, from the middle of plain cloth that no fold makes: what shows between two
legs."""
CLOTH_SHARE = 0.62
"""Of the height of a piece: a larger cut would run over seams and hems."""
SMALLEST_CLOTH = 20


def _away(lab: FloatArray, place: BoolArray) -> FloatArray:
    """How far L*, a* and b* are from the middle of a place. lab: (rows, columns, 3). place: (rows, columns)."""
    some = some_of(np.flatnonzero(place), MIDDLE_OF)
    away: FloatArray = np.abs(lab - middle(lab.reshape(-1, 3)[some]).astype(lab.dtype))
    return away


def foreign_to_its_colour(labels: LabelArray, lab: FloatArray) -> BoolArray:
    """Where more than a speck of the main colour is no such cloth: a wall between two legs, a button.

    labels: (rows, columns), the colour of each pixel, -1 outside, 0 somewhere. lab: (rows, columns, 3)."""
    main = labels == 0
    return main & _foreign(_away(lab, main))


def _foreign(off: FloatArray) -> BoolArray:
    """Where more than a speck is no such cloth. off: (rows, columns, 3), CIELAB units away from it."""
    other = (np.hypot(off[..., 1], off[..., 2]) > FOREIGN) | (off[..., 0] > FOREIGN_LIGHT)
    return cv2.morphologyEx(other.astype(np.uint8), cv2.MORPH_OPEN, np.ones((3, 3), np.uint8)) > 0


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


def colour_window(labels: LabelArray, lab: FloatArray, colour: int) -> Window:
    """A square that shows one colour, as large and as pure as can be had.

    labels: (rows, columns), the colour of each pixel, -1 outside. lab: (rows, columns, 3). colour: one that there is."""
    held = labels == colour
    foreign = held & _foreign(_away(lab, held))
    own = np.where(foreign, -float(held.size), held)
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
    rows, columns = np.nonzero(weight > 0)
    away = (ys + height / 2 - rows.mean()) ** 2 + (xs + width / 2 - columns.mean()) ** 2
    k = int(away.argmin())
    return Window(int(ys[k]), int(xs[k]), height, width)
