"""A sheet of paper or a grey card that lies in a photo, found without being tapped."""

from dataclasses import dataclass, replace

import cv2
import numpy as np

from ..colour.arrays import BoolArray, ByteArray, FloatArray
from ..colour.spaces import decode_srgb
from .light import across_lamps

SIDE = 512
"""Pixels of the long side of the picture on which sheets are looked for."""
STEPS = (0.012, 0.02, 0.032, 0.05, 0.08)
"""Change from a pixel to its neighbour, of the scale, up to which a place is flat; a pale wall and a dark rug differ."""
LEAST, MOST = 0.003, 0.10
"""Of the picture."""
DARKEST = 0.06
"""Linear light of the largest channel below which nothing is a reference."""
MOST_LIKE = 0.35
"""Of the outline: a place that is most of the piece is the piece."""
ALIKE = 3
"""Places of one size and colour from which they are a pattern."""


@dataclass(frozen=True, slots=True, eq=False)
class Sheet:
    """A flat, even, four-cornered place that has the colour some lamp makes of white."""

    corners: FloatArray
    """(4, 2), x and y in fractions from the top left corner, in order round it."""
    colour: FloatArray
    """(3,), linear sRGB as shot."""
    sure: bool
    """Whether it is believed without being asked about."""

    @property
    def middle(self) -> FloatArray:
        """(2,), x and y in fractions."""
        middle: FloatArray = self.corners.mean(axis=0)
        return middle

    def region(self, shape: tuple[int, ...]) -> BoolArray:
        """(rows, columns), where it lies, with a little rim. shape: rows and columns of the photo."""
        canvas = np.zeros(shape[:2], np.uint8)
        size = np.array([shape[1], shape[0]])
        grown = self.middle + (self.corners - self.middle) * RIM
        cv2.fillPoly(canvas, [np.rint(grown * size).astype(np.int32)], 1)
        return canvas > 0


RIM = 1.12


@dataclass(frozen=True, slots=True, eq=False)
class _Scene:
    """A photo as sheets are looked for in it."""

    srgb: ByteArray
    lab: FloatArray
    cloth: BoolArray
    ground: FloatArray
    """(n, 3), CIELAB of what is not cloth, some of it."""


@dataclass(frozen=True, slots=True, eq=False)
class _Place:
    """A flat place with about four corners, in pixels of the scene."""

    corners: FloatArray
    share: float
    convex: float
    """Of its convex hull."""
    right: float
    """The hull, of the rectangle round it."""
    long: float
    """Times as long as wide."""


def find_sheets(srgb: ByteArray, mask: BoolArray) -> list[Sheet]:
    """Paper and cards in a photo, the surest first.

    srgb: (rows, columns, 3). mask: (rows, columns), the garment, which may hold a sheet by mistake. A flat place counts that
    has four corners, an edge all round, a colour that a lamp makes of white, and ground about it. What shows through a handle
    is ground too; what comes three times is a pattern; what is less regular is found but is not sure."""
    scene = _scene(srgb, mask)
    found: list[tuple[float, Sheet, float]] = []
    for place in _flat_places(scene.srgb):
        seen = _judged(place, scene, mask)
        if seen is not None:
            found.append((place.convex + place.right, seen, place.share))
    found.sort(key=lambda one: -one[0])
    apart: list[tuple[Sheet, float]] = []
    for _, sheet, share in found:
        if all(np.abs(sheet.middle - other.middle).max() > SAME_PLACE for other, _ in apart):
            apart.append((sheet, share))
    single = [sheet for sheet, share in apart if _like(sheet, share, apart) < ALIKE]
    return sorted(single, key=lambda sheet: not sheet.sure)


SAME_PLACE = 0.04
"""Of the picture, between the middles of two places that are two."""


def _like(sheet: Sheet, share: float, others: list[tuple[Sheet, float]]) -> int:
    """How many places are of about the same size and light, it among them."""
    level = np.log(sheet.colour.max())
    return sum(
        abs(np.log(other.colour.max()) - level) < 0.25 and 0.6 < share_of / share < 1.6 for other, share_of in others
    )


def _scene(srgb: ByteArray, mask: BoolArray) -> _Scene:
    scale = min(1.0, SIDE / max(srgb.shape[:2]))
    small = cv2.resize(srgb, None, fx=scale, fy=scale, interpolation=cv2.INTER_AREA) if scale < 1 else srgb
    rows, columns = small.shape[:2]
    cloth = cv2.resize(mask.astype(np.uint8), (columns, rows), interpolation=cv2.INTER_NEAREST)
    lab = cv2.cvtColor(_calm(small), cv2.COLOR_RGB2LAB)
    ground = lab[cv2.dilate(cloth, np.ones((13, 13), np.uint8)) == 0]
    return _Scene(small, lab, cloth > 0, ground[:: max(1, len(ground) // 6000)])


def _calm(srgb: ByteArray) -> FloatArray:
    return cv2.GaussianBlur(srgb.astype(np.float32) / 255, (0, 0), 1.0)


def _flat_places(srgb: ByteArray) -> list[_Place]:
    """Places without an edge in them that have about four corners. srgb: (rows, columns, 3)."""
    calm, around = _calm(srgb), np.ones((3, 3), np.uint8)
    change = (cv2.dilate(calm, around) - cv2.erode(calm, around)).max(axis=2)
    size = change.size
    found = []
    for step in STEPS:
        count, labels, stats, _ = cv2.connectedComponentsWithStats((change < step).astype(np.uint8), connectivity=4)
        for k in range(1, count):
            left, top, width, height, area = (int(value) for value in stats[k])
            if LEAST / 1.5 * size < area < MOST * size:
                own = np.pad((labels[top : top + height, left : left + width] == k).astype(np.uint8), EDGE)
                place = _cornered(own, size)
                if place is not None:
                    found.append(replace(place, corners=place.corners + np.array([left - EDGE, top - EDGE])))
    return found


EDGE = 6
LEAST_CONVEX, LEAST_RIGHT, MOST_LONG = 0.90, 0.86, 2.0
"""Of what is looked at at all: paper may lie askew under the camera, and a corner of it under a sleeve."""


def _cornered(own: ByteArray, size: int) -> _Place | None:
    contours, _ = cv2.findContours(own, cv2.RETR_EXTERNAL, cv2.CHAIN_APPROX_NONE)
    outer = max(contours, key=cv2.contourArea)
    hull = cv2.convexHull(outer)
    area, round_it = cv2.contourArea(hull), cv2.minAreaRect(hull)
    middle, (width, height), turned = round_it
    if area < 10 or min(width, height) < 4:
        return None
    convex, right = cv2.contourArea(outer) / area, area / (width * height)
    long = max(width, height) / min(width, height)
    if convex < LEAST_CONVEX or right < LEAST_RIGHT or long > MOST_LONG:
        return None
    # the smoothed edge belongs half to the place
    corners = cv2.boxPoints((middle, (width + 3, height + 3), turned)).astype(np.float64)
    return _Place(corners, (width + 3) * (height + 3) * right / size, convex, right, long)


OFF_LAMPS, OFF_LAMPS_SURE = 0.14, 0.12
UNEVEN, UNEVEN_SURE = 2.4, 1.8
"""CIELAB units within it, in the middle of the changes."""
EDGED, EDGED_SURE = 0.7, 0.85
"""Of each side, along which there is an edge."""
CONVEX_SURE, RIGHT_SURE, LONG_SURE, MOST_SURE = 0.93, 0.93, 1.75, 0.06
IN_CLOTH, IN_CLOTH_SURE = 0.7, 0.25
"""Of what lies about it, the part that is cloth."""
STEP = 2.0
"""CIELAB units across an edge, at least."""
GROUND_SEEN = 2.5
"""CIELAB units from the ground nearest to it: what is as near and lies in cloth is the ground seen through."""
CUT_OFF = 7.0
"""CIELAB units from the ground for a place that the picture cuts off on one side: a plank is also cut off."""


def _judged(place: _Place, scene: _Scene, mask: BoolArray) -> Sheet | None:
    """The sheet that a place is; None where it is none."""
    rows, columns = scene.cloth.shape
    canvas = np.zeros((rows, columns), np.uint8)
    middle = place.corners.mean(axis=0)
    cv2.fillPoly(canvas, [np.rint(middle + (place.corners - middle) * 0.7).astype(np.int32)], 1)
    inner = canvas > 0
    if inner.sum() < 20:
        return None
    lab = scene.lab[inner]
    own = np.median(lab, axis=0)
    uneven = float(np.median(np.abs(lab - own).sum(axis=1)))
    colour = np.median(decode_srgb(scene.srgb[inner] / 255.0), axis=0)
    off = abs(float(across_lamps(colour)))
    if uneven > UNEVEN or off > OFF_LAMPS or colour.max() < DARKEST:
        return None
    edged, seen = _edged(place.corners, scene)
    about, _ = _sampled(scene.cloth.astype(np.float32), _along(place.corners, 8.0))
    in_cloth = float(about[seen].mean()) if seen.any() else 1.0
    if edged < EDGED or in_cloth > IN_CLOTH or not seen.any():
        return None
    if float(scene.cloth[inner].mean()) > 0.5 and place.share > MOST_LIKE * float(mask.mean()):
        return None
    nearest = float(np.quantile(np.linalg.norm(scene.ground - own, axis=1), 0.1)) if len(scene.ground) else np.inf
    if nearest < GROUND_SEEN and in_cloth > IN_CLOTH_SURE:
        return None
    sure = (
        off <= OFF_LAMPS_SURE
        and uneven <= UNEVEN_SURE
        and edged >= EDGED_SURE
        and in_cloth <= IN_CLOTH_SURE
        and (bool(seen.all()) or (nearest > CUT_OFF and bool((seen.mean(axis=1) > 0.5).sum() >= 3)))
        and place.convex >= CONVEX_SURE
        and place.right >= RIGHT_SURE
        and place.long <= LONG_SURE
        and LEAST <= place.share <= MOST_SURE
    )
    return Sheet(place.corners / [columns, rows], colour, sure)


def _edged(corners: FloatArray, scene: _Scene) -> tuple[float, BoolArray]:
    """How much of its least edged side has an edge, 0..1, and which places of the sides, (4, n), lie in the picture."""
    inside, _ = _sampled(scene.lab, _along(corners, -5.0))
    outside, seen = _sampled(scene.lab, _along(corners, 4.0))
    edge = np.linalg.norm(outside - inside, axis=-1) > STEP
    sides = [edge[k][seen[k]].mean() for k in range(4) if seen[k].any()]
    # two sides may be cut off by the picture, not more
    return (float(min(sides)), seen) if len(sides) >= 2 else (0.0, seen)


def _along(corners: FloatArray, away: float) -> FloatArray:
    """Points along the four sides, some pixels outside of them. (4, 2) to (4, n, 2)."""
    start, end = corners, np.roll(corners, -1, axis=0)
    side = end - start
    outward = np.stack([side[:, 1], -side[:, 0]], axis=1)
    outward /= np.maximum(np.linalg.norm(outward, axis=1, keepdims=True), 1e-6)
    facing = ((start + end) / 2 - corners.mean(axis=0)) * outward
    outward *= np.where(facing.sum(axis=1, keepdims=True) < 0, -1.0, 1.0)
    share = np.linspace(0.12, 0.88, 24)[None, :, None]
    points: FloatArray = start[:, None] + side[:, None] * share + outward[:, None] * away
    return points


def _sampled(picture: FloatArray, points: FloatArray) -> tuple[FloatArray, BoolArray]:
    """A picture at points, and which of them lie in it."""
    rows, columns = picture.shape[:2]
    at = np.rint(points).astype(np.int64)
    inside = (at[..., 0] >= 0) & (at[..., 0] < columns) & (at[..., 1] >= 0) & (at[..., 1] < rows)
    return picture[np.clip(at[..., 1], 0, rows - 1), np.clip(at[..., 0], 0, columns - 1)], inside
