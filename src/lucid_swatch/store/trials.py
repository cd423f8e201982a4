"""Trials by drapes, and things side by side, in the database."""

from dataclasses import asdict
from datetime import datetime
from typing import Any

import sqlalchemy as sa
from sqlalchemy.orm import Session

from lucid_swatch.core.problems import NotThere

from .records import SideBySide, TrialRecord
from .tables import SideBySideRow, TrialRow


class Trials:
    """Trials of clients."""

    def __init__(self, session: Session) -> None:
        self.session = session

    def of_client(self, client_id: str) -> list[TrialRecord]:
        """A client's trials, the newest first."""
        rows = sa.select(TrialRow).where(TrialRow.client_id == client_id).order_by(TrialRow.created_at.desc())
        return [_trial(row) for row in self.session.scalars(rows)]

    def get(self, id: str) -> TrialRecord:
        """One trial. NotThere when there is none."""
        return _trial(self._row(id))

    def add(self, trial: TrialRecord) -> None:
        """Writes a new trial."""
        values = {name: getattr(trial, name) for name in TrialRecord.__slots__}
        self.session.add(TrialRow(**values | {"drapes": list(trial.drapes), "held": list(trial.held)}))
        self.session.flush()

    def change(self, id: str, **values: Any) -> TrialRecord:
        """Writes some values of a trial again."""
        row = self._row(id)
        for name, value in values.items():
            setattr(row, name, list(value) if name == "held" else value)
        self.session.flush()
        return _trial(row)

    def remove(self, id: str) -> None:
        """Removes a trial."""
        self.session.delete(self._row(id))
        self.session.flush()

    def snapshot(self, id: str) -> dict[str, Any] | None:
        """All values of a trial as JSON takes them; None when there is none."""
        row = self.session.get(TrialRow, id)
        if row is None:
            return None
        ended = None if row.ended_at is None else row.ended_at.isoformat()
        told = {"created_at": row.created_at.isoformat(), "ended_at": ended, "drapes": row.drapes, "held": row.held}
        return asdict(_trial(row)) | told

    def restore(self, id: str, kept: dict[str, Any] | None) -> None:
        """Makes a trial what a snapshot says."""
        if self.session.get(TrialRow, id) is not None:
            self.remove(id)
        if kept is not None:
            ended = None if kept["ended_at"] is None else datetime.fromisoformat(kept["ended_at"])
            times = {"created_at": datetime.fromisoformat(kept["created_at"]), "ended_at": ended}
            self.add(TrialRecord(**kept | times))

    def _row(self, id: str) -> TrialRow:
        row = self.session.get(TrialRow, id)
        if row is None:
            raise NotThere("there is no such trial.", id, "Begin a new one.")
        return row


def _trial(row: TrialRow) -> TrialRecord:
    return TrialRecord(
        row.id, row.client_id, row.created_at, tuple(row.drapes), tuple(row.held), row.ended_at, row.reading
    )


class Comparisons:
    """Things that were held side by side."""

    def __init__(self, session: Session) -> None:
        self.session = session

    def of_client(self, client_id: str) -> list[SideBySide]:
        """A client's comparisons, the newest first."""
        rows = sa.select(SideBySideRow).where(SideBySideRow.client_id == client_id)
        return [_compared(row) for row in self.session.scalars(rows.order_by(SideBySideRow.created_at.desc()))]

    def add(self, compared: SideBySide) -> None:
        """Writes a comparison."""
        self.session.add(SideBySideRow(**{name: getattr(compared, name) for name in SideBySide.__slots__}))
        self.session.flush()

    def get(self, id: str) -> SideBySide:
        """One comparison. NotThere when there is none."""
        return _compared(self._row(id))

    def remove(self, id: str) -> None:
        """Removes a comparison. NotThere when there is none."""
        self.session.delete(self._row(id))
        self.session.flush()

    def snapshot(self, id: str) -> dict[str, Any] | None:
        """All values of a comparison as JSON takes them; None when there is none."""
        row = self.session.get(SideBySideRow, id)
        return None if row is None else asdict(_compared(row)) | {"created_at": row.created_at.isoformat()}

    def restore(self, id: str, kept: dict[str, Any] | None) -> None:
        """Makes a comparison what a snapshot says."""
        if self.session.get(SideBySideRow, id) is not None:
            self.remove(id)
        if kept is not None:
            self.add(SideBySide(**kept | {"created_at": datetime.fromisoformat(kept["created_at"])}))

    def _row(self, id: str) -> SideBySideRow:
        row = self.session.get(SideBySideRow, id)
        if row is None:
            raise NotThere("there is no such comparison.", id, "Load the page again.")
        return row


def _compared(row: SideBySideRow) -> SideBySide:
    return SideBySide(row.id, row.client_id, row.created_at, row.left, row.right, row.better, row.note)
