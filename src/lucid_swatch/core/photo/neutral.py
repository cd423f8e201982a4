"""The light read from a white or grey thing that the stylist tapped."""

from dataclasses import dataclass

import numpy as np

from ..colour.arrays import BoolArray, FloatArray
from ..colour.spaces import RGB_TO_XYZ, lab_to_xyz
from ..problems import Refused
from .light import Light, LightReference, can_be_lamp
from .scene_light import estimate_light

WHITE_PAPER = 95.0
CLIPPED = 0.98
CAST_SPREAD = 0.022
"""What a tapped neutral leaves of the cast: papers are bluish, walls creamy."""
EXPOSURE_SPREAD_KNOWN = 0.09
"""What a neutral of known lightness leaves of the exposure: it lies flat, the cloth hangs."""
EXPOSURE_SPREAD_PAPER = 0.12


@dataclass(frozen=True, slots=True)
class NeutralPoint:
    """A place in the photo known to be neutral, in fractions from the top left corner."""

    x: float
    y: float
    lightness: float | None = None
    """L* of the thing, where it is known; paper is about 95, a grey card about 50."""


def light_from_neutral(rgb_linear: FloatArray, mask: BoolArray, point: NeutralPoint) -> Light:
    """The light from a thing known to be neutral.

    rgb_linear: (rows, columns, 3). mask: the garment, for the estimate that stands in where the thing is
    overexposed. Refused when the point is outside the photo, or the thing too dark or no neutral in any lamp."""
    _check(point)
    colour = np.median(_patch(rgb_linear, point), axis=0)
    if colour.max() < 0.01:
        raise Refused("the neutral point is too dark to tell the light.", "neutral", "Tap something lighter.")
    clipped = colour > CLIPPED
    if not clipped.any():
        _check_neutral(colour)
    estimated = estimate_light(rgb_linear, mask)
    rgb, cast_spread = colour / colour[1], CAST_SPREAD
    if clipped.any():
        # an overexposed channel only says 'at least this much': the estimate fills in for it
        rgb = np.where(clipped | clipped[1], estimated.rgb, rgb)
        cast_spread = max(CAST_SPREAD, 0.8 * estimated.cast_spread)
    exposure, exposure_spread = estimated.exposure, estimated.exposure_spread
    lightness = point.lightness
    if lightness is not None:
        exposure_spread = EXPOSURE_SPREAD_KNOWN
    elif colour @ RGB_TO_XYZ[1] > 0.6:
        lightness, exposure_spread = WHITE_PAPER, EXPOSURE_SPREAD_PAPER
    if lightness is not None:
        reflectance = float(lab_to_xyz(np.array([lightness, 0.0, 0.0]))[1])
        read = float(colour @ RGB_TO_XYZ[1]) / reflectance
        exposure = read
        if clipped.any():
            # at least as bright as it was recorded; how much more, only the estimate can tell
            exposure = read * max(1.0, float(np.sqrt(estimated.exposure / read)))
            exposure_spread = max(exposure_spread, 0.16)
    return Light(LightReference.NEUTRAL, rgb, exposure, cast_spread, exposure_spread)


def _check(point: NeutralPoint) -> None:
    if not (0.0 <= point.x <= 1.0 and 0.0 <= point.y <= 1.0):
        raise Refused(
            f"the neutral point {point.x:g},{point.y:g} is outside the photo.",
            "neutral",
            "Give fractions of width and height, 0 to 1.",
        )
    if point.lightness is not None and not 5.0 <= point.lightness <= 100.0:
        raise Refused(
            f"a lightness of {point.lightness:g} cannot be a neutral to go by.",
            "neutral-lightness",
            "Give its L*, 5 to 100: paper is about 95, a grey card about 50.",
        )


def _check_neutral(colour: FloatArray) -> None:
    if not can_be_lamp(colour):
        raise Refused(
            "no lamp makes a white or grey thing look like this: either it has a colour, or the light has one.",
            "neutral",
            "Tap something white or grey, or photograph in white light.",
        )


def _patch(rgb_linear: FloatArray, point: NeutralPoint) -> FloatArray:
    rows, columns = rgb_linear.shape[:2]
    reach = max(2, round(0.010 * min(rows, columns)))
    x, y = min(int(point.x * columns), columns - 1), min(int(point.y * rows), rows - 1)
    window = rgb_linear[max(0, y - reach) : y + reach + 1, max(0, x - reach) : x + reach + 1]
    return window.reshape(-1, 3)
