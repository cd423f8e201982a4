"""How warm a piece is to wear, proposed: 0 bare summer .. 4 deep winter."""

from .piece import Piece
from .proposals import OwnWays, Proposal, Pull, proposed
from .vocabulary import Category as C
from .vocabulary import Finish as F
from .vocabulary import Length, Neckline, Sleeve, Toe

ENDS = (0.0, 4.0)
STARTS: dict[C, float] = {
    C.TOP: 0.7, C.SHIRT: 1.1, C.KNIT: 2.7, C.JACKET: 2.3, C.COAT: 3.6, C.DRESS: 1.2, C.JUMPSUIT: 1.5, C.SKIRT: 1.3,
    C.TROUSERS: 2.0, C.SHORTS: 0.2, C.HOSIERY: 1.8, C.SHOES: 1.5, C.BOOTS: 3.0, C.SCARF: 1.8, C.HAT: 2.0, C.GLOVES: 3.4,
    C.WAISTCOAT: 2.0, C.TUNIC: 1.2, C.WRAP: 1.8, C.HEADSCARF: 1.2,
}  # fmt: skip
"""Jewellery, bags and belts have none: they are worn in any weather."""
CLOTHS: dict[F, float] = {
    F.LINEN: -0.9, F.STRAW: -1.6, F.SHEER: -0.9, F.LACE: -0.7, F.SATIN: -0.2, F.SILK: -0.2, F.TWEED: 0.8, F.KNIT: 0.3,
    F.RIB: 0.3, F.VELVET: 0.6, F.QUILT: 0.9, F.FUR: 1.3, F.LEATHER: 0.3, F.SUEDE: 0.3, F.CORDUROY: 0.6, F.DENIM: 0.1,
}  # fmt: skip
SLEEVES: dict[Sleeve, tuple[float, str]] = {
    Sleeve.NONE: (-0.7, "bare arms"), Sleeve.SHORT: (-0.4, "short sleeves"), Sleeve.LONG: (0.3, "long sleeves")
}  # fmt: skip
USUALLY_LONG = (C.SHIRT, C.KNIT, C.JACKET, C.COAT)
DOUBT = 1.0


def warmth_of(piece: Piece, ways: OwnWays) -> Proposal | None:
    """What is proposed for a piece as it is known; None for what is worn in any weather. ways: the studio's own."""
    if piece.category not in STARTS:
        return None
    # that a knit is knitted lies in where it starts
    cloths = [one for one in sorted(piece.finish) if one in CLOTHS and one.value != piece.category.value]
    pulls = [Pull(CLOTHS[one], one.value) for one in cloths]
    if piece.details.sleeve in SLEEVES and not (piece.category in USUALLY_LONG and piece.details.sleeve is Sleeve.LONG):
        by, word = SLEEVES[piece.details.sleeve]
        pulls.append(Pull(by, word))
    if piece.details.neckline is Neckline.HIGH:
        pulls.append(Pull(0.4, "a high neck"))
    if piece.details.toe is Toe.OPEN:
        pulls.append(Pull(-1.2, "an open toe"))
    if piece.length is Length.CROPPED:
        pulls.append(Pull(-0.3, "cropped length"))
    return proposed(piece, STARTS[piece.category], pulls, ENDS, DOUBT * (0.8 if piece.finish else 1.0), ways)
