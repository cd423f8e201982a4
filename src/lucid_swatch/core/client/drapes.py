"""Drapes: plain cloth to hold to a face, and where a colour lies among undertone, depth and clarity."""

from dataclasses import dataclass

import numpy as np

from ..colour.arrays import FloatArray, IntArray
from ..colour.spaces import chroma
from ..garment.neutrals import temperature

LIGHTEST, DARKEST = 92.0, 18.0
"""L* of the lightest and the deepest cloth that is held."""
GREYED, CLEAR = 4.0, 54.0
"""C* of the softest and the clearest."""

PLAIN_CLOTH: tuple[tuple[str, tuple[float, float, float]], ...] = (
    ("cream", (90.0, 1.0, 14.0)),
    ("peach", (80.0, 14.0, 24.0)),
    ("corn yellow", (82.0, 6.0, 52.0)),
    ("camel", (62.0, 11.0, 27.0)),
    ("terracotta", (52.0, 26.0, 26.0)),
    ("mustard", (62.0, 10.0, 56.0)),
    ("coral", (62.0, 44.0, 32.0)),
    ("moss", (46.0, -6.0, 26.0)),
    ("rust", (42.0, 34.0, 40.0)),
    ("tomato red", (46.0, 56.0, 40.0)),
    ("chocolate", (24.0, 9.0, 13.0)),
    ("bronze green", (28.0, -4.0, 20.0)),
    ("ice blue", (88.0, -4.0, -9.0)),
    ("orchid pink", (78.0, 26.0, -14.0)),
    ("powder blue", (74.0, -5.0, -18.0)),
    ("dove grey", (68.0, 0.0, -5.0)),
    ("slate blue", (48.0, -3.0, -16.0)),
    ("cornflower", (56.0, 6.0, -44.0)),
    ("fuchsia", (48.0, 60.0, -14.0)),
    ("mauve grey", (50.0, 9.0, -9.0)),
    ("cobalt", (34.0, 16.0, -54.0)),
    ("raspberry", (36.0, 46.0, 2.0)),
    ("navy", (20.0, 3.0, -20.0)),
    ("charcoal", (24.0, 0.0, -4.0)),
)
"""Names and CIELAB: both sides, light to deep, soft to clear."""


@dataclass(frozen=True, slots=True, eq=False)
class Drape:
    """A cloth that is held to the face."""

    name: str
    lab: FloatArray
    """(3,)."""
    piece_id: str | None = None
    """The piece of the client's own rail that it is, if any."""


def places_of(lab: FloatArray) -> FloatArray:
    """Undertone -1..1, depth 0 light .. 1 deep, clarity 0 soft .. 1 clear of some colours. (n, 3) to (n, 3)."""
    depth = np.clip((LIGHTEST - lab[:, 0]) / (LIGHTEST - DARKEST), 0, 1)
    clarity = np.clip((chroma(lab) - GREYED) / (CLEAR - GREYED), 0, 1)
    return np.stack([temperature(lab), depth, clarity], axis=1)


NEAR_ENOUGH = 0.35
"""Distance of places within which a piece of the client's own does as well as the plain cloth."""


def choose_drapes(own: tuple[Drape, ...]) -> tuple[Drape, ...]:
    """The drapes of a trial: plain cloth over the whole range, and in its stead the client's own where it is as good.

    own: plain pieces of the rail."""
    plain = tuple(Drape(name, np.array(lab)) for name, lab in PLAIN_CLOTH)
    if not own:
        return plain
    wanted = places_of(np.array([d.lab for d in plain]))
    there = places_of(np.array([d.lab for d in own]))
    distance = np.linalg.norm(wanted[:, None] - there[None], axis=2)
    return tuple(_stand_in(k, j, plain, own) for k, j in enumerate(_matched(distance)))


def _stand_in(k: int, j: int, plain: tuple[Drape, ...], own: tuple[Drape, ...]) -> Drape:
    return plain[k] if j < 0 else own[j]


def _matched(distance: FloatArray) -> IntArray:
    """For each plain cloth the own piece that takes its place, -1 for none; each piece once, the nearest first."""
    taken = np.full(len(distance), -1)
    left = distance.copy()
    while left.min() < NEAR_ENOUGH:
        k, j = np.unravel_index(int(left.argmin()), left.shape)
        taken[k] = j
        left[k, :], left[:, j] = np.inf, np.inf
    return taken
