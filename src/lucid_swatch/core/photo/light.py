"""The light a photo was taken in, and how far it can be believed."""

from dataclasses import dataclass
from enum import StrEnum

import cv2
import numpy as np

from ..colour.adaptation import correlated_colour_temperature, relight
from ..colour.arrays import BoolArray, FloatArray
from ..colour.spaces import RGB_TO_XYZ, lab_to_xyz
from ..problems import Refused


class LightReference(StrEnum):
    """What the light was read from, in order of trust."""

    READER = "reader"
    CARD = "card"
    NEUTRAL = "neutral"
    ESTIMATED = "estimated"
    NONE = "none"


@dataclass(frozen=True, slots=True, eq=False)
class Light:
    """The light on a photo."""

    reference: LightReference
    rgb: FloatArray
    """(3,), linear sRGB of a white surface, green = 1: the cast."""
    exposure: float
    """How much brighter than its reflectance a surface was recorded; 1 is right."""
    uncertainty: float
    """CIEDE2000 that the light alone leaves on a mid-grey cloth, nine times in ten."""

    @property
    def cct(self) -> int:
        """Correlated colour temperature in kelvin of what the camera left of the lamp, to the nearest 50."""
        return round(correlated_colour_temperature(self.rgb) / 50) * 50


@dataclass(frozen=True, slots=True)
class NeutralPoint:
    """A place in the photo known to be neutral, in fractions from the top left corner."""

    x: float
    y: float
    lightness: float | None = None
    """L* of the thing, where it is known; paper is about 95, a grey card about 50."""


# What phones leave of indoor light, as log ratios red to green and blue to green: a warm rest, mostly.
USUAL_CAST = np.array([0.05, -0.12])
USUAL_CAST_SPREAD = np.array([0.11, 0.20])
# How far a surface in the background is from neutral, bright walls and sheets against wood, rugs and blankets.
BRIGHT_SURFACE_SPREAD = np.array([0.04, 0.07])
OTHER_SURFACE_SPREAD = np.array([0.30, 0.45])
BRIGHT_SURFACE = 0.62
USUAL_EXPOSURE = 0.20
"""Natural logarithm of how much amateur photos of clothes are exposed above the reflectance."""
USUAL_GARMENT = -1.33
"""Natural logarithm of the middle luminance that garments are recorded with."""
EXPOSURE_SHARE = 0.18
"""How much of a garment's unusual brightness is exposure rather than cloth (shrinkage)."""
WHITE_PAPER = 95.0
CLIPPED = 0.98


def estimate_light(rgb_linear: FloatArray, mask: BoolArray) -> Light:
    """The light from the scene alone: the background as a probable neutral, weighed by how probable that is.

    rgb_linear: (rows, columns, 3). mask: (rows, columns), the garment, which is left out: a cloth-coloured
    scene is not pulled to grey. The usual cast of indoor photos is the prior (both normal in log ratios)."""
    cast, spread = USUAL_CAST, USUAL_CAST_SPREAD
    background = _background(rgb_linear, mask)
    if len(background) > 100:
        surface = np.median(background, axis=0)
        seen, seen_spread = _as_neutral(surface)
        weight = spread**2 / (spread**2 + seen_spread**2)
        cast = cast + weight * (seen - cast)
        spread = np.sqrt(spread**2 * (1 - weight))
    luminance = float(np.median(rgb_linear[mask] @ RGB_TO_XYZ[1])) if mask.any() else np.exp(USUAL_GARMENT)
    exposure = USUAL_EXPOSURE + EXPOSURE_SHARE * (np.log(max(luminance, 0.01)) - USUAL_GARMENT)
    uncertainty = 5.0 + 25.0 * float(spread.mean())
    rgb = np.array([np.exp(cast[0]), 1.0, np.exp(cast[1])])
    return Light(LightReference.ESTIMATED, rgb, float(np.exp(exposure)), round(uncertainty, 1))


def light_from_neutral(rgb_linear: FloatArray, mask: BoolArray, point: NeutralPoint) -> Light:
    """The light from a thing known to be neutral.

    rgb_linear: (rows, columns, 3). mask: the garment, for the estimate that stands in where the thing is
    overexposed. Refused when the point is outside the photo or the thing is too dark to tell."""
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
    patch = _patch(rgb_linear, point)
    colour = np.median(patch, axis=0)
    if colour.max() < 0.01:
        raise Refused("the neutral point is too dark to tell the light.", "neutral", "Tap something lighter.")
    estimated = estimate_light(rgb_linear, mask)
    clipped = colour > CLIPPED
    rgb = colour / colour[1]
    if clipped.any():
        # an overexposed channel only says 'at least this much': the estimate fills in for it
        rgb = np.where(clipped | clipped[1], estimated.rgb, rgb)
    exposure, uncertainty = estimated.exposure, 3.0
    lightness = point.lightness
    if lightness is None and colour @ RGB_TO_XYZ[1] > 0.6:
        lightness, uncertainty = WHITE_PAPER, 4.0
    if lightness is None:
        uncertainty = 5.0
    else:
        reflectance = float(lab_to_xyz(np.array([lightness, 0.0, 0.0]))[1])
        read = float(colour @ RGB_TO_XYZ[1]) / reflectance
        exposure = max(read, estimated.exposure) if clipped.any() else read
    if clipped.any():
        uncertainty = max(uncertainty, 5.0)
    return Light(LightReference.NEUTRAL, rgb, exposure, uncertainty)


def relit(rgb_linear: FloatArray, light: Light) -> FloatArray:
    """The photo as it would be in daylight and rightly exposed. (..., 3) to (..., 3), linear sRGB."""
    return relight(rgb_linear, light.rgb) / light.exposure


def _background(rgb_linear: FloatArray, mask: BoolArray) -> FloatArray:
    margin = max(3, round(0.02 * max(mask.shape)))
    near = cv2.dilate(mask.astype(np.uint8), np.ones((2 * margin + 1, 2 * margin + 1), np.uint8)) > 0
    return rgb_linear[~near][::7]


def _as_neutral(surface: FloatArray) -> tuple[FloatArray, FloatArray]:
    """Log ratios of a surface taken as neutral, and their spread. Light surfaces are rarely coloured."""
    safe = np.maximum(surface, 0.004)
    ratios = np.array([np.log(safe[0] / safe[1]), np.log(safe[2] / safe[1])])
    luminance = float(surface @ RGB_TO_XYZ[1])
    bright = 1 / (1 + np.exp(-(luminance - BRIGHT_SURFACE) / 0.05))
    # a lamp moves red and blue oppositely; a surface off that line is coloured itself
    off_line = abs(1.5 * ratios[0] + ratios[1]) / 0.25
    bright *= float(np.exp(-0.5 * off_line**2))
    spread = np.exp(bright * np.log(BRIGHT_SURFACE_SPREAD) + (1 - bright) * np.log(OTHER_SURFACE_SPREAD))
    return ratios, spread


def _patch(rgb_linear: FloatArray, point: NeutralPoint) -> FloatArray:
    rows, columns = rgb_linear.shape[:2]
    reach = max(2, round(0.010 * min(rows, columns)))
    x, y = min(int(point.x * columns), columns - 1), min(int(point.y * rows), rows - 1)
    window = rgb_linear[max(0, y - reach) : y + reach + 1, max(0, x - reach) : x + reach + 1]
    return window.reshape(-1, 3)
