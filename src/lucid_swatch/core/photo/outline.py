"""From a rough probability to the outline of the garment."""

from dataclasses import dataclass, replace

import cv2
import numpy as np

from ..colour.arrays import BoolArray, ByteArray, FloatArray
from ..problems import Refused
from .ground import open_holes, softened, with_linings, without_rug
from .hand import without_hand
from .tag import without_tag

EDGE_SIDE = 384
"""Long side of the picture on which the edge is refined."""


@dataclass(frozen=True, slots=True, eq=False)
class Outline:
    """Where the garment is."""

    mask: BoolArray
    """(rows, columns)."""
    confidence: float
    """0..1: how firmly the rough guess and the refined edge agree."""
    method: str

    @property
    def share(self) -> float:
        """Part of the picture that is garment, 0..1."""
        return float(self.mask.mean())


def find_outline(srgb: ByteArray, probability: FloatArray, person: bool = False) -> Outline:
    """The garment in a photo.

    srgb: (rows, columns, 3). probability: (rows, columns), 0..1, from a salient-object network. person: whether it is
    somebody and no garment: skin may well have a colour of what is behind, and nothing is seen through a face.
    Refused when nothing stands out. Source of the edge: GrabCut, Rother et al. 2004."""
    rows, columns = probability.shape
    size = edge_size((rows, columns))
    small = cv2.resize(srgb, size, interpolation=cv2.INTER_AREA)
    rough = cv2.resize(probability, size, interpolation=cv2.INTER_AREA)
    found = float((rough > 0.5).mean())
    method = "salient-object network, GrabCut edge"
    if found < 0.004:
        rough, method = _centre_guess(rough.shape), "GrabCut from the middle of the picture"
    refined = _refine(small, rough)
    guessed = found < 0.004
    if not refined.any() or (guessed and not _stands_out(small, refined)):
        raise Refused(
            "no garment could be found in the photo.",
            do="Photograph one garment on a plain ground of another colour, or draw over its cloth.",
        )
    lab = softened(small)
    refined = _largest_parts(refined if person else without_hand(small, without_rug(lab, refined)))
    # before holes are opened: the network never sees them, and they are no doubt
    agreement = float((refined & (rough > 0.5)).sum() / max((refined | (rough > 0.5)).sum(), 1))
    decided = float(np.abs(rough[refined] - 0.5).mean() * 2)
    if not person:
        refined = without_tag(small, open_holes(lab, with_linings(lab, refined)))
    mask = smooth_edge(refined, (rows, columns))
    confidence = 0.2 if guessed else agreement * decided
    return Outline(mask, float(np.clip(confidence, 0.0, 1.0)), method)


def edge_size(shape: tuple[int, ...]) -> tuple[int, int]:
    """Columns and rows of the picture on which the edge is refined. shape: rows and columns of the photo."""
    scale = EDGE_SIDE / max(shape[:2])
    return max(1, round(shape[1] * scale)), max(1, round(shape[0] * scale))


def enlarged(outline: Outline, shape: tuple[int, int]) -> Outline:
    """The same outline on a larger picture of the same photo. shape: its rows and columns."""
    return replace(outline, mask=smooth_edge(outline.mask, shape))


LEAST_DIFFERENCE = 10.0
"""CIELAB units between a place and its ground below which it is part of the ground."""


def _stands_out(srgb: ByteArray, mask: BoolArray) -> bool:
    """Whether a guessed place differs from what lies around it. srgb: (rows, columns, 3)."""
    if mask.all():
        return False
    lab = cv2.cvtColor(srgb.astype(np.float32) / 255, cv2.COLOR_RGB2LAB)
    return bool(np.linalg.norm(np.median(lab[mask], axis=0) - np.median(lab[~mask], axis=0)) > LEAST_DIFFERENCE)


def smooth_edge(mask: BoolArray, shape: tuple[int, int]) -> BoolArray:
    """A mask at another size, the stairs of its edge smoothed. shape: rows and columns wanted."""
    soft = cv2.GaussianBlur(mask.astype(np.float32), (0, 0), 1.0)
    enlarged: BoolArray = cv2.resize(soft, shape[::-1], interpolation=cv2.INTER_CUBIC) > 0.5
    return enlarged


def _centre_guess(shape: tuple[int, ...]) -> FloatArray:
    y, x = np.mgrid[0 : shape[0], 0 : shape[1]]
    inside = (np.abs(y / shape[0] - 0.5) < 0.4) & (np.abs(x / shape[1] - 0.5) < 0.4)
    return np.where(inside, 0.6, 0.0)


def _refine(small: ByteArray, rough: FloatArray) -> BoolArray:
    marks = np.full(rough.shape, cv2.GC_PR_BGD, dtype=np.uint8)
    marks[rough > 0.5] = cv2.GC_PR_FGD
    core = cv2.erode((rough > 0.9).astype(np.uint8), np.ones((7, 7), np.uint8)) > 0
    near = cv2.dilate((rough > 0.25).astype(np.uint8), np.ones((13, 13), np.uint8)) > 0
    marks[core] = cv2.GC_FGD
    marks[~near] = cv2.GC_BGD
    if not core.any() and not (marks == cv2.GC_PR_FGD).any():
        return core
    if not (marks == cv2.GC_BGD).any() and not (marks == cv2.GC_PR_BGD).any():
        return np.ones_like(core)
    box = _around(near)
    place = box if (marks[box] == cv2.GC_BGD).any() else np.s_[:, :]
    marks[place] = _cut(np.ascontiguousarray(small[place]), np.ascontiguousarray(marks[place]))
    cut = (marks == cv2.GC_FGD) | (marks == cv2.GC_PR_FGD)
    # where the network is sure, the colour model has no say: a white collar on a white wall stays cloth
    cut = (cut | (rough > 0.9)) & (rough > 0.1)
    opened = cv2.morphologyEx(cut.astype(np.uint8), cv2.MORPH_OPEN, np.ones((3, 3), np.uint8))
    return cv2.morphologyEx(opened, cv2.MORPH_CLOSE, np.ones((5, 5), np.uint8)) > 0


def _cut(picture: ByteArray, marks: ByteArray) -> ByteArray:
    """The marks with the unsure places decided. picture: (rows, columns, 3). marks: (rows, columns), of GrabCut."""
    if np.ptp(picture.reshape(-1, 3), axis=0).max() <= FLAT:
        return marks  # without an edge there is nothing to decide, and groups of one colour are looked for without end
    background, foreground = np.zeros((1, 65)), np.zeros((1, 65))
    few = np.s_[::EVERY, ::EVERY]
    cloth = np.isin(marks[few], (cv2.GC_FGD, cv2.GC_PR_FGD))
    start = few if min(cloth.sum(), (~cloth).sum()) >= LEAST_COLOURS else np.s_[:, :]
    cv2.setRNGSeed(7)
    models = background, foreground
    # the groups of colour are found nearly as well on a few places, and are refined on all of them
    cv2.grabCut(np.ascontiguousarray(picture[start]), marks[start].copy(), None, *models, 2, cv2.GC_INIT_WITH_MASK)
    cv2.grabCut(picture, marks, None, *models, 1, cv2.GC_EVAL)
    return marks


FLAT = 2
"""Steps of 255 by which a picture may differ from itself and still be one flat colour."""
EVERY, LEAST_COLOURS = 3, 200
"""Rows and columns of the places on which the groups of colour are found; and how many it takes of either side."""


def _around(near: BoolArray) -> tuple[slice, slice]:
    """The rectangle that holds a place, with some of its ground to compare with."""
    rows, columns = np.flatnonzero(near.any(axis=1)), np.flatnonzero(near.any(axis=0))
    return (
        slice(max(0, int(rows[0]) - GROUND_RIM), int(rows[-1]) + GROUND_RIM + 1),
        slice(max(0, int(columns[0]) - GROUND_RIM), int(columns[-1]) + GROUND_RIM + 1),
    )


GROUND_RIM = 16


def _largest_parts(mask: BoolArray) -> BoolArray:
    """Keeps the largest part and those at least a sixth of it: a pair of shoes is one piece."""
    count, labels, stats, _ = cv2.connectedComponentsWithStats(mask.astype(np.uint8), connectivity=8)
    if count <= 2:
        return mask
    area = stats[1:, cv2.CC_STAT_AREA]
    keep = 1 + np.flatnonzero(area >= area.max() / 6)
    return np.isin(labels, keep)


def outline_polygons(mask: BoolArray, tolerance: float = 0.002) -> list[list[tuple[float, float]]]:
    """The outline as closed polygons, in fractions of the picture from its top left corner, largest first.

    mask: (rows, columns). tolerance: allowed deviation as a fraction of the long side."""
    rows, columns = mask.shape
    contours, _ = cv2.findContours(mask.astype(np.uint8), cv2.RETR_CCOMP, cv2.CHAIN_APPROX_NONE)
    contours = sorted(contours, key=cv2.contourArea, reverse=True)
    least = mask.sum() / 400
    polygons: list[list[tuple[float, float]]] = []
    for contour in contours:
        if cv2.contourArea(contour) < least and polygons:
            break
        line = cv2.approxPolyDP(contour, tolerance * max(rows, columns), closed=True)[:, 0, :]
        polygons.append([(round(float(x) / columns, 4), round(float(y) / rows, 4)) for x, y in line])
    return polygons


def without_card(rgb_linear: FloatArray, mask: BoolArray, x: float, y: float) -> BoolArray:
    """The mask without the paper or card that was tapped, where the outline took it for part of the garment.

    rgb_linear: (rows, columns, 3). mask: (rows, columns). x, y: the tapped place in fractions. Only an evenly
    coloured place of at most LARGEST_CARD of the picture is left out: who taps the garment itself keeps it."""
    rows, columns = mask.shape
    seed = (min(int(x * columns), columns - 1), min(int(y * rows), rows - 1))
    if not mask[seed[1], seed[0]]:
        return mask
    picture = cv2.GaussianBlur(np.sqrt(np.clip(rgb_linear, 0, 1)).astype(np.float32), (0, 0), 1.5)
    step = (CARD_STEP,) * 3
    place = np.zeros((rows + 2, columns + 2), np.uint8)
    flags = 4 | cv2.FLOODFILL_MASK_ONLY | cv2.FLOODFILL_FIXED_RANGE | (1 << 8)
    cv2.floodFill(picture, place, seed, 0, step, step, flags)
    card = cv2.dilate(place[1:-1, 1:-1], np.ones((5, 5), np.uint8)) > 0
    left: BoolArray = mask & ~card
    small = card.mean() < LARGEST_CARD and left.sum() > 0.4 * mask.sum()
    return left if small and card.sum() > 60 else mask


LARGEST_CARD = 0.12
CARD_STEP = 0.05
"""Difference from the tapped place, in square roots of linear light, that is still the card."""
