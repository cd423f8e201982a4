"""Sleeves, with their cuffs."""

import numpy as np

from .body import ARM, ARM_HALF, ARMPIT, SHOULDER, SHOULDER_HALF, along, half_of
from .outlines import Point, corner, rounded_off
from .parts import Part, cloth, line, pair

WRIST = ARM[-1][1]


def sleeves(end: float, ease: float, cuff: float = 0.0, flare: float = 0.0) -> list[Part]:
    """Both sleeves down to a height, drawn before the trunk that lies on their seams.

    ease: how far they stand off the arm; cuff: height of a cuff, 0 for none; flare: how much wider they end. Centimetres."""

    def edge(y: float, side: int) -> Point:
        wider = flare * (y - ARMPIT) / (end - ARMPIT)
        return along(ARM, y) + side * (half_of(ARM, ARM_HALF, y) + ease + wider), y

    heights = [float(y) for y in np.linspace(ARMPIT, end, 5)]
    outer = [edge(y, 1) for y in heights]
    inner = [edge(y, -1) for y in reversed(heights)]
    # the seam runs from the tip of the shoulder; the far end hangs square to the arm
    hem = [(outer[-1][0], end - 0.5), (inner[0][0], end + 0.5)]
    top: list[Point] = [
        *corner((SHOULDER_HALF - 2.0, SHOULDER - 0.2)),
        (SHOULDER_HALF + 0.9 + ease * 0.5, SHOULDER + 2.6),
    ]
    sleeve = cloth(rounded_off([*top, *outer[:-1], *corner(*hem), *inner[1:]]), turn=-7)
    found = pair(sleeve)
    if cuff:
        at = end - cuff
        found += pair(line([edge(at - 0.4, -1), (along(ARM, at), at + 0.3), edge(at - 0.6, 1)], 0.3))
    if end > 70:
        x = along(ARM, 60.0)
        found += pair(line([(x - 2.6 - ease * 0.5, 58.5), (x - 0.6, 60.2), (x + 1.2, 60.0)], 0.3, 0.18))
    return found
