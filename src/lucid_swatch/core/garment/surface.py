"""The surface of a cloth: how much it shines and how much relief it has. A suggestion, never a verdict."""

from dataclasses import dataclass
from typing import cast

import cv2
import numpy as np

from ..colour.arrays import FloatArray, LabelArray
from ..colour.spaces import chroma
from .palette import Palette


@dataclass(frozen=True, slots=True)
class Surface:
    """Sheen and texture, 0..1."""

    sheen: float
    texture: float


def read_surface(lab: FloatArray, palette: Palette) -> Surface:
    """Sheen from pixels well above their colour that have lost chroma; texture from fine change of lightness.

    lab: (rows, columns, 3), of the relit photo. Both are shares between 0 and 1."""
    inside = palette.labels >= 0
    lightness, strength = np.ascontiguousarray(lab[..., 0]), chroma(lab)
    above = lightness - _in_place(palette.lab[:, 0], palette.labels)
    paler = _in_place(chroma(palette.lab), palette.labels) - strength
    shining = inside & (above > 12) & (paler > -0.15 * above)
    sheen = float(shining.mean() / max(float(inside.mean()), 1e-9)) * 4
    fine = lightness - cv2.GaussianBlur(lightness, (0, 0), 3.0)
    same = cv2.erode((palette.labels == 0).astype(np.uint8), np.ones((3, 3), np.uint8))
    texture = float(cv2.meanStdDev(fine, mask=same)[1].item()) / 8 if np.count_nonzero(same) > 50 else 0.0
    return Surface(float(np.clip(sheen, 0, 1)), float(np.clip(texture, 0, 1)))


def _in_place(values: FloatArray, labels: LabelArray) -> FloatArray:
    """The value of each pixel's colour, anything outside. (n,) and (rows, columns) to (rows, columns)."""
    table = np.zeros(256, dtype=np.float32)
    table[: len(values)] = values
    return cast(FloatArray, cv2.LUT(labels.view(np.uint8), table))


def yarn_chroma(lab: FloatArray, palette: Palette) -> float:
    """How much a* and b* of the main colour change from thread to thread, CIELAB units; folds and shine hardly count.

    lab: (rows, columns, 3), of the relit photo."""
    main = (palette.labels == 0).astype(np.uint8)
    inner = cv2.erode(main, np.ones((9, 9), np.uint8)) > 0
    if inner.sum() < 400:
        return 0.0
    rows, columns = np.flatnonzero(inner.any(axis=1)), np.flatnonzero(inner.any(axis=0))
    box = np.s_[rows[0] : rows[-1] + 1, columns[0] : columns[-1] + 1]
    dyes = np.ascontiguousarray(lab[box][..., 1:], dtype=np.float32)
    fine = cv2.GaussianBlur(dyes, (0, 0), 0.7) - cv2.GaussianBlur(dyes, (0, 0), 3.0)
    _, spread = cv2.meanStdDev(fine, mask=inner[box].astype(np.uint8))
    return float(np.hypot(*spread.ravel()))
