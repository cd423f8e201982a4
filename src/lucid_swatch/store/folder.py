"""The files beside the database: photos without their metadata, and the pictures made from them."""

import os
import shutil
import tempfile
from pathlib import Path

from lucid_swatch.core.problems import NotThere, Refused


class Folder:
    """A data folder. Names are made by the application, never by who sends a file."""

    def __init__(self, path: Path) -> None:
        self.path = path

    def photo(self, file: str) -> Path:
        """Where a kept photo lies."""
        return self._inside("photos", file)

    def picture(self, owner: str, name: str) -> Path:
        """Where a picture made for a photo or a client lies. NotThere when it was never made."""
        path = self._inside("pictures", owner, name)
        if not path.is_file():
            raise NotThere("there is no such picture.", name, "Read the photo again.")
        return path

    def has_picture(self, owner: str, name: str) -> bool:
        """Whether a picture was made."""
        return self._inside("pictures", owner, name).is_file()

    def pictures(self, owner: str) -> list[Path]:
        """Every picture made for a photo or a portrait."""
        return sorted(path for path in self._inside("pictures", owner).glob("*") if path.is_file())

    def keep_photo(self, file: str, content: bytes) -> None:
        """Writes a photo."""
        write_atomically(self._inside("photos", file), content)

    def keep_picture(self, owner: str, name: str, content: bytes) -> None:
        """Writes a picture for a photo or a client."""
        write_atomically(self._inside("pictures", owner, name), content)

    def remove_photo(self, file: str, owner: str) -> int:
        """Removes a photo and the pictures made from it; answers how many files went."""
        photo = self._inside("photos", file)
        there = photo.is_file()
        photo.unlink(missing_ok=True)
        return int(there) + self.remove_pictures(owner)

    def remove_pictures(self, owner: str) -> int:
        """Removes all pictures made for a photo or a client; answers how many files went."""
        pictures = self._inside("pictures", owner)
        count = sum(1 for path in pictures.glob("*") if path.is_file())
        shutil.rmtree(pictures, ignore_errors=True)
        return count

    def _inside(self, *parts: str) -> Path:
        path = self.path.joinpath(*parts)
        if not path.resolve().is_relative_to(self.path.resolve()):
            raise NotThere("there is no such file.", parts[-1], "Load the page again.")
        return path


def write_atomically(path: Path, content: bytes) -> None:
    """Writes a file whole or not at all. Refused when the disk is full or cannot be written."""
    try:
        path.parent.mkdir(parents=True, exist_ok=True)
        handle, temporary = tempfile.mkstemp(dir=path.parent, prefix=".part-")
    except OSError as problem:
        raise _refused(path, problem) from None
    try:
        with os.fdopen(handle, "wb") as file:
            file.write(content)
            file.flush()
            os.fsync(file.fileno())
        os.replace(temporary, path)
    except OSError as problem:
        Path(temporary).unlink(missing_ok=True)
        raise _refused(path, problem) from None


def _refused(path: Path, problem: OSError) -> Refused:
    reason = (problem.strerror or "unknown reason").lower()
    return Refused(
        f"the file could not be kept ({reason}).", str(path.parent), "Make room or choose another folder; nothing was lost."
    )  # fmt: skip
