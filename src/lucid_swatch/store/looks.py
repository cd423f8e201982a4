"""Kept looks in the database."""

from dataclasses import asdict
from datetime import datetime
from typing import Any

import sqlalchemy as sa
from sqlalchemy.orm import Session

from lucid_swatch.core.look.look import Intent
from lucid_swatch.core.problems import NotThere, Refused

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

    def snapshot(self, id: str) -> dict[str, Any] | None:
        """All values of a look but its photo, as JSON takes them; None when there is none."""
        row = self.session.get(LookRow, id)
        if row is None:
            return None
        look = asdict(_record(row))
        return look | {
            "created_at": row.created_at.isoformat(),
            "piece_ids": list(look["piece_ids"]),
            "verdicts": list(look["verdicts"]),
            "kept": {name: value for name, value in row.kept.items() if name != "photo"},
        }

    def restore(self, id: str, kept: dict[str, Any] | None) -> None:
        """Makes a look what a snapshot says. Refused when a photo, which no snapshot holds, would go with it."""
        row = self.session.get(LookRow, id)
        if kept is None:
            if row is not None and "photo" in row.kept:
                raise Refused("a photo of it worn was kept since.", row.name, "Let it go by hand, the photo with it.")
            if row is not None:
                self.remove(id)
            return
        look = KeptLook(
            **kept
            | {
                "created_at": datetime.fromisoformat(kept["created_at"]),
                "piece_ids": tuple(kept["piece_ids"]),
                "verdicts": tuple(kept["verdicts"]),
                "intent": None if kept["intent"] is None else Intent(kept["intent"]),
            }
        )
        if row is None:
            self.add(look)
        else:
            self.change(look)

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
        row.id,
        row.client_id,
        row.name,
        tuple(p.piece_id for p in row.pieces),
        row.created_at,
        row.intent,
        row.kept,
        tuple(row.verdicts),
    )
