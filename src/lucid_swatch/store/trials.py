"""Trials by drapes, and things side by side, in the database."""

from .book import Book
from .records import SideBySide, TrialRecord
from .tables import SideBySideRow, TrialRow


class Trials(Book[TrialRecord]):
    """Trials of clients, the newest first."""

    row, record, called, missing = TrialRow, TrialRecord, "trial", "Begin a new one."
    order = (TrialRow.created_at.desc(),)


class Comparisons(Book[SideBySide]):
    """Things that were held side by side, the newest first."""

    row, record, called = SideBySideRow, SideBySide, "comparison"
    order = (SideBySideRow.created_at.desc(),)
