"""A look turned for the day, and a day in stages."""

import numpy as np
import pytest

from lucid_swatch.core.garment.known import as_known
from lucid_swatch.core.garment.vocabulary import Category, Finish, Heel
from lucid_swatch.core.look.dressing.dress import can_be_worn
from lucid_swatch.core.look.dressing.wardrobe import Wardrobe
from lucid_swatch.core.look.kept_look import DayStage, TimeOfDay
from lucid_swatch.core.look.making.stages import stages, weakest
from lucid_swatch.core.look.making.turning import Turn, evening_of, needs_no_turn, turn
from lucid_swatch.core.look.verdict import judge

from .rails import BLACK, NAVY, RAIL, TAN, piece

MORE = (
    *RAIL,
    piece("black pumps", "shoes", BLACK, finish=frozenset({Finish.PATENT}), formality=4.5),
    piece("black clutch", "bag", BLACK, finish=frozenset({Finish.SATIN}), formality=4.5),
    piece("pearl earrings", "earrings", [88, 2, 8], finish=frozenset({Finish.PEARL}), formality=4.0),
    piece("navy boots", "boots", NAVY, warmth=3.5),
)
WARDROBE = Wardrobe(MORE)
DAY = WARDROBE.look("day", ("cream shirt", "navy trousers", "navy shoes", "tan bag", "tan belt"))


def middle(pieces, name):
    known = [getattr(as_known(p), name) for p in pieces]
    return np.mean([one for one in known if one is not None])


@pytest.mark.parametrize("to", Turn)
def test_a_turn_takes_one_to_three_changes_and_is_really_scored(to):
    found = turn(DAY, to)
    assert found
    assert [len(one.changes) for one in found] == sorted(len(one.changes) for one in found)
    for one in found:
        assert 1 <= len(one.changes) <= 3
        assert judge([one.look])[0].overall == one.whole
        assert can_be_worn([p.category for p in one.look.pieces])
        assert any(p.category is Category.BAG for p in one.look.pieces)
        there, after = {p.id for p in DAY.pieces}, {p.id for p in one.look.pieces}
        assert after != there
        assert {p.id for p in one.look.rail} == {p.id for p in MORE} - after


def test_up_is_more_formal_and_down_less():
    up, down = turn(DAY, Turn.UP)[0], turn(DAY, Turn.DOWN)[0]
    assert middle(up.look.pieces, "formality") > middle(DAY.pieces, "formality") > middle(down.look.pieces, "formality")


def test_colder_is_warmer_clothes_and_warmer_takes_them_off():
    dressed = WARDROBE.look("dressed", ("cream shirt", "navy trousers", "navy shoes", "grey jacket", "tan bag"))
    assert middle(turn(dressed, Turn.COLDER)[0].look.pieces, "warmth") > middle(dressed.pieces, "warmth")
    assert any(c.do == "remove" and c.piece == "grey jacket" for one in turn(dressed, Turn.WARMER) for c in one.changes)


def test_rain_takes_the_suede_away_and_leaves_alone_what_can_bear_it():
    assert not needs_no_turn(DAY, Turn.RAIN)
    assert all("navy shoes" not in {p.id for p in one.look.pieces} for one in turn(DAY, Turn.RAIN))
    coated = WARDROBE.look("coated", ("cream shirt", "navy trousers", "tan shoes", "navy coat", "tan bag"))
    assert needs_no_turn(coated, Turn.RAIN)


def test_the_evening_shines_and_straw_stays_at_home():
    assert (
        evening_of(MORE[-4])
        > evening_of(as_known(RAIL[10]))
        > evening_of(piece("hat", "hat", TAN, finish=frozenset({Finish.STRAW})))
    )
    heeled = piece("heels", "shoes", TAN)
    high = type(heeled.details)(heel=Heel.HIGH)
    assert evening_of(type(heeled)("heels", Category.SHOES, heeled.lab, heeled.share, details=high)) > evening_of(
        heeled
    )
    evening = turn(DAY, Turn.EVENING)[0]
    assert {"black pumps", "black clutch", "pearl earrings"} & {p.id for p in evening.look.pieces}


def test_what_is_barred_or_always_on_stays_so():
    barred = Wardrobe(MORE, barred={"black pumps": "does not fit"}, always=(MORE[-2],))
    look = barred.look("day", ("cream shirt", "navy trousers", "navy shoes", "tan bag"))
    for one in turn(look, Turn.EVENING):
        assert "black pumps" not in {p.id for p in one.look.pieces}
        assert [p.id for p in one.look.always] == ["pearl earrings"]
        assert "pearl earrings" not in {c.piece for c in one.changes}


def test_a_day_changes_layers_and_shoes_and_the_weakest_stage_speaks():
    asked = (
        DayStage("morning", warmth=3.0),
        DayStage("noon", warmth=1.0),
        DayStage("evening", 4.0, 2.0, time=TimeOfDay.EVENING),
    )
    day = stages(DAY, asked)
    assert [stage.when for stage in day] == ["morning", "noon", "evening"]
    worn = [{p.id for p in stage.look.pieces} for stage in day]
    assert all({"cream shirt", "navy trousers"} <= one for one in worn)
    assert worn[0] & {"navy coat", "grey jacket"}
    assert "navy coat" not in worn[1]
    for stage in day:
        assert judge([stage.look])[0].overall == stage.whole
    assert weakest(day).whole == min(stage.whole for stage in day)
    assert stages(DAY, ()) == []


def test_a_stage_that_cannot_be_met_says_so():
    bare = Wardrobe(tuple(p for p in RAIL if p.category not in (Category.COAT, Category.JACKET)))
    look = bare.look("day", ("cream shirt", "navy trousers", "tan shoes"))
    cold = stages(look, (DayStage("morning", warmth=4.0),))[0]
    assert any("cream shirt" in one for one in cold.amiss)
