"""Portraits and readings of a face."""

from typing import Annotated, Literal

from fastapi import APIRouter, File, Query, Response, UploadFile

from lucid_swatch.core.photo.neutral import NeutralPoint
from lucid_swatch.files.photo import MAX_BYTES
from lucid_swatch.store.clients import Clients
from lucid_swatch.store.faces import Faces
from lucid_swatch.usecases.faces import (
    add_portrait,
    change_veils,
    count_in,
    head_of,
    live_spot,
    read_again,
    read_with_reader,
    remove_face,
    set_by_eye,
)

from .clients import client_answer
from .context import Context, Id, InContext, ReadSession, UnitOfWork, in_one_change
from .documents.base import Fraction
from .documents.clients import ClientAnswer
from .documents.colouring import FaceColour, face_colour
from .documents.portraits import ByEyeRequest, FacePart, InUseRequest, PartRequest, PortraitRequest, VeilsRequest

router = APIRouter(tags=["colouring"])


@router.post("/clients/{client_id}/portraits", status_code=201)
def send_portrait(context: InContext, client_id: Id, portrait: Annotated[UploadFile, File()]) -> ClientAnswer:
    """Keeps a portrait, finds the face in it and reads skin, hair and eyes."""
    content, name = portrait.file.read(MAX_BYTES + 1), portrait.filename or "portrait"
    add_portrait(context.sessions, context.folder, context.queue, client_id, content, name)
    return _answer(context, client_id)


def _answer(context: Context, client_id: str) -> ClientAnswer:
    with context.sessions() as session:
        return client_answer(session, Clients(session).get(client_id))


@router.put("/portraits/{portrait_id}")
def read_portrait(context: InContext, portrait_id: Id, asked: PortraitRequest) -> ClientAnswer:
    """Reads a kept portrait at other spots, or relights it from something neutral."""
    places = {part: tuple((s.x, s.y) for s in getattr(asked.spots, part)) for part in ("skin", "hair", "eyes")}
    neutral = None if asked.neutral is None else NeutralPoint(**asked.neutral.model_dump())
    veils = frozenset(asked.veils)
    face = read_again(context.sessions, context.folder, context.queue, portrait_id, places, neutral, veils)
    return _answer(context, face.client_id)


@router.put("/portraits/{portrait_id}/veils")
@in_one_change
def set_veils(session: UnitOfWork, portrait_id: Id, asked: VeilsRequest) -> ClientAnswer:
    """Says what stands between: make-up, dyed hair, tinted glasses, flash."""
    face = change_veils(session, portrait_id, frozenset(asked.veils))
    return client_answer(session, Clients(session).get(face.client_id))


@router.put("/portraits/{portrait_id}/in-use")
@in_one_change
def set_in_use(session: UnitOfWork, portrait_id: Id, asked: InUseRequest) -> ClientAnswer:
    """Lets a portrait count, or not."""
    face = count_in(session, portrait_id, asked.in_use)
    return client_answer(session, Clients(session).get(face.client_id))


@router.delete("/portraits/{portrait_id}", status_code=204)
@in_one_change
def remove_portrait(session: UnitOfWork, context: InContext, portrait_id: Id) -> None:
    """Removes a portrait or a reading."""
    remove_face(session, context.folder, portrait_id)


@router.get("/portraits/{portrait_id}/spot")
def read_live(
    session: ReadSession,
    context: InContext,
    portrait_id: Id,
    part: FacePart,
    x: Annotated[Fraction, Query()],
    y: Annotated[Fraction, Query()],
) -> FaceColour:
    """What a lens reads where it is held."""
    return face_colour(live_spot(session, context.folder, portrait_id, part, x, y))


@router.get("/portraits/{portrait_id}/pictures/{name}")
def portrait_picture(
    session: ReadSession,
    context: InContext,
    portrait_id: Id,
    name: Literal["portrait.jpg", "face.jpg", "person.webp", "head.webp"],
) -> Response:
    """The portrait relit, the face, the person cut out, or the head alone."""
    kind = "image/webp" if name.endswith(".webp") else "image/jpeg"
    headers = {"cache-control": "no-store"}  # no copy of a face stays in a browser
    if name == "head.webp":
        content = head_of(session, context.folder, portrait_id)
    else:
        content = context.folder.picture(Faces(session).get(portrait_id).id, name).read_bytes()
    return Response(content, media_type=kind, headers=headers)


@router.post("/clients/{client_id}/by-eye", status_code=201)
@in_one_change
def say_colour(session: UnitOfWork, client_id: Id, asked: ByEyeRequest) -> ClientAnswer:
    """A colour of the face set by eye."""
    lightness, a, b = asked.lab
    set_by_eye(session, client_id, asked.part, (lightness, a, b))
    return client_answer(session, Clients(session).get(client_id))


@router.post("/clients/{client_id}/by-reader", status_code=201)
def hold_reader_to_face(context: InContext, client_id: Id, asked: PartRequest) -> ClientAnswer:
    """A colour of the face read with the handheld reader."""
    read_with_reader(context.sessions, context.reader, context.hand, client_id, asked.part)
    return _answer(context, client_id)
