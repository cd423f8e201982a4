"""The clients' book: add, change, archive, take out, erase."""

from dataclasses import dataclass, replace
from datetime import UTC, date, datetime
from pathlib import Path
from uuid import uuid4

import sqlalchemy as sa
from sqlalchemy.orm import Session

from lucid_swatch.core.problems import Refused
from lucid_swatch.formats.client import About
from lucid_swatch.store.clients import Clients
from lucid_swatch.store.compared_photos import ComparedPhotos
from lucid_swatch.store.database import Sessions
from lucid_swatch.store.folder import Folder
from lucid_swatch.store.looks import Looks
from lucid_swatch.store.photos import Photos
from lucid_swatch.store.pieces import Pieces
from lucid_swatch.store.records import ClientRecord


@dataclass(frozen=True, slots=True)
class Erased:
    """What went with a client, and what a search found afterwards."""

    rows: dict[str, int]
    """How many from each table."""
    files: tuple[str, ...]
    """Names below the data folder."""
    left: tuple[str, ...]
    """What is still there; empty when everything went."""


def add_client(
    session: Session, name: str, consent_on: date | None, note: str = "", consent_for: str = ""
) -> ClientRecord:
    """A new client. Refused without a name or without consent to photos."""
    if not name.strip():
        raise Refused("the client has no name.", "name", "Write a name or initials.")
    if consent_on is None:
        raise Refused(
            "nothing is photographed without consent.", "consent", "Ask the client, then tick that they agreed."
        )
    client = ClientRecord(uuid4().hex, name.strip(), consent_on, datetime.now(UTC), note, consent_for.strip())
    Clients(session).add(client)
    return client


def check_consent(client: ClientRecord) -> None:
    """Refused when the client has withdrawn consent to photos."""
    if client.consent_withdrawn_on is not None:
        day = client.consent_withdrawn_on.isoformat()
        raise Refused(
            f"{client.name} withdrew consent to photos on {day}.", "consent",
            "Take no new photos; ask again and record it, or erase what is kept.",
        )  # fmt: skip


def withdraw_consent(session: Session, id: str) -> ClientRecord:
    """Records that the client no longer agrees to photos; what is kept stays until it is erased."""
    return _changed(session, id, consent_withdrawn_on=datetime.now(UTC).date())


def give_consent(session: Session, id: str, consent_for: str) -> ClientRecord:
    """Records that the client agrees to photos, from today, and what for."""
    today = datetime.now(UTC).date()
    return _changed(session, id, consent_on=today, consent_for=consent_for.strip(), consent_withdrawn_on=None)


def write_about(session: Session, id: str, about: About) -> ClientRecord:
    """Writes what is known about a client. Refused when a piece that is always on is not on the rail."""
    rail = {hung.piece.id for hung in Pieces(session).of_client(id)}
    missing = next((piece for piece in about.always_on if piece not in rail), None)
    if missing is not None:
        raise Refused("this piece is not on the client's rail.", missing, "Hang it first, or leave it out.")
    return _changed(session, id, about=about.model_dump(mode="json"))


def archive(session: Session, id: str, archived: bool) -> ClientRecord:
    """Puts a client at the end of the book, or back."""
    return _changed(session, id, archived_at=datetime.now(UTC) if archived else None)


def _changed(session: Session, id: str, **values: object) -> ClientRecord:
    clients = Clients(session)
    client = replace(clients.get(id), **values)  # type: ignore[arg-type]
    clients.change(client)
    return client


def erase_client(sessions: Sessions, folder: Folder, id: str) -> Erased:
    """Removes a client with every row, photo and picture, scrubs the freed pages, and searches for what is left."""
    with sessions.begin() as session:
        client = Clients(session).get(id)
        photos = Photos(session).of_client(id)
        looks = [look.id for look in Looks(session).of_client(id)]
        compared = [photo.id for photo in ComparedPhotos(session).of_client(id)]
        owners = [*(photo.id for photo in photos), *(face.id for face in client.faces), *looks, *compared, id]
        files = [folder.photo(photo.file) for photo in photos] + [f for owner in owners for f in folder.pictures(owner)]
        rows = Clients(session).erase(id)
    # files go after the rows are safely gone: a crash between leaves orphans, which the next start clears away
    there = [file for file in files if file.is_file()]
    for photo in photos:
        folder.remove_photo(photo.file, photo.id)
    for owner in owners:
        folder.remove_pictures(owner)
    _scrub(sessions)
    names = tuple(str(file.relative_to(folder.path)) for file in there)
    return Erased(rows, names, _left(folder.path, [id, *owners, *(p.name for p in photos)]))


def _scrub(sessions: Sessions) -> None:
    """Empties the write-ahead log and rebuilds the file, so that nothing erased stays in a freed page."""
    with sessions() as session:
        connection = session.connection(execution_options={"isolation_level": "AUTOCOMMIT"})
        try:
            connection.execute(sa.text("vacuum"))
            connection.execute(sa.text("pragma wal_checkpoint(truncate)"))
        except sa.exc.OperationalError:
            pass  # busy or full: the rows are gone, and the search that follows says what a page still holds


def _left(folder: Path, traces: list[str]) -> tuple[str, ...]:
    """Files of the data folder that still hold one of some ids or names, in their name or, for the database, inside."""
    found = []
    for file in folder.rglob("*"):
        inside = file.read_bytes() if file.is_file() and ".sqlite" in file.name else b""
        if any(trace in file.name or trace.encode() in inside for trace in traces if len(trace) >= LEAST_TRACE):
            found.append(str(file.relative_to(folder)))
    return tuple(found)


LEAST_TRACE = 24
"""Letters of an id; a shorter name may well belong to somebody else."""
