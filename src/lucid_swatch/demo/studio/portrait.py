"""A drawn portrait: a face with skin, hair and eyes of known colour in a room. Nobody real."""

from dataclasses import dataclass

import cv2
import numpy as np

from lucid_swatch.core.colour.arrays import ByteArray, FloatArray
from lucid_swatch.core.colour.spaces import encode_srgb, lab_to_rgb_linear

from .noise import layered_noise, smooth_noise
from .silhouettes import smooth, whole

WIDTH, HEIGHT = 800, 1000
CENTRE = np.array([400.0, 430.0])
UNIT = 178.0
"""Half the width of the face in pixels."""
LIGHT_FROM = np.array([-0.42, -0.45, 0.79])

Lab = tuple[float, float, float]
SMOCK: Lab = (38.0, 0.0, -1.0)
"""The grey smock that a studio lays over a client's own clothes."""


@dataclass(frozen=True)
class Sitter:
    """Colours of a face, CIELAB."""

    skin: Lab
    hair: Lab
    eyes: Lab
    hair_style: str = "up"
    """up, short or bob."""
    fringe: bool = False
    """Whether hair falls over the forehead."""


SPOTS: dict[str, tuple[tuple[float, float], ...]] = {
    kind: tuple(((CENTRE[0] + x * UNIT) / WIDTH, (CENTRE[1] + y * UNIT) / HEIGHT) for x, y in places)
    for kind, places in {
        "skin": ((-0.45, 0.38), (0.45, 0.40), (0.0, -0.52)),
        "hair": ((-0.45, -1.06), (0.40, -1.10), (0.0, -1.22)),
        "eyes": ((-0.452, -0.012), (0.368, -0.012)),
    }.items()
}
"""Where a stylist would put the sample spots, in fractions of the portrait."""


def draw_portrait(sitter: Sitter, lamp: tuple[float, float, float], seed: int, cloth: Lab = SMOCK) -> ByteArray:
    """A portrait under a lamp. Returns (HEIGHT, WIDTH, 3), encoded sRGB; the same seed gives the same picture.

    cloth: CIELAB of what is worn."""
    rng = np.random.default_rng(seed)
    shape = (HEIGHT, WIDTH)
    y, x = np.mgrid[0:HEIGHT, 0:WIDTH].astype(np.float64)
    wall = lab_to_rgb_linear(np.array([78.0, 0.0, 3.0]))
    picture = np.broadcast_to(wall, (*shape, 3)) * (1.08 - 0.35 * (x / WIDTH))[..., None]
    picture = picture * (1 + 0.012 * layered_noise(rng, shape, 40, 3))[..., None]
    u, v = (x - CENTRE[0]) / UNIT, (y - CENTRE[1]) / UNIT
    hair, skin = _rgb(sitter.hair), _rgb(sitter.skin)
    strands = 1 + 0.30 * smooth_noise(rng, shape, (70, 3.0)) + 0.12 * smooth_noise(rng, shape, (30, 14))
    if sitter.hair_style == "bob":
        back = [(0.0, -1.5), (0.75, -1.38), (1.18, -0.7), (1.22, 0.3), (1.14, 1.05), (0.8, 1.22), (0.0, 1.2)]
        picture = _put(picture, _area(back), hair, _round(u, v, 1.3, 1.6) * strands * 0.82)
    if sitter.hair_style == "up":
        picture = _put(
            picture,
            _area([(0.0, -2.0), (0.34, -1.92), (0.46, -1.6), (0.3, -1.3), (0.0, -1.25)]),
            hair,
            _round(u, v + 1.62, 0.6, 0.5) * strands,
        )
    neck = [(0.0, 0.7), (0.52, 0.7), (0.5, 1.5), (0.62, 1.78), (0.4, 2.3), (0.0, 2.5)]
    picture = _put(picture, _area(neck), skin, 0.62 + 0.16 * np.clip(v - 1.1, 0, 1) - 0.20 * np.clip(u, -0.5, 0.5))
    smock = [(0.0, 2.28), (0.3, 2.12), (0.60, 1.72), (1.2, 1.98), (1.9, 2.25), (2.3, 2.7), (2.4, 4.2), (0.0, 4.2)]
    folds = 0.85 + 0.10 * smooth_noise(rng, shape, (160, 60)) - 0.12 * np.clip(u / 2, -1, 1)
    picture = _put(picture, _area(smock), _rgb(cloth), folds)
    for side in (-1, 1):
        ear = [
            (side * (1.0 + dx), dy)
            for dx, dy in ((0.0, -0.18), (0.10, -0.16), (0.12, 0.05), (0.05, 0.28), (-0.03, 0.3))
        ]
        picture = _put(picture, _filled(ear), skin, 0.78 + 0 * u)
    face = [
        (0.0, -1.3),
        (0.55, -1.24),
        (0.93, -0.78),
        (1.0, -0.1),
        (0.95, 0.42),
        (0.72, 0.98),
        (0.34, 1.36),
        (0.0, 1.42),
    ]
    picture = _put(picture, _area(face), skin, _face_shade(u, v) * (1 + 0.012 * layered_noise(rng, shape, 6, 2)))
    blush = np.exp(-(((np.abs(u) - 0.55) / 0.24) ** 2) - ((v - 0.30) / 0.2) ** 2)
    picture = picture * (1 - blush[..., None] * np.array([0.0, 0.05, 0.045]))
    for side in (-1, 1):
        picture = _eye(picture, u - side * 0.41, v + 0.02, sitter, side)
    lips = [(0.0, 0.80), (0.10, 0.755), (0.34, 0.855), (0.16, 0.97), (0.0, 0.985)]
    lip = _rgb((sitter.skin[0] * 0.78, sitter.skin[1] + 14, sitter.skin[2] * 0.85))
    seam = np.exp(-(((v - 0.862 - 0.03 * np.cos(u * 8)) / 0.018) ** 2))
    picture = _put(picture, _area(lips), lip, 0.95 - 0.45 * seam + 0.10 * np.exp(-(((v - 0.92) / 0.03) ** 2)))
    crown = [
        (0.0, -1.46),
        (0.62, -1.36),
        (1.03, -0.84),
        (1.06, -0.25),
        *[(0.97, -0.30)] * 2,
        (0.86, -0.72),
        (0.45, -0.98),
        (0.0, -0.90),
    ]
    if sitter.hair_style == "bob":
        crown = [
            (0.0, -1.5),
            (0.70, -1.40),
            (1.16, -0.8),
            (1.2, 0.2),
            (1.10, 0.95),
            *[(0.93, 0.9)] * 2,
            (0.94, 0.0),
            (0.80, -0.62),
            (0.4, -0.93),
            (0.0, -0.86),
        ]
    picture = _put(picture, _area(crown), hair, _round(u, v, 1.25, 1.55) * strands * 1.05)
    if sitter.fringe:
        over = [(0.0, -1.3), (0.7, -1.15), (0.92, -0.7), (0.9, -0.3), *[(0.8, -0.26)] * 2, (0.4, -0.33), (0.0, -0.36)]
        picture = _put(picture, _area(over), hair, _round(u, v, 1.25, 1.55) * strands)
    seen = picture * np.array(lamp) + rng.standard_normal(picture.shape) * (
        0.002 + 0.008 * np.sqrt(np.clip(picture, 0, 1))
    )
    seen = np.where(seen > 0.8, 0.8 + 0.2 * np.tanh((seen - 0.8) / 0.2), seen)
    return np.rint(encode_srgb(cv2.GaussianBlur(seen, (0, 0), 0.7)) * 255).astype(np.uint8)


def _rgb(lab: Lab) -> FloatArray:
    return np.maximum(lab_to_rgb_linear(np.array(lab)), 0.002)


def _filled(points: list[tuple[float, float]]) -> FloatArray:
    mask = np.zeros((HEIGHT, WIDTH), np.uint8)
    places = smooth(points) * UNIT + CENTRE
    cv2.fillPoly(mask, [(places * 16).round().astype(np.int32)], 255, cv2.LINE_AA, 4)
    return cv2.GaussianBlur(mask.astype(np.float64) / 255, (0, 0), 1.3)


def _area(right: list[tuple[float, float]]) -> FloatArray:
    """A symmetrical soft mask from its right half."""
    return _filled(whole(right))


def _put(picture: FloatArray, mask: FloatArray, rgb: FloatArray, shade: FloatArray) -> FloatArray:
    return picture * (1 - mask[..., None]) + rgb * np.clip(shade, 0.05, 1.8)[..., None] * mask[..., None]


def _lit(height: FloatArray) -> FloatArray:
    slope_y, slope_x = np.gradient(height * UNIT)
    direct = np.clip((-slope_x * LIGHT_FROM[0] - slope_y * LIGHT_FROM[1] + LIGHT_FROM[2]), 0, None)
    return 0.40 + 0.60 * direct / np.sqrt(1 + slope_x**2 + slope_y**2) / LIGHT_FROM[2]


def _round(u: FloatArray, v: FloatArray, wide: float, high: float) -> FloatArray:
    """Light on an egg."""
    return _lit(0.9 * np.sqrt(np.clip(1.05 - (u / wide) ** 2 - (v / high) ** 2, 0.02, None)))


def _face_shade(u: FloatArray, v: FloatArray) -> FloatArray:
    height = 0.62 * np.sqrt(np.clip(1.25 - (u / 1.12) ** 2 - ((v - 0.05) / 1.6) ** 2, 0.02, None))
    height += 0.16 * np.exp(-((u / 0.11) ** 2)) * np.exp(-(((v - 0.12) / 0.34) ** 2))
    height += 0.10 * np.exp(-((u / 0.17) ** 2) - ((v - 0.44) / 0.10) ** 2)
    height -= 0.07 * np.exp(-(((np.abs(u) - 0.41) / 0.24) ** 2) - ((v + 0.02) / 0.13) ** 2)
    height += 0.05 * np.exp(-((u / 0.3) ** 2) - ((v - 0.88) / 0.13) ** 2)
    nostrils = np.exp(-(((np.abs(u) - 0.085) / 0.035) ** 2) - ((v - 0.525) / 0.022) ** 2)
    under_nose = np.exp(-((u / 0.20) ** 2) - ((v - 0.57) / 0.04) ** 2)
    return _lit(cv2.GaussianBlur(height, (0, 0), 2)) * (1 - 0.6 * nostrils) * (1 - 0.16 * under_nose)


def _eye(picture: FloatArray, u: FloatArray, v: FloatArray, sitter: Sitter, side: int) -> FloatArray:
    half = 0.205
    inside = np.clip(1 - (u / half) ** 2, 0, 1)
    upper, lower = -0.105 * inside**0.8, 0.068 * inside
    opening = _edge(v - upper, 0.010) * _edge(lower - v, 0.010) * (np.abs(u) < half)
    picture = _put(picture, opening, _rgb((86.0, 1.0, 3.0)), 0.92 - 0.5 * np.exp(-(((v - upper) / 0.035) ** 2)))
    radius = np.hypot(u, v + 0.012)
    iris = _edge(0.098 - radius, 0.008) * opening
    ring = 1 - 0.30 * np.exp(-(((radius - 0.094) / 0.016) ** 2))
    picture = _put(picture, iris, _rgb(sitter.eyes), ring)
    picture = _put(picture, _edge(0.037 - radius, 0.006) * opening, _rgb((5.0, 0.0, 0.0)), np.ones_like(u))
    spark = np.exp(-(((u + 0.03) / 0.013) ** 2) - ((v + 0.05) / 0.013) ** 2) * opening
    picture = picture + spark[..., None] * 0.8
    lash = np.exp(-(((v - upper + 0.008) / 0.017) ** 2)) * (np.abs(u) < half * 1.03)
    fold = 0.5 * np.exp(-(((v - upper + 0.075) / 0.014) ** 2)) * (np.abs(u) < half)
    picture = picture * (1 - 0.88 * lash)[..., None] * (1 - 0.28 * fold)[..., None]
    out = u * side
    arch = -0.275 - 0.07 * np.cos((out - 0.06) / 0.30 * 1.2) + 0.02
    brow = _edge(0.030 - np.abs(v - arch) - 0.018 * np.clip(out, 0, 1) / 0.3, 0.012) * _edge(
        0.285 - np.abs(out - 0.02), 0.03
    )
    return _put(picture, 0.8 * brow, _rgb(sitter.hair), np.ones_like(u))


def _edge(distance: FloatArray, softness: float) -> FloatArray:
    edge: FloatArray = 1 / (1 + np.exp(-np.clip(distance / softness * 3, -40, 40)))
    return edge
