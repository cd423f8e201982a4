"""Where the garment is in a photo, looked at twice where that is unsure."""

from lucid_swatch.core.colour.arrays import ByteArray
from lucid_swatch.core.photo.outline import Outline, find_outline
from lucid_swatch.core.problems import Refused
from lucid_swatch.outside.cut_out import CutOut, seen_with_room

SURE = 0.7
"""Confidence of an outline below which the photo is looked at once more."""


def find_garment(srgb: ByteArray, cut_out: CutOut) -> Outline:
    """The garment in a photo; where its outline is unsure, that of a second look with room around it, if that is surer.

    srgb: (rows, columns, 3). Refused when nothing stands out."""
    first = find_outline(srgb, cut_out(srgb))
    if first.confidence >= SURE:
        return first
    try:
        second = find_outline(srgb, seen_with_room(cut_out, srgb))
    except Refused:
        return first
    return second if second.confidence > first.confidence else first
