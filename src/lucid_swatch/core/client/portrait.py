"""Skin, hair and eyes from spots on a portrait."""

import numpy as np

from ..colour.arrays import FloatArray
from ..colour.spaces import chroma, rgb_linear_to_lab
from ..problems import Refused

SPOT_RADIUS, IRIS_RADIUS = 0.012, 0.005
"""Of the short side of the portrait."""

Spot = tuple[float, float]


def read_spots(rgb_linear: FloatArray, spots: tuple[Spot, ...], radius: float = SPOT_RADIUS) -> FloatArray:
    """The colour under some spots, shiny and shaded pixels left out.

    rgb_linear: (rows, columns, 3), relit. spots: fractions from the top left corner, at least one.
    Returns (3,), CIELAB. Refused when a spot lies outside."""
    rows, columns = rgb_linear.shape[:2]
    reach = max(2, round(radius * min(rows, columns)))
    found = []
    for x, y in spots:
        if not (0.0 <= x <= 1.0 and 0.0 <= y <= 1.0):
            raise Refused(f"the spot {x:g}, {y:g} lies outside the portrait.", "portrait", "Move it onto the face.")
        left, top = min(int(x * columns), columns - 1), min(int(y * rows), rows - 1)
        window = rgb_linear[max(0, top - reach) : top + reach + 1, max(0, left - reach) : left + reach + 1]
        found.append(_steady(rgb_linear_to_lab(window.reshape(-1, 3))))
    return np.median(found, axis=0)


def _steady(lab: FloatArray) -> FloatArray:
    """The middle of the pixels between the shade and the shine. (n, 3) to (3,)."""
    low, high = np.quantile(lab[:, 0], [0.2, 0.85])
    kept = lab[(lab[:, 0] >= low) & (lab[:, 0] <= high)]
    coloured = kept[chroma(kept) >= np.quantile(chroma(kept), 0.15)]
    middle: FloatArray = np.median(coloured, axis=0)
    return middle
