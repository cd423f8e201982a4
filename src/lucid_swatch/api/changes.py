"""Every step of a rail, back and forth."""

from fastapi import APIRouter
from sqlalchemy.orm import Session

from lucid_swatch.store.clients import Clients
from lucid_swatch.store.journal import Journal
from lucid_swatch.usecases.changes import redo, undo
from lucid_swatch.usecases.rooms import read_after

from .context import Id, InContext, ReadSession
from .documents.changes import ChangeAnswer, UndoneAnswer, change_answer

router = APIRouter(tags=["rail"])


@router.get("/clients/{client_id}/changes")
def list_changes(session: ReadSession, client_id: Id) -> list[ChangeAnswer]:
    """Every change of a rail, newest first."""
    Clients(session).get(client_id)
    return [change_answer(one) for one in Journal(session).of_client(client_id)]


@router.post("/clients/{client_id}/undo")
def undo_change(context: InContext, client_id: Id, change: int | None = None) -> UndoneAnswer:
    """Takes back the newest change of a rail; a change that is named, only while it is the newest."""
    with context.sessions.begin() as session:
        back = undo(session, client_id, change)
        asked, answer = read_after(session, back), _undone(session, client_id, back.told)
    context.queue.add_all(asked)
    return answer


@router.post("/clients/{client_id}/redo")
def redo_change(context: InContext, client_id: Id) -> UndoneAnswer:
    """Does again what was taken back last."""
    with context.sessions.begin() as session:
        again = redo(session, client_id)
        asked, answer = read_after(session, again), _undone(session, client_id, again.told)
    context.queue.add_all(asked)
    return answer


def _undone(session: Session, client_id: str, told: str) -> UndoneAnswer:
    back, again = Journal(session).newest(client_id), Journal(session).oldest_taken_back(client_id)
    return UndoneAnswer(
        told=told, back=None if back is None else back.told, again=None if again is None else again.told
    )
