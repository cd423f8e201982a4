"""Whether a piece has the shape of another."""

import cv2
import numpy as np

from ..colour.arrays import BoolArray

GRID = 16
"""Squares along each side of a signature."""
SAME_SHAPE = 0.86
"""Overlap of two signatures from which two outlines may be the same piece."""


def signature(mask: BoolArray) -> str:
    """The outline on a grid of GRID by GRID over its own rectangle, as hexadecimal digits, with its proportion.

    mask: (rows, columns), at least one pixel."""
    box = _cut(mask)
    grid = cv2.resize(box.astype(np.float32), (GRID, GRID), interpolation=cv2.INTER_AREA) > 0.5
    bits = "".join("1" if cell else "0" for cell in grid.ravel())
    return f"{int(bits, 2):0{GRID * GRID // 4}x}:{box.shape[1] / box.shape[0]:.3f}"


def overlap(first: str, second: str) -> float:
    """How well two signatures cover each other, 0..1; 0 where their proportions differ by more than a quarter."""
    one, wide = first.split(":")
    other, narrow = second.split(":")
    proportion = float(wide) / max(float(narrow), 1e-6)
    if not 0.8 < proportion < 1.25:
        return 0.0
    a, b = int(one, 16), int(other, 16)
    return (a & b).bit_count() / max((a | b).bit_count(), 1)


def _cut(mask: BoolArray) -> BoolArray:
    rows, columns = np.flatnonzero(mask.any(axis=1)), np.flatnonzero(mask.any(axis=0))
    return mask[rows[0] : rows[-1] + 1, columns[0] : columns[-1] + 1]
