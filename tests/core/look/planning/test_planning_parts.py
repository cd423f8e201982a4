"""The parts of a plan: what a name tells, the stages of a day, other looks, what stands against what hangs, the curve."""

from datetime import date, time, timedelta
from itertools import count

import numpy as np
import pytest

from lucid_swatch.core.garment.known import as_known
from lucid_swatch.core.look.dressing.dress import zone_of
from lucid_swatch.core.look.dressing.wardrobe import NOTHING
from lucid_swatch.core.look.kept_look import TimeOfDay
from lucid_swatch.core.look.making.day import CLOTHES, LAYER_FROM
from lucid_swatch.core.look.making.wanted import Wanted
from lucid_swatch.core.look.planning.bags import bags_for
from lucid_swatch.core.look.planning.capsule import Asked, choose_capsule
from lucid_swatch.core.look.planning.curve import curve_of, numbers_round
from lucid_swatch.core.look.planning.days import Day, Habits, Occasion, Weather
from lucid_swatch.core.look.planning.good_looks import good_looks, inside
from lucid_swatch.core.look.planning.occasions import told_by
from lucid_swatch.core.look.planning.plan import Event, Plan
from lucid_swatch.core.look.planning.swap import Elsewhere, best_apart, looks_that_fit
from lucid_swatch.core.look.planning.through_the_day import ON_THE_WAY, stages_of
from lucid_swatch.core.look.planning.troubles import troubles
from lucid_swatch.core.look.planning.week import Slot
from lucid_swatch.core.look.verdict import wholes
from tests.core.look.making.rails import RAIL, rail
from tests.core.look.planning.test_capsule import table

MONDAY = date(2031, 5, 5)
MILD, COLD, TURNING = Weather(14, 18), Weather(-2, 1), Weather(2, 21)


@pytest.mark.parametrize(
    ("name", "own", "word", "span"),
    [
        ("Concert at the harbour", {}, "concert", (3.8, 5.0)),
        ("Two Concerts", {}, "concerts", (3.8, 5.0)),
        ("Something", {}, "", (2.0, 3.5)),
        ("Harbour talk", {"harbour": (1.0, 2.0)}, "harbour", (1.0, 2.0)),
        ("Harbour talk", {"harbour": (1.0, 2.0), "harbour talk": (4.0, 4.5)}, "harbour talk", (4.0, 4.5)),
    ],
)
def test_the_word_that_tells_is_named(name, own, word, span):
    assert told_by(name, own) == (word, span)


def test_a_day_on_which_the_weather_turns_has_stages():
    day = stages_of(TURNING, TimeOfDay.DAY, layered=True)
    assert [stage.when for stage in day] == ["morning", "afternoon"]
    assert day[0].warmth > day[1].warmth
    assert stages_of(MILD, TimeOfDay.DAY, layered=True) == ()
    assert stages_of(TURNING, TimeOfDay.EVENING, layered=True) == ()
    assert stages_of(None, TimeOfDay.DAY, layered=True) == ()
    long = stages_of(MILD, TimeOfDay.DAY, layered=True, long=True)
    assert [stage.when for stage in long] == ["morning", "afternoon", "evening"]
    (way,) = stages_of(COLD, TimeOfDay.EVENING, layered=False)
    assert (way.when, way.formality) == (ON_THE_WAY, None)


def test_what_is_formal_is_worn_inside_when_it_is_cold():
    formal = Wanted(1, formality=(3.8, 5.0), warmth=3.6)
    assert inside(formal).warmth < LAYER_FROM
    for other in (Wanted(1, formality=(1.5, 3.0), warmth=3.6), Wanted(1, formality=(3.8, 5.0), warmth=1.0), Wanted(1)):
        assert inside(other) is other


def on(day, occasion, weather=MILD):
    return Day(MONDAY + timedelta(day), (occasion,), weather)


def ids_of(good, row):
    return {good.pieces[k].id for k in row.tolist() if k != NOTHING}


ANY = Occasion("anything", (1.0, 5.0))


def test_other_looks_hold_nothing_that_rests_or_was_seen():
    good, habits = good_looks(rail()), Habits()
    free = looks_that_fit(good, on(1, ANY), ANY, [], habits)
    assert free.sum() == good.suiting(on(1, ANY).asks(ANY)).sum() > 0
    worn = ids_of(good, good.rows[free][0])
    near = Elsewhere(MONDAY, frozenset(), frozenset(worn))
    fit = looks_that_fit(good, on(1, ANY), ANY, [near], habits)
    resting = {piece.id for piece in good.pieces if piece.id in worn and habits.rests(piece) >= 1}
    assert resting
    assert all(not ids_of(good, row) & resting for row in good.rows[fit])
    assert fit.sum() == sum(not ids_of(good, row) & resting for row in good.rows[free])
    far = Elsewhere(MONDAY - timedelta(30), frozenset({"quartet"}), frozenset(worn))
    same = Occasion("again", (1.0, 5.0), people=frozenset({"quartet"}))
    seen = looks_that_fit(good, on(1, same), same, [far], habits)
    clothes = {id for id in worn if "shoes" not in id}
    assert all(not {id for id in ids_of(good, row) if "shoes" not in id} <= clothes for row in good.rows[seen])
    assert 0 < seen.sum() < free.sum()


def test_the_best_apart_differ_in_their_clothes_and_from_what_hangs_there():
    good = good_looks(rail())
    fit = np.ones(len(good.rows), dtype=bool)
    slot = Slot(0, ANY, on(0, ANY).asks(ANY))
    hangs = frozenset(ids_of(good, good.rows[int(np.argmax(good.wholes))]))
    found = best_apart(good, fit, slot, 4, [hangs])
    assert len(found) == 4
    by_id = {piece.id: piece for piece in RAIL}
    own = [
        frozenset(id for id in ids if zone_of(by_id[id].category) in CLOTHES)
        for ids in (hangs, *(w.piece_ids for w in found))
    ]
    assert len(set(own)) == 5
    assert best_apart(good, np.zeros(len(fit), dtype=bool), slot, 4, []) == []


def test_a_look_that_is_locked_is_there_whether_it_is_good_or_not():
    good = table(0, 3, 2, 1, 2, 1, 0.25)
    held = {frozenset(ids_of(good, row)) for row in good.rows}
    stranger = [piece for piece in RAIL if piece.id in ("wine knit", "tan skirt", "navy shoes")]
    more = good.with_look(stranger, 12.0)
    assert len(more.rows) == len(good.rows) + 1
    assert ids_of(more, more.rows[-1]) == {piece.id for piece in stranger}
    assert {frozenset(ids_of(more, row)) for row in more.rows[:-1]} == held
    assert more.with_look(stranger, 12.0) is more


def test_what_stands_against_what_hangs_is_said():
    known = {piece.id: as_known(piece) for piece in RAIL}
    look = ("navy top", "grey skirt", "navy shoes")
    events = [
        Event("a", MONDAY, "train", piece_ids=look, people=("quartet",)),
        Event("b", MONDAY + timedelta(1), "talk", piece_ids=("navy top", "navy trousers", "tan shoes", "gone")),
        Event("c", MONDAY + timedelta(20), "talk", piece_ids=look, people=("quartet",)),
    ]
    rain = {event.on: Day(event.on, (), Weather(12, 16, 8.0)) for event in events}
    away = Habits(away={"grey skirt": MONDAY})
    said = troubles(events, rain, known, away, {event.id: ANY for event in events})
    assert any(
        "Navy top: on Tue 6 May as well" in one for one in map(str.capitalize, said["a"]) if "6 may" in one
    ) or any("6 May as well" in one for one in said["a"])
    assert any("suede" in one for one in said["a"])
    assert any("away until 5 May" in one for one in said["a"])
    assert any("The same people see these clothes on Sun 25 May" in one for one in said["a"])
    assert "A piece of it hangs there no more." in said["b"]
    dry = {event.on: Day(event.on, (), MILD) for event in events}
    assert troubles(events[:1], dry, known, Habits(), {"a": ANY}) == {}


@pytest.mark.parametrize(
    ("begins", "ends", "long"),
    [
        ("09:00", "22:00", True),
        ("09:00", "17:00", False),
        ("19:30", "22:00", False),
        ("09:00", None, False),
        (None, None, False),
    ],
)
def test_a_day_is_long_that_goes_on_into_the_evening(begins, ends, long):
    at = [None if one is None else time.fromisoformat(one) for one in (begins, ends)]
    assert Event("e", MONDAY, "fair", begins=at[0], ends=at[1]).is_long is long


def test_a_plan_that_makes_no_sense_is_refused():
    def plan(**values):
        return Plan("p", "maren", "Tour", MONDAY, None, **values)

    assert plan(days=3).dates == (MONDAY, MONDAY + timedelta(1), MONDAY + timedelta(2))
    for wrong in ({"days": 0}, {"days": 61}, {"rest": 31}, {"events": (Event("e", MONDAY, "x"),) * 401}):
        with pytest.raises(ValueError, match=r"\d"):
            plan(**wrong)


def test_the_curve_rises_and_every_point_of_it_is_the_best():
    good = good_looks(rail())
    ticks = count()
    told = []

    def tell(share, curve):
        told.append((share, [one.looks for one in curve]))
        return True

    curve = curve_of(good, Asked(6), tell, lambda: float(next(ticks)) / 1000)
    numbers = numbers_round(6, good, 0)
    assert [one.asked_for for one in curve] == numbers
    assert all(one.proven for one in curve)
    looks = [one.looks for one in curve]
    assert looks == sorted(looks)
    for one in curve[:3]:
        assert one.looks == choose_capsule(good, Asked(one.asked_for)).looks
    shares = [share for share, _ in told]
    assert shares == sorted(shares)
    assert shares[-1] == 1.0
    # the number that was asked for stands there first
    assert len(told[0][1]) == 1


def test_the_curve_is_stopped_and_what_is_known_stays():
    good = good_looks(rail())
    curve = curve_of(good, Asked(6), lambda share, known: len(known) < 3, lambda: 0.0)
    assert len(curve) == 3
    late = iter([0.0, *[1e6] * 100])
    hurried = curve_of(good, Asked(6), lambda share, known: True, lambda: next(late))
    assert [one.asked_for for one in hurried] == numbers_round(6, good, 0)


def test_the_bag_that_goes_with_most_looks_is_taken():
    wardrobe = rail()
    good = good_looks(wardrobe)
    capsule = choose_capsule(good, Asked(7))
    one = bags_for(wardrobe, good, capsule, 1)
    assert len(one) == 1
    chosen = np.array([piece.id in capsule.piece_ids for piece in good.pieces], dtype=bool)
    rows = good.rows[good.within(chosen)]

    def worth(bag):
        looks = [wardrobe.look("x", (*ids_of(good, row), bag)) for row in rows]
        return float(wholes(looks).sum())

    assert worth(one[0]) == pytest.approx(max(worth("tan bag"), worth("navy bag")), rel=0.01)
    assert bags_for(wardrobe, good, capsule, 0) == ()
    assert set(bags_for(wardrobe, good, capsule, 5)) <= {"tan bag", "navy bag"}
