"""What must hold of every verdict, and the craft's rules as pairs of looks."""

from dataclasses import replace

import numpy as np
import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from lucid_swatch.core.garment.piece import Piece
from lucid_swatch.core.garment.vocabulary import Category, Finish, Metal
from lucid_swatch.core.look.dressing.dress import interchangeable
from lucid_swatch.core.look.dressing.mends import find_mends, with_piece
from lucid_swatch.core.look.look import Conventions, Intent, Look
from lucid_swatch.core.look.verdict import judge
from lucid_swatch.core.problems import Refused
from tests.strategies import looks

CAMEL, PUTTY, WHITE, BLACK, CHARCOAL = [60, 12, 32], [66, 1, 6], [96, 0, -1], [15, 0, 0], [30, 0, -3]
NAVY, RED, TEAL, PINK = [20, 5, -22], [45, 62, 40], [45, -30, -10], [84, 12, 6]


def plain(category, lab, **said):
    return Piece(category, Category(category), np.array([lab], float), np.ones(1), **said)


def look(*pieces, **said):
    return Look("look", pieces, **said)


def score(of, measure):
    verdict = judge([of])[0]
    return verdict.overall if measure == "overall" else verdict.measures[measure].score


@given(looks())
@settings(max_examples=60, deadline=None)
def test_the_reasons_are_the_score(one):
    for measure in judge([one])[0].measures.values():
        if measure is not None:
            assert measure.start + sum(r.points for r in measure.because) == pytest.approx(measure.score, abs=1e-6)
            assert 0 <= measure.score <= 100
            assert all(r.text and set(r.pieces) <= {p.id for p in one.pieces} for r in measure.because)


@given(looks(), st.randoms(use_true_random=False))
@settings(max_examples=40, deadline=None)
def test_the_order_of_the_pieces_does_not_matter(one, random):
    shuffled = list(one.pieces)
    random.shuffle(shuffled)
    first, second = judge([one, replace(one, pieces=tuple(shuffled))])
    assert first.overall == pytest.approx(second.overall, abs=0.11)


@given(st.lists(st.integers(0, 9).flatmap(lambda k: looks(f"look-{k}")), min_size=2, max_size=5))
@settings(max_examples=25, deadline=None)
def test_a_batch_says_what_each_look_alone_would_hear(several):
    for together, alone in zip(judge(several), [judge([one])[0] for one in several], strict=True):
        assert together.overall == pytest.approx(alone.overall, abs=0.11)
        assert together.intent == alone.intent


def test_without_a_client_there_is_no_colouring():
    assert judge([look(plain("dress", NAVY))])[0].measures["colouring"] is None


def test_a_look_without_pieces_is_refused():
    with pytest.raises(Refused, match="no piece"):
        judge([look()])


BASE = (plain("jacket", CAMEL), plain("trousers", CAMEL))
PAIRS = {
    "neutrals agree": ("harmony", (*BASE, plain("knit", [80, 4, 18])), (*BASE, plain("knit", [66, -1, -6]))),
    "a white separates": (
        "harmony",
        (plain("jacket", CAMEL), plain("shirt", WHITE), plain("trousers", PUTTY)),
        (plain("jacket", CAMEL), plain("shirt", [78, 4, 17]), plain("trousers", PUTTY)),
    ),
    "a black is echoed": (
        "harmony",
        (plain("dress", PINK), plain("shoes", BLACK), plain("bag", BLACK)),
        (plain("dress", PINK), plain("shoes", BLACK), plain("bag", [74, 1, 6])),
    ),
    "one pop": (
        "harmony",
        (plain("coat", CHARCOAL), plain("trousers", CHARCOAL), plain("scarf", RED), plain("hat", CHARCOAL)),
        (plain("coat", CHARCOAL), plain("trousers", CHARCOAL), plain("scarf", RED), plain("hat", TEAL)),
    ),
    "one metal": (
        "harmony",
        (
            plain("dress", BLACK),
            plain("necklace", [80, 0, -2], metal=Metal.SILVER, finish=frozenset({Finish.METALLIC})),
            plain("bracelet", [80, 0, -2], metal=Metal.SILVER, finish=frozenset({Finish.METALLIC})),
        ),
        (
            plain("dress", BLACK),
            plain("necklace", [80, 0, -2], metal=Metal.SILVER, finish=frozenset({Finish.METALLIC})),
            plain("bracelet", [70, 8, 50], metal=Metal.GOLD, finish=frozenset({Finish.METALLIC})),
        ),
    ),
    "one tone wants a step": (
        "monochrome",
        (plain("knit", [88, 2, 16]), plain("skirt", CAMEL), plain("boots", CAMEL)),
        (plain("knit", CAMEL), plain("skirt", CAMEL), plain("boots", CAMEL)),
    ),
    "surfaces give relief": (
        "monochrome",
        (plain("top", BLACK, finish=frozenset({Finish.SILK})), plain("skirt", BLACK, finish=frozenset({Finish.RIB}))),
        (plain("top", BLACK), plain("skirt", BLACK)),
    ),
    "two statements compete": (
        "statement",
        (plain("dress", NAVY, statement=0.8), plain("necklace", NAVY, statement=0.1)),
        (plain("dress", NAVY, statement=0.8), plain("necklace", RED, statement=0.8)),
    ),
}


@pytest.mark.parametrize(("measure", "better", "worse"), PAIRS.values(), ids=PAIRS)
def test_the_craft_is_followed(measure, better, worse):
    assert score(look(*better), measure) >= score(look(*worse), measure) + 1


def test_the_schools_differ():
    odd = look(
        plain("trousers", [55, -4, -16], finish=frozenset({Finish.DENIM})),
        plain("shoes", BLACK),
        plain("knit", CHARCOAL),
    )
    apart = replace(odd, conventions=Conventions(avoid_black_with_denim=True))
    assert score(odd, "harmony") > score(apart, "harmony") + 5


def test_an_accent_is_missed_where_one_was_wanted():
    grey = look(plain("knit", CHARCOAL), plain("skirt", CHARCOAL), plain("scarf", CHARCOAL), intent=Intent.ACCENT)
    lifted = replace(grey, pieces=(*grey.pieces[:2], plain("scarf", RED)))
    assert score(lifted, "overall") > score(grey, "overall") + 1


def test_a_mend_gains_what_it_promises():
    poor = look(plain("jacket", CAMEL), plain("trousers", [58, -1, -7]), plain("shoes", BLACK))
    rail = tuple(
        replace(plain("trousers", lab), id=f"trousers-{k}") for k, lab in enumerate([CAMEL, [36, 11, 18], RED])
    )
    poor = replace(poor, rail=rail)
    mends = find_mends(poor)
    assert mends
    assert mends == sorted(mends, key=lambda m: -m.gain)
    best = next(m for m in mends if m.do == "swap")
    incoming = next(p for p in rail if p.id == best.with_piece)
    swapped = tuple(incoming if p.id == best.piece else p for p in poor.pieces)
    assert score(replace(poor, pieces=swapped), "overall") - score(poor, "overall") == pytest.approx(
        best.gain, abs=0.11
    )


def test_a_dress_takes_the_place_of_top_and_trousers_and_comes_off_again():
    worn = (plain("top", WHITE), plain("trousers", NAVY), plain("shoes", BLACK))
    dress = plain("dress", RED)
    assert {p.id for p in with_piece(worn, dress)} == {"dress", "shoes"}
    assert with_piece(worn, worn[0]) == worn[1:]
    assert interchangeable(Category.SHOES, Category.BOOTS)
    assert not interchangeable(Category.HAT, Category.EARRINGS)
