"""Capsules: the few pieces that carry most good looks."""

import json
from typing import Annotated

from fastapi import APIRouter, File, Response, UploadFile
from sqlalchemy.orm import Session

from lucid_swatch.formats.plain_text import MAX_TEXT_BYTES
from lucid_swatch.store.capsules import Capsules
from lucid_swatch.store.clients import Clients
from lucid_swatch.usecases.capsules import (
    begin_capsule,
    capsule_in,
    capsule_out,
    change_capsule,
    let_capsule_go,
    shown_capsule,
    stop_choosing,
)
from lucid_swatch.usecases.rail_out import file_name

from .context import Context, Id, InContext, ReadSession, UnitOfWork, in_one_change
from .documents.capsules import CapsuleAnswer, CapsuleChange, CapsuleRequest, capsule_answer
from .documents.changes import LetGoAnswer

router = APIRouter(tags=["plan"])


@router.get("/clients/{client_id}/capsules")
def list_capsules(session: ReadSession, context: InContext, client_id: Id) -> list[CapsuleAnswer]:
    """A client's capsules, the newest first."""
    Clients(session).get(client_id)
    # who looks at capsules chooses one soon, and a process takes a while to be ready
    context.queue.make_ready()
    return [_shown(session, one.id) for one in Capsules(session).of_client(client_id)]


@router.post("/clients/{client_id}/capsules", status_code=201)
def choose_capsule_pieces(context: InContext, client_id: Id, asked: CapsuleRequest) -> CapsuleAnswer:
    """Chooses a capsule as a job that can be watched and stopped: a good one at once, then the best."""
    with context.sessions.begin() as session:
        id = begin_capsule(session, client_id, asked.name, asked.pieces, asked.to_core()).id
    context.queue.add(id)
    return _answer(context, id)


@router.post("/clients/{client_id}/capsules/file", status_code=201)
@in_one_change
def read_capsule_in(session: UnitOfWork, client_id: Id, capsule: Annotated[UploadFile, File()]) -> CapsuleAnswer:
    """Keeps a capsule that was written to a file."""
    name, content = capsule.filename or "capsule", capsule.file.read(MAX_TEXT_BYTES + 1)
    return _shown(session, capsule_in(session, client_id, content, name).id)


@router.get("/capsules/{capsule_id}")
def show_capsule(session: ReadSession, capsule_id: Id) -> CapsuleAnswer:
    """A capsule with its curve."""
    return _shown(session, capsule_id)


@router.put("/capsules/{capsule_id}")
def change_kept_capsule(context: InContext, capsule_id: Id, asked: CapsuleChange) -> CapsuleAnswer:
    """Gives a capsule another name, or takes another point of its curve."""
    with context.sessions.begin() as session:
        change_capsule(session, capsule_id, asked.name, asked.pieces)
    return _answer(context, capsule_id)


@router.delete("/capsules/{capsule_id}")
def let_go_of_capsule(context: InContext, capsule_id: Id) -> LetGoAnswer:
    """Lets a capsule go, which can be taken back."""
    with context.sessions.begin() as session:
        number = let_capsule_go(session, capsule_id)
    context.queue.end([capsule_id])
    return LetGoAnswer(change=number)


@router.delete("/capsules/{capsule_id}/choosing")
def stop_choosing_capsule(context: InContext, capsule_id: Id) -> CapsuleAnswer:
    """Stops the choosing; the best that was found by now stays."""
    with context.sessions.begin() as session:
        stop_choosing(session, capsule_id)
    context.queue.end([capsule_id])
    return _answer(context, capsule_id)


@router.get("/capsules/{capsule_id}/capsule.json")
def take_capsule_out(session: ReadSession, capsule_id: Id) -> Response:
    """A capsule in the open format."""
    name, document = capsule_out(session, capsule_id)
    told = json.dumps(document.model_dump(mode="json", by_alias=True), indent=1)
    headers = {"content-disposition": f'attachment; filename="{file_name(name)}.json"'}
    return Response(told, media_type="application/json", headers=headers)


def _answer(context: Context, id: str) -> CapsuleAnswer:
    with context.sessions() as session:
        return _shown(session, id)


def _shown(session: Session, id: str) -> CapsuleAnswer:
    return capsule_answer(shown_capsule(session, id))
