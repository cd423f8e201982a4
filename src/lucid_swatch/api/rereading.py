"""A client's wardrobe read again."""

from fastapi import APIRouter

from lucid_swatch.core.problems import Refused
from lucid_swatch.store.clients import Clients
from lucid_swatch.usecases.rereading import ask_again, call_off, changes, take_over, waiting

from .context import Id, InContext, ReadSession, UnitOfWork
from .documents.rereading import ReadingChange, RereadingAnswer, RereadRequest, TakeOverRequest, reading_change

router = APIRouter(tags=["rereading"])


@router.post("/clients/{client_id}/rereading", status_code=202)
def start_rereading(context: InContext, client_id: Id, some: RereadRequest | None = None) -> RereadingAnswer:
    """Reads photos of a client anew, beside what is kept: all, or those that are named."""
    with context.sessions.begin() as session:
        Clients(session).get(client_id)
        asked = ask_again(session, client_id, None if some is None else some.photos)
    if not asked:
        raise Refused("no photo of this client was read yet.", "intake", "Take photos in first.")
    for id in asked:
        context.queue.add(id)
    return RereadingAnswer(waiting=len(asked), changes=[])


@router.get("/clients/{client_id}/rereading")
def show_rereading(session: ReadSession, client_id: Id) -> RereadingAnswer:
    """What the newer readings would change."""
    Clients(session).get(client_id)
    return RereadingAnswer(waiting=waiting(session, client_id), changes=_changes(session, client_id))


@router.delete("/clients/{client_id}/rereading")
def stop_rereading(context: InContext, client_id: Id) -> RereadingAnswer:
    """Stops reading anew; what was read by now stays to be looked at."""
    with context.sessions.begin() as session:
        Clients(session).get(client_id)
        called_off = call_off(session, client_id)
    context.queue.end(called_off)
    with context.sessions() as session:
        return RereadingAnswer(waiting=waiting(session, client_id), changes=_changes(session, client_id))


@router.post("/clients/{client_id}/rereading/take", status_code=202)
def take_over_readings(context: InContext, client_id: Id, chosen: TakeOverRequest) -> RereadingAnswer:
    """Takes the chosen readings over and drops the others."""
    with context.sessions.begin() as session:
        Clients(session).get(client_id)
        taken = take_over(session, client_id, chosen.photos)
    for id in taken:
        context.queue.add(id)
    return RereadingAnswer(waiting=len(taken), changes=[])


def _changes(session: UnitOfWork, client_id: str) -> list[ReadingChange]:
    return [reading_change(change) for change in changes(session, client_id)]
