"""Dresses and jumpsuits."""

from ...garment.vocabulary import Category as C
from ...garment.vocabulary import Finish
from .body import ANKLE, ARMPIT, HIP, HIP_HALF, SHOULDER, SHOULDER_HALF, WAIST, WAIST_HALF, side_of
from .drawn import EASE, Company, Cut, Drawn, hem_of
from .lower import legs_of, skirt_folds, skirt_half
from .outlines import Point, both_sides, corner
from .parts import cloth, line
from .sleeves import sleeves
from .upper import neckline, sleeve_end


def whole(piece: Cut, company: Company) -> Drawn:
    """A piece from the shoulders to below the hip."""
    category, ease = piece.category, EASE[piece.volume]
    shape, back = neckline(piece)
    waist = WAIST_HALF + min(ease, 3.0)
    shoulder: list[Point] = [*corner((SHOULDER_HALF - 1.2, SHOULDER + 0.2)), (SHOULDER_HALF - 2.0, 38.0)]
    bodice: list[Point] = [*shape, *shoulder, (side_of(ARMPIT) + ease * 0.4, ARMPIT + 2)]
    bodice += corner((waist, WAIST))
    parts = list(back)
    arm = sleeve_end(piece)
    if not company.layered and arm is not None:
        parts += sleeves(arm, ease * 0.4 + 0.8, flare=0.6)
    seam = line([(-waist, WAIST), (0.0, WAIST + 0.8), (waist, WAIST)], 0.4)
    if category is C.JUMPSUIT:
        end = hem_of(piece, ANKLE, 104.0)
        parts += [legs_of(end, piece.volume, bodice), seam]
    else:
        end = hem_of(piece, 134.0, 100.0)
        half = skirt_half(end, piece.volume)
        right = [
            *bodice,
            (HIP_HALF + ease * 0.7, HIP),
            *corner((half, end - 1.0)),
            (half * 0.5, end + 0.9),
            (0.0, end + 1.2),
        ]
        parts += [cloth(both_sides(right)), seam]
        parts += skirt_folds(end, half, piece.volume, Finish.PLEAT in piece.finish)
    return Drawn(parts, (7.5, min(104.0, end - 10)), SHOULDER - 2, end)
