"""Capsules: as good as trying all, bounded from above, and dressed for what is asked."""

from itertools import combinations

import numpy as np
import pytest

from lucid_swatch.core.garment.vocabulary import Category as C
from lucid_swatch.core.look.body import Zone
from lucid_swatch.core.look.dressing.wardrobe import NOTHING, Wardrobe
from lucid_swatch.core.look.making.wanted import Wanted
from lucid_swatch.core.look.planning.bound import most_looks, tables_of
from lucid_swatch.core.look.planning.by_parts import best_by_parts, own_places
from lucid_swatch.core.look.planning.capsule import Asked, Demand, choose_capsule
from lucid_swatch.core.look.planning.good_looks import GoodLooks, good_looks
from lucid_swatch.core.problems import Refused
from tests.core.look.buying.test_consider import piece, random_rail

FEW = {Zone.FEET: 1, Zone.LAYER: 1}
ZONES = {C.TOP: Zone.UPPER, C.TROUSERS: Zone.LOWER, C.DRESS: Zone.WHOLE, C.SHOES: Zone.FEET, C.COAT: Zone.LAYER}


def table(seed, uppers=4, lowers=3, wholes=1, shoes=3, layers=2, share=0.5):
    """Good base looks by chance, over pieces of every zone."""
    rng = np.random.default_rng(seed)
    count = ((C.TOP, uppers), (C.TROUSERS, lowers), (C.DRESS, wholes), (C.SHOES, shoes), (C.COAT, layers))
    pieces = tuple(
        piece(f"{kind.value} {k}", kind, (50, 0, 0), formality=float(rng.integers(1, 6)))
        for kind, number in count
        for k in range(number)
    )
    own = {kind: [k for k, one in enumerate(pieces) if one.category is kind] for kind in ZONES}
    halves = [(a, b) for a in own[C.TOP] for b in own[C.TROUSERS]] + [(a, NOTHING) for a in own[C.DRESS]]
    every = [(*half, f, j) for half in halves for f in own[C.SHOES] for j in (NOTHING, *own[C.COAT])]
    rows = np.array([row for row in every if rng.random() < share], dtype=np.intp).reshape(-1, 4)
    return GoodLooks(pieces, rows, np.full(len(rows), 70.0), 1.0)


def carried(good, chosen):
    """Looks of nothing but some pieces, by their places."""
    inside = {*chosen, NOTHING}
    return [row for row in good.rows.tolist() if inside.issuperset(row)]


def by_trying(good, count, allowed=lambda chosen: True):
    places = range(len(good.pieces))
    some = (some for n in range(count + 1) for some in combinations(places, n))
    return max((len(carried(good, one)) for one in some if allowed(one)), default=0)


@pytest.mark.parametrize("seed", range(8))
@pytest.mark.parametrize("count", [4, 6, 8])
def test_a_capsule_is_as_good_as_the_best_of_all_and_proven(seed, count):
    good = table(seed, share=0.3 + 0.08 * seed)
    found = choose_capsule(good, Asked(count))
    assert found.looks == by_trying(good, count)
    assert found.proven
    assert len(found.piece_ids) <= count
    assert found.of == len(good.rows)


@pytest.mark.parametrize("seed", range(12))
def test_the_bound_is_never_below_the_best(seed):
    rng = np.random.default_rng(seed)
    good = table(
        100 + seed, *rng.integers(0, 5, 3), int(rng.integers(1, 4)), int(rng.integers(0, 4)), rng.uniform(0.1, 1)
    )
    zones = [ZONES[one.category] for one in good.pieces]
    for count in (3, 5, 7):
        if count > len(good.pieces):
            continue
        best = by_trying(good, count)
        tables, own = tables_of(good.rows, zones), own_places(zones)
        free = dict.fromkeys(Zone, count)
        assert most_looks(tables, count, free) >= best
        assert best_by_parts(tables, own, count, free, frozenset(), 0, 10**6).best == best
        assert best_by_parts(tables, own, count, free, frozenset(), best, 10**6).chosen is None
        cut_off = best_by_parts(tables, own, count, free, frozenset(), 0, 0)
        assert max(cut_off.best, cut_off.bound) >= best
        best = by_trying(good, count, lambda some: all(sum(zones[k] is zone for k in some) <= 1 for zone in FEW))
        assert most_looks(tables, count, free | FEW) >= best
        assert best_by_parts(tables, own, count, free | FEW, frozenset(), 0, 10**6).best == best


def test_what_each_piece_carries_and_would_add_is_counted():
    good = table(3)
    found = choose_capsule(good, Asked(6))
    place = {one.id: k for k, one in enumerate(good.pieces)}
    chosen = {place[id] for id in found.piece_ids}
    assert set(found.without) == set(found.piece_ids)
    for id, lost in found.without.items():
        assert lost == found.looks - len(carried(good, chosen - {place[id]}))
    for one in good.pieces:
        if one.id not in found.piece_ids:
            assert found.added.get(one.id, 0) == len(carried(good, chosen | {place[one.id]})) - found.looks


@pytest.mark.parametrize("seed", range(4))
def test_what_must_be_in_is_in_and_what_may_not_be_is_not(seed):
    good = table(seed, shoes=4)
    worst = min(good.pieces, key=lambda one: (good.rows == good.place[one.id]).sum())
    kept = choose_capsule(good, Asked(6, keep=(worst.id,)))
    assert worst.id in kept.piece_ids
    assert kept.looks == by_trying(good, 6, lambda some: good.place[worst.id] in some)
    shoes = [k for k, one in enumerate(good.pieces) if one.category is C.SHOES]
    few = choose_capsule(good, Asked(6, at_most={Zone.FEET: 1}))
    assert few.looks == by_trying(good, 6, lambda some: len(set(some) & set(shoes)) <= 1)
    left_out = {good.pieces[0].id, good.pieces[5].id}
    among = frozenset(one.id for one in good.pieces) - left_out
    told = choose_capsule(good, Asked(6, among=among))
    assert not left_out & set(told.piece_ids)
    assert told.looks == by_trying(good, 6, lambda some: not {0, 5} & set(some))
    assert told.of == len(good.rows), "the whole rail"


@pytest.mark.parametrize("seed", range(4))
def test_a_demand_is_met_before_any_look_and_what_cannot_be_is_named(seed):
    good = table(seed, share=0.6)
    demand = Demand("gala", Wanted(1, formality=(4.2, 5.0)), least=2)
    suits = good.suiting(demand.wanted)
    found = choose_capsule(good, Asked(6, demands=(demand,)))
    chosen = {good.place[id] for id in found.piece_ids}
    dressed = sum({*chosen, NOTHING}.issuperset(row) for row in good.rows[suits].tolist())

    def meets(some):
        return sum({*some, NOTHING}.issuperset(row) for row in good.rows[suits].tolist()) >= 2

    can = any(meets(some) for some in combinations(range(len(good.pieces)), 6))
    assert (found.unmet == ()) is can
    assert (dressed >= 2) is can
    assert found.looks == by_trying(good, 6, meets if can else lambda some: True)
    never = Demand("moon walk", Wanted(1, formality=(1.0, 1.0), wet=True, warmth=4.0), least=500)
    assert choose_capsule(good, Asked(5, demands=(never,))).unmet == ("moon walk",)


def test_every_better_one_is_told_and_stopping_keeps_the_best():
    good = table(7, 7, 6, 2, 4, 4, 0.35)
    told = []
    found = choose_capsule(good, Asked(9), lambda one: not told.append(one))
    assert [one.looks for one in told] == sorted(one.looks for one in told)
    assert all(one.bound >= found.looks for one in told)
    first = choose_capsule(good, Asked(9), lambda one: False)
    assert first.looks == told[0].looks


@pytest.mark.parametrize(
    ("asked", "why"),
    [
        (Asked(0), "cannot be asked"),
        (Asked(400), "cannot be asked"),
        (Asked(1, keep=("top 0", "top 1")), "have to be in"),
        (Asked(5, keep=("a ghost",)), "in no good look"),
        (Asked(6, keep=("shoes 0", "shoes 1"), at_most={Zone.FEET: 1}), "2 pieces for the feet have to be in"),
        (Asked(6, at_most={Zone.FEET: -1}), "and -1 may"),
    ],
)
def test_what_cannot_be_is_refused(asked, why):
    with pytest.raises(Refused, match=why):
        choose_capsule(table(1, share=1.0), asked)


def test_good_looks_are_those_of_the_rail_and_accessories_do_not_count():
    rail = Wardrobe(random_rail(4, 18))
    good = good_looks(rail)
    zones = {one.category for one in good.pieces}
    assert not zones & {C.BAG, C.BELT}
    stricter = good_looks(rail, 75.0)
    assert len(stricter.rows) < len(good.rows)
    assert choose_capsule(good, Asked(6)).of == len(good.rows)
    barefoot = Wardrobe(tuple(one for one in rail.pieces if one.category not in (C.SHOES, C.BOOTS)))
    assert choose_capsule(good_looks(barefoot), Asked(6)).looks == 0
    assert choose_capsule(good_looks(Wardrobe(())), Asked(6)).piece_ids == ()
