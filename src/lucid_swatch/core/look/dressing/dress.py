"""The one rule of dress: what is worn where, how many of it, what goes over what, and what takes the place of what.

Everything that puts pieces together asks this table: base looks, swaps and additions, company, notes and solvers."""

from collections.abc import Iterable, Sequence
from dataclasses import dataclass

import numpy as np

from ...colour.arrays import BoolArray
from ...garment.vocabulary import Category as C
from ..body import ZONES, Zone

CATEGORIES = tuple(C)
ONE_HOLDS = frozenset({Zone.WHOLE, Zone.LOWER, Zone.UPPER, Zone.FEET, Zone.LAYER, Zone.WAIST})
"""Zones that hold one piece, unless one goes over the other; the others hold pieces of several categories."""
MOST = {C.NECKLACE: 2, C.BRACELET: 3, C.RING: 4, C.BROOCH: 3, C.HAIR_PIECE: 2}
"""How many pieces of a category are worn at once, where that is more than one: two necklaces, but one belt."""
OVER = {
    C.SHIRT: frozenset({C.TOP}),
    C.KNIT: frozenset({C.TOP, C.SHIRT, C.DRESS}),
    C.TUNIC: frozenset({C.TOP}),
    C.DRESS: frozenset({C.TOP, C.SHIRT}),
    C.JACKET: frozenset({C.WAISTCOAT}),
    C.COAT: frozenset({C.JACKET, C.WAISTCOAT}),
    C.WRAP: frozenset({C.JACKET, C.WAISTCOAT, C.COAT}),
}
"""What a piece is worn over, of what it would otherwise take the place of."""
TAKES = {C.DRESS: frozenset({Zone.UPPER, Zone.LOWER}), C.JUMPSUIT: frozenset({Zone.UPPER, Zone.LOWER})}
"""Zones beside its own whose place a piece takes."""
NEEDS = {C.TIE: frozenset({C.SHIRT}), C.CUFFLINKS: frozenset({C.SHIRT}), C.POCKET_SQUARE: frozenset({C.JACKET, C.COAT})}
"""What a piece is worn with only: a tie without a collar hangs on nothing."""
NOT_WITH = {C.HOSIERY: frozenset({C.TROUSERS, C.JUMPSUIT})}
"""What would not be seen beside another."""
REMOVABLE = frozenset({Zone.HEAD, Zone.NECK, Zone.WAIST, Zone.HAND, Zone.LAYER})
"""Zones that may be left empty in a whole look."""


def zone_of(category: C) -> Zone:
    """Where a category is worn."""
    return ZONES[category]


def most_of(category: C) -> int:
    """How many pieces of a category are worn at once."""
    return MOST.get(category, 1)


def takes_the_place(new: C, old: C) -> bool:
    """Whether a piece that is put on stands where one stood, although the two might be worn one over the other: who tries
    a knit where a shirt is wants to see the knit."""
    first, second = zone_of(new), zone_of(old)
    if new is old or (first is second and first in ONE_HOLDS):
        return True
    return second in TAKES.get(new, frozenset()) or first in TAKES.get(old, frozenset())


def together(one: C, other: C) -> bool:
    """Whether two pieces of these categories can be worn at once. A coat goes over a jacket, a knit over a shirt, a dress
    over a top; not two skirts, not a dress with trousers."""
    if one is other:
        return most_of(one) > 1
    if other in OVER.get(one, frozenset()) or one in OVER.get(other, frozenset()):
        return True
    first, second = zone_of(one), zone_of(other)
    if first is second:
        return first not in ONE_HOLDS
    return second not in TAKES.get(one, frozenset()) and first not in TAKES.get(other, frozenset())


TOGETHER: BoolArray = np.array([[together(one, other) for other in CATEGORIES] for one in CATEGORIES])
"""(categories, categories), in the order of the vocabulary. Two of one category: only where several are worn."""


def can_be_worn(categories: Sequence[C]) -> bool:
    """Whether some pieces can all be worn at once, whatever is missing still."""
    if any(categories.count(one) > most_of(one) for one in set(categories)):
        return False
    return all(together(one, other) for k, one in enumerate(categories) for other in categories[:k])


def joins(category: C, worn: Iterable[C]) -> bool:
    """Whether a piece can be added to what is worn, nothing coming off for it."""
    there = list(worn)
    return there.count(category) < most_of(category) and all(
        one is category or together(category, one) for one in there
    )


def fills_a_gap(category: C, worn: Iterable[C]) -> bool:
    """Whether the place of a piece is empty: it joins what is worn, and nothing is there whose place it could take."""
    return not any(takes_the_place(category, one) for one in worn)


def interchangeable(old: C, new: C) -> bool:
    """Whether one category can stand where the other stood."""
    zone = zone_of(old)
    return zone is zone_of(new) if zone in ONE_HOLDS else old is new


def is_split(worn: Iterable[str], sets: Iterable[frozenset[str]]) -> bool:
    """Whether a look holds some pieces of a set and not the others. worn: ids. sets: ids of pieces that are never parted."""
    there = frozenset(worn)
    return any(there & one and not one <= there for one in sets)


@dataclass(frozen=True, slots=True)
class Limit:
    """At most so many of some pieces in one look."""

    pieces: tuple[int, ...]
    """Places in the list that was asked about, rising."""
    most: int


def limits(categories: Sequence[C]) -> list[Limit]:
    """The rule as linear constraints: a look is wearable when no limit is passed. categories: of each piece."""
    places: dict[C, list[int]] = {}
    for place, category in enumerate(categories):
        places.setdefault(category, []).append(place)
    found = [Limit(tuple(some), most_of(one)) for one, some in places.items() if len(some) > most_of(one)]
    kinds = list(places)
    for k, one in enumerate(kinds):
        for other in kinds[:k]:
            if not together(one, other):
                # what cannot be worn together is worn one at a time, so that the sum says both
                found.append(Limit(tuple(sorted(places[one] + places[other])), 1))
    return found
