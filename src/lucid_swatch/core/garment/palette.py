"""The few true colours of a cloth, with the folds, the shine and the blended edges discounted."""

from dataclasses import dataclass

import cv2
import numpy as np

from ..beside import beside
from ..colour.arrays import BoolArray, FloatArray, IntArray, LabelArray, some_of
from ..colour.difference import delta_e_2000
from ..colour.spaces import rgb_linear_to_lab
from .blends import without_blends
from .grouping import MIDDLES_OF, counts, middle, nearest, shading_free
from .shades import find_shades, merge_shades
from .shading import without_shading

LEAST_SHARE = 0.03
"""A colour below this share of the garment is not reported."""

SAMPLE = 16_000
LIT_QUANTILE = 0.68
"""Lightness is read above the middle of a colour's pixels: folds darken more cloth than they brighten."""
TAIL_WEIGHT = 0.35
"""How far the quantile moves away from the longer tail."""


@dataclass(frozen=True, slots=True, eq=False)
class Palette:
    """The measured colours, largest share first."""

    lab: FloatArray
    """(n, 3)."""
    share: FloatArray
    """(n,), sums to 1."""
    spread: FloatArray
    """(n,), CIEDE2000: how far the middle half of a colour's pixels lies from its centre."""
    labels: LabelArray
    """(rows, columns): the colour of each pixel, -1 outside the garment."""


def read_palette(rgb_linear: FloatArray, mask: BoolArray, seed: int = 0, sample: int = SAMPLE) -> Palette:
    """The colours of the cloth inside a mask.

    rgb_linear: (rows, columns, 3), already relit. mask: (rows, columns), at least one pixel. sample: pixels from which
    the colours are found. Returns at least one colour."""
    inside = _inner(mask)
    lab_picture = rgb_linear_to_lab(_calmed(rgb_linear))
    # a list of places is gone through sooner than a mask, once more for every picture
    pixels = np.flatnonzero(inside)
    edge = beside(lambda: _edge_strength(lab_picture).ravel().take(pixels))
    lab = lab_picture.reshape(-1, 3).take(pixels, axis=0)
    feature = shading_free(lab)
    rng = np.random.default_rng(seed)
    chosen = _flat_sample(edge(), sample, rng)
    shades = find_shades(feature[chosen], seed)
    group = merge_shades(feature[chosen], lab[chosen], shades)
    centres = np.array([middle(feature[chosen[group == g]]) for g in range(group.max() + 1)])
    every = nearest(feature, centres)
    large = _large_enough(every, len(centres))
    if len(large) < len(centres):
        centres = centres[large]
        every = nearest(feature, centres)
    every = without_shading(lab_picture, lab, inside, every, len(centres))
    every = without_blends(rgb_linear.reshape(-1, 3), pixels, inside, every)
    return _measured(lab, every, np.sort(chosen), inside)


def run_length(labels: LabelArray) -> float:
    """Typical run of one colour in pixels: four fifths of twice the area over the length of the borders.

    labels: (rows, columns), the colour of each pixel, -1 outside."""
    inside = labels >= 0
    across = (labels[:, 1:] != labels[:, :-1]) & inside[:, 1:] & inside[:, :-1]
    down = (labels[1:] != labels[:-1]) & inside[1:] & inside[:-1]
    borders = max(int(across.sum() + down.sum()), 1)
    return 1.6 * float(inside.sum()) / borders


def _inner(mask: BoolArray) -> BoolArray:
    """The mask without its rim, which is mixed with what lies behind."""
    depth = max(1, round(0.006 * np.sqrt(mask.sum())))
    inner = cv2.erode(mask.astype(np.uint8), np.ones((2 * depth + 1, 2 * depth + 1), np.uint8), borderValue=0) > 0
    return inner if inner.sum() > 0.3 * mask.sum() else mask


def _calmed(rgb_linear: FloatArray) -> FloatArray:
    """A little less noise of sensor and weave; motifs keep their size."""
    calm: FloatArray = cv2.GaussianBlur(rgb_linear.astype(np.float32, copy=False), (3, 3), 0.7)
    return np.maximum(calm, np.float32(0.0))


def _edge_strength(lab: FloatArray) -> FloatArray:
    """Largest change of colour across a pixel, CIELAB units. (rows, columns, 3) to (rows, columns)."""
    picture = lab.astype(np.float32, copy=False)
    across = cv2.Sobel(picture, cv2.CV_32F, 1, 0, ksize=3, scale=1 / 8)
    down = cv2.Sobel(picture, cv2.CV_32F, 0, 1, ksize=3, scale=1 / 8)
    # three channels are added up so many times sooner than short rows are summed
    squared = cv2.transform(cv2.accumulateSquare(down, cv2.multiply(across, across)), np.ones((1, 3), np.float32))
    return np.sqrt(squared)


def _flat_sample(edge: FloatArray, sample: int, rng: np.random.Generator) -> IntArray:
    """Pixels that are one colour rather than the blend at an edge."""
    limit = max(4.0, float(np.quantile(some_of(edge, MIDDLES_OF), 0.5)))
    flat = np.flatnonzero(edge <= limit)
    if len(flat) > sample:
        flat = rng.choice(flat, sample, replace=False)
    return flat


def _large_enough(labels: LabelArray, count: int) -> IntArray:
    share = counts(labels, count) / len(labels)
    kept = np.flatnonzero(share >= LEAST_SHARE)
    return kept if len(kept) else np.array([share.argmax()])


def _measured(lab: FloatArray, labels: LabelArray, flat: IntArray, inside: BoolArray) -> Palette:
    """lab: (n, 3), of the pixels inside. labels: (n,), their colours. flat: (k,), those that are no blend."""
    centres, spreads, shares, old = [], [], [], []
    held = counts(labels, int(labels.max()) + 1)
    for index in np.flatnonzero(held):
        own = flat[labels[flat] == index]
        pixels = lab[own] if len(own) >= 20 else lab[labels == index]
        centre = _cloth_colour(pixels)
        centres.append(centre)
        spreads.append(float(np.median(delta_e_2000(some_of(pixels, 500), centre))))
        shares.append(held[index] / len(labels))
        old.append(index)
    order = np.argsort(shares)[::-1]
    rename = np.zeros(max(old) + 1, dtype=np.int8)
    rename[np.array(old)[order]] = np.arange(len(order))
    picture = np.full(inside.shape, -1, dtype=np.int8)
    picture[inside] = rename[labels]
    share = np.array(shares)[order]
    return Palette(np.array(centres)[order], share / share.sum(), np.array(spreads)[order], picture)


def _cloth_colour(lab: FloatArray) -> FloatArray:
    """The colour of the well-lit part: shine and deep shadow trimmed, chromaticity at its middle."""
    feature = shading_free(lab)
    low, middle, high = np.quantile(lab[:, 0], [0.1, 0.5, 0.9])
    # folds leave a tail of dark pixels, shine one of bright ones: the cloth is on the other side
    tail = float((high + low - 2 * middle) / max(high - low, 1.0))
    lightness = float(np.quantile(lab[:, 0], np.clip(LIT_QUANTILE - TAIL_WEIGHT * tail, 0.35, 0.85)))
    lightness = min(lightness, 100.0)
    scale = (max(lightness, 2.0) + 16.0) / 66.0
    return np.array([lightness, np.median(feature[:, 1]) * scale, np.median(feature[:, 2]) * scale])
