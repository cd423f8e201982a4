"""Trousers, shorts and skirts."""

from ...garment.vocabulary import Category as C
from ...garment.vocabulary import Finish, Length, Volume
from .body import ANKLE, CROTCH, HIP, HIP_HALF, LEG, LEG_HALF, WAIST, WAIST_HALF, along, half_of
from .drawn import EASE, Company, Cut, Drawn, hem_of
from .outlines import Point, band, both_sides, corner, disc
from .parts import Part, cloth, hardware, line, lines

BAND = 4.0
"""Height of a waistband, centimetres."""
FALLS = 146.0
"""Centimetres below the crown from which a hem widens no more."""
FLARE: dict[Volume, float] = {Volume.CLOSE: 1.0, Volume.EASY: 9.0, Volume.FULL: 21.0}
"""How much wider than the hip a skirt ends at the knee, on each side."""


def waistband(ease: float = 0.6) -> Part:
    """A band round the waist."""
    half = WAIST_HALF + ease
    return cloth(band((-half, WAIST - 1), (half, WAIST - 1), BAND, 0.7), dark=0.1)


def legs_of(end: float, volume: Volume, top: list[Point]) -> Part:
    """Both legs in one outline, or a seam would gape between them. top: the right half above the hip, going down."""
    ease = EASE[volume] * 0.6
    wide = {Volume.CLOSE: 0.3, Volume.EASY: 2.0, Volume.FULL: 8.0}[volume]
    outer: list[Point] = []
    for y in (CROTCH + 8, 110.0, 121.0, 133.0, 148.0):
        if y < end - 6:
            reach = ease + wide * (y - HIP) / (ANKLE - HIP)
            outer.append((along(LEG, y) + half_of(LEG, LEG_HALF, y) + reach, y))
    share = (end - HIP) / (ANKLE - HIP)
    hem = along(LEG, end) + half_of(LEG, LEG_HALF, end) + ease * 0.6 + wide * share
    inner = max(0.9, along(LEG, end) - half_of(LEG, LEG_HALF, end) - ease * 0.5 - wide * 0.55 * share)
    right = [*top, (HIP_HALF + ease * 0.8, HIP), *outer, *corner((hem, end), (inner, end + 0.3))]
    if end > 125:
        right.append((min(inner + 0.6, 2.6), 121.0))
    return cloth(both_sides([*right, *corner((0.0, CROTCH + 3))]))


def lower(piece: Cut, company: Company) -> Drawn:
    """A piece for the lower half."""
    if piece.category is C.SKIRT:
        return _skirt(piece)
    shorts = piece.category is C.SHORTS
    # trousers that are called cropped show the ankle
    end = hem_of(piece, 108.0 if shorts else ANKLE + 1, 98.0 if shorts or piece.length is not Length.CROPPED else 147.0)
    if company.long_boots and piece.volume is Volume.CLOSE:
        end = min(end, 140.0)
    parts = [legs_of(end, piece.volume, [*corner((WAIST_HALF + 0.4, WAIST))]), waistband(0.6)]
    parts += _front(end)
    return Drawn(parts, (9.5, min(112.0, end - 8)), WAIST, end)


def _front(end: float) -> list[Part]:
    """Fly, pockets and creases."""
    fly = line([(0.0, WAIST + BAND), (0.0, CROTCH - 1)], 0.3)
    curve = line([(2.0, WAIST + BAND), (2.0, CROTCH - 9), (0.2, CROTCH - 5)], 0.25, 0.22)
    pockets = lines([(9.5, WAIST + BAND), (13.6, WAIST + 11), (15.6, WAIST + 13)], 0.3)
    creases = lines([(8.6, CROTCH + 4), (8.6, 121.0), (8.0, end - 2)], 0.25, 0.14) if end > 120 else []
    return [fly, curve, *pockets, *creases, hardware(disc(0.0, WAIST + 1.6, 0.75))]


def _skirt(piece: Cut) -> Drawn:
    end = hem_of(piece, 136.0, 100.0)
    half = skirt_half(end, piece.volume)
    right: list[Point] = [*corner((WAIST_HALF + 0.5, WAIST)), (HIP_HALF + EASE[piece.volume] * 0.7, HIP)]
    parts = [
        cloth(both_sides([*right, *corner((half, end - 1.0)), (half * 0.5, end + 0.9), (0.0, end + 1.2)])),
        waistband(),
    ]
    parts += skirt_folds(end, half, piece.volume, Finish.PLEAT in piece.finish)
    return Drawn(parts, (8.0, (WAIST + end) / 2 + 8), WAIST, end)


def skirt_half(end: float, volume: Volume) -> float:
    """Half the width of a hem, centimetres."""
    # a long hem falls in folds before it goes on widening
    return HIP_HALF + EASE[volume] * 0.7 + FLARE[volume] * (min(end, FALLS) - HIP) / 40.0 * 0.62


def skirt_folds(end: float, half: float, volume: Volume, pleated: bool) -> list[Part]:
    """Folds that fall from the waist: more where there is more cloth."""
    count = 5 if pleated else {Volume.CLOSE: 1, Volume.EASY: 2, Volume.FULL: 4}[volume]
    start = WAIST + BAND + (0 if pleated else 12)
    found: list[Part] = []
    for k in range(1, count + 1):
        share = (k - 0.35) / (count + 0.3)
        found += lines([(WAIST_HALF * share, start), (half * share, end - 0.4)], 0.35, 0.26 if pleated else 0.17)
    return found
