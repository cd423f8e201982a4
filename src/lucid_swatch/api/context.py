"""What every router needs: a session for the request, the files, the queue and the network."""

from collections.abc import Iterator
from dataclasses import dataclass
from typing import Annotated

from fastapi import Depends, Request
from sqlalchemy.orm import Session

from lucid_swatch.outside.cut_out import CutOut
from lucid_swatch.outside.faces import FaceFinder
from lucid_swatch.outside.reader import SocketReader
from lucid_swatch.store.database import Sessions
from lucid_swatch.store.folder import Folder
from lucid_swatch.usecases.reader import Hand
from lucid_swatch.work.reading import ReadingQueue
from lucid_swatch.work.watching import FolderWatch


@dataclass(frozen=True, slots=True)
class Context:
    """The parts of the running application."""

    sessions: Sessions
    folder: Folder
    queue: ReadingQueue
    watch: FolderWatch
    cut_out: CutOut
    faces: FaceFinder
    reader: SocketReader
    hand: Hand


def _context(request: Request) -> Context:
    context: Context = request.app.state.context
    return context


def _unit_of_work(request: Request) -> Iterator[Session]:
    """Commits when the request succeeds, rolls back when it does not."""
    with request.app.state.context.sessions.begin() as session:
        yield session


InContext = Annotated[Context, Depends(_context)]
UnitOfWork = Annotated[Session, Depends(_unit_of_work, scope="function")]
