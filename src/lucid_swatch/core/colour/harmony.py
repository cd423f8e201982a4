"""Two-colour harmony of plain patches, the smooth base under the craft's rules."""

import numpy as np

from .arrays import FloatArray
from .spaces import chroma, hue_angle


def two_colour_harmony(lab_1: FloatArray, lab_2: FloatArray) -> FloatArray:
    """Predicted harmony of two colours side by side, about -1.2 (disharmonious) .. 1.5.

    (..., 3) and (..., 3), broadcast, to (...,). Symmetric. Source: Ou and Luo 2006, Color Res. Appl. 31(3);
    fitted on equal plain patches, so it knows nothing of areas, cloth or neutrals."""
    lab_1, lab_2 = np.asarray(lab_1, float), np.asarray(lab_2, float)
    chroma_step = chroma(lab_1) - chroma(lab_2)
    opponent_step = ((lab_1[..., 1:] - lab_2[..., 1:]) ** 2).sum(axis=-1)
    hue_step_squared = np.maximum(opponent_step - chroma_step**2, 0.0)
    chromatic = np.sqrt(hue_step_squared + (chroma_step / 1.46) ** 2)
    by_chromaticity = 0.04 + 0.53 * np.tanh(0.8 - 0.045 * chromatic)
    total, step = lab_1[..., 0] + lab_2[..., 0], np.abs(lab_1[..., 0] - lab_2[..., 0])
    by_lightness = 0.28 + 0.54 * np.tanh(-3.88 + 0.029 * total) + 0.14 + 0.15 * np.tanh(-2 + 0.2 * step)
    harmony: FloatArray = by_chromaticity + by_lightness + _hue_effect(lab_1) + _hue_effect(lab_2)
    return harmony


def _hue_effect(lab: FloatArray) -> FloatArray:
    strength, hue = chroma(lab), hue_angle(lab)
    by_chroma = 0.5 + 0.5 * np.tanh(-2 + 0.5 * strength)
    by_hue = -0.08 - 0.14 * np.sin(np.radians(hue + 50)) - 0.07 * np.sin(np.radians(2 * hue + 90))
    near_yellow = np.exp(np.clip((90 - hue) / 10, -50, 50))
    by_yellow = (0.22 * lab[..., 0] - 12.8) / 10 * np.exp(np.clip((90 - hue) / 10, -50, 50) - near_yellow)
    effect: FloatArray = by_chroma * (by_hue + by_yellow)
    return effect


def warm_cool(lab: FloatArray) -> FloatArray:
    """Felt warmth of a single colour, about -2 .. 2. (..., 3) to (...,).

    Source: Ou, Luo, Woodcock and Wright 2004, Color Res. Appl. 29(3)."""
    return -0.5 + 0.02 * chroma(lab) ** 1.07 * np.cos(np.radians(hue_angle(lab) - 50))
