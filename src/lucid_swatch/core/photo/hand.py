"""A hand that holds a piece up: what comes in from the edge of the photo in the colour of skin and ends on the piece."""

import cv2
import numpy as np

from ..colour.arrays import BoolArray, ByteArray, FloatArray
from .ground import colours_of, nearest_squared

RING = 3
"""Pixels: how far inside the edge of the photo it is looked for arms."""
TINTS = 6
"""Groups of colour that are tried as skin."""
LEAST_RED, MOST_RED, LEAST_BLUE, MOST_BLUE = 0.12, 1.5, -2.2, -0.1
"""Natural logarithms of red and blue to green between which skin is seen in any usual light."""
GAMMA = 2.2
LIGHTNESS_WEIGHT = 0.3
"""How much lightness counts: an arm is round and shades itself."""
SAME_SKIN = 8.0
"""CIELAB units, lightness counted less."""
LEAST_AREA, MOST_AREA = 0.004, 0.12
"""Of the photo."""
WIDEST = 0.075
"""Half the width of an arm, of the long side of the photo."""
MOST_OF_EDGE = 0.3
"""Of the long side of the photo: how wide an arm enters it."""
OWN_COLOUR = 0.15
"""Of the rest of the piece, above which the colour is the piece's own."""
LEAST_HELD = 0.002
"""Of what was found, below which a hand holds nothing."""
REACHES = 4
"""Pixels round the outline within which an arm ends on the piece."""


def without_hand(srgb: ByteArray, mask: BoolArray) -> BoolArray:
    """The mask without a hand and its arm, where they are found.

    srgb: (rows, columns, 3), small. mask: (rows, columns). An arm is told by its way as much as by its colour: it comes
    in over one edge of the photo, no wider than an arm, and ends on a piece that has hardly that colour itself."""
    if not mask.any():
        return mask
    picture = cv2.GaussianBlur(srgb, (0, 0), 1.0).astype(np.float32) / 255
    skin = _skin_coloured(picture)
    ring = _ring(mask.shape)
    seen = skin & ring
    if seen.sum() < 4 * TINTS:
        return mask
    lab = cv2.cvtColor(picture, cv2.COLOR_RGB2LAB) * np.array([LIGHTNESS_WEIGHT, 1, 1], np.float32)
    reach = cv2.dilate(mask.astype(np.uint8), np.ones((2 * REACHES + 1,) * 2, np.uint8)) > 0
    tints = colours_of(lab[seen], min(TINTS, int(seen.sum()) // 20))
    alike = [skin & (nearest_squared(lab, tint[None]) < SAME_SKIN**2) for tint in tints]
    hand = np.zeros_like(mask)
    for one in alike:
        hand |= _arms(one, one, ring, reach, mask)
    if not hand.any() and (seen & mask).any():
        # on wood in the colour of skin the outline alone tells where the arm ends
        for one in alike:
            hand |= _arms(one & mask, one, ring, reach, mask)
    if (hand & mask).sum() < LEAST_HELD * mask.sum():
        return mask
    left: BoolArray = mask & ~_closed(hand)
    return left


def _arms(places: BoolArray, alike: BoolArray, ring: BoolArray, reach: BoolArray, mask: BoolArray) -> BoolArray:
    """What is an arm among places of one colour. alike: all of that colour. Each (rows, columns)."""
    own = cv2.morphologyEx(places.astype(np.uint8), cv2.MORPH_OPEN, np.ones((3, 3), np.uint8))
    labels, stats = cv2.connectedComponentsWithStats(own, connectivity=4)[1:3]
    areas = stats[:, cv2.CC_STAT_AREA]
    arms = np.zeros_like(mask)
    for k in 1 + np.flatnonzero((areas[1:] > LEAST_AREA * own.size) & (areas[1:] < MOST_AREA * own.size)):
        arm = labels == k
        if _is_arm(arm, ring, reach) and _is_foreign(arm, alike, mask):
            arms |= arm
    return arms


def _skin_coloured(picture: FloatArray) -> BoolArray:
    """Where a colour can be skin. picture: (rows, columns, 3), encoded, 0..1."""
    level = GAMMA * np.log(np.maximum(picture, 0.02))
    red, blue = level[..., 0] - level[..., 1], level[..., 2] - level[..., 1]
    return (red > LEAST_RED) & (red < MOST_RED) & (blue > LEAST_BLUE) & (blue < MOST_BLUE)


def _ring(shape: tuple[int, ...]) -> BoolArray:
    ring = np.ones(shape, dtype=bool)
    ring[RING:-RING, RING:-RING] = False
    return ring


def _is_arm(place: BoolArray, ring: BoolArray, reach: BoolArray) -> bool:
    """Whether a place is no wider than an arm, comes in over one edge and reaches the piece."""
    side = max(place.shape)
    if not (place & ring).any() or not (place & reach).any():
        return False
    entry = (place & ring).astype(np.uint8)
    count, _, stats, _ = cv2.connectedComponentsWithStats(entry, connectivity=8)
    runs = stats[1:count, [cv2.CC_STAT_WIDTH, cv2.CC_STAT_HEIGHT]].max(axis=1)
    if (runs > 2 * RING).sum() != 1 or runs.max() > MOST_OF_EDGE * side:
        return False
    padded = np.pad(place.astype(np.uint8), 1, mode="edge")
    return bool(cv2.distanceTransform(padded, cv2.DIST_L2, 3).max() < WIDEST * side)


def _is_foreign(place: BoolArray, alike: BoolArray, mask: BoolArray) -> bool:
    """Whether the rest of the piece has hardly the colour of a place, and is more than a rest."""
    rest = mask & ~place
    return bool(rest.sum() > 0.5 * mask.sum() and (alike & rest).sum() < OWN_COLOUR * rest.sum())


def _closed(hand: BoolArray) -> BoolArray:
    """A hand with the shade between its fingers and its soft edge."""
    closed = cv2.morphologyEx(hand.astype(np.uint8), cv2.MORPH_CLOSE, np.ones((5, 5), np.uint8))
    return cv2.dilate(closed, np.ones((3, 3), np.uint8)) > 0
