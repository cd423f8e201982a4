"""The head of a portrait, cut out and set upright at one size, so that it can stand on a drawn body."""

from dataclasses import dataclass

import cv2
import numpy as np

from ..colour.arrays import BoolArray, ByteArray, FloatArray
from ..colour.spaces import decode_srgb, rgb_linear_to_lab
from .portrait import Spot

WIDE, ABOVE_CHIN, BELOW_CHIN = 36.0, 38.0, 22.0
"""Centimetres that the picture shows: across, and above and below the chin, room for hair that is put up or hangs."""
SCALE = 12.0
"""Pixels for each centimetre of it."""
BETWEEN_PUPILS = 6.3
"""Centimetres, in the middle. Source: Dodgson 2004, Proceedings of SPIE 5291."""
EYES_TO_CHIN = 10.8
"""Centimetres. Source: from the root of the nose to the chin, 11.8 in the middle, Zhuang and Bradtmiller 2005, Journal of
Occupational and Environmental Hygiene 2; the pupils lie about one below that root."""
FACE_HALF = 7.4
"""Half the width of a face before the ears, centimetres."""
EARS_HALF = 9.2
FEATHER = 0.35
"""Centimetres over which the cut fades."""
NARROWEST, WIDEST = 0.04, 0.4
"""Between two pupils, of the width of the portrait: else the lenses do not lie on two eyes."""


@dataclass(frozen=True, slots=True, eq=False)
class Head:
    """A head on nothing."""

    srgb: ByteArray
    """(rows, columns, 3); the chin lies in the middle, ABOVE_CHIN below the top."""
    opacity: FloatArray
    """(rows, columns), 0 to 1."""


def can_be_cut(eyes: tuple[Spot, ...]) -> bool:
    """Whether two eyes are known, as far from each other as eyes can be. eyes: fractions of the portrait."""
    if len(eyes) != 2:
        return False
    (x0, y0), (x1, y1) = eyes
    return NARROWEST < abs(x1 - x0) < WIDEST and abs(y1 - y0) < 0.7 * abs(x1 - x0)


def cut_head(srgb: ByteArray, person: FloatArray, eyes: tuple[Spot, ...], hair: FloatArray | None) -> Head:
    """Face, ears and hair of a portrait, without the neck and what is worn.

    srgb: (rows, columns, 3), relit. person: (rows, columns), 0 to 1, how much of each pixel is the person. eyes: two, that
    can be cut by. hair: (3,), CIELAB of the hair, where it is known."""
    turn = _upright(srgb.shape[:2], eyes)
    size = (round(WIDE * SCALE), round((ABOVE_CHIN + BELOW_CHIN) * SCALE))
    picture = cv2.warpAffine(srgb, turn, size, flags=cv2.INTER_AREA, borderMode=cv2.BORDER_REPLICATE)
    there = cv2.warpAffine(person.astype(np.float32), turn, size, flags=cv2.INTER_LINEAR)
    y, x = np.mgrid[0 : size[1], 0 : size[0]]
    below = y / SCALE - ABOVE_CHIN
    beside = np.abs(x / SCALE - WIDE / 2)
    kept = _face(beside, below)
    if hair is not None:
        kept = np.maximum(kept, _hair(picture, there > 0.5, beside, below, hair))
    soft = cv2.GaussianBlur(kept.astype(np.float32), (0, 0), FEATHER * SCALE)
    # inside the outline of the person the cut is soft, at that outline it is as sharp as it was found
    return Head(picture, np.minimum(there, soft))


def _upright(shape: tuple[int, ...], eyes: tuple[Spot, ...]) -> FloatArray:
    """The map that lays two eyes level, at their distance and height in the picture. (2, 3), pixels."""
    rows, columns = shape
    left, right = sorted((x * columns, y * rows) for x, y in eyes)
    across = np.array(right) - np.array(left)
    middle = (np.array(right) + np.array(left)) / 2
    grow = BETWEEN_PUPILS * SCALE / float(np.linalg.norm(across))
    angle = np.degrees(np.arctan2(across[1], across[0]))
    turn: FloatArray = cv2.getRotationMatrix2D((float(middle[0]), float(middle[1])), float(angle), grow)
    turn[:, 2] += np.array([WIDE / 2, ABOVE_CHIN - EYES_TO_CHIN]) * SCALE - middle
    return turn


def _face(beside: FloatArray, below: FloatArray) -> FloatArray:
    """Everything down to the ears, then the oval of the jaw. (rows, columns), 0 or 1."""
    ear_ends = -EYES_TO_CHIN + 4.5
    # a jaw is squarer than half an ellipse
    down = np.clip((below - ear_ends) / -ear_ends, 0, 1)
    half = FACE_HALF * (1 - down**2.6) ** 0.55
    jaw = (below <= 0) & (beside <= half)
    above = below <= ear_ends
    # hair stands wider than ears, and starts above them
    return np.where(above & ((beside <= EARS_HALF) | (below < -EYES_TO_CHIN - 1.0)), 1.0, jaw.astype(float))


HANGS_HALF = 13.0
"""Centimetres from the middle within which hair hangs below the chin."""
NEAR_HAIR = 16.0
"""CIELAB units, lightness counted by half, from the middle of the hair."""


def _hair(picture: ByteArray, person: BoolArray, beside: FloatArray, below: FloatArray, hair: FloatArray) -> FloatArray:
    """Hair that hangs beside and below the jaw: of its colour, and all in one with what lies above. 0 or 1."""
    lab = rgb_linear_to_lab(decode_srgb(cv2.GaussianBlur(picture, (0, 0), 1.2) / 255.0))
    away = np.sqrt((0.5 * (lab[..., 0] - hair[0])) ** 2 + (lab[..., 1] - hair[1]) ** 2 + (lab[..., 2] - hair[2]) ** 2)
    like = ((away < NEAR_HAIR) & person).astype(np.uint8)
    like = cv2.morphologyEx(like, cv2.MORPH_OPEN, np.ones((5, 5), np.uint8))
    # dark cloth looks like dark hair, but a shoulder is wider than what hangs
    shoulders = (below > 0) & (like > 0) & (beside > HANGS_HALF)
    if shoulders.any():
        like[np.flatnonzero(shoulders.any(axis=1))[0] :] = 0
    high = below < -EYES_TO_CHIN
    count, labels = cv2.connectedComponents(like)
    joined = np.zeros(count, dtype=bool)
    joined[np.unique(labels[high & (like > 0)])] = True
    joined[0] = False
    return joined[labels].astype(float)
