"""A file sealed with a passphrase, in the open age format (C2SP age v1), which other programs open as well.

The file is sealed for a key made for it alone, in pieces, however large it is; the key is sealed with the passphrase
(scrypt). Both lie in one zip: key.age, content.age, and beside them what may be known without the passphrase."""

import json
import zipfile
from pathlib import Path
from typing import IO, Any

import pyrage

from lucid_swatch.core.problems import Refused

KEY, CONTENT, ABOUT = "key.age", "content.age", "about.json"
LEAST_LETTERS = 8


def is_sealed(file: Path) -> bool:
    """Whether a file was sealed here. Refused when it is no zip at all."""
    with opened_zip(file) as archive:
        return KEY in archive.namelist()


def seal(content: IO[bytes], target: IO[bytes], passphrase: str, about: dict[str, Any]) -> None:
    """Writes content, sealed, and what may be known of it. Refused when the passphrase is too short to hold."""
    if len(passphrase) < LEAST_LETTERS:
        raise Refused(
            f"the passphrase has fewer than {LEAST_LETTERS} letters.",
            "passphrase",
            "Four words that belong to nobody are easy to keep in mind.",
        )
    identity = pyrage.x25519.Identity.generate()
    with zipfile.ZipFile(target, "w", zipfile.ZIP_STORED) as archive:
        archive.writestr(ABOUT, json.dumps(about, indent=1))
        archive.writestr(KEY, pyrage.passphrase.encrypt(str(identity).encode(), passphrase))
        with archive.open(CONTENT, "w", force_zip64=True) as inside:
            pyrage.encrypt_io(content, inside, [identity.to_public()])


def unseal(file: Path, target: IO[bytes], passphrase: str) -> None:
    """Writes what was sealed. Refused when the passphrase is another one, or the file is damaged."""
    with opened_zip(file) as archive:
        try:
            key = pyrage.passphrase.decrypt(archive.read(KEY), passphrase).decode()
        except (pyrage.DecryptError, zipfile.BadZipFile, KeyError, ValueError):
            raise Refused(
                "the passphrase does not open this file.", file.name, "Try it again; capitals count."
            ) from None
        try:
            with archive.open(CONTENT) as inside:
                pyrage.decrypt_io(inside, target, [pyrage.x25519.Identity.from_str(key)])
        except (pyrage.DecryptError, pyrage.IdentityError, zipfile.BadZipFile, KeyError, OSError, EOFError):
            raise Refused("this file is damaged.", file.name, "Use another backup.") from None


def opened_zip(file: Path) -> zipfile.ZipFile:
    """A zip on disk. Refused when it is none, or cannot be read."""
    try:
        return zipfile.ZipFile(file)
    except OSError as problem:
        reason = (problem.strerror or "unknown reason").lower()
        raise Refused(f"the file cannot be opened ({reason}).", str(file), "Check the name and the folder.") from None
    except (zipfile.BadZipFile, ValueError, NotImplementedError):
        raise Refused("this is no whole backup.", str(file), "Use another backup.") from None
