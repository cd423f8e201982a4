"""Candidates in the database."""

import sqlalchemy as sa

from lucid_swatch.core.look.buying.candidate import Candidate

from .book import Book
from .records import Snapshot
from .tables import CandidateRow, PhotoRow


class Candidates(Book[Candidate]):
    """What the clients may buy, the newest first."""

    row, record, called = CandidateRow, Candidate, "candidate"
    missing = "It may have been bought or let go; load the page again."
    order = (CandidateRow.created_at.desc(), CandidateRow.id)

    def of_photo(self, photo_id: str) -> Candidate | None:
        """The candidate that a photo shows; None when it shows a piece of the client's."""
        row = self.session.scalar(sa.select(CandidateRow).where(CandidateRow.photo_id == photo_id))
        return None if row is None else self.of(row)

    def restore(self, id: str, snapshot: Snapshot | None) -> None:
        """Makes a candidate what a snapshot says; a picture that was removed meanwhile stays away."""
        photo = None if snapshot is None else snapshot.get("photo_id")
        if snapshot is not None and photo is not None and self.session.get(PhotoRow, photo) is None:
            snapshot = snapshot | {"photo_id": None}
        super().restore(id, snapshot)
