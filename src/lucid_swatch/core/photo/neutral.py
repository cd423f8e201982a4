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
EXPOSURE_SPREAD_OVER = 0.16
"""What an overexposed one leaves."""
EXPOSURE_SPREAD_PAPER = 0.12


@dataclass(frozen=True, slots=True)
class NeutralPoint:
    """A place in the photo known to be neutral, in fractions from the top left corner."""

    x: float
    y: float
    lightness: float | None = None
    """L* of the thing, where it is known; paper is about 95, a grey card about 50."""


def light_from_neutral(
    rgb_linear: FloatArray, mask: BoolArray, point: NeutralPoint, estimated: Light | None = None
) -> Light:
    """The light from a thing known to be neutral.

    rgb_linear: (rows, columns, 3). mask: the garment, for the estimate that stands in where the thing is
    overexposed. estimated: that estimate, where it was made already. Refused when the point is outside the photo, or the
    thing too dark or no neutral in any lamp."""
    _check(point)
    colour = np.median(_patch(rgb_linear, point), axis=0)
    if colour.max() < 0.01:
        raise Refused("the neutral point is too dark to tell the light.", "neutral", "Tap something lighter.")
    clipped = colour > CLIPPED
    if not clipped.any():
        _check_neutral(colour)
    estimated = estimated or estimate_light(rgb_linear, mask)
    rgb, cast_spread = _cast(colour, estimated)
    exposure, exposure_spread = estimated.exposure, estimated.exposure_spread
    lightness = point.lightness
    if lightness is not None:
        exposure_spread = EXPOSURE_SPREAD_KNOWN
    elif colour @ RGB_TO_XYZ[1] > 0.6:
        lightness, exposure_spread = WHITE_PAPER, EXPOSURE_SPREAD_PAPER
    if lightness is not None:
        exposure, spread = _exposure(colour, lightness, estimated)
        exposure_spread = max(exposure_spread, spread)
    return Light(LightReference.NEUTRAL, rgb, exposure, cast_spread, exposure_spread)


USUAL_GREYS = {95.0: 0.25, 93.0: 0.25, 80.0: 0.10, 65.0: 0.15, 50.0: 0.25}
"""L* of papers and cards that people own, with how usual they are."""
EXPOSURE_DOUBTED = 1.25
"""How much wider the doubt of an estimated exposure is held where it weighs the greys."""


def light_from_sheet(colour: FloatArray, estimated: Light) -> Light:
    """The light from a sheet of paper or a grey card that was found and of which nobody said how light it is.

    colour: (3,), linear sRGB of the sheet as shot. estimated: the light as the scene alone tells it. Each usual grey would
    mean another exposure; they are weighed by how likely the estimate holds that."""
    rgb, cast_spread = _cast(colour, estimated)
    exposure, spread = settled(colour, float(np.log(estimated.exposure)), estimated.exposure_spread)
    return Light(LightReference.PAPER, rgb, float(np.exp(exposure)), cast_spread, spread)


def settled(colour: FloatArray, exposure: float, spread: float) -> tuple[float, float]:
    """The exposure that a sheet of unknown lightness leaves likely, and its spread, both in natural logarithms.

    colour: (3,), linear sRGB of the sheet as shot. exposure, spread: what is believed of it otherwise."""
    read = float(np.log(colour @ RGB_TO_XYZ[1]))
    means = read - np.log(lab_to_xyz(np.array([[lightness, 0.0, 0.0] for lightness in USUAL_GREYS]))[:, 1])
    own = EXPOSURE_SPREAD_KNOWN
    if (colour > CLIPPED).any():
        # at least as bright as it was recorded; how much more, only the belief can tell
        means, own = np.maximum(means, (means + exposure) / 2), EXPOSURE_SPREAD_OVER
    doubted = EXPOSURE_DOUBTED * spread
    weight = np.array(list(USUAL_GREYS.values())) * np.exp(-0.5 * (means - exposure) ** 2 / (doubted**2 + own**2))
    weight /= weight.sum()
    each = (means / own**2 + exposure / doubted**2) / (own**-2 + doubted**-2)
    middle = float(weight @ each)
    return middle, float(np.sqrt(weight @ (each - middle) ** 2 + 1 / (own**-2 + doubted**-2)))


def _cast(colour: FloatArray, estimated: Light) -> tuple[FloatArray, float]:
    """What a neutral says of the cast, (3,), and its spread. colour: (3,)."""
    clipped = colour > CLIPPED
    rgb = colour / colour[1]
    if not clipped.any():
        return rgb, CAST_SPREAD
    # an overexposed channel only says 'at least this much': the estimate fills in for it
    filled = np.where(clipped | clipped[1], estimated.rgb, rgb)
    return filled, max(CAST_SPREAD, 0.8 * estimated.cast_spread)


def _exposure(colour: FloatArray, lightness: float, estimated: Light) -> tuple[float, float]:
    """What a neutral of a lightness says of the exposure, and the least spread that leaves."""
    reflectance = float(lab_to_xyz(np.array([lightness, 0.0, 0.0]))[1])
    read = float(colour @ RGB_TO_XYZ[1]) / reflectance
    if not (colour > CLIPPED).any():
        return read, 0.0
    # at least as bright as it was recorded; how much more, only the estimate can tell
    return read * max(1.0, float(np.sqrt(estimated.exposure / read))), EXPOSURE_SPREAD_OVER


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
