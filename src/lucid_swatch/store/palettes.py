"""Palettes in the database."""

from datetime import datetime
from typing import Any

import sqlalchemy as sa
from sqlalchemy.orm import Session

from lucid_swatch.core.problems import NotThere

from .records import PaletteRecord
from .tables import PaletteRow


class Palettes:
    """The palettes of all clients."""

    def __init__(self, session: Session) -> None:
        self.session = session

    def of_client(self, client_id: str) -> list[PaletteRecord]:
        """A client's palettes, newest first."""
        found = sa.select(PaletteRow).where(PaletteRow.client_id == client_id)
        order = (PaletteRow.created_at.desc(), PaletteRow.id)
        return [_record(row) for row in self.session.scalars(found.order_by(*order))]

    def get(self, id: str) -> PaletteRecord:
        """One palette. NotThere when there is none."""
        row = self.session.get(PaletteRow, id)
        if row is None:
            raise NotThere("there is no such palette.", id, "It may have been let go; load the page again.")
        return _record(row)

    def write(self, palette: PaletteRecord) -> None:
        """Writes a palette, new or again."""
        self.session.merge(
            PaletteRow(
                id=palette.id,
                client_id=palette.client_id,
                name=palette.name,
                colours=list(palette.colours),
                within=palette.within,
                created_at=palette.created_at,
            )
        )
        self.session.flush()

    def snapshot(self, id: str) -> dict[str, Any] | None:
        """All values of a palette, as JSON takes them; None when there is none."""
        row = self.session.get(PaletteRow, id)
        if row is None:
            return None
        return {
            "client_id": row.client_id,
            "name": row.name,
            "colours": row.colours,
            "within": row.within,
            "created_at": row.created_at.isoformat(),
        }

    def restore(self, id: str, kept: dict[str, Any] | None) -> None:
        """Makes a palette what a snapshot says."""
        row = self.session.get(PaletteRow, id)
        if kept is not None:
            self.session.merge(PaletteRow(id=id, **kept | {"created_at": datetime.fromisoformat(kept["created_at"])}))
        elif row is not None:
            self.session.delete(row)
        self.session.flush()


def _record(row: PaletteRow) -> PaletteRecord:
    return PaletteRecord(row.id, row.client_id, row.name, tuple(row.colours), row.within, row.created_at)
