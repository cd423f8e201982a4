"""The clients' book."""

from dataclasses import replace
from datetime import UTC, datetime
from typing import Annotated

from fastapi import APIRouter, File, Response, UploadFile
from sqlalchemy.orm import Session

from lucid_swatch.core.photo.neutral import NeutralPoint
from lucid_swatch.core.problems import Refused
from lucid_swatch.files.photo import MAX_BYTES
from lucid_swatch.store.clients import Clients
from lucid_swatch.store.looks import Looks
from lucid_swatch.store.photos import Photos
from lucid_swatch.store.records import ClientRecord, PhotoState
from lucid_swatch.usecases.clients import (
    FACE,
    PORTRAIT,
    USUAL_SPOTS,
    Spots,
    add_client,
    erase_client,
    keep_portrait,
    read_portrait,
)
from lucid_swatch.usecases.rail import the_rail

from .context import InContext, UnitOfWork
from .documents import (
    ClientAnswer,
    ClientChange,
    ErasedAnswer,
    NewClient,
    PortraitRequest,
    SpotPlace,
    SpotsDocument,
    bolt_of,
    face_answer,
)

router = APIRouter(prefix="/clients", tags=["clients"])


def _picture(client: ClientRecord, name: str) -> str | None:
    return f"/api/clients/{client.id}/pictures/{name}" if client.portrait else None


def _spots(kept: dict[str, list[list[float]]]) -> SpotsDocument:
    return SpotsDocument(**{kind: [SpotPlace(x=x, y=y) for x, y in places] for kind, places in kept.items()})


def _answer(session: Session, client: ClientRecord) -> ClientAnswer:
    rail = the_rail(session, client.id)
    photos = Photos(session).of_client(client.id)
    return ClientAnswer(
        id=client.id, name=client.name, note=client.note, consent_on=client.consent_on, face=face_answer(client),
        portrait=_picture(client, FACE), whole_portrait=_picture(client, PORTRAIT),
        spots=None if client.spots is None else _spots(client.spots),
        neutrals="strict" if client.conventions.strict_neutrals else "broad", pieces=len(rail),
        doubtful=sum(one.doubtful for one in rail), looks=len(Looks(session).of_client(client.id)),
        waiting=sum(p.state is not PhotoState.HUNG for p in photos), bolt=bolt_of(rail),
    )  # fmt: skip


@router.get("")
def list_clients(session: UnitOfWork) -> list[ClientAnswer]:
    """Every client with the rail as one bolt."""
    return [_answer(session, client) for client in Clients(session).all()]


@router.post("", status_code=201)
def add(session: UnitOfWork, new: NewClient) -> ClientAnswer:
    """Adds a client."""
    today = datetime.now(UTC).date() if new.consent else None
    return _answer(session, add_client(session, new.name, today, new.note))


@router.get("/{client_id}")
def get_client(session: UnitOfWork, client_id: str) -> ClientAnswer:
    """One client."""
    return _answer(session, Clients(session).get(client_id))


@router.patch("/{client_id}")
def change_client(session: UnitOfWork, client_id: str, change: ClientChange) -> ClientAnswer:
    """Writes what changed on a client."""
    client = Clients(session).get(client_id)
    if change.name is not None and not change.name.strip():
        raise Refused("the client has no name.", "name", "Write a name or initials.")
    conventions, colouring = client.conventions, client.colouring
    if change.neutrals is not None:
        conventions = replace(conventions, strict_neutrals=change.neutrals == "strict")
    if change.undertone is not None:
        colouring = replace(colouring, undertone=None if change.undertone == "as read" else change.undertone)
    client = replace(
        client, name=client.name if change.name is None else change.name.strip(),
        note=client.note if change.note is None else change.note, conventions=conventions, colouring=colouring,
    )  # fmt: skip
    Clients(session).change(client)
    return _answer(session, client)


@router.delete("/{client_id}")
def erase(session: UnitOfWork, context: InContext, client_id: str) -> ErasedAnswer:
    """Erases a client with every photo and file, and says what went."""
    gone = erase_client(session, context.folder, client_id)
    return ErasedAnswer(photos=gone.photos, files=gone.files)


@router.post("/{client_id}/portrait")
def set_portrait(
    session: UnitOfWork, context: InContext, client_id: str, portrait: Annotated[UploadFile, File()]
) -> ClientAnswer:
    """Keeps a portrait and reads it where skin, hair and eyes usually are."""
    content = portrait.file.read(MAX_BYTES + 1)
    keep_portrait(session, context.folder, client_id, content)
    return _answer(session, read_portrait(session, context.folder, context.cut_out, client_id, USUAL_SPOTS))


@router.put("/{client_id}/colouring")
def read_colouring_again(
    session: UnitOfWork, context: InContext, client_id: str, asked: PortraitRequest
) -> ClientAnswer:
    """Reads the kept portrait at other spots, or relights it from something neutral."""
    places = {kind: tuple((s.x, s.y) for s in getattr(asked.spots, kind)) for kind in ("skin", "hair", "eyes")}
    neutral = None if asked.neutral is None else NeutralPoint(**asked.neutral.model_dump())
    return _answer(
        session, read_portrait(session, context.folder, context.cut_out, client_id, Spots(**places), neutral)
    )


@router.get("/{client_id}/pictures/{name}")
def client_picture(context: InContext, client_id: str, name: str) -> Response:
    """The portrait, relit."""
    return Response(
        context.folder.picture(client_id, name).read_bytes(),
        media_type="image/jpeg",
        headers={"cache-control": "private, no-cache"},
    )
