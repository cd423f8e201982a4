"""What shows on the front of a piece: the darker inside of its neck, and a row of buttons down its middle."""

from dataclasses import dataclass

import cv2
import numpy as np

from ..colour.arrays import BoolArray, IntArray, RealArray
from .upright import hanging, hung_straight, middle_of


@dataclass(frozen=True, slots=True)
class Neck:
    """An opening at the top middle whose inside is darker than the cloth round it."""

    half_width: float
    """Of the opening at the top, against the square root of the piece's area, which its size is told by."""
    depth: float
    """Likewise, from the top to where it ends."""
    pointed: float
    """How much better a point explains its edge than a curve does: the ratio of their steps."""


@dataclass(frozen=True, slots=True)
class Front:
    """What was seen; nothing where nothing shows."""

    neck: Neck | None = None
    buttons: int = 0
    """Of the longest row near the middle; 0 where none is plain to see."""


NOTHING_ON_IT = Front()


def look_at_front(lab: RealArray, inside: BoolArray) -> Front:
    """The neck and the buttons of a piece. lab: (rows, columns, 3), CIELAB. inside: (rows, columns), one pixel at least."""
    picture, straight = hung_straight(lab, inside, hanging(inside).turn, BUTTON_SIDE)
    share = NECK_SIDE / max(straight.shape)
    size = (max(4, round(straight.shape[1] * share)), max(4, round(straight.shape[0] * share)))
    small = cv2.resize(straight.astype(np.float32), size, interpolation=cv2.INTER_AREA) > 0.5
    neck = _neck(cv2.resize(picture[..., 0], size, interpolation=cv2.INTER_AREA), small) if small.any() else None
    return Front(neck, _buttons(picture, straight))


NECK_SIDE = 140
"""Pixels of the long side at which a neck is looked for."""
HALF_WIDTHS = (0.06, 0.09, 0.12, 0.15, 0.18, 0.22)
DEPTHS = (0.06, 0.09, 0.12, 0.16, 0.2, 0.26)
BESIDE_THE_MIDDLE = (-0.02, 0.0, 0.02)
POINT, CURVE = 1.2, 2.2
"""Exponents of the curve that a neck follows: a point with sides that are nearly straight, a curve that is nearly round."""
REACH = 0.55
"""Of the square root of the area, from the top, within which a neck lies."""
DARKER = 0.08
"""By how much the inside is darker, as a logarithm of L*: it lies in the shade of the front."""
LEAST_STEP = 4.5
"""From which a step counts, in deviations of the cloth: prints make smaller ones everywhere."""
LEAST_PIXELS = 30


def _neck(lightness: RealArray, inside: BoolArray) -> Neck | None:
    """The opening whose edge is the clearest step from dark to light. (rows, columns) each."""
    size = float(np.sqrt(inside.sum()))
    middle = middle_of(inside)
    along = inside[:, max(0, round(middle) - 1) : round(middle) + 2].any(axis=1)
    if not along.any():
        return None
    top = int(along.argmax())
    rows = slice(top, top + max(2, int(REACH * size)))
    half = int(1.5 * (max(HALF_WIDTHS) + max(BESIDE_THE_MIDDLE)) * size) + 1
    columns = slice(max(0, round(middle) - half), round(middle) + half + 1)
    there = inside[rows, columns]
    shade = np.log(np.maximum(lightness[rows, columns][there], 4.0)).astype(np.float32)
    row, column = np.nonzero(there)
    down = ((row + 1) / size).astype(np.float32)
    across = ((column + columns.start - middle) / size).astype(np.float32)
    found: dict[float, tuple[float, float, float]] = {}
    for exponent in (POINT, CURVE):
        lower = down**exponent
        for off in BESIDE_THE_MIDDLE:
            sideways = np.abs(across - off) ** exponent
            for half_width in HALF_WIDTHS:
                beside = sideways / half_width**exponent
                for depth in DEPTHS:
                    step = _step(shade, beside + lower / depth**exponent, exponent)
                    if step > found.get(exponent, (LEAST_STEP, 0, 0))[0]:
                        found[exponent] = step, half_width, depth
    if not found:
        return None
    step, half_width, depth = max(found.values())
    steps = {exponent: one[0] for exponent, one in found.items()}
    return Neck(half_width, depth, steps.get(POINT, LEAST_STEP) / steps.get(CURVE, LEAST_STEP))


def _step(shade: RealArray, reach: RealArray, exponent: float) -> float:
    """How clear the step is from just inside an edge to just outside it. (n,) each. reach: 1 on the edge, to the power of
    the exponent."""
    inner, begins, ends, outer = (share**exponent for share in (0.55, 0.95, 1.05, 1.45))
    near = (reach > inner) & (reach < outer)
    reach, shade = reach[near], shade[near]
    within, beyond = shade[reach < begins], shade[reach > ends]
    least = min(len(within), len(beyond))
    if least < LEAST_PIXELS:
        return 0.0
    darker = float(beyond.mean() - within.mean())
    if darker < DARKER:
        return 0.0
    return darker / (float(np.sqrt((within.var() + beyond.var()) / 2)) + 0.03) * float(least**0.25)


BUTTON_SIDE = 340
"""Pixels of the long side at which buttons are looked for."""
RADII = (2.1, 3.2)
"""Pixels: of small and of large buttons at that size."""
STANDS_OUT = 7.0
"""How much more a button differs from what is round it than cloth does anywhere."""
LEAST_BUTTONS = 3
FROM_THE_MIDDLE = 0.17
"""Of the trunk's width, to either side: two rows stand apart."""
IN_LINE = 0.008
"""Of the height, to either side of a row."""
EVEN = 0.18
"""By which gaps of a row may differ."""
CROWDED = 14
"""Places that stand out near the middle from which they are motifs and no buttons."""


def _buttons(lab: RealArray, inside: BoolArray) -> int:
    """How many buttons the longest row near the middle has. (rows, columns, 3) and (rows, columns)."""
    height = len(inside)
    trunk = float(np.median(inside[int(0.3 * height) : max(int(0.3 * height) + 1, int(0.7 * height))].sum(axis=1)))
    within = cv2.erode(inside.astype(np.uint8), np.ones((7, 7), np.uint8)) > 0
    if trunk < 20 or not within.any():
        return 0
    middle, most = middle_of(inside), 0
    beside = np.s_[:, max(0, int(middle - 0.3 * trunk)) : int(middle + 0.3 * trunk) + 1]
    if not within[beside].any():
        return 0
    band = np.ascontiguousarray(lab[beside])
    for radius in RADII:
        rows, columns = _standing_out(band, within[beside], radius)
        near = np.abs(columns + beside[1].start - middle) < FROM_THE_MIDDLE * trunk
        if near.sum() <= CROWDED:
            most = max(most, _row_of(rows[near], columns[near], IN_LINE * height, 4 * radius))
    return most


def _standing_out(lab: RealArray, within: BoolArray, radius: float) -> tuple[IntArray, IntArray]:
    """Rows and columns of round places that differ from what is round them. lab: (rows, columns, 3)."""
    fine, coarse = (cv2.GaussianBlur(lab, (0, 0), radius * share) for share in (0.6, 1.8))
    differs = np.where(within, np.linalg.norm(fine - coarse, axis=2), 0)
    usual = float(np.median(differs[within])) + 1.0
    around = 2 * int(2 * radius) + 1
    highest = differs == cv2.dilate(differs, np.ones((around, around), np.uint8))
    rows, columns = np.nonzero(highest & (differs > STANDS_OUT * usual))
    return rows, columns


def _row_of(rows: IntArray, columns: IntArray, width: float, least: float) -> int:
    """How many of some places lie under each other at even distances; 0 where fewer than three do. Pixels."""
    most = 0
    for column in columns:
        gaps = np.diff(np.sort(rows[np.abs(columns - column) <= width]))
        if len(gaps) + 1 < LEAST_BUTTONS:
            continue
        usual = float(np.median(gaps))
        even = int((np.abs(gaps - usual) < EVEN * usual + 1).sum())
        if usual >= least and even >= max(LEAST_BUTTONS - 1, 0.6 * len(gaps)):
            most = max(most, even + 1)
    return most
