"""The lights that a look can be seen in, beside the daylight that colours are measured for."""

from dataclasses import dataclass

import numpy as np

from ...colour.adaptation import seen_under
from ...colour.arrays import FloatArray
from ...colour.spaces import RGB_TO_XYZ


@dataclass(frozen=True, slots=True, eq=False)
class SeenLight:
    """A light, or no light but only its lightness."""

    name: str
    note: str
    matrix: FloatArray
    """(3, 3), linear sRGB as measured to linear sRGB as seen."""


def seen_lights() -> tuple[SeenLight, ...]:
    """Every light, the usual one first."""
    grey = np.tile(RGB_TO_XYZ[1], (3, 1))
    return (
        SeenLight("as measured", "daylight, 6500 K", np.eye(3)),
        SeenLight("overcast", "daylight under cloud, 7500 K, adapted to it", seen_under(7500, 300)),
        SeenLight("evening lamps", "2700 K in a dim room, partly adapted to", seen_under(2700, 12, 0.9)),
        SeenLight("candles", "1900 K in the dark, hardly adapted to", seen_under(1900, 2, 0.8)),
        SeenLight("greyscale", "lightness alone", grey),
    )
