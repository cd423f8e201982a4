"""Everything that is kept is read once: what can be mended is mended, what cannot is said, and nothing that is kept is deleted."""

import sqlite3
from collections.abc import Callable
from contextlib import closing
from dataclasses import dataclass, field
from pathlib import Path

from lucid_swatch.core.problems import Problem
from lucid_swatch.files.photo import decode_photo
from lucid_swatch.store.clients import Clients
from lucid_swatch.store.compared_photos import ComparedPhotos
from lucid_swatch.store.database import FILE, Sessions, open_database
from lucid_swatch.store.folder import Folder, keep_to_owner
from lucid_swatch.store.jobs import Jobs
from lucid_swatch.store.photos import Photos
from lucid_swatch.store.records import FaceSource, JobKind, PhotoRecord, PhotoState

from .faces import ORIGINAL
from .reading_photos import AS_SHOT
from .tidy import tidy

MADE = (AS_SHOT, "relit.jpg", "cloth-only.webp", "cloth.jpg", "strip.jpg", "thumbnail.jpg")
"""Pictures that a photo has once it was read."""
READ = (PhotoState.READ, PhotoState.HUNG, PhotoState.NOT_NOW)


@dataclass(slots=True)
class Checked:
    """What a check found."""

    clients: int = 0
    photos: int = 0
    mended: list[str] = field(default_factory=list)
    """In words."""
    wrong: list[str] = field(default_factory=list)
    """What is left, in words, with what to do."""


def check(data: Path, told: Callable[[str], None] = lambda text: None) -> Checked:
    """Reads everything in a data folder on which nobody works."""
    found = Checked()
    if not (data / FILE).is_file():
        found.wrong.append(f"There is no database in {data}. Put a backup back with 'lucid-swatch restore FILE'.")
        return found
    if not _database(data, found):
        return found
    rights = keep_to_owner(data)
    if rights:
        found.mended.append(f"{rights} files or folders could be read by others; now they cannot.")
    sessions, folder = open_database(data), Folder(data)
    try:
        moved = tidy(sessions, folder)
        if moved.back:
            found.mended.append(f"{moved.back} files that lay aside are known and back in their place.")
        if moved.aside:
            found.mended.append(f"{moved.aside} files that nobody knows were set aside; the Studio lists them.")
        _files(sessions, folder, found, told)
    finally:
        sessions.close()
    return found


def _database(data: Path, found: Checked) -> bool:
    """Whether the database can be used; an index that does not fit its table is made anew."""
    try:
        with closing(sqlite3.connect(data / FILE)) as connection:
            wrong = _faults(connection)
            if wrong:
                connection.execute("reindex")
                left = _faults(connection)
                if not left:
                    found.mended.append("An index of the database was damaged and is made anew.")
                wrong = left
            if not wrong:
                loose = connection.execute("pragma foreign_key_check").fetchall()
                if loose:
                    found.wrong.append(
                        f"{len(loose)} rows of the database belong to nobody. Put a backup back, or write to who made this program."
                    )
    except sqlite3.Error as problem:
        wrong = [str(problem)]
    if wrong:
        found.wrong.append(f"The database is damaged ({wrong[0]}). Put a backup back with 'lucid-swatch restore FILE'.")
    return not wrong


def _faults(connection: sqlite3.Connection) -> list[str]:
    return [line for (line,) in connection.execute("pragma integrity_check(3)") if line != "ok"]


def _files(sessions: Sessions, folder: Folder, found: Checked, told: Callable[[str], None]) -> None:
    with sessions() as session:
        clients = Clients(session).all()
        photos = [photo for client in clients for photo in Photos(session).of_client(client.id)]
        faces = [f.id for c in clients for f in c.faces if f.source is FaceSource.PORTRAIT]
        compared = [photo.id for client in clients for photo in ComparedPhotos(session).of_client(client.id)]
    found.clients, found.photos = len(clients), len(photos)
    again = []
    for done, photo in enumerate(photos, start=1):
        told(f"reading photo {done} of {len(photos)}")
        if _photo_is_whole(folder, photo, found) and photo.state in READ and not _has_pictures(folder, photo.id):
            again.append(photo)
    if again:
        with sessions.begin() as session:
            for photo in again:
                Jobs(session).ask(photo.client_id, JobKind.PICTURES, photo.id)
        found.mended.append(f"Pictures of {len(again)} photos are missing; they are made anew at the next start.")
    for id in (*faces, *compared):
        if not folder.has_picture(id, ORIGINAL):
            found.wrong.append(
                f"The photo of a person is missing (pictures/{id}). Send it again, or put a backup back."
            )


def _photo_is_whole(folder: Folder, photo: PhotoRecord, found: Checked) -> bool:
    path = folder.photo(photo.file)
    if not path.is_file():
        found.wrong.append(
            f"The photo '{photo.name}' is missing (photos/{photo.file}). Send it again, or put a backup back."
        )
        return False
    if photo.state is PhotoState.FAILED:
        return True
    try:
        decode_photo(path.read_bytes(), photo.name)
    except (Problem, OSError) as problem:
        what = problem.what if isinstance(problem, Problem) else "it cannot be read."
        found.wrong.append(
            f"The photo '{photo.name}' is damaged (photos/{photo.file}): {what} Send it again, or put a backup back."
        )
        return False
    return True


def _has_pictures(folder: Folder, id: str) -> bool:
    return all(folder.has_picture(id, name) for name in MADE)
