"""Neutral or tone, warm or cool: the two borders that all sorting rests on."""

from dataclasses import dataclass

import numpy as np

from ..colour.arrays import BoolArray, FloatArray
from ..colour.spaces import chroma, hue_angle, hue_distance
from .school import BROAD, School, limit_factor, warmth_shift
from .vocabulary import Undertone

# The chroma up to which a colour of mid lightness is worn as a neutral, by hue angle. People take far more of it
# in browns, olives and navies than in pinks, greens and violets. (hue, broad school, strict school)
NEUTRAL_CHROMA = np.array(
    [
        [0, 6.5, 6.5],
        [20, 9, 9],
        [36, 17, 17],
        [46, 29, 29],
        [56, 42, 42],
        [66, 46, 46],
        [76, 42, 40],
        [86, 34, 22],
        [96, 29, 11],
        [106, 28, 10],
        [116, 21, 9],
        [126, 15, 9],
        [140, 11, 8],
        [160, 7.5, 7],
        [205, 7.5, 7],
        [235, 10.5, 9],
        [252, 18, 11.5],
        [268, 26, 11.5],
        [285, 28, 11],
        [300, 17, 8],
        [318, 8, 6.5],
        [340, 6.5, 6.5],
        [360, 6.5, 6.5],
    ]
)
# How that chroma changes with lightness, for the yellow-brown half and for the blue half. (lightness, brown, blue)
NEUTRAL_LIGHTNESS = np.array(
    [[0, 0.6, 1.0], [15, 0.75, 1.0], [30, 1.0, 1.0], [60, 1.0, 0.9], [75, 0.85, 0.7], [90, 0.68, 0.45], [100, 0.4, 0.4]]
)
# Chroma at which a greyed beige turns from cool to warm, by lightness.
BEIGE_TURN = np.array([[0, 4.5], [16, 5.0], [24, 6.5], [36, 9.5], [60, 10.5], [78, 10.0], [88, 7.5], [94, 5.0]])
SEEN_CHROMA = 2.6
"""Chroma below which a neutral has no side."""
WARM_FROM, WARM_TO = 25.0, 126.0
"""Hue angles between which a tone is warm: from a blue-red to an orange-red, from a yellow-green to a green."""
BALANCED_WITHIN = 0.13


@dataclass(frozen=True, slots=True, eq=False)
class Borders:
    """Where the borders lie, beside where most people put them. Numbers, or arrays (n,) for n people."""

    warm_from: float | FloatArray = 0.0
    """Degrees of hue added to where the warm tones begin."""
    warm_to: float | FloatArray = 0.0
    turn: float | FloatArray = 1.0
    """Times the chroma at which a greyed beige turns warm."""
    limit: float | FloatArray = 1.0
    """Times the chroma up to which a colour is a neutral."""
    seen: float | FloatArray = 1.0
    """Times the chroma from which a neutral has a side."""


USUAL_BORDERS = Borders()


def drawn_borders(draws: FloatArray) -> Borders:
    """Where other people put the borders. draws: (n, 5), standard normal."""
    spread = np.array([FROM_SPREAD, TO_SPREAD, TURN_SPREAD, LIMIT_SPREAD, SEEN_SPREAD])
    moved = draws * spread
    return Borders(moved[:, 0], moved[:, 1], np.exp(moved[:, 2]), np.exp(moved[:, 3]), np.exp(moved[:, 4]))


FROM_SPREAD, TO_SPREAD = 5.0, 15.0
"""Degrees, one standard deviation: people agree on which reds are cool, and quarrel about the yellow greens."""
TURN_SPREAD, LIMIT_SPREAD, SEEN_SPREAD = 0.22, 0.08, 0.2


def neutral_limit(lab: FloatArray, school: School = BROAD, borders: Borders = USUAL_BORDERS) -> FloatArray:
    """C* up to which a colour of this hue and lightness counts as a neutral. (..., 3) to (...,)."""
    hue, lightness = hue_angle(lab), lab[..., 0]
    base = np.interp(hue, NEUTRAL_CHROMA[:, 0], NEUTRAL_CHROMA[:, 2 if school.strict else 1])
    brown = np.interp(lightness, NEUTRAL_LIGHTNESS[:, 0], NEUTRAL_LIGHTNESS[:, 1])
    blue = np.interp(lightness, NEUTRAL_LIGHTNESS[:, 0], NEUTRAL_LIGHTNESS[:, 2])
    return np.maximum(base * np.where(hue < 180, brown, blue), 4.5) * limit_factor(lab, school) * borders.limit


def neutrality(lab: FloatArray, school: School = BROAD, borders: Borders = USUAL_BORDERS) -> FloatArray:
    """0 for a tone .. 1 for a neutral, one half at the border. (..., 3) to (...,)."""
    limit = neutral_limit(lab, school, borders)
    return 1 / (1 + np.exp(-(limit - chroma(lab)) / (0.09 * limit + 0.6)))


def temperature(lab: FloatArray, school: School = BROAD, borders: Borders = USUAL_BORDERS) -> FloatArray:
    """-1 cool .. 1 warm. (..., 3) to (...,).

    Tones by hue angle around the warm half of the scale of Ou, Luo, Woodcock and Wright 2004; neutrals by the
    direction and size of what chroma they have."""
    share = neutrality(lab, school, borders)
    warm = share * _neutral_temperature(lab, borders) + (1 - share) * _tone_temperature(lab, borders)
    moved: FloatArray = np.clip(warm + warmth_shift(lab, school), -1, 1)
    return moved


def _tone_temperature(lab: FloatArray, borders: Borders) -> FloatArray:
    hue = hue_angle(lab)
    # pale greenish yellows turn cool earlier than strong ones
    end = WARM_TO + borders.warm_to - 22 * np.clip((lab[..., 0] - 86) / 9, 0, 1)
    start = WARM_FROM + borders.warm_from
    middle, reach = (start + end) / 2, (end - start) / 2
    inside = 1 - hue_distance(hue, middle) / reach
    side = np.where(inside > 0, np.tanh(3.0 * inside), np.tanh(2.0 * inside))
    limited: FloatArray = side * np.tanh(chroma(lab) / 14)
    return limited


def _neutral_temperature(lab: FloatArray, borders: Borders) -> FloatArray:
    hue, strength, lightness = hue_angle(lab), chroma(lab), lab[..., 0]
    seen = np.clip((strength / borders.seen - SEEN_CHROMA * 0.55) / (SEEN_CHROMA * 0.8), 0, 1)
    turn = np.interp(lightness, BEIGE_TURN[:, 0], BEIGE_TURN[:, 1]) * borders.turn
    yellow_side = np.clip(1.5 - hue_distance(hue, 70.0) / 40.0, 0, 1)
    beige = np.tanh(1.6 * (strength - turn) / turn)
    # in the palest whites a trace of yellow is not yet a greyed beige: it has no side
    pale = np.clip((lightness - 84) / 8, 0, 1)
    beige = np.where(beige < 0, beige * (1 - 0.9 * pale), beige)
    cool = -np.tanh(strength / 6.0)
    side: FloatArray = seen * (yellow_side * beige + (1 - yellow_side) * cool)
    return side


def undertones(temperatures: FloatArray) -> list[Undertone]:
    """Warm, cool or balanced of each temperature. (n,)."""
    return [
        Undertone.BALANCED if abs(t) < BALANCED_WITHIN else (Undertone.WARM if t > 0 else Undertone.COOL)
        for t in temperatures
    ]


def is_neutral(lab: FloatArray, school: School = BROAD) -> BoolArray:
    """Whether each colour counts as a neutral. (..., 3) to (...,)."""
    answer: BoolArray = neutrality(lab, school) >= 0.5
    return answer
