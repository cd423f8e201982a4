"""What a look is called where nobody has named it."""

from collections.abc import Iterable

from ..garment.piece import Piece
from .body import ZONES, Zone

BUILT_ON = (Zone.WHOLE, Zone.LOWER, Zone.UPPER, Zone.LAYER)


def called_after(pieces: Iterable[Piece]) -> str:
    """By the one or two garments that a look is built on, as in 'Camel trousers with oat knit'; empty where it has none."""
    worn = list(pieces)
    built = [piece for zone in BUILT_ON for piece in worn if ZONES[piece.category] is zone]
    return " with ".join([piece.called for piece in built[:1]] + [piece.in_a_sentence for piece in built[1:2]])
