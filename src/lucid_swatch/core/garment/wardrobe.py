"""What a wardrobe is made of: the share of its cloth by sort, family, temperature and lightness."""

from dataclasses import dataclass

import numpy as np

from ..colour.arrays import BoolArray, FloatArray, IntArray
from ..colour.names import names_and_families
from ..colour.spaces import lab_to_rgb_linear, rgb_linear_to_lab
from .neutrals import is_neutral, temperature, undertones
from .piece import Piece
from .school import BROAD, School
from .sorting import Sorted
from .vocabulary import Undertone

LIGHTNESS_BANDS = (("dark", 30.0), ("deep", 50.0), ("middle", 70.0), ("light", 88.0), ("palest", 101.0))
"""Names of ranges of L*, each with where it ends."""
MUCH = 0.2
"""Share of a wardrobe from which a family weighs heavily, and at least so many times its even share."""
TIMES_EVEN = 1.8


@dataclass(frozen=True, slots=True)
class Share:
    """A part of a wardrobe."""

    name: str
    share: float
    lab: tuple[float, float, float]
    """CIELAB of its cloth, mixed by area in linear light."""
    pieces: tuple[str, ...]
    """Ids of the pieces that have some of it, those with most of it first."""


@dataclass(frozen=True, slots=True)
class MadeOf:
    """A wardrobe by its cloth; the shares of each list sum to 1."""

    sorts: tuple[Share, ...]
    families: tuple[Share, ...]
    temperatures: tuple[Share, ...]
    lightness: tuple[Share, ...]

    @property
    def heavy(self) -> tuple[Share, ...]:
        """Families of which there is much."""
        even = 1 / max(len(self.families), 1)
        return tuple(one for one in self.families if one.share >= max(MUCH, TIMES_EVEN * even))


def made_of(pieces: list[Piece], sorts: list[Sorted], areas: list[float], school: School = BROAD) -> MadeOf:
    """The cloth of some pieces. areas: visible area of each piece, in any unit."""
    if not pieces:
        return MadeOf((), (), (), ())
    counts = [len(p.lab) for p in pieces]
    lab = np.concatenate([p.lab for p in pieces])
    cloth = np.concatenate([p.share * area for p, area in zip(pieces, areas, strict=True)])
    owner = np.repeat(np.arange(len(pieces)), counts)
    neutral = is_neutral(lab, school)
    sides = undertones(temperature(lab, school))
    bands = [next(name for name, end in LIGHTNESS_BANDS if value < end) for value in lab[:, 0]]
    bins = [sorts[k].bin.value for k in owner]
    cloths = _Cloths(pieces, lab, cloth, owner)
    return MadeOf(
        cloths.by(bins),
        cloths.by(names_and_families(lab, neutral)[1]),
        cloths.by([s.value for s in sides], [u.value for u in Undertone]),
        cloths.by(bands, [name for name, _ in LIGHTNESS_BANDS]),
    )


@dataclass(frozen=True, slots=True, eq=False)
class _Cloths:
    pieces: list[Piece]
    lab: FloatArray
    cloth: FloatArray
    owner: IntArray

    def by(self, words: list[str], order: list[str] | None = None) -> tuple[Share, ...]:
        """The shares of the cloth under each word, in an order or the largest first."""
        told = np.array(words)
        shares = [self._share(word, told == word) for word in (order or dict.fromkeys(words)) if (told == word).any()]
        return tuple(shares if order else sorted(shares, key=lambda one: -one.share))

    def _share(self, word: str, places: BoolArray) -> Share:
        some = self.cloth[places]
        light = lab_to_rgb_linear(self.lab[places])
        mixed = rgb_linear_to_lab((light * some[:, None]).sum(axis=0) / some.sum())
        held: dict[int, float] = {}
        for owner, area in zip(self.owner[places].tolist(), some.tolist(), strict=True):
            held[owner] = held.get(owner, 0.0) + area
        ids = tuple(self.pieces[k].id for k in sorted(held, key=lambda k: -held[k]))
        return Share(
            word, float(some.sum() / self.cloth.sum()), (float(mixed[0]), float(mixed[1]), float(mixed[2])), ids
        )
