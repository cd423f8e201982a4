"""Tops, shirts, knits and tunics."""

from ...garment.vocabulary import Category as C
from ...garment.vocabulary import Neckline, Sleeve, Worn
from .body import ARMPIT, HIP, SHOULDER, SHOULDER_HALF, WAIST, side_of
from .drawn import EASE, Company, Cut, Drawn, hem_of
from .outlines import Point, band, both_sides, corner, disc, rounded_off
from .parts import Part, cloth, hardware, inside, line, pair
from .sleeves import WRIST, sleeves

NECKLINES: dict[C, tuple[float, float]] = {
    C.TOP: (8.6, 38.5),
    C.SHIRT: (5.6, 34.5),
    C.KNIT: (6.4, 33.2),
    C.TUNIC: (7.0, 40.0),
    C.DRESS: (7.4, 40.5),
    C.JUMPSUIT: (7.0, 39.0),
}
"""Half the width of the neck opening, and how deep it reaches below the crown."""
SLEEVE_ENDS: dict[C, float] = {
    C.TOP: 52.0,
    C.SHIRT: WRIST,
    C.KNIT: WRIST,
    C.TUNIC: 74.0,
    C.DRESS: 54.0,
    C.JUMPSUIT: 52.0,
}


NECKS: dict[Neckline, tuple[float, float]] = {
    Neckline.ROUND: (7.4, 36.5),
    Neckline.POINTED: (6.8, 45.0),
    Neckline.WIDE: (12.0, 36.5),
    Neckline.HIGH: (5.6, 30.6),
    Neckline.COLLAR: (5.6, 34.5),
    Neckline.STRAPS: (10.0, 45.0),
}
"""The same, where it is known how the piece ends at the neck."""
SLEEVES: dict[Sleeve, float] = {Sleeve.SHORT: 52.0, Sleeve.ELBOW: 64.0, Sleeve.LONG: WRIST}


def neck_of(piece: Cut) -> tuple[float, float]:
    """Half the width of the neck opening, and how deep it reaches below the crown."""
    said = piece.details.neckline
    return NECKLINES[piece.category] if said is None else NECKS[said]


def sleeve_end(piece: Cut) -> float | None:
    """Where the sleeves end, centimetres below the crown; None without any."""
    said = piece.details.sleeve
    return SLEEVE_ENDS[piece.category] if said is None else SLEEVES.get(said)


def neckline(piece: Cut) -> tuple[list[Point], list[Part]]:
    """The right half of a neck opening from the middle outward, and the back of the neck that is seen in it."""
    half, deep = neck_of(piece)
    said = piece.details.neckline
    pointed = piece.category in (C.TUNIC, C.DRESS, C.SHIRT, C.JUMPSUIT) if said is None else said in POINTED_NECKS
    shape: list[Point] = [(0.0, deep), (half * 0.62, deep - 1.2), (half * 0.95, deep - 5.0), *corner((half, 29.0))]
    if pointed:
        shape = [*corner((0.0, deep)), (half * 0.55, deep - 4.5), *corner((half, 29.0))]
    back: list[Point] = [(0.0, 31.2), (half * 0.6, 30.6), *corner((half, 29.0))]
    return shape, [inside(both_sides([*back, *reversed(shape)]))] if deep > 32 else []


POINTED_NECKS = frozenset({Neckline.POINTED, Neckline.COLLAR})


def torso(piece: Cut, end: float, ease: float, at_hem: float) -> Part:
    """Front of a piece from neck to hem. ease: off the body; at_hem: half the width there, centimetres."""
    shape, _ = neckline(piece)
    waist = side_of(WAIST) + ease + (1.0 if piece.category is C.KNIT else 0.4)
    sides: list[Point] = [
        *corner((SHOULDER_HALF - 1.0, SHOULDER + 0.2)),
        (SHOULDER_HALF - 1.8, 38.0),
        (side_of(ARMPIT) + ease * 0.6, ARMPIT + 2),
    ]
    if end > WAIST + 4:
        sides += [(waist, WAIST)]
    return cloth(both_sides([*shape, *sides, *corner((at_hem, end)), (0.0, end + 0.8)]))


def upper(piece: Cut, company: Company) -> Drawn:
    """A piece for the upper half, tucked in or loose."""
    # as the verdict has it: what is not said to be tucked in hangs over
    tucked = piece.worn is Worn.TUCKED and company.lower
    category, ease = piece.category, EASE[piece.volume]
    usual = 104.0 if category is C.TUNIC else HIP + 2 if category is C.SHIRT else HIP - 2
    end = WAIST + 2 if tucked else hem_of(piece, usual, 54.0)
    at_hem = side_of(end) + ease + (0.8 if not tucked else -0.4)
    cuff = {C.SHIRT: 5.0, C.KNIT: 4.5}.get(category, 0.0) if piece.details.sleeve in (None, Sleeve.LONG) else 0.0
    parts, arm = neckline(piece)[1], sleeve_end(piece)
    if not company.layered and arm is not None:
        parts += sleeves(arm, ease * 0.45 + 0.7, cuff, 0.8 if category is C.TUNIC else 0.0)
    parts.append(torso(piece, end, ease, at_hem))
    parts += _folds(end, side_of(WAIST) + ease)
    parts += {C.SHIRT: _shirt, C.KNIT: _knit, C.TUNIC: _plain, C.TOP: _plain}[category](piece, end, at_hem, tucked)
    return Drawn(parts, (6.5, 50.0), SHOULDER - 2, end, 0.5 if company.layered else 1.0)


def _folds(end: float, waist: float) -> list[Part]:
    low = min(end - 3, WAIST)
    return pair(line([(waist - 1.5, low), (waist - 5, low - 5), (waist - 5.5, low - 10)], 0.3, 0.14))


def _plain(piece: Cut, end: float, at_hem: float, tucked: bool) -> list[Part]:
    return [] if tucked else [_hem(end - 1.8, at_hem)]


def _hem(y: float, half: float) -> Part:
    return line([(-half, y - 0.3), (0.0, y + 0.6), (half, y - 0.3)], 0.25, 0.25)


def _knit(piece: Cut, end: float, at_hem: float, tucked: bool) -> list[Part]:
    """A ribbed collar, and a ribbed hem where it hangs loose."""
    half, deep = neck_of(piece)
    outer: list[Point] = [
        (0.0, deep + 2.4),
        (half * 0.8, deep + 0.8),
        *corner((half + 1.7, 30.4)),
        *corner((half, 29.4)),
    ]
    rib = cloth(both_sides([*outer, (half * 0.9, deep - 3.0), (0.0, deep)]), dark=0.12)
    if tucked:
        return [rib]
    hem = cloth(band((-at_hem + 1.2, end - 4.0), (at_hem - 1.2, end - 4.0), 4.4, 0.8), dark=0.1)
    ribs = [line([(x, end - 3.6), (x, end)], 0.25, 0.2) for x in range(-int(at_hem) + 3, int(at_hem) - 1, 3)]
    return [rib, hem, *ribs]


def _shirt(piece: Cut, end: float, at_hem: float, tucked: bool) -> list[Part]:
    """A collar, a placket and buttons."""
    deep = neck_of(piece)[1]
    leaf = rounded_off(
        [*corner((0.3, deep - 0.3), (5.5, 28.2)), (7.0, 29.5), *corner((8.2, 35.8)), *corner((2.6, 36.6))]
    )
    placket = [line([(x, deep + 1), (x, end)], 0.25, 0.3) for x in (-1.6, 1.6)]
    buttons = [hardware(disc(0.0, float(y), 0.55)) for y in range(int(deep) + 6, int(end), 9)]
    collar = pair(cloth(leaf, turn=12)) if piece.details.neckline in (None, Neckline.COLLAR) else []
    return [*placket, *buttons, *collar, *_plain(piece, end, at_hem, tucked)]
