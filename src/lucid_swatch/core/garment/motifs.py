"""What a pattern is made of: how it repeats, and how far its motifs lie apart."""

from collections.abc import Sequence
from dataclasses import dataclass
from typing import cast

import cv2
import numpy as np
from scipy import fft

from ..colour.arrays import FloatArray, IntArray, LabelArray


@dataclass(frozen=True, slots=True, eq=False)
class Likeness:
    """How much a cloth is like itself when it is moved."""

    table: FloatArray
    """(2 reach + 1, 2 reach + 1): autocorrelation of the painted cloth by rows and columns moved, 1 in the middle."""
    reach: int
    """Pixels either way."""


LEAST_LIKENESS = 0.28


def read_repeat(likeness: Likeness, run: float, banded: bool = False) -> float | None:
    """The shortest distance at which the pattern meets itself nearly as well as anywhere, pixels; None without one.

    run: pixels of one colour in a row. banded: whether it is stripes, which are like themselves at any distance along
    the bands."""
    peaks = read_peaks(likeness, (1.2 if banded else 0.6) * run)
    if len(peaks.height) == 0 or peaks.height.max() < LEAST_LIKENESS:
        return None
    return float(np.hypot(*peaks.nearest()))


@dataclass(frozen=True, slots=True, eq=False)
class Peaks:
    """Where a cloth that is moved is more like itself than anywhere around."""

    moved: IntArray
    """(n, 2), rows and columns."""
    height: FloatArray
    """(n,), likeness."""

    def nearest(self) -> IntArray:
        """(2,), the shortest way to a peak nearly as high as the highest; there is at least one."""
        strong = self.moved[self.height >= 0.75 * self.height.max()]
        found: IntArray = strong[np.hypot(*strong.T).argmin()]
        return found


def read_peaks(likeness: Likeness, least: float) -> Peaks:
    """The peaks that lie further off than so many pixels, and than three."""
    ys, xs = np.nonzero(likeness.table == cv2.dilate(likeness.table, np.ones((5, 5), np.uint8)))
    height = likeness.table[ys, xs]
    moved = np.stack([ys, xs], axis=1) - likeness.reach
    beyond = np.hypot(*moved.T) > max(3.0, least)
    return Peaks(moved[beyond], height[beyond])


def read_likeness(labels: LabelArray, lab: FloatArray) -> Likeness:
    """The likeness of a cloth to itself, to nearly half of its shorter side either way.

    labels: (rows, columns), the colour of each pixel, -1 outside. lab: (n, 3)."""
    inside: FloatArray = (labels >= 0).astype(np.float32)
    reach = int(min(labels.shape) * 0.45)
    # shifts beyond the reach are not looked at, so that they may wrap round
    shape = [fft.next_fast_len(n + reach + 1, real=True) for n in labels.shape]
    spectrum = _spectrum(painted(labels, lab), shape)
    overlap = fft.irfft2(_spectrum([inside], shape), shape)
    # what lies before the first row and column stands behind the last
    rows, columns = (np.arange(-reach, reach + 1) % n for n in shape)
    both, alike = (table[np.ix_(rows, columns)] for table in (overlap, fft.irfft2(spectrum, shape)))
    window = alike / np.maximum(both, 0.15 * overlap[0, 0])
    window = window / max(window[reach, reach], 1e-9)
    return Likeness(cv2.GaussianBlur(window.astype(np.float32), (0, 0), 1.0), reach)


def _spectrum(pictures: list[FloatArray], shape: Sequence[int]) -> FloatArray:
    """The energy of every frequency, over all pictures. shape: rows and columns, padded with 0."""
    energy: FloatArray = np.zeros((shape[0], shape[1] // 2 + 1), dtype=np.float32)
    for picture in pictures:
        wave = fft.rfft2(picture, shape)
        energy += wave.real**2 + wave.imag**2
    return energy


def painted(labels: LabelArray, lab: FloatArray) -> list[FloatArray]:
    """The labels as flat colours around their mean, 0 outside: folds and noise are gone.

    Up to three pictures, (rows, columns), along the axes on which the colours differ: two colours differ on one. Sums
    of squares over them are those over L*, a* and b*."""
    bytes_ = labels.astype(np.uint8)
    count = np.bincount(bytes_.ravel(), minlength=256)[: len(lab)]
    apart = lab - count @ lab / max(int(count.sum()), 1)
    _, strength, axes = np.linalg.svd(np.sqrt(count)[:, None] * apart, full_matrices=False)
    pictures = []
    for axis in axes[strength > LEAST_STRENGTH * max(float(strength[0]), 1e-9)]:
        table = np.zeros(256, dtype=np.float32)  # outside, -1, is the last one
        table[: len(lab)] = apart @ axis
        pictures.append(cast(FloatArray, cv2.LUT(bytes_, table)))
    return pictures


LEAST_STRENGTH = 0.03
"""Of the first axis, below which an axis has less than a thousandth of what differs."""


LEAST_SIDE = 8
"""Pixels of a picture with wavelengths at all; a smaller one is padded."""
RINGS = 39
"""Of wavelengths, evenly in logarithms."""
CENTROID_SHARE = 0.55
"""Mean wavelength, by energy, of an irregular print against the distance between its motifs."""


def motif_spacing(labels: LabelArray, lab: FloatArray) -> float:
    """Distance in pixels between the motifs of a print that follows no lattice, from its spectrum.

    labels: (rows, columns), -1 outside. lab: (n, 3)."""
    side = max(LEAST_SIDE, *labels.shape)
    energy = _spectrum(painted(labels, lab), (side, side))
    y, x = fft.fftfreq(side)[:, None], fft.rfftfreq(side)[None]
    edges = np.linspace(np.log(2 / side), np.log(0.5), RINGS + 1)
    ring = 0.5 * np.log(np.maximum(y**2 + x**2, 1 / side**2))
    place = np.maximum((ring - edges[0]) * (RINGS / (edges[-1] - edges[0])) + 1, 0).astype(np.intp)
    held = np.bincount(place.ravel(), energy.ravel(), RINGS + 2)[1 : RINGS + 1]
    centroid = float((held * (edges[1:] + edges[:-1]) / 2).sum() / max(held.sum(), 1e-12))
    return float(np.exp(-centroid)) / CENTROID_SHARE


def motif_distance(labels: LabelArray, run: float) -> float:
    """Pixels from one motif to the next, by how many share the cloth.

    labels: (rows, columns), 0 the ground, -1 outside. run: pixels of one colour in a row."""
    side = 3 if run > 5 else 2
    shapes = cv2.morphologyEx((labels > 0).astype(np.uint8), cv2.MORPH_OPEN, np.ones((side, side), np.uint8))
    contours, _ = cv2.findContours(shapes, cv2.RETR_EXTERNAL, cv2.CHAIN_APPROX_NONE)
    areas = np.array([cv2.contourArea(c) for c in contours])
    if len(areas) < LEAST_MOTIFS:
        return float(max(labels.shape))
    large = int((areas > max(12.0, 0.25 * float(np.percentile(areas, 75)))).sum())
    return float(np.sqrt((labels >= 0).sum() / max(large, 1))) / LATTICE_SHARE


LEAST_MOTIFS = 6
LATTICE_SHARE = 0.87
"""Side of the square that a motif has to itself against the distance to the next one: staggered rows lie closer."""
