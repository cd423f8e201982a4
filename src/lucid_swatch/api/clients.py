"""The clients' book."""

import json
from dataclasses import replace
from datetime import UTC, datetime
from typing import Annotated

from fastapi import APIRouter, File, Form, Response, UploadFile
from sqlalchemy.orm import Session

from lucid_swatch.core.photo.light import NeutralPoint
from lucid_swatch.core.problems import Refused
from lucid_swatch.formats.document import parse
from lucid_swatch.store.clients import Clients
from lucid_swatch.store.looks import Looks
from lucid_swatch.store.photos import Photos
from lucid_swatch.store.records import ClientRecord, PhotoState
from lucid_swatch.usecases.clients import FACE, Spots, add_client, erase_client, read_portrait
from lucid_swatch.usecases.rail import the_rail

from .context import InContext, UnitOfWork
from .documents import (
    Answer,
    ClientAnswer,
    ClientChange,
    ErasedAnswer,
    NeutralMark,
    NewClient,
    bolt_of,
    face_answer,
)

router = APIRouter(prefix="/clients", tags=["clients"])


class SpotsDocument(Answer):
    """Where to read a portrait, in fractions from its top left corner."""

    skin: list[tuple[float, float]]
    hair: list[tuple[float, float]]
    eyes: list[tuple[float, float]]
    neutral: NeutralMark | None = None


def _answer(session: Session, client: ClientRecord) -> ClientAnswer:
    rail = the_rail(session, client.id)
    photos = Photos(session).of_client(client.id)
    return ClientAnswer(
        id=client.id, name=client.name, note=client.note, consent_on=client.consent_on, face=face_answer(client),
        portrait=f"/api/clients/{client.id}/pictures/{FACE}" if client.portrait else None,
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
    session: UnitOfWork,
    context: InContext,
    client_id: str,
    portrait: Annotated[UploadFile, File()],
    spots: Annotated[str, Form(description="A SpotsDocument as JSON.")],
) -> ClientAnswer:
    """Reads skin, hair and eyes at the given spots of a portrait."""
    places = parse(SpotsDocument, _json(spots), "spots")
    neutral = None if places.neutral is None else NeutralPoint(**places.neutral.model_dump())
    chosen = Spots(tuple(places.skin), tuple(places.hair), tuple(places.eyes))
    if not (chosen.skin and chosen.hair and chosen.eyes):
        raise Refused("a spot is missing.", "spots", "Put one on the skin, one on the hair and one on an eye.")
    content = portrait.file.read()
    return _answer(
        session, read_portrait(session, context.folder, context.cut_out, client_id, content, chosen, neutral)
    )


def _json(text: str) -> object:
    try:
        return json.loads(text)
    except ValueError:
        raise Refused("the spots are not JSON.", "spots", "Send them as the description says.") from None


@router.get("/{client_id}/pictures/{name}")
def client_picture(context: InContext, client_id: str, name: str) -> Response:
    """The portrait, relit."""
    return Response(context.folder.picture(client_id, name).read_bytes(), media_type="image/jpeg")
