"""How formal a piece is, proposed: 1 beach and garden .. 5 black tie."""

from .piece import Piece
from .proposals import OwnWays, Proposal, Pull, proposed
from .vocabulary import Category as C
from .vocabulary import Finish as F
from .vocabulary import Heel, Length, Neckline, PatternType, Scale, Sleeve, Sole, Toe

ENDS = (1.0, 5.0)
STARTS: dict[C, float] = {
    C.TOP: 2.2, C.SHIRT: 3.1, C.KNIT: 2.5, C.JACKET: 3.4, C.COAT: 3.4, C.DRESS: 3.2, C.JUMPSUIT: 3.0, C.SKIRT: 3.0,
    C.TROUSERS: 3.0, C.SHORTS: 1.7, C.SHOES: 3.2, C.BOOTS: 2.9, C.BAG: 3.1, C.BELT: 3.0, C.SCARF: 2.9, C.HAT: 2.3,
    C.TIE: 4.0, C.POCKET_SQUARE: 4.0, C.CUFFLINKS: 4.4, C.WAISTCOAT: 3.5, C.NECKLACE: 3.4, C.EARRINGS: 3.2, C.BROOCH: 3.4,
    C.TUNIC: 2.5, C.HEADSCARF: 2.6, C.HAIR_PIECE: 2.6,
}  # fmt: skip
USUAL_START = 3.0
CLOTHS: dict[F, float] = {
    F.DENIM: -1.0, F.SATIN: 0.9, F.SILK: 0.8, F.VELVET: 1.2, F.PATENT: 0.7, F.SEQUIN: 1.5, F.LINEN: -0.5, F.TWEED: -0.4,
    F.KNIT: -0.2, F.RIB: -0.4, F.STRAW: -1.2, F.SUEDE: -0.4, F.SHEER: 0.4, F.LACE: 0.8, F.CORDUROY: -0.7, F.QUILT: -0.9,
    F.FUR: 0.5, F.PEARL: 0.6, F.METALLIC: 0.4, F.STONE: 0.3, F.PLEAT: 0.2,
}  # fmt: skip
PATTERNS: dict[PatternType, float] = {
    PatternType.GRAPHIC: -1.0, PatternType.FLORAL: -0.2, PatternType.ANIMAL: -0.2, PatternType.CHECK: -0.3,
    PatternType.MARL: -0.3, PatternType.ABSTRACT: -0.2, PatternType.COLOUR_BLOCK: -0.3,
}  # fmt: skip
DETAILS: dict[object, tuple[float, str]] = {
    Toe.POINTED: (0.5, "a pointed toe"), Toe.OPEN: (-0.2, "an open toe"), Toe.ROUND: (-0.2, "a round toe"),
    Sole.THIN: (0.5, "a thin sole"), Sole.HEAVY: (-1.0, "a heavy sole"),
    Heel.HIGH: (0.6, "a high heel"), Sleeve.NONE: (-0.1, "bare arms"),
    Neckline.COLLAR: (0.2, "a collar"), Neckline.STRAPS: (-0.2, "straps"),
}  # fmt: skip
LONG_FOR_EVENING = (C.DRESS, C.SKIRT, C.JUMPSUIT)
DARK, PALE_DENIM = 25.0, 55.0
DOUBT = 1.1
"""Steps that a person's word lies off, nine times in ten, where nothing but the category is known."""


def formality_of(piece: Piece, ways: OwnWays) -> Proposal:
    """What is proposed for a piece as it is known. ways: how this studio's own words differ."""
    # that a knit is knitted lies in where it starts
    cloths = [one for one in sorted(piece.finish) if one in CLOTHS and one.value != piece.category.value]
    pulls = [Pull(CLOTHS[one], one.value) for one in cloths]
    if piece.pattern in PATTERNS:
        loud = 1.5 if piece.scale is Scale.LARGE else 1.0
        pulls.append(Pull(PATTERNS[piece.pattern] * loud, f"the {piece.pattern.value.replace('-', ' ')}"))
    pulls += [
        Pull(by, word) for said in piece.details.words if said and (told := DETAILS.get(said)) for by, word in [told]
    ]
    if piece.length is Length.FLOOR and piece.category in LONG_FOR_EVENING:
        pulls.append(Pull(1.0, "floor length"))
    if piece.length is Length.CROPPED:
        pulls.append(Pull(-0.3, "cropped length"))
    lightness = float(piece.share @ piece.lab[:, 0])
    if lightness < DARK and F.DENIM not in piece.finish:
        pulls.append(Pull(0.4, "so dark a colour"))
    if F.DENIM in piece.finish and lightness > PALE_DENIM:
        pulls.append(Pull(-0.3, "a washed colour"))
    doubt = DOUBT * (0.8 if piece.finish else 1.0)
    return proposed(piece, STARTS.get(piece.category, USUAL_START), pulls, ENDS, doubt, ways)
