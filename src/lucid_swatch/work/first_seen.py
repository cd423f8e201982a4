"""Work of a second or two whose first result is answered while the rest goes on."""

from collections.abc import Callable, Iterator
from concurrent.futures import ThreadPoolExecutor
from contextlib import contextmanager
from threading import Event

HANDS = 2
"""Such works at one time; those that come meanwhile wait."""
PATIENCE = 5.0
"""Seconds that a work waits for its first result to be answered: done side by side, both would take twice as long."""


class FirstSeen:
    """Does short works beside the requests that ask for them."""

    def __init__(self) -> None:
        self._hands = ThreadPoolExecutor(HANDS, thread_name_prefix="first seen")

    @contextmanager
    def of(self, work: Callable[[Callable[[], None]], None]) -> Iterator[None]:
        """Begins a work; inside, its first result is there, or it has ended without one. It goes on afterwards.

        work: calls what it is given as soon as there is something to see. What it raises by then is raised here."""
        there, answered = Event(), Event()

        def seen() -> None:
            there.set()
            answered.wait(PATIENCE)

        def done() -> None:
            try:
                work(seen)
            finally:
                there.set()

        begun = self._hands.submit(done)
        there.wait()
        try:
            if begun.done():
                begun.result()
            yield
        finally:
            answered.set()

    def stop(self) -> None:
        """Ends when what is under way has ended."""
        self._hands.shutdown()
