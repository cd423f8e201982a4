"""Colour difference."""

import numpy as np
from skimage.color import deltaE_ciede2000

from .arrays import FloatArray


def delta_e_2000(lab_1: FloatArray, lab_2: FloatArray, lightness_weight: float = 1.0) -> FloatArray:
    """CIEDE2000 difference; broadcasts.

    lab_1, lab_2: (..., 3). lightness_weight: k_L, larger counts lightness less. Returns (...,), 0 for equal.
    Source: Sharma, Wu and Dalal 2005, Color Res. Appl. 30(1); held to their 34 pairs by the tests."""
    lab_1, lab_2 = np.broadcast_arrays(np.asarray(lab_1, float), np.asarray(lab_2, float))
    difference: FloatArray = np.asarray(deltaE_ciede2000(lab_1, lab_2, kL=lightness_weight), dtype=np.float64)
    return difference


PAIRS_AT_ONCE = 1_000_000


def pairwise_delta_e_2000(lab_1: FloatArray, lab_2: FloatArray) -> FloatArray:
    """Every colour against every other. (n, 3) and (m, 3) to (n, m).

    Some rows at a time: the formula needs some twenty times the room of its answer."""
    rows = max(1, PAIRS_AT_ONCE // max(len(lab_2), 1))
    if len(lab_1) <= rows:
        return delta_e_2000(lab_1[:, None, :], lab_2[None, :, :])
    differences = np.empty((len(lab_1), len(lab_2)))
    for start in range(0, len(lab_1), rows):
        differences[start : start + rows] = delta_e_2000(lab_1[start : start + rows, None, :], lab_2[None, :, :])
    return differences
