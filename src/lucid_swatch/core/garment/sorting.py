"""Neutral or tone, warm or cool: where a colour hangs, and how sure that is."""

from dataclasses import dataclass, replace

import numpy as np

from ..colour.arrays import BoolArray, FloatArray
from ..colour.names import name_colours
from ..colour.spaces import chroma, hue_angle, hue_distance
from .piece import Piece
from .vocabulary import PLAIN_PATTERNS, Bin, Finish, Undertone

# The chroma up to which a colour of mid lightness is worn as a neutral, by hue angle. People take far more of it
# in browns, olives and navies than in pinks, greens and violets. (hue, broad school, strict school)
NEUTRAL_CHROMA = np.array(
    [
        [0, 6.5, 6.5], [20, 9, 9], [36, 17, 17], [46, 29, 29], [56, 42, 42], [66, 46, 46], [76, 42, 40],
        [86, 34, 22], [96, 29, 11], [106, 28, 10], [116, 21, 9], [126, 15, 9], [140, 11, 8], [160, 7.5, 7],
        [205, 7.5, 7], [235, 10, 9], [252, 17, 11.5], [268, 24, 11.5], [285, 26, 11], [300, 17, 8], [318, 8, 6.5],
        [340, 6.5, 6.5], [360, 6.5, 6.5],
    ]
)  # fmt: skip
# How that chroma changes with lightness, for the yellow-brown half and for the blue half. (lightness, brown, blue)
NEUTRAL_LIGHTNESS = np.array(
    [
        [0, 0.6, 1.0],
        [15, 0.75, 1.0],
        [30, 1.0, 1.0],
        [60, 1.0, 0.9],
        [75, 0.85, 0.7],
        [90, 0.68, 0.45],
        [100, 0.4, 0.4],
    ]
)
# Chroma at which a greyed beige turns from cool to warm, by lightness.
BEIGE_TURN = np.array([[0, 4.5], [16, 5.0], [24, 6.5], [36, 9.5], [60, 10.5], [78, 10.0], [88, 7.5], [94, 5.0]])
SEEN_CHROMA = 2.6
"""Chroma below which a neutral has no side."""
WARM_FROM, WARM_TO = 25.0, 126.0
"""Hue angles between which a tone is warm: from a blue-red to an orange-red, from a yellow-green to a green."""
BALANCED_WITHIN = 0.13
USUAL_UNCERTAINTY = 3.0
"""CIEDE2000; about how far stylists, shown the same cloth, stand apart."""

LEANS = (
    (25.0, "red"),
    (110.0, "yellow"),
    (200.0, "green"),
    (290.0, "blue"),
    (345.0, "violet"),
    (360.0, "red"),
)


@dataclass(frozen=True, slots=True)
class Sorted:
    """Where a piece hangs."""

    bin: Bin
    temperature: float
    """-1 cool .. 1 warm."""
    undertone: Undertone
    lean: str | None
    name: str
    confidence: float
    """Chance that the bin is right."""


def neutral_limit(lab: FloatArray, strict: bool = False) -> FloatArray:
    """C* up to which a colour of this hue and lightness counts as a neutral. (..., 3) to (...,)."""
    hue, lightness = hue_angle(lab), lab[..., 0]
    base = np.interp(hue, NEUTRAL_CHROMA[:, 0], NEUTRAL_CHROMA[:, 2 if strict else 1])
    brown = np.interp(lightness, NEUTRAL_LIGHTNESS[:, 0], NEUTRAL_LIGHTNESS[:, 1])
    blue = np.interp(lightness, NEUTRAL_LIGHTNESS[:, 0], NEUTRAL_LIGHTNESS[:, 2])
    return np.maximum(base * np.where(hue < 180, brown, blue), 4.5)


def neutrality(lab: FloatArray, strict: bool = False) -> FloatArray:
    """0 for a tone .. 1 for a neutral, one half at the border. (..., 3) to (...,)."""
    limit = neutral_limit(lab, strict)
    return 1 / (1 + np.exp(-(limit - chroma(lab)) / (0.06 * limit + 0.5)))


def temperature(lab: FloatArray, strict: bool = False) -> FloatArray:
    """-1 cool .. 1 warm. (..., 3) to (...,).

    Tones by hue angle around the warm half of the scale of Ou, Luo, Woodcock and Wright 2004; neutrals by the
    direction and size of what chroma they have."""
    share = neutrality(lab, strict)
    warm: FloatArray = share * _neutral_temperature(lab) + (1 - share) * _tone_temperature(lab)
    return warm


def _tone_temperature(lab: FloatArray) -> FloatArray:
    hue = hue_angle(lab)
    # pale greenish yellows turn cool earlier than strong ones
    end = WARM_TO - 22 * np.clip((lab[..., 0] - 86) / 9, 0, 1)
    middle, reach = (WARM_FROM + end) / 2, (end - WARM_FROM) / 2
    inside = 1 - hue_distance(hue, middle) / reach
    side = np.where(inside > 0, np.tanh(3.0 * inside), np.tanh(2.0 * inside))
    limited: FloatArray = side * np.tanh(chroma(lab) / 14)
    return limited


def _neutral_temperature(lab: FloatArray) -> FloatArray:
    hue, strength, lightness = hue_angle(lab), chroma(lab), lab[..., 0]
    seen = np.clip((strength - SEEN_CHROMA * 0.55) / (SEEN_CHROMA * 0.8), 0, 1)
    turn = np.interp(lightness, BEIGE_TURN[:, 0], BEIGE_TURN[:, 1])
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


def bins(lab: FloatArray, strict: bool = False) -> FloatArray:
    """Index of the bin of each colour in BIN_ORDER. (..., 3) to (...,)."""
    neutral = neutrality(lab, strict) >= 0.5
    warmth = temperature(lab, strict)
    side = np.where(np.abs(warmth) < BALANCED_WITHIN, 2, np.where(warmth > 0, 0, 1))
    return np.where(neutral, side, 3)


BIN_ORDER = (Bin.WARM_NEUTRAL, Bin.COOL_NEUTRAL, Bin.BALANCED_NEUTRAL, Bin.TONE)

# Where the true colour may lie: a fixed draw from a normal distribution in L*, a*, b*, in units of its spread.
_DOUBTS = np.random.default_rng(20).standard_normal((96, 3)) * np.array([1.0, 0.7, 0.7])


def sort_colours(lab: FloatArray, uncertainty: FloatArray | None = None, strict: bool = False) -> list[Sorted]:
    """Where each colour hangs.

    lab: (n, 3). uncertainty: (n,), CIEDE2000 that holds the true colour nine times in ten; left out, about what
    stylists differ by. The confidence is the chance of the same bin over where the true colour may lie."""
    lab = np.atleast_2d(np.asarray(lab, dtype=float))
    radius = np.full(len(lab), USUAL_UNCERTAINTY) if uncertainty is None else np.maximum(uncertainty, 1.0)
    own = bins(lab, strict)
    warmth = temperature(lab, strict)
    # CIEDE2000 counts a step of chroma in a strong colour far less than one in a grey
    # and a wrong light moves a dark colour less than a light one, as the cube root of its luminance
    dark = np.clip((lab[:, 0] + 16) / 66, 0.35, 1.2)
    across = (1 + 0.045 * chroma(lab)) * dark
    step = (radius / 2.0)[:, None, None] * np.stack([np.ones(len(lab)), across, across], axis=-1)[:, None, :]
    around = bins(lab[:, None, :] + _DOUBTS[None] * step, strict)
    agreement = (around == own[:, None]).mean(axis=1)
    names = name_colours(lab, own < 3)
    sides = undertones(warmth)
    return [
        Sorted(
            BIN_ORDER[int(own[i])],
            float(warmth[i]),
            sides[i],
            _lean(lab[i]),
            names[i],
            float(np.clip(agreement[i], 0.05, 0.99)),
        )
        for i in range(len(lab))
    ]


def _lean(lab: FloatArray) -> str | None:
    if chroma(lab) < 2.0:
        return None
    hue = float(hue_angle(lab))
    return next(word for limit, word in LEANS if hue <= limit)


def sort_pieces(pieces: list[Piece], strict: bool = False) -> list[Sorted]:
    """Where each piece hangs: prints apart, plain ones by their main cloth."""
    if not pieces:
        return []
    mains = np.array([p.lab[0] for p in pieces])
    doubt = np.array([p.uncertainty[0] if p.uncertainty is not None else USUAL_UNCERTAINTY for p in pieces])
    plain = sort_colours(mains, doubt, strict)
    return [
        (one if strict else _by_finish(p, one)) if p.pattern in PLAIN_PATTERNS else _as_print(p, one, strict)
        for p, one in zip(pieces, plain, strict=True)
    ]


def _by_finish(piece: Piece, sorted: Sorted) -> Sorted:
    """Denim and metal count as neutrals in the broad school, whatever their chroma."""
    if sorted.bin is not Bin.TONE:
        return sorted
    blue = sorted.lean == "blue"
    if (Finish.DENIM in piece.finish and blue) or Finish.METALLIC in piece.finish:
        side = Bin.WARM_NEUTRAL if sorted.temperature > 0 else Bin.COOL_NEUTRAL
        name = "denim" if Finish.DENIM in piece.finish else sorted.name
        return replace(sorted, bin=side, name=name, confidence=max(sorted.confidence, 0.9))
    return sorted


def _as_print(piece: Piece, main: Sorted, strict: bool) -> Sorted:
    warmth = float(temperature(piece.lab, strict) @ piece.share)
    return Sorted(
        Bin.PRINT, warmth, undertones(np.array([warmth]))[0], main.lean, f"{main.name} {piece.pattern.value}",
        piece.pattern_confidence,
    )  # fmt: skip


def is_neutral(lab: FloatArray, strict: bool = False) -> BoolArray:
    """Whether each colour counts as a neutral. (..., 3) to (...,)."""
    answer: BoolArray = neutrality(lab, strict) >= 0.5
    return answer
