"""What is worth asking of a rail."""

from fastapi import APIRouter

from lucid_swatch.usecases.walk import By, walk

from .context import Id, ReadSession
from .documents.walk import QuestionAnswer, question_answer

router = APIRouter(tags=["rail"])


@router.get("/clients/{client_id}/walk")
def get_walk(session: ReadSession, client_id: Id, by: By | None = None) -> list[QuestionAnswer]:
    """Pieces of which something is not known, what would change most looks first. by: about one thing only."""
    return [question_answer(one) for one in walk(session, client_id, by)]
