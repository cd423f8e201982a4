"""Two pieces that do not hang there: what they open alone and together, counted one by one; and the best two."""

from itertools import product

import pytest

from lucid_swatch.core.garment.vocabulary import Category as C
from lucid_swatch.core.look.body import Zone
from lucid_swatch.core.look.buying.gaps import SKIRTED, gaps
from lucid_swatch.core.look.buying.pair import best_pair, opened_together
from lucid_swatch.core.look.dressing.base_looks import BASE
from lucid_swatch.core.look.dressing.dress import zone_of
from lucid_swatch.core.look.dressing.outfits import GOOD
from lucid_swatch.core.look.dressing.wardrobe import Wardrobe
from lucid_swatch.core.look.look import Look
from lucid_swatch.core.look.verdict import judge
from tests.core.look.buying.test_consider import QUIET, RAIL, brute_force, piece, random_rail


def with_both(pieces, one, other):
    """Good looks with two pieces that are not good with one of them alone, one by one as the scorer judges."""
    clothes = [p for p in (one, other) if zone_of(p.category) in BASE]
    accessories = tuple(p for p in (one, other) if p not in clothes)
    by_zone = {zone: [p for p in (*pieces, *clothes) if zone_of(p.category) is zone] for zone in Zone}
    halves = [*product(by_zone[Zone.UPPER], by_zone[Zone.LOWER]), *((p,) for p in by_zone[Zone.WHOLE])]
    layers = [(), *((p,) for p in by_zone[Zone.LAYER])]
    looks = [(*half, shoes, *layer) for half in halves for shoes in by_zone[Zone.FEET] for layer in layers]
    looks = [look for look in looks if all(p in look for p in clothes)]
    good = [one.overall >= GOOD for one in judge([Look("x", (*look, *accessories)) for look in looks])] if looks else []
    for less in ((), *((p,) for p in accessories if len(accessories) == 2)) if accessories else ():
        without = judge([Look("x", (*look, *less)) for look in looks])
        good = [now and one.overall < GOOD for now, one in zip(good, without, strict=True)]
    return sum(good)


@pytest.mark.parametrize(
    ("kind", "other"),
    [
        (C.KNIT, C.SKIRT),
        (C.TROUSERS, C.SHOES),
        (C.COAT, C.TOP),
        (C.DRESS, C.BOOTS),
        (C.SHOES, C.BELT),
        (C.BAG, C.SCARF),
    ],
)
def test_what_two_open_is_what_counting_one_by_one_gives(kind, other):
    rail = random_rail(5, 11)
    first, second = piece("first", kind, QUIET[3]), piece("second", other, (46, 22, 28))
    found = opened_together(Wardrobe(rail), first, second)
    assert found.first == brute_force(rail, first)
    assert found.second == brute_force(rail, second)
    assert found.both == with_both(rail, first, second)
    assert found.all == found.first + found.second + found.both


@pytest.mark.parametrize(("kind", "other"), [(C.TOP, C.KNIT), (C.SKIRT, C.TROUSERS), (C.DRESS, C.SKIRT)])
def test_two_that_cannot_be_worn_together_open_nothing_together(kind, other):
    found = opened_together(Wardrobe(RAIL), piece("first", kind, QUIET[1]), piece("second", other, QUIET[4]))
    assert found.both == 0


def test_the_best_pair_opens_what_counting_says_and_holds_no_two_of_one_place():
    wardrobe = Wardrobe(RAIL)
    found = gaps(wardrobe, 20)
    pair = best_pair(wardrobe, found)
    assert pair.both > 0
    first, second = (piece(name, one.category, one.lab) for name, one in (("a", pair.first), ("b", pair.second)))
    assert opened_together(wardrobe, first, second).both == pair.both
    assert zone_of(pair.first.category) is not zone_of(pair.second.category)
    # no pair of the gaps that were told opens clearly more
    told = [piece(f"gap {k}", gap.category, gap.lab) for k, gap in enumerate(found)]
    best = max(opened_together(wardrobe, a, b).both for k, a in enumerate(told) for b in told[k + 1 :])
    assert pair.both >= 0.55 * best, "two loud ones that open hardly more are not asked for"


def test_no_pair_is_told_of_an_empty_rail_and_none_that_is_refused():
    assert best_pair(Wardrobe(()), []) is None
    bare = (piece("top", C.TOP, QUIET[0]), piece("trousers", C.TROUSERS, QUIET[1]), piece("shoes", C.SHOES, QUIET[0]))
    pair = best_pair(Wardrobe(bare), [], refused=lambda some: {one.id for one in some if one.category is C.COAT})
    assert C.COAT not in (pair.first.category, pair.second.category)
    assert not SKIRTED & {pair.first.category, pair.second.category}
