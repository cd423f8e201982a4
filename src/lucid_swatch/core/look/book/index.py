"""Where things are in a book: what to wear with a piece, and what there is for an occasion."""

from collections.abc import Sequence

from ...garment.piece import Piece
from ..body import ZONES, Zone
from .page import BookPage

ORDER = (
    Zone.LAYER,
    Zone.UPPER,
    Zone.LOWER,
    Zone.WHOLE,
    Zone.FEET,
    Zone.LEGS,
    Zone.HEAD,
    Zone.NECK,
    Zone.WAIST,
    Zone.HAND,
)


def by_piece(pages: Sequence[BookPage]) -> list[tuple[Piece, list[int]]]:
    """Every piece with the places of its pages, counted from 0: from what goes over the rest to what is small, by name."""
    places: dict[str, list[int]] = {}
    pieces: dict[str, Piece] = {}
    for k, page in enumerate(pages):
        for piece in page.pieces:
            pieces.setdefault(piece.id, piece)
            places.setdefault(piece.id, []).append(k)
    in_order = sorted(
        pieces.values(), key=lambda one: (ORDER.index(ZONES[one.category]), one.called.casefold(), one.id)
    )
    return [(piece, places[piece.id]) for piece in in_order]


def by_occasion(pages: Sequence[BookPage]) -> list[tuple[str, list[int]]]:
    """Every occasion with the places of its pages, in the order in which they come; pages without one are left away."""
    found: dict[str, list[int]] = {}
    for k, page in enumerate(pages):
        if page.occasion:
            found.setdefault(page.occasion, []).append(k)
    return list(found.items())
