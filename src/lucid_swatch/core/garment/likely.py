"""What a piece likely is, from its outline: proportions, where it is wide, what is open in it, how far it is its own mirror.

A softmax regression on measures of the outline, its numbers in likely.csv. It knows the categories that it was fitted to
and no others; `benchmarks/likely.py` fits it and reports on photos that were kept out."""

import csv
from dataclasses import dataclass
from functools import cache
from importlib.resources import files

import cv2
import numpy as np

from ..colour.arrays import BoolArray, FloatArray
from .vocabulary import Category

FIRM = 0.85
"""Chance from which a guess is taken for what the piece is."""
LONG_SIDE = 600
"""Pixels of the long side at which an outline is measured."""
BANDS, COLUMNS = 10, 8
"""Bands from top to bottom, and columns from left to right, in which its extent is measured."""


@dataclass(frozen=True, slots=True)
class Guess:
    """A category, and how likely the piece is one."""

    category: Category
    confidence: float


def likely(mask: BoolArray) -> list[Guess]:
    """What a piece may be, likeliest first; the chances sum to 1. mask: (rows, columns), at least one pixel."""
    return guesses(outline_measures(mask)[None])[0]


def guesses(measures: FloatArray) -> list[list[Guess]]:
    """What some pieces may be, each likeliest first. measures: (n, m), as outline_measures gives them."""
    model = _model()
    score = ((measures - model.middle) / model.spread) @ model.weights.T + model.offset
    chance = np.exp(score - score.max(axis=1, keepdims=True))
    chance /= chance.sum(axis=1, keepdims=True)
    return [[Guess(model.categories[k], float(row[k])) for k in np.argsort(-row, kind="stable")] for row in chance]


def firm(found: list[Guess]) -> Category | None:
    """What a piece is taken for without being asked; None where its outline leaves it open."""
    return found[0].category if found and found[0].confidence >= FIRM else None


def outline_measures(mask: BoolArray) -> FloatArray:
    """The measures of an outline, in the order of MEASURES. mask: (rows, columns), at least one pixel."""
    box = _cut(mask)
    whole = box.astype(np.uint8)
    contours, _ = cv2.findContours(whole, cv2.RETR_EXTERNAL, cv2.CHAIN_APPROX_NONE)
    filled = sum(cv2.contourArea(one) for one in contours)
    girth = sum(cv2.arcLength(one, True) for one in contours)
    largest = max(contours, key=cv2.contourArea)
    area = float(whole.sum())
    measures = [
        float(np.log(box.shape[0] / box.shape[1])),
        float(box.mean()),
        float(cv2.contourArea(largest) / max(cv2.contourArea(cv2.convexHull(largest)), 1.0)),
        *_parts(whole),
        float((filled - area) / max(filled, 1.0)),
        _leg_gap(box),
        _overlap(box, box[:, ::-1]),
        _overlap(box, box[::-1]),
        float(np.log(max(girth, 1.0) ** 2 / area)),
        _elongation(box),
    ]
    return np.array([*measures, *_bands(box), *_edges(box)])


MEASURES = (
    "height over width, logarithm", "share of its rectangle", "share of its hull", "parts", "second part over first",
    "openings", "gap between legs", "mirrored across", "mirrored down", "girth squared over area, logarithm", "elongation",
    *(f"extent of band {k + 1}" for k in range(BANDS)),
    *(f"cloth in band {k + 1}" for k in range(BANDS)),
    *(f"middle of band {k + 1}" for k in range(BANDS)),
    *(f"{edge} of column {k + 1}" for k in range(COLUMNS) for edge in ("top", "bottom")),
)  # fmt: skip
"""What is measured on an outline, each in shares of its rectangle unless it says otherwise."""


def _cut(mask: BoolArray) -> BoolArray:
    """The rectangle of an outline, at one size."""
    rows, columns = np.flatnonzero(mask.any(axis=1)), np.flatnonzero(mask.any(axis=0))
    box = mask[rows[0] : rows[-1] + 1, columns[0] : columns[-1] + 1]
    scale = LONG_SIDE / max(box.shape)
    size = (max(8, round(box.shape[1] * scale)), max(8, round(box.shape[0] * scale)))
    cut: BoolArray = cv2.resize(box.astype(np.float32), size, interpolation=cv2.INTER_AREA) > 0.5
    # a chain may be thinner than a pixel of it
    return cut if cut.any() else cv2.resize(box.astype(np.uint8), size, interpolation=cv2.INTER_NEAREST) > 0


def _parts(whole: np.ndarray[tuple[int, ...], np.dtype[np.uint8]]) -> tuple[float, float]:
    """How many parts of some size it falls into, three at most, and how large the second is beside the first."""
    count, _, stats, _ = cv2.connectedComponentsWithStats(whole, connectivity=8)
    areas = np.sort(stats[1:count, cv2.CC_STAT_AREA])[::-1]
    second = float(areas[1] / areas[0]) if len(areas) > 1 else 0.0
    return float(min((areas > 0.15 * areas[0]).sum(), 3)), second


def _leg_gap(box: BoolArray) -> float:
    """How far up from the hem the middle is open with cloth on both sides, as a part of the height. (rows, columns)."""
    rows, columns = box.shape
    middle = box[:, columns // 3 : columns - columns // 3]
    left, right = box[:, : columns // 2].any(axis=1), box[:, columns // 2 :].any(axis=1)
    open_rows = np.logical_and.reduce([(~middle).any(axis=1), left, right])
    height = 0
    # a piece that lies a little turned has a slanting hem: the count begins above it
    for row in range(rows - 1 - rows // 9, -1, -1):
        line = np.flatnonzero(box[row])
        shut = len(line) > 0 and (np.diff(line) > 0.012 * columns).any()
        if not (open_rows[row] and shut):
            break
        height += 1
    return height / rows


def _overlap(one: BoolArray, other: BoolArray) -> float:
    return float((one & other).sum() / max((one | other).sum(), 1))


def _elongation(box: BoolArray) -> float:
    """How much longer than wide it is along its own axes, logarithm."""
    points = np.stack(np.nonzero(box)).astype(float)
    spread = np.linalg.eigvalsh(np.cov(points)) if points.shape[1] > 2 else np.ones(2)
    return float(np.log(max(spread[1], 1e-6) / max(spread[0], 1e-6)) / 2)


def _bands(box: BoolArray) -> list[float]:
    """Across each band: from its first cloth to its last, how much of it is cloth, and how much of its middle."""
    rows, columns = box.shape
    extent, cloth, middle = [], [], []
    for k in range(BANDS):
        line = box[rows * k // BANDS : max(rows * k // BANDS + 1, rows * (k + 1) // BANDS)].mean(axis=0) > 0.5
        there = np.flatnonzero(line)
        extent.append(float((there[-1] - there[0] + 1) / columns) if len(there) else 0.0)
        cloth.append(float(line.mean()))
        middle.append(float(line[columns * 2 // 5 : columns - columns * 2 // 5].mean()))
    return [*extent, *cloth, *middle]


def _edges(box: BoolArray) -> list[float]:
    """Down each column: where its cloth begins and where it ends."""
    rows, columns = box.shape
    found: list[float] = []
    for k in range(COLUMNS):
        line = box[:, columns * k // COLUMNS : max(columns * k // COLUMNS + 1, columns * (k + 1) // COLUMNS)]
        there = np.flatnonzero(line.mean(axis=1) > 0.5)
        found += [float(there[0] / rows), float(there[-1] / rows)] if len(there) else [1.0, 0.0]
    return found


@dataclass(frozen=True, slots=True, eq=False)
class _Model:
    categories: tuple[Category, ...]
    middle: FloatArray
    spread: FloatArray
    """(m,), of the outlines it was fitted to."""
    weights: FloatArray
    """(categories, m)."""
    offset: FloatArray
    """(categories,)."""


@cache
def _model() -> _Model:
    with (files(__package__) / "likely.csv").open(encoding="utf-8") as file:
        head, *rows = list(csv.reader(file))
    names, numbers = [row[0] for row in rows], np.array([[float(v) for v in row[1:]] for row in rows])
    assert tuple(names[1:]) == MEASURES
    return _Model(
        tuple(Category(name) for name in head[3:]), numbers[1:, 0], numbers[1:, 1], numbers[1:, 2:].T, numbers[0, 2:]
    )
