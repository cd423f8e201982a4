"""What goes into the case, in the order in which it is packed."""

from collections.abc import Iterable

from ...garment.piece import Piece
from ...garment.vocabulary import Category as C

ORDER = (
    C.BOOTS, C.SHOES, C.BAG, C.BELT, C.COAT, C.JACKET, C.WAISTCOAT, C.TROUSERS, C.SHORTS, C.SKIRT, C.KNIT, C.WRAP, C.TUNIC, C.SHIRT,
    C.TOP, C.JUMPSUIT, C.DRESS, C.HOSIERY, C.SCARF, C.HEADSCARF, C.TIE, C.POCKET_SQUARE, C.GLOVES, C.HAT,
)  # fmt: skip
"""Heavy and hard first, along the hinge; what creases on top; small things last, in what is left."""


def packed(pieces: Iterable[Piece]) -> list[Piece]:
    """Pieces in packing order, each once."""
    rank = {category: k for k, category in enumerate(ORDER)}
    each = {piece.id: piece for piece in pieces}
    return sorted(each.values(), key=lambda one: (rank.get(one.category, len(ORDER)), one.called, one.id))
