"""A wardrobe: a client's pieces with all that looks of them are held against, put together once."""

from collections.abc import Iterable, Mapping
from dataclasses import dataclass, field, replace
from functools import cached_property

import numpy as np

from ...client.colouring import Client, Colouring, read_colouring
from ...colour.arrays import IntArray
from ...garment.piece import Piece
from ...garment.vocabulary import Worn
from ..look import Conventions, Intent, Look, in_order
from ..scorer.batch import LookBatch, batch_of
from ..scorer.table import PieceTable, table_of
from .dress import together

NOTHING = -1
"""Stands in a row where a look has fewer pieces."""


@dataclass(frozen=True, eq=False)
class Wardrobe:
    """The pieces of a rail, whose they are, and the school that judges them. A piece is known by its id."""

    pieces: tuple[Piece, ...]
    """As they are worn, in the order in which they were hung."""
    client: Client | None = None
    conventions: Conventions = field(default_factory=Conventions)
    always: tuple[Piece, ...] = ()
    """What is on in every look: pieces of the rail, and what is none, such as a lipstick."""
    barred: Mapping[str, str] = field(default_factory=dict)
    """Why a look that is made takes no such piece, by its id."""
    sets: tuple[frozenset[str], ...] = ()
    """Ids of pieces that are worn together or not at all."""
    leaning: Mapping[str, float] = field(default_factory=dict)
    """Points of the whole that speak for a piece when looks are made, or against it, by its id: what the log tells."""

    @cached_property
    def by_id(self) -> dict[str, Piece]:
        """The pieces of the rail by id."""
        return {piece.id: piece for piece in self.pieces}

    @cached_property
    def everything(self) -> tuple[Piece, ...]:
        """All pieces that a look may hold: those of the rail, then what else is always on."""
        return self.pieces + tuple(piece for piece in self.always if piece.id not in self.by_id)

    @cached_property
    def table(self) -> PieceTable:
        """What is known of each piece and each pair of `everything`, which holds at least one."""
        return table_of(self.everything, self.conventions.school)

    @cached_property
    def colouring(self) -> Colouring | None:
        """What looks are held against; None when nothing is known."""
        return None if self.client is None else read_colouring(self.client)

    @cached_property
    def free(self) -> tuple[int, ...]:
        """Places in `pieces` of what looks can be made of: not barred, not on anyway, and to be worn with what is."""
        on = {piece.id for piece in self.always}
        return tuple(
            place
            for place, piece in enumerate(self.pieces)
            if piece.id not in self.barred
            and piece.id not in on
            and all(together(piece.category, one.category) for one in self.always)
        )

    @classmethod
    def round(cls, look: Look) -> "Wardrobe":
        """The pieces of a look and of its rail, so that other looks of them can be scored beside it."""
        pieces = {piece.id: piece for piece in (*look.pieces, *look.rail)}
        return cls(tuple(pieces.values()), look.client, look.conventions, look.always)

    def batch(self, rows: IntArray, intent: Intent | None = None, meant: Iterable[str] = ()) -> LookBatch:
        """Looks as the scorer takes them; what is always on joins each.

        rows: (n, m), places in `everything`, NOTHING where a look has fewer pieces. meant: codes of what is broken
        knowingly in every one of them."""
        on = np.broadcast_to(self._always, (len(rows), len(self._always)))
        # what is on anyway and was also chosen counts once
        rows = np.where(np.isin(rows, self._always), NOTHING, rows)
        rows = np.concatenate([rows, on], axis=1)
        # in the one order of a look, and what is missing last
        order = np.argsort(np.where(rows == NOTHING, len(self._rank), self._rank[rows]), axis=1, kind="stable")
        rows = np.take_along_axis(rows, order, axis=1)
        told = [dict.fromkeys(meant, "")] * len(rows)
        return batch_of(self.table, rows, [self.conventions], [intent], [self.colouring], told)

    @cached_property
    def _always(self) -> IntArray:
        place = {piece.id: k for k, piece in enumerate(self.everything)}
        return np.array([place[piece.id] for piece in self.always], dtype=np.intp)

    @cached_property
    def _rank(self) -> IntArray:
        order = {piece.id: rank for rank, piece in enumerate(in_order(self.everything))}
        return np.array([order[piece.id] for piece in self.everything], dtype=np.intp)

    def with_strangers(self, strangers: Iterable[Piece]) -> "Wardrobe":
        """The wardrobe if some pieces that do not hang in it did, in the order in which looks are scored."""
        return replace(self, pieces=in_order((*self.pieces, *strangers)))

    def look(
        self,
        id: str,
        piece_ids: tuple[str, ...],
        intent: Intent | None = None,
        worn: Mapping[str, Worn] | None = None,
        conventions: Conventions | None = None,
    ) -> Look:
        """A look of the wardrobe, with what it could still draw on. KeyError when it has no such piece.

        worn: how pieces are worn in it, by id, where it is not as usual. conventions: its school, where it is another."""
        how = worn or {}

        def as_worn(piece: Piece) -> Piece:
            return replace(piece, worn=how[piece.id]) if piece.id in how else piece

        always = tuple(as_worn(piece) for piece in self.always if piece.id not in piece_ids)
        taken = {*piece_ids, *(piece.id for piece in always)}
        return Look(
            id,
            tuple(as_worn(self.by_id[one]) for one in piece_ids),
            self.client,
            conventions or self.conventions,
            intent,
            tuple(as_worn(piece) for piece in self.pieces if piece.id not in taken),
            always,
            frozenset(self.barred),
            self.sets,
        )
