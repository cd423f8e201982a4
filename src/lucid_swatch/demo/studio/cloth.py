"""Cloth: where its colours lie, and its surface."""

from dataclasses import dataclass, field

import cv2
import numpy as np

from lucid_swatch.core.colour.arrays import FloatArray, IntArray
from lucid_swatch.core.garment.vocabulary import Finish, PatternType

from .noise import layered_noise, smooth_noise


@dataclass(frozen=True)
class Cloth:
    """A cloth as it truly is."""

    lab: tuple[tuple[float, float, float], ...]
    """CIELAB D65, the ground first."""
    pattern: PatternType = PatternType.SOLID
    repeat: float = 0.1
    """Repeat in widths of the body."""
    finish: tuple[Finish, ...] = ()
    folds: float = 1.0
    """How much it creases; leather and felt hardly do."""
    grain: float = field(default=0.0)
    """Degrees that the pattern is turned."""


def colour_map(cloth: Cloth, rng: np.random.Generator, shape: tuple[int, int], body: float, turn: float) -> IntArray:
    """Which colour lies where. body: width of the body in pixels. turn: degrees. Returns (rows, columns)."""
    count, period = len(cloth.lab), max(cloth.repeat * body, 3.0)
    angle = np.radians(cloth.grain + turn)
    y, x = np.mgrid[0 : shape[0], 0 : shape[1]].astype(np.float64)
    x, y = x - shape[1] / 2, y - shape[0] / 2
    wave = 0.05 * period * smooth_noise(rng, shape, (body / 3, body / 3))
    u = x * np.cos(angle) + y * np.sin(angle) + wave
    v = -x * np.sin(angle) + y * np.cos(angle) + wave
    kind = cloth.pattern
    if kind is PatternType.STRIPE:
        return np.minimum((v / period % 1 > 0.55) * (1 + (v / period % 2 > 1) * (count > 2)), count - 1).astype(np.intp)
    if kind is PatternType.CHECK:
        across, down = (u / period) % 1 > 0.5, (v / period) % 1 > 0.5
        line = ((u / period % 1 - 0.25) ** 2 < 0.0016) | ((v / period % 1 - 0.25) ** 2 < 0.0016)
        mixed = np.where(across & down, 0, np.where(across | down, 1 if count > 1 else 0, 0))
        return np.where(line & (count > 2), 2, mixed).astype(np.intp)
    if kind is PatternType.DOT:
        return _placed(u, v, period, 0.30, count)
    if kind is PatternType.FLORAL:
        return _flowers(rng, u, v, period, count)
    if kind is PatternType.GEOMETRIC:
        diamond = np.abs(u / period % 1 - 0.5) + np.abs(v / period % 1 - 0.5)
        return np.where(diamond < 0.22, count - 1, np.where(diamond < 0.42, 1, 0)).astype(np.intp)
    if kind is PatternType.ABSTRACT:
        field = layered_noise(rng, shape, period, 3)
        edges = np.quantile(field, np.linspace(0, 1, count + 1)[1:-1])
        return np.digitize(field, edges).astype(np.intp)
    if kind is PatternType.MARL:
        thread = smooth_noise(rng, shape, (1.6, 3.2)) + 0.4 * rng.standard_normal(shape)
        return (thread > 0.45).astype(np.intp) if count > 1 else np.zeros(shape, np.intp)
    if kind is PatternType.COLOUR_BLOCK:
        return np.minimum((v > 0.12 * body).astype(np.intp), count - 1)
    return np.zeros(shape, np.intp)


def _placed(u: FloatArray, v: FloatArray, period: float, radius: float, count: int) -> IntArray:
    row = np.floor(v / period)
    du, dv = (u / period + 0.5 * (row % 2)) % 1 - 0.5, v / period % 1 - 0.5
    which = 1 + (np.floor(u / period + 0.5 * (row % 2)) % max(count - 1, 1)) if count > 1 else 0
    return np.where(du**2 + dv**2 < radius**2, which, 0).astype(np.intp)


def _flowers(rng: np.random.Generator, u: FloatArray, v: FloatArray, period: float, count: int) -> IntArray:
    answer = np.zeros(u.shape, np.intp)
    rows, columns = u.shape
    for row in np.arange(0, rows + period, period):
        for column in np.arange(0, columns + period, period):
            y, x = row + rng.uniform(-0.3, 0.3) * period, column + rng.uniform(-0.3, 0.3) * period
            near = (
                slice(max(0, int(y - period)), max(0, int(y + period))),
                slice(max(0, int(x - period)), max(0, int(x + period))),
            )
            leaf, spin, size = rng.uniform(0, 2 * np.pi), rng.uniform(0, 2 * np.pi), period * rng.uniform(0.28, 0.42)
            part = answer[near]
            if part.size == 0:
                continue
            here = (min(int(y), rows - 1), min(int(x), columns - 1))
            _flower(part, u[near] - u[here], v[near] - v[here], leaf, spin, size, count)
    return answer


def _flower(part: IntArray, du: FloatArray, dv: FloatArray, leaf: float, spin: float, size: float, count: int) -> None:
    radius, angle = np.hypot(du, dv), np.arctan2(dv, du)
    long, wide = du * np.cos(leaf) + dv * np.sin(leaf), -du * np.sin(leaf) + dv * np.cos(leaf)
    leaves = (np.abs(wide) < size * 0.32 * np.clip(1 - ((long - size) / (size * 0.9)) ** 2, 0, 1)) & (count > 2)
    part[leaves] = 2 % count
    part[radius < size * (0.62 + 0.38 * np.cos(5 * (angle - spin)))] = 1 % count
    if count > 3:
        part[radius < size * 0.24] = 3


@dataclass(frozen=True)
class SurfaceLook:
    """How a finish takes light."""

    relief: float
    """Height of the weave, relative."""
    gloss: float
    """Strength of the shine."""
    tight: float
    """How narrow the shine is."""


def surface_of(cloth: Cloth) -> SurfaceLook:
    """The surface of a finish."""
    finish = set(cloth.finish)
    if finish & {Finish.METALLIC, Finish.PATENT}:
        return SurfaceLook(0.05, 0.55, 14)
    if Finish.PEARL in finish:
        return SurfaceLook(0.0, 0.30, 16)
    if finish & {Finish.SATIN, Finish.SILK}:
        return SurfaceLook(0.04, 0.13, 9)
    if Finish.LEATHER in finish:
        return SurfaceLook(0.25, 0.09, 10)
    if Finish.VELVET in finish:
        return SurfaceLook(0.15, 0.03, 2)
    if finish & {Finish.KNIT, Finish.RIB, Finish.TWEED}:
        return SurfaceLook(1.0, 0.0, 1)
    if finish & {Finish.DENIM, Finish.LINEN, Finish.SUEDE}:
        return SurfaceLook(0.6, 0.0, 1)
    return SurfaceLook(0.3, 0.0, 1)


def weave(cloth: Cloth, rng: np.random.Generator, shape: tuple[int, int]) -> FloatArray:
    """Fine light and dark of the surface, around 1. (rows, columns)."""
    y, x = np.mgrid[0 : shape[0], 0 : shape[1]].astype(np.float64)
    finish, fine = set(cloth.finish), rng.standard_normal(shape)
    if Finish.KNIT in finish or Finish.RIB in finish:
        step = 9.0 if Finish.RIB in finish else 6.0
        stitch = np.sin(2 * np.pi * (y + np.abs(x % step - step / 2) * 1.1) / 5.0)
        column = np.cos(2 * np.pi * x / step)
        return 1 + 0.05 * stitch + (0.09 if Finish.RIB in finish else 0.05) * column + 0.02 * fine
    if Finish.DENIM in finish:
        return 1 + 0.07 * np.sin(2 * np.pi * (x + 0.6 * y) / 3.4) + 0.05 * smooth_noise(rng, shape, (9, 1.5))
    if Finish.TWEED in finish:
        return 1 + 0.10 * smooth_noise(rng, shape, (2.2, 2.2)) + 0.03 * fine
    if Finish.LINEN in finish:
        return 1 + 0.05 * smooth_noise(rng, shape, (1.4, 22)) + 0.05 * smooth_noise(rng, shape, (22, 1.4))
    if finish & {Finish.SUEDE, Finish.VELVET}:
        return 1 + 0.05 * layered_noise(rng, shape, 40, 3) + 0.02 * fine
    if Finish.LEATHER in finish:
        return 1 + 0.03 * smooth_noise(rng, shape, (3, 3)) + 0.01 * fine
    return (
        1 + 0.015 * np.sin(2 * np.pi * x / 3) * np.sin(2 * np.pi * y / 3) + 0.012 * cv2.GaussianBlur(fine, (0, 0), 0.8)
    )
