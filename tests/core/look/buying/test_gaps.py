"""What is missing: told once where it is one, quiet before loud, never what the client does not wear."""

import numpy as np
import pytest

from lucid_swatch.core.garment.vocabulary import Category as C
from lucid_swatch.core.look.buying.gaps import Gap, as_one, gaps
from lucid_swatch.core.look.dressing.wardrobe import Wardrobe
from tests.core.look.buying.test_consider import RAIL, piece


def gap(category, lab, opens):
    return Gap(category, np.array(lab, float), category.value, opens, 2.0)


def test_gaps_of_one_place_and_colour_are_told_once():
    found = as_one(
        [
            gap(C.TOP, (80, 5, 15), 20),
            gap(C.KNIT, (80, 6, 15), 18),
            gap(C.SHIRT, (30, 5, 15), 15),
            gap(C.BAG, (80, 5, 15), 9),
        ]
    )
    assert [(one.gap.category, one.categories) for one in found] == [
        (C.TOP, (C.TOP, C.KNIT)),
        (C.SHIRT, (C.SHIRT,)),
        (C.BAG, (C.BAG,)),
    ]


def test_one_that_opens_much_less_is_no_part_of_a_gap():
    found = as_one([gap(C.TOP, (80, 5, 15), 20), gap(C.KNIT, (80, 5, 15), 5)])
    assert [one.categories for one in found] == [(C.TOP,), (C.KNIT,)]


def test_a_quiet_gap_stands_before_a_loud_one_that_opens_hardly_more():
    loud, quiet = gap(C.SHOES, (50, 60, 40), 22), gap(C.COAT, (50, 2, 6), 20)
    assert [one.gap.category for one in as_one([loud, quiet])] == [C.COAT, C.SHOES]
    assert [one.gap.category for one in as_one([gap(C.SHOES, (50, 60, 40), 40), quiet])] == [C.SHOES, C.COAT]


def test_who_wears_no_skirt_is_not_asked_to_buy_one():
    without = tuple(one for one in RAIL if one.category is not C.SKIRT)
    assert not {one.category for one in gaps(Wardrobe(without), 50)} & {C.SKIRT, C.DRESS}
    assert {C.SKIRT, C.DRESS} & {one.category for one in gaps(Wardrobe(RAIL), 50)}


def test_a_hat_is_missed_only_where_one_hangs():
    assert C.HAT not in {one.category for one in gaps(Wardrobe(RAIL), 80)}
    with_hat = (*RAIL, piece("brown hat", C.HAT, (35, 8, 12)), piece("tunic", C.TUNIC, (60, 0, 0)))
    found = {one.category for one in gaps(Wardrobe(with_hat), 80)}
    assert C.TUNIC in found
    assert not found & {C.RING, C.WATCH, C.NECKLACE}


def test_what_is_refused_is_no_gap():
    def no_browns(pieces):
        return [one.id for one in pieces if one.lab[0, 2] > 8]

    found = gaps(Wardrobe(RAIL), 20, categories=(C.TROUSERS, C.KNIT), refused=no_browns)
    assert found
    assert all(one.lab[2] <= 8 for one in found)


def test_a_pattern_or_a_surface_is_asked_for_where_it_opens_clearly_more():
    rail = (*RAIL, piece("white top", C.TOP, (93, 0, 3)), piece("black shoes", C.SHOES, (15, 0, 0)))
    for one in gaps(Wardrobe(rail), 30):
        if one.ground is not None:
            assert one.name.split()[-2] in ("striped", "checked")
            assert one.pattern.value in ("stripe", "check")
        elif one.finish:
            assert one.finish[0].value in one.name


@pytest.mark.parametrize("rail", [(), RAIL[:2]])
def test_a_rail_without_a_look_has_no_gap_that_opens_one(rail):
    assert gaps(Wardrobe(rail), 5) == []
