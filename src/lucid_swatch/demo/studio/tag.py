"""A paper tag with two lines of writing that hangs from a thread on the front of a piece."""

import cv2
import numpy as np

from lucid_swatch.core.colour.arrays import BoolArray, FloatArray
from lucid_swatch.core.colour.spaces import lab_to_rgb_linear

PAPER, INK = (93.0, 0.0, 3.0), (25.0, 0.0, 0.0)
WIDTH, HEIGHT = 0.19, 0.13
"""Of the square root of the area of the piece."""


def tagged(picture: FloatArray, piece: BoolArray, rng: np.random.Generator) -> tuple[FloatArray, BoolArray]:
    """A picture with a tag on the piece, where there is most cloth round it.

    picture: (rows, columns, 3), light. piece: (rows, columns). Returns the picture and where the tag is."""
    room = cv2.distanceTransform(np.pad(piece.astype(np.uint8), 1), cv2.DIST_L2, 5)[1:-1, 1:-1]
    room = room + rng.uniform(0, 1, room.shape)
    row, column = np.unravel_index(int(room.argmax()), room.shape)
    side = float(np.sqrt(piece.sum()))
    turned = np.radians(float(rng.uniform(-25, 25)) + 90)
    along, beside = np.array([np.cos(turned), np.sin(turned)]), np.array([-np.sin(turned), np.cos(turned)])
    middle = np.array([column, row], dtype=float)
    long, short = side * WIDTH / 2, side * HEIGHT / 2
    card = _filled(piece.shape, [middle + a * long * along + b * short * beside for a, b in _CORNERS])
    lit = picture * (1 - 0.3 * np.roll(cv2.GaussianBlur(card, (0, 0), 4), (4, 3), axis=(0, 1)))[..., None]
    lit = _laid(lit, card, lab_to_rgb_linear(np.array(PAPER)))
    for line in (-0.25, 0.2):
        ends = [middle + (line * long + a * 0.05 * long) * along + b * 0.7 * short * beside for a, b in _CORNERS]
        lit = _laid(lit, _filled(piece.shape, ends), lab_to_rgb_linear(np.array(INK)))
    return lit, card > 0.5


_CORNERS = ((-1, -1), (1, -1), (1, 1), (-1, 1))


def _filled(shape: tuple[int, ...], corners: list[FloatArray]) -> FloatArray:
    """A polygon, 0..1. corners: columns and rows."""
    mask = np.zeros(shape, np.uint8)
    cv2.fillPoly(mask, [(np.array(corners) * 16).round().astype(np.int32)], 255, cv2.LINE_AA, 4)
    return cv2.GaussianBlur(mask.astype(np.float64) / 255, (0, 0), 0.8)


def _laid(picture: FloatArray, mask: FloatArray, colour: FloatArray) -> FloatArray:
    return picture * (1 - mask[..., None]) + colour * mask[..., None]
