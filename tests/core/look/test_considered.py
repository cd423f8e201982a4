"""A look with its surroundings: what is promised is what happens."""

import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from lucid_swatch.core.garment.vocabulary import Category
from lucid_swatch.core.look.body import ZONES, Zone
from lucid_swatch.core.look.dressing.considered import consider
from lucid_swatch.core.look.dressing.dress import takes_the_place, together
from lucid_swatch.core.look.dressing.mends import LEAST_GAIN, find_mends, with_piece
from lucid_swatch.core.look.look import Look, in_order
from lucid_swatch.core.look.verdict import judge
from lucid_swatch.core.problems import Refused
from tests.strategies import pieces


@st.composite
def looks_with_rail(draw):
    worn = [draw(pieces(f"worn-{k}")) for k in range(draw(st.integers(1, 4)))]
    rest = tuple(draw(pieces(f"rail-{k}")) for k in range(draw(st.integers(1, 4))))
    always = tuple(draw(pieces(f"always-{k}")) for k in range(draw(st.integers(0, 2))))
    return Look("look", in_order(worn), rail=rest, always=always)


def overall(look, chosen):
    return judge([Look("after", in_order(chosen), look.client, look.conventions, look.intent, always=look.always)])[
        0
    ].overall


@settings(max_examples=40, deadline=None)
@given(looks_with_rail())
def test_every_effect_is_what_happens(look):
    found = consider(look)
    by_id = {p.id: p for p in (*look.pieces, *look.rail)}
    assert found.verdict == judge([look])[0]
    assert set(found.effects) == set(by_id)
    for effect in found.effects.values():
        if effect.pieces:
            after = overall(look, [by_id[i] for i in effect.pieces])
            assert after - found.verdict.overall == pytest.approx(effect.change, abs=0.051)


@settings(max_examples=40, deadline=None)
@given(looks_with_rail())
def test_every_mend_raises_the_whole_by_what_it_says(look):
    by_id = {p.id: p for p in (*look.pieces, *look.rail)}
    mends = find_mends(look)
    assert [(m.text, m.gain) for m in mends] == [(m.text, m.gain) for m in consider(look).mends]
    for mend in mends:
        worn = list(look.pieces)
        for step in (mend, mend.then) if mend.then else (mend,):
            worn = [p for p in worn if step.do == "add" or p.id != step.piece]
            worn += [by_id[i] for i in (step.with_piece, step.piece if step.do == "add" else None) if i]
        assert overall(look, worn) - judge([look])[0].overall == pytest.approx(mend.gain, abs=0.051)
        assert mend.gain >= LEAST_GAIN


@settings(max_examples=25, deadline=None)
@given(looks_with_rail())
def test_what_is_always_on_counts_as_if_it_had_been_chosen_and_is_never_taken_off(look):
    found = consider(look)
    chosen = judge([Look("look", in_order(look.worn), look.client, look.conventions, look.intent)])[0]
    assert found.verdict.overall == chosen.overall
    always = {piece.id for piece in look.always}
    assert not always & {id for effect in found.effects.values() for id in effect.pieces}
    assert not always & {mend.piece for mend in found.mends}


@given(pieces("new"), st.lists(pieces(), max_size=4))
def test_putting_on_takes_the_place_of_what_cannot_be_worn_with_it(new, worn):
    after = with_piece(tuple(worn), new)
    assert after[-1] is new
    assert all(together(new.category, p.category) for p in after[:-1])
    assert not any(takes_the_place(new.category, p.category) for p in after[:-1])
    if new.category is Category.DRESS:
        assert not {Zone.UPPER, Zone.LOWER} & {ZONES[p.category] for p in after}


def test_a_look_without_a_piece_is_refused():
    with pytest.raises(Refused, match="no piece"):
        consider(Look("empty", ()))


def test_a_colour_that_returns_is_stitched_and_a_lone_one_is_not():
    def plain(id, category, lab):
        import numpy as np

        from lucid_swatch.core.garment.piece import Piece

        return Piece(id, category, np.array([lab], dtype=float), np.ones(1))

    shoes, bag = plain("shoes", Category.SHOES, (43, 20, 31)), plain("bag", Category.BAG, (45, 20, 32))
    knit, trousers = plain("knit", Category.KNIT, (82, 3, 15)), plain("trousers", Category.TROUSERS, (31, 0, -4))
    look = Look("look", in_order([shoes, bag, knit, trousers]))
    joined = {(s.first, s.second) for s in consider(look).stitches if not s.competes}
    assert ("bag", "shoes") in joined
    assert all("trousers" not in pair for pair in joined)
