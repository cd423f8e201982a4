"""The light a photo was taken in, and how far it can be believed."""

from dataclasses import dataclass
from enum import StrEnum

import numpy as np

from ..colour.adaptation import correlated_colour_temperature, relight
from ..colour.arrays import FloatArray
from ..colour.difference import delta_e_2000
from ..colour.spaces import lab_to_rgb_linear, like, rgb_linear_to_lab


class LightReference(StrEnum):
    """What the light was read from, in order of trust."""

    READER = "reader"
    CARD = "card"
    NEUTRAL = "neutral"
    PAPER = "paper"
    SERIES = "series"
    ESTIMATED = "estimated"
    NONE = "none"


LAMP_LINE = np.array([1.0, 0.0, -1.65])
"""How lamps that are warmer than daylight move red, green and blue, in logarithms: nearly along one line."""

FARTHEST_LAMP = 1.1
"""Log ratios of red and blue to green beyond which no lamp for seeing by makes a white surface look like this."""


def can_be_lamp(rgb: FloatArray) -> bool:
    """Whether a neutral surface can look like this in some white light, candle to skylight. rgb: (3,), linear sRGB."""
    red, blue = np.log(np.maximum(rgb[[0, 2]], 0.004) / max(float(rgb[1]), 0.004))
    # lamps move red and blue oppositely; green or magenta beyond a tube lamp's is no lamp but a dye
    return bool(abs(red - blue) <= 2 * FARTHEST_LAMP and abs(red + blue) <= FARTHEST_LAMP)


ACROSS_LAMPS = np.array([-LAMP_LINE[2], 0.0, LAMP_LINE[0]]) / np.hypot(LAMP_LINE[0], LAMP_LINE[2])
"""The direction in which no lamp moves greys far, in natural logarithms; of length 1."""


def along_lamps(rgb: FloatArray) -> FloatArray:
    """How far casts lie along LAMP_LINE, in its lengths. rgb: (..., 3), linear sRGB of a white surface. (...,)."""
    along: FloatArray = _ratios(rgb) @ LAMP_LINE / (LAMP_LINE @ LAMP_LINE)
    return along


def across_lamps(rgb: FloatArray) -> FloatArray:
    """How far casts lie off LAMP_LINE, in log ratios. rgb: (..., 3), linear sRGB of a white surface. (...,)."""
    across: FloatArray = _ratios(rgb) @ ACROSS_LAMPS
    return across


def _ratios(rgb: FloatArray) -> FloatArray:
    """Logarithms of red and blue to green, and 0 for green. (..., 3) to (..., 3)."""
    safe = np.maximum(rgb, 0.004)
    ratios: FloatArray = np.log(safe / safe[..., [1]])
    return ratios


PROBES = np.array([[85.0, 0.0, 0.0], [50.0, 0.0, 0.0], [50.0, 40.0, 25.0], [40.0, -5.0, -30.0], [70.0, 5.0, 45.0]])
"""Colours on which two lights are compared, CIELAB."""
VISIBLE = 1.0
"""CIEDE2000 below which another light is not worth another reading."""


def differs(before: "Light", after: "Light") -> bool:
    """Whether cloth would be read visibly otherwise in another light."""
    # what surfaces look like under the one, seen as if it were either
    seen = lab_to_rgb_linear(PROBES) * before.rgb * before.exposure
    one, other = (rgb_linear_to_lab(np.maximum(relit(seen, light), 0.0)) for light in (before, after))
    return bool(np.max(delta_e_2000(one, other)) >= VISIBLE)


UNCORRECTED: FloatArray = np.hstack([np.eye(3), np.zeros((3, 3))])
"""(3, 6), the colour correction that does nothing."""

NINE_IN_TEN = 1.645
"""Standard deviations that hold nine in ten of a normal spread."""


@dataclass(frozen=True, slots=True, eq=False)
class Light:
    """The light on a photo."""

    reference: LightReference
    rgb: FloatArray
    """(3,), linear sRGB of a white surface, green = 1: the cast."""
    exposure: float
    """How much brighter than its reflectance a surface was recorded; 1 is right."""
    cast_spread: float
    """Standard deviation of the cast along LAMP_LINE."""
    exposure_spread: float
    """Standard deviation of the natural logarithm of the exposure."""
    tone: FloatArray | None = None
    """(k, 2), recorded and true light of greys, rising: the camera's tone curve, where a measured card told it."""
    correction: FloatArray | None = None
    """(3, 6), root-polynomial colour correction to follow the light, where a measured card gave one."""
    note: str = ""
    """What the stylist should know of it: a sentence, or nothing."""
    lamp: str = ""
    """The kind of lamp, where that is told firmly."""
    lamp_spread: FloatArray | None = None
    """(3, 3), linear sRGB to linear sRGB: a standard deviation of what the lamp may do to dyes in this camera."""

    @property
    def cct(self) -> int:
        """Correlated colour temperature in kelvin of what the camera left of the lamp, to the nearest 50."""
        return round(correlated_colour_temperature(self.rgb) / 50) * 50

    @property
    def uncertainty(self) -> float:
        """CIEDE2000 that the light alone leaves on a mid-grey cloth, nine times in ten."""
        return round(NINE_IN_TEN * float(light_doubt(np.array([[50.0, 0.0, 0.0]]), self)[0]), 1)


@dataclass(frozen=True, slots=True, eq=False)
class SeriesLight:
    """The light of a photo that others of its series are read in."""

    photo_id: str
    """Whose light it is."""
    light: Light


def light_doubt(lab: FloatArray, light: Light) -> FloatArray:
    """How far colours would move if the light were a standard deviation off. (n, 3), CIELAB, to (n,), CIEDE2000.

    Computed and not looked up: a black hardly feels a wrong exposure, a pale pink feels a wrong lamp."""
    rgb = lab_to_rgb_linear(lab)
    moved = []
    for sign in (-1.0, 1.0):
        cast = relight(rgb, np.exp(sign * light.cast_spread * LAMP_LINE))
        moved.append((delta_e_2000(rgb_linear_to_lab(cast), lab), sign))
    by_cast = np.mean([m for m, _ in moved], axis=0)
    shifts = [rgb_linear_to_lab(rgb * np.exp(sign * light.exposure_spread)) for sign in (-1.0, 1.0)]
    by_exposure = np.mean([delta_e_2000(shift, lab) for shift in shifts], axis=0)
    doubt: FloatArray = np.hypot(by_cast, by_exposure)
    if light.lamp_spread is None:
        return doubt
    dyes = [rgb_linear_to_lab(np.maximum(rgb + sign * rgb @ light.lamp_spread.T, 0.0)) for sign in (-1.0, 1.0)]
    by_lamp = np.mean([delta_e_2000(dye, lab) for dye in dyes], axis=0)
    return np.hypot(doubt, by_lamp)


def relit(rgb_linear: FloatArray, light: Light) -> FloatArray:
    """The photo as it would be in daylight and rightly exposed. (..., 3) to (..., 3), linear sRGB."""
    balanced = relight(rgb_linear, light.rgb)
    balanced /= light.exposure
    if light.tone is not None:
        balanced = straightened(balanced, light.tone)
    return balanced if light.correction is None else root_polynomial(balanced, light.correction)


def straightened(rgb_linear: FloatArray, tone: FloatArray) -> FloatArray:
    """Light with the tone curve of the camera undone. rgb_linear: (..., 3). tone: (k, 2), recorded and true light.

    Between two steps by proportion of the logarithms, beyond the last ones by their ratio."""
    low, high = np.log(np.maximum(tone[:, 0], 1e-4)), np.log(np.maximum(tone[:, 1], 1e-4))
    level = np.log(np.maximum(rgb_linear, 1e-4))
    straight: FloatArray = np.exp(level + np.interp(level, low, high - low)).astype(rgb_linear.dtype)
    return straight


def root_polynomial(rgb_linear: FloatArray, correction: FloatArray) -> FloatArray:
    """A root-polynomial colour correction of the second degree, which no change of exposure disturbs.

    rgb_linear: (..., 3). correction: (3, 6). Source: Finlayson, Mackiewicz and Hurlbert 2015, IEEE TIP 24(5)."""
    corrected: FloatArray = root_terms(rgb_linear) @ like(correction, rgb_linear).T
    return corrected


def root_terms(rgb_linear: FloatArray) -> FloatArray:
    """Red, green, blue and the roots of their products. (..., 3) to (..., 6)."""
    rgb = np.maximum(rgb_linear, 0.0)
    red, green, blue = rgb[..., 0], rgb[..., 1], rgb[..., 2]
    roots = [np.sqrt(red * green), np.sqrt(green * blue), np.sqrt(blue * red)]
    terms: FloatArray = np.stack([red, green, blue, *roots], axis=-1)
    return terms
