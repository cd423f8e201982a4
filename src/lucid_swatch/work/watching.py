"""Looks into the watched folder now and then."""

import logging
from collections.abc import Callable
from threading import Event, Thread

from lucid_swatch.core.problems import Problem
from lucid_swatch.store.database import Sessions
from lucid_swatch.store.folder import Folder
from lucid_swatch.usecases.eyes import Eyes
from lucid_swatch.usecases.watch import look_again

log = logging.getLogger(__name__)
EVERY = 1.0
"""Seconds between two looks."""


class FolderWatch:
    """A thread that takes in what lies in the watched folder and lets it be read."""

    def __init__(
        self, sessions: Sessions, folder: Folder, eyes: Eyes, add: Callable[[str], object], every: float = EVERY
    ) -> None:
        self.sessions, self.folder, self.eyes, self.add, self.every = sessions, folder, eyes, add, every
        self._sizes: dict[str, int] = {}
        self._end = Event()
        self._thread: Thread | None = None

    def start(self) -> None:
        """Begins to look."""
        self._thread = Thread(target=self._watch, name="watched folder", daemon=True)
        self._thread.start()

    def stop(self) -> None:
        """Ends with the look under way."""
        self._end.set()
        if self._thread is not None:
            self._thread.join(timeout=10)

    def look(self) -> None:
        """One look."""
        taken = look_again(self.sessions, self.folder, self.eyes, self._sizes)
        for one in taken:
            if one.photo is not None:
                self.add(one.photo.id)

    def _watch(self) -> None:
        while not self._end.wait(self.every):
            try:
                self.look()
            except Problem as problem:
                log.warning("watched folder: %s", problem)
            except Exception as problem:
                # a full disk or a locked database now says nothing of the next look
                log.warning("the watched folder could not be looked at: %s", type(problem).__name__)
