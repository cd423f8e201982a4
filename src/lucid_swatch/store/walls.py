"""Walls in the database."""

from lucid_swatch.core.look.making.wall import Wall

from .book import Book
from .tables import WallRow


class Walls(Book[Wall]):
    """The walls of all clients, the newest first."""

    row, record, called = WallRow, Wall, "wall"
    missing = "It may have been let go; load the page again."
    order = (WallRow.created_at.desc(), WallRow.id)
