"""The one rule of dress, and that everything that asks it is told the same."""

from itertools import combinations

import pytest
from hypothesis import given
from hypothesis import strategies as st

from lucid_swatch.core.garment.vocabulary import Category as C
from lucid_swatch.core.look.body import ZONES, Zone
from lucid_swatch.core.look.dressing.dress import (
    TOGETHER,
    can_be_worn,
    fills_a_gap,
    interchangeable,
    is_split,
    joins,
    limits,
    takes_the_place,
    together,
)


@pytest.mark.parametrize(
    ("one", "other"),
    [
        (C.COAT, C.JACKET),
        (C.KNIT, C.SHIRT),
        (C.DRESS, C.TOP),
        (C.DRESS, C.JACKET),
        (C.NECKLACE, C.NECKLACE),
        (C.RING, C.BRACELET),
        (C.JACKET, C.WAISTCOAT),
        (C.HOSIERY, C.SHOES),
    ],
)
def test_these_are_worn_together(one, other):
    assert together(one, other)
    assert together(other, one)


@pytest.mark.parametrize(
    ("one", "other"),
    [
        (C.BELT, C.BELT),
        (C.DRESS, C.TROUSERS),
        (C.JUMPSUIT, C.TOP),
        (C.JUMPSUIT, C.SKIRT),
        (C.SKIRT, C.SHORTS),
        (C.SHOES, C.BOOTS),
        (C.COAT, C.COAT),
        (C.BAG, C.BAG),
        (C.TUNIC, C.SHIRT),
    ],
)
def test_these_are_not(one, other):
    assert not together(one, other)
    assert not together(other, one)


def test_the_table_says_the_same_whichever_piece_is_first():
    assert (TOGETHER == TOGETHER.T).all()


def test_what_is_tried_stands_where_another_stood_and_a_dress_in_the_place_of_top_and_skirt():
    assert takes_the_place(C.COAT, C.JACKET)
    assert takes_the_place(C.KNIT, C.SHIRT)
    assert takes_the_place(C.DRESS, C.TOP)
    assert takes_the_place(C.DRESS, C.SKIRT)
    assert takes_the_place(C.SKIRT, C.DRESS)
    assert takes_the_place(C.TOP, C.DRESS)
    assert takes_the_place(C.NECKLACE, C.NECKLACE)
    assert not takes_the_place(C.BAG, C.RING)


@given(st.lists(st.sampled_from(C), max_size=7, unique=True), st.sampled_from(C))
def test_what_fills_a_gap_can_be_worn_with_all_that_is_there(worn, new):
    if can_be_worn(worn) and fills_a_gap(new, worn):
        assert can_be_worn([*worn, new])


@given(st.lists(st.sampled_from(C), max_size=7))
def test_limits_for_a_solver_hold_just_when_the_pieces_can_be_worn(categories):
    chosen = range(len(categories))
    kept = all(sum(place in limit.pieces for place in chosen) <= limit.most for limit in limits(categories))
    assert kept is can_be_worn(categories)


@given(st.lists(st.sampled_from(C), max_size=7, unique=True), st.sampled_from(C))
def test_what_joins_a_look_that_can_be_worn_leaves_it_so(worn, new):
    if can_be_worn(worn):
        assert joins(new, worn) is can_be_worn([*worn, new])


def test_what_takes_one_place_stands_for_another_of_its_zone_and_an_accessory_only_for_its_like():
    for one, other in combinations(C, 2):
        if ZONES[one] is ZONES[other] is Zone.LOWER:
            assert interchangeable(one, other)
        if ZONES[one] is Zone.HEAD:
            assert not interchangeable(one, other)


def test_a_set_is_worn_whole_or_not_at_all():
    suit = [frozenset({"jacket", "trousers"})]
    assert is_split(["jacket", "skirt"], suit)
    assert not is_split(["jacket", "trousers", "shoes"], suit)
    assert not is_split(["knit", "skirt"], suit)
