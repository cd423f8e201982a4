"""The clients' book: add, change, archive, take out, erase."""

from datetime import UTC, date, datetime
from uuid import uuid4

from sqlalchemy.orm import Session

from lucid_swatch.core.problems import Refused
from lucid_swatch.formats.client import About
from lucid_swatch.store.clients import Clients
from lucid_swatch.store.pieces import Pieces
from lucid_swatch.store.records import ClientRecord


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
            f"{client.name} withdrew consent to photos on {day}.",
            "consent",
            "Take no new photos; ask again and record it, or erase what is kept.",
        )


def withdraw_consent(session: Session, id: str) -> ClientRecord:
    """Records that the client no longer agrees to photos; what is kept stays until it is erased."""
    return Clients(session).change(id, consent_withdrawn_on=datetime.now(UTC).date())


def give_consent(session: Session, id: str, consent_for: str) -> ClientRecord:
    """Records that the client agrees to photos, from today, and what for."""
    today = datetime.now(UTC).date()
    return Clients(session).change(id, consent_on=today, consent_for=consent_for.strip(), consent_withdrawn_on=None)


def write_about(session: Session, id: str, about: About) -> ClientRecord:
    """Writes what is known about a client. Refused when a piece that is always on is not on the rail."""
    rail = {hung.piece.id for hung in Pieces(session).of_client(id)}
    missing = next((piece for piece in about.always_on if piece not in rail), None)
    if missing is not None:
        raise Refused("this piece is not on the client's rail.", missing, "Hang it first, or leave it out.")
    return Clients(session).change(id, about=about.model_dump(mode="json"))


def archive(session: Session, id: str, archived: bool) -> ClientRecord:
    """Puts a client at the end of the book, or back."""
    return Clients(session).change(id, archived_at=datetime.now(UTC) if archived else None)
