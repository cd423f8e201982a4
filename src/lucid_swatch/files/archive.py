"""Archives: written whole, and read without trusting their names or sizes."""

import io
import lzma
import zipfile
import zlib
from collections.abc import Iterable
from typing import IO

from lucid_swatch.core.problems import Refused

MOST_FILES = 6000
MOST_BYTES = 2 * 1024**3
"""Of everything in an archive, unpacked."""
MOST_TIMES = 200
"""How many times larger than packed a file of more than a megabyte may be."""


def pack(files: Iterable[tuple[str, bytes]], out: IO[bytes]) -> None:
    """Writes a zip of some files, one after the other. Photos are packed already and are stored as they are."""
    with zipfile.ZipFile(out, "w", zipfile.ZIP_DEFLATED) as archive:
        for name, content in files:
            how = zipfile.ZIP_DEFLATED if name.endswith(".json") else zipfile.ZIP_STORED
            archive.writestr(name, content, how)


class Archive:
    """A zip that somebody sent."""

    def __init__(self, content: bytes, file: str) -> None:
        """Refused when it is no zip, when a name in it leads elsewhere, or when it unpacks to far more than it is."""
        self.file = file
        try:
            self.zip = zipfile.ZipFile(io.BytesIO(content))
            entries = self.zip.infolist()
        except (zipfile.BadZipFile, ValueError, OSError, NotImplementedError):
            raise Refused("this is no whole zip archive.", file, "Export it again and send the new file.") from None
        if len(entries) > MOST_FILES or sum(one.file_size for one in entries) > MOST_BYTES:
            raise Refused(
                "this archive unpacks to more than a wardrobe.", file, "Send the archive that this page exports."
            )
        for one in entries:
            parts = one.filename.split("/")
            if one.filename.startswith("/") or "\\" in one.filename or ".." in parts or ":" in one.filename:
                raise Refused(
                    "a name in this archive leads out of it.", f"{file}: {one.filename[:80]}", "Do not open it."
                )
            if one.file_size > 2**20 and one.file_size > MOST_TIMES * max(one.compress_size, 1):
                raise Refused(
                    "a file in it unpacks to far more than it is.", f"{file}: {one.filename[:80]}", "Do not open it."
                )

    def __contains__(self, name: str) -> bool:
        return name in self.zip.namelist()

    def read(self, name: str, most: int) -> bytes:
        """One file of it. Refused when it is larger than most bytes, locked, or damaged."""
        where = f"{self.file}: {name[:80]}"
        try:
            with self.zip.open(name) as inside:
                content = inside.read(most + 1)
        except (
            KeyError,
            zipfile.BadZipFile,
            RuntimeError,
            NotImplementedError,
            EOFError,
            OSError,
            ValueError,
            zlib.error,
            lzma.LZMAError,
        ):
            raise Refused("this file cannot be unpacked.", where, "Export the archive again.") from None
        if len(content) > most:
            raise Refused(f"this file has more than {most // 2**20} MB.", where, "Leave it out of the archive.")
        return content
