"""iCalendar in and out (RFC 5545): what happens on which day, and what is worn to it."""

from collections.abc import Iterable
from dataclasses import dataclass
from datetime import UTC, date, datetime, time, timedelta
from typing import Any

import icalendar
import recurring_ical_events

from lucid_swatch.core.look.kept_look import TimeOfDay
from lucid_swatch.core.problems import Refused

MAX_BYTES = 20_000_000
MOST_EVENTS = 400
"""Events of the days that are asked for; nobody dresses for more."""
EVENING_FROM, EVENING_UNTIL = time(17, 30), time(4)
FORMALITY, OCCASION = "X-LUCID-FORMALITY", "X-LUCID-OCCASION"
"""How formal an event is, and what it is called beside what is worn to it."""
NAME = 120


@dataclass(frozen=True, slots=True)
class Event:
    """Something that happens on a day."""

    on: date
    """By the clock of where it happens."""
    name: str
    begins: time | None
    """None for what takes the whole day."""
    formality: float | None
    """As the calendar itself says it."""
    people: frozenset[str]
    ends: time | None = None
    """None for what takes the whole day, or ends on another one."""

    @property
    def time_of_day(self) -> TimeOfDay:
        """Whether one dresses for the day or the evening."""
        if self.begins is None:
            return TimeOfDay.ANY
        evening = self.begins >= EVENING_FROM or self.begins < EVENING_UNTIL
        return TimeOfDay.EVENING if evening else TimeOfDay.DAY


@dataclass(frozen=True, slots=True)
class Read:
    """What was found in a calendar."""

    events: tuple[Event, ...]
    """In the order of time."""
    problems: tuple[str, ...]
    """Sentences on what could not be read; the rest was."""


def read_calendar(content: bytes, file: str, first: date | None, days: int) -> Read:
    """The events of some days. first: None for the day of the earliest event.

    Refused when it is no calendar. An event that cannot be read is told of and left away."""
    if len(content) > MAX_BYTES:
        raise Refused("the calendar is larger than 20 MB.", file, "Export a shorter stretch of it.")
    try:
        calendar: Any = icalendar.Calendar.from_ical(content)
    except (ValueError, KeyError, IndexError, AttributeError, UnicodeDecodeError):
        raise Refused("this is no calendar.", file, "Export it as iCalendar (.ics).") from None
    problems: list[str] = []
    for one in [one for one in calendar.subcomponents if one.name == "VEVENT" and one.get("DTSTART") is None]:
        problems.append(_unread(one))
        calendar.subcomponents.remove(one)
    if first is None:
        first = min((_day(one["DTSTART"].dt) for one in calendar.walk("VEVENT")), default=None)
    if first is None:
        return Read((), tuple(problems))
    until = first + timedelta(days)
    found = [event for one in _in(calendar, first, until, problems) if (event := _event(one, problems)) is not None]
    found = [event for event in found if first <= event.on < until]
    if len(found) > MOST_EVENTS:
        raise Refused(
            f"{len(found):,} events fall on these days.", file, f"Ask for fewer days; {MOST_EVENTS} can be read."
        )
    found.sort(key=lambda one: (one.on, one.begins or time(0), one.name))
    return Read(tuple(found), tuple(dict.fromkeys(problems)))


def _in(calendar: Any, first: date, until: date, problems: list[str]) -> Iterable[Any]:
    """The events between two days, each repetition by itself; one series that cannot be followed does not stop the rest."""
    try:
        return list(recurring_ical_events.of(calendar).between(first, until))
    except Exception:  # the library has no one error for what it cannot follow
        pass
    series: dict[str, list[Any]] = {}
    for one in calendar.walk("VEVENT"):
        series.setdefault(str(one.get("UID", id(one))), []).append(one)
    zones, found = calendar.walk("VTIMEZONE"), list[Any]()
    for some in series.values():
        alone: Any = icalendar.Calendar()
        for part in (*zones, *some):
            alone.add_component(part)
        try:
            found += recurring_ical_events.of(alone).between(first, until)
        except Exception:
            problems.append(_unread(some[0]))
    return found


def _unread(one: Any) -> str:
    return f"'{_text(one.get('SUMMARY'))}' could not be read: when it is, or how it repeats, makes no sense."


def _event(one: Any, problems: list[str]) -> Event | None:
    name = _text(one.get(OCCASION)) or _text(one.get("SUMMARY")) or "something"
    if str(one.get("STATUS", "")).upper() == "CANCELLED":
        return None
    at = _local(one["DTSTART"].dt)
    formality = None
    if one.get(FORMALITY) is not None:
        try:
            formality = float(str(one[FORMALITY]))
            if not 1 <= formality <= 5:
                raise ValueError
        except ValueError:
            problems.append(
                f"'{name}' says a formality of {_text(one[FORMALITY])}, which is none: it is told from its words."
            )
            formality = None
    begins = at.time() if isinstance(at, datetime) else None
    return Event(_day(at), name, begins, formality, _people(one), _ends(one, at))


def _ends(one: Any, begins: date) -> time | None:
    """When an event ends on the day on which it begins."""
    if not isinstance(begins, datetime):
        return None
    if one.get("DTEND") is not None:
        ends = _local(one["DTEND"].dt)
    elif one.get("DURATION") is not None and isinstance(one["DURATION"].dt, timedelta):
        ends = begins + one["DURATION"].dt
    else:
        return None
    today = isinstance(ends, datetime) and ends.date() == begins.date() and ends.time() > begins.time()
    return ends.time() if isinstance(ends, datetime) and today else None


def _people(one: Any) -> frozenset[str]:
    """Who is invited, as the calendar names them; only whether they are the same counts."""
    told = one.get("ATTENDEE", [])
    return frozenset(str(who).lower() for who in (told if isinstance(told, list) else [told]))


def _local(at: date) -> date:
    """A time by the clock of where it happens: what is told in universal time happens here."""
    if isinstance(at, datetime) and at.tzinfo in (UTC, None) and at.tzinfo is not None:
        return at.astimezone()
    return at


def _day(at: date) -> date:
    here = _local(at)
    return here.date() if isinstance(here, datetime) else here


def _text(value: object) -> str:
    return " ".join(str(value or "").split())[:NAME]


def write_calendar(entries: Iterable[tuple[date, str, str, float | None]]) -> bytes:
    """What is worn on which day, as all-day events. entries: day, what for, what is worn, and how formal it is."""
    calendar = icalendar.Calendar()
    calendar.add("prodid", "-//Lucid Swatch//Plan//EN")
    calendar.add("version", "2.0")
    for number, (on, occasion, worn, formality) in enumerate(entries):
        event = icalendar.Event()
        event.add("uid", f"{on.isoformat()}-{number}@lucid-swatch")
        event.add("dtstamp", datetime.combine(on, time(0), UTC))
        event.add("dtstart", on)
        event.add("dtend", on + timedelta(1))
        event.add("summary", f"{occasion}: {worn}")
        event.add(OCCASION, occasion)
        if formality is not None:
            event.add(FORMALITY, f"{formality:g}")
        calendar.add_component(event)
    content: bytes = calendar.to_ical()
    return content
