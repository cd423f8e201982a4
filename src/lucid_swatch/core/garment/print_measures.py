"""What the kind of a pattern is told by: how its borders run, how it repeats, what shapes lie on what ground."""

import cv2
import numpy as np
from scipy import fft

from ..colour.arrays import ByteArray, FloatArray, IntArray, LabelArray
from ..colour.difference import pairwise_delta_e_2000
from ..colour.spaces import chroma
from .bands import crossing_bands
from .borders import directions, slopes, straightness
from .motifs import LEAST_LIKENESS, Likeness, painted, read_peaks
from .palette import run_length

NAMES = (
    "colours", "first share", "second share", "third share", "difference of the first two", "least difference", "fur",
    "run", "run in pixels", "yarns",
    "one way", "two ways", "second way", "turn 1", "turn 2", "turn 3", "turn 4",
    "likeness", "likeness on average", "repeat in runs", "ridge", "other ridge", "long lobe",
    "wavelength", "bandwidth", "coarse", "peak", "way 1", "way 2", "way 3",
    "motifs", "ground holds together", "largest motif", "roundness", "spread of roundness", "solidity", "length",
    "spread of size", "holes", "size in runs", "at right angles", "discs", "squares",
    "on ground", "third on ground", "regions", "blocks", "accents", "accents at the rim", "uneven across", "uneven down",
    "straight", "straight far", "one set of bands", "two sets of bands",
)  # fmt: skip
FEW = 1e-6


def print_measures(
    labels: LabelArray, lab: FloatArray, share: FloatArray, width: float, yarns: float, likeness: Likeness
) -> FloatArray:
    """The measures named above, of a picture of two colours or more.

    labels: (rows, columns), the colour of each pixel, largest share first, -1 outside. lab: (n, 3), share: (n,).
    width: of the body, pixels. yarns: change of a* and b* between threads. likeness: of the picture to itself."""
    run = run_length(labels)
    steep = slopes(labels, lab)
    return np.array(
        [
            *_colours(lab, share),
            np.log(run / width), np.log(run), np.log(yarns + 0.3),
            *_directions(directions(steep)),
            *_repeats(likeness, run),
            *_spectrum(labels, lab, width),
            *_motifs(labels, run),
            *_places(labels, len(lab), width),
            straightness(steep, 0.6 * run), straightness(steep, 2.0 * run),
            *crossing_bands(labels, lab, steep, run),
        ]
    )  # fmt: skip


def _colours(lab: FloatArray, share: FloatArray) -> list[float]:
    apart = pairwise_delta_e_2000(lab, lab)
    brown = (chroma(lab) < 12) | ((chroma(lab) < 40) & (lab[:, 2] > np.abs(lab[:, 1])))
    least = float((apart + 99 * np.eye(len(lab))).min())
    three = [float(s) for s in share[:3]] + [0.0] * (3 - len(share[:3]))
    return [float((share > 0.05).sum()), *three, float(apart[0, 1]) / 50, least / 50, float(share[brown].sum())]


def _directions(histogram: FloatArray) -> list[float]:
    """histogram: (36,), of the directions of the borders in steps of five degrees, sums to 1."""
    near = np.sum([np.roll(histogram, k) for k in (-2, -1, 0, 1, 2)], axis=0)
    first = int(near.argmax())
    crossed = near + np.roll(near, 18)
    turns = np.abs(np.fft.rfft(histogram))[1:5]
    return [float(near.max()), float(crossed.max()), float(near[(first + 18) % 36]), *(float(t) for t in turns)]


def _repeats(likeness: Likeness, run: float) -> list[float]:
    table, reach = likeness.table, likeness.reach
    y, x = np.mgrid[-reach : reach + 1, -reach : reach + 1]
    lobe = (table > 0.4) & (np.hypot(y, x) < 4 * run)
    spread = (
        np.linalg.eigvalsh(np.cov(np.stack([y[lobe], x[lobe]])) + 0.3 * np.eye(2)) if lobe.sum() > 4 else np.ones(2)
    )
    long = float(np.log(spread[1] / spread[0])) / 2
    peaks = read_peaks(likeness, 0.6 * run)
    if not len(peaks.height) or peaks.height.max() <= 0:
        return [0.0, 0.0, 0.0, 0.0, 0.0, long]
    best = np.sort(peaks.height)[::-1]
    along = peaks.nearest()
    across = np.array([along[1], -along[0]])
    way = np.linspace(0.1, 1.0, 19)[:, None]
    places = [np.clip(np.rint(way * step + reach).astype(np.intp), 0, 2 * reach) for step in (along, across)]
    ridges = sorted(float(table[p[:, 0], p[:, 1]].min()) for p in places)
    distance = float(np.log(np.hypot(*along) / run)) if best[0] > LEAST_LIKENESS else 0.0
    return [float(best[0]), float(best[:8].mean()), distance, ridges[0], ridges[1], long]


FINE_SIDE = 320
"""Pixels of the long side of the picture whose spectrum is read: finer repeats are told by their runs."""


def _spectrum(labels: LabelArray, lab: FloatArray, width: float) -> list[float]:
    """Where the energy of the painted cloth lies, by wavelength and by direction."""
    shrink = min(1.0, FINE_SIDE / max(labels.shape))
    size = tuple(max(1, round(n * shrink)) for n in labels.shape[::-1])
    energy = np.zeros((FINE_SIDE, FINE_SIDE // 2 + 1), np.float32)
    for picture in painted(labels, lab):
        small = cv2.resize(picture, size, interpolation=cv2.INTER_AREA)
        wave = fft.rfft2(small, (FINE_SIDE, FINE_SIDE))
        energy += wave.real**2 + wave.imag**2
    radius, angle = _PLACES
    coarse = radius < 1.2 / (width * shrink)
    total = float(energy.sum())
    fine = np.where(coarse, np.float32(0), energy)
    left = max(float(fine.sum()), FEW)
    logarithm = _LOGARITHM + np.float32(np.log(width * shrink))
    middle = float((fine * logarithm).sum() / left)
    band = float(np.sqrt((fine * (logarithm - middle) ** 2).sum() / left))
    peak = float(cv2.blur(fine, (3, 3)).max() * 9 / left)
    ways = [float(np.abs((fine * turn).sum()) / left) for turn in angle]
    return [middle, band, float(energy[coarse].sum() / max(total, FEW)), peak, *ways]


def _places_of_frequencies() -> tuple[FloatArray, list[FloatArray]]:
    y, x = fft.fftfreq(FINE_SIDE)[:, None].astype(np.float32), fft.rfftfreq(FINE_SIDE)[None].astype(np.float32)
    angle = np.arctan2(y, x)
    return np.hypot(y, x), [np.exp(2j * k * angle).astype(np.complex64) for k in (1, 2, 3)]


_PLACES = _places_of_frequencies()
_LOGARITHM = np.log(np.maximum(_PLACES[0], 1 / FINE_SIDE))


def _motifs(labels: LabelArray, run: float) -> list[float]:
    side = 3 if run > 5 else 2
    shapes = cv2.morphologyEx((labels > 0).astype(np.uint8), cv2.MORPH_OPEN, np.ones((side, side), np.uint8))
    contours, tree = cv2.findContours(shapes, cv2.RETR_CCOMP, cv2.CHAIN_APPROX_NONE)
    ground = cv2.connectedComponentsWithStats((labels == 0).astype(np.uint8), connectivity=4)[2][1:, cv2.CC_STAT_AREA]
    together = float(ground.max() / max(ground.sum(), 1)) if len(ground) else 0.0
    outer = [(c, k) for k, c in enumerate(contours) if tree[0][k][3] < 0]
    areas = np.array([cv2.contourArea(c) for c, _ in outer])
    if len(areas) < 3 or areas.sum() < 12:
        return [np.log1p(len(areas)), together, *NO_MOTIFS]
    least = max(12.0, 0.25 * float(np.percentile(areas, 75)))
    large = [one for one, area in zip(outer, areas, strict=True) if area > least][:MOST]
    if not large:
        return [np.log1p(len(areas)), together, *NO_MOTIFS]
    own = np.array([cv2.contourArea(c) for c, _ in large])
    circles = np.array([np.pi * cv2.minEnclosingCircle(c)[1] ** 2 for c, _ in large])
    hulls = np.array([max(cv2.contourArea(cv2.convexHull(c)), 1.0) for c, _ in large])
    boxes = np.array([cv2.minAreaRect(c)[1] for c, _ in large])
    long = boxes.max(axis=1) / np.maximum(boxes.min(axis=1), 1.0)
    filled = own / np.maximum(boxes.prod(axis=1), 1.0)
    holed = np.mean([tree[0][k][2] >= 0 for _, k in large])
    round_, solid = own / circles, own / hulls
    discs = _above(round_, 0.62, 0.12) * _above(solid, 0.85, 0.08)
    squares = _above(filled, 0.8, 0.1) * _above(-round_, -0.74, 0.08)
    low, middle, high = np.percentile(round_, (20, 50, 80))
    sizes = np.percentile(np.log(own), (20, 80))
    return [
        np.log1p(len(large)), together, float(areas.max() / areas.sum()), float(middle), float(high - low),
        float(np.median(solid)), float(np.log(np.median(long))), float(sizes[1] - sizes[0]), float(holed),
        float(np.log(np.sqrt(np.median(own)) / run)), float(np.median(filled)), float(discs.mean()),
        float(squares.mean()),
    ]  # fmt: skip


MOST = 400
NO_MOTIFS = (1.0, 0.5, 0.2, 0.7, 0.5, 0.5, 0.0, 0.0, 0.0, 0.0, 0.0)
"""What stands for the shapes of a cloth that has none."""


def _above(values: FloatArray, start: float, rise: float) -> FloatArray:
    """0 up to a start, 1 from a rise above it."""
    return np.clip((values - start) / rise, 0.0, 1.0)


def _places(labels: LabelArray, count: int, width: float) -> list[float]:
    """Where the colours lie: on the ground or on each other, in a few regions, at the rim, more here than there."""
    touching = np.zeros((count, count))
    for one, other in ((labels[:, 1:], labels[:, :-1]), (labels[1:], labels[:-1])):
        meet = (one != other) & (one >= 0) & (other >= 0)
        touching += np.bincount(one[meet].astype(np.intp) * count + other[meet], minlength=count**2).reshape(
            count, count
        )
    both = touching + touching.T
    on_ground = float(both[1:, 0].sum() / max(both[1:].sum(), 1))
    third = float(both[2, 0] / max(both[2].sum(), 1)) if count > 2 else on_ground
    few = np.ascontiguousarray(labels[::2, ::2])
    inside, held, regions = max(int((few >= 0).sum()), 1), 0, 0
    for index in range(count):
        areas = _areas(cv2.morphologyEx((few == index).astype(np.uint8), cv2.MORPH_OPEN, np.ones((2, 2), np.uint8)))
        regions += len(areas)
        held += int(areas[:3].sum())
    others = few > 0
    areas = _areas(others.astype(np.uint8))
    accents = float(areas[:4].sum() / max(areas.sum(), 1)) if len(areas) else 1.0
    depth = cv2.distanceTransform((few >= 0).astype(np.uint8), cv2.DIST_L2, cv2.DIST_MASK_3)
    rim = (depth > 0) & (depth < 0.03 * width)
    at_rim = float(others[rim].mean() / max(others[few >= 0].mean(), FEW)) if rim.any() else 1.0
    uneven = [_uneven(few, axis) for axis in (0, 1)]
    return [on_ground, third, np.log1p(regions), held / inside, accents, np.log(at_rim + 0.05), *uneven]


def _areas(places: ByteArray) -> IntArray:
    """The areas of what holds together, the largest first. places: (rows, columns), 0 or 1."""
    areas = cv2.connectedComponentsWithStats(places, connectivity=8)[2][1:, cv2.CC_STAT_AREA]
    return np.sort(areas)[::-1]


def _uneven(labels: LabelArray, axis: int) -> float:
    """How much the share of the ground changes from one fifth of the piece to the next, 0..1."""
    cloth = (labels >= 0).sum(axis=axis)
    ground = (labels == 0).sum(axis=axis)
    parts = np.array_split(np.flatnonzero(cloth > 0), 5)
    share = [ground[p].sum() / max(cloth[p].sum(), 1) for p in parts if len(p)]
    return float(np.std(share)) if share else 0.0
