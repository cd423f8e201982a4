"""This against that, at the face."""

from dataclasses import asdict

from fastapi import APIRouter

from lucid_swatch.store.clients import Clients
from lucid_swatch.store.records import SideBySide
from lucid_swatch.store.trials import Comparisons
from lucid_swatch.usecases.side_by_side import forget_side_by_side, keep_side_by_side

from .context import Id, ReadSession, UnitOfWork, in_one_change
from .documents.changes import LetGoAnswer
from .documents.side_by_side import SideAnswer, SideBySideAnswer, SideBySideRequest

router = APIRouter(tags=["colouring"])


@router.get("/clients/{client_id}/side-by-side")
def list_side_by_side(session: ReadSession, client_id: Id) -> list[SideBySideAnswer]:
    """What was held side by side, the newest first."""
    Clients(session).get(client_id)
    return [_answer(compared) for compared in Comparisons(session).of_client(client_id)]


@router.post("/clients/{client_id}/side-by-side", status_code=201)
@in_one_change
def keep_compared(session: UnitOfWork, client_id: Id, asked: SideBySideRequest) -> SideBySideAnswer:
    """Keeps two things side by side with what was found."""
    left, right = (asked.left.kind, asked.left.id), (asked.right.kind, asked.right.id)
    return _answer(keep_side_by_side(session, client_id, left, right, asked.better, asked.note))


@router.delete("/side-by-side/{compared_id}")
@in_one_change
def forget_compared(session: UnitOfWork, compared_id: Id) -> LetGoAnswer:
    """Forgets a comparison, which can be taken back."""
    return LetGoAnswer(change=forget_side_by_side(session, compared_id))


def _answer(compared: SideBySide) -> SideBySideAnswer:
    return SideBySideAnswer(
        id=compared.id,
        created_at=compared.created_at,
        left=SideAnswer(**asdict(compared.left)),
        right=SideAnswer(**asdict(compared.right)),
        better=compared.better,
        note=compared.note,
    )
