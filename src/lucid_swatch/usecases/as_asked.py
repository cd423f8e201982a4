"""A question about a wardrobe as a key, for answers that are remembered."""

from lucid_swatch.core.garment.piece import Piece
from lucid_swatch.core.look.dressing.wardrobe import Wardrobe


class AsAsked:
    """A question as a key: equal when all is equal that decides the answer."""

    def __init__(self, wardrobe: Wardrobe, piece: Piece | None = None) -> None:
        self.wardrobe, self.piece = wardrobe, piece
        pieces = (*wardrobe.pieces, *wardrobe.always, *(() if piece is None else (piece,)))
        doubts = [None if one.uncertainty is None else one.uncertainty.tobytes() for one in pieces]
        self.key = (
            tuple((one.fingerprint(), doubt) for one, doubt in zip(pieces, doubts, strict=True)),
            len(wardrobe.always),
            repr((wardrobe.client, wardrobe.conventions)),
            tuple(sorted(wardrobe.barred.items())),
            wardrobe.sets,
        )

    def __eq__(self, other: object) -> bool:
        return isinstance(other, AsAsked) and self.key == other.key

    def __hash__(self) -> int:
        return hash(self.key)
