"""Where on a body a piece begins and ends."""

from itertools import pairwise

from .vocabulary import Category as C
from .vocabulary import Length as L

SHOULDER, WAIST = 32.5, 65.0
"""Centimetres below the crown of a body of 168 cm."""
HEMS: dict[L, float] = {
    L.CROPPED: 58.0,
    L.WAIST: WAIST + 1,
    L.HIP: 82.0,
    L.KNEE: 121.0,
    L.MIDI: 141.0,
    L.ANKLE: 157.0,
    L.FLOOR: 165.0,
}
"""Where each length ends, centimetres below the crown."""
UPPER = (L.CROPPED, L.WAIST, L.HIP)
LONG = (L.HIP, L.KNEE, L.MIDI, L.ANKLE, L.FLOOR)
LENGTHS_OF: dict[C, tuple[L, ...]] = {
    C.TOP: UPPER, C.SHIRT: UPPER, C.KNIT: UPPER, C.WAISTCOAT: UPPER, C.JACKET: (*UPPER, L.KNEE), C.TUNIC: (L.HIP, L.KNEE, L.MIDI),
    C.COAT: LONG, C.DRESS: LONG[1:], C.SKIRT: LONG, C.SHORTS: (L.HIP, L.KNEE, L.MIDI),
    C.TROUSERS: (L.KNEE, L.MIDI, L.ANKLE, L.FLOOR), C.JUMPSUIT: (L.KNEE, L.MIDI, L.ANKLE, L.FLOOR),
    C.BOOTS: (L.ANKLE, L.MIDI, L.KNEE), C.HOSIERY: (L.ANKLE, L.KNEE),
}  # fmt: skip
"""How long a piece of a category can be, from the shortest; categories without a length are left out."""


VOLUMED = frozenset(LENGTHS_OF) - {C.BOOTS, C.HOSIERY}
"""Categories that stand off the body more or less."""
BORDERS: dict[tuple[L, L], float] = {
    (L.CROPPED, L.WAIST): 62.0,
    (L.WAIST, L.HIP): 75.0,
    # what is called hip still covers the seat
    (L.HIP, L.KNEE): 108.0,
    (L.KNEE, L.MIDI): 131.0,
    (L.MIDI, L.ANKLE): 149.0,
    (L.ANKLE, L.FLOOR): 163.0,
}
"""Where one length becomes the next, centimetres below the crown."""


def between(lengths: tuple[L, ...]) -> list[float]:
    """The borders between lengths that follow each other, ascending."""
    return [BORDERS[pair] for pair in pairwise(lengths)]
