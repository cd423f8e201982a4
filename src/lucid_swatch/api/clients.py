"""The clients' book."""

from datetime import UTC, datetime
from typing import IO, Any

from fastapi import APIRouter, Response
from sqlalchemy.orm import Session

from lucid_swatch.formats.client import AboutDocument
from lucid_swatch.store.clients import Clients
from lucid_swatch.store.looks import Looks
from lucid_swatch.store.photos import Photos
from lucid_swatch.store.pieces import Pieces
from lucid_swatch.store.records import ClientRecord
from lucid_swatch.usecases.backups import clear_of
from lucid_swatch.usecases.clients import Said, add_client, archive, give_consent, say, withdraw_consent, write_about
from lucid_swatch.usecases.erase import erase_client
from lucid_swatch.usecases.rail import sorted_pieces
from lucid_swatch.usecases.take_out import archive_name, write_client_archive

from .context import Id, InContext, ReadSession, UnitOfWork, in_one_change
from .documents.clients import (
    ArchiveRequest,
    BookEntry,
    ClientAnswer,
    ClientChange,
    ConsentRequest,
    ErasedAnswer,
    NewClient,
)
from .documents.colouring import face_answer
from .documents.portraits import face_pictures, portrait_answer
from .documents.rail import bolt_of
from .downloads import zip_download

router = APIRouter(prefix="/clients", tags=["clients"])


def client_answer(session: Session, client: ClientRecord) -> ClientAnswer:
    """A client."""
    return ClientAnswer(**_own_values(session, client))


def _own_values(session: Session, client: ClientRecord) -> dict[str, Any]:
    pictures = {} if client.portrait is None else face_pictures(client.portrait)
    return {
        "id": client.id,
        "name": client.name,
        "note": client.note,
        "consent_on": client.consent_on,
        "consent_for": client.consent_for,
        "consent_withdrawn_on": client.consent_withdrawn_on,
        "archived": client.archived_at is not None,
        "about": AboutDocument.from_core(client.about),
        "face": face_answer(client),
        "portrait": pictures.get("face"),
        "person": pictures.get("person"),
        "head": pictures.get("head"),
        "portraits": [portrait_answer(face) for face in client.faces],
        "neutrals": "strict" if client.conventions.strict_neutrals else "broad",
        "waiting": Photos(session).waiting(client.id),
    }


@router.get("")
def list_clients(session: ReadSession) -> list[BookEntry]:
    """Every client with the rail as one bolt."""
    entries = []
    for client in Clients(session).all():
        rail = sorted_pieces(Pieces(session).of_client(client.id), client.conventions.school)
        entries.append(
            BookEntry(
                **_own_values(session, client),
                pieces=len(rail),
                doubtful=sum(one.doubtful for one in rail),
                looks=len(Looks(session).of_client(client.id)),
                bolt=bolt_of(rail),
            )
        )
    return entries


@router.post("", status_code=201)
@in_one_change
def add(session: UnitOfWork, new: NewClient) -> ClientAnswer:
    """Adds a client."""
    today = datetime.now(UTC).date() if new.consent else None
    return client_answer(session, add_client(session, new.name, today, new.note, new.consent_for))


@router.get("/{client_id}")
def get(session: ReadSession, client_id: Id) -> ClientAnswer:
    """One client."""
    return client_answer(session, Clients(session).get(client_id))


@router.patch("/{client_id}")
@in_one_change
def change_client(session: UnitOfWork, client_id: Id, change: ClientChange) -> ClientAnswer:
    """Writes what changed on a client."""
    schools = None if change.conventions is None else change.conventions.to_core()
    said = Said(change.name, change.note, change.undertone, schools, change.neutrals)
    return client_answer(session, say(session, client_id, said))


@router.put("/{client_id}/about")
@in_one_change
def set_about(session: UnitOfWork, client_id: Id, about: AboutDocument) -> ClientAnswer:
    """Writes what is known about a client: occasions, refusals, habits, what is always worn."""
    return client_answer(session, write_about(session, client_id, about.to_core()))


@router.put("/{client_id}/consent")
@in_one_change
def set_consent(session: UnitOfWork, client_id: Id, consent: ConsentRequest) -> ClientAnswer:
    """Consent to photos, given again or withdrawn today."""
    if consent.given:
        return client_answer(session, give_consent(session, client_id, consent.given_for))
    return client_answer(session, withdraw_consent(session, client_id))


@router.put("/{client_id}/archived")
@in_one_change
def set_archived(session: UnitOfWork, client_id: Id, asked: ArchiveRequest) -> ClientAnswer:
    """Puts a client at the end of the book, or back."""
    return client_answer(session, archive(session, client_id, asked.archived))


@router.get("/{client_id}/archive.zip")
def take_out(session: ReadSession, context: InContext, client_id: Id) -> Response:
    """Everything that is kept about a client, in open formats."""

    def write(out: IO[bytes]) -> None:
        write_client_archive(session, context.folder, client_id, out)

    return zip_download(context, archive_name(session, client_id), write)


@router.delete("/{client_id}")
def erase(context: InContext, client_id: Id) -> ErasedAnswer:
    """Erases a client with every row and file, searches for what is left, and says what went."""
    gone = erase_client(context.sessions, context.folder, client_id, context.queue.without)
    cleared = clear_of(context.sessions, context.folder.path, client_id, datetime.now(UTC))
    return ErasedAnswer(
        rows=gone.rows,
        files=list(gone.files),
        left=list(gone.left),
        backups_replaced=cleared.replaced,
        backups_left=list(cleared.left),
    )
