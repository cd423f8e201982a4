"""A paper tag or a sewn-in label on a piece: one light rectangle with cloth all round it."""

import cv2
import numpy as np

from ..colour.arrays import BoolArray, ByteArray, FloatArray

LIGHT, GREY = (62.0, 72.0, 82.0, 90.0, 94.0), 26.0
"""CIELAB lightness from which a place can be paper, tried in turn, as the cloth round it may be light too; and chroma up
to which, before any light is corrected."""
STANDS_OUT = 14.0
"""CIELAB units between a tag and what lies round it, at least."""
EVEN = 4.0
"""CIELAB lightness between the darker and the brighter part of it, the writing left out: metal shines unevenly."""
LEAST_AREA, MOST_AREA = 0.003, 0.06
"""Of the piece."""
FILLED, LONGEST = 0.84, 3.2
"""Part of the smallest rectangle round it that it fills, and how often the rectangle's width goes into its length."""
WRITING = 5
"""Pixels that lines of writing are wide, at most."""
WHOLE = 0.88
"""Of what differs from the cloth there: what is even itself."""
OTHERS = 0.35
"""Of its area: as much of its colour elsewhere inside the piece makes it a motif."""


def without_tag(srgb: ByteArray, mask: BoolArray) -> BoolArray:
    """The mask without a tag or label, where one is found.

    srgb: (rows, columns, 3), small. mask: (rows, columns). Cuffs, collars and hems lie at the edge and stay; so does
    what comes more than once, as motifs and buttons do."""
    if not mask.any():
        return mask
    lab = cv2.cvtColor(srgb.astype(np.float32) / 255, cv2.COLOR_RGB2LAB)
    pale = mask & (np.hypot(lab[..., 1], lab[..., 2]) < GREY)
    for light in LIGHT:
        place = _tag(lab, mask, pale & (lab[..., 0] > light))
        if place is not None:
            edge = cv2.dilate(_rectangle(place), np.ones((5, 5), np.uint8)) > 0
            return mask & ~edge
    return mask


def _tag(lab: FloatArray, mask: BoolArray, paper: BoolArray) -> BoolArray | None:
    """The place of a tag among those that can be paper; None without one. mask: the piece."""
    whole = cv2.morphologyEx(paper.astype(np.uint8), cv2.MORPH_OPEN, np.ones((3, 3), np.uint8))
    whole = cv2.morphologyEx(whole, cv2.MORPH_CLOSE, np.ones((WRITING, WRITING), np.uint8))
    count, labels, stats, _ = cv2.connectedComponentsWithStats(whole, connectivity=4)
    area = int(mask.sum())
    sizes = stats[1:count, cv2.CC_STAT_AREA]
    for k in 1 + np.flatnonzero((sizes > LEAST_AREA * area) & (sizes < MOST_AREA * area)):
        place = labels == k
        if sizes.sum() - sizes[k - 1] < OTHERS * sizes[k - 1] and _is_paper(lab, place) and _lies_on(lab, place, mask):
            return place
    return None


def _corners(place: BoolArray) -> tuple[FloatArray, tuple[float, float]]:
    """The corners, (4, 2), and the two sides of the smallest rectangle round a place."""
    outline = max(cv2.findContours(place.astype(np.uint8), cv2.RETR_EXTERNAL, cv2.CHAIN_APPROX_NONE)[0], key=len)
    rectangle = cv2.minAreaRect(outline)
    return cv2.boxPoints(rectangle), (rectangle[1][0] + 1, rectangle[1][1] + 1)


def _rectangle(place: BoolArray) -> ByteArray:
    """A place with its writing, as the rectangle it is."""
    canvas = np.zeros(place.shape, np.uint8)
    return cv2.fillPoly(canvas, [np.rint(_corners(place)[0]).astype(np.int32)], 1)


def _is_paper(lab: FloatArray, place: BoolArray) -> bool:
    """Whether a place is an even rectangle."""
    _, (one, other) = _corners(place)
    if place.sum() < FILLED * one * other or max(one, other) > LONGEST * min(one, other):
        return False
    inner = cv2.erode(place.astype(np.uint8), np.ones((3, 3), np.uint8)) > 0
    dark, bright = np.quantile(lab[inner if inner.any() else place][:, 0], [0.25, 0.85])
    return bool(bright - dark < EVEN)


def _lies_on(lab: FloatArray, place: BoolArray, mask: BoolArray) -> bool:
    """Whether cloth of another colour is all round a place, sharply."""
    near = cv2.dilate(place.astype(np.uint8), np.ones((5, 5), np.uint8)) > 0
    around = (cv2.dilate(place.astype(np.uint8), np.ones((11, 11), np.uint8)) > 0) & ~near
    if not mask[near].all() or mask[around].mean() < 0.98:
        return False
    off = np.linalg.norm(lab[around] - np.median(lab[place], axis=0), axis=1)
    if np.quantile(off, 0.1) < STANDS_OUT:
        return False
    # the bright side of a clasp is even too, but goes on into its dark side
    thing = near & (np.linalg.norm(lab - np.median(lab[around], axis=0), axis=-1) > STANDS_OUT)
    own = cv2.dilate(place.astype(np.uint8), np.ones((3, 3), np.uint8)) > 0
    return bool(np.count_nonzero(thing & own) > WHOLE * np.count_nonzero(thing))
