"""Photos in the database."""

from collections.abc import Sequence
from dataclasses import dataclass, fields

import sqlalchemy as sa

from lucid_swatch.core.garment.vocabulary import Category
from lucid_swatch.core.photo.evidence import Evidence
from lucid_swatch.core.photo.light import Light, SeriesLight

from .book import Book
from .records import PhotoRecord, PhotoState, Polygon, Snapshot
from .tables import CandidateRow, PhotoRow, PieceRow


@dataclass(frozen=True, slots=True)
class Linked:
    """A photo as it is tied to others of its room, without all else that is kept of it."""

    id: str
    name: str
    state: PhotoState
    evidence: Evidence
    light: Light | None
    series_light: SeriesLight | None
    room: str | None
    taken_at: float | None
    camera: str | None
    sent_with: str | None


_OWNED = PhotoRow.id.not_in(sa.select(CandidateRow.photo_id).where(CandidateRow.photo_id.is_not(None)))
"""Photos of what the client has, and not of a candidate."""


class Photos(Book[PhotoRecord]):
    """The photos of all clients, the oldest first."""

    row, record, called = PhotoRow, PhotoRecord, "photo"
    missing = "It may have been removed; load the page again."
    order = (PhotoRow.created_at, PhotoRow.id)

    def of_wardrobe(self, client_id: str) -> list[PhotoRecord]:
        """A client's photos without those of pieces that may be bought."""
        mine = sa.select(PhotoRow).where((PhotoRow.client_id == client_id) & _OWNED).order_by(*self.order)
        return [self.of(row) for row in self.session.scalars(mine)]

    def waiting(self, client_id: str) -> int:
        """How many of a client's photos do not hang."""
        mine = (PhotoRow.client_id == client_id) & (PhotoRow.state != PhotoState.HUNG) & _OWNED
        return self.session.scalar(sa.select(sa.func.count()).where(mine)) or 0

    def linked(self, client_id: str) -> list[Linked]:
        """What ties a client's photos to each other, those that were seen, in the order in which they were taken."""
        columns = [getattr(PhotoRow, one.name) for one in fields(Linked)]
        seen = PhotoRow.evidence.is_not(None) & (PhotoRow.client_id == client_id) & _OWNED
        found = [Linked(*row) for row in self.session.execute(sa.select(*columns).where(seen).order_by(*self.order))]
        # what has no time of its own lies where it came in
        return found if any(one.taken_at is None for one in found) else sorted(found, key=lambda one: one.taken_at or 0)

    def outlines(self, ids: Sequence[str]) -> dict[str, tuple[Polygon, ...]]:
        """The outlines of some photos, by their ids; those without one are left out."""
        asked = sa.select(PhotoRow.id, PhotoRow.outline).where(PhotoRow.id.in_(ids))
        return {id: outline for id, outline in self.session.execute(asked) if outline}

    def hung_shapes(self) -> list[tuple[str, Category]]:
        """The outlines of all photos that hang, of any client, as signatures, with what the piece is."""
        asked = sa.select(PhotoRow.likeness, PieceRow.category).join(PieceRow, PieceRow.photo_id == PhotoRow.id)
        return [(marks.shape, category) for marks, category in self.session.execute(asked) if marks is not None]

    def snapshot(self, id: str) -> Snapshot | None:
        """How far a photo has come and what was said of its light, as the journal keeps it; None when there is none."""
        row = self.session.get(PhotoRow, id)
        return None if row is None else {"state": row.state.value, "paper": row.paper, "room": row.room}

    def restore(self, id: str, snapshot: Snapshot | None) -> None:
        """Makes a photo as far as a snapshot says; one that was removed meanwhile stays away."""
        row = self.session.get(PhotoRow, id)
        if snapshot is not None and row is not None:
            row.state = PhotoState(snapshot["state"])
            # entries of earlier versions say nothing of them
            row.paper, row.room = snapshot.get("paper", row.paper), snapshot.get("room", row.room)
            self.session.flush()
