"""Whether a piece has the shape of another."""

from collections.abc import Sequence

import cv2
import numpy as np
from numpy.typing import NDArray

from ..colour.arrays import BoolArray, FloatArray

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


def overlaps(first: Sequence[str], second: Sequence[str]) -> FloatArray:
    """How well signatures cover each other, 0..1; 0 where their proportions differ by more than a quarter.

    Of n and of m of them: (n, m)."""
    (one, wide), (other, narrow) = _told(first), _told(second)
    proportion = wide[:, None] / np.maximum(narrow, 1e-6)
    both = np.bitwise_count(one[:, None] & other).sum(axis=2)
    either = np.bitwise_count(one[:, None] | other).sum(axis=2)
    alike = (proportion > 0.8) & (proportion < 1.25)
    return np.where(alike, both / np.maximum(either, 1), 0.0)


def _told(signatures: Sequence[str]) -> tuple[NDArray[np.uint8], FloatArray]:
    """The squares of some signatures as bytes, (n, GRID * GRID / 8), and their proportions, (n,)."""
    squares = b"".join(bytes.fromhex(one.split(":")[0]) for one in signatures)
    proportions = np.array([float(one.split(":")[1]) for one in signatures])
    return np.frombuffer(squares, np.uint8).reshape(len(signatures), GRID * GRID // 8), proportions


def _cut(mask: BoolArray) -> BoolArray:
    rows, columns = np.flatnonzero(mask.any(axis=1)), np.flatnonzero(mask.any(axis=0))
    return mask[rows[0] : rows[-1] + 1, columns[0] : columns[-1] + 1]
