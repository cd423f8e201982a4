"""Where skin, hair and eyes are best read in a face: off red and shiny places, on the iris and not in its sparkle."""

from dataclasses import dataclass, replace

import cv2
import numpy as np

from ..colour.arrays import BoolArray, FloatArray
from ..colour.spaces import chroma, hue_angle
from .portrait import Spot


@dataclass(frozen=True, slots=True)
class FaceBox:
    """A face, in fractions of the portrait: from the brows to the chin."""

    left: float
    top: float
    width: float
    height: float
    tilt: float = 0.0
    """Degrees by which the portrait was turned about its middle, against the clock, for the face to stand upright; the
    box lies in the turned portrait."""


@dataclass(frozen=True, slots=True)
class Placed:
    """Where to read, and what speaks against it."""

    skin: tuple[Spot, ...]
    hair: tuple[Spot, ...]
    eyes: tuple[Spot, ...]
    note: str
    """Why the stylist has to put the spots; empty when they were placed."""


CHEEKS_AND_BROW = {
    "left cheek": (0.16, 0.40, 0.52, 0.76),
    "right cheek": (0.60, 0.84, 0.52, 0.76),
    "brow": (0.32, 0.68, -0.02, 0.20),
}
"""Left, right, top and bottom, in fractions of the box of the face."""
EyeAreas = tuple[tuple[float, float, float, float], ...]
EYES: EyeAreas = ((0.14, 0.46, 0.24, 0.50), (0.54, 0.86, 0.24, 0.50))
EYES_OFF: EyeAreas = ((0.04, 0.50, 0.12, 0.52), (0.50, 0.96, 0.12, 0.52))
"""Where eyes may be when the box is off by a little, and hair and temples with them."""
SKIN_HUE, SKIN_CHROMA = (22.0, 88.0), (5.0, 48.0)
"""Between which human skin lies in daylight, with room for a light that is not undone. Source: the range of
reflectances of Xiao et al. 2017, Skin Research and Technology 23."""
DRAWN_BELOW = 0.11
"""CIELAB units of fine change below which a cheek is paint and not skin."""
EYE_STEP = 4.0
"""L* between the white of an eye and its iris, at least."""
STRANDS, LEAST_TEXTURE = 2.2, 0.08
"""How much more a brow changes from pixel to pixel than the cheeks before it is hair, and L* below which nothing counts."""
SURROUNDINGS = 41.0
"""Pixels of the narrow area round an eye for each pixel of the squared radius of its iris."""
COVERED_FROM = 0.28
"""Of the surroundings of an eye: what is as dark as glass there is no iris."""
ONE_PAIR = 14.0
"""CIELAB units within which two irises lie."""
STEADY = 10.0
"""CIELAB units between two places of one head of hair."""
HAIR_FROM_SKIN = 9.0
"""CIELAB units between hair and skin, at least."""


def place_spots(lab: FloatArray, faces: list[FaceBox], person: BoolArray) -> Placed:
    """Spots on skin, hair and eyes.

    lab: (rows, columns, 3), of the relit portrait. faces: those that were found in it. person: (rows, columns)."""
    lab = lab.astype(np.float32)
    groups = _without_ghosts(lab, _groups([box for box in faces if not box.tilt]))
    upright = _on_an_upright_face(lab, groups, person)
    if len(groups) > 1 or len(upright.eyes) == 2:
        return upright
    return _on_a_tilted_face(lab, [box for box in faces if box.tilt], person) or upright


def _on_an_upright_face(lab: FloatArray, groups: list[list[FaceBox]], person: BoolArray) -> Placed:
    if not groups:
        return _by_hand("No face was found. Put the lenses on bare skin, hair and iris yourself.")
    if len(groups) > 1:
        return _by_hand(f"There are {len(groups)} faces in the portrait. Put the lenses on the client's own.")
    box = _best_box(lab, groups[0])
    skin, texture = _skin_spots(lab, box)
    if not skin:
        return _by_hand("What was found is not the colour of skin. Put the lenses yourself, or relight the portrait.")
    if texture < DRAWN_BELOW:
        return _by_hand("This looks drawn or heavily retouched. Put the lenses yourself, and trust them little.")
    own = np.median([_patch(lab, box, spot) for spot in skin], axis=0)
    eyes = tuple(eye.spot for eye in _eyes(lab, box, float(own[0])))
    hair = _hair_spots(lab, box, person, own)
    note = ""
    if not eyes:
        note = "The eyes are covered or closed. Put a lens on an iris if one can be seen."
    elif not hair:
        note = "No hair was seen. Put a lens on it if there is any."
    return Placed(skin, hair, eyes, note)


def _on_a_tilted_face(lab: FloatArray, faces: list[FaceBox], person: BoolArray) -> Placed | None:
    """Spots on a head that is held aslant: placed where it stands upright, and turned back. None where no two eyes are
    seen: a fold or a pattern looks like a face from some side."""
    size = person.shape[::-1]
    for tilt in sorted({box.tilt for box in faces}):
        turn = turned(person.shape, tilt)
        upright = cv2.warpAffine(lab, turn, size, borderMode=cv2.BORDER_REPLICATE)
        within = cv2.warpAffine(person.astype(np.uint8), turn, size, flags=cv2.INTER_NEAREST) > 0
        groups = _without_ghosts(upright, _groups([replace(box, tilt=0.0) for box in faces if box.tilt == tilt]))
        placed = _on_an_upright_face(upright, groups, within)
        if len(placed.eyes) == 2:
            back = cv2.invertAffineTransform(turn)
            skin, hair, eyes = (
                tuple(_moved(spot, back, size) for spot in spots) for spots in (placed.skin, placed.hair, placed.eyes)
            )
            return Placed(skin, hair, eyes, placed.note)
    return None


def turned(shape: tuple[int, ...], tilt: float) -> FloatArray:
    """The affine map that turns a picture about its middle against the clock. shape: rows, columns. (2, 3), pixels."""
    matrix: FloatArray = cv2.getRotationMatrix2D((shape[1] / 2 - 0.5, shape[0] / 2 - 0.5), tilt, 1.0)
    return matrix


def _moved(spot: Spot, matrix: FloatArray, size: tuple[int, ...]) -> Spot:
    x, y = matrix @ np.array([spot[0] * size[0], spot[1] * size[1], 1.0])
    return float(np.clip(x / size[0], 0, 1)), float(np.clip(y / size[1], 0, 1))


def face_alone(lab: FloatArray, faces: list[FaceBox]) -> FaceBox | None:
    """The upright face of a photo, set right by its eyes; None where there is none, or more than one.

    lab: (rows, columns, 3), of the relit photo. faces: those that were found in it."""
    lab = lab.astype(np.float32)
    groups = _without_ghosts(lab, _groups([box for box in faces if not box.tilt]))
    return _best_box(lab, groups[0]) if len(groups) == 1 else None


def _groups(faces: list[FaceBox]) -> list[list[FaceBox]]:
    """The boxes that lie over each other by a quarter of the smaller one, together: they are one face."""
    groups: list[list[FaceBox]] = []
    for box in sorted(faces, key=lambda f: -f.width * f.height):
        joined = [g for g in groups if any(_shared(box, other) > 0.25 * box.width * box.height for other in g)]
        for group in joined:
            groups.remove(group)
        groups.append([box, *(other for group in joined for other in group)])
    return groups


def _without_ghosts(lab: FloatArray, groups: list[list[FaceBox]]) -> list[list[FaceBox]]:
    """The groups without those in which a fold or a card was taken for a face: much smaller, and no two eyes in them.

    A second person is no ghost, and neither is one behind dark glasses whose face is about as large."""
    if len(groups) < 2:
        return groups
    largest = max(box.width for group in groups for box in group)
    kept = []
    for group in groups:
        wide = max(box.width for box in group)
        eyes = any(_set_right(lab, box, areas) for box in group for areas in (EYES, EYES_OFF))
        if eyes or wide > GHOST * largest:
            kept.append(group)
    return kept


GHOST = 0.75
"""Of the width of the largest face, up to which a face without eyes is none."""


def _shared(one: FaceBox, other: FaceBox) -> float:
    wide = min(one.left + one.width, other.left + other.width) - max(one.left, other.left)
    high = min(one.top + one.height, other.top + other.height) - max(one.top, other.top)
    return max(wide, 0.0) * max(high, 0.0)


BETWEEN_EYES = 0.44
"""Of the width of the box: from one iris to the other."""
EYES_BELOW = 0.38
"""Of the height of the box: from its top to the eyes."""


def _best_box(lab: FloatArray, boxes: list[FaceBox]) -> FaceBox:
    """The box in which two eyes are seen best, set right by them; the largest where no box shows two."""
    boxes = sorted(boxes, key=lambda box: -box.width * box.height)
    for areas in (EYES, EYES_OFF):
        found = [right for box in boxes if (right := _set_right(lab, box, areas)) is not None]
        if found:
            return max(found, key=lambda one: one[0])[1]
    return boxes[0]


def _set_right(lab: FloatArray, box: FaceBox, areas: EyeAreas) -> tuple[float, FaceBox] | None:
    """How clearly two eyes are seen in a box, and the box that they tell; None where there are not two."""
    rows, columns = lab.shape[:2]
    skin, _ = _skin_spots(lab, box)
    if not skin:
        return None
    own = np.median([_patch(lab, box, spot) for spot in skin], axis=0)
    eyes = _eyes(lab, box, float(own[0]), areas)
    if len(eyes) < 2 or abs(eyes[0].middle[1] - eyes[1].middle[1]) > 0.12 * box.height:
        return None
    (x0, y0), (x1, y1) = (eye.middle for eye in eyes)
    width = abs(x1 - x0) / BETWEEN_EYES
    if not 0.6 < width / box.width < 1.5:
        return None
    height = width * columns / rows
    told = FaceBox((x0 + x1 - width) / 2, (y0 + y1) / 2 - EYES_BELOW * height, width, height)
    return min(eye.step for eye in eyes), told


def _by_hand(note: str) -> Placed:
    return Placed((), (), (), note)


def _to_photo(box: FaceBox, x: float, y: float) -> Spot:
    return box.left + x * box.width, box.top + y * box.height


def _window(lab: FloatArray, box: FaceBox, area: tuple[float, float, float, float]) -> tuple[FloatArray, int, int]:
    """The pixels of an area of the face, and its left and top in the portrait."""
    rows, columns = lab.shape[:2]
    left, top = _to_photo(box, area[0], area[2])
    right, bottom = _to_photo(box, area[1], area[3])
    x0, x1 = max(0, int(left * columns)), min(columns, int(right * columns) + 1)
    y0, y1 = max(0, int(top * rows)), min(rows, int(bottom * rows) + 1)
    return lab[y0 : max(y1, y0), x0 : max(x1, x0)], x0, y0


def _patch(lab: FloatArray, box: FaceBox, spot: Spot) -> FloatArray:
    """The middle colour round a spot. (3,)."""
    rows, columns = lab.shape[:2]
    reach = max(2, round(0.03 * box.width * columns))
    x, y = int(spot[0] * columns), int(spot[1] * rows)
    cut = lab[max(0, y - reach) : y + reach + 1, max(0, x - reach) : x + reach + 1].reshape(-1, 3)
    middle: FloatArray = np.median(cut, axis=0)
    return middle


def _skin_spots(lab: FloatArray, box: FaceBox) -> tuple[tuple[Spot, ...], float]:
    """The calmest place of each cheek and the brow, and how much the skin changes from pixel to pixel."""
    rows, columns = lab.shape[:2]
    reach = max(3, round(0.05 * box.width * columns)) | 1
    spots, textures, seen, strands = [], [], [], []
    for area in CHEEKS_AND_BROW.values():
        cut, x0, y0 = _window(lab, box, area)
        if min(cut.shape[:2]) < reach + 2:
            continue
        middle = cv2.blur(cut, (reach, reach))
        spread = np.sqrt(np.maximum(cv2.blur(cut**2, (reach, reach)) - middle**2, 0)).sum(axis=-1)
        typical = np.median(middle.reshape(-1, 3), axis=0)
        # red costs, and so do shine, which is light and pale, and shade
        red = np.maximum(middle[..., 1] - typical[1], 0)
        shine = np.maximum(middle[..., 0] - typical[0], 0) + np.maximum(chroma(typical) - chroma(middle), 0)
        shade = np.maximum(typical[0] - middle[..., 0], 0)
        cost = spread + 1.6 * red + 0.5 * shine + 1.0 * shade
        half = reach // 2
        inner = cost[half:-half, half:-half]
        y, x = np.unravel_index(int(inner.argmin()), inner.shape)
        spots.append(((x0 + half + int(x) + 0.5) / columns, (y0 + half + int(y) + 0.5) / rows))
        seen.append(middle[half + y, half + x])
        fine = cut - cv2.GaussianBlur(cut, (0, 0), 1.5)
        here = fine[max(0, half + y - reach) : half + y + reach + 1, max(0, half + x - reach) : half + x + reach + 1]
        strands.append(float(np.median(np.abs(here[..., 0]))))
        textures.append(float(np.median(np.abs(fine[..., 0]))) * 1.48)
    if len(spots) == 3 and strands[2] > STRANDS * max(*strands[:2], LEAST_TEXTURE):
        # a fringe may have the colour of skin, but it is made of hairs
        spots, seen = spots[:2], seen[:2]
    kept = _skin_like(spots, np.array(seen).reshape(-1, 3))
    return kept, float(np.median(textures)) if textures else 0.0


def _skin_like(spots: list[Spot], seen: FloatArray) -> tuple[Spot, ...]:
    """Those spots that have the colour of skin and agree with the others."""
    if not spots:
        return ()
    hue, strength = hue_angle(seen), chroma(seen)
    plausible = (hue > SKIN_HUE[0]) & (hue < SKIN_HUE[1]) & (strength > SKIN_CHROMA[0]) & (strength < SKIN_CHROMA[1])
    if plausible.sum() * 2 < len(spots):
        return ()
    middle = np.median(seen[plausible], axis=0)
    # under a fringe the brow reads hair, beside a lamp one cheek reads glare
    near = np.linalg.norm((seen - middle) * np.array([0.6, 1, 1]), axis=1) < 14
    return tuple(spot for spot, kept in zip(spots, plausible & near, strict=True) if kept)


@dataclass(frozen=True, slots=True, eq=False)
class _Eye:
    middle: Spot
    spot: Spot
    """Where the iris is read: beside the pupil and below the sparkle."""
    step: float
    """L* from the iris to the white."""
    colour: FloatArray


def _eyes(lab: FloatArray, box: FaceBox, skin_lightness: float, areas: EyeAreas = EYES) -> list[_Eye]:
    """The irises that are seen in some areas of a face."""
    rows, columns = lab.shape[:2]
    radius = max(2, round(0.045 * box.width * columns))
    found: list[_Eye] = []
    for area in areas:
        cut, x0, y0 = _window(lab, box, area)
        iris = _iris(cut, radius) if min(cut.shape[:2]) >= 3 * radius else None
        if iris is None or _covered(cut, iris, radius, skin_lightness):
            continue
        y, x, step = iris
        middle = (x0 + x + 0.5) / columns, (y0 + y + 0.5) / rows
        spot = middle[0] + 0.55 * radius / columns, middle[1] + 0.3 * radius / rows
        colour = lab[min(int(spot[1] * rows), rows - 1), min(int(spot[0] * columns), columns - 1)]
        found.append(_Eye(middle, spot, step, colour))
    if len(found) == 2 and np.linalg.norm(found[0].colour - found[1].colour) > ONE_PAIR:
        # the shadow of a temple was taken for an eye
        found = [max(found, key=lambda eye: eye.step)]
    return found


def _iris(lab: FloatArray, radius: int) -> tuple[int, int, float] | None:
    """Row and column of the middle of an iris, a dark disc between two light grey ones, and the step in lightness
    between them. None where there is none."""
    light = lab[..., 0] - 0.7 * chroma(lab)
    disc = cv2.getStructuringElement(cv2.MORPH_ELLIPSE, (2 * radius + 1, 2 * radius + 1)).astype(np.float32)
    mean = cv2.filter2D(light, -1, disc / disc.sum(), borderType=cv2.BORDER_REPLICATE)
    beside = round(1.9 * radius)
    if lab.shape[1] <= 2 * beside + 2:
        return None
    small = cv2.blur(light, (max(3, radius) | 1, max(3, radius // 2) | 1))
    step = np.minimum(small[:, : -2 * beside], small[:, 2 * beside :]) - mean[:, beside:-beside]
    y, x = np.unravel_index(int(step.argmax()), step.shape)
    if step[y, x] <= EYE_STEP:
        return None
    border = float(mean[y, x + beside]) + 0.5 * float(step[y, x])
    return *_middle_of_dark(light, int(y), int(x) + beside, radius, border), float(step[y, x])


def _covered(lab: FloatArray, iris: tuple[int, int, float], radius: int, skin_lightness: float) -> bool:
    """Whether the dark place is too large for an iris, as behind dark glasses."""
    y, x, _ = iris
    half = max(1, radius // 2)
    dark = float(np.median(lab[max(0, y - half) : y + half + 1, max(0, x - half) : x + half + 1, 0]))
    place = (lab[..., 0] < (dark + skin_lightness) / 2).astype(np.uint8)
    place = cv2.morphologyEx(place, cv2.MORPH_OPEN, np.ones((half + 1, half + 1), np.uint8))
    # as large as the surroundings of an eye are against its iris
    return float(place.sum()) > COVERED_FROM * SURROUNDINGS * radius**2


def _middle_of_dark(light: FloatArray, y: int, x: int, radius: int, border: float) -> tuple[int, int]:
    """Row and column of the middle of what is darker than a border round a place. light: (rows, columns)."""
    reach = round(1.3 * radius)
    top, left = max(0, y - reach), max(0, x - reach)
    near = light[top : y + reach + 1, left : x + reach + 1]
    weight = np.maximum(border - near, 0)
    if weight.sum() <= 0:
        return y, x
    rows, columns = np.mgrid[0 : near.shape[0], 0 : near.shape[1]]
    total = float(weight.sum())
    return top + round(float((weight * rows).sum()) / total), left + round(float((weight * columns).sum()) / total)


def _hair_spots(lab: FloatArray, box: FaceBox, person: BoolArray, skin: FloatArray) -> tuple[Spot, ...]:
    """Up to three places on the hair above and beside the brow."""
    rows, columns = lab.shape[:2]
    reach = max(2, round(0.03 * box.width * columns))
    kept: list[tuple[Spot, FloatArray]] = []
    for x in (0.5, 0.32, 0.68, 0.16, 0.84):
        for y in np.arange(-0.02, -0.62, -0.05):
            spot = _to_photo(box, x, float(y))
            column, row = int(spot[0] * columns), int(spot[1] * rows)
            if row < reach or not (reach <= column < columns - reach):
                break
            if not person[row - reach : row + reach + 1, column - reach : column + reach + 1].all():
                break
            higher = (spot[0], max(0.0, spot[1] - 0.05 * box.height))
            colour, above = _patch(lab, box, spot), _patch(lab, box, higher)
            inside = person[min(int(higher[1] * rows), rows - 1), column]
            if np.linalg.norm(colour - skin) > HAIR_FROM_SKIN and np.linalg.norm(colour - above) < STEADY:
                # the hairline itself is skin and hair at once
                kept.append((higher, above) if inside else (spot, colour))
                break
    if not kept:
        return ()
    middle = np.median([colour for _, colour in kept], axis=0)
    kept.sort(key=lambda one: float(np.linalg.norm(one[1] - middle)))
    return tuple(spot for spot, _ in kept[:3])
