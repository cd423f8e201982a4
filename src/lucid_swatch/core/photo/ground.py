"""What of an outline is the ground: a rug's motifs, what shows through a handle; and what only seems to be."""

import cv2
import numpy as np

from ..colour.arrays import BoolArray, ByteArray, FloatArray

RUG_COLOURS, COLOURS_APART = 8, 15.0
"""Groups of colour that are looked for in a ground, and CIELAB units, lightness counted half, between two that are two."""
LEAST_SEEN = 200
"""Pixels of ground that it takes to know its colours."""
PATTERNED_FROM = 4
"""Colours of a ground from which it is patterned."""
REACH = 0.05
"""Of the long side: how wide a motif in a colour of the rug may be on a garment that has others too."""
RIM = 9
"""Pixels: the edge of the piece, both sides of it."""
OWN_SHARE = 0.35
"""Of what was found: cloth in colours that the rug has not, at least, for the rest to be judged by it."""


def softened(srgb: ByteArray) -> FloatArray:
    """CIELAB with lightness counted half and without the noise, in which the ground is told. (rows, columns, 3)."""
    lab = cv2.cvtColor(srgb.astype(np.float32) / 255, cv2.COLOR_RGB2LAB) * np.array([0.5, 1, 1], np.float32)
    return cv2.GaussianBlur(lab, (0, 0), 1.5)


def without_rug(lab: FloatArray, mask: BoolArray) -> BoolArray:
    """The mask without the motifs of a patterned ground that were taken for part of the piece.

    lab: (rows, columns, 3), softened. Only where the ground has several colours and the piece has mostly others: then what is in a
    colour of the ground belongs to the piece as far as the piece's own colours surround it."""
    reach = 2 * round(REACH * max(mask.shape) / 2) + 1
    ground = ~(cv2.dilate(mask.astype(np.uint8), np.ones((reach, reach), np.uint8)) > 0)
    if ground.sum() < LEAST_SEEN or not mask.any():
        return mask
    colours = colours_of(lab[ground], RUG_COLOURS)
    apart = np.linalg.norm(colours[:, None] - colours[None], axis=-1) > COLOURS_APART
    if _different(apart) < PATTERNED_FROM:
        return mask
    own = (mask & (nearest_squared(lab, colours) > HOLE_DIFFERENCE**2)).astype(np.uint8)
    own = cv2.morphologyEx(own, cv2.MORPH_OPEN, np.ones((3, 3), np.uint8))
    if own.sum() < OWN_SHARE * mask.sum():
        return mask
    around = cv2.morphologyEx(own, cv2.MORPH_CLOSE, cv2.getStructuringElement(cv2.MORPH_ELLIPSE, (reach, reach)))
    # the edge is mixed with the ground and looks like neither
    kept: BoolArray = mask & (cv2.dilate(_filled(around > 0).astype(np.uint8), np.ones((RIM, RIM), np.uint8)) > 0)
    return kept


def _different(apart: BoolArray) -> int:
    """How many colours of a few are different from each other, counted from the first. apart: (n, n)."""
    chosen: list[int] = []
    for k in range(len(apart)):
        if apart[k, chosen].all():
            chosen.append(k)
    return len(chosen)


def beyond(mask: BoolArray) -> BoolArray:
    """What lies surely outside a piece and the shade at its edge. (rows, columns)."""
    return ~(cv2.dilate(mask.astype(np.uint8), np.ones((15, 15), np.uint8)) > 0)


def colours_of(lab: FloatArray, count: int) -> FloatArray:
    """The few colours of at least LEAST_SEEN pixels. (n, 3) to (count, 3)."""
    cv2.setRNGSeed(7)
    criteria = (cv2.TERM_CRITERIA_EPS + cv2.TERM_CRITERIA_MAX_ITER, 15, 0.5)
    _, _, centres = cv2.kmeans(np.ascontiguousarray(lab[::5]), count, None, criteria, 1, cv2.KMEANS_PP_CENTERS)
    return centres


def nearest_squared(lab: FloatArray, colours: FloatArray) -> FloatArray:
    """The square of the distance to the nearest colour. (rows, columns, 3) and (n, 3) to (rows, columns)."""
    # the square of a pixel is the same for every colour and is added last; slices are added sooner than rows are summed
    far = (colours**2).sum(axis=-1) - 2 * (lab @ colours.T)
    nearest = far[..., 0]
    for k in range(1, len(colours)):
        nearest = np.minimum(nearest, far[..., k])
    away: FloatArray = nearest + lab[..., 0] ** 2 + lab[..., 1] ** 2 + lab[..., 2] ** 2
    return away


LINING_DIFFERENCE = 16.0
"""CIELAB units, lightness counted half, from the ground and its shadows: what lies inside a piece and differs by more is
part of it."""


def with_linings(lab: FloatArray, mask: BoolArray) -> BoolArray:
    """The mask with what it surrounds and what is not the ground seen through it: the sole of a shoe, the lining of a bag.

    lab: (rows, columns, 3), softened."""
    filled = _filled(mask)
    inside = filled & ~mask
    if not inside.any():
        return mask
    ground = beyond(filled)
    if ground.sum() < LEAST_SEEN:
        return mask
    away = nearest_squared(lab, colours_of(lab[ground], RUG_COLOURS))
    count, labels = cv2.connectedComponents(inside.astype(np.uint8), connectivity=4)
    inner = [k for k in range(1, count) if np.median(away[labels == k]) > LINING_DIFFERENCE**2]
    return mask | np.isin(labels, inner)


HOLE_SHARE = 0.04
"""Of the piece: smaller places that look like the ground may be motifs in its colour."""
SHUT = 0.02
"""Of the edge of a hole, what may come near the outer edge where a handle is thin."""
NARROW_END = 0.16
"""Of the edge of a gap between two legs: what lies open, at most."""
LARGEST_GAP = 0.25
"""Of the piece."""
GAP_DIFFERENCE = 5.5
"""CIELAB units, lightness counted half, from the ground for the middle of a place to be the ground seen through."""
SAME_GROUND, STRUNG = 3.0, 0.72
"""CIELAB units, lightness counted half, within which a place is the ground; and how much of what is found it then is."""
COMMON = 0.25
"""Of the rest of the piece."""
HOLE_DIFFERENCE = 9.0
"""CIELAB units, lightness counted half, within which a place looks like the ground."""


def open_holes(lab: FloatArray, mask: BoolArray) -> BoolArray:
    """The mask without what shows through it: inside a belt, a handle or a necklace lies the ground.

    lab: (rows, columns, 3), softened. A place counts when it looks like the ground, hardly reaches the outer edge, and has a
    colour that is rare on the piece: a white shirt on a white wall reaches it everywhere and stays, and so does the pale
    ground of its print."""
    ground = beyond(mask)
    if ground.sum() < LEAST_SEEN:
        return mask
    away = nearest_squared(lab, _main(colours_of(lab[ground], 4), lab[ground]))
    alike = (mask & (away < HOLE_DIFFERENCE**2)).astype(np.uint8)
    alike = cv2.morphologyEx(alike, cv2.MORPH_OPEN, np.ones((3, 3), np.uint8))
    filled = _filled(mask)
    rim = filled & ~(cv2.erode(filled.astype(np.uint8), np.ones((5, 5), np.uint8), borderValue=0) > 0)
    count, labels, stats, _ = cv2.connectedComponentsWithStats(alike, connectivity=4)
    large = [k for k in range(1, count) if stats[k, cv2.CC_STAT_AREA] > HOLE_SHARE * filled.sum()]
    rest = lab[mask & ~np.isin(labels, large)]
    holes = np.zeros(mask.shape, dtype=bool)
    for k in large:
        place = labels == k
        off = float(np.median(away[place]))
        strung = off < SAME_GROUND**2 and _inside_a_string(place, rim, filled)
        gap = off < GAP_DIFFERENCE**2 and _is_gap(place, rim, filled)
        if (strung or gap) and not _common(np.median(lab[place], axis=0), rest):
            # between the beads lies more of the ground than hangs together
            holes |= (mask & (away < HOLE_DIFFERENCE**2)) if strung else place
    hole = cv2.dilate(holes.astype(np.uint8), np.ones((3, 3), np.uint8)) > 0
    opened: BoolArray = mask & ~hole
    return opened if opened.sum() > 0.02 * mask.sum() else mask


def _main(colours: FloatArray, lab: FloatArray) -> FloatArray:
    """The colours without those of small things that lie about, such as a card."""
    some = lab[::5]
    nearest = np.argmin(np.linalg.norm(some[:, None] - colours, axis=-1), axis=1)
    return colours[np.bincount(nearest, minlength=len(colours)) >= LEAST_GROUND * len(some)]


LEAST_GROUND = 0.05
"""Of the ground, below which a colour is that of something else."""


def _common(colour: FloatArray, lab: FloatArray) -> bool:
    """Whether a colour is also that of much of the piece: then it is cloth, however it looks like the ground."""
    return bool(len(lab) and (nearest_squared(lab, colour[None]) < HOLE_DIFFERENCE**2).mean() > COMMON)


def _inside_a_string(place: BoolArray, rim: BoolArray, filled: BoolArray) -> bool:
    """Whether a place is most of what was found and is seen between the beads of a string that lies round it."""
    return _open(place, rim) < NARROW_END and float(place.sum()) > STRUNG * float(filled.sum())


def _open(place: BoolArray, rim: BoolArray) -> float:
    """How much of the edge of a place lies on the outer edge, 0..1."""
    edge = _edge(place)
    return float((edge & rim).sum() / max(edge.sum(), 1))


def _edge(place: BoolArray) -> BoolArray:
    return place & ~(cv2.erode(place.astype(np.uint8), np.ones((3, 3), np.uint8), borderValue=0) > 0)


def _is_gap(place: BoolArray, rim: BoolArray, filled: BoolArray) -> bool:
    """Whether a place that looks like the ground is shut in, or open at one narrow end as the gap between two legs."""
    touching = _open(place, rim)
    if touching <= SHUT:
        return True
    if touching > NARROW_END or float(place.sum()) > LARGEST_GAP * float(filled.sum()):
        return False
    # a stripe in the colour of the ground runs from edge to edge: it has two ends
    ends = cv2.dilate((_edge(place) & rim).astype(np.uint8), np.ones((5, 5), np.uint8))
    return cv2.connectedComponents(ends, connectivity=8)[0] == 2


def _filled(mask: BoolArray) -> BoolArray:
    contours, _ = cv2.findContours(mask.astype(np.uint8), cv2.RETR_EXTERNAL, cv2.CHAIN_APPROX_NONE)
    canvas = np.zeros(mask.shape, np.uint8)
    cv2.drawContours(canvas, contours, -1, 1, cv2.FILLED)
    return canvas > 0
