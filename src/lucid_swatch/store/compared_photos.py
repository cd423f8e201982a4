"""Photos of clients that were taken to compare, in the database."""

from .book import Book
from .records import ComparedPhoto
from .tables import ComparedPhotoRow


class ComparedPhotos(Book[ComparedPhoto]):
    """Photos that were taken to compare, the newest first."""

    row, record, called = ComparedPhotoRow, ComparedPhoto, "photo"
    order = (ComparedPhotoRow.created_at.desc(),)
