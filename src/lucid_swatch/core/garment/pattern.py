"""The pattern of a cloth, read from where its colours lie and not from how many there are."""

from dataclasses import dataclass

import cv2
import numpy as np

from ..colour.arrays import BoolArray, FloatArray, IntArray
from ..colour.difference import delta_e_2000
from ..colour.spaces import chroma
from .palette import Palette
from .vocabulary import PatternType, Scale

SMALL_BELOW = 0.05
LARGE_ABOVE = 0.15
READING_SIDE = 512


@dataclass(frozen=True, slots=True)
class Pattern:
    """A pattern as read."""

    type: PatternType
    scale: Scale | None
    confidence: float
    repeat: float | None = None
    """Repeat or motif against the width of the body, where one was found."""


def read_pattern(palette: Palette, mask: BoolArray) -> Pattern:
    """The pattern of the cloth.

    palette: with its picture of labels. mask: (rows, columns). Never fails: what fits nothing is abstract."""
    if len(palette.lab) == 1:
        return Pattern(PatternType.SOLID, None, 0.9)
    labels = _cropped(palette.labels, mask)
    width = body_width(labels >= 0)
    motif = _motif_size(labels) / width
    repeat = _repeat(labels, palette.lab)
    peaks, strength = _directions(labels, palette.lab)
    if motif < 0.013 and len(palette.lab) <= 3 and repeat is None and strength < 0.45:
        close = float(delta_e_2000(palette.lab[0], palette.lab[1]))
        return Pattern(PatternType.MARL, Scale.SMALL, 0.85 if close < 45 else 0.6)
    trimmed = _accent_only(palette, labels)
    if trimmed is not None:
        return Pattern(PatternType.SOLID, None, trimmed)
    blocks = _block_share(labels, len(palette.lab))
    if motif > 0.22 and blocks > 0.85:
        return Pattern(PatternType.COLOUR_BLOCK, Scale.LARGE, 0.75)
    size = (repeat / width) if repeat else 2.2 * motif
    scale = scale_of(size)
    if strength > 0.5 and peaks == 1:
        return Pattern(PatternType.STRIPE, scale, min(0.95, 0.5 + strength / 2), size)
    if strength > 0.5 and peaks == 2:
        return Pattern(PatternType.CHECK, scale, min(0.9, 0.45 + strength / 2), size)
    return _blobs(palette, labels, scale, size, regular=repeat is not None)


def scale_of(size: float) -> Scale:
    """Small, medium or large of a repeat against the width of the body."""
    if size < SMALL_BELOW:
        return Scale.SMALL
    return Scale.LARGE if size > LARGE_ABOVE else Scale.MEDIUM


def body_width(inside: BoolArray) -> float:
    """Width of the body in pixels: the middle run of the widest orientation of the garment's rows."""
    rows = inside.sum(axis=1)
    rows = rows[rows > 0]
    return float(max(np.quantile(rows, 0.6), 8.0)) if len(rows) else 8.0


def _cropped(labels: IntArray, mask: BoolArray) -> IntArray:
    ys, xs = np.nonzero(mask)
    box = labels[ys.min() : ys.max() + 1, xs.min() : xs.max() + 1]
    shrink = READING_SIDE / max(box.shape)
    if shrink >= 1:
        return box
    size = (max(1, round(box.shape[1] * shrink)), max(1, round(box.shape[0] * shrink)))
    return cv2.resize(box.astype(np.int16), size, interpolation=cv2.INTER_NEAREST).astype(np.intp)


def _motif_size(labels: IntArray) -> float:
    """Typical run of one colour in pixels: four fifths of twice the area over the length of the borders."""
    inside = labels >= 0
    across = (labels[:, 1:] != labels[:, :-1]) & inside[:, 1:] & inside[:, :-1]
    down = (labels[1:] != labels[:-1]) & inside[1:] & inside[:-1]
    borders = max(int(across.sum() + down.sum()), 1)
    return 1.6 * float(inside.sum()) / borders


def _accent_only(palette: Palette, labels: IntArray) -> float | None:
    """Confidence that all but the first colour are trims, linings or buttons and not a motif."""
    rest = palette.share[1:].sum()
    if rest > 0.30:
        return None
    others = (labels > 0).astype(np.uint8)
    count, _, stats, _ = cv2.connectedComponentsWithStats(others, connectivity=8)
    areas = np.sort(stats[1:, cv2.CC_STAT_AREA])[::-1] if count > 1 else np.array([1])
    if areas[:4].sum() < 0.75 * max(areas.sum(), 1):
        return None
    return 0.75 if rest < 0.15 else 0.6


def _block_share(labels: IntArray, count: int) -> float:
    """Share of the cloth that lies in the largest region of its colour."""
    inside, held = max(int((labels >= 0).sum()), 1), 0
    for index in range(count):
        own = cv2.morphologyEx((labels == index).astype(np.uint8), cv2.MORPH_OPEN, np.ones((3, 3), np.uint8))
        parts, _, stats, _ = cv2.connectedComponentsWithStats(own, connectivity=8)
        if parts > 1:
            held += int(np.sort(stats[1:, cv2.CC_STAT_AREA])[-3:].sum())
    return held / inside


def _painted(labels: IntArray, lab: FloatArray) -> FloatArray:
    """The labels as flat colours around their mean, 0 outside: folds and noise are gone."""
    inside = labels >= 0
    picture = lab[np.maximum(labels, 0)]
    mean = picture[inside].mean(axis=0)
    painted: FloatArray = np.where(inside[..., None], picture - mean, 0.0)
    return painted


def _repeat(labels: IntArray, lab: FloatArray) -> float | None:
    """Shortest distance in pixels at which the pattern meets itself again; None without one."""
    picture, inside = _painted(labels, lab), (labels >= 0).astype(float)
    shape = [2 * n for n in labels.shape]
    spectrum = sum(np.abs(np.fft.rfft2(picture[..., c], shape)) ** 2 for c in range(3))
    overlap = np.fft.irfft2(np.abs(np.fft.rfft2(inside, shape)) ** 2, shape)
    likeness = np.fft.irfft2(spectrum, shape) / np.maximum(overlap, 0.15 * overlap[0, 0])
    likeness = np.fft.fftshift(likeness / max(likeness[0, 0], 1e-9))
    centre = np.array(likeness.shape) // 2
    reach = int(min(labels.shape) * 0.45)
    window = likeness[centre[0] - reach : centre[0] + reach + 1, centre[1] - reach : centre[1] + reach + 1]
    smooth = cv2.GaussianBlur(window.astype(np.float32), (0, 0), 1.0)
    peak = (smooth == cv2.dilate(smooth, np.ones((5, 5), np.uint8))) & (smooth > 0.2)
    ys, xs = np.nonzero(peak)
    distance = np.hypot(ys - reach, xs - reach)
    beyond = distance > max(3.0, 1.2 * _motif_size(labels))
    return float(distance[beyond].min()) if beyond.any() else None


def _directions(labels: IntArray, lab: FloatArray) -> tuple[int, float]:
    """How many directions the borders run in (1 or 2 at right angles), and the share of border that obeys."""
    picture = cv2.GaussianBlur(_painted(labels, lab).astype(np.float32), (0, 0), 1.2)
    inside = cv2.erode((labels >= 0).astype(np.uint8), np.ones((9, 9), np.uint8)) > 0
    across, down = cv2.Sobel(picture, cv2.CV_32F, 1, 0), cv2.Sobel(picture, cv2.CV_32F, 0, 1)
    xx, yy, xy = (across**2).sum(-1)[inside], (down**2).sum(-1)[inside], (across * down).sum(-1)[inside]
    energy = xx + yy
    if energy.sum() <= 0:
        return 1, 0.0
    angle = 0.5 * np.degrees(np.arctan2(2 * xy, xx - yy)) % 180
    histogram, _ = np.histogram(angle, bins=36, range=(0, 180), weights=energy)
    histogram = histogram / histogram.sum()
    near = sum(np.roll(histogram, k) for k in (-2, -1, 0, 1, 2))
    one = float(near.max())
    crossed = near + np.roll(near, 18)
    two = float(crossed.max())
    first = int(crossed.argmax())
    weaker = min(near[first], near[(first + 18) % 36])
    if weaker > 0.18:
        return 2, two
    return 1, one


def _blobs(palette: Palette, labels: IntArray, scale: Scale, size: float, regular: bool) -> Pattern:
    """Dots, animal, floral, geometric or abstract, by the shape and the colours of the motifs."""
    motif = cv2.morphologyEx((labels > 0).astype(np.uint8), cv2.MORPH_OPEN, np.ones((2, 2), np.uint8))
    contours, _ = cv2.findContours(motif, cv2.RETR_EXTERNAL, cv2.CHAIN_APPROX_NONE)
    areas = np.array([cv2.contourArea(c) for c in contours])
    large = [c for c, area in zip(contours, areas, strict=True) if area > 6 and area > 0.3 * np.median(areas)]
    if len(large) >= 6:
        lengths = [max(cv2.arcLength(c, True), 1.0) for c in large]
        roundness = float(
            np.median([4 * np.pi * cv2.contourArea(c) / n**2 for c, n in zip(large, lengths, strict=True)])
        )
        if roundness > 0.75 and palette.share[0] > 0.5:
            return Pattern(PatternType.DOT, scale, min(0.9, roundness), size)
        if regular and roundness > 0.5:
            return Pattern(PatternType.GEOMETRIC, scale, 0.5, size)
    if len(palette.lab) <= 4 and _furlike(palette.lab):
        return Pattern(PatternType.ANIMAL, scale, 0.45, size)
    if len(palette.lab) >= 3 and palette.share[0] > 0.4:
        return Pattern(PatternType.FLORAL, scale, 0.45, size)
    return Pattern(PatternType.GEOMETRIC if regular else PatternType.ABSTRACT, scale, 0.4, size)


def _furlike(lab: FloatArray) -> bool:
    """True when every colour could be a fur: greys, creams, tans, browns and blacks."""
    brown = (chroma(lab) < 12) | ((chroma(lab) < 40) & (lab[:, 2] > abs(lab[:, 1])))
    return bool(brown.all()) and float(np.ptp(lab[:, 0])) > 18
