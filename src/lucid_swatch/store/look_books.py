"""Books in the database."""

from lucid_swatch.core.look.book.kept_book import KeptBook

from .book import Book
from .tables import LookBookRow


class LookBooks(Book[KeptBook]):
    """The books that clients take home, the newest first."""

    row, record, called = LookBookRow, KeptBook, "book"
    missing = "It may have been let go; load the page again."
    order = (LookBookRow.created_at.desc(), LookBookRow.id)
