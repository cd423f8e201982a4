"""Faces of clients in the database."""

from typing import Any

from sqlalchemy.orm import Session

from lucid_swatch.core.problems import NotThere

from .records import FaceRecord
from .tables import FaceRow


class Faces:
    """Skin, hair and eyes from portraits, the colour reader and the stylist's eye."""

    def __init__(self, session: Session) -> None:
        self.session = session

    def get(self, id: str) -> FaceRecord:
        """One face. NotThere when there is none."""
        return face_record(self._row(id))

    def add(self, face: FaceRecord) -> None:
        """Writes a new face."""
        values = {name: getattr(face, name) for name in FaceRecord.__slots__}
        self.session.add(FaceRow(**values | {"veils": list(face.veils)}))
        self.session.flush()

    def change(self, id: str, **values: Any) -> FaceRecord:
        """Writes some values of a face again."""
        row = self._row(id)
        for name, value in values.items():
            setattr(row, name, list(value) if name == "veils" else value)
        self.session.flush()
        return face_record(row)

    def remove(self, id: str) -> None:
        """Removes a face."""
        self.session.delete(self._row(id))
        self.session.flush()

    def _row(self, id: str) -> FaceRow:
        row = self.session.get(FaceRow, id)
        if row is None:
            raise NotThere("there is no such portrait.", id, "Load the page again.")
        return row


def face_record(row: FaceRow) -> FaceRecord:
    """A face as kept."""
    values = {name: getattr(row, name) for name in FaceRecord.__slots__}
    return FaceRecord(**values | {"veils": tuple(row.veils)})
