"""Where to look closer at a cloth: the place that shows its shine, its relief, or its threads best."""

from enum import StrEnum

import cv2
import numpy as np

from ..colour.arrays import BoolArray, FloatArray, LabelArray
from .crop import Window, foreign_to_its_colour
from .vocabulary import Finish as F


class Shows(StrEnum):
    """What a close look is for."""

    SHINE = "shine"
    RELIEF = "relief"
    THREADS = "threads"


SHOWN_BY: dict[F, Shows] = {
    **dict.fromkeys((F.SATIN, F.SILK, F.PATENT, F.METALLIC, F.SEQUIN, F.LEATHER, F.PEARL, F.STONE), Shows.SHINE),
    **dict.fromkeys(
        (F.KNIT, F.RIB, F.TWEED, F.CORDUROY, F.QUILT, F.PLEAT, F.LACE, F.FUR, F.VELVET, F.SUEDE, F.STRAW), Shows.RELIEF
    ),
    **dict.fromkeys((F.MATTE, F.DENIM, F.LINEN, F.SHEER), Shows.THREADS),
}
"""Which close look tells of each finish."""
NO_EDGE = 6.0
"""L* of fine change beyond which it is an edge."""
SIDE = 0.1
"""Of the long side of the picture."""


def closer_windows(labels: LabelArray, lab: FloatArray) -> dict[Shows, Window]:
    """A square of cloth for each close look. labels: (rows, columns), the colour of each pixel, -1 outside; lab:
    (rows, columns, 3). Empty for a piece too small to look closer at."""
    side = max(24, round(SIDE * max(labels.shape)))
    inside = labels >= 0
    own = inside & ~foreign_to_its_colour(labels, lab) if (labels == 0).any() else inside
    room = cv2.erode(own.astype(np.uint8), np.ones((side, side), np.uint8), borderValue=0) > 0
    if not room.any():
        return {}
    lightness = np.ascontiguousarray(lab[..., 0], dtype=np.float32)
    even = np.where(inside, lightness, np.float32(np.median(lightness[inside])))
    # the edge of a light or a shade is no relief
    fine = np.minimum(np.abs(even - cv2.GaussianBlur(even, (0, 0), 3.0)), NO_EDGE)
    bright = np.maximum(even - np.median(even[inside]), 0)
    depth = cv2.distanceTransform(own.astype(np.uint8), cv2.DIST_L2, cv2.DIST_MASK_3)
    looks = {Shows.SHINE: _held(bright, side), Shows.RELIEF: _held(fine, side), Shows.THREADS: depth}
    return {shows: _best(value, room, side) for shows, value in looks.items()}


def _held(value: FloatArray, side: int) -> FloatArray:
    """How much of something the square round each pixel holds."""
    held: FloatArray = cv2.boxFilter(value, -1, (side, side))
    return held


def _best(value: FloatArray, room: BoolArray, side: int) -> Window:
    row, column = np.unravel_index(int(np.where(room, value, -1.0).argmax()), value.shape)
    return Window(int(row) - side // 2, int(column) - side // 2, side, side)
