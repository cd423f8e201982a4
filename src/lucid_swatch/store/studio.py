"""What is kept for the whole studio."""

from typing import Any

from sqlalchemy.orm import Session

from .tables import StudioRow


class Studio:
    """Values by name."""

    def __init__(self, session: Session) -> None:
        self.session = session

    def get(self, key: str) -> dict[str, Any] | None:
        """One value; None when it was never kept."""
        row = self.session.get(StudioRow, key)
        return None if row is None else row.value

    def keep(self, key: str, value: dict[str, Any]) -> None:
        """Writes a value over the one before."""
        self.session.merge(StudioRow(key=key, value=value))
        self.session.flush()

    def snapshot(self, key: str) -> dict[str, Any] | None:
        """A value as the journal keeps it."""
        return self.get(key)

    def restore(self, key: str, kept: dict[str, Any] | None) -> None:
        """Makes a value what a snapshot says."""
        if kept is None:
            self.forget(key)
        else:
            self.keep(key, kept)

    def forget(self, key: str) -> None:
        """Removes a value, if it is there."""
        row = self.session.get(StudioRow, key)
        if row is not None:
            self.session.delete(row)
            self.session.flush()
