"""Colour difference."""

import numpy as np

from .arrays import FloatArray


def delta_e_2000(lab_1: FloatArray, lab_2: FloatArray, lightness_weight: float = 1.0) -> FloatArray:
    """CIEDE2000 difference; broadcasts.

    lab_1, lab_2: (..., 3). lightness_weight: k_L, larger counts lightness less. Returns (...,), 0 for equal.
    Source: Sharma, Wu and Dalal 2005, Color Res. Appl. 30(1); held to their 34 pairs by the tests."""
    light_1, a_1, b_1 = np.moveaxis(np.asarray(lab_1, float), -1, 0)
    light_2, a_2, b_2 = np.moveaxis(np.asarray(lab_2, float), -1, 0)
    # near greys a* is stretched
    stretch = 1.5 - 0.5 * _saturation(0.5 * (np.hypot(a_1, b_1) + np.hypot(a_2, b_2)))
    a_1, a_2 = a_1 * stretch, a_2 * stretch
    chroma_1, chroma_2 = np.hypot(a_1, b_1), np.hypot(a_2, b_2)
    hue_1, hue_2 = np.arctan2(b_1, a_1) % FULL_TURN, np.arctan2(b_2, a_2) % FULL_TURN
    both = chroma_1 * chroma_2
    turn = hue_2 - hue_1
    far = np.abs(turn) > np.pi
    turn = np.where(far, turn - np.copysign(FULL_TURN, turn), turn)
    # a grey has no hue: its own does not count, and the mean is the other's
    hue = np.where(both == 0, hue_1 + hue_2, hue_1 + turn / 2)
    by_lightness = (light_2 - light_1) / (lightness_weight * _scale_of_lightness(0.5 * (light_1 + light_2)))
    mean = 0.5 * (chroma_1 + chroma_2)
    by_chroma = (chroma_2 - chroma_1) / (1 + 0.045 * mean)
    by_hue = 2 * np.sqrt(both) * np.sin(turn / 2) / (1 + 0.015 * mean * _weight_of_hue(hue))
    bent = np.radians(60) * np.exp(-(((np.degrees(hue) % 360 - 275) / 25) ** 2))
    rotated = -2 * np.sin(bent) * _saturation(mean) * by_chroma * by_hue
    return np.sqrt(np.maximum(by_lightness**2 + by_chroma**2 + by_hue**2 + rotated, 0))


FULL_TURN = 2 * np.pi


def _saturation(strength: FloatArray) -> FloatArray:
    """How far a chroma is one of colours and not of greys, 0..1."""
    seventh = strength**7
    share: FloatArray = np.sqrt(seventh / (seventh + 25.0**7))
    return share


def _scale_of_lightness(lightness: FloatArray) -> FloatArray:
    off = (lightness - 50) ** 2
    scale: FloatArray = 1 + 0.015 * off / np.sqrt(20 + off)
    return scale


def _weight_of_hue(hue: FloatArray) -> FloatArray:
    """hue: radians."""
    weight: FloatArray = (
        1
        - 0.17 * np.cos(hue - np.radians(30))
        + 0.24 * np.cos(2 * hue)
        + 0.32 * np.cos(3 * hue + np.radians(6))
        - 0.20 * np.cos(4 * hue - np.radians(63))
    )
    return weight


PAIRS_AT_ONCE = 1_000_000


def pairwise_delta_e_2000(lab_1: FloatArray, lab_2: FloatArray) -> FloatArray:
    """Every colour against every other. (n, 3) and (m, 3) to (n, m).

    Some rows at a time: the formula needs some twenty times the room of its answer."""
    rows = max(1, PAIRS_AT_ONCE // max(len(lab_2), 1))
    if len(lab_1) <= rows:
        return delta_e_2000(lab_1[:, None, :], lab_2[None, :, :])
    differences = np.empty((len(lab_1), len(lab_2)))
    for start in range(0, len(lab_1), rows):
        differences[start : start + rows] = delta_e_2000(lab_1[start : start + rows, None, :], lab_2[None, :, :])
    return differences
