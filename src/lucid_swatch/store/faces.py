"""Faces of clients in the database."""

from .book import Book
from .records import FaceRecord
from .tables import FaceRow


class Faces(Book[FaceRecord]):
    """Skin, hair and eyes from portraits, the colour reader and the stylist's eye."""

    row, record, called = FaceRow, FaceRecord, "portrait"
    order = (FaceRow.created_at,)
