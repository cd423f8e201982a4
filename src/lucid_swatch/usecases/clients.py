"""The clients' book: add, change, archive, take out, erase."""

from dataclasses import dataclass, replace
from datetime import UTC, date, datetime
from typing import Literal
from uuid import uuid4

from sqlalchemy.orm import Session

from lucid_swatch.core.client.about import About
from lucid_swatch.core.garment.vocabulary import Undertone
from lucid_swatch.core.look.look import Conventions
from lucid_swatch.core.problems import Refused
from lucid_swatch.store.clients import Clients
from lucid_swatch.store.pieces import Pieces
from lucid_swatch.store.records import ClientRecord

from .changes import recorded
from .wardrobe import in_force


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


@dataclass(frozen=True, slots=True)
class Said:
    """What the stylist says of a client; what is None stays."""

    name: str | None = None
    note: str | None = None
    undertone: Undertone | Literal["as read"] | None = None
    schools: Conventions | None = None
    neutrals: Literal["broad", "strict"] | None = None
    """The school of the neutrals alone."""


def say(session: Session, id: str, said: Said) -> ClientRecord:
    """Writes what the stylist says of a client; a change of the school can be taken back. Refused for an empty name."""
    if said.name is not None and not said.name.strip():
        raise Refused("the client has no name.", "name", "Write a name or initials.")

    def turn(client: ClientRecord) -> ClientRecord:
        schools = client.conventions
        if said.neutrals is not None:
            schools = replace(schools, strict_neutrals=said.neutrals == "strict")
        undertone = client.undertone
        if said.undertone is not None:
            undertone = None if said.undertone == "as read" else said.undertone
        return replace(
            client,
            name=client.name if said.name is None else said.name.strip(),
            note=client.note if said.note is None else said.note,
            undertone=undertone,
            conventions=schools if said.schools is None else in_force(client, said.schools),
        )

    told = "the school" if said.schools is not None else f"neutrals: {said.neutrals or 'as before'}"
    with recorded(session, id, told) as journal:
        journal.touches("client", id)
        return Clients(session).change(id, turn)


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
    today = datetime.now(UTC).date()
    return Clients(session).change(id, lambda client: replace(client, consent_withdrawn_on=today))


def give_consent(session: Session, id: str, consent_for: str) -> ClientRecord:
    """Records that the client agrees to photos, from today, and what for."""
    today = datetime.now(UTC).date()
    return Clients(session).change(
        id, lambda client: replace(client, consent_on=today, consent_for=consent_for.strip(), consent_withdrawn_on=None)
    )


def write_about(session: Session, id: str, about: About) -> ClientRecord:
    """Writes what is known about a client. Refused when a piece that is always on is not on the rail."""
    rail = {hung.piece.id for hung in Pieces(session).of_client(id)}
    missing = next((piece for piece in about.always_on if piece not in rail), None)
    if missing is not None:
        raise Refused("this piece is not on the client's rail.", missing, "Hang it first, or leave it out.")
    return Clients(session).change(id, lambda client: replace(client, about=about))


def archive(session: Session, id: str, archived: bool) -> ClientRecord:
    """Puts a client at the end of the book, or back."""
    at = datetime.now(UTC) if archived else None
    return Clients(session).change(id, lambda client: replace(client, archived_at=at))
