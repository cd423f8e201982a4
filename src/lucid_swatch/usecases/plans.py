"""Plans: days with what happens on them, the weather, and the looks that hang there; changed, swapped, locked, let go."""

from collections.abc import Iterator, Mapping, Sequence
from contextlib import contextmanager
from dataclasses import dataclass, replace
from datetime import UTC, date, datetime, timedelta
from typing import Any, Protocol
from uuid import uuid4

from sqlalchemy.orm import Session

from lucid_swatch.core.garment.known import as_known
from lucid_swatch.core.garment.piece import Piece
from lucid_swatch.core.look.kept_look import TimeOfDay
from lucid_swatch.core.look.planning.case import packed
from lucid_swatch.core.look.planning.days import Weather
from lucid_swatch.core.look.planning.occasions import Span, about, told_by
from lucid_swatch.core.look.planning.plan import MOST_EVENTS, Event, Plan
from lucid_swatch.core.look.planning.troubles import troubles
from lucid_swatch.core.look.verdict import DIGITS, wholes
from lucid_swatch.core.look.wearing.wear import Felt, Wear
from lucid_swatch.core.problems import NotThere, Refused
from lucid_swatch.formats.calendar import Event as Read
from lucid_swatch.formats.calendar import read_calendar
from lucid_swatch.formats.document import json_content, parse
from lucid_swatch.formats.forecast import ForecastDocument
from lucid_swatch.formats.planned import read_plan
from lucid_swatch.store.capsules import Capsules
from lucid_swatch.store.clients import Clients
from lucid_swatch.store.jobs import Jobs
from lucid_swatch.store.pieces import Pieces
from lucid_swatch.store.plans import Plans
from lucid_swatch.store.wears import Wears

from .changes import recorded
from .dressed_days import days_of_plan
from .filling import event_of, with_look
from .occasion_words import own_words
from .wear_log import ToLog, by_name, log

USUAL_DAYS, FROM_A_CALENDAR = 7, 14
"""Days of a plan where nobody says, and those that are read of a calendar at once."""
AHEAD = (30, 120, 400)
"""Days in which what is still to come is looked for, the next ones first."""


class Forecasts(Protocol):
    """A weather service."""

    def of(self, place: str, first: date, days: int) -> dict[str, Any]:
        """The weather of some days in the open format. ValueError where it cannot be told."""


def begin_plan(
    session: Session, client_id: str, name: str, first: date, days: int = USUAL_DAYS, place: str = ""
) -> Plan:
    """A plan of days on which nothing happens yet. Refused for a number of days that cannot be."""
    Clients(session).get(client_id)
    with _making_sense():
        plan = Plan(uuid4().hex, client_id, _named(name), first, datetime.now(UTC), days, place.strip())
    with recorded(session, client_id, f"began the plan '{plan.name}'") as change:
        change.touches("plan", plan.id)
        Plans(session).add(plan)
    return plan


@contextmanager
def _making_sense() -> Iterator[None]:
    """Numbers that make no sense are refused where they are made."""
    try:
        yield
    except ValueError as problem:
        raise Refused(f"{problem}.", "plan", "Change it.") from None


def _named(name: str) -> str:
    if not name.strip():
        raise Refused("the plan has no name.", "name", "Write what it is, such as 'Northern tour'.")
    return name.strip()


@dataclass(frozen=True, slots=True)
class PlanChange:
    """What changes on a plan; None for what stays."""

    name: str | None = None
    first: date | None = None
    days: int | None = None
    place: str | None = None
    rest: int | None = None
    usual_rest: bool = False
    """Whether everything rests as such pieces usually do again."""
    capsule: str | None = None
    """Id of the capsule that it is dressed from; empty for the whole rail."""
    away: Mapping[str, date | None] | None = None
    """Days until which pieces are away, by id; None for one that is back."""
    ticked: tuple[str, ...] | None = None


def change_plan(session: Session, id: str, said: PlanChange) -> Plan:
    """Changes what a plan is. Occasions go with its first day. Refused where the numbers make no sense."""
    plan = Plans(session).get(id)
    if said.capsule:
        capsule = Capsules(session).get(said.capsule)
        if capsule.client_id != plan.client_id:
            raise NotThere("this capsule is another client's.", capsule.name, "Load the page again.")
    first = said.first or plan.first
    moved = first - plan.first
    away = {**plan.away, **(said.away or {})}
    with _making_sense():
        now = replace(
            plan,
            name=plan.name if said.name is None else _named(said.name),
            first=first,
            days=said.days or plan.days,
            place=plan.place if said.place is None else said.place.strip(),
            rest=None if said.usual_rest else plan.rest if said.rest is None else said.rest,
            capsule=plan.capsule if said.capsule is None else said.capsule or None,
            away={piece: until for piece, until in away.items() if until is not None},
            ticked=plan.ticked if said.ticked is None else said.ticked,
            events=plan.events if not moved else tuple(replace(one, on=one.on + moved) for one in plan.events),
        )
    left = [one for one in now.events if not now.first <= one.on <= now.last]
    if left and not moved:
        raise Refused(
            f"{left[-1].on:%a %-d %b} has '{left[-1].name}'.",
            plan.name,
            "Take the occasion off it first, or keep the day.",
        )
    return _write(session, now, _told(plan, said))


def _told(plan: Plan, said: PlanChange) -> str:
    if said.name is not None:
        return f"called '{plan.name}' {said.name}"
    if said.ticked is not None:
        return f"packed for '{plan.name}'"
    return f"changed '{plan.name}'"


def _write(session: Session, plan: Plan, told: str) -> Plan:
    with recorded(session, plan.client_id, told) as change:
        change.touches("plan", plan.id)
        return Plans(session).change(plan.id, lambda before: plan)


def let_plan_go(session: Session, id: str) -> int | None:
    """Lets a plan go; what was worn stays in the log. The number of the change."""
    plan = Plans(session).get(id)
    Jobs(session).call_off([id])
    with recorded(session, plan.client_id, f"let the plan '{plan.name}' go") as change:
        change.touches("plan", id)
        Plans(session).remove(id)
    return change.number


def plan_from_calendar(
    session: Session, client_id: str, content: bytes, file: str, today: date
) -> tuple[Plan, tuple[str, ...]]:
    """A plan of what a calendar says: from the first event that is still to come, else from the earliest, up to two weeks.

    Also sentences on what could not be read. Refused when nothing is in it."""
    Clients(session).get(client_id)
    read = next(
        (found for days in AHEAD if (found := read_calendar(content, file, today, days)).events), None
    ) or read_calendar(content, file, None, FROM_A_CALENDAR)
    if not read.events:
        raise Refused("nothing happens in this calendar.", file, "Export the stretch of it that is to be dressed for.")
    first = read.events[0].on
    events = [one for one in read.events if one.on < first + timedelta(FROM_A_CALENDAR)]
    days = (events[-1].on - first).days + 1
    plan = Plan(uuid4().hex, client_id, _name_of(file), first, datetime.now(UTC), days, events=_events(events))
    with recorded(session, client_id, f"read the plan '{plan.name}' from a calendar") as change:
        change.touches("plan", plan.id)
        Plans(session).add(plan)
    return plan, read.problems


def plan_from_table(session: Session, client_id: str, content: bytes, file: str) -> tuple[Plan, tuple[str, ...]]:
    """A plan of what a table says, with the looks that hang on its days.

    Also sentences on pieces that are not on the rail: such an occasion comes without its look. Refused when nothing is in it."""
    Clients(session).get(client_id)
    lines = read_plan(content, file)
    if not lines:
        raise Refused("no day is in this table.", file, "Write a line for each occasion below the first.")
    names, problems = by_name(Pieces(session).of_client(client_id)), list[str]()
    events = []
    for number, line in enumerate(lines, start=2):
        unknown = next((name for name in line.pieces if name not in names), None)
        if unknown is not None:
            problems.append(f"Line {number}: '{unknown}' is no piece of this rail, so nothing hangs there.")
        ids = tuple(dict.fromkeys(names[name] for name in line.pieces)) if unknown is None else ()
        if line.occasion:
            event = Event(uuid4().hex, line.on, line.occasion, line.formality, line.time, line.begins, line.ends)
            events.append(replace(event, people=line.people, piece_ids=ids, locked=line.locked and bool(ids)))
    first, last = min(line.on for line in lines), max(line.on for line in lines)
    weather = {line.on: line.weather for line in lines if line.weather is not None}
    with _making_sense():
        days = (last - first).days + 1
        plan = Plan(uuid4().hex, client_id, _name_of(file), first, datetime.now(UTC), days)
        plan = _staged(session, replace(plan, events=tuple(events), weather=weather))
    with recorded(session, client_id, f"read the plan '{plan.name}' from a table") as change:
        change.touches("plan", plan.id)
        Plans(session).add(plan)
    return plan, tuple(problems)


def _name_of(file: str) -> str:
    return file.rsplit(".", 1)[0].replace("_", " ").strip()[:200] or "Plan"


def read_in(session: Session, id: str, content: bytes, file: str) -> tuple[Plan, int, tuple[str, ...]]:
    """What a calendar says of the days of a plan joins it; what is there already stays as it is.

    The plan, how many occasions came, and sentences on what could not be read."""
    plan = Plans(session).get(id)
    read = read_calendar(content, file, plan.first, plan.days)
    there = {(one.on, one.name, one.begins) for one in plan.events}
    new = [one for one in read.events if (one.on, one.name, one.begins) not in there]
    with _making_sense():
        now = replace(plan, events=(*plan.events, *_events(new)))
    return _write(session, now, f"read a calendar into '{plan.name}'"), len(new), read.problems


def _events(read: Sequence[Read]) -> tuple[Event, ...]:
    return tuple(
        Event(
            uuid4().hex,
            one.on,
            one.name,
            None if one.formality is None else about(one.formality),
            one.time_of_day,
            one.begins,
            one.ends,
            tuple(sorted(one.people)),
        )
        for one in read
    )


def ask_forecast(session: Session, service: Forecasts, id: str, place: str) -> Plan:
    """Asks a weather service for the days of a plan. Refused where it does not know the place."""
    plan = Plans(session).get(id)
    try:
        told = service.of(place, plan.first, plan.days)
    except ValueError as problem:
        raise Refused(f"{problem}.", "place", "Write where it is, such as 'Vennby'.") from None
    document = parse(ForecastDocument, told, "forecast")
    now = replace(plan, place=place.strip(), weather=_of_days(plan, document), forecast="simulated service")
    return _write(session, _staged(session, now), f"asked for the weather of '{plan.name}'")


def take_forecast(session: Session, id: str, content: bytes, file: str) -> Plan:
    """Takes the weather of the days of a plan from a file; days it does not tell of stay as they are."""
    plan = Plans(session).get(id)
    document = parse(ForecastDocument, json_content(content, file), file)
    weather = {**plan.weather, **_of_days(plan, document)}
    if not _of_days(plan, document):
        raise Refused(
            "the forecast tells of none of these days.", file, f"It has to tell of {plan.first} to {plan.last}."
        )
    now = replace(plan, weather=weather, forecast=file[:200], place=document.place or plan.place)
    return _write(session, _staged(session, now), f"took the weather of '{plan.name}' from a file")


def set_weather(session: Session, id: str, on: date, weather: Weather | None) -> Plan:
    """Writes the weather of a day by hand; None for nothing known."""
    plan = Plans(session).get(id)
    told = {day: sky for day, sky in plan.weather.items() if day != on} | ({} if weather is None else {on: weather})
    return _write(session, _staged(session, replace(plan, weather=told)), f"wrote the weather of {on:%-d %B}")


def _of_days(plan: Plan, document: ForecastDocument) -> dict[date, Weather]:
    return {on: sky for on, sky in document.by_day().items() if plan.first <= on <= plan.last}


def _staged(session: Session, plan: Plan) -> Plan:
    """A plan whose looks are laid through the day anew, because its weather is another."""
    days = days_of_plan(session, plan)
    return replace(plan, events=tuple(with_look(days, one, one.piece_ids) for one in plan.events))


@dataclass(frozen=True, slots=True)
class EventChange:
    """What changes on an occasion; None for what stays."""

    name: str | None = None
    on: date | None = None
    formality: Span | None = None
    told_by_name: bool = False
    """Whether its formality is told by its name again."""
    time: TimeOfDay | None = None
    people: tuple[str, ...] | None = None
    piece_ids: tuple[str, ...] | None = None
    """The look that hangs there; empty for none."""
    locked: bool | None = None


def add_event(session: Session, id: str, on: date, name: str, time: TimeOfDay = TimeOfDay.ANY) -> tuple[Plan, str]:
    """Writes an occasion on a day of a plan. The plan, and the id of the occasion. Refused without a name, or on another day."""
    plan = Plans(session).get(id)
    event = Event(uuid4().hex, _on_a_day(plan, on), _event_name(name), time=time)
    if len(plan.events) >= MOST_EVENTS:
        raise Refused(f"a plan holds {MOST_EVENTS} occasions.", plan.name, "Begin another plan.")
    return _write(
        session, replace(plan, events=(*plan.events, event)), f"wrote '{event.name}' on {on:%-d %B}"
    ), event.id


def _event_name(name: str) -> str:
    if not name.strip():
        raise Refused("the occasion has no name.", "occasion", "Write what happens, such as 'rehearsal'.")
    return name.strip()[:120]


def _on_a_day(plan: Plan, on: date) -> date:
    if not plan.first <= on <= plan.last:
        raise Refused(
            f"{on:%-d %B} is no day of it.", plan.name, f"It runs from {plan.first:%-d %B} to {plan.last:%-d %B}."
        )
    return on


def change_event(session: Session, id: str, event_id: str, said: EventChange) -> Plan:
    """Changes an occasion, or the look that hangs on it. NotThere when a piece is not on the rail."""
    plan = Plans(session).get(id)
    event = event_of(plan, event_id)
    if said.formality is not None and not 1 <= said.formality[0] <= said.formality[1] <= 5:
        raise Refused("formality runs from 1 to 5, the lower end first.", event.name, "Choose it anew.")
    now = replace(
        event,
        name=event.name if said.name is None else _event_name(said.name),
        on=event.on if said.on is None else _on_a_day(plan, said.on),
        formality=None if said.told_by_name else said.formality or event.formality,
        time=event.time if said.time is None else said.time,
        people=event.people if said.people is None else said.people,
        locked=event.locked if said.locked is None else said.locked,
    )
    changed = _with_event(plan, now)
    if said.piece_ids is not None or now.on != event.on or now.time != event.time:
        ids = event.piece_ids if said.piece_ids is None else tuple(dict.fromkeys(said.piece_ids))
        check_pieces(session, plan.client_id, ids if said.piece_ids is not None else ())
        days = days_of_plan(session, changed)
        changed = _with_event(plan, replace(with_look(days, now, ids), locked=now.locked and bool(ids)))
    return _write(session, changed, _told_of(event, said))


def check_pieces(session: Session, client_id: str, ids: Sequence[str]) -> None:
    """NotThere, naming it, when a piece is not on the rail."""
    there = {one.piece.id for one in Pieces(session).of_client(client_id, set(ids))}
    missing = next((one for one in ids if one not in there), None)
    if missing is not None:
        raise NotThere("this piece is not on the client's rail.", missing, "Load the page again.")


def _told_of(event: Event, said: EventChange) -> str:
    where = f"{event.name} on {event.on:%-d %B}"
    if said.locked is not None:
        return f"{'locked' if said.locked else 'unlocked'} {where}"
    if said.piece_ids is not None:
        return f"hung another look on {where}" if said.piece_ids else f"took the look off {where}"
    return f"changed {where}"


def _with_event(plan: Plan, event: Event) -> Plan:
    return replace(plan, events=tuple(event if one.id == event.id else one for one in plan.events))


def take_event_off(session: Session, id: str, event_id: str) -> Plan:
    """Takes an occasion off its day."""
    plan = Plans(session).get(id)
    event = event_of(plan, event_id)
    left = tuple(one for one in plan.events if one.id != event_id)
    return _write(session, replace(plan, events=left), f"took '{event.name}' off {event.on:%-d %B}")


def swap(session: Session, id: str, one_id: str, other_id: str) -> Plan:
    """The looks of two occasions change places, with their locks."""
    plan = Plans(session).get(id)
    one, other = event_of(plan, one_id), event_of(plan, other_id)
    days = days_of_plan(session, plan)
    swapped = {
        one.id: replace(with_look(days, one, other.piece_ids), locked=other.locked),
        other.id: replace(with_look(days, other, one.piece_ids), locked=one.locked),
    }
    now = replace(plan, events=tuple(swapped.get(event.id, event) for event in plan.events))
    return _write(session, now, f"changed the looks of {one.name} and {other.name}")


def wear_planned(session: Session, id: str, event_id: str, felt: Felt | None, note: str = "") -> Wear:
    """Writes into the log that a planned look was worn, and how it felt. Refused where none hangs, or it is written already."""
    plan = Plans(session).get(id)
    event = event_of(plan, event_id)
    if not event.piece_ids:
        raise Refused("no look hangs on this occasion.", event.name, "Hang one there, or write what was worn by hand.")
    if Wears(session).planned(plan.client_id, (event_id,)):
        raise Refused("this is in the log already.", event.name, "Change it there.")
    hung = {one.piece.id for one in Pieces(session).of_client(plan.client_id, set(event.piece_ids))}
    ids = tuple(one for one in event.piece_ids if one in hung)
    sky = plan.weather.get(event.on)
    return log(session, plan.client_id, ToLog(event.on, ids, None, event_id, event.name, felt, note, sky))


@dataclass(frozen=True, slots=True)
class ShownEvent:
    """An occasion as it is shown."""

    event: Event
    span: Span
    told_by: str
    """The word that says how formal it is; empty where somebody said so, or none does."""
    whole: float | None
    """Of its look; None where none hangs, or pieces of it have gone."""
    amiss: tuple[str, ...]
    """What stands against what hangs there."""
    worn: Wear | None


@dataclass(frozen=True, slots=True)
class ShownPlan:
    """A plan as it is shown."""

    plan: Plan
    events: tuple[ShownEvent, ...]
    """In the order of time."""
    filling: float | None
    """How far the filling is, 0..1; None when nothing is being filled."""
    case: tuple[Piece, ...]
    """What is packed, in packing order: all that is worn but what one travels in."""
    travels: tuple[str, ...]
    """Ids of what is worn on the way, the look of the first occasion."""
    often: Mapping[str, int]
    """On how many days each piece is worn that is worn more than once, by id."""


def shown_plan(session: Session, id: str) -> ShownPlan:
    """A plan as it is shown, judged anew."""
    plan = Plans(session).get(id)
    days, words = days_of_plan(session, plan), own_words(session)
    wardrobe = days.wardrobe
    ordered = plan.ordered
    hung = [event for event in ordered if event.piece_ids and all(one in wardrobe.by_id for one in event.piece_ids)]
    looks = [wardrobe.look(event.id, event.piece_ids) for event in hung]
    whole = dict(zip((event.id for event in hung), wholes(looks).tolist() if looks else [], strict=True))
    known = {piece.id: as_known(piece) for piece in wardrobe.pieces}
    amiss = troubles(ordered, days.by_date, known, days.habits, days.occasions)
    worn = {one.planned: one for one in Wears(session).planned(plan.client_id, tuple(e.id for e in plan.events))}
    events = tuple(
        ShownEvent(
            event,
            days.occasions[event.id].formality,
            "" if event.formality is not None else told_by(event.name, words)[0],
            round(whole[event.id], DIGITS) if event.id in whole else None,
            amiss.get(event.id, ()),
            worn.get(event.id),
        )
        for event in ordered
    )
    first = next((event for event in ordered if event.piece_ids), None)
    travels = () if first is None else first.piece_ids
    taken = {one for event in ordered for ids in (event.piece_ids, *(s.piece_ids for s in event.stages)) for one in ids}
    case = packed(wardrobe.by_id[one] for one in taken - set(travels) if one in wardrobe.by_id)
    job = Jobs(session).about(id)
    return ShownPlan(plan, events, None if job is None else job.done or 0.0, tuple(case), travels, _often(ordered))


def _often(events: Sequence[Event]) -> dict[str, int]:
    on: dict[str, set[date]] = {}
    for event in events:
        for one in event.piece_ids:
            on.setdefault(one, set()).add(event.on)
    return {one: len(days) for one, days in on.items() if len(days) > 1}
