"""The body that wears a look: where its parts lie, and how a height or a chair changes it.

Drawn at one stature and then stretched; widths in centimetres stay. Source of the lengths: Drillis and Contini 1966, as
fractions of stature in Winter 2009, Biomechanics and Motor Control of Human Movement, figure 4.1."""

from dataclasses import dataclass

import numpy as np

from ...colour.arrays import FloatArray
from .outlines import Point

STATURE = 168.0
"""Centimetres at which everything is drawn."""
CHIN = 22.0
"""The head is as high on everybody."""
NECK, SHOULDER, ARMPIT, BUST, WAIST, HIP, CROTCH = 28.0, 32.5, 44.0, 48.0, 65.0, 82.0, 88.0
KNEE, CALF, ANKLE, SOLE = 121.0, 133.0, 161.0, 168.0
NECK_HALF, SHOULDER_HALF, CHEST_HALF, WAIST_HALF, HIP_HALF = 5.4, 18.2, 15.4, 12.8, 16.8
"""Half widths from the front."""

ARM: tuple[Point, ...] = ((15.2, 36.5), (16.6, 44.0), (18.3, 55.0), (19.8, 65.0), (21.6, 76.0), (23.0, 86.0))
"""The middle line of an arm from shoulder to wrist."""
ARM_HALF = (4.3, 4.2, 3.7, 3.3, 2.9, 2.3)
LEG: tuple[Point, ...] = (
    (8.4, 84.0),
    (8.5, 96.0),
    (8.2, 110.0),
    (7.8, 121.0),
    (7.8, 133.0),
    (7.2, 150.0),
    (7.0, 163.0),
)
"""The middle line of a leg from hip to ankle."""
LEG_HALF = (8.2, 7.8, 6.4, 5.1, 5.2, 3.6, 3.0)

LAP = 104.0
"""Where the knees lie when the body sits."""


@dataclass(frozen=True, slots=True)
class Build:
    """Who wears it."""

    height: float | None = None
    """Centimetres; None for the usual."""
    seated: bool = False


STANDING = Build()


def side_of(y: float) -> float:
    """Half the width of the trunk at a height, centimetres."""
    heights = (NECK, SHOULDER, ARMPIT, BUST, WAIST, HIP, CROTCH)
    halves = (NECK_HALF, SHOULDER_HALF, CHEST_HALF, CHEST_HALF, WAIST_HALF, HIP_HALF, HIP_HALF - 0.4)
    return float(np.interp(y, heights, halves))


def stature_of(build: Build) -> float:
    """How high the figure is, centimetres; sitting, from the crown to the sole."""
    return float(built(np.array([[0.0, SOLE]]), build)[0, 1])


def built(points: FloatArray, build: Build, hangs: bool = False) -> FloatArray:
    """Where points of the drawing lie on somebody. (n, 2) to (n, 2).

    hangs: whether it hangs from a hand and does not sit with the body."""
    x, y = points[:, 0], points[:, 1]
    if build.seated and not hangs:
        x = x * (1 + 0.16 * np.interp(y, (HIP, (HIP + KNEE) / 2 + 8, KNEE + 22), (0, 1, 0)))
        y = np.interp(y, (-60, HIP, KNEE, 400), (-60, HIP, LAP, LAP + 400 - KNEE))
    if build.height is not None:
        # a head hardly grows with the rest
        y = np.where(y > CHIN, CHIN + (y - CHIN) * (build.height - CHIN) / (STATURE - CHIN), y)
    return np.stack([x, y], axis=1)


def along(line: tuple[Point, ...], y: float) -> float:
    """Where the line of a limb runs at a height: x in centimetres."""
    return float(np.interp(y, [p[1] for p in line], [p[0] for p in line]))


def half_of(line: tuple[Point, ...], halves: tuple[float, ...], y: float) -> float:
    """Half the width of a limb at a height, centimetres."""
    return float(np.interp(y, [p[1] for p in line], halves))
