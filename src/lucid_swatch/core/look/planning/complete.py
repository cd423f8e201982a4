"""Clothes and shoes made a whole look: with a bag, and accessories where they really help."""

from collections.abc import Sequence
from dataclasses import replace

from ..dressing.base_looks import BASE
from ..dressing.dress import zone_of
from ..dressing.wardrobe import Wardrobe
from ..making.make import make_looks
from ..making.wanted import Share
from .week import Worn


def completed(wardrobe: Wardrobe, worn: Sequence[Worn]) -> list[tuple[str, ...]]:
    """The pieces of each look, complete. The clothes and shoes stay as they are: what rests, rests."""
    beside = tuple(piece for piece in wardrobe.pieces if zone_of(piece.category) not in BASE)
    found = []
    for one in worn:
        clothes = tuple(wardrobe.by_id[id] for id in one.piece_ids)
        small = replace(wardrobe, pieces=(*clothes, *beside))
        made = make_looks(small, replace(one.slot.wanted, number=1, start=one.piece_ids, share=Share.ALL)).looks
        found.append(made[0].piece_ids if made else one.piece_ids)
    return found
