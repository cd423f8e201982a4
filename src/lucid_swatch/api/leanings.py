"""The studio's own borders of the neutrals."""

from fastapi import APIRouter

from lucid_swatch.core.problems import Refused
from lucid_swatch.usecases.leanings import kept_leanings, proposals, take_back, take_on

from .context import Id, ReadSession, UnitOfWork, in_one_change
from .documents.leanings import HabitRequest, LeaningsAnswer, habit_answer, leaning_answer

router = APIRouter(tags=["audit"])

KINDS = {
    "gpl": "text/plain; charset=utf-8",
    "css": "text/css; charset=utf-8",
    "csv": "text/csv; charset=utf-8",
    "json": "application/json",
}


@router.get("/clients/{client_id}/leanings")
def get_leanings(session: ReadSession, client_id: Id) -> LeaningsAnswer:
    """The studio's own borders, and what the stylist's words ask for."""
    return LeaningsAnswer(
        kept=[leaning_answer(one) for one in kept_leanings(session)],
        habits=[habit_answer(one) for one in proposals(session, client_id)],
    )


@router.post("/clients/{client_id}/leanings", status_code=204)
@in_one_change
def move_border(session: UnitOfWork, client_id: Id, habit: HabitRequest) -> None:
    """Moves a border as a habit asks."""
    if habit.read is habit.said:
        raise Refused("a border lies between two bins.", habit.family, "Load the page again.")
    take_on(session, client_id, habit.family, habit.read.value, habit.said.value)


@router.delete("/clients/{client_id}/leanings/{number}", status_code=204)
@in_one_change
def put_border_back(session: UnitOfWork, client_id: Id, number: int) -> None:
    """Puts a border back where it usually lies."""
    take_back(session, client_id, number)
