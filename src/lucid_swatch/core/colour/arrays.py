"""The arrays that the core passes round: the last axis holds the channels, any batch in front."""

from typing import Any

import numpy as np
from numpy.typing import NDArray

FloatArray = NDArray[np.float64]
RealArray = NDArray[np.floating[Any]]
"""Of single precision where there is much of it."""
IntArray = NDArray[np.intp]
BoolArray = NDArray[np.bool_]
ByteArray = NDArray[np.uint8]
LabelArray = NDArray[np.int8]
"""Few labels for many pixels."""


def some_of(many: np.ndarray, about: int) -> np.ndarray:
    """Some of many, evenly taken: at least about as many, where there are, and less than twice. (n, ...) to (m, ...)."""
    return many[:: max(1, len(many) // about)]


Lab = tuple[float, float, float]
"""One colour, CIELAB D65 2°, as it is kept and written."""


def rounded(lab: np.ndarray, digits: int = 2) -> Lab:
    """A colour as it is kept. lab: (3,)."""
    lightness, a, b = (round(float(value), digits) for value in lab)
    return lightness, a, b
