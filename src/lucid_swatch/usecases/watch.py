"""A watched folder: what a phone or a camera puts there is taken in by itself."""

import os
from dataclasses import dataclass
from pathlib import Path

from sqlalchemy.orm import Session

from lucid_swatch.core.problems import Problem, Refused
from lucid_swatch.files.photo import MAX_BYTES
from lucid_swatch.store.clients import Clients
from lucid_swatch.store.database import Sessions
from lucid_swatch.store.folder import Folder
from lucid_swatch.store.studio import Studio, StudioKey

from .eyes import Eyes
from .intake import TakenIn, take_in

ENDINGS = (".jpg", ".jpeg", ".png", ".webp", ".heic", ".heif")
AT_ONCE = 8


@dataclass(frozen=True, slots=True)
class Watched:
    """The watched folder, and whose photos come into it."""

    path: str
    client_id: str
    taken: tuple[str, ...] = ()
    """Name, size and time of the files that were taken in or refused."""
    problem: str = ""


WATCHED = StudioKey("watched folder", Watched)


def watched(session: Session) -> Watched | None:
    """The folder that is watched; None when there is none."""
    return Studio(session).get(WATCHED)


def watch(session: Session, folder: Folder, path: str, client_id: str) -> Watched:
    """Watches a folder from now on; what lies there already comes in too.

    Refused when it is no folder to read, or one that holds what was taken in already or belongs to the system."""
    Clients(session).get(client_id)
    if "\0" in path:
        raise Refused("there is no such folder.", "folder", "Give the whole path of a folder on this machine.")
    place = Path(path).expanduser()
    try:
        if not place.is_absolute() or not place.is_dir():
            raise Refused("there is no such folder.", path, "Give the whole path of a folder on this machine.")
        next(place.iterdir(), None)
        _check_place(place, folder.path)
    except OSError as problem:
        reason = (problem.strerror or "unknown reason").lower()
        raise Refused(f"the folder cannot be read ({reason}).", path, "Choose another, or allow reading.") from None
    before = watched(session)
    taken = before.taken if before is not None and before.path == str(place) else ()
    now = Watched(str(place), client_id, taken)
    _keep(session, now)
    return now


SYSTEM = tuple(
    Path(place) for place in ("/bin", "/boot", "/dev", "/etc", "/lib", "/proc", "/run", "/sbin", "/sys", "/usr", "/var")
)
TAKES_PHOTOS = (Path("/run/media"), Path("/run/user"), Path("/var/tmp"))
"""Places below those of the system where a card reader or a phone appears."""


def _check_place(place: Path, data: Path) -> None:
    real, own = place.resolve(), data.resolve()
    system = any(real.is_relative_to(one) for one in SYSTEM) and not any(
        real.is_relative_to(one) for one in TAKES_PHOTOS
    )
    if system or real == Path("/"):
        raise Refused("this folder belongs to the system.", str(place), "Choose one of its own for the phone.")
    if real == own or real.is_relative_to(own) or own.is_relative_to(real):
        raise Refused(
            "this folder holds the photos that were taken in, or lies among them.",
            str(place),
            "Choose one of its own for the phone.",
        )


def stop_watching(session: Session) -> None:
    """Watches no folder any more."""
    Studio(session).forget(WATCHED)


def forget_client(session: Session, client_id: str) -> None:
    """Watches no folder any more for a client who is erased."""
    now = watched(session)
    if now is not None and now.client_id == client_id:
        stop_watching(session)


def _keep(session: Session, now: Watched) -> None:
    Studio(session).keep(WATCHED, now)


def look_again(sessions: Sessions, folder: Folder, eyes: Eyes, sizes: dict[str, int]) -> list[TakenIn]:
    """Takes in what is new in the watched folder. A file is taken when its size has not changed since the last look.

    sizes: name to size at the last look, changed in place. What cannot be read is kept as the folder's problem."""
    with sessions() as session:
        now = watched(session)
    if now is None:
        return []
    try:
        found = _photos_in(Path(now.path), folder.path)
    except OSError as problem:
        reason = (problem.strerror or "unknown reason").lower()
        _note(sessions, now, (), f"The watched folder cannot be read ({reason}).")
        return []
    known = set(now.taken)
    fresh: list[tuple[str, Path]] = []
    for path, status in found.items():
        mark = f"{_said(path)}:{status.st_size}:{status.st_mtime_ns}"
        settled = sizes.get(path.name) == status.st_size and status.st_size > 0
        sizes[path.name] = status.st_size
        if settled and mark not in known and len(fresh) < AT_ONCE:
            fresh.append((mark, path))
    answers: list[TakenIn] = []
    marks: list[str] = []
    stopped = ""
    for mark, path in fresh:
        try:
            with path.open("rb") as file:
                content = file.read(MAX_BYTES + 1)
        except OSError:
            continue  # gone or locked: another look will tell
        try:
            answers += take_in(sessions, folder, eyes, now.client_id, [(_said(path), content)])
        except Problem as problem:
            # such as a full disk: said, and tried again at the next look
            stopped = str(problem)
            break
        marks.append(mark)
        # noted one by one: what was taken is not taken again after a kill
        refused = [str(one.problem) for one in answers if one.problem is not None]
        _note(sessions, now, (mark,), "; ".join(refused))
    if stopped:
        _note(sessions, now, (), stopped)
    return answers


def _photos_in(place: Path, data: Path) -> dict[Path, os.stat_result]:
    """The photos in a folder, links to what was taken in already left out."""
    own = data.resolve()
    found = {}
    for path in sorted(place.iterdir()):
        if path.suffix.lower() in ENDINGS and path.name[0] != "." and path.is_file():
            if path.is_symlink() and path.resolve().is_relative_to(own):
                continue
            found[path] = path.stat()
    return found


def _said(path: Path) -> str:
    """The name of a file as it can be shown and kept, whatever bytes it has."""
    return path.name.encode(errors="surrogateescape").decode(errors="replace")


def _note(sessions: Sessions, seen: Watched, marks: tuple[str, ...], text: str) -> None:
    """Keeps what was taken, unless another folder, or none, is watched meanwhile."""
    with sessions.begin() as session:
        now = watched(session)
        if now is None or (now.path, now.client_id) != (seen.path, seen.client_id):
            return
        if marks or text != now.problem:
            _keep(session, Watched(now.path, now.client_id, tuple(sorted({*now.taken, *marks})), text))
