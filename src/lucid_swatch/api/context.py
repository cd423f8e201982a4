"""What every router needs: a session for the request, the files, the queue, the backups."""

from collections.abc import Iterator
from dataclasses import dataclass
from typing import Annotated

from fastapi import Depends, Path, Request
from sqlalchemy.orm import Session

from lucid_swatch.outside.reader import SocketReader
from lucid_swatch.store.database import Sessions
from lucid_swatch.store.folder import Folder
from lucid_swatch.usecases.reader import Hand
from lucid_swatch.usecases.tidy import Moved
from lucid_swatch.work.backups import Backups
from lucid_swatch.work.reading import ReadingQueue
from lucid_swatch.work.watching import FolderWatch


@dataclass(frozen=True, slots=True)
class Context:
    """The parts of the running application."""

    sessions: Sessions
    folder: Folder
    queue: ReadingQueue
    watch: FolderWatch
    backups: Backups
    reader: SocketReader
    hand: Hand
    key: str
    """What a browser has to know to be answered."""
    found: Moved
    """What the start found beside the rows."""


def _context(request: Request) -> Context:
    context: Context = request.app.state.context
    return context


def _unit_of_work(request: Request) -> Iterator[Session]:
    """Commits when the request succeeds, rolls back when it does not."""
    with request.app.state.context.sessions.begin() as session:
        yield session


def _reading(request: Request) -> Iterator[Session]:
    """Reads, at no time in anybody's way."""
    with request.app.state.context.sessions() as session:
        yield session


InContext = Annotated[Context, Depends(_context)]
UnitOfWork = Annotated[Session, Depends(_unit_of_work, scope="function")]
ReadSession = Annotated[Session, Depends(_reading, scope="function")]
Id = Annotated[str, Path(pattern=r"^[A-Za-z0-9_-]{1,64}$")]
"""What names a client, photo, look or trial; it is never more than a name."""
