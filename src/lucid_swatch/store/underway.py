"""What is being written for whom: erasing a client waits for it, and nothing more is written once it has begun."""

from collections import Counter
from collections.abc import Iterator
from contextlib import contextmanager
from threading import Condition

from lucid_swatch.core.problems import Refused

WAITS = 60.0
"""Seconds that erasing waits for what is being written."""


class Underway:
    """The writing of files for clients, in this process."""

    def __init__(self) -> None:
        self._writing: Counter[str] = Counter()
        self._erasing: set[str] = set()
        self._taken: set[str] = set()
        self._changed = Condition()

    @contextmanager
    def one_by_one(self, id: str) -> Iterator[None]:
        """While a photo is worked on in several steps: the next one who wants it waits."""
        with self._changed:
            self._changed.wait_for(lambda: id not in self._taken)
            self._taken.add(id)
        try:
            yield
        finally:
            with self._changed:
                self._taken.discard(id)
                self._changed.notify_all()

    @contextmanager
    def writing(self, client_id: str) -> Iterator[None]:
        """While files of a client are written. Refused when the client is being erased."""
        with self._changed:
            if client_id in self._erasing:
                raise Refused("this client is being erased.", "clients' book", "Go back to the clients' book.")
            self._writing[client_id] += 1
        try:
            yield
        finally:
            with self._changed:
                self._writing[client_id] -= 1
                self._changed.notify_all()

    @contextmanager
    def erasing(self, client_id: str, waits: float = WAITS) -> Iterator[None]:
        """While a client is erased: what is being written ends first, and nothing new begins. Refused when it does not."""
        with self._changed:
            if client_id in self._erasing:
                raise Refused("this client is being erased.", "clients' book", "Go back to the clients' book.")
            self._erasing.add(client_id)
            try:
                if not self._changed.wait_for(lambda: not self._writing[client_id], waits):
                    raise Refused(
                        "photos of this client are still coming in.",
                        "clients' book",
                        "Wait a minute and erase again; nothing was removed.",
                    )
            except Refused:
                self._erasing.discard(client_id)
                raise
        try:
            yield
        finally:
            with self._changed:
                self._erasing.discard(client_id)
                self._writing.pop(client_id, None)
