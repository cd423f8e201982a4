"""Looks as they are drawn."""

from fastapi import APIRouter

from lucid_swatch.usecases.figures import draw_looks

from .context import Id, InContext, ReadSession
from .documents.figures import DrawnAnswer, DrawRequest, drawn_answer

router = APIRouter(tags=["looks"])


@router.post("/clients/{client_id}/figures")
def draw(session: ReadSession, context: InContext, client_id: Id, asked: DrawRequest) -> list[DrawnAnswer]:
    """Some looks on the figure and laid out, in the order in which they were asked for."""
    looks = [one.to_asked() for one in asked.looks]
    return [drawn_answer(one) for one in draw_looks(session, context.folder, client_id, looks)]
