"""The wear log in the database."""

import json
from datetime import date

import sqlalchemy as sa

from lucid_swatch.core.look.wearing.tally import Tally
from lucid_swatch.core.look.wearing.wear import Felt, Line, Wear

from .book import Book
from .tables import WearRow

TALLY = sa.text(
    """SELECT piece.value, count(DISTINCT wear."on"), max(wear."on"),
              coalesce(sum(wear.felt = 'loved'), 0), coalesce(sum(wear.felt = 'off'), 0)
       FROM wear, json_each(wear.piece_ids) AS piece WHERE wear.client_id = :client GROUP BY piece.value"""
)


class Wears(Book[Wear]):
    """What the clients wore, the latest first."""

    row, record, called = WearRow, Wear, "line of the log"
    missing = "It may have been taken out; load the page again."
    order = (WearRow.on.desc(), WearRow.created_at.desc(), WearRow.id)

    def between(self, client_id: str, first: date, last: date) -> list[Wear]:
        """What was worn on some days, the latest first. last: the last day that counts."""
        mine = (WearRow.client_id == client_id) & WearRow.on.between(first, last)
        return [self.of(row) for row in self.session.scalars(sa.select(WearRow).where(mine).order_by(*self.order))]

    def lines(self, client_id: str) -> list[Line]:
        """What counting needs of the whole log, read as it is kept: thousands of rows are counted whenever a rail is shown."""
        wanted = sa.select(
            WearRow.on, sa.type_coerce(WearRow.piece_ids, sa.String), sa.type_coerce(WearRow.felt, sa.String)
        )
        found = self.session.execute(wanted.where(WearRow.client_id == client_id)).all()
        # all of them decoded at once: one by one takes as long as everything else
        pieces = json.loads(f"[{','.join(ids for _, ids, _ in found)}]")
        words = {one.value: one for one in Felt}
        return [
            Line(on, tuple(some), None if felt is None else words[felt])
            for (on, _, felt), some in zip(found, pieces, strict=True)
        ]

    def tally(self, client_id: str) -> dict[str, Tally]:
        """What the whole log tells of each piece, by id, as the core counts it from lines: a rail that is shown waits for it,
        and thousands of lines read as values are too many to clear away in between."""
        counted = self.session.execute(TALLY, {"client": client_id}).all()
        return {id: Tally(days, date.fromisoformat(last), loved, off) for id, days, last, loved, off in counted}

    def planned(self, client_id: str, events: tuple[str, ...]) -> list[Wear]:
        """What was worn to some occasions of a plan. events: their ids."""
        mine = (WearRow.client_id == client_id) & WearRow.planned.in_(events)
        return [self.of(row) for row in self.session.scalars(sa.select(WearRow).where(mine))]

    def count(self, client_id: str) -> int:
        """How many lines a client's log has."""
        return self.session.scalar(sa.select(sa.func.count()).where(WearRow.client_id == client_id)) or 0
