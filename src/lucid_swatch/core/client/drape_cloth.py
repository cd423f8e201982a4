"""A plain drape as cloth: a quiet weave, and folds as it falls from the shoulders, its colour on the whole unchanged."""

from functools import cache

import cv2
import numpy as np

from ..colour.arrays import ByteArray, FloatArray
from ..colour.spaces import encode_srgb, lab_to_rgb_linear, rgb_linear_to_lab

COLUMNS, ROWS = 800, 520
"""Of the picture, which reaches over both shoulders."""
FOLDS, DEEP, WEAVE = 13, 0.22, 0.03
"""How many folds fall across it, how far they lighten and darken it, and how far a thread does; in shares of the light."""
FROM = (0.5, -0.55)
"""Where the folds fan out from, in widths and heights: behind the neck."""
STEPS, SOME = 6, 37
"""How often the colour is corrected, and every which pixel it is corrected by."""


def drape_cloth(lab: FloatArray) -> ByteArray:
    """Draws a drape of some colour. lab: (3,), CIELAB. Returns (ROWS, COLUMNS, 3), encoded sRGB.

    Every drape falls alike, so that two of them differ in nothing but their colour, and the mean of its pixels in CIELAB
    is the colour that was asked for, as far as a screen can show it."""
    aim, some = lab, _fall().ravel()[::SOME, None]
    for _ in range(STEPS):
        # folds, and highlights that a screen cannot show, move the mean; what they move it by is given back
        cloth = np.clip(lab_to_rgb_linear(aim) * some, 0, 1)
        aim = aim + lab - rgb_linear_to_lab(cloth).mean(axis=0)
    cloth = np.clip(lab_to_rgb_linear(aim) * _fall()[..., None], 0, 1)
    return np.rint(encode_srgb(cloth) * 255).astype(np.uint8)


@cache
def _fall() -> FloatArray:
    """How much of the light each place of a drape throws back, about 1. (ROWS, COLUMNS)."""
    rng = np.random.default_rng(7)
    y, x = np.mgrid[0:ROWS, 0:COLUMNS].astype(np.float64)
    u, v = x / COLUMNS - FROM[0], (y / ROWS - FROM[1]) * ROWS / COLUMNS
    angle, far = np.arctan2(u, v), np.hypot(u, v)
    drift = _smooth(rng, 5, 7) * 0.8 + _smooth(rng, 9, 15) * 0.25
    phase = FOLDS * angle / (np.pi / 2) * np.pi + drift * 1.9
    # soft ridges, narrower valleys, deeper the further down they have fallen
    ridge = np.sin(phase) * 0.75 + 0.25 * np.sin(2 * phase + 1.1)
    depth = np.clip((far - 0.36) / 0.35, 0, 1) * (0.55 + 0.45 * _smooth(rng, 4, 8))
    round_the_body = -0.10 * (2 * u) ** 2
    thread = np.where((x + 2 * y) % 4 < 2, 1.0, -1.0) + 0.6 * rng.standard_normal((ROWS, COLUMNS))
    fall: FloatArray = 1 + DEEP * ridge * depth + round_the_body + WEAVE * thread
    return fall / fall.mean()


def _smooth(rng: np.random.Generator, rows: int, columns: int) -> FloatArray:
    """Smooth randomness between about -1 and 1, with so many bumps. (ROWS, COLUMNS)."""
    grid = rng.uniform(-1, 1, (rows, columns)).astype(np.float32)
    return cv2.resize(grid, (COLUMNS, ROWS), interpolation=cv2.INTER_CUBIC).astype(np.float64)
