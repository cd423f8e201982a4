"""Photos of clients that were taken to compare, in the database."""

import sqlalchemy as sa
from sqlalchemy.orm import Session

from lucid_swatch.core.problems import NotThere

from .records import ComparedPhoto
from .tables import ComparedPhotoRow


class ComparedPhotos:
    """Photos that were taken to compare."""

    def __init__(self, session: Session) -> None:
        self.session = session

    def of_client(self, client_id: str) -> list[ComparedPhoto]:
        """A client's photos, the newest first."""
        rows = sa.select(ComparedPhotoRow).where(ComparedPhotoRow.client_id == client_id)
        return [_photo(row) for row in self.session.scalars(rows.order_by(ComparedPhotoRow.created_at.desc()))]

    def get(self, id: str) -> ComparedPhoto:
        """One photo. NotThere when there is none."""
        return _photo(self._row(id))

    def add(self, photo: ComparedPhoto) -> None:
        """Writes a new photo."""
        self.session.add(ComparedPhotoRow(**{name: getattr(photo, name) for name in ComparedPhoto.__slots__}))
        self.session.flush()

    def rename(self, id: str, name: str) -> ComparedPhoto:
        """Calls a photo by what it shows."""
        row = self._row(id)
        row.name = name
        self.session.flush()
        return _photo(row)

    def remove(self, id: str) -> None:
        """Removes a photo."""
        self.session.delete(self._row(id))
        self.session.flush()

    def _row(self, id: str) -> ComparedPhotoRow:
        row = self.session.get(ComparedPhotoRow, id)
        if row is None:
            raise NotThere("there is no such photo.", id, "Load the page again.")
        return row


def _photo(row: ComparedPhotoRow) -> ComparedPhoto:
    return ComparedPhoto(**{name: getattr(row, name) for name in ComparedPhoto.__slots__})
