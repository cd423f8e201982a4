"""Clients in the database."""

from dataclasses import asdict
from typing import Any

import sqlalchemy as sa
from sqlalchemy.orm import Session

from lucid_swatch.core.look.look import Conventions
from lucid_swatch.core.problems import NotThere

from .faces import face_record
from .leanings import studio_conventions
from .records import ClientRecord
from .tables import ClientRow


class Clients:
    """The clients' book."""

    def __init__(self, session: Session) -> None:
        self.session = session

    def all(self) -> list[ClientRecord]:
        """Every client, by name, the archived ones last."""
        order = (ClientRow.archived_at.is_not(None), ClientRow.name)
        own = studio_conventions(self.session)
        return [_record(row, own) for row in self.session.scalars(sa.select(ClientRow).order_by(*order))]

    def get(self, id: str) -> ClientRecord:
        """One client. NotThere when there is none."""
        return _record(self._row(id), studio_conventions(self.session))

    def add(self, client: ClientRecord) -> None:
        """Writes a new client."""
        self.session.add(ClientRow(id=client.id, **_columns(client)))
        self.session.flush()

    def change(self, id: str, **values: Any) -> ClientRecord:
        """Writes some values of a client and leaves the others; faces and trials have a book of their own."""
        row = self._row(id)
        for column, value in values.items():
            setattr(row, column, KEPT_AS[column](value) if column in KEPT_AS else value)
        self.session.flush()
        return self.get(id)

    def erase(self, id: str) -> dict[str, int]:
        """Removes a client with all rows that belong to them; answers how many went from each table."""
        row = self._row(id)
        counts = {
            table: int(
                self.session.scalar(sa.text(f"select count(*) from {table} where client_id = :id"), {"id": id}) or 0
            )
            for table in OWNED
        }
        # looks first: their pieces are guarded against removal
        for table in OWNED:
            self.session.execute(sa.text(f"delete from {table} where client_id = :id"), {"id": id})
        self.session.delete(row)
        self.session.flush()
        return counts | {"client": 1}

    def snapshot(self, id: str) -> dict[str, Any] | None:
        """The schools that are followed for a client, as the journal keeps them."""
        row = self.session.get(ClientRow, id)
        return None if row is None else {"conventions": row.conventions}

    def restore(self, id: str, kept: dict[str, Any] | None) -> None:
        """Makes the schools what a snapshot says."""
        if kept is not None:
            self._row(id).conventions = kept["conventions"]
            self.session.flush()

    def _row(self, id: str) -> ClientRow:
        # faces and trials are written beside the client: what was loaded before may be old
        row = self.session.get(ClientRow, id, populate_existing=True)
        if row is None:
            raise NotThere("there is no such client.", id, "Go back to the clients' book.")
        return row


OWNED = ("look", "piece", "photo", "face", "trial", "side_by_side", "compared_photo", "change", "palette")
"""Tables whose rows belong to a client, in the order in which they may go."""


def _columns(client: ClientRecord) -> dict[str, object]:
    values = {name: getattr(client, name) for name in OWN}
    return {name: KEPT_AS[name](value) if name in KEPT_AS else value for name, value in values.items()}


OWN = (
    "name",
    "note",
    "consent_on",
    "consent_for",
    "consent_withdrawn_on",
    "archived_at",
    "undertone",
    "conventions",
    "about",
    "dismissed",
    "created_at",
)


def _kept_conventions(conventions: Conventions) -> dict[str, object]:
    """The schools of a client; leanings and tastes belong to the whole studio and are kept there."""
    return {name: value for name, value in asdict(conventions).items() if name not in ("leanings", "tastes")}


KEPT_AS: dict[str, Any] = {"conventions": _kept_conventions, "dismissed": list}


def _record(row: ClientRow, own: dict[str, Any]) -> ClientRecord:
    told = next((trial.reading for trial in reversed(row.trials) if trial.reading is not None), None)
    return ClientRecord(
        row.id,
        row.name,
        row.consent_on,
        row.created_at,
        row.note,
        row.consent_for,
        row.consent_withdrawn_on,
        row.archived_at,
        row.undertone,
        Conventions(**row.conventions, **own),
        row.about,
        tuple(row.dismissed),
        tuple(face_record(face) for face in row.faces),
        told,
    )
