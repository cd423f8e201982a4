"""How the pieces of a look are worn, in words: what is tucked, what stays open, which sleeves are short of the wrist."""

from collections.abc import Sequence

from ...garment.piece import Piece
from ...garment.vocabulary import Category as C
from ...garment.vocabulary import Worn
from ..body import ZONES, Zone
from .words import sentence, verb

TELLS = {
    Worn.TUCKED: ("is tucked in", "are tucked in"),
    Worn.LOOSE: ("hangs loose over it", "hang loose over it"),
    Worn.OPEN: ("stays open", "stay open"),
    Worn.CLOSED: ("is closed", "are closed"),
}
BUTTONED = frozenset({C.SHIRT, C.JACKET, C.COAT, C.WAISTCOAT})
"""What is buttoned where it is closed."""
OVER = {C.KNIT: 1, C.TUNIC: 1, C.WAISTCOAT: 0, C.JACKET: 1, C.COAT: 2, C.WRAP: 3}
"""What goes over what within one zone."""


def how_worn(pieces: Sequence[Piece]) -> str:
    """Sentences on how pieces are worn where somebody said so, from the skin outwards; empty where nobody did."""
    told = [f"the {piece.in_a_sentence} {_tells(piece)}" for piece in _outwards(pieces) if piece.worn is not None]
    under = _under(pieces)
    if under is not None:
        inner, outer = under
        told.append(f"the {outer.in_a_sentence} {verb([outer], 'goes', 'go')} over the {inner.in_a_sentence}")
    return " ".join(sentence(one) for one in told)


def _tells(piece: Piece) -> str:
    assert piece.worn is not None
    if piece.worn is Worn.CLOSED and piece.category in BUTTONED:
        return "is buttoned"
    one, many = TELLS[piece.worn]
    return verb([piece], one, many)


def _outwards(pieces: Sequence[Piece]) -> list[Piece]:
    zones = list(Zone)
    inner = [Zone.UPPER, Zone.LOWER, Zone.WHOLE, Zone.LAYER]
    place = {zone: inner.index(zone) if zone in inner else len(inner) + zones.index(zone) for zone in zones}
    return sorted(pieces, key=lambda piece: (place[ZONES[piece.category]], OVER.get(piece.category, 0)))


def _under(pieces: Sequence[Piece]) -> tuple[Piece, Piece] | None:
    """Two pieces for the same place of the trunk, the inner one first."""
    upper = [piece for piece in _outwards(pieces) if ZONES[piece.category] is Zone.UPPER]
    return (upper[0], upper[1]) if len(upper) == 2 else None
