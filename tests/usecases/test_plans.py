"""Plans: a calendar read, days filled, looks locked, swapped and worn, every step taken back."""

from datetime import UTC, date, datetime, timedelta

import pytest

from lucid_swatch.core.look.dressing.outfits import GOOD
from lucid_swatch.core.look.kept_look import TimeOfDay
from lucid_swatch.core.look.planning.days import Weather
from lucid_swatch.core.look.planning.kept_capsule import CapsuleWish
from lucid_swatch.core.look.wearing.wear import Felt
from lucid_swatch.core.problems import NotThere, Refused
from lucid_swatch.outside.forecast_stand_in import ForecastStandIn
from lucid_swatch.store.jobs import Jobs
from lucid_swatch.store.pieces import Pieces
from lucid_swatch.store.plans import Plans
from lucid_swatch.store.records import HungPiece
from lucid_swatch.store.wears import Wears
from lucid_swatch.usecases.capsules import begin_capsule, make_capsule
from lucid_swatch.usecases.changes import redo, undo
from lucid_swatch.usecases.filling import begin_filling, fill_plan, other_looks, set_down_unfilled, stop_filling
from lucid_swatch.usecases.jobs import do_job
from lucid_swatch.usecases.occasion_words import forget_word, own_words, teach_word
from lucid_swatch.usecases.plan_out import plan_calendar, plan_paper, plan_table
from lucid_swatch.usecases.plans import (
    EventChange,
    PlanChange,
    add_event,
    ask_forecast,
    begin_plan,
    change_event,
    change_plan,
    let_plan_go,
    plan_from_calendar,
    plan_from_table,
    read_in,
    set_weather,
    shown_plan,
    swap,
    take_event_off,
    take_forecast,
    wear_planned,
)
from lucid_swatch.usecases.wear_log import ToLog, log
from tests.core.look.making.rails import RAIL
from tests.formats.test_calendar import calendar
from tests.usecases.rails import NOW, a_client

FIRST = datetime.now(UTC).date() - timedelta(3)
MILD = Weather(13, 18)


@pytest.fixture
def maren(sessions):
    with sessions.begin() as session:
        client = a_client(session)
        for piece in RAIL:
            Pieces(session).add(HungPiece(piece, client, NOW))
    return client


@pytest.fixture
def plan(sessions, maren):
    """Three days with four occasions, in mild weather."""
    with sessions.begin() as session:
        id = begin_plan(session, maren, "Tour", FIRST, 3).id
        for day, name in ((0, "Train"), (0, "Dinner"), (1, "Office"), (2, "Gallery")):
            add_event(session, id, FIRST + timedelta(day), name, TimeOfDay.DAY)
            set_weather(session, id, FIRST + timedelta(day), MILD)
    return id


def filled(sessions, id):
    with sessions.begin() as session:
        begin_filling(session, id)
    fill_plan(sessions, id)
    with sessions() as session:
        return shown_plan(session, id)


def at(sessions, id):
    with sessions() as session:
        return Plans(session).get(id)


def one(sessions, id, name):
    return next(event for event in at(sessions, id).events if event.name == name)


def test_every_day_is_filled_rested_and_packed(sessions, maren, plan):
    found = filled(sessions, plan)
    assert [shown.event.name for shown in found.events] == ["Train", "Dinner", "Office", "Gallery"]
    assert all(shown.event.piece_ids and shown.whole >= GOOD for shown in found.events)
    assert all(not shown.amiss for shown in found.events)
    assert found.plan.unmet == ()
    assert found.travels == found.events[0].event.piece_ids
    assert not {piece.id for piece in found.case} & set(found.travels)
    worn = {id for shown in found.events for id in shown.event.piece_ids}
    assert {piece.id for piece in found.case} == worn - set(found.travels)
    assert all(count > 1 for count in found.often.values())
    with sessions() as session:
        assert Jobs(session).of_client(maren) == []


def test_what_is_locked_stays_and_the_rest_is_filled_round_it(sessions, maren, plan):
    filled(sessions, plan)
    office = one(sessions, plan, "Office")
    look = ("cream shirt", "tan skirt", "tan shoes")
    with sessions.begin() as session:
        change_event(session, plan, office.id, EventChange(piece_ids=look, locked=True))
    found = filled(sessions, plan)
    kept = next(shown.event for shown in found.events if shown.event.name == "Office")
    assert (kept.piece_ids, kept.locked) == (look, True)
    for shown in found.events:
        if shown.event.name != "Office":
            assert not set(shown.event.piece_ids) & set(look), "what is worn there rests"


def test_looks_change_places_are_taken_off_and_everything_is_taken_back(sessions, maren, plan):
    filled(sessions, plan)
    before = at(sessions, plan)
    train, office = one(sessions, plan, "Train"), one(sessions, plan, "Office")
    with sessions.begin() as session:
        swap(session, plan, train.id, office.id)
    assert one(sessions, plan, "Train").piece_ids == office.piece_ids
    with sessions.begin() as session:
        change_event(session, plan, train.id, EventChange(piece_ids=()))
        take_event_off(session, plan, office.id)
    assert one(sessions, plan, "Train").piece_ids == ()
    with sessions.begin() as session:
        told = [undo(session, maren).told for _ in range(3)]
    assert at(sessions, plan) == before
    assert told[0].startswith("took 'Office' off")
    with sessions.begin() as session:
        for _ in range(3):
            redo(session, maren)
    assert len(at(sessions, plan).events) == 3


def test_other_looks_fit_while_the_other_days_stay(sessions, plan):
    with sessions.begin() as session:
        change_plan(session, plan, PlanChange(rest=0))
    filled(sessions, plan)
    office = one(sessions, plan, "Office")
    with sessions() as session:
        fit, looks = other_looks(session, plan, office.id)
    assert fit >= len(looks) > 0
    assert all(whole > 0 for _, whole in looks)
    assert all(set(ids) != set(office.piece_ids) for ids, _ in looks)
    with sessions.begin() as session:
        change_event(session, plan, office.id, EventChange(piece_ids=looks[0][0]))
        (shown,) = [one for one in shown_plan(session, plan).events if one.event.id == office.id]
    assert (shown.event.piece_ids, shown.amiss) == (looks[0][0], ())


def test_a_calendar_becomes_a_plan_and_joins_one(sessions, maren):
    content = calendar(
        ("DTSTART:20310505T090000", "SUMMARY:Train"),
        ("DTSTART:20310506T193000", "SUMMARY:Concert", "X-LUCID-FORMALITY:4.5", "ATTENDEE:mailto:hall@example.org"),
        ("SUMMARY:Nobody knows when",),
    )
    with sessions.begin() as session:
        plan, problems = plan_from_calendar(session, maren, content, "Northern_tour.ics", date(2031, 5, 1))
    assert (plan.name, plan.first, plan.days) == ("Northern tour", date(2031, 5, 5), 2)
    assert [(e.name, e.time, e.formality) for e in plan.events] == [
        ("Train", TimeOfDay.DAY, None),
        ("Concert", TimeOfDay.EVENING, (4.0, 5.0)),
    ]
    assert plan.events[1].people == ("mailto:hall@example.org",)
    assert len(problems) == 1
    with sessions.begin() as session:
        again, added, _ = read_in(session, plan.id, content, "again.ics")
        assert (added, len(again.events)) == (0, 2), "what is there stays as it is"
        more = calendar(
            ("DTSTART;VALUE=DATE:20310505", "SUMMARY:Name day"), ("DTSTART:20310601T090000", "SUMMARY:Later")
        )
        joined, added, _ = read_in(session, plan.id, more, "more.ics")
    assert (added, len(joined.events)) == (1, 3)
    far = calendar(("DTSTART:20250505T090000", "SUMMARY:Long ago"), ("DTSTART:20310906T193000", "SUMMARY:Premiere"))
    with sessions.begin() as session:
        ahead, _ = plan_from_calendar(session, maren, far, "far.ics", date(2031, 5, 1))
    assert [event.name for event in ahead.events] == ["Premiere"], "what is still to come goes before what was"
    with sessions.begin() as session, pytest.raises(Refused, match="nothing happens"):
        plan_from_calendar(session, maren, calendar(), "empty.ics", date(2031, 5, 1))


def test_a_word_is_mended_once_and_for_all(sessions, maren, plan):
    def office():
        with sessions() as session:
            return next(s for s in shown_plan(session, plan).events if s.event.name == "Office")

    assert (office().told_by, office().span) == ("office", (2.4, 3.8))
    with sessions.begin() as session:
        teach_word(session, maren, " Office ", (4.0, 5.0))
    assert office().span == (4.0, 5.0)
    with sessions.begin() as session:
        undo(session, maren)
    assert office().span == (2.4, 3.8)
    with sessions.begin() as session:
        redo(session, maren)
        forget_word(session, maren, "office")
        assert own_words(session) == {}
        with pytest.raises(NotThere):
            forget_word(session, maren, "office")
        for word, span in (("", (1, 2)), ("x" * 61, (1, 2)), ("gala", (4, 2)), ("gala", (0, 2))):
            with pytest.raises(Refused):
                teach_word(session, maren, word, span)


def test_the_weather_is_asked_for_read_and_written_by_hand(sessions, plan):
    with sessions.begin() as session:
        asked = ask_forecast(session, ForecastStandIn(), plan, " Vennby ")
    assert (asked.place, set(asked.weather)) == ("Vennby", set(asked.dates))
    one_day = f'{{"place": "Ostrand", "days": [{{"on": "{FIRST}", "low": -8, "high": -2, "rain": 3}}]}}'
    with sessions.begin() as session:
        read = take_forecast(session, plan, one_day.encode(), "weather.json")
    assert read.weather[FIRST] == Weather(-8, -2, 3)
    assert read.weather[FIRST + timedelta(1)] == asked.weather[FIRST + timedelta(1)], "what it does not tell of stays"
    with sessions.begin() as session:
        assert FIRST not in set_weather(session, plan, FIRST, None).weather
        elsewhere = one_day.replace(str(FIRST), "1999-01-01")
        with pytest.raises(Refused, match="none of these days"):
            take_forecast(session, plan, elsewhere.encode(), "old.json")
        with pytest.raises(Refused):
            take_forecast(session, plan, b"{", "broken.json")
        with pytest.raises(Refused, match="no place"):
            ask_forecast(session, ForecastStandIn(), plan, " ")


def test_a_day_on_which_the_weather_turns_is_dressed_for_in_stages(sessions, plan):
    filled(sessions, plan)
    gallery = one(sessions, plan, "Gallery")
    with sessions.begin() as session:
        change_event(
            session, plan, gallery.id, EventChange(piece_ids=("navy top", "grey skirt", "navy shoes", "navy coat"))
        )
        set_weather(session, plan, gallery.on, Weather(3, 21))
    (morning, afternoon) = one(sessions, plan, "Gallery").stages
    assert "navy coat" in morning.piece_ids
    assert "navy coat" not in afternoon.piece_ids
    with sessions.begin() as session:
        set_weather(session, plan, gallery.on, MILD)
    assert one(sessions, plan, "Gallery").stages == ()


def test_what_was_worn_goes_into_the_log_and_stays_on_its_day(sessions, maren, plan):
    filled(sessions, plan)
    train = one(sessions, plan, "Train")
    with sessions.begin() as session:
        wear = wear_planned(session, plan, train.id, Felt.LOVED)
        assert (wear.on, wear.piece_ids, wear.weather) == (FIRST, train.piece_ids, MILD)
        with pytest.raises(Refused, match="already"):
            wear_planned(session, plan, train.id, None)
        shown = next(s for s in shown_plan(session, plan).events if s.event.id == train.id)
        assert shown.worn.felt is Felt.LOVED
    filled(sessions, plan)
    assert one(sessions, plan, "Train").piece_ids == train.piece_ids, "what was worn cannot be worn otherwise"
    with sessions.begin() as session:
        let_plan_go(session, plan)
    with sessions() as session:
        assert len(Wears(session).of_client(maren)) == 1
    with sessions.begin() as session:
        undo(session, maren)
        change_event(session, plan, train.id, EventChange(piece_ids=()))
        with pytest.raises(Refused, match="no look hangs"):
            wear_planned(session, plan, train.id, None)


def test_what_was_worn_the_day_before_rests(sessions, maren, plan):
    rested = ("cream shirt", "navy trousers")
    with sessions.begin() as session:
        log(session, maren, ToLog(FIRST - timedelta(1), rested))
    first = filled(sessions, plan).events[0].event
    assert not set(first.piece_ids) & set(rested)


def test_a_plan_is_dressed_from_a_capsule(sessions, maren, plan):
    with sessions.begin() as session:
        capsule = begin_capsule(session, maren, "Seven", 7, CapsuleWish()).id
    make_capsule(sessions, capsule)
    with sessions.begin() as session:
        from lucid_swatch.store.capsules import Capsules

        kept = Capsules(session).get(capsule)
        change_plan(session, plan, PlanChange(capsule=capsule))
    inside = {*kept.here.piece_ids, *kept.bag_ids}
    clothes = {
        "cream shirt",
        "navy top",
        "grey knit",
        "wine knit",
        "navy trousers",
        "grey skirt",
        "tan skirt",
        "navy dress",
    }
    for shown in filled(sessions, plan).events:
        assert set(shown.event.piece_ids) & clothes <= inside


def test_days_rest_and_what_is_away_are_kept_to(sessions, plan):
    with sessions.begin() as session:
        change_plan(session, plan, PlanChange(away={"navy top": FIRST + timedelta(2)}, rest=2, ticked=("tan bag",)))
    found = filled(sessions, plan)
    assert all("navy top" not in shown.event.piece_ids for shown in found.events)
    assert (found.plan.rest, found.plan.ticked) == (2, ("tan bag",))
    with sessions.begin() as session:
        back = change_plan(
            session, plan, PlanChange(away={"navy top": None}, usual_rest=True, first=FIRST - timedelta(7))
        )
    assert (back.away, back.rest) == ({}, None)
    assert [event.on for event in back.ordered][-1] == FIRST - timedelta(5), "occasions go with the first day"
    with sessions.begin() as session:
        with pytest.raises(Refused, match="Gallery"):
            change_plan(session, plan, PlanChange(days=2))
        with pytest.raises(Refused, match="61"):
            change_plan(session, plan, PlanChange(days=61))
        with pytest.raises(Refused, match="no name"):
            change_plan(session, plan, PlanChange(name=" "))


def test_what_cannot_be_is_refused_by_name(sessions, plan):
    office = one(sessions, plan, "Office")
    with sessions.begin() as session:
        for said, what in (
            (EventChange(formality=(4, 2)), "formality"),
            (EventChange(on=FIRST + timedelta(9)), "no day of it"),
            (EventChange(name=" "), "no name"),
        ):
            with pytest.raises(Refused, match=what):
                change_event(session, plan, office.id, said)
        with pytest.raises(NotThere, match="not on the client's rail"):
            change_event(session, plan, office.id, EventChange(piece_ids=("stranger",)))
        with pytest.raises(NotThere, match="no such occasion"):
            change_event(session, plan, "nobody", EventChange(name="x"))
        with pytest.raises(Refused, match="no day of it"):
            add_event(session, plan, FIRST - timedelta(1), "Too early")
        empty = begin_plan(session, at(sessions, plan).client_id, "Empty", FIRST)
        with pytest.raises(Refused, match="nothing happens"):
            begin_filling(session, empty.id)


def test_a_day_without_a_look_is_named_with_what_would_meet_it(sessions, plan):
    office = one(sessions, plan, "Office")
    with sessions.begin() as session:
        change_event(session, plan, office.id, EventChange(formality=(5.0, 5.0)))
    found = filled(sessions, plan)
    (told,) = found.plan.unmet
    assert "Office" in told
    assert next(s for s in found.events if s.event.name == "Office").event.piece_ids == ()
    assert sum(bool(s.event.piece_ids) for s in found.events) == 3


def test_filling_is_a_job_that_can_be_stopped_and_set_down(sessions, folder, plan):
    with sessions.begin() as session:
        begin_filling(session, plan)
        stop_filling(session, plan)
    assert do_job(sessions, folder, None, plan) == []
    assert all(not event.piece_ids for event in at(sessions, plan).events)
    with sessions.begin() as session:
        begin_filling(session, plan)
    assert do_job(sessions, folder, None, plan) == []
    assert all(event.piece_ids for event in at(sessions, plan).events)
    with sessions.begin() as session:
        begin_filling(session, plan)
    set_down_unfilled(sessions, plan, Refused("x", "y", "z"))
    assert "could not be filled" in at(sessions, plan).unmet[0]


def test_a_plan_goes_out_for_a_calendar_as_a_table_and_on_paper(sessions, maren, plan):
    filled(sessions, plan)
    with sessions() as session:
        name, content = plan_calendar(session, plan)
        _, table = plan_table(session, plan)
        _, paper = plan_paper(session, plan)
    assert name == "Tour"
    with sessions.begin() as session:
        back, problems = plan_from_calendar(session, maren, content, "tour.ics", FIRST)
    assert problems == ()
    assert {(e.on, e.name) for e in back.events} == {(e.on, e.name) for e in at(sessions, plan).events}
    rows = table.splitlines()
    assert len(rows) == 5
    assert rows[1].startswith(f"{FIRST},Train,1.5,3,day,,,,13,18,0,")
    assert paper.startswith(b"%PDF")
    assert len(paper) > 3000


def test_a_plan_that_went_out_as_a_table_comes_back_with_its_looks(sessions, maren, plan):
    with sessions.begin() as session:
        add_event(session, plan, FIRST + timedelta(2), '"Late; loud", =party', TimeOfDay.EVENING)
        change_plan(session, plan, PlanChange(days=5))
        change_event(session, plan, one(sessions, plan, "Dinner").id, EventChange(people=("Ada", "Bo")))
    filled(sessions, plan)
    with sessions.begin() as session:
        change_event(session, plan, one(sessions, plan, "Office").id, EventChange(locked=True))
    with sessions() as session:
        _, table = plan_table(session, plan)
    assert len(table.splitlines()) == 1 + 5 + 2  # a line for each occasion, and for the two empty days
    with sessions.begin() as session:
        back, problems = plan_from_table(session, maren, table.encode(), "northern_tour.csv")
    assert (problems, back.name, back.first, back.days) == ((), "northern tour", FIRST, 5)
    with sessions() as session:
        assert plan_table(session, back.id)[1] == table
    lines = table.splitlines()
    strange = "\n".join([lines[0], lines[1].replace(one(sessions, plan, "Train").piece_ids[0], "ghost")])
    with sessions.begin() as session:
        back, problems = plan_from_table(session, maren, strange.encode(), "x.csv")
    assert problems == ("Line 2: 'ghost' is no piece of this rail, so nothing hangs there.",)
    assert [event.piece_ids for event in back.events] == [()]


@pytest.mark.parametrize(
    ("table", "said"),
    [
        ("when,what\n", "no plan"),
        ("on,occasion\n", "no day"),
        ("on,occasion\nsoon,Tea\n", "'soon' is no day"),
        ("on,occasion,from,to\n2031-05-04,Tea,5,2\n", "formality"),
        ("on,occasion,begins\n2031-05-04,Tea,noon\n", "time"),
        ("on,occasion,low,high\n2031-05-04,Tea,20,10\n", "weather"),
        ("on,occasion\n2031-05-04,Tea\n2033-05-04,Tea\n", "1 to 60 days"),
    ],
)
def test_a_table_that_is_no_plan_is_refused_in_words(sessions, maren, table, said):
    with pytest.raises(Refused, match=said), sessions.begin() as session:
        plan_from_table(session, maren, table.encode(), "x.csv")


def test_pieces_that_went_are_told_of_and_nothing_breaks(sessions, plan):
    filled(sessions, plan)
    train = one(sessions, plan, "Train")
    with sessions.begin() as session:
        Pieces(session).remove(train.piece_ids[0])
    with sessions() as session:
        shown = next(s for s in shown_plan(session, plan).events if s.event.id == train.id)
        assert shown.whole is None
        assert "A piece of it hangs there no more." in shown.amiss
        for write in (plan_calendar, plan_table, plan_paper):
            assert write(session, plan)[1]
    assert any(shown.event.piece_ids for shown in filled(sessions, plan).events)
