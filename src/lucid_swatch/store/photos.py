"""Photos in the database."""

from dataclasses import fields
from typing import Any

import sqlalchemy as sa
from sqlalchemy.orm import Session

from lucid_swatch.core.problems import NotThere

from .records import PhotoRecord, PhotoState
from .tables import PhotoRow

COLUMNS = tuple(f.name for f in fields(PhotoRecord))
LISTS = ("strokes", "not_same")


class Photos:
    """The photos of all clients."""

    def __init__(self, session: Session) -> None:
        self.session = session

    def of_client(self, client_id: str) -> list[PhotoRecord]:
        """A client's photos, oldest first."""
        found = sa.select(PhotoRow).where(PhotoRow.client_id == client_id).order_by(PhotoRow.created_at, PhotoRow.id)
        return [_record(row) for row in self.session.scalars(found)]

    def waiting(self, client_id: str) -> int:
        """How many of a client's photos do not hang."""
        mine = (PhotoRow.client_id == client_id) & (PhotoRow.state != PhotoState.HUNG)
        return self.session.scalar(sa.select(sa.func.count()).where(mine)) or 0

    def unfinished(self) -> list[str]:
        """Ids of photos that still wait to be read, or to be read anew, oldest first."""
        states = (PhotoState.WAITING, PhotoState.READING)
        asked = PhotoRow.proposal["ask"].as_string().is_not(None)
        found = sa.select(PhotoRow.id).where(PhotoRow.state.in_(states) | asked)
        return list(self.session.scalars(found.order_by(PhotoRow.created_at, PhotoRow.id)))

    def get(self, id: str) -> PhotoRecord:
        """One photo. NotThere when there is none."""
        return _record(self._row(id))

    def add(self, photo: PhotoRecord) -> None:
        """Writes a new photo."""
        row = PhotoRow(**{name: getattr(photo, name) for name in COLUMNS if name not in LISTS})
        row.strokes, row.not_same = list(photo.strokes), list(photo.not_same)
        self.session.add(row)
        self.session.flush()

    def change(self, id: str, **columns: object) -> None:
        """Writes some columns of a photo."""
        row = self._row(id)
        for name, value in columns.items():
            setattr(row, name, value)
        self.session.flush()

    def remove(self, id: str) -> None:
        """Removes a photo."""
        self.session.delete(self._row(id))
        self.session.flush()

    def snapshot(self, id: str) -> dict[str, Any] | None:
        """How far a photo has come, as the journal keeps it; None when there is none."""
        row = self.session.get(PhotoRow, id)
        return None if row is None else {"state": row.state.value}

    def restore(self, id: str, kept: dict[str, Any] | None) -> None:
        """Makes a photo as far as a snapshot says; one that was removed meanwhile stays away."""
        row = self.session.get(PhotoRow, id)
        if kept is not None and row is not None:
            row.state = PhotoState(kept["state"])
            self.session.flush()

    def _row(self, id: str) -> PhotoRow:
        row = self.session.get(PhotoRow, id)
        if row is None:
            raise NotThere("there is no such photo.", id, "It may have been removed; load the page again.")
        return row


def _record(row: PhotoRow) -> PhotoRecord:
    values = {name: getattr(row, name) for name in COLUMNS}
    return PhotoRecord(**{**values, "strokes": tuple(row.strokes), "not_same": tuple(row.not_same)})
