"""Calendars in and out: repetitions, whole days, zones, and what is strange in them."""

from datetime import date, time, timedelta

import pytest

from lucid_swatch.core.look.kept_look import TimeOfDay
from lucid_swatch.core.problems import Refused
from lucid_swatch.formats.calendar import MOST_EVENTS, read_calendar, write_calendar

MONDAY = date(2031, 5, 5)


def calendar(*events):
    lines = ["BEGIN:VCALENDAR", "VERSION:2.0", "PRODID:-//test//EN"]
    for number, event in enumerate(events):
        lines += ["BEGIN:VEVENT", f"UID:{number}", *event, "END:VEVENT"]
    return "\r\n".join([*lines, "END:VCALENDAR", ""]).encode()


def read(*events, first=MONDAY, days=7):
    return read_calendar(calendar(*events), "tour.ics", first, days)


def test_events_come_on_their_days_in_order_with_their_hour():
    found = read(
        ("DTSTART:20310506T193000", "SUMMARY:Concert"),
        ("DTSTART;VALUE=DATE:20310506", "SUMMARY:Name day"),
        ("DTSTART:20310505T090000", "SUMMARY:Train"),
        ("DTSTART:20310520T090000", "SUMMARY:Later"),
    )
    assert [(one.on - MONDAY, one.name, one.time_of_day) for one in found.events] == [
        (timedelta(0), "Train", TimeOfDay.DAY),
        (timedelta(1), "Name day", TimeOfDay.ANY),
        (timedelta(1), "Concert", TimeOfDay.EVENING),
    ]
    assert found.problems == ()


def test_what_repeats_without_end_is_read_for_the_days_that_are_asked_for():
    found = read(("DTSTART:20200101T100000", "SUMMARY:Rehearsal", "RRULE:FREQ=DAILY", "EXDATE:20310507T100000"))
    assert [one.on for one in found.events] == [MONDAY + timedelta(k) for k in (0, 1, 3, 4, 5, 6)]


def test_a_change_of_summer_time_moves_no_event_to_another_day_or_hour():
    zone = ("DTSTART;TZID=Europe/Berlin:20310329T193000", "SUMMARY:Concert", "RRULE:FREQ=DAILY;COUNT=3")
    found = read(zone, first=date(2031, 3, 29), days=4)
    assert [(one.on.day, one.begins) for one in found.events] == [
        (29, time(19, 30)),
        (30, time(19, 30)),
        (31, time(19, 30)),
    ]


def test_one_event_that_makes_no_sense_is_told_of_and_the_rest_is_read():
    found = read(
        ("DTSTART:20310505T090000", "SUMMARY:Broken", "RRULE:FREQ=NEVER"),
        ("DTSTART:20310506T090000", "SUMMARY:Whole"),
        ("SUMMARY:Without a day",),
        ("DTSTART:20310507T090000", "SUMMARY:Called off", "STATUS:CANCELLED"),
    )
    assert [one.name for one in found.events] == ["Whole"]
    told = "could not be read: when it is, or how it repeats, makes no sense."
    assert found.problems == (f"'Without a day' {told}", f"'Broken' {told}")


def test_a_calendar_says_itself_how_formal_it_is_and_who_comes():
    found = read(
        ("DTSTART:20310505T200000", "SUMMARY:Gala", "X-LUCID-FORMALITY:4.5", "ATTENDEE:mailto:Tilde@example.org"),
        ("DTSTART:20310506T200000", "SUMMARY:Odd", "X-LUCID-FORMALITY:grand"),
    )
    gala, odd = found.events
    assert (gala.formality, gala.people) == (4.5, frozenset({"mailto:tilde@example.org"}))
    assert odd.formality is None
    assert "says a formality of grand" in found.problems[0]


def test_the_first_event_says_where_the_days_begin_where_nobody_does():
    found = read(("DTSTART:20310506T100000", "SUMMARY:One"), ("DTSTART:20310520T100000", "SUMMARY:Two"), first=None)
    assert [one.name for one in found.events] == ["One"]
    assert read(first=None).events == ()


@pytest.mark.parametrize("content", [b"", b"no calendar", b"\xff\xfe\x00", b"BEGIN:VCALENDAR\r\nBEGIN:VEVENT\r\n"])
def test_what_is_no_calendar_is_refused(content):
    with pytest.raises(Refused, match="no calendar"):
        read_calendar(content, "notes.txt", MONDAY, 7)


def test_ten_thousand_events_elsewhere_are_no_trouble_and_too_many_here_are_refused():
    many = [(f"DTSTART:2031{k % 4 + 7:02d}{k % 28 + 1:02d}T100000", f"SUMMARY:E{k}") for k in range(10_000)]
    assert [one.name for one in read(*many, ("DTSTART:20310506T100000", "SUMMARY:Here")).events] == ["Here"]
    crowd = [("DTSTART:20310506T100000", f"SUMMARY:E{k}") for k in range(MOST_EVENTS + 1)]
    with pytest.raises(Refused, match="fewer days"):
        read(*crowd)


def test_what_is_written_is_read_again():
    written = write_calendar(
        [(MONDAY, "Concert", "Black dress, Flat shoes", 4.5), (MONDAY, "Dinner; late", "Knit", None)]
    )
    found = read_calendar(written, "plan.ics", None, 7)
    assert [(one.name, one.formality) for one in found.events] == [("Concert", 4.5), ("Dinner; late", None)]
    assert b"SUMMARY:Concert: Black dress" in written


@pytest.mark.parametrize(
    ("until", "ends"),
    [
        ("DTEND:20310505T220000", time(22)),
        ("DURATION:PT3H", time(12)),
        ("DTEND:20310506T010000", None),
        ("SUMMARY:Talk", None),
    ],
)
def test_when_an_event_ends_on_its_day(until, ends):
    (event,) = read(("DTSTART:20310505T090000", until)).events
    assert event.ends == ends
