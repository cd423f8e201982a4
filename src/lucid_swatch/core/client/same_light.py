"""Two photos of one person taken a moment apart, brought into one light by what lies behind the person.

A phone balances and exposes each photo anew, by the very cloth that is compared. The wall behind did not change, so what
changed on it is the phone's doing. Skin would tell too, but whether it changes is the question."""

from dataclasses import dataclass

import cv2
import numpy as np

from ..colour.arrays import BoolArray, FloatArray
from ..colour.difference import delta_e_2000
from ..colour.spaces import rgb_linear_to_lab

LEVELS = (0.1, 0.3, 0.5, 0.7, 0.9)
"""Shares of the ground that are darker than each of the lights it is known by."""
LEAST_GROUND = 0.06
"""Of the picture."""
DARKEST, BRIGHTEST = 0.004, 0.97
"""Linear light between which a camera tells brightness."""
CLEARANCE = 0.03
"""Of the long side: how far from the person the ground begins; hair and shadow lie nearer."""
ALIKE = 0.22
"""Natural logarithm by which one ground may differ from the other in any level, once brought together."""
FARTHEST_CAST, FARTHEST_EXPOSURE = 0.4, 1.0
"""Natural logarithms by which a phone changes its mind between two photos; more is another wall or another lamp."""


@dataclass(frozen=True, slots=True, eq=False)
class OneLight:
    """How a photo is brought into the light of another."""

    gain: FloatArray
    """(3,), by which to multiply its linear light."""
    apart: float
    """CIEDE2000 between the two grounds before it."""
    remaining: float
    """The same after it."""


def ground_of(rgb_linear: FloatArray, person: BoolArray) -> FloatArray | None:
    """What a photo shows behind the person: (5, 3), logarithms of its light at LEVELS, for each channel.

    rgb_linear: (rows, columns, 3), relit. person: (rows, columns). None where too little ground is in the picture."""
    reach = max(1, round(CLEARANCE * max(person.shape)))
    near = cv2.dilate(person.astype(np.uint8), np.ones((2 * reach + 1,) * 2, np.uint8)) > 0
    told = ~near & (rgb_linear.min(axis=-1) > DARKEST) & (rgb_linear.max(axis=-1) < BRIGHTEST)
    if told.mean() < LEAST_GROUND:
        return None
    levels: FloatArray = np.quantile(np.log(rgb_linear[told]), LEVELS, axis=0)
    return levels


def one_light(ground: FloatArray, other: FloatArray) -> OneLight | None:
    """What brings a photo into the light of another. ground, other: (5, 3), of ground_of.

    None where the grounds are not the same one, or the lamps are too far apart for a camera's whim."""
    change = np.median(other - ground, axis=0)
    cast = change - change.mean()
    if np.abs(cast).max() > FARTHEST_CAST or abs(float(change.mean())) > FARTHEST_EXPOSURE:
        return None
    if np.abs(other - ground - change).max() > ALIKE:
        return None
    before, after, wanted = (rgb_linear_to_lab(np.exp(levels)) for levels in (ground, ground + change, other))
    apart, remaining = (float(np.median(delta_e_2000(lab, wanted))) for lab in (before, after))
    return OneLight(np.exp(change), apart, remaining)
