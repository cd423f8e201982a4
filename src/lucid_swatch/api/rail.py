"""The rail."""

from fastapi import APIRouter

from lucid_swatch.store.clients import Clients
from lucid_swatch.usecases.rail import change_piece, sorted_pieces, take_off, the_rail

from .context import UnitOfWork
from .documents import PieceAnswer, WordRequest, piece_answer

router = APIRouter(tags=["rail"])


@router.get("/clients/{client_id}/rail")
def get_rail(session: UnitOfWork, client_id: str) -> list[PieceAnswer]:
    """A client's pieces with where each hangs."""
    return [piece_answer(one) for one in the_rail(session, client_id)]


@router.patch("/pieces/{piece_id}")
def change(session: UnitOfWork, piece_id: str, word: WordRequest) -> PieceAnswer:
    """Writes the stylist's word over a piece."""
    hung = change_piece(session, piece_id, word.to_word())
    strict = Clients(session).get(hung.client_id).conventions.strict_neutrals
    return piece_answer(sorted_pieces([hung], strict)[0])


@router.delete("/pieces/{piece_id}", status_code=204)
def take(session: UnitOfWork, piece_id: str) -> None:
    """Takes a piece off the rail; its photo waits in the intake again."""
    take_off(session, piece_id)
