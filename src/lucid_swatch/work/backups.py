"""Makes the backup of every day by itself, and one by hand when asked, beside everything else."""

import logging
from collections.abc import Callable
from dataclasses import dataclass
from datetime import UTC, datetime
from pathlib import Path
from threading import Event, Lock, Thread

from sqlalchemy.exc import SQLAlchemyError

from lucid_swatch.core.problems import Problem, Refused
from lucid_swatch.store.database import Sessions
from lucid_swatch.usecases.backup import Stopped
from lucid_swatch.usecases.backups import Stop, is_due, keeping, make_by_hand, make_daily

log = logging.getLogger(__name__)
FIRST_AFTER, EVERY = 60.0, 300.0
"""Seconds after the start, and between two looks at the clock."""


@dataclass(frozen=True, slots=True)
class ByHand:
    """How far a backup by hand has come."""

    done: int
    of: int
    file: str | None = None
    """Where it lies, once it is made."""
    problem: Problem | None = None
    running: bool = True


class Backups:
    """A thread that looks at the clock, and another one for a backup by hand."""

    def __init__(
        self,
        sessions: Sessions,
        data: Path,
        first_after: float = FIRST_AFTER,
        every: float = EVERY,
        clock: Callable[[], datetime] = lambda: datetime.now(UTC),
    ) -> None:
        self.sessions, self.data, self.first_after, self.every, self.clock = sessions, data, first_after, every, clock
        self.by_hand: ByHand | None = None
        self._one = Lock()
        self._end = Event()
        self._stop = Stop()
        self._threads: list[Thread] = []

    def start(self) -> None:
        """Begins to look at the clock."""
        self._begin(self._watch, "backups")

    def stop(self) -> None:
        """Ends; a backup under way is stopped and leaves nothing."""
        self._end.set()
        self._stop.asked = True
        for thread in self._threads:
            thread.join(timeout=10)

    def look(self) -> bool:
        """Makes the backup of the day when it is due; whether one was made."""
        with self._one:
            with self.sessions() as session:
                place = keeping(session, self.data).place
            if not is_due(place, self.clock()):
                return False
            make_daily(self.sessions, self.data, self.clock())
            return True

    def make_now(self, passphrase: str | None) -> ByHand:
        """Begins a backup by hand. Refused while one is being made."""
        if self.by_hand is not None and self.by_hand.running:
            raise Refused("a backup is being made.", "backup", "Wait for it, or stop it.")
        self._stop = Stop()
        self.by_hand = ByHand(0, 1)
        self._begin(lambda: self._make(passphrase), "backup by hand")
        return self.by_hand

    def stop_now(self) -> None:
        """Stops the backup by hand; nothing of it is kept."""
        self._stop.asked = True

    def _make(self, passphrase: str | None) -> None:
        def progress(done: int, of: int) -> None:
            self.by_hand = ByHand(done, of)

        try:
            with self._one:
                made = make_by_hand(self.sessions, self.data, self.clock(), passphrase, progress, self._stop)
            self.by_hand = ByHand(made.files, made.files, str(made.file), None, running=False)
        except Stopped:
            self.by_hand = None
        except Problem as problem:
            self.by_hand = ByHand(0, 1, None, problem, running=False)
        except SQLAlchemyError:
            busy = Refused("the database could not be read.", "backup", "Wait a moment, then try again.")
            self.by_hand = ByHand(0, 1, None, busy, running=False)

    def _begin(self, act: Callable[[], None], name: str) -> None:
        thread = Thread(target=act, name=name, daemon=True)
        self._threads = [one for one in self._threads if one.is_alive()] + [thread]
        thread.start()

    def _watch(self) -> None:
        wait = self.first_after
        while not self._end.wait(wait):
            wait = self.every
            try:
                self.look()
            except Problem as problem:
                log.warning("backup: %s", problem)
            except (OSError, SQLAlchemyError) as problem:
                log.warning("the backup of the day failed: %s", type(problem).__name__)
