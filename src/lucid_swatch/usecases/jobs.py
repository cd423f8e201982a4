"""What is done for each kind of job, and what becomes of one that cannot be done."""

from collections.abc import Callable
from dataclasses import dataclass

from lucid_swatch.core.problems import Problem
from lucid_swatch.store.database import Sessions
from lucid_swatch.store.folder import Folder
from lucid_swatch.store.jobs import Jobs
from lucid_swatch.store.records import JobKind

from .bound_books import make_book, set_down_unmade_book
from .capsules import make_capsule, set_down_unchosen
from .eyes import Sight
from .filling import fill_plan, set_down_unfilled
from .reading_photos import read_kept_photo, set_down_unread
from .walls import make_wall, set_down_unmade


@dataclass(frozen=True, slots=True)
class Work:
    """How a kind of job is done."""

    do: Callable[[Sessions, Folder, Sight, str], list[str]]
    """In a process of its own: does what is asked about something, by its id, and ends the job. Answers what is now asked
    about other things."""
    set_down: Callable[[Sessions, str, Problem], None]
    """Notes why it could not be done, and ends the job."""
    patience: float = 1.0
    """How many times longer than a photo it may take."""


def _read(sessions: Sessions, folder: Folder, sight: Sight, id: str) -> list[str]:
    return read_kept_photo(sessions, folder, sight.cut_out, id)


def _make(sessions: Sessions, folder: Folder, sight: Sight, id: str) -> list[str]:
    make_wall(sessions, id)
    return []


def _choose(sessions: Sessions, folder: Folder, sight: Sight, id: str) -> list[str]:
    make_capsule(sessions, id)
    return []


def _fill(sessions: Sessions, folder: Folder, sight: Sight, id: str) -> list[str]:
    fill_plan(sessions, id)
    return []


def _bind(sessions: Sessions, folder: Folder, sight: Sight, id: str) -> list[str]:
    make_book(sessions, folder, id)
    return []


PHOTO = Work(_read, set_down_unread)
WORKS = {
    JobKind.MAKE: Work(_make, set_down_unmade),
    JobKind.CAPSULE: Work(_choose, set_down_unchosen),
    JobKind.FILL: Work(_fill, set_down_unfilled),
    JobKind.BOOK: Work(_bind, set_down_unmade_book, patience=15.0),
    JobKind.READ: PHOTO,
    JobKind.READ_AGAIN: PHOTO,
    JobKind.TAKE_OVER: PHOTO,
    JobKind.PICTURES: PHOTO,
}


def do_job(sessions: Sessions, folder: Folder, sight: Sight, about: str) -> list[str]:
    """Does what is asked about something; nothing when it was called off. Answers what is to be done after it."""
    with sessions() as session:
        job = Jobs(session).about(about)
    return [] if job is None else WORKS[job.kind].do(sessions, folder, sight, about)


def set_down_job(sessions: Sessions, about: str, problem: Problem) -> None:
    """Notes why what is asked about something could not be done."""
    with sessions() as session:
        job = Jobs(session).about(about)
    if job is not None:
        WORKS[job.kind].set_down(sessions, about, problem)


def patience_with(sessions: Sessions, about: str) -> float:
    """How many times longer than a photo may take what is asked about something."""
    with sessions() as session:
        job = Jobs(session).about(about)
    return 1.0 if job is None else WORKS[job.kind].patience
