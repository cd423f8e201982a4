"""The files beside the database: photos without their metadata, and the pictures made from them."""

import os
import shutil
import stat
import tempfile
from pathlib import Path

from lucid_swatch.core.problems import NotThere, Refused

from .underway import Underway

PHOTOS, PICTURES, ASIDE = "photos", "pictures", "aside"
WHOSE = "whose"
"""Name of the file in a folder of pictures that says whose they are."""
PART = ".part-"


class Unwritable(Refused):
    """The disk is full or cannot be written: the same may well go later."""


class Folder:
    """A data folder. Names are made by the application, never by who sends a file."""

    def __init__(self, path: Path) -> None:
        self.path = path
        self.underway = Underway()
        """What is being written for which client, so that erasing waits for it."""

    def photo(self, file: str) -> Path:
        """Where a kept photo lies."""
        return self._inside(PHOTOS, file)

    def picture(self, owner: str, name: str) -> Path:
        """Where a picture made for a photo or a client lies. NotThere when it was never made."""
        path = self._inside(PICTURES, owner, name)
        if not path.is_file():
            raise NotThere("there is no such picture.", name, "Read the photo again.")
        return path

    def has_picture(self, owner: str, name: str) -> bool:
        """Whether a picture was made, and is more than the name that a power cut may leave."""
        path = self._inside(PICTURES, owner, name)
        return path.is_file() and path.stat().st_size > 0

    def pictures(self, owner: str) -> list[Path]:
        """Every picture made for a photo or a portrait."""
        return sorted(path for path in self._inside(PICTURES, owner).glob("*") if path.is_file())

    def keep_photo(self, file: str, content: bytes) -> None:
        """Writes a photo."""
        write_atomically(self._inside(PHOTOS, file), content)

    def keep_picture(self, owner: str, name: str, content: bytes) -> None:
        """Writes a picture made from a photo. It is not waited for until it is on the disk: what a power cut leaves of
        it is made anew."""
        write_atomically(self._inside(PICTURES, owner, name), content, lasting=False)

    def keep_original(self, owner: str, client_id: str, name: str, content: bytes) -> None:
        """Writes a photo of a person, and whose it is, so that it is found when they are erased, whatever happened."""
        write_atomically(self._inside(PICTURES, owner, WHOSE), client_id.encode())
        write_atomically(self._inside(PICTURES, owner, name), content)

    def remove_photo(self, file: str) -> None:
        """Removes a photo."""
        self._inside(PHOTOS, file).unlink(missing_ok=True)

    def remove_pictures(self, owner: str) -> None:
        """Removes all pictures made for a photo or a client."""
        shutil.rmtree(self._inside(PICTURES, owner), ignore_errors=True)

    def all_photos(self) -> list[Path]:
        """Every file of a photo."""
        return [path for path in _listed(self.path / PHOTOS) if path.is_file() and not path.name.startswith(PART)]

    def all_owners(self) -> list[Path]:
        """Every folder of pictures."""
        return [path for path in _listed(self.path / PICTURES) if path.is_dir()]

    def parts(self) -> list[Path]:
        """Files of this application that were being written when it ended; nobody was told that they are kept."""
        places = (self.path, self.path / PHOTOS, self.path / ASIDE, self.path / ASIDE / PHOTOS)
        own = [path for place in places for path in _listed(place)]
        of_pictures = [path for owner in self.all_owners() for path in _listed(owner)]
        return [path for path in (*own, *of_pictures) if path.name.startswith(PART) and path.is_file()]

    def _inside(self, *parts: str) -> Path:
        path = self.path.joinpath(*parts)
        if not path.resolve().is_relative_to(self.path.resolve()):
            raise NotThere("there is no such file.", parts[-1], "Load the page again.")
        return path


def photo_file(client_id: str, id: str, ending: str) -> str:
    """The name of a kept photo: it says whose it is, so that it goes with them even if no row knows it."""
    return f"{client_id}.{id}{ending}"


def whose(path: Path) -> str | None:
    """Whose a photo or a folder of pictures is, by its name or its note; None where it does not say."""
    if path.is_dir():
        note = path / WHOSE
        try:
            return note.read_text(encoding="ascii") if note.is_file() else None
        except (OSError, ValueError):
            return None
    return path.name.split(".")[0] if path.name.count(".") > 1 else None


def keep_to_owner(folder: Path) -> int:
    """Takes everybody else's rights off a data folder; answers how many of its files or folders had some."""
    found = [path for path in (folder, *folder.rglob("*")) if not path.is_symlink()]
    open_to_others = [path for path in found if stat.S_IMODE(path.stat().st_mode) & 0o077]
    for path in open_to_others:
        path.chmod(0o700 if path.is_dir() else 0o600)
    return len(open_to_others)


def own_place(path: Path) -> None:
    """Makes a folder, and those above it that are missing, for its owner alone."""
    if not path.is_dir():
        own_place(path.parent)
        path.mkdir(mode=0o700, exist_ok=True)


def _listed(place: Path) -> list[Path]:
    return sorted(place.iterdir()) if place.is_dir() else []


def write_atomically(path: Path, content: bytes, lasting: bool = True) -> None:
    """Writes a file whole or not at all. Unwritable when the disk is full or cannot be written.

    lasting: whether it has to be on the disk, and not only on its way there, when this returns."""
    try:
        own_place(path.parent)
        handle, temporary = tempfile.mkstemp(dir=path.parent, prefix=PART)
    except OSError as problem:
        raise _refused(path, problem) from None
    try:
        with os.fdopen(handle, "wb") as file:
            file.write(content)
            file.flush()
            if lasting:
                os.fsync(file.fileno())
        os.replace(temporary, path)
    except OSError as problem:
        Path(temporary).unlink(missing_ok=True)
        raise _refused(path, problem) from None


def _refused(path: Path, problem: OSError) -> Unwritable:
    reason = (problem.strerror or "unknown reason").lower()
    return Unwritable(
        f"the file could not be kept ({reason}).",
        str(path.parent),
        "Make room or choose another folder; nothing was lost.",
    )
