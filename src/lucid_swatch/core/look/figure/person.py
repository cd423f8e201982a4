"""The person under the cloth: legs, arms, hands and neck in the measured skin, and a head where there is no portrait."""

from ...colour.arrays import FloatArray
from .body import ANKLE, ARM, ARM_HALF, CHIN, LEG, LEG_HALF, NECK_HALF, SHOULDER, SHOULDER_HALF, along, half_of, side_of
from .outlines import Point, both_sides, corner, disc, limb, rounded_off
from .parts import Part, Role, pair

EYES_BELOW, EYE = 11.2, 3.15
"""Of the crown, and from the middle; centimetres. Source: the distance between pupils, 63 mm in the middle, Dodgson 2004,
Proceedings of SPIE 5291."""
EAR = (7.7, 14.6)
"""Where an earring hangs."""
HAND = (23.6, 93.0)
"""The middle of a hand."""


def body() -> list[Part]:
    """Legs with feet, trunk, arms and hands."""
    trunk: list[Point] = [
        (NECK_HALF, 26.0),
        (NECK_HALF + 0.9, 28.6),
        (11.0, 31.4),
        (SHOULDER_HALF - 1.6, SHOULDER + 1.2),
    ]
    trunk += [(SHOULDER_HALF - 1.2, 38.0), *((side_of(y), y) for y in (46.0, 56.0, 65.0, 74.0, 82.0, 88.0))]
    foot: list[Point] = [(4.6, ANKLE - 2), (4.2, 163.5), (5.2, 167.4), (13.6, 167.4), (14.6, 165.6), (11.2, 162.4)]
    return [
        *pair(_skin(limb(list(LEG), LEG_HALF))),
        *pair(_skin(rounded_off([*foot, (10.2, ANKLE - 2)]))),
        _skin(both_sides([(0.0, 26.0), *trunk, (0.0, 92.0)])),
        *pair(_skin(limb(list(ARM), ARM_HALF, end=False))),
        *pair(_skin(hand_outline())),
    ]


def neck() -> list[Part]:
    """The neck, and the shade that the chin throws on it."""
    column = both_sides(
        [(0.0, 15.0), *corner((NECK_HALF - 0.3, 15.0)), (NECK_HALF - 0.5, 24.0), (NECK_HALF + 1.4, 29.2), (0.0, 31.5)]
    )
    shade = both_sides(
        [(0.0, 16.0), *corner((NECK_HALF - 0.4, 16.0)), (NECK_HALF - 0.5, 23.0), (2.6, CHIN + 2.6), (0.0, CHIN + 3.2)]
    )
    return [_skin(column), _skin(shade, 0.22)]


def hand_outline(more: float = 0.0, top: float | None = None) -> FloatArray:
    """The right hand as it hangs. more: how much wider all round; top: where it begins, centimetres below the crown."""
    start = ARM[-1][1] - 1.0 if top is None else top
    x, half = along(ARM, start), half_of(ARM, ARM_HALF, start) + more
    fingers: list[Point] = [(26.1 + more, 91.5), (26.0 + more, 97.0), (24.8, 103.5 + more), (22.8, 103.0 + more)]
    thumb: list[Point] = [(21.9 - more, 97.0), (20.6 - more, 95.8), (20.6 - more, 90.5)]
    return rounded_off([*corner((x - half, start), (x + half, start)), *fingers, *thumb])


def card_head() -> list[Part]:
    """A head of hair, skin and eyes, where there is no portrait to cut one from."""
    back = both_sides(
        [(0.0, -1.2), (6.6, -0.6), (9.4, 5.0), (9.2, 15.0), (8.0, 21.5), *corner((6.0, 22.0)), (0.0, 20.0)]
    )
    face = both_sides([(0.0, 1.5), (5.4, 2.2), (7.2, 8.0), (7.0, 14.5), (4.4, 20.6), (0.0, CHIN)])
    parting = both_sides(
        [(0.0, -0.8), (6.2, 0.0), (8.6, 5.6), *corner((8.3, 12.5)), (7.0, 6.6), (2.4, 4.2), (0.0, 4.6)]
    )
    ear = disc(7.3, 12.4, 1.1, 1.6)
    return [
        Part(Role.HAIR, back, dark=0.12),
        *pair(_skin(ear, 0.06)),
        _skin(face),
        Part(Role.HAIR, parting),
        *pair(Part(Role.EYES, disc(EYE, EYES_BELOW, 0.95))),
    ]


def _skin(points: FloatArray, dark: float = 0.0) -> Part:
    return Part(Role.SKIN, points, dark=dark)
