"""The clothes of a book as one bolt of cloth."""

from collections.abc import Iterable

from ...colour.spaces import chroma, hue_angle
from ...garment.piece import Piece
from ...garment.vocabulary import Category
from ..body import ZONES, Zone

CLOTH = (Zone.UPPER, Zone.LOWER, Zone.WHOLE, Zone.LAYER)
ALSO = (Category.SCARF, Category.HEADSCARF)
QUIET = 12.0
"""C* up to which a colour is laid among the quiet ones."""
WIDEST = 48
"""Pieces that are told apart on a bolt; of more, every other one is left out, and so on."""


def bolt_of(pieces: Iterable[Piece]) -> tuple[Piece, ...]:
    """The clothes among some pieces: the quiet ones from light to dark, then the coloured ones by hue."""
    some = {piece.id: piece for piece in pieces if ZONES[piece.category] in CLOTH or piece.category in ALSO}
    laid = sorted(some.values(), key=_place)
    return tuple(laid[:: -(-len(laid) // WIDEST) or 1])


def _place(piece: Piece) -> tuple[bool, float, str]:
    lab = piece.lab[0]
    coloured = float(chroma(lab)) > QUIET
    return coloured, float(hue_angle(lab)) if coloured else -float(lab[0]), piece.id
