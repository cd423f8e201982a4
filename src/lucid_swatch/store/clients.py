"""Clients in the database."""

from collections.abc import Callable
from dataclasses import replace

import sqlalchemy as sa
from sqlalchemy.orm import Session

from lucid_swatch.core.look.look import Conventions
from lucid_swatch.core.problems import NotThere

from .faces import Faces
from .leanings import with_studio
from .owned import owned_tables, rows_of
from .records import ClientRecord, Snapshot
from .tables import ClientRow
from .values import adapter_of

OWN = (
    "name",
    "note",
    "consent_on",
    "consent_for",
    "consent_withdrawn_on",
    "archived_at",
    "undertone",
    "about",
    "dismissed",
    "created_at",
)
"""What stands in the row of a client under the name of the field; faces and trials have books of their own."""


class Clients:
    """The clients' book."""

    def __init__(self, session: Session) -> None:
        self.session = session

    def all(self) -> list[ClientRecord]:
        """Every client, by name, the archived ones last."""
        order = (ClientRow.archived_at.is_not(None), ClientRow.name)
        studio = with_studio(self.session)
        return [_record(row, studio) for row in self.session.scalars(sa.select(ClientRow).order_by(*order))]

    def get(self, id: str) -> ClientRecord:
        """One client. NotThere when there is none."""
        return _record(self._row(id), with_studio(self.session))

    def add(self, client: ClientRecord) -> None:
        """Writes a new client."""
        row = ClientRow(id=client.id)
        _fill(row, client)
        self.session.add(row)
        self.session.flush()

    def change(self, id: str, turn: Callable[[ClientRecord], ClientRecord]) -> ClientRecord:
        """Writes a client as some turn makes them of what they are now, but for faces and trials."""
        row, studio = self._row(id), with_studio(self.session)
        _fill(row, turn(_record(row, studio)))
        self.session.flush()
        return self.get(id)

    def erase(self, id: str) -> dict[str, int]:
        """Removes a client with all rows that belong to them; answers how many went from each table."""
        row = self._row(id)
        counts = {}
        for table in owned_tables():
            mine = rows_of(table, id)
            counts[table.name] = int(
                self.session.scalar(sa.select(sa.func.count()).select_from(table).where(mine)) or 0
            )
            self.session.execute(sa.delete(table).where(mine))
        self.session.delete(row)
        self.session.flush()
        return counts | {"client": 1}

    def snapshot(self, id: str) -> Snapshot | None:
        """The schools that are followed for a client, as the journal keeps them."""
        row = self.session.get(ClientRow, id)
        return (
            None if row is None else {"conventions": adapter_of(Conventions).dump_python(row.conventions, mode="json")}
        )

    def restore(self, id: str, snapshot: Snapshot | None) -> None:
        """Makes the schools what a snapshot says."""
        if snapshot is not None:
            self._row(id).conventions = adapter_of(Conventions).validate_python(snapshot["conventions"])
            self.session.flush()

    def _row(self, id: str) -> ClientRow:
        # faces and trials are written beside the client: what was loaded before may be old
        row = self.session.get(ClientRow, id, populate_existing=True)
        if row is None:
            raise NotThere("there is no such client.", id, "Go back to the clients' book.")
        return row


def _fill(row: ClientRow, client: ClientRecord) -> None:
    for name in OWN:
        setattr(row, name, getattr(client, name))
    # leanings and tastes belong to the whole studio and are kept there
    row.conventions = replace(client.conventions, leanings=(), tastes=())


def _record(row: ClientRow, studio: Callable[[Conventions], Conventions]) -> ClientRecord:
    told = next((trial.reading for trial in reversed(row.trials) if trial.reading is not None), None)
    return ClientRecord(
        id=row.id,
        conventions=studio(row.conventions),
        faces=tuple(Faces.of(face) for face in row.faces),
        trial=told,
        **{name: getattr(row, name) for name in OWN},
    )
