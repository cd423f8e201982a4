"""The journal of a rail: every change with what was before and after it."""

from dataclasses import asdict
from datetime import datetime

import sqlalchemy as sa
from sqlalchemy.orm import Session

from .journal_formats import JOURNAL_FORMAT, brought_up
from .records import ChangeRecord, Entry
from .tables import ChangeRow


class Journal:
    """The changes of all rails."""

    def __init__(self, session: Session) -> None:
        self.session = session

    def add(self, client_id: str, told: str, entries: list[Entry], made_at: datetime) -> ChangeRecord:
        """Writes a new change; those that were taken back before it can no longer be done again."""
        gone = (ChangeRow.client_id == client_id) & ChangeRow.taken_back
        self.session.execute(sa.delete(ChangeRow).where(gone))
        row = ChangeRow(
            client_id=client_id,
            format=JOURNAL_FORMAT,
            told=told,
            entries=[asdict(e) for e in entries],
            made_at=made_at,
            taken_back=False,
        )
        self.session.add(row)
        self.session.flush()
        return _record(row)

    def hold(self) -> None:
        """Keeps every other writer out until this transaction ends, so that what is read next is still so when written."""
        self.session.execute(sa.update(ChangeRow).where(ChangeRow.id == -1).values(taken_back=False))

    def of_client(self, client_id: str) -> list[ChangeRecord]:
        """A client's changes, newest first."""
        found = sa.select(ChangeRow).where(ChangeRow.client_id == client_id).order_by(ChangeRow.id.desc())
        return [_record(row) for row in self.session.scalars(found)]

    def newest(self, client_id: str) -> ChangeRecord | None:
        """The newest change that stands."""
        mine = (ChangeRow.client_id == client_id) & ~ChangeRow.taken_back
        row = self.session.scalar(sa.select(ChangeRow).where(mine).order_by(ChangeRow.id.desc()).limit(1))
        return None if row is None else _record(row)

    def oldest_taken_back(self, client_id: str) -> ChangeRecord | None:
        """The change that was taken back last."""
        mine = (ChangeRow.client_id == client_id) & ChangeRow.taken_back
        row = self.session.scalar(sa.select(ChangeRow).where(mine).order_by(ChangeRow.id).limit(1))
        return None if row is None else _record(row)

    def forget(self, client_id: str, kind: str, id: str) -> None:
        """Removes the changes that touched a thing of which nothing is to be left."""
        for change in self.of_client(client_id):
            if any(entry.kind == kind and entry.id == id for entry in change.entries):
                self.session.execute(sa.delete(ChangeRow).where(ChangeRow.id == change.id))

    def mark(self, id: int, taken_back: bool) -> None:
        """Notes that a change was taken back, or done again."""
        self.session.execute(sa.update(ChangeRow).where(ChangeRow.id == id).values(taken_back=taken_back))


def _record(row: ChangeRow) -> ChangeRecord:
    entries = tuple(Entry(**entry) for entry in row.entries)
    return ChangeRecord(row.id, row.client_id, row.told, brought_up(entries, row.format), row.made_at, row.taken_back)
