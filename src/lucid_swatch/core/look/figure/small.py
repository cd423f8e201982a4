"""Accessories, each at its place."""

from collections.abc import Callable

import numpy as np

from ...garment.vocabulary import Category as C
from ...garment.vocabulary import Finish
from .body import ARM, ARM_HALF, WAIST, WAIST_HALF, along, half_of
from .drawn import Company, Cut, Drawn
from .outlines import Point, band, both_sides, corner, disc, mirrored, ring, rounded_off
from .parts import cloth, hardware, line, pair, trim
from .person import EAR, EYE, EYES_BELOW, HAND, hand_outline

WRIST = ARM[-1]


def belt(piece: Cut, company: Company) -> Drawn:
    """A belt with its buckle."""
    half = WAIST_HALF + 1.1
    strap = cloth(band((-half, WAIST - 0.6), (half, WAIST - 0.6), 3.6, 0.7))
    frame = hardware(ring(0.0, WAIST + 1.9, 2.5, 0.8, 0.95))
    end = line([(2.6, WAIST + 1.9), (7.0, WAIST + 1.8)], 0.3)
    return Drawn([strap, frame, end], (-9.0, WAIST + 1.6), WAIST - 1, WAIST + 3)


def scarf(piece: Cut, company: Company) -> Drawn:
    """A scarf laid round the neck, one end longer than the other."""
    loop = cloth(
        both_sides([(0.0, 33.5), (5.5, 31.0), *corner((8.6, 25.5)), (10.4, 30.0), (8.2, 37.5), (0.0, 41.0)]), turn=70
    )
    longer = cloth(rounded_off([*corner((0.6, 36.0)), (6.8, 37.0), *corner((9.4, 82.0), (1.2, 83.0))]), turn=3)
    shorter = cloth(rounded_off([*corner((-6.6, 36.5)), (-0.4, 36.0), *corner((-1.6, 69.0), (-9.2, 68.0))]), turn=-4)
    fringe = [line([(x, 83.0), (x - 0.2, 86.0)], 0.3, 0.4) for x in (1.8, 3.4, 5.0, 6.6, 8.2)]
    folds = [line([(3.6, 40.0), (5.4, 80.0)], 0.35, 0.2), line([(-7.0, 33.0), (0.0, 37.0), (7.6, 32.4)], 0.4, 0.22)]
    return Drawn([shorter, longer, *fringe, loop, *folds], (5.0, 60.0), 27.0, 83.0, 0.3)


def tie(piece: Cut, company: Company) -> Drawn:
    """A tie, its knot at the collar."""
    blade = cloth(
        rounded_off([*corner((-1.2, 36.0), (1.2, 36.0)), (3.0, 58.0), *corner((3.8, 68.0), (0.0, 72.5), (-3.8, 68.0))])
    )
    knot = cloth(rounded_off([*corner((-2.4, 32.2), (2.4, 32.2)), *corner((1.4, 36.8), (-1.4, 36.8))]), dark=0.08)
    return Drawn([blade, knot], (0.5, 52.0), 32.0, 72.0, 0.15)


def necklace(piece: Cut, company: Company) -> Drawn:
    """A string round the neck: beads of pearl or stone, or a chain; larger where it is a statement."""
    loud = (piece.statement or 0.0) >= 0.5
    drop, wide, bead = (21.0, 9.4, 1.35) if loud else (14.5, 7.4, 0.62)
    turn = np.linspace(0.06 * np.pi, 0.94 * np.pi, 23 if loud else 31)
    x, y = wide * np.cos(turn), 27.0 + drop * np.sin(turn) ** 1.25
    size = bead * (0.75 + 0.5 * np.sin(turn))
    beads = [cloth(disc(float(px), float(py), float(r))) for px, py, r in zip(x, y, size, strict=True)]
    return Drawn(beads, (0.0, 26.5 + drop), 28.0, 28.0 + drop, 0.1)


def brooch(piece: Cut, company: Company) -> Drawn:
    """A brooch on the left breast."""
    around = [
        cloth(disc(9.6 + 1.7 * np.cos(t), 45.0 + 1.7 * np.sin(t), 1.0)) for t in np.linspace(0, 2 * np.pi, 6)[:-1]
    ]
    return Drawn([*around, hardware(disc(9.6, 45.0, 1.0))], (9.6, 45.0), 43.0, 47.0, 0.1)


def pocket_square(piece: Cut, company: Company) -> Drawn:
    """A folded cloth that looks out of a breast pocket."""
    fold = cloth(rounded_off([*corner((7.4, 49.0), (8.0, 44.6), (10.0, 46.4), (11.2, 44.2), (13.4, 49.0))]))
    return Drawn([fold, line([(7.0, 49.2), (13.8, 48.8)], 0.5)], (10.4, 47.0), 44.0, 49.0, 0.1)


def earrings(piece: Cut, company: Company) -> Drawn:
    """A drop or a ring at each ear."""
    x, y = EAR
    loud = (piece.statement or 0.0) >= 0.5
    size = 2.0 if loud else 1.25
    hoop = cloth(ring(x + 0.2, y + size + 0.4, size, 0.75, 1.15))
    return Drawn(pair(hoop), (x + 0.4, y + 1.5), y, y + 3 * size, 0.1)


def eyewear(piece: Cut, company: Company) -> Drawn:
    """Two rims and what joins them."""
    rim = cloth(ring(EYE, EYES_BELOW, 2.75, 0.6, 0.86))
    bridge = cloth(band((-0.9, EYES_BELOW - 0.9), (0.9, EYES_BELOW - 0.9), 0.55, -0.4))
    temple = cloth(band((EYE + 2.6, EYES_BELOW - 1.2), (EAR[0], EYES_BELOW - 0.8), 0.5))
    return Drawn([*pair(rim), bridge, *pair(temple)], (0.0, EYES_BELOW), EYES_BELOW - 2, EYES_BELOW + 2, 0.1)


def hat(piece: Cut, company: Company) -> Drawn:
    """A hat: a brim where it is straw, a close cap where it is knitted or fur, else a soft crown on a band."""
    if Finish.STRAW in piece.finish:
        brim = cloth(both_sides([(0.0, 2.0), (9.0, 2.4), (17.5, 4.6), (17.0, 6.4), (8.0, 6.2), (0.0, 6.8)]))
        crown = cloth(both_sides([(0.0, -6.5), (6.5, -6.0), (9.0, -1.0), *corner((9.2, 4.0)), (0.0, 5.0)]))
        ribbon = trim(band((-9.2, 1.4), (9.2, 1.4), 2.6, 0.9), dark=0.2)
        return Drawn([brim, crown, ribbon], (7.0, -1.0), -6.5, 6.5, 0.3)
    if piece.finish & {Finish.KNIT, Finish.RIB, Finish.FUR}:
        cap = cloth(both_sides([(0.0, -4.5), (6.0, -3.6), (9.2, 1.0), *corner((9.5, 6.4)), (0.0, 6.8)]))
        turned = cloth(band((-9.7, 2.8), (9.7, 2.8), 4.2, 0.5), dark=0.12)
        return Drawn([cap, turned], (6.0, 0.0), -4.5, 7.0, 0.3)
    dome: list[Point] = [(-11.0, 2.6), (-10.6, -2.2), (-4.0, -5.2), (4.0, -5.4), (10.6, -3.0), (12.4, 1.6), (9.4, 4.4)]
    crown = cloth(rounded_off([*dome, (0.0, 5.0), (-8.8, 4.6)]))
    under = cloth(band((-8.6, 3.2), (8.6, 3.2), 2.2, 0.7), dark=0.22)
    return Drawn([under, crown, line([(-9.0, 1.5), (0.0, -1.5), (9.4, 0.4)], 0.35, 0.16)], (6.0, -1.0), -5.0, 6.0, 0.3)


def hair_piece(piece: Cut, company: Company) -> Drawn:
    """A band or clasp in the hair."""
    lower: list[Point] = [(0.0, -2.6), (4.0, -1.2), (7.0, 3.4)]
    upper: list[Point] = [(8.2, 2.6), (4.8, -2.8), (0.0, -4.4)]
    bow = cloth(rounded_off([*lower, *upper, *mirrored(upper), *mirrored(lower)]))
    return Drawn([bow], (5.6, -1.0), -4.0, 3.0, 0.1)


def headscarf(piece: Cut, company: Company) -> Drawn:
    """A cloth over the hair, knotted behind."""
    edge: list[Point] = [(0.0, 5.0), (6.2, 5.8), (8.6, 11.0), (8.8, 17.0), *corner((7.0, 24.0))]
    outer: list[Point] = [*corner((9.5, 27.0)), (11.4, 16.0), (10.4, 4.0), (6.4, -3.0), (0.0, -4.6)]
    over = cloth(rounded_off([*edge, *outer, *mirrored(outer), *mirrored(edge)]))
    return Drawn([over, line([(-8.4, 5.0), (0.0, 1.6), (8.4, 5.0)], 0.35, 0.2)], (9.4, 8.0), -4.5, 27.0, 0.4)


def bag(piece: Cut, company: Company) -> Drawn:
    """A bag carried by its handle."""
    x, y = -HAND[0] - 3.0, HAND[1] + 12.5
    body = [*corner((-10.5, 0.0), (10.5, 0.0)), (12.0, 9.0), *corner((12.8, 18.5), (-12.8, 18.5)), (-12.0, 9.0)]
    handle = ring(x + 2.2, y - 0.5, 6.6, 1.4, 2.1)
    flap = [*corner((-10.8, -0.3), (10.8, -0.3)), (11.2, 5.0), (5.5, 8.2), (0.0, 8.8), (-5.5, 8.2), (-11.2, 5.0)]
    return Drawn(
        [
            cloth(handle, dark=0.12),
            cloth(rounded_off([(x + px, y + py) for px, py in body])),
            cloth(rounded_off([(x + px, y + py) for px, py in flap]), dark=0.07),
            hardware(rounded_off([*corner((x - 1.3, y + 7.4), (x + 1.3, y + 7.4), (x + 1.3, y + 10.2), (x - 1.3, y + 10.2))])),
        ],
        (x, y + 13.0),
        y,
        y + 18.5,
        0.3,
    )  # fmt: skip


def bracelet(piece: Cut, company: Company) -> Drawn:
    """A ring round the wrist."""
    return _round_the_wrist(1.1, 0.0)


def watch(piece: Cut, company: Company) -> Drawn:
    """A watch on the wrist."""
    strap = _round_the_wrist(1.6, 0.0)
    face = hardware(disc(WRIST[0], WRIST[1] + 0.6, 1.7))
    return Drawn([*strap.parts, face], strap.anchor, strap.top, strap.bottom, strap.cover)


def cufflinks(piece: Cut, company: Company) -> Drawn:
    """A knob at each cuff."""
    return Drawn(pair(hardware(disc(WRIST[0] + 2.4, WRIST[1] - 2.0, 0.75))), WRIST, 83.0, 85.0, 0.05)


def finger_ring(piece: Cut, company: Company) -> Drawn:
    """A ring on a finger."""
    x, y = HAND[0] + 0.9, HAND[1] + 3.0
    return Drawn([cloth(disc(x, y, 1.0))], (x, y), y - 1, y + 1, 0.05)


def gloves(piece: Cut, company: Company) -> Drawn:
    """Gloves over the wrist."""
    glove = cloth(hand_outline(0.5, WRIST[1] - 4.5))
    return Drawn(pair(glove), (HAND[0], HAND[1]), WRIST[1] - 4, HAND[1] + 8, 0.1)


def _round_the_wrist(high: float, below: float) -> Drawn:
    y = WRIST[1] + below
    x, half = along(ARM, y), half_of(ARM, ARM_HALF, y) + 0.6
    return Drawn([cloth(band((x - half, y), (x + half, y), high, 0.5))], (x, y), y, y + high, 0.05)


SMALL: dict[C, Callable[[Cut, Company], Drawn]] = {
    C.BELT: belt,
    C.SCARF: scarf,
    C.TIE: tie,
    C.NECKLACE: necklace,
    C.BROOCH: brooch,
    C.POCKET_SQUARE: pocket_square,
    C.EARRINGS: earrings,
    C.EYEWEAR: eyewear,
    C.HAT: hat,
    C.HAIR_PIECE: hair_piece,
    C.HEADSCARF: headscarf,
    C.BAG: bag,
    C.BRACELET: bracelet,
    C.WATCH: watch,
    C.CUFFLINKS: cufflinks,
    C.RING: finger_ring,
    C.GLOVES: gloves,
}
"""How each accessory is drawn."""
