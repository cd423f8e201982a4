"""A watched folder: what a phone or a camera puts there is taken in by itself."""

from dataclasses import dataclass
from pathlib import Path

from sqlalchemy.orm import Session

from lucid_swatch.core.problems import Problem, Refused
from lucid_swatch.files.photo import MAX_BYTES
from lucid_swatch.store.clients import Clients
from lucid_swatch.store.folder import Folder
from lucid_swatch.store.studio import Studio

from .intake import TakenIn, take_in

WATCHED = "watched folder"
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


def watched(session: Session) -> Watched | None:
    """The folder that is watched; None when there is none."""
    kept = Studio(session).get(WATCHED)
    return None if kept is None else Watched(kept["path"], kept["client"], tuple(kept["taken"]), kept["problem"])


def watch(session: Session, path: str, client_id: str) -> Watched:
    """Watches a folder from now on; what lies there already comes in too. Refused when it is no folder to read."""
    Clients(session).get(client_id)
    place = Path(path).expanduser()
    if not place.is_absolute() or not place.is_dir():
        raise Refused("there is no such folder.", path, "Give the whole path of a folder on this machine.")
    try:
        next(place.iterdir(), None)
    except OSError as problem:
        reason = (problem.strerror or "unknown reason").lower()
        raise Refused(f"the folder cannot be read ({reason}).", path, "Choose another, or allow reading.") from None
    before = watched(session)
    taken = before.taken if before is not None and before.path == str(place) else ()
    now = Watched(str(place), client_id, taken)
    _keep(session, now)
    return now


def stop_watching(session: Session) -> None:
    """Watches no folder any more."""
    Studio(session).forget(WATCHED)


def _keep(session: Session, now: Watched) -> None:
    values = {"path": now.path, "client": now.client_id, "taken": list(now.taken), "problem": now.problem}
    Studio(session).keep(WATCHED, values)


def look_again(session: Session, folder: Folder, sizes: dict[str, int]) -> list[TakenIn]:
    """Takes in what is new in the watched folder. A file is taken when its size has not changed since the last look.

    sizes: name to size at the last look, changed in place. What cannot be read is kept as the folder's problem."""
    now = watched(session)
    if now is None:
        return []
    try:
        files = sorted(p for p in Path(now.path).iterdir() if p.suffix.lower() in ENDINGS and p.name[0] != ".")
        found = {path: path.stat() for path in files if path.is_file()}
    except OSError as problem:
        reason = (problem.strerror or "unknown reason").lower()
        _note(session, now, f"The watched folder cannot be read ({reason}).")
        return []
    known = set(now.taken)
    fresh: list[tuple[str, Path]] = []
    for path, status in found.items():
        mark = f"{path.name}:{status.st_size}:{status.st_mtime_ns}"
        settled = sizes.get(path.name) == status.st_size and status.st_size > 0
        sizes[path.name] = status.st_size
        if settled and mark not in known and len(fresh) < AT_ONCE:
            fresh.append((mark, path))
    answers: list[TakenIn] = []
    stopped = ""
    for mark, path in fresh:
        try:
            with path.open("rb") as file:
                content = file.read(MAX_BYTES + 1)
        except OSError:
            continue  # gone or locked: another look will tell
        try:
            answers += take_in(session, folder, now.client_id, [(path.name, content)])
        except Problem as problem:
            # such as a full disk: said, and tried again at the next look
            stopped = str(problem)
            break
        known.add(mark)
    refused = [one for one in answers if one.problem is not None]
    text = stopped or (str(refused[-1].problem) if refused else ("" if answers else now.problem))
    if answers or text != now.problem:
        _keep(session, Watched(now.path, now.client_id, tuple(sorted(known)), text))
    return answers


def _note(session: Session, now: Watched, text: str) -> None:
    if text != now.problem:
        _keep(session, Watched(now.path, now.client_id, now.taken, text))
