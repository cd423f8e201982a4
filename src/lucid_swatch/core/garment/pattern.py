"""The pattern of a cloth, read from where its colours lie and not from how many there are."""

from dataclasses import dataclass

from ..colour.arrays import FloatArray, LabelArray
from .closely import read_closely
from .motifs import Likeness, motif_distance, motif_spacing, read_likeness, read_repeat
from .palette import Palette, run_length
from .pattern_kinds import likeliest_kind
from .print_measures import print_measures
from .vocabulary import PatternType, Scale

SMALL_BELOW = 0.05
LARGE_ABOVE = 0.15


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


def read_pattern(palette: Palette, yarns: float = 0.0) -> Pattern:
    """The pattern of the cloth.

    palette: with its picture of labels. yarns: how much the colour changes from thread to thread, as
    surface.yarn_chroma gives it. Never fails: what is like nothing gets a low confidence."""
    if len(palette.lab) == 1:
        return _plain(yarns)
    labels, width = read_closely(palette.labels)
    cloth = labels[labels >= 0]
    if cloth.min() == cloth.max():
        # the other colours are a few pixels, or lie far from the middle
        return _plain(yarns)
    likeness = read_likeness(labels, palette.lab)
    measures = print_measures(labels, palette.lab, palette.share, width, yarns, likeness)
    kind, chance = likeliest_kind(measures)
    if kind is PatternType.SOLID:
        return Pattern(kind, None, chance)
    run = run_length(labels)
    if kind is PatternType.MARL:
        return Pattern(kind, Scale.SMALL, chance, blended=run < THREADS * width)
    size = _size(labels, palette.lab, likeness, run, kind)
    return Pattern(kind, scale_of(size / width), chance, size / width)


MARL_YARNS = 2.2
"""CIELAB units of fine change in a* and b* beyond which a cloth of one colour is a marl; straw and satin stay below."""
THREADS = 0.04
"""Run of one colour against the width of the body below which the colours of a marl are yarns and not trims."""
MANY_MOTIFS = 12.0
"""Runs in a repeat beyond which it is the repeat of the whole drawing and not of a motif."""


def _plain(yarns: float) -> Pattern:
    if yarns > MARL_YARNS:
        return Pattern(PatternType.MARL, Scale.SMALL, min(0.9, 0.5 + 0.1 * (yarns - MARL_YARNS)))
    return Pattern(PatternType.SOLID, None, 0.9)


def _size(labels: LabelArray, lab: FloatArray, likeness: Likeness, run: float, kind: PatternType) -> float:
    """Pixels from one motif to the next."""
    if kind is PatternType.DOT:
        return motif_distance(labels, run)
    repeat = read_repeat(likeness, run, kind is PatternType.STRIPE)
    return repeat if repeat is not None and repeat < MANY_MOTIFS * run else motif_spacing(labels, lab)


def scale_of(size: float) -> Scale:
    """Small, medium or large of a repeat against the width of the body."""
    if size < SMALL_BELOW:
        return Scale.SMALL
    return Scale.LARGE if size > LARGE_ABOVE else Scale.MEDIUM
