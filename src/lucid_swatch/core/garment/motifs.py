"""What a pattern is made of: how it repeats, which way its borders run, what shapes lie on its ground."""

from collections.abc import Sequence
from dataclasses import dataclass
from typing import cast

import cv2
import numpy as np
from scipy import fft

from ..colour.arrays import FloatArray, LabelArray


@dataclass(frozen=True, slots=True)
class Lattice:
    """A regular repeat."""

    distance: float
    """Pixels from one motif to the next like it."""
    ridge: float
    """Least likeness on the way there and at right angles to it, -1..1: above 0 where bands run through."""


@dataclass(frozen=True, slots=True)
class Borders:
    """Which way the borders between the colours run."""

    directions: int
    """1, or 2 at right angles."""
    share: float
    """Share of the border, by its strength, that runs that way."""


@dataclass(frozen=True, slots=True)
class Motifs:
    """The shapes on the ground, which is the colour of the largest share."""

    isolated: bool
    """Whether they lie apart on a ground that holds together."""
    roundness: float
    """Area against that of the smallest circle around, in the middle of them, 0..1."""
    solidity: float
    """Area against that of the convex hull, in the middle of them, 0..1."""
    spacing: float
    """Pixels from one to the next, by how many share the cloth."""

    @property
    def round(self) -> bool:
        """Whether they are dots."""
        return self.roundness > 0.68 and self.solidity > 0.9


@dataclass(frozen=True, slots=True, eq=False)
class Likeness:
    """How much a cloth is like itself when it is moved."""

    table: FloatArray
    """(2 reach + 1, 2 reach + 1): autocorrelation of the painted cloth by rows and columns moved, 1 in the middle."""
    reach: int
    """Pixels either way."""


LEAST_LIKENESS = 0.28


def read_lattice(likeness: Likeness, run: float, banded: bool = False) -> Lattice | None:
    """The shortest distance at which the pattern meets itself nearly as well as anywhere; None without one.

    run: pixels of one colour in a row. banded: whether it is stripes, which are like themselves at any distance along
    the bands."""
    table, reach = likeness.table, likeness.reach
    peak = table == cv2.dilate(table, np.ones((5, 5), np.uint8))
    ys, xs = np.nonzero(peak)
    far = np.hypot(ys - reach, xs - reach)
    beyond = far > max(3.0, (1.2 if banded else 0.6) * run)
    ys, xs, far = ys[beyond], xs[beyond], far[beyond]
    if len(far) == 0 or table[ys, xs].max() < LEAST_LIKENESS:
        return None
    strong = table[ys, xs] >= 0.75 * table[ys, xs].max()
    nearest = np.flatnonzero(strong)[far[strong].argmin()]
    along = np.array([ys[nearest] - reach, xs[nearest] - reach])
    across = np.array([along[1], -along[0]])
    way = np.linspace(0.1, 1.0, 19)[:, None]
    ridge = min(_least_on(likeness, way * step) for step in (along, across))
    return Lattice(float(far[nearest]), ridge)


def _least_on(likeness: Likeness, offsets: FloatArray) -> float:
    places = np.clip(np.rint(offsets + likeness.reach).astype(np.intp), 0, 2 * likeness.reach)
    return float(likeness.table[places[:, 0], places[:, 1]].min())


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


RINGS = 39
"""Of wavelengths, evenly in logarithms."""
CENTROID_SHARE = 0.55
"""Mean wavelength, by energy, of an irregular print against the distance between its motifs."""


def motif_spacing(labels: LabelArray, lab: FloatArray) -> float:
    """Distance in pixels between the motifs of a print that follows no lattice, from its spectrum.

    labels: (rows, columns), -1 outside. lab: (n, 3)."""
    side = max(labels.shape)
    energy = _spectrum(painted(labels, lab), (side, side))
    y, x = fft.fftfreq(side)[:, None], fft.rfftfreq(side)[None]
    edges = np.linspace(np.log(2 / side), np.log(0.5), RINGS + 1)
    ring = 0.5 * np.log(np.maximum(y**2 + x**2, 1 / side**2))
    place = np.maximum((ring - edges[0]) * (RINGS / (edges[-1] - edges[0])) + 1, 0).astype(np.intp)
    held = np.bincount(place.ravel(), energy.ravel(), RINGS + 2)[1 : RINGS + 1]
    centroid = float((held * (edges[1:] + edges[:-1]) / 2).sum() / max(held.sum(), 1e-12))
    return float(np.exp(-centroid)) / CENTROID_SHARE


def read_borders(labels: LabelArray, lab: FloatArray) -> Borders:
    """The directions of the borders, from the structure of the painted cloth. labels: (rows, columns)."""
    inside = cv2.erode((labels >= 0).astype(np.uint8), np.ones((9, 9), np.uint8)) > 0
    xx, yy, xy = (np.zeros(int(inside.sum()), dtype=np.float32) for _ in range(3))
    for flat in painted(labels, lab):
        soft = cv2.GaussianBlur(flat, (0, 0), 1.2)
        across, down = cv2.Sobel(soft, cv2.CV_32F, 1, 0)[inside], cv2.Sobel(soft, cv2.CV_32F, 0, 1)[inside]
        xx += across * across
        yy += down * down
        xy += across * down
    # most of the cloth is far from any border
    somewhere = np.flatnonzero(xx + yy)
    if len(somewhere) == 0:
        return Borders(1, 0.0)
    xx, yy, xy = xx[somewhere], yy[somewhere], xy[somewhere]
    angle = 0.5 * np.degrees(np.arctan2(2 * xy, xx - yy)) % 180
    histogram = np.bincount(np.minimum(angle / 5, 35).astype(np.intp), xx + yy, 36)
    histogram = histogram / histogram.sum()
    near = sum(np.roll(histogram, k) for k in (-2, -1, 0, 1, 2))
    crossed = near + np.roll(near, 18)
    first = int(crossed.argmax())
    if min(near[first], near[(first + 18) % 36]) > 0.18:
        return Borders(2, float(crossed.max()))
    return Borders(1, float(near.max()))


def read_motifs(labels: LabelArray, run: float) -> Motifs:
    """The shapes that are not ground. labels: (rows, columns), 0 the ground, -1 outside. run: pixels."""
    side = 3 if run > 5 else 2
    shapes = cv2.morphologyEx((labels > 0).astype(np.uint8), cv2.MORPH_OPEN, np.ones((side, side), np.uint8))
    contours, _ = cv2.findContours(shapes, cv2.RETR_EXTERNAL, cv2.CHAIN_APPROX_NONE)
    areas = np.array([cv2.contourArea(c) for c in contours])
    if len(areas) < LEAST_MOTIFS:
        return Motifs(False, 0.0, 0.0, float(max(labels.shape)))
    least = max(12.0, 0.25 * float(np.percentile(areas, 75)))
    large = [c for c, area in zip(contours, areas, strict=True) if area > least]
    spacing = float(np.sqrt((labels >= 0).sum() / max(len(large), 1))) / LATTICE_SHARE
    large = large[:MOST_MOTIFS]
    if len(large) < LEAST_MOTIFS:
        return Motifs(False, 0.0, 0.0, float(max(labels.shape)))
    own = np.array([cv2.contourArea(c) for c in large])
    circles = np.array([np.pi * cv2.minEnclosingCircle(c)[1] ** 2 for c in large])
    hulls = np.array([cv2.contourArea(cv2.convexHull(c)) for c in large])
    ground = cv2.connectedComponentsWithStats((labels == 0).astype(np.uint8), connectivity=4)[2][1:, cv2.CC_STAT_AREA]
    together = float(ground.max() / max(ground.sum(), 1)) if len(ground) else 0.0
    apart = float(areas.max() / max(areas.sum(), 1)) < 0.4
    return Motifs(together > 0.6 and apart, float(np.median(own / circles)), float(np.median(own / hulls)), spacing)


LEAST_MOTIFS, MOST_MOTIFS = 6, 400
LATTICE_SHARE = 0.87
"""Side of the square that a motif has to itself against the distance to the next one: staggered rows lie closer."""
