"""Which of two outlines of the same photo is the garment: judged by where they differ."""

import cv2
import numpy as np

from ..colour.arrays import BoolArray, ByteArray
from .ground import LEAST_SEEN, RUG_COLOURS, beyond, colours_of, nearest_squared, softened
from .outline import edge_size

CLOTH_FROM, GROUND_UNTIL = 11.5, 5.5
"""CIELAB units, lightness counted half, from the ground: a place that only the second outline holds should be farther,
one that only the first holds nearer, for the second to be the better one."""


def second_is_better(srgb: ByteArray, first: BoolArray, second: BoolArray) -> bool:
    """Whether the second of two outlines is the garment rather than the first.

    srgb: (rows, columns, 3). first, second: (rows, columns). The network is as sure of a rug as of a bag on it, so its
    word does not count here: what the second adds must differ from the ground that neither holds, and what it leaves
    out must look like that ground."""
    size = edge_size(first.shape)
    lab = softened(cv2.resize(srgb, size, interpolation=cv2.INTER_AREA))
    one, other = (cv2.resize(m.astype(np.uint8), size, interpolation=cv2.INTER_NEAREST) > 0 for m in (first, second))
    ground = beyond(one | other)
    if ground.sum() < LEAST_SEEN:
        return False
    away = np.sqrt(np.maximum(nearest_squared(lab, colours_of(lab[ground], RUG_COLOURS)), 0.0))
    added, left_out = away[other & ~one], away[one & ~other]
    for_second = len(added) * (np.median(added) - CLOTH_FROM) if len(added) else 0.0
    for_second += len(left_out) * (GROUND_UNTIL - np.median(left_out)) if len(left_out) else 0.0
    return bool(for_second > 0)


def agreement(first: BoolArray, second: BoolArray) -> float:
    """What two outlines share, of all that either holds, 0..1."""
    return float((first & second).sum() / max((first | second).sum(), 1))
