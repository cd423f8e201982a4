"""The surface of a cloth: how much it shines and how much relief it has. A suggestion, never a verdict."""

from dataclasses import dataclass

import cv2
import numpy as np

from ..colour.arrays import FloatArray
from ..colour.spaces import chroma, like
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
    above = lab[..., 0] - like(palette.lab[:, 0], lab)[palette.labels]
    paler = like(chroma(palette.lab), lab)[palette.labels] - chroma(lab)
    shining = inside & (above > 12) & (paler > -0.15 * above)
    sheen = float(shining.sum() / max(inside.sum(), 1)) * 4
    fine = lab[..., 0] - cv2.GaussianBlur(lab[..., 0], (0, 0), 3.0)
    same = cv2.erode((palette.labels == 0).astype(np.uint8), np.ones((3, 3), np.uint8)) > 0
    texture = float(np.std(fine[same])) / 8 if same.sum() > 50 else 0.0
    return Surface(float(np.clip(sheen, 0, 1)), float(np.clip(texture, 0, 1)))


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
    return float(np.hypot(*fine[inner[box]].std(axis=0)))
