"""Pieces in the database."""

from collections import defaultdict
from collections.abc import Collection, Sequence
from dataclasses import replace
from functools import lru_cache
from types import SimpleNamespace
from typing import Any

import numpy as np
import sqlalchemy as sa
from sqlalchemy.orm import Session

from lucid_swatch.core.garment.piece import Piece
from lucid_swatch.core.garment.vocabulary import Part
from lucid_swatch.core.problems import NotThere, Refused

from .records import HungPiece, Snapshot
from .snapshots import hung_from, snapshot_of
from .tables import ChangeRow, LookPieceRow, LookRow, PhotoRow, PieceColourRow, PieceRow
from .values import Value


class Pieces:
    """The pieces on all rails."""

    def __init__(self, session: Session) -> None:
        self.session = session

    def of_client(self, client_id: str, only: Collection[str] | None = None) -> list[HungPiece]:
        """A client's rail, in the order in which it was hung. only: ids of the pieces that are wanted, where not all are."""
        wanted = PieceRow.client_id == client_id
        if only is not None:
            wanted &= PieceRow.id.in_(only)
        return self._some(wanted)

    def latest_said(self, most: int) -> list[Piece]:
        """The pieces of all rails of which formality or warmth is said, the latest, oldest first."""
        said = sa.or_(PieceRow.formality.is_not(None), PieceRow.warmth.is_not(None))
        latest = sa.select(PieceRow.id).where(said).order_by(PieceRow.created_at.desc(), PieceRow.id).limit(most)
        return [hung.piece for hung in self._some(PieceRow.id.in_(latest))]

    def said_so_far(self) -> tuple[Any, ...]:
        """Another value as soon as anything else is said of formality or warmth: every word is in the journal."""
        said = sa.or_(PieceRow.formality.is_not(None), PieceRow.warmth.is_not(None))
        words = sa.select(sa.func.count(), sa.func.total(PieceRow.formality), sa.func.total(PieceRow.warmth)).where(
            said
        )
        steps = sa.select(sa.func.max(ChangeRow.id), sa.func.total(ChangeRow.taken_back))
        return (*self.session.execute(words).one(), *self.session.execute(steps).one())

    def _some(self, wanted: sa.ColumnElement[bool]) -> list[HungPiece]:
        # as plain rows of what is kept: a whole rail is read at every swap, hardly any of it has changed, and what has
        # not is not decoded again
        pieces = (
            sa.select(*AS_KEPT, PieceRow.reading_number.label("reading_number"))
            .where(wanted)
            .order_by(PieceRow.created_at, PieceRow.id)
        )
        colours = (
            sa.select(*PieceColourRow.__table__.columns)
            .join(PieceRow)
            .where(wanted)
            .order_by(PieceColourRow.piece_id, PieceColourRow.position)
        )
        of_piece: dict[str, list[Any]] = defaultdict(list)
        for colour in self.session.execute(colours):
            of_piece[colour.piece_id].append(colour)
        return [_remembered(row, tuple(of_piece[row.id])) for row in self.session.execute(pieces)]

    def count(self, client_id: str) -> int:
        """How many pieces hang on a client's rail."""
        return self.session.scalar(sa.select(sa.func.count()).where(PieceRow.client_id == client_id)) or 0

    def get(self, id: str) -> HungPiece:
        """One piece. NotThere when there is none."""
        row = self._row(id)
        return _record(row, row.colours)

    def add(self, hung: HungPiece) -> None:
        """Writes a new piece."""
        row = PieceRow(id=hung.piece.id, client_id=hung.client_id, photo_id=hung.photo_id, created_at=hung.created_at)
        _fill(row, hung)
        self.session.add(row)
        self.session.flush()

    def change(self, hung: HungPiece) -> None:
        """Writes a piece again."""
        row = self._row(hung.piece.id)
        row.photo_id = hung.photo_id
        _fill(row, hung)
        self.session.flush()

    def remove(self, id: str) -> None:
        """Takes a piece off the rail. Refused, naming the looks, while kept looks use it."""
        row = self._row(id)
        using = sa.select(LookRow.name).join(LookPieceRow).where(LookPieceRow.piece_id == id).distinct()
        names = list(self.session.scalars(using))
        if names:
            listed = ", ".join(f"'{name}'" for name in names[:3]) + (" and more" if len(names) > 3 else "")
            raise Refused(f"{row.label} is in {listed}.", "rail", "Swap it in those looks first, or let them go.")
        self.session.delete(row)
        self.session.flush()

    def snapshot(self, id: str) -> Snapshot | None:
        """All values of a piece; None when there is none."""
        row = self.session.get(PieceRow, id)
        return None if row is None else snapshot_of(_record(row, row.colours))

    def restore(self, id: str, snapshot: Snapshot | None) -> None:
        """Makes a piece what a snapshot says. Refused when it should go and kept looks use it."""
        row = self.session.get(PieceRow, id)
        if snapshot is None:
            if row is not None:
                self.remove(id)
            return
        hung = hung_from(id, snapshot)
        if hung.photo_id is not None and self.session.get(PhotoRow, hung.photo_id) is None:
            hung = replace(hung, photo_id=None)  # the photo was removed in the meantime
        if row is None:
            self.add(hung)
        else:
            self.change(hung)

    def _row(self, id: str) -> PieceRow:
        row = self.session.get(PieceRow, id)
        if row is None:
            raise NotThere("there is no such piece.", id, "It may have been taken off; load the page again.")
        return row


def _fill(row: PieceRow, hung: HungPiece) -> None:
    piece = hung.piece
    row.label, row.category, row.bin_said = piece.label, piece.category, piece.bin_said
    row.pattern, row.pattern_confidence, row.scale = piece.pattern, piece.pattern_confidence, piece.scale
    row.finish, row.metal, row.volume = tuple(sorted(piece.finish)), piece.metal, piece.volume
    row.details, row.seen = piece.details, piece.seen
    row.length, row.formality, row.warmth = piece.length, piece.formality, piece.warmth
    row.statement, row.worn, row.particulars = piece.statement, piece.worn, hung.particulars
    colours = [
        PieceColourRow(
            piece_id=piece.id,
            position=k,
            lightness=float(lab[0]),
            a=float(lab[1]),
            b=float(lab[2]),
            share=float(piece.share[k]),
            part=piece.parts[k] if piece.parts else Part.CLOTH,
            uncertainty=None if piece.uncertainty is None else float(piece.uncertainty[k]),
        )
        for k, lab in enumerate(piece.lab)
    ]
    if [_values(c) for c in row.colours] != [_values(c) for c in colours]:
        row.colours = colours


def _values(colour: PieceColourRow) -> tuple[object, ...]:
    return (colour.lightness, colour.a, colour.b, colour.share, colour.part, colour.uncertainty)


AS_KEPT = tuple(
    sa.type_coerce(column, sa.Text).label(column.name) if isinstance(column.type, Value) else column
    for column in PieceRow.__table__.columns
)
"""The columns of a piece, values as the text that is kept."""


@lru_cache(maxsize=8192)
def _remembered(row: Any, colours: tuple[Any, ...]) -> HungPiece:
    """A piece of a row of AS_KEPT and those of its colours. Frozen, so that all who ask may hold the same."""
    values = {
        column.name: column.type.from_text(row._mapping[column.name])
        for column in PieceRow.__table__.columns
        if isinstance(column.type, Value)
    }
    return _record(SimpleNamespace(**{**row._mapping, **values}), colours)


def _record(row: Any, colours: Sequence[Any]) -> HungPiece:
    """A piece of a mapped or a plain row and those of its colours."""
    known = all(c.uncertainty is not None for c in colours)
    piece = Piece(
        id=row.id,
        category=row.category,
        label=row.label,
        lab=np.array([[c.lightness, c.a, c.b] for c in colours]),
        share=np.array([c.share for c in colours]),
        parts=tuple(c.part for c in colours),
        uncertainty=np.array([c.uncertainty for c in colours]) if known else None,
        pattern=row.pattern,
        pattern_confidence=row.pattern_confidence,
        scale=row.scale,
        finish=frozenset(row.finish),
        metal=row.metal,
        volume=row.volume,
        length=row.length,
        details=row.details,
        seen=row.seen,
        formality=row.formality,
        warmth=row.warmth,
        statement=row.statement,
        worn=row.worn,
        bin_said=row.bin_said,
    )
    return HungPiece(piece, row.client_id, row.created_at, row.photo_id, row.particulars, row.reading_number or 0)
