"""What the sample clients wore, pack, wear next and take home: written down, chosen, planned and put into a book as a
stylist would, round today."""

from datetime import UTC, date, datetime, timedelta

from lucid_swatch.core.look.planning.kept_capsule import CapsuleWish
from lucid_swatch.core.look.wearing.wear import Felt
from lucid_swatch.outside.forecast_stand_in import ForecastStandIn
from lucid_swatch.store.database import Sessions
from lucid_swatch.store.plans import Plans
from lucid_swatch.usecases.book_sources import BookSource
from lucid_swatch.usecases.books import BookChange, begin_book, change_book
from lucid_swatch.usecases.capsules import begin_capsule, make_capsule
from lucid_swatch.usecases.filling import begin_filling, fill_plan
from lucid_swatch.usecases.plans import EventChange, ask_forecast, begin_plan, change_event, read_in
from lucid_swatch.usecases.wear_log import ToLog, log

from .scenario import SampleClient, SamplePlan, SampleWear


def keep_days(sessions: Sessions, client_id: str, client: SampleClient, pieces: dict[str, str]) -> None:
    """Writes the log, chooses the capsules and fills the plans of a client. pieces: ids by file."""
    for wear in client.wears:
        with sessions.begin() as session:
            log(session, client_id, _worn(wear, pieces))
    for capsule in client.capsules:
        with sessions.begin() as session:
            id = begin_capsule(session, client_id, capsule.name, capsule.pieces, CapsuleWish()).id
        make_capsule(sessions, id)
    for plan in client.plans:
        _plan(sessions, client_id, plan)


def _worn(sample: SampleWear, pieces: dict[str, str]) -> ToLog:
    on = datetime.now(UTC).date() - timedelta(sample.days_ago)
    felt = Felt(sample.felt) if sample.felt else None
    return ToLog(
        on, tuple(pieces[file] for file in sample.pieces), occasion=sample.occasion, felt=felt, note=sample.note
    )


def _plan(sessions: Sessions, client_id: str, sample: SamplePlan) -> None:
    """A plan as a stylist would leave it: the calendar read, the weather asked for, filled, one look locked."""
    first = datetime.now(UTC).date() + timedelta(sample.first)
    with sessions.begin() as session:
        id = begin_plan(session, client_id, sample.name, first, sample.days, sample.place).id
        read_in(session, id, _calendar(first, sample), "tour.ics")
        ask_forecast(session, ForecastStandIn(), id, sample.place)
        begin_filling(session, id)
    fill_plan(sessions, id)
    if sample.locked is not None:
        with sessions.begin() as session:
            event = Plans(session).get(id).ordered[sample.locked]
            change_event(session, id, event.id, EventChange(locked=bool(event.piece_ids)))
    if sample.word:
        with sessions.begin() as session:
            book = begin_book(session, client_id, BookSource(plan=id))
            change_book(session, book.id, BookChange(word=sample.word))


def _calendar(first: date, sample: SamplePlan) -> bytes:
    """What happens on the days of a plan, as somebody's calendar says it."""
    lines = ["BEGIN:VCALENDAR", "VERSION:2.0", "PRODID:-//Sample//Calendar//EN"]
    for number, event in enumerate(sample.events):
        day = f"{first + timedelta(event.day):%Y%m%d}"
        begins = f";VALUE=DATE:{day}" if event.hour is None else f":{day}T{event.hour:02d}0000"
        people = [f"ATTENDEE;CN={one}:mailto:{one.replace(' ', '.')}@example.org" for one in event.people]
        lines += [
            "BEGIN:VEVENT",
            f"UID:{number}@sample",
            f"DTSTART{begins}",
            f"SUMMARY:{event.name}",
            *people,
            "END:VEVENT",
        ]
    return "\r\n".join([*lines, "END:VCALENDAR", ""]).encode()
