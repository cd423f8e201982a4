"""An outline mended by strokes: this is cloth, this is not."""

from dataclasses import dataclass

import cv2
import numpy as np

from ..colour.arrays import BoolArray, ByteArray
from ..problems import Refused
from .outline import EDGE_SIDE, Outline, smooth_edge

Point = tuple[float, float]


@dataclass(frozen=True, slots=True)
class Stroke:
    """A line that the stylist drew over a photo."""

    cloth: bool
    """True for 'this is cloth', False for 'this is not'."""
    points: tuple[Point, ...]
    """Fractions of width and height from the top left corner."""
    width: float
    """Fraction of the long side."""
    box: bool = False
    """Whether it is a rectangle between its first and its last point: the garment lies inside."""


def mend_outline(srgb: ByteArray, found: Outline, strokes: tuple[Stroke, ...]) -> Outline:
    """The outline after what the stylist drew: GrabCut between the strokes, the old edge as its first guess.

    srgb: (rows, columns, 3). found: the outline to start from. Refused when nothing is left of the garment.
    Source: GrabCut, Rother et al. 2004."""
    if not strokes:
        return found
    rows, columns = found.mask.shape
    scale = min(1.0, EDGE_SIDE / max(rows, columns))
    size = (max(1, round(columns * scale)), max(1, round(rows * scale)))
    small = cv2.resize(srgb, size, interpolation=cv2.INTER_AREA)
    before = cv2.resize(found.mask.astype(np.uint8), size, interpolation=cv2.INTER_NEAREST) > 0
    lines = tuple(stroke for stroke in strokes if not stroke.box)
    cloth, other = _drawn(before.shape, lines, True), _drawn(before.shape, lines, False)
    outside = _outside(before.shape, strokes)
    other |= outside & ~cloth
    # a box round something that was not found is the first guess itself
    anew = outside.any() and not (before & ~outside).any()
    before = ~outside if anew else before & ~outside
    marks = np.where(before, cv2.GC_PR_FGD, cv2.GC_PR_BGD).astype(np.uint8)
    marks[cloth], marks[other] = cv2.GC_FGD, cv2.GC_BGD
    cut = before | cloth
    wanted = (marks == cv2.GC_FGD) | (marks == cv2.GC_PR_FGD)
    if wanted.any() and not wanted.all():
        cv2.setRNGSeed(7)
        cv2.grabCut(small, marks, None, np.zeros((1, 65)), np.zeros((1, 65)), 3, cv2.GC_INIT_WITH_MASK)
        cut = (marks == cv2.GC_FGD) | (marks == cv2.GC_PR_FGD)
    moved = cut if anew else _near(cut, before, cloth | other)
    cut = (moved | cloth) & ~other
    if not cut.any():
        raise Refused("nothing of the garment is left.", "outline", "Undo the last stroke, or mark some cloth.")
    return Outline(smooth_edge(cut, (rows, columns)), max(found.confidence, 0.9), f"{found.method}, mended by hand")


def _outside(shape: tuple[int, ...], strokes: tuple[Stroke, ...]) -> BoolArray:
    """What lies outside the last box; nothing without one."""
    rows, columns = shape[0], shape[1]
    box = next((stroke for stroke in reversed(strokes) if stroke.box), None)
    if box is None:
        return np.zeros(shape, dtype=bool)
    (x0, y0), (x1, y1) = box.points[0], box.points[-1]
    left, right = sorted((round(x0 * columns), round(x1 * columns)))
    top, bottom = sorted((round(y0 * rows), round(y1 * rows)))
    if right - left < 3 or bottom - top < 3:
        raise Refused("the box is too small.", "outline", "Draw it round the whole garment.")
    outside = np.ones(shape, dtype=bool)
    outside[top:bottom, left:right] = False
    return outside


def _drawn(shape: tuple[int, ...], strokes: tuple[Stroke, ...], cloth: bool) -> BoolArray:
    """Where strokes of one kind went; a later stroke wins over an earlier one."""
    canvas = np.zeros(shape, np.uint8)
    rows, columns = shape[0], shape[1]
    for stroke in strokes:
        line = np.array([[x * columns, y * rows] for x, y in stroke.points]).round().astype(np.int32)
        thickness = max(2, round(stroke.width * max(rows, columns)))
        value = 1 if stroke.cloth is cloth else 0
        cv2.polylines(canvas, [line.reshape(-1, 1, 2)], False, value, thickness)
        cv2.circle(canvas, (int(line[0, 0]), int(line[0, 1])), thickness // 2, value, -1)
    return canvas > 0


def _near(cut: BoolArray, before: BoolArray, drawn: BoolArray) -> BoolArray:
    """Lets the edge move only in parts that a stroke touches: the rest was right."""
    changed = (cut ^ before).astype(np.uint8)
    count, labels = cv2.connectedComponents(changed, connectivity=8)
    touched = np.unique(labels[cv2.dilate(drawn.astype(np.uint8), np.ones((5, 5), np.uint8)) > 0])
    moves = np.isin(labels, touched[touched > 0]) if count > 1 else np.zeros_like(before)
    return np.where(moves, cut, before)
