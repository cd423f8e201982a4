"""The key to the application: who does not have it is refused, be it another user of the same machine."""

import hashlib
import secrets
from pathlib import Path

from lucid_swatch.core.problems import Refused

from .folder import write_atomically

FILE = "key"
LETTERS = 32


def key_of(folder: Path) -> str:
    """The key of a data folder, made when there is none; it stays, so that an open browser survives a restart."""
    path = folder / FILE
    try:
        kept = path.read_text(encoding="ascii").strip() if path.is_file() else ""
    except (OSError, ValueError) as problem:
        raise Refused("the key cannot be read.", str(path), "Remove the file; a new one is made.") from problem
    if len(kept) < LETTERS:
        kept = secrets.token_urlsafe(LETTERS)
        write_atomically(path, kept.encode())
    return kept


def cookie_of(key: str) -> str:
    """The name of the cookie for a key: two data folders on one machine do not take each other's."""
    return "lucid-swatch-" + hashlib.sha256(key.encode()).hexdigest()[:12]
