"""Looks as they are drawn."""

from fastapi import APIRouter, Response
from pydantic import TypeAdapter

from lucid_swatch.usecases.figures import draw_looks

from .context import Id, InContext, ReadSession
from .documents.figures import DrawnAnswer, DrawRequest, drawn_answer

router = APIRouter(tags=["looks"])

DRAWN = TypeAdapter(list[DrawnAnswer])


@router.post("/clients/{client_id}/figures", response_model=list[DrawnAnswer])
def draw(session: ReadSession, context: InContext, client_id: Id, asked: DrawRequest) -> Response:
    """Some looks on the figure and laid out, in the order in which they were asked for."""
    looks = [one.to_asked() for one in asked.looks]
    answers = [drawn_answer(one) for one in draw_looks(session, context.folder, client_id, looks)]
    # checked when they were made: a swap waits for the verdict beside it
    return Response(DRAWN.dump_json(answers), media_type="application/json")
