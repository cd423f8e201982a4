"""A photo of a piece: cloth on a silhouette, in a room, under a lamp, through a camera. The truth is kept beside it."""

from dataclasses import dataclass, field
from typing import Any

import cv2
import numpy as np

from lucid_swatch.core.colour.arrays import BoolArray, ByteArray, FloatArray, IntArray
from lucid_swatch.core.colour.spaces import encode_srgb, lab_to_rgb_linear
from lucid_swatch.core.garment.vocabulary import Category

from .cloth import Cloth, colour_map, surface_of, weave
from .held import Lab, held
from .noise import creases, layered_noise, smooth_noise
from .silhouettes import Part, parts_of, smooth
from .tag import tagged

WIDTH, HEIGHT = 750, 1000
USUAL_EXPOSURE = 1.2
"""Phones expose clothes a little above what they reflect."""
LIGHT_FROM = np.array([-0.45, -0.60, 0.66])


@dataclass(frozen=True)
class Room:
    """Where and under what light a photo is taken."""

    ground: str = "wall"
    """wall, wood, sheet, door or carpet."""
    lamp: tuple[float, float, float] = (1.0, 1.0, 1.0)
    """What the camera left of the colour of the light, linear, green 1."""
    exposure: float = 1.0
    card: bool = False
    """Whether a white card lies in the picture."""
    tilt: float = 0.0
    """Degrees that the camera is turned."""
    hand: Lab | None = None
    """CIELAB of the skin of a hand that holds the piece up, where one does."""
    tag: bool = False
    """Whether a paper tag still hangs on the piece."""


@dataclass(frozen=True)
class Subject:
    """What is photographed."""

    category: Category
    cloth: Cloth
    style: str = ""
    trim: tuple[float, float, float] = (22.0, 3.0, 5.0)
    lining: tuple[float, float, float] = (30.0, 2.0, 4.0)
    hardware: tuple[float, float, float] = (30.0, 2.0, 4.0)
    size: float = 0.52
    """Width of the body as a share of the width of the picture."""


@dataclass(frozen=True)
class Truth:
    """What is really there."""

    shares: tuple[float, ...]
    """Of the cloth's colours, in their order, of what is seen of the piece."""
    other: float
    """Share of linings, trims and hardware."""
    neutral: dict[str, float] | None
    mask: BoolArray = field(repr=False)


def photograph(subject: Subject, room: Room, seed: int) -> tuple[ByteArray, Truth]:
    """A photo and its truth. The same seed gives the same photo. Returns (HEIGHT, WIDTH, 3)."""
    rng = np.random.default_rng(seed)
    picture = _ground(room, rng)
    piece = _piece(subject, room, rng)
    shadow = cv2.GaussianBlur(piece.mask.astype(np.float32), (0, 0), 14)
    shadow = np.roll(shadow, (16, 12), axis=(0, 1))
    picture *= (1 - 0.42 * shadow)[..., None]
    neutral = None
    if room.card:
        picture, neutral = _card(picture, rng)
    soft = cv2.GaussianBlur(piece.mask.astype(np.float32), (0, 0), 0.8)[..., None]
    picture = picture * (1 - soft) + piece.light * soft
    mask, index = piece.mask, piece.index
    if room.tag:
        picture, tag = tagged(picture, mask, rng)
        mask, index = mask & ~tag, np.where(tag, -1, index)
    if room.hand is not None:
        picture, hand = held(picture, mask, room.hand, rng)
        mask, index = mask & ~hand, np.where(hand, -1, index)
    seen = [float((index == k).sum()) for k in range(len(subject.cloth.lab))]
    total = max(float(mask.sum()), 1.0)
    truth = Truth(tuple(s / total for s in seen), 1 - sum(seen) / total, neutral, mask)
    return _camera(picture, room, rng), truth


def room_picture(room: Room, rng: np.random.Generator) -> ByteArray:
    """A photo of a room with nothing in it. Returns (HEIGHT, WIDTH, 3)."""
    return _camera(_ground(room, rng), room, rng)


@dataclass
class _Drawn:
    light: FloatArray
    mask: BoolArray
    index: IntArray
    """Which colour of the cloth is seen, -1 for anything else."""


def _piece(subject: Subject, room: Room, rng: np.random.Generator) -> _Drawn:
    shape, body = (HEIGHT, WIDTH), subject.size * WIDTH
    drawn = _Drawn(np.zeros((*shape, 3)), np.zeros(shape, bool), np.full(shape, -1, np.intp))
    parts = [q for part in parts_of(subject.category, subject.style) for q in _with_mirror(part)]
    outlines = [smooth(p.points) for p in parts]
    every = np.concatenate(outlines)
    middle = (every.min(axis=0) + every.max(axis=0)) / 2
    tilt = np.radians(room.tilt)
    turn = np.array([[np.cos(tilt), -np.sin(tilt)], [np.sin(tilt), np.cos(tilt)]])
    fold = creases(rng, shape, body * 0.16, float(rng.uniform(-8, 8)), 4.0) + 0.6 * creases(
        rng, shape, body * 0.09, float(rng.uniform(20, 70)), 2.2
    )
    texture = weave(subject.cloth, rng, shape)
    fabrics = {turned: colour_map(subject.cloth, rng, shape, body, turned) for turned in {p.turn for p in parts}}
    for part, outline in zip(parts, outlines, strict=True):
        places = (outline - middle) @ turn.T * body + np.array([WIDTH / 2, HEIGHT * 0.5])
        _lay(drawn, part, places, subject, body, fold, texture, fabrics[part.turn])
    return drawn


def _with_mirror(part: Part) -> list[Part]:
    if not part.both:
        return [part]
    return [part, Part([(-x, y) for x, y in reversed(part.points)], part.role, -part.turn, False, part.puff)]


def _lay(
    drawn: _Drawn,
    part: Part,
    places: FloatArray,
    subject: Subject,
    body: float,
    fold: FloatArray,
    texture: FloatArray,
    fabric: IntArray,
) -> None:
    """Draws one part over what lies there already; only the rectangle round it is touched."""
    margin = int(body * 0.05) + 6
    low = np.maximum(np.floor(places.min(axis=0)).astype(int) - margin, 0)
    high = np.minimum(np.ceil(places.max(axis=0)).astype(int) + margin, (WIDTH, HEIGHT))
    if (high <= low).any():
        return
    here = (slice(low[1], high[1]), slice(low[0], high[0]))
    mask = np.zeros((high[1] - low[1], high[0] - low[0]), np.uint8)
    cv2.fillPoly(mask, [((places - low) * 16).round().astype(np.int32)], 255, cv2.LINE_AA, 4)
    inside = mask > 127
    if not inside.any():
        return
    below = drawn.mask[here] & ~inside
    if below.any():
        # each part throws a little shade on what it lies on
        cast = np.roll(cv2.GaussianBlur(mask.astype(np.float32) / 255, (0, 0), body * 0.011), (3, 2), axis=(0, 1))
        drawn.light[here][below] *= (1 - 0.30 * cast[below])[:, None]
    cloth = part.role == "cloth"
    shade, shine = _shaded(mask, part, subject.cloth, body, fold[here] if cloth else None)
    if cloth:
        reflectance = lab_to_rgb_linear(np.array(subject.cloth.lab))[fabric[here]]
        shade = shade * (1 + (texture[here] - 1) * (0.5 + surface_of(subject.cloth).relief))
    else:
        own = {"trim": subject.trim, "lining": subject.lining, "hardware": subject.hardware}
        reflectance = lab_to_rgb_linear(np.array(own.get(part.role, subject.cloth.lab[0])))[None, None]
        shade = shade * (0.5 if part.role == "inside" else 1.0)
        shine = shine * (part.role == "hardware")
    light = np.maximum(reflectance, 0.002) * np.clip(shade, 0.15, 1.6)[..., None] + shine[..., None]
    drawn.light[here][inside] = light[inside]
    drawn.index[here][inside] = fabric[here][inside] if cloth or part.role == "inside" else -1
    drawn.mask[here] |= inside


def _shaded(
    mask: ByteArray, part: Part, cloth: Cloth, body: float, fold: FloatArray | None
) -> tuple[FloatArray, FloatArray]:
    """How light falls on a part: what scatters back, 1 on a flat place, and what shines."""
    away = cv2.distanceTransform(mask, cv2.DIST_L2, 5).astype(np.float64)
    reach = max(min(body * 0.05, away.max()), 1.0)
    height = np.sqrt(np.clip(1 - (1 - np.clip(away / reach, 0, 1)) ** 2, 0, 1)) * reach * 0.55 * part.puff
    if fold is not None:
        height = height + body * 0.020 * cloth.folds * fold
    slope_y, slope_x = np.gradient(cv2.GaussianBlur(height, (0, 0), 1.6))
    normal = np.stack([-slope_x, -slope_y, np.ones_like(slope_x)], axis=-1)
    normal /= np.linalg.norm(normal, axis=-1, keepdims=True)
    direct = np.clip(normal @ LIGHT_FROM, 0, None) / LIGHT_FROM[2]
    half = LIGHT_FROM + np.array([0.0, 0.0, 1.0])
    half /= np.linalg.norm(half)
    look = surface_of(cloth)
    return 0.45 + 0.55 * direct, look.gloss * np.clip(normal @ half, 0, 1) ** (look.tight * 6)


def _ground(room: Room, rng: np.random.Generator) -> FloatArray:
    shape = (HEIGHT, WIDTH)
    y, x = np.mgrid[0:HEIGHT, 0:WIDTH].astype(np.float64)
    lab = {"wall": (88, 1, 5), "wood": (60, 11, 26), "sheet": (90, 0, 2), "door": (78, -3, 3), "carpet": (62, 1, 6)}[
        room.ground
    ]
    light = np.broadcast_to(lab_to_rgb_linear(np.array(lab, dtype=float)), (*shape, 3)).copy()
    if room.ground == "wood":
        plank = np.floor(x / 128)
        grain = smooth_noise(rng, shape, (260, 5)) * 0.07 + smooth_noise(rng, shape, (500, 40)) * 0.05
        tint = rng.uniform(0.82, 1.12, 16)[plank.astype(int) % 16]
        gap = (x % 128 < 2.5) | ((y + 370 * (plank % 3)) % 900 < 2.5)
        light *= ((1 + grain) * tint * np.where(gap, 0.45, 1))[..., None]
    elif room.ground == "sheet":
        height = creases(rng, shape, 150, 35, 3) * 5
        slope_y, slope_x = np.gradient(cv2.GaussianBlur(height, (0, 0), 3))
        light *= np.clip(1 - 0.9 * slope_x - 0.9 * slope_y, 0.6, 1.2)[..., None]
        light *= (1 + 0.012 * rng.standard_normal(shape))[..., None]
    elif room.ground == "carpet":
        light *= (1 + 0.13 * smooth_noise(rng, shape, (2.6, 2.6)) + 0.05 * layered_noise(rng, shape, 60, 3))[..., None]
    elif room.ground == "door":
        inner = (np.abs(x - WIDTH / 2) < 275) & (np.abs(y - HEIGHT / 2) < 433)
        edge = cv2.GaussianBlur(inner.astype(np.float32), (0, 0), 2)
        slope_y, slope_x = np.gradient(edge)
        light *= (1 + 1.6 * slope_x + 1.6 * slope_y)[..., None] * (1 + 0.012 * smooth_noise(rng, shape, (90, 3)))[
            ..., None
        ]
    else:
        light *= (1 + 0.018 * layered_noise(rng, shape, 30, 4))[..., None]
    return light


def _card(picture: FloatArray, rng: np.random.Generator) -> tuple[FloatArray, dict[str, float]]:
    side = -1 if rng.random() < 0.5 else 1
    centre = np.array([WIDTH * (0.5 + side * 0.40), HEIGHT * float(rng.uniform(0.80, 0.88))])
    spin = np.radians(float(rng.uniform(-14, 14)))
    half = np.array([[-46, -62], [46, -62], [46, 62], [-46, 62]], dtype=float)
    corners = half @ np.array([[np.cos(spin), np.sin(spin)], [-np.sin(spin), np.cos(spin)]]) + centre
    mask = np.zeros(picture.shape[:2], np.uint8)
    cv2.fillPoly(mask, [(corners * 16).round().astype(np.int32)], 255, cv2.LINE_AA, 4)
    soft = cv2.GaussianBlur(mask.astype(np.float32) / 255, (0, 0), 0.8)
    picture = picture * (1 - 0.35 * np.roll(cv2.GaussianBlur(soft, (0, 0), 6), (7, 5), axis=(0, 1)))[..., None]
    white = lab_to_rgb_linear(np.array([94.0, 0.0, 0.5]))
    picture = picture * (1 - soft[..., None]) + white * soft[..., None]
    return picture, {"x": float(centre[0] / WIDTH), "y": float(centre[1] / HEIGHT), "lightness": 94.0}


def _camera(picture: FloatArray, room: Room, rng: np.random.Generator) -> ByteArray:
    y, x = np.mgrid[0:HEIGHT, 0:WIDTH].astype(np.float64)
    fall = 1.06 - 0.16 * ((x / WIDTH - 0.35) ** 2 + (y / HEIGHT - 0.3) ** 2)
    seen = picture * fall[..., None] * np.array(room.lamp) * (room.exposure * USUAL_EXPOSURE)
    seen = seen + rng.standard_normal(seen.shape) * (0.0022 + 0.010 * np.sqrt(np.clip(seen, 0, 1)))
    # a soft shoulder, as cameras have, instead of a hard end
    seen = np.where(seen > 0.85, 0.85 + 0.15 * np.tanh((seen - 0.85) / 0.15), seen)
    return np.rint(encode_srgb(cv2.GaussianBlur(seen, (0, 0), 0.6)) * 255).astype(np.uint8)


def truth_document(subject: Subject, truth: Truth) -> dict[str, Any]:
    """The truth as kept beside the photo: colours of the cloth, pattern and neutral."""
    cloth = subject.cloth
    seen = [
        {"lab": list(lab), "share": round(share, 4)}
        for lab, share in zip(cloth.lab, truth.shares, strict=True)
        if share > 0
    ]
    return {
        "category": subject.category.value,
        "colours": seen,
        "other": round(truth.other, 4),
        "pattern": {"type": cloth.pattern.value, "repeat": cloth.repeat},
        "neutral": truth.neutral,
    }
