"""Who was erased, so that a backup that is put back does not bring them back: a digest of the id, and nothing else."""

import hashlib
from pathlib import Path

from .folder import write_atomically

FILE = "erased"


def digest(client_id: str) -> str:
    """What is noted of an id; it tells nothing to who does not have the id already."""
    return hashlib.sha256(client_id.encode()).hexdigest()


def note_erased(folder: Path, client_id: str) -> None:
    """Notes that a client was erased. Unwritable on a full disk."""
    add_erased(folder, {digest(client_id)})


def add_erased(folder: Path, digests: set[str]) -> None:
    """Notes some digests beside those that are noted."""
    known = erased(folder)
    if not digests <= known:
        write_atomically(folder / FILE, "\n".join(sorted(known | digests)).encode())


def erased(folder: Path) -> set[str]:
    """The digests that are noted."""
    try:
        return set((folder / FILE).read_text(encoding="ascii").split())
    except (OSError, ValueError):
        return set()
