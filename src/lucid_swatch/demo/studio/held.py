"""A hand that holds a piece up into the picture, drawn over it. Nobody's."""

import cv2
import numpy as np

from lucid_swatch.core.colour.arrays import BoolArray, ByteArray, FloatArray
from lucid_swatch.core.colour.spaces import lab_to_rgb_linear

from .noise import layered_noise

Lab = tuple[float, float, float]

PALM, FINGER, WRIST, ELBOW = 34, 10, 25, 38
"""Half widths in pixels."""
FINGERS = 4


def held(picture: FloatArray, piece: BoolArray, skin: Lab, rng: np.random.Generator) -> tuple[FloatArray, BoolArray]:
    """A picture with a hand that holds the piece by a shoulder, the arm coming from above.

    picture: (rows, columns, 3), light. piece: (rows, columns). Returns the picture and where the hand is."""
    rows, columns = np.nonzero(piece)
    side = -1 if rng.random() < 0.5 else 1
    at = int(np.argmin(rows + 0.7 * side * -columns)) if side > 0 else int(np.argmin(rows + 0.7 * columns))
    grip = np.array([columns[at], rows[at]], dtype=float)
    away = np.array([side * float(rng.uniform(0.25, 0.6)), -1.0])
    away /= np.linalg.norm(away)
    beside = np.array([-away[1], away[0]])
    hand = np.zeros(piece.shape, bool)
    lit = picture.copy()
    colour = lab_to_rgb_linear(np.array(skin))
    knuckle = lab_to_rgb_linear(np.array([skin[0] - 3, skin[1] + 3, skin[2]]))
    grain = 1 + 0.02 * layered_noise(rng, piece.shape, 6, 2)
    parts = [(_limb(piece.shape, grip + 30 * away, grip + 900 * away, WRIST, ELBOW), ELBOW, colour)]
    parts += [(_limb(piece.shape, grip + 34 * away, grip + 14 * away, PALM, PALM - 4), PALM, colour)]
    for k in range(FINGERS):
        start = grip + 16 * away + (k - (FINGERS - 1) / 2) * 1.7 * FINGER * beside
        end = start - (44 + float(rng.uniform(-8, 8))) * away + float(rng.uniform(-4, 4)) * beside
        parts.append((_limb(piece.shape, start, end, FINGER + 1, FINGER - 2), FINGER, knuckle))
    for mask, width, own in parts:
        depth = cv2.distanceTransform(mask, cv2.DIST_L2, 5) / width
        shade = 0.62 + 0.38 * np.sqrt(np.clip(1 - (1 - np.clip(depth, 0, 1)) ** 2, 0, 1))
        soft = cv2.GaussianBlur(mask.astype(np.float32) / 255, (0, 0), 0.8)[..., None]
        cast = cv2.GaussianBlur(np.roll(soft[..., 0], (5, 4), axis=(0, 1)), (0, 0), 4)
        lit = lit * (1 - 0.25 * cast)[..., None]
        lit = lit * (1 - soft) + own * (shade * grain)[..., None] * soft
        hand |= mask > 127
    return lit, hand


def _limb(shape: tuple[int, ...], start: FloatArray, end: FloatArray, first: float, last: float) -> ByteArray:
    """A rounded stretch from one half width to another. 255 inside."""
    mask = np.zeros(shape, np.uint8)
    along = (end - start) / np.linalg.norm(end - start)
    beside = np.array([-along[1], along[0]])
    rim = [start + first * beside, end + last * beside, end - last * beside, start - first * beside]
    cv2.fillPoly(mask, [(np.array(rim) * 16).round().astype(np.int32)], 255, cv2.LINE_AA, 4)
    for middle, width in ((start, first), (end, last)):
        centre = tuple(round(float(c) * 16) for c in middle)
        cv2.circle(mask, centre, int(width * 16), 255, -1, cv2.LINE_AA, 4)
    return mask
