"""The days of a plan are filled: every occasion that is not locked gets a look."""

from dataclasses import replace
from datetime import UTC, datetime

from sqlalchemy.orm import Session

from lucid_swatch.core.look.body import Zone
from lucid_swatch.core.look.dressing.dress import zone_of
from lucid_swatch.core.look.dressing.wardrobe import Wardrobe
from lucid_swatch.core.look.making.stages import stages
from lucid_swatch.core.look.planning.complete import completed
from lucid_swatch.core.look.planning.plan import Event, Plan, WornStage
from lucid_swatch.core.look.planning.swap import Elsewhere, best_apart, looks_that_fit
from lucid_swatch.core.look.planning.through_the_day import stages_of
from lucid_swatch.core.look.planning.week import Slot, dress_for
from lucid_swatch.core.look.verdict import DIGITS, wholes
from lucid_swatch.core.problems import NotThere, Problem, Refused
from lucid_swatch.store.database import Sessions
from lucid_swatch.store.jobs import Jobs
from lucid_swatch.store.pieces import Pieces
from lucid_swatch.store.plans import Plans
from lucid_swatch.store.records import JobKind, JobState

from .changes import recorded
from .dressed_days import Days, days_of_plan, looks_of_days

FEW_PIECES, FEW_EVENTS = 60, 14
"""Pieces of a rail and occasions up to which days are filled while one waits; more in a process of its own."""
OTHERS = 4
"""Other looks that are shown for an occasion."""


def begin_filling(session: Session, id: str) -> Plan:
    """Asks for looks on all days of a plan. Refused without an occasion."""
    plan = Plans(session).get(id)
    if not plan.events:
        raise Refused(
            "nothing happens on these days yet.", plan.name, "Read a calendar in, or write an occasion on a day."
        )
    Jobs(session).ask(plan.client_id, JobKind.FILL, id)
    return plan


def soon_filled(session: Session, plan: Plan) -> bool:
    """Whether the days of a plan are filled while one waits."""
    return len(plan.events) <= FEW_EVENTS and Pieces(session).count(plan.client_id) <= FEW_PIECES


def fill_plan(sessions: Sessions, id: str) -> None:
    """Hangs looks on the days of a plan and ends the job; nothing when it was called off."""
    with sessions.begin() as session:
        job = Jobs(session).about(id)
        if job is None:
            return
        Jobs(session).change(job.id, lambda now: replace(now, state=JobState.UNDER_WAY, done=0.05))
        plan = Plans(session).get(id)
        days = days_of_plan(session, plan)
    events, unmet = _dressed(sessions, job.id, plan, days)
    with sessions.begin() as session:
        if not Jobs(session).is_asked(job.id):
            return
        Jobs(session).remove(job.id)
        with recorded(session, plan.client_id, f"filled the days of '{plan.name}'") as change:
            change.touches("plan", id)
            Plans(session).change(id, lambda now: _filled(now, events, unmet))


def _filled(now: Plan, events: dict[str, Event], unmet: tuple[str, ...]) -> Plan:
    """A plan with the looks that were found; what was changed on it meanwhile stays."""
    hung = tuple(
        replace(one, piece_ids=events[one.id].piece_ids, stages=events[one.id].stages)
        if one.id in events and not one.locked
        else one
        for one in now.events
    )
    return replace(now, events=hung, unmet=unmet, filled_at=datetime.now(UTC))


def _dressed(sessions: Sessions, job: str, plan: Plan, days: Days) -> tuple[dict[str, Event], tuple[str, ...]]:
    """The occasions of a plan with their looks, by id, and what could not be met."""
    if not days.wardrobe.everything:
        return {event.id: replace(event, piece_ids=()) for event in plan.events}, ("The rail is empty.",)
    ordered = [event for event in plan.ordered if event.on in days.by_date]
    good = looks_of_days(days, ordered)
    week = dress_for(good, days.days, days.habits)
    free = [k for k, event in enumerate(ordered) if not days.occasions[event.id].locked]
    found = {event.id: event for event in ordered}
    for done, k in enumerate(free, start=1):
        worn = week.worn[k]
        event = ordered[k]
        ids = () if worn is None else completed(days.wardrobe, [worn])[0]
        found[event.id] = with_look(days, event, ids)
        with sessions.begin() as session:
            if not Jobs(session).is_asked(job):
                break
            _note_done(session, job, 0.3 + 0.7 * done / len(free))
    return found, week.unmet


def _note_done(session: Session, job: str, share: float) -> None:
    Jobs(session).change(job, lambda now: replace(now, done=share))


def with_look(days: Days, event: Event, piece_ids: tuple[str, ...]) -> Event:
    """An occasion with another look, in stages where the weather of its day turns."""
    return replace(event, piece_ids=piece_ids, stages=_through_the_day(days.wardrobe, days, event, piece_ids))


def _through_the_day(wardrobe: Wardrobe, days: Days, event: Event, ids: tuple[str, ...]) -> tuple[WornStage, ...]:
    day = days.by_date.get(event.on)
    if day is None or not ids or any(id not in wardrobe.by_id for id in ids):
        return ()
    layered = any(zone_of(wardrobe.by_id[id].category) is Zone.LAYER for id in ids)
    asked = stages_of(day.weather, event.time, layered, event.is_long)
    if not asked:
        return ()
    found = stages(wardrobe.look(event.id, ids), asked, layers_only=True)
    told = tuple(WornStage(one.when, tuple(piece.id for piece in one.look.pieces), one.amiss) for one in found)
    changes = {frozenset(one.piece_ids) for one in told} != {frozenset(ids)}
    return told if changes or any(one.amiss for one in told) else ()


def stop_filling(session: Session, id: str) -> Plan:
    """Calls the filling off; the days stay as they were."""
    Jobs(session).call_off([id])
    return Plans(session).get(id)


def set_down_unfilled(sessions: Sessions, id: str, problem: Problem) -> None:
    """Notes on a plan why its days could not be filled, and ends the job."""
    with sessions.begin() as session:
        Jobs(session).call_off([id])
        told = "The days could not be filled: it took too long, or ended on the way. Plan fewer days, or try again."
        Plans(session).change(id, lambda now: replace(now, unmet=(told,)))


def other_looks(session: Session, id: str, event_id: str) -> tuple[int, list[tuple[tuple[str, ...], float]]]:
    """How many good looks fit an occasion while the other days stay, and the best few that differ, with their wholes."""
    plan = Plans(session).get(id)
    event = event_of(plan, event_id)
    days = days_of_plan(session, plan)
    day = days.by_date.get(event.on)
    if not days.wardrobe.everything or day is None:
        return 0, []
    good = looks_of_days(days, ())
    occasion = replace(days.occasions[event_id], locked=())
    elsewhere = [
        Elsewhere(one.on, frozenset(one.people), frozenset(one.piece_ids))
        for one in plan.events
        if one.id != event_id and one.piece_ids
    ]
    fit = looks_that_fit(good, day, occasion, elsewhere, days.habits)
    slot = Slot(0, occasion, day.asks(occasion))
    hangs = [frozenset(event.piece_ids)] if event.piece_ids else []
    some = best_apart(good, fit, slot, OTHERS, hangs)
    whole = completed(days.wardrobe, some)
    looks = [days.wardrobe.look("other", ids) for ids in whole]
    told = [round(float(one), DIGITS) for one in wholes(looks)] if looks else []
    return good.told(float(fit.sum())), list(zip(whole, told, strict=True))


def event_of(plan: Plan, id: str) -> Event:
    """One occasion of a plan. NotThere when there is none."""
    event = next((one for one in plan.events if one.id == id), None)
    if event is None:
        raise NotThere("there is no such occasion.", plan.name, "Load the page again.")
    return event
