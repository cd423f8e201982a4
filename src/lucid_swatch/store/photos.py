"""Photos in the database."""

from collections.abc import Sequence

import sqlalchemy as sa

from lucid_swatch.core.garment.vocabulary import Category

from .book import Book
from .records import PhotoRecord, PhotoState, Polygon, Snapshot
from .tables import PhotoRow, PieceRow


class Photos(Book[PhotoRecord]):
    """The photos of all clients, the oldest first."""

    row, record, called = PhotoRow, PhotoRecord, "photo"
    missing = "It may have been removed; load the page again."
    order = (PhotoRow.created_at, PhotoRow.id)

    def waiting(self, client_id: str) -> int:
        """How many of a client's photos do not hang."""
        mine = (PhotoRow.client_id == client_id) & (PhotoRow.state != PhotoState.HUNG)
        return self.session.scalar(sa.select(sa.func.count()).where(mine)) or 0

    def outlines(self, ids: Sequence[str]) -> dict[str, tuple[Polygon, ...]]:
        """The outlines of some photos, by their ids; those without one are left out."""
        asked = sa.select(PhotoRow.id, PhotoRow.outline).where(PhotoRow.id.in_(ids))
        return {id: outline for id, outline in self.session.execute(asked) if outline}

    def hung_shapes(self) -> list[tuple[str, Category]]:
        """The outlines of all photos that hang, of any client, as signatures, with what the piece is."""
        asked = sa.select(PhotoRow.likeness, PieceRow.category).join(PieceRow, PieceRow.photo_id == PhotoRow.id)
        return [(marks.shape, category) for marks, category in self.session.execute(asked) if marks is not None]

    def snapshot(self, id: str) -> Snapshot | None:
        """How far a photo has come, as the journal keeps it; None when there is none."""
        row = self.session.get(PhotoRow, id)
        return None if row is None else {"state": row.state.value}

    def restore(self, id: str, snapshot: Snapshot | None) -> None:
        """Makes a photo as far as a snapshot says; one that was removed meanwhile stays away."""
        row = self.session.get(PhotoRow, id)
        if snapshot is not None and row is not None:
            row.state = PhotoState(snapshot["state"])
            self.session.flush()
