"""Names of pieces as they stand in a client's sentence."""

from collections.abc import Sequence

from ...garment.piece import Piece
from ...garment.vocabulary import Category as C

PAIRS = frozenset({C.TROUSERS, C.SHORTS, C.SHOES, C.BOOTS, C.EARRINGS, C.GLOVES, C.CUFFLINKS, C.HOSIERY, C.EYEWEAR})
"""What is spoken of as several."""


def named(pieces: Sequence[Piece], article: str = "the ") -> str:
    """Some pieces in a sentence: 'the ivory shirt, the grey skirt and the pearls'."""
    names = [f"{article}{piece.in_a_sentence}" for piece in pieces]
    return names[0] if len(names) == 1 else f"{', '.join(names[:-1])} and {names[-1]}"


def are_many(pieces: Sequence[Piece]) -> bool:
    """Whether some pieces are spoken of as several: two of them, or one that is a pair."""
    return len(pieces) > 1 or pieces[0].category in PAIRS


def verb(pieces: Sequence[Piece], one: str, many: str) -> str:
    """The form of a verb that goes with some pieces."""
    return many if are_many(pieces) else one


def sentence(text: str) -> str:
    """Some words with a capital and a full stop; none stay none."""
    return f"{text[:1].upper()}{text[1:]}." if text else ""
