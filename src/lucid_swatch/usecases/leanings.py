"""A studio's own borders: explained from the stylist's words, taken on only when asked, and taken back at will."""

from dataclasses import dataclass
from datetime import UTC, datetime

from sqlalchemy.orm import Session

from lucid_swatch.core.garment.leaning import Habit, habits, would_move
from lucid_swatch.core.garment.piece import Piece
from lucid_swatch.core.garment.school import School
from lucid_swatch.core.problems import NotThere, Refused
from lucid_swatch.store.clients import Clients
from lucid_swatch.store.leanings import LEANINGS, Leanings, NamedLeaning
from lucid_swatch.store.pieces import Pieces
from lucid_swatch.store.studio import Studio

from .changes import recorded


@dataclass(frozen=True, slots=True)
class Moved:
    """A piece that a moved border hangs elsewhere."""

    piece: Piece
    client: str
    now: str
    then: str
    """Bins."""


@dataclass(frozen=True, slots=True)
class Proposal:
    """A border that could be moved, and what that would do to every rail of the studio."""

    habit: Habit
    labels: tuple[str, ...]
    """Of the pieces that say so."""
    moves: tuple[Moved, ...]


def proposals(session: Session, client_id: str) -> list[Proposal]:
    """Where the stylist hangs colours otherwise than read, over all rails, by the school of one client."""
    school = Clients(session).get(client_id).conventions.school
    pieces, owners = _every_piece(session)
    names = {piece.id: piece.called for piece in pieces}
    found = []
    for habit in habits(pieces, school):
        other = School(school.strict, (*school.leanings, habit.leaning))
        moves = [
            Moved(piece, owners[piece.id], now.bin.value, then.bin.value)
            for piece, now, then in would_move(pieces, school, other)
        ]
        found.append(Proposal(habit, tuple(names[id] for id in habit.pieces), tuple(moves)))
    return found


def _every_piece(session: Session) -> tuple[list[Piece], dict[str, str]]:
    """The pieces of all rails, and the name of the client of each."""
    pieces, owners = [], {}
    for client in Clients(session).all():
        for one in Pieces(session).of_client(client.id):
            pieces.append(one.piece)
            owners[one.piece.id] = client.name
    return pieces, owners


def take_on(session: Session, client_id: str, family: str, read: str, said: str) -> None:
    """Moves a border as a habit asks. NotThere when there is no such habit any more."""
    habit = next((p.habit for p in proposals(session, client_id) if _key(p.habit) == (family, read, said)), None)
    if habit is None:
        raise NotThere("there is no such habit any more.", family, "Load the page again.")
    if not (habit.leaning.warmth or habit.leaning.limit):
        raise Refused("no border has to be moved for this.", family, "The pieces hang by your word.")
    told = f"{habit.name} hangs with the {habit.said.value}s, not with the {habit.read.value}s"
    leaning = habit.leaning
    kept = NamedLeaning(leaning.lab, leaning.warmth, leaning.limit, told, datetime.now(UTC).date())
    _write(session, client_id, (*kept_leanings(session), kept), f"moved a border: {told}")


def take_back(session: Session, client_id: str, number: int) -> None:
    """Puts a border back. number: its place among those kept. NotThere when there is none."""
    kept = kept_leanings(session)
    if not 0 <= number < len(kept):
        raise NotThere("there is no such border.", str(number), "Load the page again.")
    left = tuple(one for place, one in enumerate(kept) if place != number)
    _write(session, client_id, left, f"put a border back: {kept[number].told}")


def kept_leanings(session: Session) -> tuple[NamedLeaning, ...]:
    """The borders that were moved, the oldest first, each with why and since when."""
    return (Studio(session).get(LEANINGS) or Leanings()).kept


def _write(session: Session, client_id: str, kept: tuple[NamedLeaning, ...], told: str) -> None:
    with recorded(session, client_id, told) as change:
        change.touches("studio", LEANINGS.key)
        Studio(session).keep(LEANINGS, Leanings(kept))


def _key(habit: Habit) -> tuple[str, str, str]:
    return habit.family, habit.read.value, habit.said.value
