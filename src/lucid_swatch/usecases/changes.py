"""Every change of a rail is written down with what was before and after it, and can be taken back and done again."""

from collections.abc import Callable, Iterator
from contextlib import contextmanager
from dataclasses import dataclass, field
from datetime import UTC, datetime
from typing import Any, Protocol

from sqlalchemy.orm import Session

from lucid_swatch.core.problems import Refused
from lucid_swatch.store.candidates import Candidates
from lucid_swatch.store.capsules import Capsules
from lucid_swatch.store.clients import Clients
from lucid_swatch.store.journal import Journal
from lucid_swatch.store.look_books import LookBooks
from lucid_swatch.store.looks import Looks
from lucid_swatch.store.palettes import Palettes
from lucid_swatch.store.photos import Photos
from lucid_swatch.store.pieces import Pieces
from lucid_swatch.store.plans import Plans
from lucid_swatch.store.records import ChangeRecord, Entry
from lucid_swatch.store.studio import Studio
from lucid_swatch.store.trials import Comparisons, Trials
from lucid_swatch.store.walls import Walls
from lucid_swatch.store.wears import Wears

Snapshot = dict[str, Any] | None


class Keeper(Protocol):
    """What can say what a thing is and make it so again."""

    def snapshot(self, id: str) -> Snapshot:
        """All values of a thing; None when it is not there."""

    def restore(self, id: str, kept: Snapshot) -> None:
        """Makes the thing what a snapshot says."""


KEEPERS: dict[str, Callable[[Session], Keeper]] = {
    "piece": Pieces,
    "photo": Photos,
    "palette": Palettes,
    "client": Clients,
    "studio": Studio,
    "look": Looks,
    "wall": Walls,
    "candidate": Candidates,
    "capsule": Capsules,
    "lookbook": LookBooks,
    "plan": Plans,
    "wear": Wears,
    "trial": Trials,
    "side by side": Comparisons,
}


@dataclass(slots=True)
class Recording:
    """A change while it is being made: what it touches has to be named before it is touched."""

    session: Session
    told: str
    before: dict[tuple[str, str], Snapshot] = field(default_factory=dict)
    number: int | None = None
    """Of the change, once it is made."""

    def touches(self, kind: str, *ids: str) -> None:
        """Notes how things are before they change."""
        keeper = KEEPERS[kind](self.session)
        for id in ids:
            if (kind, id) not in self.before:
                self.before[kind, id] = keeper.snapshot(id)

    def entries(self) -> list[Entry]:
        """What really changed, in the order in which it was touched."""
        found = [
            Entry(kind, id, was, KEEPERS[kind](self.session).snapshot(id)) for (kind, id), was in self.before.items()
        ]
        return [entry for entry in found if entry.before != entry.after]


@contextmanager
def recorded(session: Session, client_id: str, told: str, at: datetime | None = None) -> Iterator[Recording]:
    """Writes what happens inside down as one change of a client's rail; nothing when nothing changed.

    at: when it was made; left out, now."""
    recording = Recording(session, told)
    yield recording
    entries = recording.entries()
    if entries:
        recording.number = Journal(session).add(client_id, recording.told, entries, at or datetime.now(UTC)).id


def undo(session: Session, client_id: str, wanted: int | None = None) -> ChangeRecord:
    """Takes back the newest change of a client's rail.

    wanted: the change that is meant, where only that one is. Refused when there is none, when another was made since, or
    when kept looks stand in its way."""
    Journal(session).hold()
    Clients(session).get(client_id)
    change = Journal(session).newest(client_id)
    if change is None:
        raise Refused("there is nothing to take back.", "rail", "Change something first.")
    if wanted is not None and change.id != wanted:
        raise Refused(
            f"something else was changed since: {change.told}.", "changes", "Take that back first, on the rail."
        )
    for entry in reversed(change.entries):
        _put(session, entry.kind, entry.id, entry.after, entry.before)
    Journal(session).mark(change.id, taken_back=True)
    return change


def redo(session: Session, client_id: str) -> ChangeRecord:
    """Does again what was taken back last. Refused when nothing was."""
    Journal(session).hold()
    Clients(session).get(client_id)
    change = Journal(session).oldest_taken_back(client_id)
    if change is None:
        raise Refused("there is nothing to do again.", "rail", "Take something back first.")
    for entry in change.entries:
        _put(session, entry.kind, entry.id, entry.before, entry.after)
    Journal(session).mark(change.id, taken_back=False)
    return change


def _put(session: Session, kind: str, id: str, now: Snapshot, wanted: Snapshot) -> None:
    keeper = KEEPERS[kind](session)
    keeper.restore(id, merged(keeper.snapshot(id), now, wanted))


def merged(current: Snapshot, now: Snapshot, wanted: Snapshot) -> Snapshot:
    """A snapshot with one change turned round; what else has changed since, such as a newer reading, stays."""
    if current is None or now is None or wanted is None:
        return wanted
    return current | {name: value for name, value in wanted.items() if now.get(name) != value}
