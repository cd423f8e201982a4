"""Kept looks in the database."""

from dataclasses import replace
from typing import Any

from lucid_swatch.core.look.kept_look import KeptLook
from lucid_swatch.core.problems import Refused

from .book import Book
from .records import Snapshot
from .tables import LookPieceRow, LookRow


class Looks(Book[KeptLook]):
    """The kept looks of all clients, the newest first."""

    row, record, called = LookRow, KeptLook, "look"
    missing = "It may have been let go; load the page again."
    order = (LookRow.created_at.desc(), LookRow.id)

    def snapshot(self, id: str) -> Snapshot | None:
        """All values of a look but its photo; None when there is none."""
        row = self.session.get(LookRow, id)
        if row is None:
            return None
        look = self.of(row)
        return self.values(replace(look, particulars=replace(look.particulars, photo=None)))

    def restore(self, id: str, snapshot: Snapshot | None) -> None:
        """Makes a look what a snapshot says. Refused when a photo, which no snapshot holds, would go with it."""
        row = self.session.get(LookRow, id)
        if snapshot is None and row is not None and row.particulars.photo is not None:
            raise Refused("a photo of it worn was kept since.", row.name, "Let it go by hand, the photo with it.")
        super().restore(id, snapshot)

    @classmethod
    def of(cls, row: LookRow) -> KeptLook:
        """The look in a row."""
        return KeptLook(
            row.id,
            row.client_id,
            row.name,
            tuple(one.piece_id for one in row.pieces),
            row.created_at,
            row.intent,
            row.particulars,
            row.verdicts,
        )

    def _fill(self, row: Any, look: KeptLook) -> None:
        row.id, row.client_id, row.created_at = look.id, look.client_id, look.created_at
        row.name, row.intent, row.particulars, row.verdicts = look.name, look.intent, look.particulars, look.verdicts
        if tuple(one.piece_id for one in row.pieces) != look.piece_ids:
            if row.pieces:
                # a row of another piece at the same place has to go before the new one comes
                row.pieces = []
                self.session.flush()
            row.pieces = [LookPieceRow(look_id=look.id, position=k, piece_id=id) for k, id in enumerate(look.piece_ids)]
