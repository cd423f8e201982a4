"""Files that nobody knows: set aside in the data folder, never deleted unasked, and offered back."""

import os
from dataclasses import dataclass
from datetime import UTC, datetime
from pathlib import Path

from sqlalchemy.orm import Session

from lucid_swatch.core.problems import NotThere, Refused
from lucid_swatch.store.clients import Clients
from lucid_swatch.store.database import Sessions
from lucid_swatch.store.folder import ASIDE, PHOTOS, PICTURES, Folder, own_place, whose
from lucid_swatch.store.going import Going, sweep
from lucid_swatch.store.owned import owners_of_pictures
from lucid_swatch.store.photos import Photos

from .eyes import Eyes
from .faces import ORIGINAL, add_portrait
from .intake import TakenIn, take_in


@dataclass(frozen=True, slots=True)
class Known:
    """What the rows of the database refer to."""

    files: frozenset[str]
    """Of photos."""
    owners: frozenset[str]
    """Of pictures."""


@dataclass(frozen=True, slots=True)
class Moved:
    """What a start found beside the rows."""

    aside: int
    """Files or folders that nobody knows."""
    back: int
    """Those that lay aside and are known again."""


@dataclass(frozen=True, slots=True)
class Aside:
    """Something that lies aside."""

    name: str
    """Within the place where things lie aside."""
    kind: str
    """photo, person (a photo of somebody, as it was sent) or pictures (made from a photo that is not there)."""
    client_id: str | None
    """Whose it is, where it says so and they are still in the book."""
    bytes: int
    since: datetime


def known(session: Session) -> Known:
    """Everything that rows refer to."""
    photos = [photo for client in Clients(session).all() for photo in Photos(session).of_client(client.id)]
    return Known(frozenset(photo.file for photo in photos), frozenset(owners_of_pictures(session)))


def tidy(sessions: Sessions, folder: Folder) -> Moved:
    """Removes what was let go of before the last end, sets aside what nobody knows, brings back what is known again.

    Half-written files of this application go: nobody was ever told that they are kept."""
    sweep(sessions, folder)
    for part in folder.parts():
        part.unlink(missing_ok=True)
    with sessions() as session:
        there = known(session)
    back = _bring_back(folder, there)
    unknown = [path for path in folder.all_photos() if path.name not in there.files]
    unknown += [path for path in folder.all_owners() if path.name not in there.owners]
    moved = 0
    for path in unknown:
        if path.is_dir() and not any(path.iterdir()):
            path.rmdir()
            continue
        _move(path, folder.path / ASIDE / path.parent.name / path.name)
        moved += 1
    return Moved(moved, back)


def _bring_back(folder: Folder, there: Known) -> int:
    count = 0
    for kind, names in ((PHOTOS, there.files), (PICTURES, there.owners)):
        for path in _in(folder.path / ASIDE / kind):
            target = folder.path / kind / path.name
            if path.name in names and not target.exists():
                _move(path, target)
                count += 1
    return count


def _move(path: Path, target: Path) -> None:
    own_place(target.parent)
    while target.exists():
        target = target.with_name(f"{target.name}.again")
    os.rename(path, target)


def _in(place: Path) -> list[Path]:
    return sorted(place.iterdir()) if place.is_dir() else []


def list_aside(session: Session, folder: Folder) -> list[Aside]:
    """What lies aside, the newest first."""
    book = {client.id for client in Clients(session).all()}
    found = []
    for path in (*_in(folder.path / ASIDE / PHOTOS), *_in(folder.path / ASIDE / PICTURES)):
        owner = whose(path)
        files = [path] if path.is_file() else [one for one in path.iterdir() if one.is_file()]
        kind = "photo" if path.is_file() else "person" if (path / ORIGINAL).is_file() else "pictures"
        since = datetime.fromtimestamp(max((one.stat().st_mtime for one in files), default=0.0), UTC)
        size = sum(one.stat().st_size for one in files)
        found.append(Aside(path.name, kind, owner if owner in book else None, size, since))
    return sorted(found, key=lambda one: (one.since, one.name), reverse=True)


def photo_aside(folder: Folder, name: str) -> bytes:
    """A photo that lies aside. NotThere when there is none of that name."""
    path = _lying(folder, name)
    file = path if path.is_file() else path / ORIGINAL
    if not file.is_file():
        raise NotThere("no photo is left of this.", name, "Load the page again.")
    return file.read_bytes()


def take_in_again(sessions: Sessions, folder: Folder, eyes: Eyes, names: list[str], client_id: str) -> list[TakenIn]:
    """Takes what lies aside in for a client: a photo into the intake, a photo of a person as a portrait.

    One that is refused stays aside. Refused when the client has withdrawn consent."""
    taken: list[TakenIn] = []
    for name in names:
        path, content = _lying(folder, name), photo_aside(folder, name)
        if path.is_file():
            taken += take_in(sessions, folder, eyes, client_id, [(name, content)])
        else:
            try:
                add_portrait(sessions, folder, eyes, client_id, content, "set aside")
                taken.append(TakenIn(name, None, None))
            except Refused as problem:
                taken.append(TakenIn(name, None, problem))
        if taken[-1].problem is None:
            delete_aside(sessions, folder, [name])
    return taken


def delete_aside(sessions: Sessions, folder: Folder, names: list[str]) -> None:
    """Deletes what lies aside, by the stylist's word."""
    paths = [_lying(folder, name) for name in names]
    with sessions.begin() as session:
        going = Going(session, folder)
        for path in paths:
            going.at(path)


def _lying(folder: Folder, name: str) -> Path:
    """Where something lies aside. NotThere when nothing of that name does."""
    for path in (*_in(folder.path / ASIDE / PHOTOS), *_in(folder.path / ASIDE / PICTURES)):
        if path.name == name:
            return path
    raise NotThere("nothing of that name lies aside.", name, "Load the page again.")
