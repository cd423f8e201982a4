"""What the log tells of each piece, and what it says to who makes looks."""

from collections import Counter
from dataclasses import replace
from datetime import date, timedelta

import pytest
from hypothesis import given
from hypothesis import strategies as st

from lucid_swatch.core.look.making.make import make_looks
from lucid_swatch.core.look.making.wanted import Wanted
from lucid_swatch.core.look.wearing.leaning import LOVED, OFF, UNTOUCHED, WORN_OUT, leaning
from lucid_swatch.core.look.wearing.tally import NEVER, Tally, chosen_of_two, days_of, grouped, tally
from lucid_swatch.core.look.wearing.wear import Felt, Line
from tests.core.look.making.rails import rail

TODAY = date(2031, 5, 4)
lines = st.lists(
    st.builds(
        Line,
        st.dates(date(2031, 4, 1), TODAY),
        st.lists(st.sampled_from("abcd"), min_size=1, max_size=3, unique=True).map(tuple),
        st.none() | st.sampled_from(Felt),
    ),
    max_size=30,
)


def ago(days):
    return TODAY - timedelta(days)


@given(lines)
def test_every_piece_is_told_of_as_counting_by_hand_does(log):
    found = tally(log)
    for id in "abcd":
        own = [line for line in log if id in line.piece_ids]
        told = found.get(id, NEVER)
        assert told.days == len({line.on for line in own})
        assert told.last == max((line.on for line in own), default=None)
        assert told.loved == sum(line.felt is Felt.LOVED for line in own)
        assert told.off == sum(line.felt is Felt.OFF for line in own)
        assert list(days_of(log).get(id, ())) == sorted({line.on for line in own})


def test_a_wear_costs_the_price_over_the_days():
    assert Tally(4, TODAY).cost(90) == 22.5
    assert Tally().cost(90) is None
    assert Tally(4, TODAY).cost(None) is None
    assert Tally(2, ago(3)).since(TODAY) == 3
    assert NEVER.since(TODAY) is None


def test_groups_count_what_is_in_them():
    found = {"coat": Tally(5, TODAY, 3, 0), "scarf": Tally(1, TODAY, 0, 1)}
    names = {"coat": ["blue"], "scarf": ["blue", "red"], "hat": ["red"]}
    blue, red = grouped(names, found, {"coat": 100.0, "scarf": None, "hat": 30.0})
    assert (blue.name, blue.pieces, blue.worn, blue.days, blue.cost) == ("blue", 2, 2, 6, 20.0)
    assert (blue.loved, blue.off) == (3, 1)
    # what was never worn has cost nobody a wear
    assert (red.name, red.pieces, red.worn, red.days, red.cost) == ("red", 2, 1, 1, None)


def test_of_two_alike_the_one_that_is_chosen_is_told():
    found = {"a": Tally(6, TODAY), "b": Tally(3, TODAY), "c": Tally(5, TODAY)}
    assert chosen_of_two([("b", "a"), ("a", "c"), ("d", "c")], found) == [("a", "b"), ("c", "d")]
    assert chosen_of_two([("b", "e")], {"b": Tally(2, TODAY)}) == []


HUNG = dict.fromkeys(("loved", "off", "still", "new", "often"), ago(200)) | {"new": ago(5)}
LOG = (
    *[Line(ago(90 - 8 * k), ("loved",), Felt.LOVED) for k in range(8)],
    Line(ago(30), ("off",), Felt.OFF),
    Line(ago(29), ("off",), Felt.FINE),
    *[Line(ago(k), ("often",)) for k in (1, 3, 6, 9)],
)


def test_what_is_loved_comes_what_felt_off_does_not_and_what_hangs_untouched_is_tried():
    assert leaning(LOG, HUNG, TODAY) == {"loved": LOVED, "off": OFF, "still": UNTOUCHED, "often": WORN_OUT}


@pytest.mark.parametrize("log", [LOG[:9], tuple(replace(line, on=ago(5)) for line in LOG)])
def test_a_log_that_has_hardly_begun_says_nothing_of_what_hangs_untouched(log):
    assert "still" not in leaning(log, HUNG, TODAY)


def test_making_by_the_log_takes_what_is_loved_and_leaves_what_felt_off():
    wanted = Wanted(4)
    plain = make_looks(rail(), wanted).looks
    counts = Counter(id for look in plain for id in look.piece_ids)
    loved, _, off = sorted(("grey skirt", "tan skirt", "navy trousers"), key=lambda id: counts[id])
    leaned = make_looks(rail(leaning={loved: 40.0, off: -40.0}), wanted).looks
    now = Counter(id for look in leaned for id in look.piece_ids)
    assert now[loved] > counts[loved]
    assert now[off] < counts[off]
    # it moves which looks come, and never what they come to
    wholes = {frozenset(look.piece_ids): look.whole for look in plain}
    for look in leaned:
        assert look.whole == pytest.approx(wholes.get(frozenset(look.piece_ids), look.whole))
