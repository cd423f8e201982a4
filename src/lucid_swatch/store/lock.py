"""One server a data folder. The kernel holds the lock, so that a server that is killed leaves none behind."""

import fcntl
import os
from pathlib import Path

from lucid_swatch.core.problems import Refused

FILE = "in-use"


class FolderLock:
    """The right to be the one that works on a data folder, as long as this lives."""

    def __init__(self, folder: Path) -> None:
        """Refused, with the address of the one that runs, when another works on the folder."""
        try:
            folder.mkdir(mode=0o700, parents=True, exist_ok=True)
            self._handle = os.open(folder / FILE, os.O_RDWR | os.O_CREAT, 0o600)
        except OSError as problem:
            reason = (problem.strerror or "unknown reason").lower()
            raise Refused(
                f"the data folder cannot be used ({reason}).", str(folder), "Set LUCID_SWATCH_DATA to one that can."
            ) from None
        try:
            fcntl.flock(self._handle, fcntl.LOCK_EX | fcntl.LOCK_NB)
        except OSError:
            told = os.read(self._handle, 300).decode(errors="replace").strip()
            os.close(self._handle)
            do = (
                f"It is at {told} – use that one, or stop it first."
                if told
                else "Wait until it is done, or stop it first."
            )
            raise Refused("Lucid Swatch already works on this folder.", str(folder), do) from None
        self.tell("")

    def tell(self, address: str) -> None:
        """Writes where it answers, for whoever comes second. A full disk only makes them less well informed."""
        try:
            os.truncate(self._handle, 0)
            os.pwrite(self._handle, address.encode(), 0)
        except OSError:
            pass

    def release(self) -> None:
        """Lets another one work."""
        os.close(self._handle)
