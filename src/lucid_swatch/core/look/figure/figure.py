"""A look on the body: every part in the order in which it is drawn, in true proportion."""

from collections.abc import Iterable, Sequence
from dataclasses import dataclass, replace
from enum import StrEnum
from functools import lru_cache
from itertools import pairwise

import numpy as np

from ...garment.piece import Piece
from ...garment.vocabulary import Category as C
from ...garment.vocabulary import Length
from ..body import ZONES, Zone
from .body import STANDING, Build, built, stature_of
from .drawn import ALONE, Company, Cut, Drawn, cut_of
from .feet import feet, hosiery
from .layers import layer
from .lower import lower
from .outlines import Point
from .parts import Part
from .person import body, card_head, neck
from .small import SMALL
from .upper import upper
from .whole import whole

FROM_BELOW = (
    Zone.LEGS, Zone.FEET, Zone.LOWER, Zone.WHOLE, Zone.UPPER, Zone.WAIST, Zone.LAYER, Zone.NECK, Zone.HAND
)  # fmt: skip
"""What lies on what; the head and what is worn on it come last."""
OUTER: dict[C, int] = {C.SHIRT: 1, C.KNIT: 2, C.TUNIC: 2, C.WAISTCOAT: 0, C.JACKET: 1, C.COAT: 2, C.WRAP: 3, C.SCARF: 1}
"""What lies on what within one zone: a knit on the shirt, a coat on the jacket."""
ON_THE_TRUNK = frozenset({Zone.UPPER, Zone.LOWER, Zone.WHOLE, Zone.LAYER, Zone.FEET, Zone.LEGS})
HANGS = frozenset({C.BAG})
ROOM = 9.0
"""Centimetres above the crown, for hair and hats."""
HALF_WIDTH = 44.0
"""From the middle to the edge of the drawing."""


@dataclass(frozen=True, slots=True, eq=False)
class Shape:
    """A piece on the figure."""

    piece: Piece
    drawn: Drawn
    """Its outlines where they lie on whoever wears it."""

    @property
    def box(self) -> tuple[float, float, float, float]:
        """Left, top, right and bottom of all of it, over which its cloth is laid."""
        points = np.concatenate([part.points for part in self.drawn.parts])
        (left, top), (right, bottom) = points.min(axis=0), points.max(axis=0)
        return float(left), float(top), float(right), float(bottom)


class Lies(StrEnum):
    """What a layer of the drawing is."""

    BEHIND = "behind"
    """What of a piece lies behind the body."""
    BODY = "body"
    PIECE = "piece"
    HEAD = "head"
    """Where a head that was cut from a portrait stands instead of these outlines."""


@dataclass(frozen=True, slots=True, eq=False)
class Layer:
    """Parts that are drawn together."""

    lies: Lies
    parts: Sequence[Part]
    piece: Piece | None = None


@dataclass(frozen=True, slots=True, eq=False)
class Figure:
    """A look on a body. All in centimetres: x from the middle, y down from the crown."""

    height: float
    """From the crown to the sole."""
    body: tuple[Part, ...]
    """Legs, trunk, arms and neck."""
    head: tuple[Part, ...]
    """A head, for where there is no portrait."""
    shapes: tuple[Shape, ...]
    """From the lowest to what lies on top."""

    @property
    def layers(self) -> tuple[Layer, ...]:
        """Everything in the order in which it is drawn; hair falls over a collar, and a hat sits on hair."""
        on_head = [ZONES[shape.piece.category] is Zone.HEAD for shape in self.shapes]
        pieces = [Layer(Lies.PIECE, shape.drawn.parts, shape.piece) for shape in self.shapes]
        return (
            *(Layer(Lies.BEHIND, shape.drawn.behind, shape.piece) for shape in self.shapes if shape.drawn.behind),
            Layer(Lies.BODY, self.body),
            *(layer for layer, high in zip(pieces, on_head, strict=True) if not high),
            Layer(Lies.HEAD, self.head),
            *(layer for layer, high in zip(pieces, on_head, strict=True) if high),
        )


def figure_of(pieces: Iterable[Piece], build: Build = STANDING) -> Figure:
    """Draws a look on somebody. A lipstick and other colours without a garment are left out by the caller."""
    worn = sorted(pieces, key=lambda p: (_rank(p.category), OUTER.get(p.category, 0)))
    shapes = tuple(Shape(piece, _on(cut_of(piece), company_of(piece, worn), build)) for piece in worn)
    return Figure(stature_of(build), *_person(build), shapes)


def draw(piece: Piece, company: Company = ALONE) -> Drawn:
    """The outlines of one piece, at the stature at which everything is drawn."""
    return _drawn(cut_of(piece), company)


@lru_cache(maxsize=2048)
def _drawn(cut: Cut, company: Company) -> Drawn:
    if cut.category in SMALL:
        return SMALL[cut.category](cut, company)
    zone = ZONES[cut.category]
    return {
        Zone.UPPER: upper,
        Zone.LOWER: lower,
        Zone.WHOLE: whole,
        Zone.LAYER: layer,
        Zone.FEET: feet,
        Zone.LEGS: hosiery,
    }[zone](cut, company)


def company_of(piece: Piece, worn: Sequence[Piece]) -> Company:
    """What of the rest of a look changes how a piece is drawn."""
    others = [one for one in worn if one is not piece]
    covering = [one for one in others if ZONES[one.category] is Zone.LAYER and one.category is not C.WAISTCOAT]
    outer = OUTER.get(piece.category, 0)
    same = [one for one in others if ZONES[one.category] is Zone.UPPER and ZONES[piece.category] is Zone.UPPER]
    return Company(
        layered=bool(covering) or any(OUTER.get(one.category, 0) > outer for one in same),
        lower=any(ZONES[one.category] is Zone.LOWER for one in others),
        long_boots=any(one.category is C.BOOTS and one.length in (Length.KNEE, Length.MIDI) for one in others),
    )


@dataclass(frozen=True, slots=True)
class Step:
    """A stretch of the figure and how light it is."""

    top: float
    bottom: float
    """Centimetres below the crown."""
    lightness: float
    """L*."""


THINNEST = 1.0
"""Centimetres below which a step is not seen."""


def lightness_trace(figure: Figure) -> list[Step]:
    """Lightness from the neck to the foot: what covers each height, by how much of it is seen."""
    there = [shape for shape in figure.shapes if ZONES[shape.piece.category] in ON_THE_TRUNK]
    edges = sorted({edge for shape in there for edge in (shape.drawn.top, shape.drawn.bottom)})
    steps: list[Step] = []
    for top, bottom in pairwise(edges):
        here = [shape for shape in there if shape.drawn.top <= top and shape.drawn.bottom >= bottom]
        cover = np.array([shape.drawn.cover for shape in here])
        if len(here) and bottom - top >= THINNEST:
            light = np.array([float(shape.piece.lab[:, 0] @ shape.piece.share) for shape in here])
            steps.append(Step(top, bottom, float(cover @ light / cover.sum())))
    return steps


def _rank(category: C) -> int:
    zone = ZONES[category]
    return FROM_BELOW.index(zone) if zone in FROM_BELOW else len(FROM_BELOW)


@lru_cache(maxsize=2048)
def _on(cut: Cut, company: Company, build: Build) -> Drawn:
    """A cut on somebody; kept, because a swap draws all the rest again."""
    drawn, hangs = _drawn(cut, company), cut.category in HANGS

    def place(x: float, y: float) -> Point:
        at = built(np.array([[x, y]]), build, hangs)[0]
        return float(at[0]), float(at[1])

    return Drawn(
        [_moved(part, build, hangs) for part in drawn.parts],
        place(*drawn.anchor),
        place(0.0, drawn.top)[1],
        place(0.0, drawn.bottom)[1],
        drawn.cover,
        [_moved(part, build, hangs) for part in drawn.behind],
    )


@lru_cache(maxsize=256)
def _person(build: Build) -> tuple[tuple[Part, ...], tuple[Part, ...]]:
    """Body with neck, and head."""
    return (
        tuple(_moved(part, build) for part in (*body(), *neck())),
        tuple(_moved(part, build) for part in card_head()),
    )


def _moved(part: Part, build: Build, hangs: bool = False) -> Part:
    return replace(part, points=built(part.points, build, hangs))
