"""Shoes, boots and hosiery, seen from the front."""

from ...garment.vocabulary import Category as C
from ...garment.vocabulary import Length, Sole, Toe
from .body import ANKLE, CALF, KNEE, LEG, LEG_HALF, SOLE, along, half_of
from .drawn import Company, Cut, Drawn
from .outlines import Point, corner, limb, rounded_off
from .parts import Part, cloth, inside, line, pair, trim

SHAFTS: dict[Length, float] = {Length.KNEE: KNEE + 4, Length.MIDI: CALF + 4, Length.ANKLE: ANKLE - 10}
TOES: dict[Toe, float] = {Toe.ROUND: 0.0, Toe.NARROW: 1.0, Toe.POINTED: 2.2, Toe.OPEN: -0.2}
"""How far the toe of a shoe runs in from the outside, centimetres."""


def foot(toe: Toe | None = None) -> list[Point]:
    """A foot turned out a little, from the inner ankle round the toe."""
    narrow = TOES[toe or Toe.ROUND]
    return [
        (4.6, 160.5),
        (3.8, 163.0),
        (4.6 + narrow * 0.4, 166.5),
        *corner((6.2 + narrow, SOLE - 0.6), (14.6 - narrow, SOLE - 0.6)),
        (15.4 - narrow * 0.4, 165.2),
    ]


def feet(piece: Cut, company: Company) -> Drawn:
    """What is worn on the feet."""
    return _boots(piece) if piece.category is C.BOOTS else _shoes(piece)


SOLES: dict[Sole, float] = {Sole.THIN: 0.6, Sole.MIDDLING: 1.6, Sole.HEAVY: 3.0}
"""Thickness of a sole from the front, centimetres."""


def _sole(piece: Cut) -> Part:
    thick = SOLES[piece.details.sole or Sole.MIDDLING]
    heel_and_toe = [
        *corner((4.4, SOLE - thick)),
        (9.5, SOLE - thick * 0.6),
        *corner((15.6, SOLE - thick), (15.5, SOLE), (4.6, SOLE)),
    ]
    return trim(rounded_off(heel_and_toe), dark=0.35)


def _shoes(piece: Cut) -> Drawn:
    upper = cloth(
        rounded_off([*foot(piece.details.toe), (14.0, 163.0), (11.4, 161.8), *corner((10.0, 160.6)), (7.4, 163.2)])
    )
    opening = inside(rounded_off([(4.7, 160.6), (7.3, 162.9), (10.0, 160.6), (7.4, 159.9)]))
    vamp = line([(7.0, 164.9), (9.2, 163.8), (12.4, 165.2)], 0.3, 0.3)
    return Drawn([*pair(opening), *pair(_sole(piece)), *pair(upper), *pair(vamp)], (11.0, 165.0), 160.0, SOLE, 0.8)


def _boots(piece: Cut) -> Drawn:
    top = SHAFTS.get(piece.length, ANKLE - 10) if piece.length else ANKLE - 10
    shaft: list[Point] = []
    for y in (top, (top + ANKLE) / 2, ANKLE - 1):
        shaft.append((along(LEG, y) + half_of(LEG, LEG_HALF, y) + 1.1, y))
    inner = [(along(LEG, y) - half_of(LEG, LEG_HALF, y) - 1.1, y) for y in (ANKLE - 1, (top + ANKLE) / 2, top)]
    outer = [*shaft[1:], (14.0, 163.6), (15.4, 165.2), *corner((14.6, SOLE - 0.6), (6.2, SOLE - 0.6)), (4.0, 165.0)]
    boot = cloth(rounded_off([*corner(shaft[0]), *outer, *inner[:-1], *corner(inner[-1])]))
    gore = line([(shaft[0][0] - 2.2, top + 1), (shaft[1][0] - 2.0, (top + ANKLE) / 2), (10.6, ANKLE)], 0.9, 0.3)
    edge = line([(inner[-1][0], top + 0.6), (shaft[0][0], top + 0.6)], 0.5, 0.3)
    return Drawn([*pair(_sole(piece)), *pair(boot), *pair(gore), *pair(edge)], (11.0, 163.0), top, SOLE, 0.8)


def hosiery(piece: Cut, company: Company) -> Drawn:
    """Tights and stockings, on the leg."""
    top = 147.0 if piece.length is Length.ANKLE else KNEE if piece.length is Length.KNEE else LEG[0][1]
    heights = [top + (ANKLE + 2 - top) * k / 6 for k in range(7)]
    leg = limb([(along(LEG, y), y) for y in heights], [half_of(LEG, LEG_HALF, y) + 0.15 for y in heights])
    shod = cloth(rounded_off([*foot(), (13.6, 163.0), (10.4, 160.0)]))
    return Drawn([*pair(cloth(leg)), *pair(shod)], (8.0, max(144.0, top + 4)), max(top, KNEE), ANKLE, 0.5)
