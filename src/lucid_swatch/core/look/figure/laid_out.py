"""A look laid out, as on a bed: every piece flat, in true proportion to the others."""

from collections.abc import Mapping, Sequence
from dataclasses import dataclass, replace

import numpy as np

from ...garment.piece import Piece
from ...garment.vocabulary import Category as C
from ..body import ZONES, Zone
from .body import SOLE
from .figure import draw
from .parts import Part

LONGEST: dict[C, float] = {
    C.SHOES: 29.0,
    C.BAG: 34.0,
    C.BELT: 30.0,
    C.SCARF: 62.0,
    C.HAT: 29.0,
    C.NECKLACE: 25.0,
    C.EARRINGS: 7.0,
    C.BRACELET: 8.5,
    C.BROOCH: 6.0,
    C.WATCH: 11.0,
    C.EYEWEAR: 15.0,
    C.TIE: 60.0,
    C.POCKET_SQUARE: 18.0,
    C.HAIR_PIECE: 13.0,
    C.GLOVES: 25.0,
    C.HEADSCARF: 45.0,
    C.RING: 3.5,
    C.CUFFLINKS: 3.5,
}
"""The longer side of what is not as long as the body that it covers, centimetres: usual sizes as they are sold."""
FLAT_BOOT = 8.0
"""How much longer a boot lies than its shaft is high, centimetres."""
BETWEEN, NAME, LETTER = 5.0, 9.0, 2.4
"""Room beside a piece, below it for its name, and across for each letter of it."""
THINGS_WIDE = 62.0
"""Width of the column in which small things lie in rows."""
DOWN = (Zone.HEAD, Zone.NECK, Zone.WAIST, Zone.HAND, Zone.LEGS, Zone.FEET)
"""Small things from above, as they are worn."""


@dataclass(frozen=True, slots=True, eq=False)
class Place:
    """Where a piece lies, centimetres from the top left corner."""

    piece: Piece
    left: float
    top: float
    width: float
    height: float
    parts: tuple[Part, ...]
    """Its outlines there, for a piece without a photo."""


@dataclass(frozen=True, slots=True, eq=False)
class LaidOut:
    """A look laid out."""

    width: float
    height: float
    """Of all of it, with room for names."""
    places: tuple[Place, ...]


def laid_out(pieces: Sequence[Piece], aspects: Mapping[str, float]) -> LaidOut:
    """Lays the pieces of a look side by side, none on another.

    aspects: width over height of what was cut from the photo of a piece, by id; a piece without one is drawn."""
    boxes = {piece.id: flat_size(piece, aspects.get(piece.id)) for piece in pieces}
    things = [piece for zone in DOWN for piece in pieces if ZONES[piece.category] is zone]
    uppers = [piece for piece in pieces if ZONES[piece.category] is Zone.UPPER]
    # what lies next to the skin lies over what it is worn with; what goes over it lies at the side
    main = [*uppers[:1], *(piece for piece in pieces if ZONES[piece.category] in (Zone.LOWER, Zone.WHOLE))]
    over = [*(piece for piece in pieces if ZONES[piece.category] is Zone.LAYER), *uppers[1:]]
    if over:  # shoes stand below what is shorter than the rest
        over += [piece for piece in things if ZONES[piece.category] is Zone.FEET]
        things = [piece for piece in things if piece not in over]
    places: list[Place] = []
    left = bottom = 0.0
    for column in (over, main):
        if column:
            wide = max(_slot(piece, boxes) for piece in column)
            top = 0.0
            for piece in column:
                width, height = boxes[piece.id]
                places.append(_put(piece, left + (wide - width) / 2, top, width, height, piece.id in aspects))
                top += height + NAME
            left, bottom = left + wide + BETWEEN, max(bottom, top)
    rows = _rows(things, boxes)
    top = 0.0
    for row in rows:
        across = left
        for piece in row:
            width, height = boxes[piece.id]
            slot = _slot(piece, boxes)
            places.append(_put(piece, across + (slot - width) / 2, top, width, height, piece.id in aspects))
            across += slot + BETWEEN
        top += max(boxes[piece.id][1] for piece in row) + NAME
    right = max((place.left + (place.width + _slot(place.piece, boxes)) / 2 for place in places), default=0.0)
    return LaidOut(right, max(bottom, top), tuple(places))


def flat_size(piece: Piece, aspect: float | None) -> tuple[float, float]:
    """Width and height of a piece that lies flat, centimetres. aspect: of its photo; None for as it is drawn."""
    points = np.concatenate([part.points for part in draw(piece).parts])
    wide, high = (float(side) for side in np.ptp(points, axis=0))
    shape = wide / high if aspect is None else aspect
    if piece.category is C.BOOTS:
        longest = SOLE - draw(piece).top + FLAT_BOOT
    elif piece.category in LONGEST:
        longest = LONGEST[piece.category]
    else:
        return high * shape, high
    return (longest, longest / shape) if shape > 1 else (longest * shape, longest)


def _slot(piece: Piece, boxes: Mapping[str, tuple[float, float]]) -> float:
    """How wide a piece and its name are."""
    return max(boxes[piece.id][0], LETTER * len(piece.called))


def _rows(things: Sequence[Piece], boxes: Mapping[str, tuple[float, float]]) -> list[list[Piece]]:
    """Small things in rows that are as wide as their column."""
    rows: list[list[Piece]] = []
    used = 0.0
    for piece in things:
        wide = _slot(piece, boxes)
        if not rows or used + wide > THINGS_WIDE:
            rows.append([])
            used = 0.0
        rows[-1].append(piece)
        used += wide + BETWEEN
    return rows


def _put(piece: Piece, left: float, top: float, width: float, height: float, photographed: bool) -> Place:
    parts = () if photographed else _drawn_at(piece, left, top, width, height)
    return Place(piece, left, top, width, height, parts)


def _drawn_at(piece: Piece, left: float, top: float, width: float, height: float) -> tuple[Part, ...]:
    """The outlines of a piece, moved and sized to where it lies."""
    parts = draw(piece).parts
    points = np.concatenate([part.points for part in parts])
    low, size = points.min(axis=0), np.ptp(points, axis=0)
    scale = np.array([width, height]) / size
    return tuple(replace(part, points=(part.points - low) * scale + (left, top)) for part in parts)
