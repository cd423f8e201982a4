"""lucid-swatch plan."""

from collections.abc import Sequence
from datetime import date, datetime, timedelta
from pathlib import Path
from typing import Annotated

import typer

from lucid_swatch.core.look.planning.days import Day, Habits, Occasion, Weather
from lucid_swatch.core.look.planning.good_looks import good_looks
from lucid_swatch.core.look.planning.occasions import about, formality_of
from lucid_swatch.core.look.planning.week import dress_for
from lucid_swatch.core.problems import Problem, Refused
from lucid_swatch.formats.calendar import Event, read_calendar, write_calendar
from lucid_swatch.formats.document import parse, read_bytes, read_json
from lucid_swatch.formats.forecast import ForecastDocument
from lucid_swatch.formats.made import wardrobe_of_rail
from lucid_swatch.formats.plan import PlanDocument, plan_document
from lucid_swatch.formats.rail import RailDocument

from .output import print_json, print_table, stop

MOST_DAYS, MOST_REST = 60, 30


def plan(
    rail: Annotated[Path, typer.Argument(help="A rail, as JSON.")],
    calendar: Annotated[Path, typer.Option("--calendar", help="What happens, as iCalendar (.ics).")],
    forecast: Annotated[Path | None, typer.Option("--forecast", help="The weather, as JSON.")] = None,
    first: Annotated[
        datetime | None,
        typer.Option("--from", formats=["%Y-%m-%d"], help="The first day; else that of the first event."),
    ] = None,
    days: Annotated[int, typer.Option("--days", help="How many days.")] = 7,
    rest: Annotated[
        int | None, typer.Option("--rest", help="Days that clothes and shoes rest, whatever they are.")
    ] = None,
    ics: Annotated[Path | None, typer.Option("--ics", help="Write what is worn as iCalendar.")] = None,
    json: Annotated[bool, typer.Option("--json", help="Print JSON instead of a table.")] = False,
) -> None:
    """Put looks on days: each for its occasion and its weather, with what was worn given time to rest."""
    try:
        if not 1 <= days <= MOST_DAYS:
            raise Refused(f"{days} days cannot be planned at once.", "--days", f"Ask for 1 to {MOST_DAYS}.")
        if rest is not None and not 0 <= rest <= MOST_REST:
            raise Refused(f"nothing rests for {rest} days.", "--rest", f"Give 0 to {MOST_REST}.")
        document = parse(RailDocument, read_json(rail))
        wardrobe = wardrobe_of_rail(document)
        begins = None if first is None else first.date()
        read = read_calendar(read_bytes(calendar), calendar.name, begins, days)
        begins = begins or min((event.on for event in read.events), default=date.today())
        weather = {} if forecast is None else parse(ForecastDocument, read_json(forecast)).by_day()
        some = _days(read.events, begins, days, weather)
        week = dress_for(good_looks(wardrobe), some, Habits(rest))
        found = plan_document(wardrobe, document, some, week, read.problems)
        if ics is not None:
            _write(ics, found)
    except Problem as problem:
        stop(problem)
    if json:
        print_json(found.model_dump(mode="json", by_alias=True))
        return
    rows = []
    for day in found.days:
        looks = {look.id: look for look in day.looks}
        for occasion in day.occasions:
            look = looks.get(occasion.look or "")
            worn = "nothing" if look is None else ", ".join(piece.label or piece.id for piece in look.pieces)
            rows.append([f"{day.on:%a %d %b}", occasion.name, worn])
    print_table(["day", "for", "worn"], rows)
    for sentence in found.unmet:
        print(sentence)


def _days(events: Sequence[Event], first: date, count: int, weather: dict[date, Weather]) -> list[Day]:
    own: dict[date, list[Occasion]] = {}
    for event in events:
        span = formality_of(event.name) if event.formality is None else about(event.formality)
        own.setdefault(event.on, []).append(Occasion(event.name, span, event.time_of_day, event.people))
    every = [first + timedelta(k) for k in range(count)]
    return [Day(on, tuple(own.get(on, ())), weather.get(on)) for on in every]


def _write(path: Path, found: PlanDocument) -> None:
    entries = []
    for day in found.days:
        looks = {look.id: look for look in day.looks}
        for occasion in day.occasions:
            look = looks.get(occasion.look or "")
            if look is not None:
                worn = ", ".join(piece.label or piece.id for piece in look.pieces)
                entries.append((day.on, occasion.name, worn, sum(occasion.formality) / 2))
    try:
        path.write_bytes(write_calendar(entries))
    except OSError as problem:
        reason = (problem.strerror or "unknown reason").lower()
        raise Refused(f"the calendar cannot be written ({reason}).", str(path), "Choose another place.") from None
