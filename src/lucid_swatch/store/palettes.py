"""Palettes in the database."""

from .book import Book
from .records import PaletteRecord
from .tables import PaletteRow


class Palettes(Book[PaletteRecord]):
    """The palettes of all clients, the newest first."""

    row, record, called = PaletteRow, PaletteRecord, "palette"
    missing = "It may have been let go; load the page again."
    order = (PaletteRow.created_at.desc(), PaletteRow.id)
