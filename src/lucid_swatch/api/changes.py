"""Every step of a rail, back and forth."""

from fastapi import APIRouter
from sqlalchemy.orm import Session

from lucid_swatch.store.clients import Clients
from lucid_swatch.store.journal import Journal
from lucid_swatch.usecases.changes import redo, undo

from .context import Id, ReadSession, UnitOfWork, in_one_change
from .documents.changes import ChangeAnswer, UndoneAnswer, change_answer

router = APIRouter(tags=["rail"])


@router.get("/clients/{client_id}/changes")
def list_changes(session: ReadSession, client_id: Id) -> list[ChangeAnswer]:
    """Every change of a rail, newest first."""
    Clients(session).get(client_id)
    return [change_answer(one) for one in Journal(session).of_client(client_id)]


@router.post("/clients/{client_id}/undo")
@in_one_change
def undo_change(session: UnitOfWork, client_id: Id, change: int | None = None) -> UndoneAnswer:
    """Takes back the newest change of a rail; a change that is named, only while it is the newest."""
    return _undone(session, client_id, undo(session, client_id, change).told)


@router.post("/clients/{client_id}/redo")
@in_one_change
def redo_change(session: UnitOfWork, client_id: Id) -> UndoneAnswer:
    """Does again what was taken back last."""
    return _undone(session, client_id, redo(session, client_id).told)


def _undone(session: Session, client_id: str, told: str) -> UndoneAnswer:
    back, again = Journal(session).newest(client_id), Journal(session).oldest_taken_back(client_id)
    return UndoneAnswer(
        told=told, back=None if back is None else back.told, again=None if again is None else again.told
    )
