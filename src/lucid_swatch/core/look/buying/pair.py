"""What two pieces that do not hang there open together, and which two would open most."""

from collections.abc import Iterator, Sequence
from dataclasses import dataclass
from itertools import combinations

import numpy as np

from ...client.reading import FaceReading
from ...client.suits import cloth_colours
from ...colour.arrays import FloatArray, IntArray
from ...garment.piece import Piece
from ...garment.vocabulary import Category as C
from ..body import Zone
from ..dressing.base_looks import BASE, COLUMNS, base_looks
from ..dressing.dress import together, zone_of
from ..dressing.outfits import GOOD
from ..dressing.wardrobe import Wardrobe
from .counted import EXCLUDES, Counted
from .gaps import Gap, Refused, called, plain, quietness, spread, suiting, worn_kinds

PAIRED = (C.TOP, C.SHIRT, C.KNIT, C.TROUSERS, C.SKIRT, C.DRESS, C.JACKET, C.COAT, C.SHOES, C.BOOTS)
"""Categories of which two are asked for together."""
COLOURS = 14
"""Colours in which each is asked, beside those of the gaps."""
A_PAIR = 40
"""Looks scored for two pieces while the best are looked for, and the most for two zones."""
MOST_A_ZONE_PAIR = 40_000
SETTLED, SETTLED_WITH = 8, 20_000
"""The best pairs, and looks from which what they open is told in the end."""


@dataclass(frozen=True, slots=True)
class Together:
    """The good looks that two pieces open."""

    first: int
    """With the first and not the second."""
    second: int
    both: int
    """With both, which neither opens alone."""

    @property
    def all(self) -> int:
        """Good looks that there would be more if both came."""
        return self.first + self.second + self.both


@dataclass(frozen=True, slots=True, eq=False)
class GapPair:
    """Two pieces that would open looks which neither opens alone."""

    first: Gap
    second: Gap
    both: int


def opened_together(wardrobe: Wardrobe, one: Piece, other: Piece) -> Together:
    """What two candidates open, alone and together."""
    counted = Counted(wardrobe, [one, other])
    return Together(counted.opened(one.id).count, counted.opened(other.id).count, both_in(counted, one, other))


def both_in(counted: Counted, one: Piece, other: Piece) -> int:
    """How many good looks hold two strangers and are not good with one of them alone."""
    first, second = counted.place[one.id], counted.place[other.id]
    zones = zone_of(one.category), zone_of(other.category)
    if not _side_by_side(one, other) or {first, second} - set(counted.wardrobe.free):
        return 0
    clothes = [place for place, zone in zip((first, second), zones, strict=True) if zone in BASE]
    accessories = [place for place in (first, second) if place not in clothes]
    if clothes:
        scored = counted.holding(clothes)
        rows, wholes, scale = scored.rows, scored.wholes, scored.scale
        if not accessories:
            return round(float((wholes >= GOOD).sum()) * scale)
        rows = rows[wholes < GOOD]
        return round(float((counted.wholes(_with(rows, accessories)) >= GOOD).sum()) * scale)
    rows = counted.base.rows[counted.base.wholes < GOOD]
    for alone in accessories:
        rows = rows[counted.wholes(_with(rows, [alone])) < GOOD]
    return round(float((counted.wholes(_with(rows, accessories)) >= GOOD).sum()) * counted.base.scale)


def _with(rows: IntArray, places: Sequence[int]) -> IntArray:
    return np.column_stack([rows, *(np.full(len(rows), place) for place in places)])


def _side_by_side(one: Piece, other: Piece) -> bool:
    """Whether one look can hold both."""
    zones = zone_of(one.category), zone_of(other.category)
    if zones[0] is zones[1] or not together(one.category, other.category):
        return False
    return zones[1] not in EXCLUDES.get(zones[0], ())


def best_pair(
    wardrobe: Wardrobe, found: Sequence[Gap], reading: FaceReading | None = None, refused: Refused = lambda pieces: ()
) -> GapPair | None:
    """The two pieces of clothing that would open most looks which neither opens alone; None where no two open any.

    found: gaps, whose colours are asked as well. reading: of the client's colouring. refused: ids of pieces that the
    client would not wear."""
    strangers = list(_strangers(found, reading, worn_kinds(wardrobe, PAIRED)))
    out = set(refused(strangers))
    strangers = [one for one in strangers if one.id not in out]
    counted = Counted(wardrobe, strangers)
    pairs = _roughly(counted, strangers)
    if not pairs:
        return None
    near = sorted(pairs, key=lambda pair: -pairs[pair] * _quiet(counted, pair))[:SETTLED]
    settled = Counted(wardrobe, [counted.pieces[k] for k in sorted({k for pair in near for k in pair})], SETTLED_WITH)
    named = [(counted.pieces[a], counted.pieces[b]) for a, b in near]
    counts = [both_in(settled, one, other) for one, other in named]
    if max(counts) == 0:
        return None
    chosen = max(range(len(near)), key=lambda k: counts[k] * _quiet(counted, near[k]))
    one, other = (_as_gap(piece, settled) for piece in named[chosen])
    return GapPair(one, other, counts[chosen])


def _quiet(counted: Counted, pair: tuple[int, int]) -> float:
    """Two quiet pieces are rather missed than two loud ones that open hardly more."""
    return float(quietness(np.stack([counted.pieces[k].lab[0] for k in pair])).prod())


def _strangers(found: Sequence[Gap], reading: FaceReading | None, kinds: Sequence[C]) -> Iterator[Piece]:
    some = spread(cloth_colours(), COLOURS)
    for category in kinds:
        own = [gap.lab for gap in found if gap.category is category]
        asked = suiting(some, category, reading)
        for k, lab in enumerate([*own, *asked]):
            yield plain(f"{category.value} {k}, a stranger", category, lab)


def _roughly(counted: Counted, strangers: Sequence[Piece]) -> dict[tuple[int, int], float]:
    """About how many good looks each two strangers are in that can be worn together, by their places."""
    places: dict[Zone, list[int]] = {zone: [] for zone in Zone}
    for piece in strangers:
        if counted.place[piece.id] in counted.wardrobe.free:
            places[zone_of(piece.category)].append(counted.place[piece.id])
    opens: dict[tuple[int, int], float] = {}
    for one, other in combinations((zone for zone in BASE if places[zone]), 2):
        if other in EXCLUDES.get(one, ()):
            continue
        left_out = {*EXCLUDES.get(one, ()), *EXCLUDES.get(other, ())}
        there = {zone: [] if zone in left_out else some for zone, some in counted.places.items()}
        asked = {**there, one: places[one], other: places[other]}
        if not asked[Zone.FEET]:
            continue
        looks = base_looks(asked, min(MOST_A_ZONE_PAIR, A_PAIR * len(places[one]) * len(places[other])))
        first, second = COLUMNS[one], COLUMNS[other]
        rows = looks.rows[(looks.rows[:, first] >= 0) & (looks.rows[:, second] >= 0)]
        good = rows[counted.wholes(rows) >= GOOD]
        scale = looks.total / max(len(looks.rows), 1)
        pairs, times = np.unique(good[:, [first, second]], axis=0, return_counts=True)
        for (a, b), count in zip(pairs.tolist(), times.tolist(), strict=True):
            opens[a, b] = count * scale
    return opens


def _as_gap(piece: Piece, counted: Counted) -> Gap:
    lab: FloatArray = piece.lab[0]
    # nobody has looked how far round it the pair still holds
    return Gap(piece.category, lab, called(lab, piece.category), counted.opened(piece.id).count, 0.0)
