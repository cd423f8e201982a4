"""What garments and accessories look like, laid flat or hung: outlines of their parts in widths of the body.

The body is 1 wide and centred on 0; down is positive. A point given twice is a sharp corner."""

from dataclasses import dataclass

import numpy as np

from lucid_swatch.core.colour.arrays import FloatArray
from lucid_swatch.core.garment.vocabulary import Category as C

Points = list[tuple[float, float]]


@dataclass(frozen=True)
class Part:
    """One part of a piece; later parts lie on earlier ones."""

    points: Points
    role: str = "cloth"
    """cloth, trim, lining, hardware, or inside for a cloth seen from behind."""
    turn: float = 0.0
    """Degrees that the grain is turned."""
    both: bool = False
    """Whether its mirror image is there too."""
    puff: float = 1.0
    """How much it bulges."""


def smooth(points: Points) -> FloatArray:
    """A rounded closed outline through a polygon, by cutting corners (Chaikin 1974). Returns (n, 2)."""
    line = np.array(points, dtype=float)
    for _ in range(3):
        ahead = np.roll(line, -1, axis=0)
        line = np.stack([0.75 * line + 0.25 * ahead, 0.25 * line + 0.75 * ahead], axis=1).reshape(-1, 2)
    return line


def mirrored(points: Points) -> Points:
    """The other side."""
    return [(-x, y) for x, y in reversed(points)]


def whole(right: Points) -> Points:
    """A symmetrical outline from its right half, top to bottom."""
    return right + mirrored(right)


def sharp(*points: tuple[float, float]) -> Points:
    """Corners that stay corners."""
    return [p for p in points for _ in range(2)]


def box(x: float, y: float, width: float, height: float) -> Points:
    """A rectangle by its centre."""
    return sharp(
        (x - width / 2, y - height / 2), (x + width / 2, y - height / 2), (x + width / 2, y + height / 2), (x - width / 2, y + height / 2)
    )  # fmt: skip


def disc(x: float, y: float, radius: float) -> Points:
    """A round thing."""
    return [(x + radius * np.cos(t), y + radius * np.sin(t)) for t in np.linspace(0, 2 * np.pi, 10)[:-1]]


def _sleeve(length: float, width: float = 0.23, flare: float = 0.0) -> Part:
    # hangs from the shoulder, a little away from the body
    points = [
        (0.36, 0.05), *sharp((0.5, 0.12)), (0.56, 0.3), *sharp((0.60 + 0.16 * length + flare, 0.28 + length), (0.60 + 0.16 * length - width, 0.32 + length)),
        (0.40, 0.50), *sharp((0.40, 0.32)),
    ]  # fmt: skip
    return Part(points, turn=-9, both=True)


def _bodice(length: float, hem: float, neck: float = 0.15, deep: float = 0.10, waist: float = 0.46) -> Part:
    right = [(0.0, deep), (neck * 0.7, deep * 0.75), *sharp((neck, 0.0)), *sharp((0.44, 0.09)), (0.45, 0.3), (waist, 0.6), *sharp((hem, length)), (0.0, length + 0.02)]  # fmt: skip
    return Part(whole(right))


def _neck_hole(neck: float = 0.15, deep: float = 0.10) -> Part:
    return Part(
        whole([(0.0, -0.03), (neck * 0.8, -0.025), *sharp((neck, 0.0)), (neck * 0.7, deep * 0.75), (0.0, deep)]),
        "inside",
        puff=0.2,
    )


def _buttons(top: float, bottom: float, count: int, radius: float = 0.016) -> list[Part]:
    return [Part(disc(0.0, float(y), radius), "hardware", puff=2) for y in np.linspace(top, bottom, count)]


def _trousers(leg: float, hem: float, thigh: float = 0.5, length: float = 2.4) -> list[Part]:
    # the right half of the waist, the hip, the outer leg, the hem and the inner leg
    points = [*sharp((-0.01, 0.02), (0.40, 0.0)), (0.47, 0.22), (thigh, 0.5), (leg, 1.5), *sharp((hem + 0.06, length), (0.07, length + 0.02)), (0.04, 1.35), *sharp((-0.01, 0.66))]  # fmt: skip
    leg_part = Part(points, both=True)
    band = Part(whole([(0.0, -0.02), *sharp((0.395, -0.03), (0.41, 0.06)), (0.0, 0.075)]), puff=0.4)
    return [leg_part, band, Part(disc(0.0, 0.03, 0.018), "hardware", puff=2)]


def _skirt(length: float, hem: float) -> list[Part]:
    right = [(0.0, 0.02), *sharp((0.36, 0.0)), (0.46, 0.3), *sharp((hem, length)), (0.0, length + 0.05)]
    return [
        Part(whole(right)),
        Part(whole([(0.0, -0.02), *sharp((0.355, -0.03), (0.37, 0.06)), (0.0, 0.08)]), puff=0.4),
    ]


def _lapels(depth: float) -> list[Part]:
    opening = Part(
        whole([(0.0, 0.0), *sharp((0.14, -0.01)), (0.06, depth * 0.6), *sharp((0.0, depth))]), "lining", puff=0.2
    )
    lapel = [
        *sharp((0.13, -0.03)),
        (0.20, 0.03),
        *sharp((0.27, 0.17), (0.19, 0.20)),
        *sharp((0.005, depth)),
        (0.07, 0.3),
    ]
    return [opening, Part(lapel, both=True, puff=1.4)]


def _pair(points: Points) -> list[Part]:
    """Two shoes seen from above, toes up."""
    return [Part([(x + 0.29, y) for x, y in points]), Part([(-x - 0.29, y) for x, y in reversed(points)])]


_SOLE = [(-0.02, -0.62), (0.13, -0.55), (0.21, -0.30), (0.19, -0.02), (0.14, 0.18), (0.17, 0.42), (0.12, 0.60), (0.0, 0.65), (-0.12, 0.60), (-0.17, 0.40), (-0.15, 0.15), (-0.19, -0.10), (-0.20, -0.34), (-0.13, -0.56)]  # fmt: skip
_THROAT = [
    (0.0, -0.05),
    (0.10, 0.02),
    (0.115, 0.30),
    (0.09, 0.50),
    (0.0, 0.55),
    (-0.09, 0.50),
    (-0.115, 0.30),
    (-0.10, 0.02),
]


def _shoes() -> list[Part]:
    holes = [Part(p.points, "inside", puff=0.1) for p in _pair(_THROAT)]
    straps = [Part([(s * (x + 0.29), y) for x, y in box(0.0, -0.13, 0.30, 0.08)], "cloth", puff=1.2) for s in (1, -1)]
    return [*_pair(_SOLE), *holes, *straps]


def _boots() -> list[Part]:
    # a pair from the side, one behind the other
    boot = [*sharp((-0.20, -0.30), (0.13, -0.28)), (0.14, -0.05), (0.17, 0.14), (0.40, 0.26), (0.56, 0.38), *sharp((0.56, 0.50)), *sharp((-0.24, 0.50)), (-0.25, 0.25), (-0.19, 0.0)]  # fmt: skip
    heel = [*sharp((-0.24, 0.50), (0.0, 0.50), (-0.03, 0.60), (-0.24, 0.60))]
    gore = [*sharp((-0.02, -0.22), (0.10, -0.22)), (0.06, 0.08), (0.02, 0.08)]
    sole = [*sharp((-0.02, 0.48), (0.57, 0.47), (0.57, 0.53), (-0.02, 0.54))]
    parts = []
    for dx, dy in ((-0.24, -0.12), (0.12, 0.08)):
        for points, role in ((heel, "trim"), (boot, "cloth"), (gore, "trim"), (sole, "trim")):
            parts.append(Part([(x + dx, y + dy) for x, y in points], role, puff=1.3 if role == "cloth" else 0.5))
    return parts


def _bag() -> list[Part]:
    handle = [(0.34, -0.30), (0.33, -0.60), (0.18, -0.86), (0.0, -0.92), (-0.18, -0.86), (-0.33, -0.60), (-0.34, -0.30), *sharp((-0.27, -0.30)), (-0.26, -0.58), (-0.13, -0.80), (0.0, -0.845), (0.13, -0.80), (0.26, -0.58), *sharp((0.27, -0.30))]  # fmt: skip
    body = whole([(0.0, -0.36), *sharp((0.46, -0.36)), (0.53, 0.1), *sharp((0.56, 0.40)), (0.0, 0.43)])
    flap = whole([(0.0, -0.37), *sharp((0.47, -0.37)), (0.49, -0.1), (0.3, 0.06), (0.0, 0.09)])
    return [
        Part(handle, puff=0.8),
        Part(body, puff=1.5),
        Part(flap, puff=1.0),
        Part(box(0.0, 0.07, 0.07, 0.10), "hardware", puff=2),
    ]


def _belt() -> list[Part]:
    coil = [(0.52 * np.cos(t), 0.34 * np.sin(t)) for t in np.linspace(-0.15, 2 * np.pi - 0.5, 40)]
    inner = [(0.44 * np.cos(t), 0.24 * np.sin(t)) for t in np.linspace(2 * np.pi - 0.5, -0.15, 40)]
    tail = [*sharp((0.43, -0.20), (0.51, -0.17)), (0.60, -0.42), *sharp((0.66, -0.62), (0.58, -0.65)), (0.52, -0.44)]
    buckle = [*sharp((0.40, -0.10), (0.60, -0.02), (0.56, 0.10), (0.36, 0.02))]
    hole = [*sharp((0.44, -0.05), (0.55, 0.0), (0.525, 0.06), (0.415, 0.01))]
    return [Part(coil + inner, puff=0.5), Part(tail, puff=0.5), Part(buckle, "hardware", puff=2), Part(hole, puff=0.3)]


def _scarf() -> list[Part]:
    loop = [(-0.30, -0.10), (-0.24, -0.60), (0.0, -0.78), (0.24, -0.60), (0.30, -0.10), (0.10, 0.04), (0.12, -0.40), (0.0, -0.52), (-0.12, -0.40), (-0.10, 0.04)]  # fmt: skip
    left = [*sharp((-0.26, -0.2)), (-0.02, -0.1), *sharp((0.02, 0.98), (-0.30, 1.02)), (-0.30, 0.4)]
    right = [*sharp((0.30, -0.2)), (0.0, -0.16), (0.02, 0.3), *sharp((0.10, 1.18), (0.40, 1.14)), (0.34, 0.4)]
    return [Part(loop, turn=60), Part(right, turn=4), Part(left, turn=-4)]


def _beads(count: int, radius: float) -> list[Part]:
    angles = np.linspace(0.5 * np.pi + 0.05, 2.5 * np.pi - 0.05, count)
    return [Part(disc(0.46 * np.cos(t) * (1 + 0.12 * np.sin(t)), 0.62 * np.sin(t), radius), puff=4) for t in angles]


def _hoops() -> list[Part]:
    parts = []
    for side in (-1, 1):
        ring = [(side * 0.34 + 0.24 * np.cos(t), 0.30 * np.sin(t)) for t in np.linspace(0, 2 * np.pi, 25)]
        inner = [(side * 0.34 + 0.15 * np.cos(t), 0.02 + 0.20 * np.sin(t)) for t in np.linspace(2 * np.pi, 0, 24)]
        parts += [Part(ring + inner, puff=2.5)]
    return parts


def _hat() -> list[Part]:
    # a beret: a wide soft crown over a narrow band, and a stalk
    crown = [(-0.62, 0.02), (-0.60, -0.26), (-0.28, -0.46), (0.12, -0.48), (0.50, -0.36), (0.66, -0.08), (0.50, 0.12), (0.30, 0.18), (-0.34, 0.20), (-0.54, 0.14)]  # fmt: skip
    band = [*sharp((-0.38, 0.12)), (0.0, 0.20), *sharp((0.34, 0.11), (0.33, 0.20)), (0.0, 0.29), *sharp((-0.37, 0.21))]
    return [
        Part(crown, puff=2.2),
        Part(band, puff=0.6),
        Part([(0.04, -0.58), (0.07, -0.57), (0.08, -0.46), (0.03, -0.46)], puff=1),
    ]


def parts_of(category: C, style: str = "") -> list[Part]:
    """The parts of a piece. style: what tells it from others of its kind, such as 'wide' or 'long'."""
    if category is C.TOP:
        short = Part(
            [(0.36, 0.05), *sharp((0.5, 0.12)), *sharp((0.70, 0.46), (0.50, 0.54)), *sharp((0.42, 0.36))],
            turn=-20,
            both=True,
        )
        return [_neck_hole(0.17, 0.12), short, _bodice(1.10, 0.46, 0.17, 0.12)]
    if category is C.KNIT:
        hem = Part(whole([(0.0, 1.12), *sharp((0.46, 1.11), (0.44, 1.22)), (0.0, 1.23)]), puff=0.6)
        collar = Part(
            whole([(0.0, 0.09), (0.11, 0.07), *sharp((0.155, -0.01), (0.185, 0.0)), (0.13, 0.115), (0.0, 0.145)]),
            puff=1.3,
        )
        return [_neck_hole(), _sleeve(0.86), _bodice(1.14, 0.47), hem, collar]
    if category is C.SHIRT:
        placket = Part(box(0.0, 0.68, 0.075, 1.10), puff=0.5)
        collar = Part(
            [*sharp((0.0, 0.13), (0.02, 0.05)), (0.10, -0.06), *sharp((0.155, -0.02), (0.20, 0.13)), (0.12, 0.16)],
            both=True,
            puff=1.3,
        )
        return [
            _neck_hole(0.14, 0.12),
            _sleeve(0.90),
            _bodice(1.22, 0.49, 0.14, 0.12),
            placket,
            *_buttons(0.25, 1.1, 6),
            collar,
        ]
    if category is C.JACKET:
        pocket = Part(box(0.27, 0.82, 0.22, 0.07), both=True, puff=0.8)
        return [
            _sleeve(0.84, 0.24),
            _bodice(1.20, 0.50, 0.14, 0.02, 0.44),
            *_lapels(0.62),
            pocket,
            *_buttons(0.70, 0.90, 2, 0.022),
        ]
    if category is C.COAT:
        pocket = Part(box(0.29, 1.05, 0.22, 0.08), both=True, puff=0.8)
        seam = Part(box(0.0, 1.25, 0.012, 1.2), "cloth", puff=0.1)
        return [
            _sleeve(0.98, 0.25),
            _bodice(1.92, 0.58, 0.14, 0.02, 0.47),
            *_lapels(0.70),
            seam,
            pocket,
            *_buttons(0.78, 1.25, 3, 0.026),
        ]
    if category is C.DRESS:
        long = 2.35 if style == "long" else 1.75
        right = [(0.0, 0.12), (0.11, 0.10), *sharp((0.16, 0.0)), *sharp((0.36, 0.05)), (0.36, 0.3), (0.33, 0.62), (0.48, 1.1), *sharp((0.66, long)), (0.0, long + 0.06)]  # fmt: skip
        sleeve = Part(
            [(0.30, 0.03), *sharp((0.40, 0.09)), *sharp((0.60, 0.52), (0.42, 0.58)), *sharp((0.35, 0.32))],
            turn=-16,
            both=True,
        )
        waist = Part(box(0.0, 0.64, 0.68, 0.03), puff=0.3)
        return [_neck_hole(0.16, 0.12), sleeve, Part(whole(right)), waist]
    if category is C.TROUSERS:
        return _trousers(0.60, 0.62, 0.53) if style == "wide" else _trousers(0.42, 0.32)
    if category is C.SKIRT:
        return _skirt(1.35, 0.62)
    simple = {
        C.SHOES: _shoes,
        C.BOOTS: _boots,
        C.BAG: _bag,
        C.BELT: _belt,
        C.SCARF: _scarf,
        C.EARRINGS: _hoops,
        C.HAT: _hat,
    }
    if category in simple:
        return simple[category]()
    if category is C.NECKLACE:
        return _beads(42, 0.034)
    raise ValueError(f"there is no silhouette for {category}")
