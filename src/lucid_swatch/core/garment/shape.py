"""What the outline says of the piece: what it may be, and whether it is the shape of another."""

from dataclasses import dataclass

import cv2
import numpy as np

from ..colour.arrays import BoolArray
from .vocabulary import Category

GRID = 16
"""Squares along each side of a signature."""
SAME_SHAPE = 0.86
"""Overlap of two signatures from which two outlines may be the same piece."""


@dataclass(frozen=True, slots=True)
class Suggestion:
    """A category, and how sure its shape makes it."""

    category: Category
    confidence: float


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


def suggest_category(mask: BoolArray) -> Suggestion | None:
    """What the outline can only be; None where several things look like this, as a shirt, a knit and a coat do.

    mask: (rows, columns), at least one pixel."""
    box = _cut(mask)
    parts = _parts(box)
    rows, columns = box.shape
    tall = rows / columns
    if parts == 2 and _alike_halves(box) and mask.mean() > LEAST_PAIR and not _rings(box):
        return Suggestion(Category.SHOES, 0.8)
    if parts != 1:
        return None
    widths = box.sum(axis=1) / columns
    gap = _leg_gap(box)
    waist = float(widths[: rows // 8].mean())
    if 0.4 < gap < 0.72 and tall > 1.38 and waist > 0.52:
        return Suggestion(Category.TROUSERS, 0.85)
    if 0.12 < gap <= 0.6 and tall <= 1.36 and waist > 0.55:
        return Suggestion(Category.SHORTS, 0.75)
    if gap < 0.02 and _widens(widths) and _solidity(box) > 0.95 and 0.7 < tall < 2.2:
        return Suggestion(Category.SKIRT, 0.7)
    return None


LEAST_PAIR = 0.06
"""Of the picture: a smaller pair may be earrings or gloves."""


def _rings(box: BoolArray) -> bool:
    """Whether large openings are shut in on all sides, as in hoops."""
    contours, _ = cv2.findContours(box.astype(np.uint8), cv2.RETR_EXTERNAL, cv2.CHAIN_APPROX_NONE)
    return float(box.sum()) < 0.8 * sum(cv2.contourArea(c) for c in contours)


def _solidity(box: BoolArray) -> float:
    """Area against that of the convex hull, 0..1: sleeves and waists leave hollows."""
    contours, _ = cv2.findContours(box.astype(np.uint8), cv2.RETR_EXTERNAL, cv2.CHAIN_APPROX_NONE)
    largest = max(contours, key=cv2.contourArea)
    return float(cv2.contourArea(largest) / max(cv2.contourArea(cv2.convexHull(largest)), 1.0))


def _cut(mask: BoolArray) -> BoolArray:
    rows, columns = np.flatnonzero(mask.any(axis=1)), np.flatnonzero(mask.any(axis=0))
    return mask[rows[0] : rows[-1] + 1, columns[0] : columns[-1] + 1]


def _parts(box: BoolArray) -> int:
    count, _, stats, _ = cv2.connectedComponentsWithStats(box.astype(np.uint8), connectivity=8)
    areas = stats[1:count, cv2.CC_STAT_AREA]
    return int((areas > 0.15 * areas.max()).sum())


def _alike_halves(box: BoolArray) -> bool:
    _, _, stats, _ = cv2.connectedComponentsWithStats(box.astype(np.uint8), connectivity=8)
    first, second = sorted(stats[1:, cv2.CC_STAT_AREA])[-2:]
    return float(first) / float(second) > 0.75


def _leg_gap(box: BoolArray) -> float:
    """How far up from the hem the middle is open with cloth on both sides, as a part of the height."""
    rows, columns = box.shape
    middle = box[:, columns // 3 : columns - columns // 3]
    left, right = box[:, : columns // 2].any(axis=1), box[:, columns // 2 :].any(axis=1)
    open_rows = np.logical_and.reduce([(~middle).any(axis=1), left, right])
    # an opening between two legs reaches the hem and is shut on both sides in every row
    height = 0
    # a piece that lies a little turned has a slanting hem: the count begins above it
    for row in range(rows - 1 - rows // 9, -1, -1):
        line = np.flatnonzero(box[row])
        shut = len(line) > 0 and (np.diff(line) > 0.012 * columns).any()
        if not (open_rows[row] and shut):
            break
        height += 1
    return height / rows


def _widens(widths: np.ndarray) -> bool:
    """Whether a piece grows steadily from a narrow top to its hem and has no sleeves."""
    eighths = np.array([part.mean() for part in np.array_split(widths, 8)])
    growing = (np.diff(eighths[:-1]) > 0.01).all()
    # shoulders step out at once; a skirt leaves its waistband slowly
    slowly = eighths[1] - eighths[0] < 0.2
    return bool(growing and slowly and eighths[0] < 0.75 and eighths[-2] > 0.9)
