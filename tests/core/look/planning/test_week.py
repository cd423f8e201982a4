"""Looks on days: what was worn rests, the same people see no clothes twice, and what cannot be met is named."""

from datetime import date, timedelta
from itertools import pairwise, product

import numpy as np
import pytest

from lucid_swatch.core.garment.vocabulary import Category as C
from lucid_swatch.core.garment.vocabulary import Finish
from lucid_swatch.core.look.dressing.wardrobe import NOTHING, Wardrobe
from lucid_swatch.core.look.kept_look import TimeOfDay
from lucid_swatch.core.look.planning.case import packed
from lucid_swatch.core.look.planning.complete import completed
from lucid_swatch.core.look.planning.days import Day, Habits, Occasion, Weather
from lucid_swatch.core.look.planning.good_looks import GoodLooks, good_looks
from lucid_swatch.core.look.planning.occasions import about, formality_of
from lucid_swatch.core.look.planning.week import dress_for, slots_of
from tests.core.look.buying.test_consider import piece, random_rail
from tests.core.look.planning.test_capsule import table

MONDAY = date(2031, 5, 5)
ANY = (1.0, 5.0)


def days(*occasions, people=()):
    """A day for each occasion, named after its place."""
    return [
        Day(MONDAY + timedelta(k), (Occasion(f"day {k}", span, people=frozenset(people)),))
        for k, span in enumerate(occasions)
    ]


def worn_on(week, some):
    """The pieces of each day, by day."""
    found = {k: set() for k in range(len(some))}
    for one in week.worn:
        if one is not None:
            found[one.slot.day] |= set(one.piece_ids)
    return found


def check_rests(good, week, some, habits):
    on = worn_on(week, some)
    for one in good.pieces:
        worn = [some[k].on for k, ids in on.items() if one.id in ids]
        for first, second in pairwise(worn):
            assert (second - first).days > habits.rests(one), one.id


@pytest.mark.parametrize("seed", range(10))
def test_as_many_are_dressed_for_as_trying_all_could(seed):
    rng = np.random.default_rng(seed)
    good = table(seed, 3, 2, 1, 2, 1, 0.25)
    some = days(*[ANY if rng.random() < 0.5 else (2.0, 4.0) for _ in range(4)])
    habits = Habits(rest=1)
    week = dress_for(good, some, habits)
    check_rests(good, week, some, habits)
    masks = [np.flatnonzero(good.suiting(slot.wanted)) for slot in slots_of(some)]
    resting = [habits.rests(one) for one in good.pieces]
    best = 0
    for rows in product(*[[None, *mask.tolist()] for mask in masks]):
        there = [set() if row is None else {k for k in good.rows[row].tolist() if k != NOTHING} for row in rows]
        if all(resting[k] == 0 for a, b in pairwise(there) for k in a & b):
            best = max(best, sum(row is not None for row in rows))
    assert sum(one is not None for one in week.worn) == best
    assert len(week.unmet) == len(some) - best


def test_what_is_worn_goes_to_its_occasion_and_its_weather():
    good = good_looks(Wardrobe(tuple(
        piece(one.id, one.category, one.lab[0], formality=float(1 + k % 5)) for k, one in enumerate(random_rail(6, 30))
    )), 45.0)  # fmt: skip
    some = [
        Day(MONDAY, (Occasion("walk", (1.0, 3.0), TimeOfDay.DAY),), Weather(1, 6)),
        Day(MONDAY + timedelta(1), (Occasion("dinner", (2.0, 4.5), TimeOfDay.EVENING),), Weather(16, 25)),
    ]
    week = dress_for(good, some, Habits())
    for one in week.worn:
        assert one is not None
        row = next(
            k
            for k, row in enumerate(good.rows.tolist())
            if {good.pieces[p].id for p in row if p >= 0} == set(one.piece_ids)
        )
        assert good.suiting(one.slot.wanted)[row]
        assert one.whole == pytest.approx(good.wholes[row], abs=0.05)


def test_the_same_people_see_no_clothes_twice_and_strangers_may():
    good = table(2, 1, 1, 1, 3, 0, 1.0)
    habits = Habits(rest=0)
    alone = dress_for(good, days(ANY, ANY, ANY, ANY), habits)
    assert all(one is not None for one in alone.worn)
    together = dress_for(good, days(ANY, ANY, ANY, ANY, people=("quartet",)), habits)
    clothes = [
        frozenset(id for id in one.piece_ids if not id.startswith("shoes")) for one in together.worn if one is not None
    ]
    assert len(clothes) == len(set(clothes)) == 2
    assert len(together.unmet) == 2
    assert "another day needs" in together.unmet[0]


def test_what_is_locked_stays_and_what_is_away_is_not_worn():
    good = table(4, share=1.0)
    row = good.rows[17]
    locked = tuple(good.pieces[k].id for k in row.tolist() if k != NOTHING)
    some = days(ANY, ANY, ANY)
    some[1] = Day(some[1].on, (Occasion("concert", ANY, locked=locked),))
    away = {"dress 0": some[2].on, "top 0": some[0].on}
    week = dress_for(good, some, Habits(away=away))
    assert set(week.worn[1].piece_ids) == set(locked)
    assert all("dress 0" not in one.piece_ids for k, one in enumerate(week.worn) if k != 1)
    assert "top 0" not in week.worn[0].piece_ids
    gone = Day(MONDAY, (Occasion("concert", ANY, locked=("top 0", "top 1")),))
    assert "locked" in dress_for(good, [gone], Habits()).unmet[0]


def test_what_cannot_be_met_says_what_would_meet_it():
    suede = {"finish": frozenset({Finish.SUEDE})}
    rail = (
        piece("top", C.TOP, (90, 1, 8), formality=2.0),
        piece("trousers", C.TROUSERS, (25, 0, -4), formality=2.0),
        piece("shoes", C.SHOES, (40, 12, 20), formality=2.0, **suede),
    )
    good = good_looks(Wardrobe(rail), 0.0)
    wet = Day(MONDAY, (Occasion("market", (1.5, 3.0)),), Weather(15, 18, rain=9))
    gala = Day(MONDAY + timedelta(1), (Occasion("gala", (4.5, 5.0)),))
    rain, formal = dress_for(good, [wet, gala], Habits(rest=0)).unmet
    assert rain.startswith("Mon 5 May, market: no good look goes to a formality of 1.5 to 3 that day; if it stayed dry")
    assert formal.startswith("Tue 6 May, gala: ")
    assert "for another occasion there would be" in formal
    assert dress_for(good, [], Habits()).worn == ()
    nothing = GoodLooks((), np.zeros((0, 4), np.intp), np.zeros(0), 1.0)
    assert "missing" in dress_for(nothing, [gala], Habits()).unmet[0]


def test_looks_are_completed_without_other_clothes():
    rail = Wardrobe(
        (*random_rail(8, 18), piece("tan bag", C.BAG, (55, 14, 28)), piece("pearls", C.NECKLACE, (88, 0, 4)))
    )
    some = days(ANY, ANY)
    week = dress_for(good_looks(rail), some, Habits())
    worn = [one for one in week.worn if one is not None]
    for one, ids in zip(worn, completed(rail, worn), strict=True):
        assert set(ids) >= set(one.piece_ids)
        more = {rail.by_id[id].category for id in set(ids) - set(one.piece_ids)}
        assert not more & {C.TOP, C.SHIRT, C.KNIT, C.TROUSERS, C.SKIRT, C.DRESS, C.COAT, C.JACKET, C.SHOES, C.BOOTS}


def test_warmth_and_hours_follow_the_forecast():
    cold, hot = Weather(-5, -3), Weather(24, 33)
    assert cold.warmth(TimeOfDay.DAY) > 3.5
    assert hot.warmth(TimeOfDay.DAY) == 0
    spring = Weather(6, 18)
    assert spring.warmth(TimeOfDay.EVENING) > spring.warmth(TimeOfDay.DAY)
    assert (Weather(3, 5, 0.4).wet, Weather(3, 5, 2).wet) == (False, True)


@pytest.mark.parametrize(
    ("name", "within"),
    [
        ("Concert in the old hall", (3.8, 5.0)),
        ("REHEARSALS", (1.8, 3.2)),
        ("trainer", (2.0, 3.5)),
        ("Morning train", (1.5, 3.0)),
        ("", (2.0, 3.5)),
    ],
)
def test_an_event_says_by_its_words_how_one_dresses(name, within):
    assert formality_of(name) == within
    assert formality_of(f"{name} with Tilde", {"Tilde": (1.0, 2.0)}) == (1.0, 2.0)


def test_one_number_is_a_span_round_it():
    assert about(4.5) == (4.0, 5.0)
    assert about(1) == (1.0, 1.5)
    with pytest.raises(ValueError, match="1 to 5"):
        about(9)


def test_the_case_is_packed_from_the_heavy_to_what_creases():
    some = [piece("d", C.DRESS, (20, 0, 0)), piece("b", C.BOOTS, (20, 0, 0)), piece("k", C.KNIT, (20, 0, 0))]
    assert [one.id for one in packed([*some, some[0]])] == ["b", "k", "d"]
    assert Habits().rests(piece("j", C.TROUSERS, (30, 0, -20), finish=frozenset({Finish.DENIM}))) == 0
    assert Habits(rest=3).rests(piece("t", C.TOP, (90, 0, 0))) == 3
    assert Habits(rest=3).rests(piece("c", C.COAT, (20, 0, 0))) == 0
