"""The ground of a photo: what ties photos of one room together."""

from dataclasses import dataclass

import cv2
import numpy as np
from scipy.special import gammaln

from ..colour.arrays import BoolArray, FloatArray
from ..colour.spaces import RGB_TO_XYZ
from .light import across_lamps, along_lamps

SIDE = 340
"""Pixels of the long side at which the ground is looked at."""
RIM = 21
"""Pixels about a garment that its shadow may reach."""
LEAST = 600
"""Pixels of ground that it takes."""
LEVELS = np.linspace(0.1, 0.9, 9)
"""Shares of the ground up to which a level is."""
FULL = 0.94
"""Linear light from which a channel may have lost something."""


@dataclass(frozen=True, slots=True, eq=False)
class Ground:
    """What of a ground is kept to link photos."""

    levels: FloatArray
    """(9, 3), natural logarithms of linear light at LEVELS."""
    marks: FloatArray
    """(16,): grain at four sizes, grain of two colour differences, spread of light and colour, one-sidedness, and where its
    colour lies along and across lamps."""


def ground_of(rgb_linear: FloatArray, covered: BoolArray) -> Ground | None:
    """The ground of a photo; None where too little of it is seen.

    rgb_linear: (rows, columns, 3), as shot. covered: (rows, columns), the garment and whatever else lies on the ground."""
    scale = min(1.0, SIDE / max(covered.shape))
    size = (max(1, round(covered.shape[1] * scale)), max(1, round(covered.shape[0] * scale)))
    picture = cv2.resize(rgb_linear, size, interpolation=cv2.INTER_AREA)
    lies = cv2.resize(covered.astype(np.uint8), size, interpolation=cv2.INTER_NEAREST)
    ground = cv2.dilate(lies, np.ones((RIM, RIM), np.uint8)) == 0
    if ground.sum() < LEAST:
        return None
    levels = np.log(np.maximum(np.quantile(picture[ground], LEVELS, axis=0), 0.002))
    return Ground(levels, _marks(picture, ground))


def _marks(picture: FloatArray, ground: BoolArray) -> FloatArray:
    light = np.log(np.maximum(picture, 0.01))
    luminance = np.log(np.maximum(picture @ RGB_TO_XYZ[1].astype(np.float32), 0.01))
    whole = picture.max(axis=2) < FULL
    unclipped = ground & whole
    if unclipped.sum() < 0.66 * LEAST:
        unclipped = ground
    inner = cv2.erode(ground.astype(np.uint8), np.ones((9, 9), np.uint8)) > 0
    calm = next((place for place in (inner & whole, inner, ground) if place.sum() > 0.5 * LEAST), ground)
    red, blue = light[..., 0] - light[..., 1], light[..., 2] - light[..., 1]
    middle = np.median(picture[unclipped], axis=0)
    return np.array(
        [
            *_grains(luminance, calm),
            *(np.log(np.median(np.abs((one - _blurred(one, 3.2))[calm])) + 0.003) for one in (red, blue)),
            *(np.quantile(luminance[unclipped], (0.1, 0.25, 0.75, 0.9)) - np.median(luminance[unclipped])),
            *(float(np.ptp(np.quantile(one[unclipped], (0.15, 0.85)))) for one in (red, blue)),
            _one_sided(luminance, calm),
            along_lamps(middle),
            across_lamps(middle),
            np.log(max(float(middle[1]), 0.01)),
        ]
    )


def _grains(luminance: FloatArray, calm: BoolArray) -> list[float]:
    """How rough the ground is at four sizes, in logarithms."""
    grains, before = [], luminance
    for size in (0.8, 1.6, 3.2, 6.4):
        after = _blurred(luminance, size)
        grains.append(float(np.log(np.median(np.abs((before - after)[calm])) + 0.002)))
        before = after
    return grains


def _blurred(channel: FloatArray, size: float) -> FloatArray:
    return cv2.GaussianBlur(channel, (0, 0), size)


def _one_sided(luminance: FloatArray, calm: BoolArray) -> float:
    """How much the grain runs in one direction, 0..1, by the structure tensor."""
    x, y = (cv2.Sobel(luminance, cv2.CV_32F, *way) for way in ((1, 0), (0, 1)))
    xx, yy, xy = ((one * other)[calm].mean() for one, other in ((x, x), (y, y), (x, y)))
    return float(np.hypot(xx - yy, 2 * xy) / (xx + yy + 1e-6))


COMPARED = np.array([0, 1, 2, 3, 4, 5, 7, 8, 9, 10, 11, 12, 13, 14, 15])
"""Marks that are compared: the darkest places are mostly shadow."""
WITHIN = np.array([0.15, 0.15, 0.15, 0.20, 0.30, 0.30, 0.04, 0.04, 0.05, 0.05, 0.04, 0.13, 0.10, 0.06, 0.35])
"""Standard deviation of each within a room: cameras balance and expose anew, light falls unevenly."""
AMONG = np.array([0.92, 0.88, 0.96, 1.0, 0.95, 0.83, 0.24, 0.16, 0.54, 0.66, 0.43, 0.37, 0.29, 0.26, 0.90])
"""And among all grounds."""
TAILS = 5
"""Degrees of freedom within a room: now and then one mark is far off."""


def likeness(grounds: list[Ground]) -> FloatArray:
    """How much likelier every two photos share a ground than not: log likelihood ratios. (n, n)."""
    marks = np.stack([ground.marks for ground in grounds])[:, COMPARED]
    apart = np.abs(marks[:, None] - marks[None])
    same = -(TAILS + 1) / 2 * np.log1p((apart / (np.sqrt(2) * WITHIN)) ** 2 / TAILS) + STUDENT - np.log(WITHIN)
    other = -0.5 * (apart / (np.sqrt(2) * AMONG)) ** 2 + NORMAL - np.log(AMONG)
    ratios: FloatArray = (same - other).sum(axis=-1)
    return ratios


STUDENT = float(gammaln((TAILS + 1) / 2) - gammaln(TAILS / 2) - 0.5 * np.log(np.pi * TAILS))
NORMAL = float(-0.5 * np.log(2 * np.pi))
"""Logarithms of what makes the densities of Student's t and of a normal spread sum to 1."""
