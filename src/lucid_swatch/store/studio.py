"""What is kept for the whole studio: a value for each of a few settings."""

from dataclasses import dataclass
from typing import Any, Generic, TypeVar

from sqlalchemy.orm import Session

from .records import Snapshot
from .tables import StudioRow
from .values import adapter_of, written

Kind = TypeVar("Kind")


@dataclass(frozen=True, slots=True)
class StudioKey(Generic[Kind]):
    """Something that is kept for the whole studio: its key, and of what kind it is."""

    key: str
    kind: type[Kind]


class Studio:
    """Values by setting."""

    def __init__(self, session: Session) -> None:
        self.session = session

    def get(self, setting: StudioKey[Kind]) -> Kind | None:
        """One value; None when it was never kept. ValueError when what was kept is of another kind."""
        row = self.session.get(StudioRow, setting.key)
        if row is None:
            return None
        value: Kind = adapter_of(setting.kind).validate_python(row.value)
        return value

    def keep(self, setting: StudioKey[Kind], value: Kind) -> None:
        """Writes a value over the one before. ValueError when it is of another kind."""
        told: dict[str, Any] = written(setting.kind, value)
        self._write(setting.key, told)

    def forget(self, setting: StudioKey[Any]) -> None:
        """Removes a value, if it is there."""
        self.restore(setting.key, None)

    def snapshot(self, key: str) -> Snapshot | None:
        """A value as the journal keeps it."""
        row = self.session.get(StudioRow, key)
        return None if row is None else row.value

    def restore(self, key: str, snapshot: Snapshot | None) -> None:
        """Makes a value what a snapshot says."""
        if snapshot is not None:
            self._write(key, snapshot)
            return
        row = self.session.get(StudioRow, key)
        if row is not None:
            self.session.delete(row)
            self.session.flush()

    def _write(self, key: str, value: Snapshot) -> None:
        self.session.merge(StudioRow(key=key, value=value))
        self.session.flush()
