"""How a piece is cut, from its outline and what shows on its front: length, volume, sleeve and neck, and toe and heel of a shoe.

A photo has no scale. What a category always is, the waist of a skirt or the trunk of a shirt laid flat, lends one; the
doubts below say how far pieces of one size and make differ from that."""

from dataclasses import replace

import cv2
import numpy as np

from ..colour.arrays import BoolArray, FloatArray
from .chances import Chances, along_a_scale, in_order, weighed
from .front import NOTHING_ON_IT, Front
from .lengths import LENGTHS_OF, SHOULDER, WAIST, between
from .seen import Seen
from .upright import Hanging, hanging
from .vocabulary import Category as C
from .vocabulary import Closure, Heel, Length, Neckline, Sleeve, Toe, Volume

WAIST_FLAT = 32.0
"""Centimetres across a waistband laid flat."""
TRUNKS: dict[C, float] = {
    C.TOP: 44.0, C.SHIRT: 50.0, C.KNIT: 48.0, C.TUNIC: 48.0, C.WAISTCOAT: 45.0, C.JACKET: 50.0, C.COAT: 54.0
}  # fmt: skip
"""Centimetres across the hem of a trunk laid flat."""
USUAL_LENGTH: dict[C, float] = {
    C.TOP: 66.0, C.SHIRT: 72.0, C.KNIT: 64.0, C.TUNIC: 84.0, C.WAISTCOAT: 60.0, C.JACKET: 68.0, C.COAT: 104.0
}  # fmt: skip
"""Centimetres from the shoulder to the hem, as most are."""
DRESS_WAIST, DRESS_CHEST, DRESS_HIP = 36.0, 43.0, 46.0
LENGTH_DOUBT = 9.0
"""Centimetres."""
VOLUMES = (Volume.CLOSE, Volume.EASY, Volume.FULL)
SLEEVES = (Sleeve.NONE, Sleeve.SHORT, Sleeve.ELBOW, Sleeve.LONG)
SLEEVE_BORDERS = (6.0, 30.0, 43.0)
"""Centimetres from the shoulder."""


def cut_seen(mask: BoolArray, category: C, front: Front = NOTHING_ON_IT) -> Seen:
    """How a piece of a category is cut, without its finish.

    mask: (rows, columns), its outline, at least one pixel. front: what shows within it."""
    cut = _outlined(mask, category, front)
    return replace(cut, closure=_closed(category, front.buttons))


def _outlined(mask: BoolArray, category: C, front: Front) -> Seen:
    if category in (C.SHOES, C.BOOTS):
        return _shod(mask, category)
    if category not in LENGTHS_OF or category is C.HOSIERY:
        return Seen()
    piece = hanging(mask)
    if category in (C.SKIRT, C.TROUSERS, C.SHORTS):
        return _lower(piece, category)
    if category in (C.DRESS, C.JUMPSUIT):
        return _whole(piece, category, front)
    return _upper(piece, category, front)


def _lower(piece: Hanging, category: C) -> Seen:
    waist = max(piece.width(0.03, 0.09), 1.0)
    length = _ends(WAIST + piece.height / waist * WAIST_FLAT, category)
    if category is C.SKIRT:
        return Seen(length, _flares(piece.width(0.88, 0.95) - waist, piece.height))
    leg = piece.inside(0.88, 0.95) / 2 / waist
    narrow, wide = (0.5, 0.72) if category is C.SHORTS else (0.405, 0.54)
    return Seen(length, along_a_scale(leg, 0.05, VOLUMES, (narrow, wide)))


def _flares(wider: float, height: float) -> Chances[Volume]:
    """The volume of a skirt by how much wider it is at the hem. Pixels."""
    return along_a_scale(wider / 2 / max(height, 1), 0.045, VOLUMES, (0.06, 0.225))


def _whole(piece: Hanging, category: C, front: Front) -> Seen:
    scale, at = _scale_of_whole(piece)
    ends = _ends(SHOULDER + piece.height * scale, category)
    sleeve = _sleeve(piece, category, scale, 0.7, DRESS_CHEST / 2 / scale)
    if category is C.JUMPSUIT:
        leg = piece.inside(0.88, 0.95) / 2 * scale / WAIST_FLAT
        return Seen(ends, along_a_scale(leg, 0.06, VOLUMES, (0.405, 0.54)), sleeve, _neck(piece, scale, front))
    hem = piece.width(0.88, 0.95) * scale
    volume = _flares(hem - DRESS_WAIST, (piece.height - at) * scale)
    return Seen(ends, volume, sleeve, _neck(piece, scale, front))


def _scale_of_whole(piece: Hanging) -> tuple[float, int]:
    """Centimetres a pixel of a dress, and the row of its waist."""
    trunk, high = piece.trunk(), piece.height
    rows = np.arange(int(0.15 * high), max(int(0.15 * high) + 1, int(0.7 * high)))
    # below where a neckline begins, which is narrow
    closed = rows[trunk[rows] > 0][round(0.03 * high) :]
    rows = closed if len(closed) else rows
    at = int(rows[trunk[rows].argmin()])
    ends = max(_sleeve_row(side, high, 0.7, 0.03 * high) for side in (piece.left, piece.right))
    beside = piece.left[at] + piece.right[at] > 1.1 * trunk[at]
    if ends > at and not beside:
        # sleeves lie on the waist: the hip shows below them
        below = min(ends + round(0.06 * high), high - 1)
        return DRESS_HIP / max(float(trunk[below]), 1.0), round(0.38 * high)
    return DRESS_WAIST / max(float(trunk[at]), 1.0), at


def _upper(piece: Hanging, category: C, front: Front) -> Seen:
    trunk = _trunk(piece, category)
    scale = TRUNKS[category] / trunk
    length = _ends(SHOULDER + piece.height * scale, category)
    # a trunk is full for its length, and a short one is as wide as a long one
    width = trunk / piece.height * USUAL_LENGTH[category]
    chest = TRUNKS[category]
    volume = along_a_scale(width, 7.0, VOLUMES, (chest - 11, chest + 14))
    neck = ((Neckline.COLLAR, 1.0),) if category in (C.SHIRT, C.JACKET, C.COAT) else _neck(piece, scale, front)
    sleeve = () if category is C.WAISTCOAT else _sleeve(piece, category, scale, 0.97, trunk / 2)
    return Seen(length, volume, sleeve, neck)


def _trunk(piece: Hanging, category: C) -> float:
    """Pixels across the trunk above its hem, where no sleeve lies on it as far as there is such a place."""
    across, high = piece.trunk(), piece.height
    low = float(np.percentile(across[int(0.7 * high) : max(int(0.7 * high) + 1, int(0.9 * high))], 20))
    if category is not C.SHIRT:  # a tail is rounded
        low = min(low, float(np.median(across[int(0.92 * high) : max(int(0.92 * high) + 1, int(0.97 * high))])))
    return max(low, 1.0)


def _ends(at: float, category: C) -> Chances[Length]:
    """The length of what ends so many centimetres below the crown."""
    lengths = LENGTHS_OF[category]
    return along_a_scale(at, LENGTH_DOUBT, lengths, between(lengths))


LONG_SLEEVED = {Sleeve.LONG: 0.86, Sleeve.ELBOW: 0.06, Sleeve.SHORT: 0.06, Sleeve.NONE: 0.02}
BARE_ARMED = {Sleeve.LONG: 0.2, Sleeve.ELBOW: 0.1, Sleeve.SHORT: 0.45, Sleeve.NONE: 0.25}
USUAL_SLEEVES: dict[C, dict[Sleeve, float]] = dict.fromkeys((C.SHIRT, C.KNIT, C.JACKET, C.COAT, C.TUNIC), LONG_SLEEVED)
USUAL_SLEEVES |= dict.fromkeys((C.TOP, C.DRESS, C.JUMPSUIT), BARE_ARMED)
UNSEEN = 0.06
"""Chance that a sleeve ends where the outline does not show it."""
SLEEVE_STEP = 0.045
"""Of the height, over which the outline draws in where a sleeve ends."""
BESIDE = 3.0
"""Centimetres beside the trunk from which cloth is a sleeve."""


def _sleeve(piece: Hanging, category: C, scale: float, lowest: float, half: float) -> Chances[Sleeve]:
    """Where the sleeves end: the outline draws in at once there.

    lowest: share of the height above which they do; half: of the trunk, pixels."""
    found = []
    for side in (piece.left, piece.right):
        at = _sleeve_row(side, piece.height, lowest, BESIDE / scale)
        reach, shoulder = side[at] * scale, min(19.0, float(side[int(0.12 * piece.height)]) * scale)
        long = float(np.hypot(max(reach - shoulder, 0.0), (at - 0.05 * piece.height) * scale))
        found.append(long if at and reach > half * scale + BESIDE else 0.0)
    # sleeves that lie on the trunk show no end: then what such pieces mostly have counts
    return weighed(along_a_scale(max(found), 6.0, SLEEVES, SLEEVE_BORDERS), USUAL_SLEEVES[category], UNSEEN)


def _sleeve_row(reach: FloatArray, height: int, lowest: float, least: float) -> int:
    """The row in which a sleeve ends; 0 without one. reach: (rows,), pixels from the middle; least: how many it draws in."""
    step = max(2, round(SLEEVE_STEP * height))
    rows = np.arange(int(0.1 * height), min(int(lowest * height), height - step))
    if not len(rows):
        return 0
    drop = reach[rows] - reach[rows + step]
    return int(rows[drop.argmax()]) if drop.max() > least else 0


NECK_BORDER, NECK_DOUBT = 1.13, 0.1
"""How much better a point must explain the edge of an opening than a curve does."""
WIDE_FROM, WIDE_DOUBT = 13.5, 1.5
"""Centimetres from the middle to where a neck is wide."""
STANDS_UP, NECK_ACROSS = 6.0, 22.0
"""Centimetres that a high neck stands above the shoulders, and that it is at most across."""
RISES = 1.35
"""How much wider the piece is just below a high neck."""


def _neck(piece: Hanging, scale: float, front: Front) -> Chances[Neckline]:
    """Straps at the top, a neck that stands up, an opening whose inside shows; where nothing of it does, nothing."""
    across, cloth = piece.width(0.0, 0.07) * scale, piece.inside(0.0, 0.07) * scale
    if across > 8 and cloth < 0.6 * across:
        return ((Neckline.STRAPS, 1.0),)
    if _stands_up(piece, scale):
        return ((Neckline.HIGH, 0.9), (Neckline.ROUND, 0.1))
    if front.neck is None:
        return ()
    reach = front.neck.half_width * float(np.sqrt(piece.mask.sum())) * scale
    wide = dict(along_a_scale(reach, WIDE_DOUBT, ("", Neckline.WIDE), (WIDE_FROM,))).get(Neckline.WIDE, 0.0)
    bent = along_a_scale(front.neck.pointed, NECK_DOUBT, (Neckline.ROUND, Neckline.POINTED), (NECK_BORDER,))
    return in_order({Neckline.WIDE: wide, **{word: (1 - wide) * chance for word, chance in bent}})


def _stands_up(piece: Hanging, scale: float) -> bool:
    """Whether a narrow neck stands above the shoulders, which spread at once below it."""
    rows = round(STANDS_UP / scale)
    if not 2 <= rows < piece.height // 4:
        return False
    across = piece.left + piece.right
    neck, below = float(across[:rows].max()), float(np.median(across[rows : 2 * rows]))
    return neck * scale < NECK_ACROSS and below > RISES * neck


BUTTONED = frozenset({C.SHIRT, C.KNIT, C.TUNIC, C.TOP, C.DRESS, C.JUMPSUIT, C.JACKET, C.COAT, C.WAISTCOAT, C.SKIRT})
"""What may have a row of buttons down its front."""


def _closed(category: C, buttons: int) -> Chances[Closure]:
    """A row of buttons that shows; a shirt has one whether it shows or not."""
    if category is C.SHIRT:
        return ((Closure.BUTTONS, 0.95), (Closure.PULLED_ON, 0.05))
    return ((Closure.BUTTONS, 0.9), (Closure.ZIP, 0.1)) if buttons and category in BUTTONED else ()


FOOT = 27.0
"""Centimetres from heel to toe."""


def _shod(mask: BoolArray, category: C) -> Seen:
    """A pair from above shows its toes, one from the side its heel and its shaft."""
    box = _box(mask)
    halves = _halves(box)
    above = all(one.shape[0] > 1.6 * one.shape[1] for one in halves) and hanging(box).mirrored > MIRRORED
    if category is C.SHOES and above:
        return Seen(toe=_toes(halves))
    side = _largest(box)
    length: Chances[Length] = ()
    if category is C.BOOTS:
        high = side.shape[0] / max(side.shape[1], 1) * FOOT
        length = along_a_scale(high, 7.0, LENGTHS_OF[C.BOOTS], (26.0, 36.0))
    return Seen(length, heel=_heel(side))


MIRRORED = 0.8
"""From which a pair lies side by side, seen from above."""


def _halves(box: BoolArray) -> list[BoolArray]:
    """A pair that lies side by side, parted where it is open or else in the middle."""
    gaps = np.flatnonzero(~box.any(axis=0))
    middle = int(gaps[np.abs(gaps - box.shape[1] / 2).argmin()]) if len(gaps) else box.shape[1] // 2
    return [_box(half) for half in (box[:, :middle], box[:, middle:]) if half.any()]


def _largest(box: BoolArray) -> BoolArray:
    """The largest thing of an outline by itself."""
    _, labels, stats, _ = cv2.connectedComponentsWithStats(box.astype(np.uint8), connectivity=8)
    return _box(labels == 1 + int(stats[1:, cv2.CC_STAT_AREA].argmax()))


def _box(mask: BoolArray) -> BoolArray:
    rows, columns = np.flatnonzero(mask.any(axis=1)), np.flatnonzero(mask.any(axis=0))
    return mask[rows[0] : rows[-1] + 1, columns[0] : columns[-1] + 1]


def _toes(shoes: list[BoolArray]) -> Chances[Toe]:
    """How blunt the ends of shoes seen from above are: the width near the tip against the widest."""
    blunt = []
    for shoe in shoes:
        piece = hanging(shoe)
        widest = max(float((piece.left + piece.right).max()), 1.0)
        blunt.append(piece.width(0.03, 0.06) / widest)
    return along_a_scale(float(np.mean(blunt)), 0.08, (Toe.POINTED, Toe.NARROW, Toe.ROUND), (0.3, 0.46))


def _heel(shoe: BoolArray) -> Chances[Heel]:
    """How far the arch of a shoe that is seen from the side stands off the ground."""
    rows, columns = shoe.shape
    lowest = rows - 1 - shoe[::-1].argmax(axis=0)
    arch = lowest[int(0.25 * columns) : max(int(0.25 * columns) + 1, int(0.75 * columns))]
    lifted = float(rows - 1 - np.percentile(arch, 20)) / max(columns, 1) * FOOT
    return along_a_scale(lifted, 1.2, (Heel.FLAT, Heel.LOW, Heel.HIGH), (1.2, 4.5))
