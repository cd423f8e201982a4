"""A client is erased: every row, photo and picture, what lies aside, and the backups that still hold them."""

import subprocess
import sys
from collections.abc import Callable, Iterable
from contextlib import AbstractContextManager, nullcontext
from dataclasses import dataclass
from pathlib import Path

from lucid_swatch.store import search
from lucid_swatch.store.clients import Clients
from lucid_swatch.store.database import Sessions
from lucid_swatch.store.erased import note_erased
from lucid_swatch.store.folder import ASIDE, PHOTOS, PICTURES, Folder, Unwritable, whose
from lucid_swatch.store.going import Going
from lucid_swatch.store.jobs import Jobs
from lucid_swatch.store.owned import owners_of_pictures
from lucid_swatch.store.photos import Photos
from lucid_swatch.store.studio import Studio, StudioKey

from .faces import forget_heads
from .watch import forget_client


@dataclass(frozen=True, slots=True)
class ToScrub:
    """Freed pages are still to be scrubbed."""


SCRUB = StudioKey("scrub", ToScrub)
LEAST_TRACE = 24
"""Letters of an id; a shorter name may well belong to somebody else."""


@dataclass(frozen=True, slots=True)
class Erased:
    """What went with a client, and what a search found afterwards."""

    rows: dict[str, int]
    """How many from each table."""
    files: tuple[str, ...]
    """Names below the data folder."""
    left: tuple[str, ...]
    """What is still there; empty when everything went."""


def erase_client(
    sessions: Sessions,
    folder: Folder,
    id: str,
    without: Callable[[Iterable[str]], AbstractContextManager[None]] = lambda ids: nullcontext(),
) -> Erased:
    """Removes a client with every row, photo and picture, scrubs the freed pages, and searches for what is left.

    What is being written for the client ends first; nothing is read or made `without` some photos and walls. Refused, with
    nothing removed, when it does not end. Rows and the list of files go in one transaction, and all that comes after it is
    done at the next start where it cannot be done now."""
    with folder.underway.erasing(id):
        with sessions() as session:
            photos = [photo.id for photo in Photos(session).of_client(id)]
            # looks that are being made are the client's as well
            asked = [job.about for job in Jobs(session).of_client(id)]
        with without({*photos, *asked}):
            rows, there, traces = _let_go(sessions, folder, id)
            forget_heads()
        left = []
        try:
            note_erased(folder.path, id)
        except Unwritable:
            left.append("the list of who was erased, which a full disk did not take")
        scrub_when_due(sessions)
        return Erased(rows, there, (*left, *traces_left(folder.path, traces)))


def _let_go(sessions: Sessions, folder: Folder, id: str) -> tuple[dict[str, int], tuple[str, ...], list[str]]:
    """Lets all of a client go in one change: how many rows, which files, and what would be a trace of them."""
    with sessions.begin() as session:
        photos = Photos(session).of_client(id)
        owners = [*owners_of_pictures(session, id), id]
        paths = {folder.photo(photo.file) for photo in photos} | {folder.path / PICTURES / owner for owner in owners}
        paths |= set(_strays(folder, id))
        there = sorted(str(file.relative_to(folder.path)) for path in paths for file in _files(path))
        rows = Clients(session).erase(id)
        forget_client(session, id)
        Studio(session).keep(SCRUB, ToScrub())
        for path in paths:
            Going(session, folder).at(path)
    return rows, tuple(there), [id, *owners, *(photo.name for photo in photos)]


def scrub_when_due(sessions: Sessions) -> None:
    """Scrubs the freed pages if somebody was erased since that was last done."""
    with sessions() as session:
        due = Studio(session).get(SCRUB) is not None
    if due and sessions.scrub():
        with sessions.begin() as session:
            Studio(session).forget(SCRUB)


def _strays(folder: Folder, id: str) -> list[Path]:
    """Photos and folders of pictures that say they are a client's, in place or set aside, whatever a row knows."""
    places = [top / kind for top in (folder.path, folder.path / ASIDE) for kind in (PHOTOS, PICTURES)]
    return [path for place in places if place.is_dir() for path in place.iterdir() if whose(path) == id]


def _files(path: Path) -> list[Path]:
    if path.is_dir():
        return [file for file in path.iterdir() if file.is_file()]
    return [path] if path.is_file() else []


def traces_left(data: Path, traces: Iterable[str]) -> tuple[str, ...]:
    """Files of the data folder that still hold one of some ids or names, in their name or, for the database, inside.

    The search runs in a process of its own: closing a database file drops the locks that this process holds on it.
    Source: 'How To Corrupt An SQLite Database File', section 2.2, sqlite.org."""
    wanted = "\n".join(sorted({trace for trace in traces if len(trace) >= LEAST_TRACE}))
    done = subprocess.run(
        [sys.executable, "-I", search.__file__, str(data)], input=wanted.encode(), capture_output=True, check=True
    )
    return tuple(done.stdout.decode(errors="replace").splitlines())
