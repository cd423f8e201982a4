"""The varied choice: good looks that differ in clothes, colour and intent, and that use what hangs there.

Maximal marginal relevance (Carbonell and Goldstein 1998) picks a set, then single looks are exchanged as long as the set
gains by it."""

from dataclasses import dataclass

import numpy as np

from ...colour.arrays import BoolArray, FloatArray, IntArray
from ...garment.piece import Piece
from ..body import Zone, area_of
from ..dressing.dress import zone_of
from ..dressing.wardrobe import NOTHING
from .day import CLOTHES

IN_CLOTHES, IN_COLOUR, IN_INTENT = 0.65, 0.25, 0.10
"""What sharing each counts for when two looks are compared."""
ALIKE = 12.0
"""Points of the whole that a look is better by for differing in everything from all others."""
FIRST_USE = 9.0
"""Points of the whole, once a set, for a garment that is in a look at all."""
TWICE_FROM, THIN = 1.5, 32.0
"""Looks for each garment there is from which one in a single look is left hanging, and points of the whole for it to be
in two."""
TOO_OFTEN = 0.5
"""Points of the whole for the square of each use of a garment above its share."""
COUNTS = {Zone.FEET: 0.7, Zone.HAND: 0.45}
"""How much the use of what is no garment counts; of what is not named here."""
OTHERS_COUNT = 0.3
PASSES = 6


@dataclass(frozen=True, slots=True, eq=False)
class Candidates:
    """Whole looks to choose from."""

    rows: IntArray
    """(n, m), places of pieces, NOTHING elsewhere."""
    values: FloatArray
    """(n,), what each is worth for itself."""
    group: IntArray
    """(n,), which start each holds."""
    intent: IntArray
    """(n,), what each goes for."""


class Variety:
    """How alike candidates are, and what a set of them is worth."""

    def __init__(self, pieces: tuple[Piece, ...], found: Candidates, always: frozenset[int]) -> None:
        """always: places of what is on in every look, which tells none apart."""
        self.found = found
        clothes = np.array([zone_of(p.category) in CLOTHES for p in pieces])
        clothes[list(always)] = False
        held = np.zeros((len(found.rows), len(pieces) + 1), dtype=bool)
        held[np.arange(len(held))[:, None], found.rows] = True
        self.clothes: BoolArray = held[:, :-1] & clothes
        """(n, pieces), which garments each look holds."""
        held[:, list(always)] = False
        self.garments = np.flatnonzero(self.clothes.any(axis=0))
        """Places of the garments that are in any look."""
        self.used = np.flatnonzero(held[:, :-1].any(axis=0))
        """Places of the pieces that are in any look."""
        self.uses = held[:, self.used].astype(np.float32)
        zones = [zone_of(pieces[k].category) for k in self.used.tolist()]
        self.zone = np.array([list(Zone).index(zone) for zone in zones], dtype=np.intp)
        self.counts = np.array([1.0 if z in CLOTHES else COUNTS.get(z, OTHERS_COUNT) for z in zones], dtype=np.float32)
        self.key = self._keys()
        self.alike = self._alike(pieces, held[:, :-1])

    def _keys(self) -> IntArray:
        """A number for each look that is the same where all clothes are."""
        _, keys = np.unique(np.packbits(self.clothes, axis=1), axis=0, return_inverse=True)
        numbered: IntArray = keys.reshape(-1)
        return numbered

    def _alike(self, pieces: tuple[Piece, ...], held: BoolArray) -> FloatArray:
        """How alike every two looks are, 0..1. (n, n)."""
        worn = self.clothes[:, self.garments].astype(np.float32)
        count, both = worn.sum(axis=1), worn @ worn.T
        in_clothes = both / np.maximum(count[:, None] + count - both, 1)
        area = np.array([area_of(piece.category) ** 0.6 for piece in pieces])
        hues = (held * area) @ _palette(pieces)
        hues /= np.maximum(np.linalg.norm(hues, axis=1, keepdims=True), 1e-9)
        same_intent = self.found.intent[:, None] == self.found.intent
        alike: FloatArray = IN_CLOTHES * in_clothes + IN_COLOUR * (hues @ hues.T) ** 2 + IN_INTENT * same_intent
        return alike.astype(np.float32)


HUES, GREYS = 8, 4
"""Parts of the circle, and of the grey axis, in which colours are counted."""


def _palette(pieces: tuple[Piece, ...]) -> FloatArray:
    """What colours each piece has, softly: hues by strength, and light to dark. (pieces, HUES + GREYS)."""
    found = np.zeros((len(pieces), HUES + GREYS))
    hues, greys = np.arange(HUES) * 360 / HUES, np.linspace(10, 95, GREYS)
    for row, piece in enumerate(pieces):
        lightness, a, b = piece.lab.T
        strength = np.clip(np.hypot(a, b) / 30, 0, 1)
        turn = np.abs((np.degrees(np.arctan2(b, a))[:, None] - hues + 180) % 360 - 180)
        coloured = np.exp(-0.5 * (turn / 25) ** 2) * strength[:, None]
        plain = np.exp(-0.5 * ((lightness[:, None] - greys) / 16) ** 2) * (1 - 0.7 * strength)[:, None]
        found[row] = piece.share @ np.concatenate([coloured, plain], axis=1)
    return found


class Chooser:
    """Chooses a set from candidates."""

    def __init__(self, variety: Variety, quotas: IntArray, number: int, kept: IntArray, banned: BoolArray) -> None:
        """quotas: (groups,), looks that each start is given at most. kept: candidates that are in it anyway. banned: (n,),
        those that may not come."""
        self.variety, self.number = variety, number
        self.values, self.group = variety.found.values, variety.found.group
        self.quota = quotas.copy()
        self.chosen: list[int] = []
        self.fixed = set(kept.tolist())
        self.banned = banned.copy()
        self.near = np.zeros(len(self.values), dtype=np.float32)
        """How alike each candidate is to the chosen, summed."""
        self.used = np.zeros(len(variety.used), dtype=np.float32)
        """In how many of the chosen each piece is."""
        self.keys: set[int] = set()
        # what hangs in one zone shares the looks among it
        beside = np.bincount(variety.zone, minlength=len(Zone))[variety.zone] if len(variety.zone) else 1
        filled = np.array([variety.uses[:, variety.zone == z].sum() for z in range(len(Zone))])[variety.zone]
        self.share = number * filled / max(len(self.values), 1) / np.maximum(beside, 1)
        for one in kept.tolist():
            self._take(one)

    def run(self) -> list[int]:
        """The chosen, in no order."""
        while len(self.chosen) < self.number and self._add_one():
            pass
        for _ in range(PASSES):
            if not any([self._exchange(k) for k in range(len(self.chosen))]):
                break
        return self.chosen

    def spares(self, most: int) -> list[int]:
        """What would come next, in order, as if nothing more were chosen meanwhile: for a look that is dropped."""
        worth = np.where(self._open(with_quota=False), self._worth(), -np.inf)
        order = [int(k) for k in np.argsort(-worth, kind="stable") if np.isfinite(worth[k])]
        # one that is dropped is followed by one of the same start where each has its share
        each = -(-most // len(self.quota))
        taken: list[int] = []
        for k in order:
            if sum(self.group[one] == self.group[k] for one in taken) < each:
                taken.append(k)
            if len(taken) == most:
                break
        return taken

    def _open(self, with_quota: bool = True) -> BoolArray:
        """Candidates that could come: their clothes are not there yet, and their start has its share left."""
        free: BoolArray = ~self.banned & ((self.quota[self.group] > 0) | (not with_quota))
        if self.keys:
            free &= ~np.isin(self.variety.key, list(self.keys))
        return free

    def _worth(self) -> FloatArray:
        """What each candidate would add to the set. (n,)."""
        others = max(len(self.chosen), 1)
        twice = self.number >= TWICE_FROM * len(self.variety.garments)
        first = THIN * (self.used < 1.5) if twice else FIRST_USE * (self.used < 0.5)
        over = np.maximum(self.used - self.share, 0)
        each = first - TOO_OFTEN * (2 * over + 1) * (over > 0)
        each = (each * self.variety.counts).astype(np.float32)
        worth: FloatArray = self.values - ALIKE * self.near / others + self.variety.uses @ each
        return worth

    def _add_one(self) -> bool:
        free = self._open()
        if not free.any():
            return False
        self._take(int(np.argmax(np.where(free, self._worth(), -np.inf))))
        return True

    def _take(self, one: int) -> None:
        self.chosen.append(one)
        self.quota[self.group[one]] -= 1
        self.keys.add(int(self.variety.key[one]))
        self.near += self.variety.alike[one]
        self.used += self.variety.uses[one]

    def _give_back(self, one: int) -> None:
        self.chosen.remove(one)
        self.quota[self.group[one]] += 1
        self.keys.discard(int(self.variety.key[one]))
        self.near -= self.variety.alike[one]
        self.used -= self.variety.uses[one]

    def _exchange(self, place: int) -> bool:
        """Gives one look back and takes the best instead. Whether it is another."""
        old = self.chosen[place]
        if old in self.fixed:
            return False
        self._give_back(old)
        worth = np.where(self._open(), self._worth(), -np.inf)
        new = int(np.argmax(worth))
        better = bool(worth[new] > worth[old] + 1e-4)
        self._take(new if better else old)
        self.chosen.insert(place, self.chosen.pop())
        return better


def of_rows(rows: IntArray) -> list[tuple[int, ...]]:
    """The places of the pieces of each look."""
    return [tuple(int(k) for k in row if k != NOTHING) for row in rows]
