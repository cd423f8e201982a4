"""Where the cut of a piece can be pulled on its drawing: the hem, a sleeve, how far it stands off."""

from collections.abc import Sequence
from dataclasses import dataclass, replace
from enum import StrEnum

import numpy as np

from ...garment.details import SLEEVED
from ...garment.lengths import LENGTHS_OF, VOLUMED
from ...garment.piece import Piece
from ...garment.vocabulary import Sleeve, Volume, Worn
from ..body import ZONES, Zone
from .body import ARM, KNEE, SHOULDER_HALF, STANDING, WAIST, Build, along, built
from .drawn import Drawn
from .figure import draw
from .outlines import Point
from .parts import Role
from .upper import SLEEVES


class Pulls(StrEnum):
    """What a mark says of a cut."""

    LENGTH = "length"
    SLEEVE = "sleeve"
    VOLUME = "volume"


@dataclass(frozen=True, slots=True)
class Stop:
    """A place at which a mark stands for a word, centimetres from the middle and below the crown."""

    word: str
    x: float
    y: float


@dataclass(frozen=True, slots=True)
class Mark:
    """Something that can be pulled, by where it may stand."""

    pulls: Pulls
    stops: tuple[Stop, ...]


def marks_of(piece: Piece, build: Build = STANDING) -> tuple[Mark, ...]:
    """The marks of a piece on somebody, from the hem up; none for what has no cut to pull."""
    if piece.category not in LENGTHS_OF:
        return ()
    loose = replace(piece, worn=Worn.CLOSED if ZONES[piece.category] is Zone.LAYER else None)
    found = [Mark(Pulls.LENGTH, _hems(loose))]
    if piece.category in VOLUMED:
        found.append(Mark(Pulls.VOLUME, _sides(loose)))
    if piece.category in SLEEVED:
        found.append(Mark(Pulls.SLEEVE, _sleeves()))
    return tuple(replace(mark, stops=tuple(_on(stop, build) for stop in mark.stops)) for mark in found)


def _on(stop: Stop, build: Build) -> Stop:
    x, y = (float(v) for v in built(np.array([[stop.x, stop.y]]), build)[0])
    return Stop(stop.word, round(x, 2), round(y, 2))


def _hems(piece: Piece) -> tuple[Stop, ...]:
    """Where each length ends; of two that end at one place the nearer word stays."""
    stops: list[Stop] = []
    for length in LENGTHS_OF[piece.category]:
        drawn = draw(replace(piece, length=length))
        y = drawn.bottom if piece.category in VOLUMED else drawn.top
        if not stops or abs(stops[-1].y - y) > 0.5:
            stops.append(Stop(length.value, 0.0, y))
    return tuple(stops)


def _sides(piece: Piece) -> tuple[Stop, ...]:
    """How far each volume stands off, on the left of the drawing."""
    drawn = {volume: draw(replace(piece, volume=volume)) for volume in Volume}
    end = min(one.bottom for one in drawn.values())
    y = min(end - 3, KNEE if ZONES[piece.category] in (Zone.LOWER, Zone.WHOLE) else WAIST + 6)
    return tuple(Stop(volume.value, -_half(one, y), y) for volume, one in drawn.items())


def _half(drawn: Drawn, y: float) -> float:
    """Half the width of the widest stretch of cloth at a height that crosses the middle or is the only one."""
    trunk = [part.points for part in drawn.parts if part.role is Role.CLOTH and not part.turn]
    return max((_reach(points.tolist(), y) for points in trunk), default=10.0)


def _reach(points: Sequence[Sequence[float]], y: float) -> float:
    """How far an outline reaches from the middle at a height."""
    crossings = [_cross((a[0], a[1]), (b[0], b[1]), y) for a, b in zip(points, [*points[1:], points[0]], strict=True)]
    return max((abs(x) for x in crossings if x is not None), default=0.0)


def _cross(one: Point, other: Point, y: float) -> float | None:
    if (one[1] - y) * (other[1] - y) > 0 or one[1] == other[1]:
        return None
    return one[0] + (other[0] - one[0]) * (y - one[1]) / (other[1] - one[1])


def _sleeves() -> tuple[Stop, ...]:
    bare = Stop(Sleeve.NONE.value, SHOULDER_HALF, 38.0)
    return (bare, *(Stop(word.value, along(ARM, end), end) for word, end in SLEEVES.items()))
