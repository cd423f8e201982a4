"""Outlines from a few points: rounded, mirrored, and round the line of a limb. Centimetres, y downward."""

from collections.abc import Sequence

import numpy as np

from ...colour.arrays import FloatArray

Point = tuple[float, float]


def rounded_off(points: Sequence[Point], closed: bool = True) -> FloatArray:
    """A smooth line through the sides of a polygon, by cutting its corners twice; a point given twice stays a corner.

    Returns (n, 2). Source: Chaikin 1974, Computer Graphics and Image Processing 3."""
    line = np.array(points, dtype=float)
    for _ in range(2):
        ahead = np.roll(line, -1, axis=0) if closed else line[1:]
        here = line if closed else line[:-1]
        cut = np.stack([0.75 * here + 0.25 * ahead, 0.25 * here + 0.75 * ahead], axis=1).reshape(-1, 2)
        line = cut if closed else np.concatenate([line[:1], cut, line[-1:]])
    apart = np.linalg.norm(np.diff(line, axis=0, prepend=line[-1:] + 1), axis=1) > 1e-6
    return line[apart]


def corner(*points: Point) -> list[Point]:
    """Points that stay corners."""
    return [point for point in points for _ in range(3)]


def mirrored(points: Sequence[Point]) -> list[Point]:
    """The other side of the body, the other way round."""
    return [(-x, y) for x, y in reversed(points)]


def both_sides(right: Sequence[Point]) -> FloatArray:
    """One outline about the middle of the body, from its right half going down. (n, 2)."""
    return rounded_off([*right, *mirrored(right)])


def limb(line: Sequence[Point], half_widths: Sequence[float], end: bool = True) -> FloatArray:
    """The outline of a limb or a sleeve: so far to both sides of a line, cut straight at its ends. (n, 2).

    end: whether the far end is cut straight; else it is round."""
    middle, reach = np.array(line, dtype=float), np.array(half_widths, dtype=float)[:, None]
    along = np.gradient(middle, axis=0)
    across = np.stack([-along[:, 1], along[:, 0]], axis=1) / np.linalg.norm(along, axis=1, keepdims=True)
    left, right = middle + across * reach, middle - across * reach
    points = [*map(tuple, left), *map(tuple, right[::-1])]
    last = len(left) - 1
    sharp = (last, last + 1) if end else ()
    return rounded_off([p for k, p in enumerate(points) for _ in range(3 if k in sharp else 1)])


def disc(x: float, y: float, radius: float, tall: float = 1.0) -> FloatArray:
    """A round thing, or an upright oval. (n, 2)."""
    turn = np.linspace(0, 2 * np.pi, 17)[:-1]
    return np.stack([x + radius * np.cos(turn), y + tall * radius * np.sin(turn)], axis=1)


def ring(x: float, y: float, radius: float, thick: float, tall: float = 1.0) -> FloatArray:
    """A ring as one outline, slit at its top. (n, 2)."""
    turn = np.linspace(-np.pi / 2, 1.5 * np.pi, 21)
    outer = np.stack([x + radius * np.cos(turn), y + tall * radius * np.sin(turn)], axis=1)
    inner = np.stack([x + (radius - thick) * np.cos(turn), y + (tall * radius - thick) * np.sin(turn)], axis=1)
    return np.concatenate([outer, inner[::-1]])


def band(left: Point, right: Point, high: float, sag: float = 0.0) -> FloatArray:
    """A band across the body, its middle lower by the sag. (n, 2)."""
    (x0, y0), (x1, y1) = left, right
    steps = np.linspace(0, 1, 9)
    x, y = x0 + (x1 - x0) * steps, y0 + (y1 - y0) * steps + sag * 4 * steps * (1 - steps)
    return np.concatenate([np.stack([x, y], axis=1), np.stack([x, y + high], axis=1)[::-1]])
