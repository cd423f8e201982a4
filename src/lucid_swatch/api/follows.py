"""What follows from a client's colouring."""

from fastapi import APIRouter

from lucid_swatch.store.pieces import Pieces
from lucid_swatch.usecases.suits import what_follows

from .context import Id, ReadSession
from .documents.follows import FollowsAnswer, follows_answer
from .documents.rail import cloth_of

router = APIRouter(tags=["colouring"])


@router.get("/clients/{client_id}/follows")
def get_follows(session: ReadSession, client_id: Id) -> FollowsAnswer | None:
    """What suits a client's colouring, and which pieces of the rail are in it."""
    follows = what_follows(session, client_id)
    return None if follows is None else follows_answer(follows, cloth_of(Pieces(session).of_client(client_id)))
