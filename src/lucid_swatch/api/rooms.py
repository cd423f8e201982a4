"""The rooms in which photos were taken."""

from collections.abc import Callable

from fastapi import APIRouter
from sqlalchemy.orm import Session

from lucid_swatch.store.clients import Clients
from lucid_swatch.usecases.rooms import join, leave, rooms_of, say_paper, split

from .context import Context, Id, InContext, ReadSession
from .documents.rooms import JoinRequest, PaperRequest, ReadAgainAnswer, RoomAnswer, room_answer

router = APIRouter(tags=["photos"])


@router.get("/clients/{client_id}/rooms")
def list_rooms(session: ReadSession, client_id: Id) -> list[RoomAnswer]:
    """The rooms of a client's photos."""
    Clients(session).get(client_id)
    return [room_answer(room) for room in rooms_of(session, client_id)]


@router.post("/photos/{photo_id}/room")
def join_room(context: InContext, photo_id: Id, wanted: JoinRequest) -> ReadAgainAnswer:
    """Says that a photo was taken in the room of another one."""
    return _said(context, lambda session: join(session, photo_id, wanted.other))


@router.delete("/photos/{photo_id}/room")
def leave_room(context: InContext, photo_id: Id) -> ReadAgainAnswer:
    """Says that a photo was not taken in the room that it is in."""
    return _said(context, lambda session: leave(session, photo_id))


@router.post("/photos/{photo_id}/room/begin")
def begin_room(context: InContext, photo_id: Id) -> ReadAgainAnswer:
    """Says that a new room begins with a photo."""
    return _said(context, lambda session: split(session, photo_id))


@router.put("/photos/{photo_id}/paper")
def say_what_paper_is(context: InContext, photo_id: Id, said: PaperRequest) -> ReadAgainAnswer:
    """Says whether what may be paper in a photo is paper."""
    return _said(context, lambda session: say_paper(session, photo_id, said.paper))


def _said(context: Context, act: Callable[[Session], list[str]]) -> ReadAgainAnswer:
    with context.sessions.begin() as session:
        asked = act(session)
    context.queue.add_all(asked)
    return ReadAgainAnswer(photos=asked)
