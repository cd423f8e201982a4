"""Plans: days with what happens on them, the weather, and the looks that hang there."""

from datetime import UTC, datetime
from typing import Annotated, Literal

from fastapi import APIRouter, File, Path, Response, UploadFile
from sqlalchemy.orm import Session

from lucid_swatch.formats.calendar import MAX_BYTES
from lucid_swatch.formats.plain_text import MAX_TEXT_BYTES
from lucid_swatch.formats.planned import is_plan_table
from lucid_swatch.store.clients import Clients
from lucid_swatch.store.plans import Plans
from lucid_swatch.usecases.filling import begin_filling, fill_plan, other_looks, soon_filled, stop_filling
from lucid_swatch.usecases.occasion_words import forget_word, own_words, teach_word
from lucid_swatch.usecases.plan_out import plan_calendar, plan_paper, plan_table
from lucid_swatch.usecases.plans import (
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
from lucid_swatch.usecases.rail_out import file_name

from .context import Context, Id, InContext, ReadSession, UnitOfWork, in_one_change
from .documents.changes import LetGoAnswer
from .documents.plans import (
    DayWeatherRequest,
    EventChangeRequest,
    EventRequest,
    FeltRequest,
    ForecastRequest,
    NewEventAnswer,
    OccasionWordRequest,
    OtherLookAnswer,
    OtherLooksAnswer,
    OwnWordAnswer,
    PlanAnswer,
    PlanChangeRequest,
    PlanInListAnswer,
    PlanRequest,
    ReadInAnswer,
    SwapRequest,
    plan_answer,
)
from .documents.walls import Span

router = APIRouter(tags=["plan"])


@router.get("/clients/{client_id}/plans")
def list_plans(session: ReadSession, client_id: Id) -> list[PlanInListAnswer]:
    """A client's plans, the latest days first."""
    Clients(session).get(client_id)
    return [
        PlanInListAnswer(id=one.id, name=one.name, first=one.first, days=one.days)
        for one in Plans(session).of_client(client_id)
    ]


@router.post("/clients/{client_id}/plans", status_code=201)
@in_one_change
def add_plan(session: UnitOfWork, client_id: Id, asked: PlanRequest) -> PlanAnswer:
    """Begins a plan on which nothing happens yet."""
    return _shown(session, begin_plan(session, client_id, asked.name, asked.first, asked.days, asked.place).id)


@router.post("/clients/{client_id}/plans/calendar", status_code=201)
@in_one_change
def plan_of_calendar(session: UnitOfWork, client_id: Id, calendar: Annotated[UploadFile, File()]) -> ReadInAnswer:
    """Begins a plan of what a calendar says, or a plan that was written as a table."""
    name, content = calendar.filename or "calendar", calendar.file.read(MAX_BYTES + 1)
    if is_plan_table(content):
        plan, problems = plan_from_table(session, client_id, content, name)
    else:
        plan, problems = plan_from_calendar(session, client_id, content, name, datetime.now(UTC).date())
    return ReadInAnswer(plan=_shown(session, plan.id), added=len(plan.events), problems=list(problems))


@router.get("/plans/{plan_id}")
def show_plan(session: ReadSession, plan_id: Id) -> PlanAnswer:
    """A plan, judged anew."""
    return _shown(session, plan_id)


@router.put("/plans/{plan_id}")
@in_one_change
def change_kept_plan(session: UnitOfWork, plan_id: Id, asked: PlanChangeRequest) -> PlanAnswer:
    """Changes what a plan is."""
    return _shown(session, change_plan(session, plan_id, asked.to_core()).id)


@router.delete("/plans/{plan_id}")
def let_go_of_plan(context: InContext, plan_id: Id) -> LetGoAnswer:
    """Lets a plan go, which can be taken back; what was worn stays in the log."""
    with context.sessions.begin() as session:
        number = let_plan_go(session, plan_id)
    context.queue.end([plan_id])
    return LetGoAnswer(change=number)


@router.post("/plans/{plan_id}/calendar")
@in_one_change
def read_calendar_in(session: UnitOfWork, plan_id: Id, calendar: Annotated[UploadFile, File()]) -> ReadInAnswer:
    """What a calendar says of the days of a plan joins it."""
    name, content = calendar.filename or "calendar", calendar.file.read(MAX_BYTES + 1)
    plan, added, problems = read_in(session, plan_id, content, name)
    return ReadInAnswer(plan=_shown(session, plan.id), added=added, problems=list(problems))


@router.post("/plans/{plan_id}/forecast")
@in_one_change
def ask_for_weather(session: UnitOfWork, context: InContext, plan_id: Id, asked: ForecastRequest) -> PlanAnswer:
    """Asks the weather service for the days of a plan."""
    return _shown(session, ask_forecast(session, context.forecasts, plan_id, asked.place).id)


@router.post("/plans/{plan_id}/forecast/file")
@in_one_change
def send_forecast(session: UnitOfWork, plan_id: Id, forecast: Annotated[UploadFile, File()]) -> PlanAnswer:
    """Takes the weather of the days of a plan from a file."""
    name, content = forecast.filename or "forecast", forecast.file.read(MAX_TEXT_BYTES + 1)
    return _shown(session, take_forecast(session, plan_id, content, name).id)


@router.put("/plans/{plan_id}/weather")
@in_one_change
def write_weather(session: UnitOfWork, plan_id: Id, asked: DayWeatherRequest) -> PlanAnswer:
    """Writes the weather of a day by hand."""
    weather = None if asked.weather is None else asked.weather.to_core()
    return _shown(session, set_weather(session, plan_id, asked.on, weather).id)


@router.post("/plans/{plan_id}/events", status_code=201)
@in_one_change
def write_event(session: UnitOfWork, plan_id: Id, asked: EventRequest) -> NewEventAnswer:
    """Writes an occasion on a day."""
    plan, event = add_event(session, plan_id, asked.on, asked.name, asked.time)
    return NewEventAnswer(plan=_shown(session, plan.id), event=event)


@router.put("/plans/{plan_id}/events/{event_id}")
@in_one_change
def change_kept_event(session: UnitOfWork, plan_id: Id, event_id: Id, asked: EventChangeRequest) -> PlanAnswer:
    """Changes an occasion, or the look that hangs on it."""
    return _shown(session, change_event(session, plan_id, event_id, asked.to_core()).id)


@router.delete("/plans/{plan_id}/events/{event_id}")
@in_one_change
def take_event(session: UnitOfWork, plan_id: Id, event_id: Id) -> PlanAnswer:
    """Takes an occasion off its day."""
    return _shown(session, take_event_off(session, plan_id, event_id).id)


@router.get("/plans/{plan_id}/events/{event_id}/others")
def tell_others(session: ReadSession, plan_id: Id, event_id: Id) -> OtherLooksAnswer:
    """The best looks that fit an occasion while the other days stay as they are."""
    fit, looks = other_looks(session, plan_id, event_id)
    return OtherLooksAnswer(fit=fit, looks=[OtherLookAnswer(pieces=list(ids), overall=whole) for ids, whole in looks])


@router.post("/plans/{plan_id}/events/{event_id}/worn")
@in_one_change
def wear_event(session: UnitOfWork, plan_id: Id, event_id: Id, asked: FeltRequest) -> PlanAnswer:
    """Writes into the log that a planned look was worn, and how it felt."""
    wear_planned(session, plan_id, event_id, asked.felt, asked.note)
    return _shown(session, plan_id)


@router.post("/plans/{plan_id}/swap")
@in_one_change
def swap_looks(session: UnitOfWork, plan_id: Id, asked: SwapRequest) -> PlanAnswer:
    """The looks of two occasions change places."""
    return _shown(session, swap(session, plan_id, asked.one, asked.other).id)


@router.post("/plans/{plan_id}/filling")
def fill_days(context: InContext, plan_id: Id) -> PlanAnswer:
    """Hangs looks on all days that are not locked: of a few while one waits, of more as a job that can be watched and
    stopped."""
    with context.sessions.begin() as session:
        soon = soon_filled(session, begin_filling(session, plan_id))
    if soon:
        # the job stands in the database all the same: what a kill cuts off is done at the next start
        fill_plan(context.sessions, plan_id)
    else:
        context.queue.add(plan_id)
    return _answer(context, plan_id)


@router.delete("/plans/{plan_id}/filling")
def stop_filling_days(context: InContext, plan_id: Id) -> PlanAnswer:
    """Stops the filling; the days stay as they were."""
    with context.sessions.begin() as session:
        stop_filling(session, plan_id)
    context.queue.end([plan_id])
    return _answer(context, plan_id)


@router.get("/plans/{plan_id}/plan.{ending}")
def take_plan_out(session: ReadSession, plan_id: Id, ending: Literal["ics", "csv", "pdf"]) -> Response:
    """A plan for a calendar, as a table, or on paper."""
    name, content = {"ics": plan_calendar, "csv": plan_table, "pdf": plan_paper}[ending](session, plan_id)
    kinds = {"ics": "text/calendar; charset=utf-8", "csv": "text/csv; charset=utf-8", "pdf": "application/pdf"}
    headers = {"content-disposition": f'attachment; filename="{file_name(name)}.{ending}"'}
    return Response(content, media_type=kinds[ending], headers=headers)


@router.get("/occasion-words")
def list_words(session: ReadSession) -> list[OwnWordAnswer]:
    """The studio's own words for how formal events are."""
    return [
        OwnWordAnswer(word=word, formality=Span(low=span[0], high=span[1])) for word, span in own_words(session).items()
    ]


@router.put("/clients/{client_id}/occasion-words", status_code=204)
@in_one_change
def teach_occasion_word(session: UnitOfWork, client_id: Id, asked: OccasionWordRequest) -> None:
    """From now on a word says how formal what bears it is, on every plan."""
    teach_word(session, client_id, asked.word, (asked.formality.low, asked.formality.high))


@router.delete("/clients/{client_id}/occasion-words/{word}", status_code=204)
@in_one_change
def forget_occasion_word(session: UnitOfWork, client_id: Id, word: Annotated[str, Path(max_length=60)]) -> None:
    """A word says what it says everywhere again."""
    forget_word(session, client_id, word)


def _answer(context: Context, id: str) -> PlanAnswer:
    with context.sessions() as session:
        return _shown(session, id)


def _shown(session: Session, id: str) -> PlanAnswer:
    return plan_answer(shown_plan(session, id))
