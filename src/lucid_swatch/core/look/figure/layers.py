"""What goes over the rest: jackets, coats, waistcoats and wraps, open or shut."""

from ...colour.arrays import FloatArray
from ...garment.vocabulary import Category as C
from ...garment.vocabulary import Sleeve, Worn
from .body import ARMPIT, HIP, SHOULDER, SHOULDER_HALF, WAIST, side_of
from .drawn import EASE, Company, Cut, Drawn, hem_of
from .outlines import Point, both_sides, corner, disc, rounded_off
from .parts import Part, cloth, hardware, inside, line, lines, pair
from .sleeves import WRIST, sleeves

BREAK = 58.0
"""Where the lapels meet, centimetres below the crown."""
USUAL_HEM: dict[C, float] = {C.JACKET: HIP + 5, C.COAT: 126.0, C.WAISTCOAT: WAIST + 9}


def layer(piece: Cut, company: Company) -> Drawn:
    """A layer over the rest."""
    if piece.category is C.WRAP:
        return _wrap(piece)
    end, ease = hem_of(piece, USUAL_HEM[piece.category], BREAK + 5), EASE[piece.volume] + 1.4
    sleeved = piece.category is not C.WAISTCOAT and piece.details.sleeve is not Sleeve.NONE
    shut = piece.worn is Worn.CLOSED
    if not sleeved:
        ease -= 1.0
    flare = max(0.0, (end - HIP) / 40.0) * (2.0 + ease * 0.6)
    hem = (end, side_of(min(end, HIP)) + ease + flare)
    side = _side(end, ease, hem[1], sleeved)
    parts: list[Part] = []
    if sleeved:
        parts += sleeves(_arm(piece), 1.7 + ease * 0.25, flare=0.5)
    parts += _shut(side, end) if shut else _open(side, end)
    if sleeved:
        parts += _pockets(piece.category is C.COAT)
    parts += _lapels(shut, sleeved)
    behind = [] if shut else [inside(_back(side, end))]
    return Drawn(parts, (13.0, min(100.0, end - 10)), SHOULDER - 3, end, 1.0 if shut else 0.5, behind)


def _arm(piece: Cut) -> float:
    """Where the sleeves of a layer end, centimetres below the crown."""
    return {Sleeve.SHORT: 54.0, Sleeve.ELBOW: 66.0}.get(piece.details.sleeve or Sleeve.LONG, WRIST + 0.6)


def _side(end: float, ease: float, hem: float, sleeved: bool) -> list[Point]:
    """From the neck over the shoulder down to the hem, on the right."""
    out = SHOULDER_HALF - 1.0 if sleeved else SHOULDER_HALF - 3.2
    points: list[Point] = [
        *corner((6.4, 28.6)),
        *corner((out, SHOULDER)),
        (out - 0.6, 38.0),
        (side_of(ARMPIT) + ease * 0.7, ARMPIT + 2),
    ]
    if end > WAIST + 4:
        points.append((side_of(WAIST) + ease + 0.6, WAIST))
    if end > HIP + 8:
        points.append((side_of(HIP) + ease, HIP))
    return [*points, *corner((hem, end))]


def _shut(side: list[Point], end: float) -> list[Part]:
    front = cloth(both_sides([*corner((0.0, BREAK)), *side, (0.0, end + 0.8)]))
    edge = line([(1.4, BREAK), (1.4, end)], 0.35)
    buttons = [hardware(disc(-0.6, BREAK + 3.5 + 9 * k, 0.95)) for k in range(3) if BREAK + 4 + 9 * k < end - 6]
    return [front, edge, *buttons]


def _open(side: list[Point], end: float) -> list[Part]:
    """Two fronts that stand apart."""
    apart = 6.5 if end < 100 else 8.0
    front = cloth(rounded_off([*side, *corner((apart, end + 0.6)), (apart - 1.2, BREAK + 8), *corner((6.0, 30.0))]))
    # what stands open throws its shade on what is under it
    shade = lines([(6.0, 36.0), (6.2, BREAK - 4), (apart - 1.4, BREAK + 8), (apart - 0.2, end)], 1.5, 0.2)
    return [*shade, *pair(front)]


def _back(side: list[Point], end: float) -> FloatArray:
    low = [(x * 0.94, min(y, end - 1.2)) for x, y in side[-4:]]
    return both_sides([(0.0, SHOULDER), *low, (0.0, end - 1.2)])


def _lapels(shut: bool, sleeved: bool) -> list[Part]:
    """Collar and lapels, folded back from where the fronts meet."""
    meet = 0.4 if shut else 6.2
    if not sleeved:
        return pair(line([(6.4, 29.0), (meet + 2.5, 48.0), (meet, BREAK - 1)], 0.4))
    low = BREAK + (0 if shut else 2)
    out = 13.2 if shut else 15.0
    lapel = [
        *corner((6.0, 27.8)),
        (9.6, 33.0),
        *corner((out, 41.0), (out - 2.8, 42.4)),
        (out - 3.6, 48.0),
        *corner((meet, low)),
    ]
    collar = [*corner((5.6, 26.8)), (8.4, 28.8), *corner((out - 1.4, 39.2), (out - 4.6, 40.2)), (6.2, 33.0)]
    return [*pair(cloth(rounded_off(lapel), turn=14, dark=0.06)), *pair(cloth(rounded_off(collar), turn=20, dark=0.1))]


def _pockets(long: bool) -> list[Part]:
    y = HIP + 2 if long else WAIST + 10
    flap = rounded_off([*corner((9.6, y), (16.4, y - 0.6), (16.8, y + 3.2), (9.8, y + 3.8))])
    return pair(cloth(flap, dark=0.09))


def _wrap(piece: Cut) -> Drawn:
    """A cloth over both shoulders and arms, its ends falling in front."""
    end = hem_of(piece, 98.0, 70.0)
    shut = piece.worn is Worn.CLOSED
    apart = 0.5 if shut else 5.0
    outer: list[Point] = [*corner((5.8, 27.6)), (13.5, 28.6), (22.5, 34.0), (27.5, 62.0), *corner((30.0, end - 12))]
    front = cloth(
        rounded_off([*outer, (18.0, end - 2), *corner((apart + 1.5, end)), (apart, 60.0), (4.6, 36.0)]), turn=6
    )
    folds = [
        part
        for x, low in ((9.0, end - 4), (14.5, end - 6), (21.0, end - 10))
        for part in pair(line([(5.0 + x * 0.3, 34.0), (x, 58.0), (x + 1.5, low)], 0.4, 0.2))
    ]
    return Drawn([*pair(front), *folds], (14.0, 70.0), SHOULDER - 3, end, 1.0 if shut else 0.7)
