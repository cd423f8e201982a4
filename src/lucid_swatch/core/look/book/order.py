"""Pages put in an order that follows from the looks."""

from collections.abc import Mapping, Sequence
from enum import StrEnum

import numpy as np

from ...garment.piece import Piece
from ..body import ZONES, Zone
from .kept_book import KeptPage

CLOTHES = (Zone.UPPER, Zone.LOWER, Zone.WHOLE, Zone.LAYER)


class OrderBy(StrEnum):
    """What pages are put in order by."""

    OCCASION = "occasion"
    SEASON = "season"
    """From what is worn in summer to what is worn in winter."""


def put_in_order(pages: Sequence[KeptPage], by: OrderBy, worn: Mapping[str, Sequence[Piece]]) -> tuple[KeptPage, ...]:
    """Pages by occasion or by season; alike ones stay as they were, and those of which nothing is known come last.

    worn: the pieces of each page, by its id, with the warmth that is known of them."""
    if by is OrderBy.OCCASION:
        return tuple(sorted(pages, key=lambda page: (not page.occasion, page.occasion.casefold())))
    warmth = {page.id: _warmth(worn.get(page.id, ())) for page in pages}
    return tuple(sorted(pages, key=lambda page: (warmth[page.id] is None, warmth[page.id] or 0.0)))


def _warmth(pieces: Sequence[Piece]) -> float | None:
    """How warm clothes are together: their mean, and half a step for each layer over them."""
    known = [p.warmth for p in pieces if p.warmth is not None and ZONES[p.category] in CLOTHES]
    layers = sum(ZONES[piece.category] is Zone.LAYER for piece in pieces)
    return float(np.mean(known)) + 0.5 * layers if known else None
