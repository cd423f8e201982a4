"""What lies aside, what is kept in all, and about whom."""

from datetime import datetime
from typing import Annotated

from fastapi import APIRouter, Response
from fastapi import Path as InPath
from pydantic import Field

from lucid_swatch.files.photo import decode_photo
from lucid_swatch.files.pictures import jpeg, thumbnail
from lucid_swatch.usecases.holdings import Holdings, holdings
from lucid_swatch.usecases.tidy import Aside, delete_aside, list_aside, photo_aside, take_in_again

from .context import InContext, ReadSession
from .documents.base import Answer, Request
from .documents.photos import TakenAnswer, taken_answer

router = APIRouter(tags=["studio"], prefix="/studio")
Name = Annotated[str, InPath(pattern=r"^[A-Za-z0-9][A-Za-z0-9._-]{0,200}$")]


class AsideAnswer(Answer):
    """Something that lies aside."""

    name: str
    kind: str
    client_id: str | None
    bytes: int
    since: datetime


class HeldAnswer(Answer):
    """What is kept about one client."""

    client_id: str
    name: str
    photos: int
    portraits: int
    pieces: int
    looks: int
    bytes: int


class HoldingsAnswer(Answer):
    """What this studio keeps."""

    folder: str
    bytes: int
    photos: int
    free: int
    """Bytes left on the disk."""
    clients: list[HeldAnswer]
    aside: list[AsideAnswer]


class TakeAsideRequest(Request):
    """What is taken in again, and for whom."""

    names: list[str] = Field(min_length=1, max_length=100)
    client_id: str = Field(max_length=64)


class DeleteAsideRequest(Request):
    """What is deleted for good."""

    names: list[str] = Field(min_length=1, max_length=10000)


@router.get("/kept")
def get_holdings(session: ReadSession, context: InContext) -> HoldingsAnswer:
    """Where the data is, how much of it, and about whom."""
    found: Holdings = holdings(session, context.folder)
    return HoldingsAnswer(
        folder=str(context.folder.path),
        bytes=found.bytes,
        photos=found.photos,
        free=found.free,
        clients=[
            HeldAnswer(
                client_id=one.client.id,
                name=one.client.name,
                photos=one.photos,
                portraits=one.portraits,
                pieces=one.pieces,
                looks=one.looks,
                bytes=one.bytes,
            )
            for one in found.clients
        ],
        aside=[_aside(one) for one in list_aside(session, context.folder)],
    )


def _aside(one: Aside) -> AsideAnswer:
    return AsideAnswer(name=one.name, kind=one.kind, client_id=one.client_id, bytes=one.bytes, since=one.since)


@router.get("/aside/{name}/thumbnail.jpg")
def aside_thumbnail(context: InContext, name: Name) -> Response:
    """What lies aside, small."""
    small = thumbnail(decode_photo(photo_aside(context.folder, name), name, 320).srgb, 160)
    return Response(jpeg(small), media_type="image/jpeg", headers={"cache-control": "no-store"})


@router.post("/aside/take")
def take_aside(context: InContext, asked: TakeAsideRequest) -> list[TakenAnswer]:
    """Takes what lies aside in again."""
    taken = take_in_again(context.sessions, context.folder, context.queue, asked.names, asked.client_id)
    for one in taken:
        if one.photo is not None:
            context.queue.add(one.photo.id)
    return [taken_answer(one) for one in taken]


@router.post("/aside/delete", status_code=204)
def throw_aside_away(context: InContext, asked: DeleteAsideRequest) -> None:
    """Deletes what lies aside."""
    delete_aside(context.sessions, context.folder, asked.names)
