"""What every router needs: a session for the request, the files, the queue, the backups."""

from collections.abc import AsyncIterator, Callable
from dataclasses import dataclass
from functools import wraps
from inspect import Parameter, signature
from typing import Annotated, Any, TypeVar

from fastapi import Depends, Path, Request
from sqlalchemy.orm import Session

from lucid_swatch.outside.reader import SocketReader
from lucid_swatch.store.database import Sessions
from lucid_swatch.store.folder import Folder
from lucid_swatch.usecases.plans import Forecasts
from lucid_swatch.usecases.reader import Hand
from lucid_swatch.usecases.tidy import Moved
from lucid_swatch.work.backups import Backups
from lucid_swatch.work.first_seen import FirstSeen
from lucid_swatch.work.queue import WorkQueue
from lucid_swatch.work.watching import FolderWatch

T = TypeVar("T")


@dataclass(frozen=True, slots=True)
class Context:
    """The parts of the running application."""

    sessions: Sessions
    folder: Folder
    queue: WorkQueue
    first_seen: FirstSeen
    watch: FolderWatch
    backups: Backups
    forecasts: Forecasts
    reader: SocketReader
    hand: Hand
    key: str
    """What a browser has to know to be answered."""
    found: Moved
    """What the start found beside the rows."""


# both are nothing to wait for, so they are no thread's work: each way to one and back costs a request some milliseconds
async def _context(request: Request) -> Context:
    context: Context = request.app.state.context
    return context


async def _reading(request: Request) -> AsyncIterator[Session]:
    """Reads, at no time in anybody's way. The first statement, in the thread of the handler, opens the connection."""
    with request.app.state.context.sessions() as session:
        yield session


InContext = Annotated[Context, Depends(_context)]
UnitOfWork = Session
"""The session of a handler `in_one_change`."""


def in_one_change(handler: Callable[..., T]) -> Callable[..., T]:
    """A handler whose session commits when it returns and rolls back when it raises.

    The change begins and ends in the thread of the handler: one that is left open for others to close would have them
    all wait for a thread that they hold themselves."""
    own = signature(handler)
    others = [one for one in own.parameters.values() if one.name not in ("session", "context")]
    wanted = [Parameter("context", Parameter.KEYWORD_ONLY, annotation=InContext)]
    takes_context = "context" in own.parameters

    @wraps(handler)
    def changed(*, context: Context, **values: Any) -> T:
        with context.sessions.begin() as session:
            beside = {"context": context} if takes_context else {}
            return handler(session=session, **beside, **values)

    keyword = [one.replace(kind=Parameter.KEYWORD_ONLY) for one in others]
    changed.__signature__ = own.replace(parameters=[*wanted, *keyword])  # type: ignore[attr-defined]
    return changed


ReadSession = Annotated[Session, Depends(_reading, scope="function")]
Id = Annotated[str, Path(pattern=r"^[A-Za-z0-9_-]{1,64}$")]
"""What names a client, photo, look or trial; it is never more than a name."""
