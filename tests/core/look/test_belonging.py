"""What belongs together: neutrals of one side, denim, a white, one cloth, a colour of the print, black with what is bright."""

import numpy as np
import pytest

from lucid_swatch.core.garment.piece import Piece
from lucid_swatch.core.garment.vocabulary import Category as C
from lucid_swatch.core.garment.vocabulary import Finish, PatternType, Scale
from lucid_swatch.core.look.look import Conventions, Look
from lucid_swatch.core.look.verdict import judge

TAN, STRAW, CREAM, WHITE = (58, 14, 27), (79, 5, 27), (90, 2, 12), (95, 0, 1)
NAVY, DENIM, BLACK, GREY = (21, 4, -21), (36, -2, -24), (14, 0, 0), (58, 0, -2)
CORAL, COBALT, BROWN = (64, 46, 32), (34, 16, -55), (30, 10, 15)


def piece(id, category, *labs, **values):
    share = np.ones(len(labs)) / len(labs)
    return Piece(id, category, np.array(labs, float), share, label=id, **values)


def points(code, *pieces, **conventions):
    """What a rule gives to a look, 0 where it says nothing."""
    verdict = judge([Look("look", pieces, conventions=Conventions(**conventions))])[0]
    said = [reason for one in verdict.measures.values() if one is not None for reason in one.because]
    return sum(reason.points for reason in said if reason.code == code)


def with_shoes_and_bag(shoes, bag):
    rest = piece("knit", C.KNIT, GREY), piece("skirt", C.SKIRT, GREY)
    return points("shoes-and-bag", *rest, piece("shoes", C.SHOES, shoes), piece("bag", C.BAG, bag))


def test_sandy_neutrals_join_shoes_and_bag_and_a_warm_one_beside_a_cold_does_not():
    related = with_shoes_and_bag(TAN, STRAW)
    assert related > with_shoes_and_bag(TAN, NAVY) + 5
    assert with_shoes_and_bag(TAN, TAN) >= related


def test_what_is_nearly_related_is_not_said_to_be_joined_by_nothing():
    rest = piece("knit", C.KNIT, GREY), piece("skirt", C.SKIRT, GREY)
    said = {}
    for name, bag in (("related", TAN), ("loose", STRAW), ("strange", NAVY)):
        look = (*rest, piece("shoes", C.SHOES, TAN), piece("bag", C.BAG, bag))
        reasons = judge([Look("look", look)])[0].measures["harmony"].because
        said[name] = next(one.text for one in reasons if one.code == "shoes-and-bag").rpartition(", ")[2]
    assert said == {"related": "related", "loose": "only loosely joined", "strange": "nothing joins them"}


def test_white_trainers_are_half_at_home_anywhere_and_so_is_metal():
    assert with_shoes_and_bag(WHITE, STRAW) > with_shoes_and_bag((45, 14, -10), STRAW)
    gold = piece("shoes", C.SHOES, (68, 6, 36), finish=frozenset({Finish.METALLIC}))
    look = piece("shirt", C.SHIRT, WHITE), piece("skirt", C.SKIRT, CORAL), piece("bag", C.BAG, WHITE)
    matte = piece("shoes", C.SHOES, (68, 6, 36))
    assert points("shoes-and-bag", *look, gold) > points("shoes-and-bag", *look, matte) + 3


def stripes(id, category, *labs):
    return piece(id, category, *labs, pattern=PatternType.STRIPE, scale=Scale.SMALL)


def test_a_suit_of_one_stripe_is_one_voice_and_two_stripes_are_two():
    shirt, shoes = piece("shirt", C.SHIRT, WHITE), piece("shoes", C.SHOES, BLACK)
    jacket = stripes("jacket", C.JACKET, NAVY, GREY)
    suit = points("statements-compete", jacket, stripes("trousers", C.TROUSERS, NAVY, GREY), shirt, shoes)
    apart = points("statements-compete", jacket, stripes("trousers", C.TROUSERS, BROWN, CREAM), shirt, shoes)
    assert suit == 0 > apart
    # cloth that is nearly the same is nearly one: no step that nobody sees makes two of it
    near = points("statements-compete", jacket, stripes("trousers", C.TROUSERS, (23, 4, -21), GREY), shirt, shoes)
    assert near > -5


@pytest.mark.parametrize(("school", "strange"), [({}, False), ({"strict_neutrals": True}, True)])
def test_denim_is_no_stranger_to_a_print_but_by_the_strict_school(school, strange):
    print_ = piece("shirt", C.SHIRT, (62, 14, 36), BLACK, pattern=PatternType.ANIMAL, scale=Scale.MEDIUM)
    jeans = piece("jeans", C.TROUSERS, DENIM, finish=frozenset({Finish.DENIM}))
    found = points("accent-from-the-print", print_, jeans, piece("boots", C.BOOTS, BROWN), **school)
    assert (found < -3) is strange


def test_a_colour_of_the_print_is_not_foreign_to_it():
    print_ = piece("skirt", C.SKIRT, (66, -28, -14), CORAL, WHITE, pattern=PatternType.ABSTRACT, scale=Scale.LARGE)
    shoes = piece("shoes", C.SHOES, TAN)
    own, other = (points("foreign-hue", piece("top", C.TOP, lab), print_, shoes) for lab in (CORAL, (62, -36, 44)))
    assert own > other


def test_black_leaves_a_dark_blue_cold_and_goes_with_a_bright_one():
    shoes, bag = piece("shoes", C.SHOES, BLACK), piece("bag", C.BAG, BLACK)
    cold, bright = (points("brown-with-blue", piece("dress", C.DRESS, lab), shoes, bag) for lab in (NAVY, COBALT))
    assert cold < -3
    assert bright == pytest.approx(0, abs=0.5)
