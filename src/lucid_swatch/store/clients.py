"""Clients in the database."""

from dataclasses import asdict

import numpy as np
import sqlalchemy as sa
from sqlalchemy.orm import Session

from lucid_swatch.core.client.colouring import Client
from lucid_swatch.core.colour.arrays import FloatArray
from lucid_swatch.core.look.look import Conventions
from lucid_swatch.core.problems import NotThere

from .records import ClientRecord
from .tables import ClientRow


class Clients:
    """The clients' book."""

    def __init__(self, session: Session) -> None:
        self.session = session

    def all(self) -> list[ClientRecord]:
        """Every client, by name."""
        return [_record(row) for row in self.session.scalars(sa.select(ClientRow).order_by(ClientRow.name))]

    def get(self, id: str) -> ClientRecord:
        """One client. NotThere when there is none."""
        return _record(self._row(id))

    def add(self, client: ClientRecord) -> None:
        """Writes a new client."""
        self.session.add(ClientRow(id=client.id, **_columns(client)))
        self.session.flush()

    def change(self, client: ClientRecord) -> None:
        """Writes a client again."""
        row = self._row(client.id)
        for column, value in _columns(client).items():
            setattr(row, column, value)
        self.session.flush()

    def erase(self, id: str) -> None:
        """Removes a client with all rows that belong to them."""
        row = self._row(id)
        # looks first: their pieces are guarded against removal
        self.session.execute(sa.text("delete from look where client_id = :id"), {"id": id})
        self.session.delete(row)
        self.session.flush()

    def _row(self, id: str) -> ClientRow:
        row = self.session.get(ClientRow, id)
        if row is None:
            raise NotThere("there is no such client.", id, "Go back to the clients' book.")
        return row


def _columns(client: ClientRecord) -> dict[str, object]:
    colouring = client.colouring
    return {
        "name": client.name, "note": client.note, "consent_on": client.consent_on, "portrait": client.portrait,
        "spots": client.spots, "undertone": colouring.undertone, "conventions": asdict(client.conventions),
        "skin": _listed(colouring.skin), "hair": _listed(colouring.hair), "eyes": _listed(colouring.eyes),
        "created_at": client.created_at,
    }  # fmt: skip


def _record(row: ClientRow) -> ClientRecord:
    face = Client(_array(row.skin), _array(row.hair), _array(row.eyes), row.undertone)
    return ClientRecord(
        row.id, row.name, row.consent_on, row.created_at, row.note, face, Conventions(**row.conventions),
        row.portrait, row.spots,
    )  # fmt: skip


def _listed(lab: FloatArray | None) -> list[float] | None:
    return None if lab is None else [round(float(v), 2) for v in lab]


def _array(lab: list[float] | None) -> FloatArray | None:
    return None if lab is None else np.array(lab, dtype=float)
