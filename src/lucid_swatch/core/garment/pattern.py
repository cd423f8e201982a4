"""The pattern of a cloth, read from where its colours lie and not from how many there are."""

from dataclasses import dataclass, replace
from typing import cast

import cv2
import numpy as np

from ..beside import beside
from ..colour.arrays import BoolArray, FloatArray, LabelArray
from ..colour.difference import delta_e_2000
from ..colour.spaces import chroma
from .motifs import Borders, Lattice, Motifs, motif_spacing, read_borders, read_lattice, read_likeness, read_motifs
from .palette import Palette, run_length
from .vocabulary import PatternType, Scale

SMALL_BELOW = 0.05
LARGE_ABOVE = 0.15
READING_SIDE = 640


@dataclass(frozen=True, slots=True)
class Pattern:
    """A pattern as read."""

    type: PatternType
    scale: Scale | None
    confidence: float
    repeat: float | None = None
    """Repeat or motif against the width of the body, where one was found."""
    blended: bool = False
    """Whether all its colours are yarns of one marl."""


def read_pattern(palette: Palette, mask: BoolArray, yarns: float = 0.0) -> Pattern:
    """The pattern of the cloth.

    palette: with its picture of labels. mask: (rows, columns). yarns: how much the colour changes from thread to
    thread, as surface.yarn_chroma gives it. Never fails: what fits nothing is abstract."""
    plain = Pattern(PatternType.SOLID, None, 0.9)
    if yarns > MARL_YARNS:
        plain = Pattern(PatternType.MARL, Scale.SMALL, min(0.9, 0.5 + 0.1 * (yarns - MARL_YARNS)))
    if len(palette.lab) == 1:
        return plain
    labels = _cropped(palette.labels, mask)
    likeness = beside(lambda: read_likeness(labels, palette.lab))
    width = body_width(labels >= 0)
    run = run_length(labels)
    borders = read_borders(labels, palette.lab)
    banded = borders.directions == 1 and borders.share > 0.5
    lattice = read_lattice(likeness(), run, banded)
    if run / width < THREADS and len(palette.lab) <= 3 and lattice is None and borders.share < 0.45:
        close = float(delta_e_2000(palette.lab[0], palette.lab[1]))
        return Pattern(PatternType.MARL, Scale.SMALL, 0.85 if close < 45 else 0.6, blended=True)
    trimmed = _accent_only(palette, labels)
    if trimmed is not None:
        return replace(plain, confidence=min(plain.confidence, trimmed))
    if run / width > 0.22 and _block_share(labels, len(palette.lab)) > 0.85:
        return Pattern(PatternType.COLOUR_BLOCK, Scale.LARGE, 0.75)
    return _printed(palette, labels, width, lattice, borders)


MARL_YARNS = 2.2
"""CIELAB units of fine change in a* and b* beyond which a plain cloth is a marl; straw and satin stay below."""
THREADS = 0.013
"""Run of one colour against the width of the body below which two colours are yarns and not a print."""
MANY_MOTIFS = 12.0
"""Runs in a repeat beyond which it is the repeat of the whole drawing and not of a motif."""


def _printed(palette: Palette, labels: LabelArray, width: float, lattice: Lattice | None, borders: Borders) -> Pattern:
    """Stripe, check, dot, geometric, floral, animal or abstract."""
    coarse = run_length(labels)
    regular = lattice if lattice is not None and lattice.distance < MANY_MOTIFS * coarse else None
    size = (regular.distance if regular else motif_spacing(labels, palette.lab)) / width
    scale = scale_of(size)
    if borders.share > 0.5 and borders.directions == 1:
        return Pattern(PatternType.STRIPE, scale, min(0.95, 0.5 + borders.share / 2), size)
    if regular is not None and _bands_run_through(regular.ridge, borders.share):
        return Pattern(PatternType.CHECK, scale, min(0.9, 0.45 + borders.share / 2), size)
    motifs = read_motifs(labels, coarse)
    straight = borders.share > (0.52 if motifs.isolated and motifs.round else 0.43)
    if borders.directions == 2 and straight:
        woven = regular is None and borders.share > 0.6
        kind = PatternType.CHECK if woven else PatternType.GEOMETRIC
        return Pattern(kind, scale, 0.55 if woven else 0.65, size)
    kind, confidence = _kind_of_motif(palette, labels, motifs, regular is not None)
    if kind is PatternType.DOT:
        size = motifs.spacing / width
        scale = scale_of(size)
    return Pattern(kind, scale, confidence, size)


def _bands_run_through(ridge: float, share: float) -> bool:
    """Whether two sets of bands cross, as in a check: likeness along the whole way from one repeat to the next, and
    borders that keep to two directions, either of them clearly."""
    return (ridge > 0.06 and share > 0.5) or (ridge > -0.08 and share > 0.58) or share > 0.62


def _kind_of_motif(palette: Palette, labels: LabelArray, motifs: Motifs, regular: bool) -> tuple[PatternType, float]:
    colours = int((palette.share > 0.08).sum())
    if motifs.isolated:
        if motifs.round:
            return PatternType.DOT, min(0.9, motifs.roundness + 0.05)
        if motifs.solidity > 0.8 and colours <= 3:
            # compact blotches of much the same size: the rosettes of a cat
            return (PatternType.ANIMAL, 0.6) if not regular else (PatternType.GEOMETRIC, 0.5)
        return PatternType.FLORAL, 0.6
    if colours == 2 and motifs.solidity < 0.8:
        return PatternType.ANIMAL, 0.55
    if regular:
        return PatternType.GEOMETRIC, 0.55
    if palette.share[0] > 0.4 and _on_ground(labels, len(palette.lab)) > 0.6:
        return PatternType.FLORAL, 0.45
    if colours <= 3 and _furlike(palette.lab):
        return PatternType.ANIMAL, 0.45
    return PatternType.ABSTRACT, 0.55


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


def _cropped(labels: LabelArray, mask: BoolArray) -> LabelArray:
    ys, xs = np.flatnonzero(mask.any(axis=1)), np.flatnonzero(mask.any(axis=0))
    box = labels[ys[0] : ys[-1] + 1, xs[0] : xs[-1] + 1]
    shrink = READING_SIDE / max(box.shape)
    if shrink >= 1:
        return box
    size = (max(1, round(box.shape[1] * shrink)), max(1, round(box.shape[0] * shrink)))
    return cast(LabelArray, cv2.resize(box, size, interpolation=cv2.INTER_NEAREST))


def _accent_only(palette: Palette, labels: LabelArray) -> float | None:
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


def _block_share(labels: LabelArray, count: int) -> float:
    """Share of the cloth that lies in the largest region of its colour."""
    inside, held = max(int((labels >= 0).sum()), 1), 0
    for index in range(count):
        own = cv2.morphologyEx((labels == index).astype(np.uint8), cv2.MORPH_OPEN, np.ones((3, 3), np.uint8))
        parts, _, stats, _ = cv2.connectedComponentsWithStats(own, connectivity=8)
        if parts > 1:
            held += int(np.sort(stats[1:, cv2.CC_STAT_AREA])[-3:].sum())
    return held / inside


def _on_ground(labels: LabelArray, count: int) -> float:
    """Share of their borders that the other colours have with the first. labels: (rows, columns)."""
    touching = np.zeros((count, count))
    for one, other in ((labels[:, 1:], labels[:, :-1]), (labels[1:], labels[:-1])):
        meet = (one != other) & (one >= 0) & (other >= 0)
        np.add.at(touching, (one[meet], other[meet]), 1)
    both = touching + touching.T
    return float(both[1:, 0].sum() / max(both[1:].sum(), 1))


def _furlike(lab: FloatArray) -> bool:
    """True when every colour could be a fur: greys, creams, tans, browns and blacks."""
    brown = (chroma(lab) < 12) | ((chroma(lab) < 40) & (lab[:, 2] > abs(lab[:, 1])))
    return bool(brown.all()) and float(np.ptp(lab[:, 0])) > 18
