"""Where the garment is in a photo, looked at twice where that is unsure."""

from dataclasses import replace

from lucid_swatch.core.colour.arrays import ByteArray, FloatArray
from lucid_swatch.core.photo.outline import Outline, find_outline
from lucid_swatch.core.photo.second_look import agreement, second_is_better
from lucid_swatch.core.problems import Refused
from lucid_swatch.outside.cut_out import CutOut, seen_with_room

SURE = 0.7
"""Confidence of an outline below which the photo is looked at once more."""
AGREED = 0.9
"""Of what either look found: what both found, from which on one confirms the other."""


def find_garment(srgb: ByteArray, cut_out: CutOut, seen: FloatArray | None = None) -> Outline:
    """The garment in a photo; where its outline is unsure, that of a second look with room around it, if that is better.

    srgb: (rows, columns, 3). seen: (rows, columns), what the cut-out says of it, where it was asked before. Refused when
    nothing stands out."""
    first = find_outline(srgb, cut_out(srgb) if seen is None else seen)
    if first.confidence >= SURE:
        return first
    try:
        second = find_outline(srgb, seen_with_room(cut_out, srgb))
    except Refused:
        return first
    better = second if second_is_better(srgb, first.mask, second.mask) else first
    if agreement(first.mask, second.mask) < AGREED:
        return better
    return replace(better, confidence=max(first.confidence, second.confidence))
