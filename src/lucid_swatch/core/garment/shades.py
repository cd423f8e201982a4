"""The shades of a cloth, and which of them a person would call one colour."""

import cv2
import numpy as np

from ..colour.arrays import FloatArray, IntArray, LabelArray, some_of
from ..colour.difference import delta_e_2000
from .grouping import middle, nearest

SHADES = 14
SHADES_OF = 3_000
"""Pixels in which the shades are found."""
SAME_COLOUR = 6.0
"""CIEDE2000, lightness counted half, below which a person calls two shades one colour."""


def find_shades(feature: FloatArray, seed: int) -> LabelArray:
    """The shade of each pixel, of more shades than there are colours. feature: (n, 3), shading-free, to (n,)."""
    few = some_of(feature, SHADES_OF).astype(np.float32)
    # as one number each: rows are told apart much more slowly
    count = min(SHADES, len(np.unique(np.rint(few * 10) @ np.array([1e8, 1e4, 1.0]))))
    if count == 1:
        return np.zeros(len(feature), dtype=np.int8)
    criteria = (cv2.TERM_CRITERIA_EPS + cv2.TERM_CRITERIA_MAX_ITER, 60, 0.05)
    cv2.setRNGSeed(seed + 1)
    _, _, centres = cv2.kmeans(few, count, None, criteria, 2, cv2.KMEANS_PP_CENTERS)
    return nearest(feature, centres.astype(np.float64))


def merge_shades(feature: FloatArray, lab: FloatArray, shades: LabelArray) -> IntArray:
    """Joins shades that a person would call one colour, the closest pair first.

    feature, lab: (n, 3), shading-free and CIELAB. shades: (n,). Returns (n,), numbers without gaps."""
    own = [np.flatnonzero(shades == shade) for shade in np.flatnonzero(np.bincount(shades))]
    centres = [middle(lab[pixels]) for pixels in own]
    chromatic = [middle(feature[pixels]) for pixels in own]
    while (pair := _one_colour(feature, own, centres, chromatic)) is not None:
        a, b = pair
        own[a] = np.sort(np.concatenate([own[a], own[b]]), kind="stable")
        centres[a], chromatic[a] = middle(lab[own[a]]), middle(feature[own[a]])
        for values in (own, centres, chromatic):
            del values[b]
    group = np.empty(len(shades), dtype=np.intp)
    for g, pixels in enumerate(own):
        group[pixels] = g
    return group


def _one_colour(
    feature: FloatArray, own: list[IntArray], centres: list[FloatArray], chromatic: list[FloatArray]
) -> tuple[int, int] | None:
    """The closest two shades that are one colour; None when all are different.

    own: the pixels of each shade; centres, chromatic: their CIELAB and their shading-free colour."""
    if len(own) < 2:
        return None
    first, second = np.triu_indices(len(own), 1)
    at = np.array(centres)
    difference = delta_e_2000(at[first], at[second], lightness_weight=2.0)
    for pair in np.argsort(difference):
        a, b = int(first[pair]), int(second[pair])
        if difference[pair] < SAME_COLOUR or _one_fold(
            feature, own[a], own[b], chromatic[b] - chromatic[a], chromatic[a]
        ):
            return a, b
    return None


def _one_fold(feature: FloatArray, first: IntArray, second: IntArray, line: FloatArray, start: FloatArray) -> bool:
    """True when two shades run into each other without a gap, as the sides of a fold do.

    first, second: their pixels. line: from the middle of the first, start, to that of the second."""
    length = float(np.linalg.norm(line))
    chromaticity_step = float(np.linalg.norm(line[1:]))
    if chromaticity_step > 9.0 or length > 30.0:
        return False
    both = feature[np.concatenate([first, second])]
    along = (both - start) @ line / length**2
    density, _ = np.histogram(along, bins=np.linspace(-0.5, 1.5, 17))
    smooth = np.convolve(density, [0.25, 0.5, 0.25], mode="same")
    valley = smooth[5:11].min()
    peaks = min(smooth[:7].max(), smooth[9:].max())
    return bool(valley > 0.55 * peaks)
