"""Kept looks in the database."""

import sqlalchemy as sa
from sqlalchemy.orm import Session

from lucid_swatch.core.problems import NotThere

from .records import KeptLook
from .tables import LookPieceRow, LookRow


class Looks:
    """The kept looks of all clients."""

    def __init__(self, session: Session) -> None:
        self.session = session

    def of_client(self, client_id: str) -> list[KeptLook]:
        """A client's looks, newest first."""
        found = sa.select(LookRow).where(LookRow.client_id == client_id).order_by(LookRow.created_at.desc(), LookRow.id)
        return [_record(row) for row in self.session.scalars(found)]

    def get(self, id: str) -> KeptLook:
        """One look. NotThere when there is none."""
        return _record(self._row(id))

    def add(self, look: KeptLook) -> None:
        """Writes a new look."""
        row = LookRow(id=look.id, client_id=look.client_id, created_at=look.created_at)
        _fill(row, look)
        self.session.add(row)
        self.session.flush()

    def change(self, look: KeptLook) -> None:
        """Writes a look again."""
        row = self._row(look.id)
        row.pieces = []
        self.session.flush()
        _fill(row, look)
        self.session.flush()

    def remove(self, id: str) -> None:
        """Lets a look go."""
        self.session.delete(self._row(id))
        self.session.flush()

    def _row(self, id: str) -> LookRow:
        row = self.session.get(LookRow, id)
        if row is None:
            raise NotThere("there is no such look.", id, "It may have been let go; load the page again.")
        return row


def _fill(row: LookRow, look: KeptLook) -> None:
    row.name, row.intent, row.kept, row.verdicts = look.name, look.intent, look.kept, list(look.verdicts)
    row.pieces = [LookPieceRow(look_id=look.id, position=k, piece_id=id) for k, id in enumerate(look.piece_ids)]


def _record(row: LookRow) -> KeptLook:
    return KeptLook(
        row.id, row.client_id, row.name, tuple(p.piece_id for p in row.pieces), row.created_at, row.intent,
        row.kept, tuple(row.verdicts),
    )  # fmt: skip
