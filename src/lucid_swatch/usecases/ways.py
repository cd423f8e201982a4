"""How this studio's own words on formality and warmth differ from what is proposed."""

from functools import lru_cache

from sqlalchemy.orm import Session

from lucid_swatch.core.garment.known import Ways, ways_of
from lucid_swatch.core.garment.piece import Piece
from lucid_swatch.store.pieces import Pieces

LATEST = 200
"""Pieces with a word of whose ways is learned, the latest of any rail."""


def studio_ways(session: Session) -> Ways:
    """The ways of the studio, from all rails."""
    return _learned(_Said(tuple(Pieces(session).latest_said(LATEST))))


class _Said:
    """Some pieces as a key: equal when they say the same."""

    def __init__(self, pieces: tuple[Piece, ...]) -> None:
        self.pieces = pieces
        self.key = tuple(
            (p.id, p.category, p.formality, p.warmth, p.finish, p.length, p.pattern, p.details, p.seen, p.lab[0, 0])
            for p in pieces
        )

    def __eq__(self, other: object) -> bool:
        return isinstance(other, _Said) and self.key == other.key

    def __hash__(self) -> int:
        return hash(self.key)


@lru_cache(maxsize=8)
def _learned(said: _Said) -> Ways:
    return ways_of(said.pieces)
