"""What a client will not wear, piece by piece."""

from dataclasses import dataclass

from ...garment.piece import Piece
from ...garment.vocabulary import Finish, Length, Metal, PatternType


@dataclass(frozen=True, slots=True)
class WillNotWear:
    """The refusals of a client that a piece can be held against."""

    lengths: frozenset[Length] = frozenset()
    sheer: bool = False
    materials: frozenset[Finish] = frozenset()
    patterns: frozenset[PatternType] = frozenset()
    metals: frozenset[Metal] = frozenset()
    colours: tuple[str, ...] = ()
    """Colours in words, lower case."""


def why_refused(piece: Piece, names: tuple[str, ...], refusals: WillNotWear) -> str | None:
    """Why a client will not wear a piece, in words; None when nothing stands against it.

    names: what the piece and its colours are called: name, family, undertone."""
    if piece.length in refusals.lengths and piece.length is not None:
        return f"{piece.length.value} length"
    if refusals.sheer and Finish.SHEER in piece.finish:
        return "sheer cloth"
    material = next((one for one in sorted(piece.finish) if one in refusals.materials), None)
    if material is not None:
        return material.value
    if piece.pattern in refusals.patterns:
        return f"{piece.pattern.value} pattern"
    if piece.metal in refusals.metals:
        return f"{piece.metal.value} metal"
    told = " ".join(names).lower().split()
    colour = next((one for one in refusals.colours if one and all(word in told for word in one.split())), None)
    return None if colour is None else f"the colour {colour}"
