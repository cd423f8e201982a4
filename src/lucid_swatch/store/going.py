"""Files that are to go: written down with the change that lets go of them, removed once it is committed.

A machine that is switched off between the two finds them in the list at the next start, so that a file that nobody knows
is never taken for one that was let go of."""

import logging
import shutil
from dataclasses import dataclass
from pathlib import Path

import sqlalchemy as sa
from sqlalchemy.orm import Session

from .database import Sessions, afterwards
from .folder import PICTURES, Folder
from .tables import GoingRow

log = logging.getLogger(__name__)


class Going:
    """The files that are to go."""

    def __init__(self, session: Session, folder: Folder) -> None:
        self.session, self.folder = session, folder

    def photo(self, file: str) -> None:
        """Lets a photo go when the change is committed."""
        self.at(self.folder.photo(file))

    def pictures(self, owner: str) -> None:
        """Lets the pictures of a photo, portrait or look go when the change is committed."""
        self.at(self.folder.path / PICTURES / owner)

    def at(self, path: Path) -> None:
        """Lets a file or folder of the data folder go when the change is committed."""
        self.session.merge(GoingRow(kind=str(path.parent.relative_to(self.folder.path)), name=path.name))
        self.session.flush()
        afterwards(self.session, Sweep(self.folder))

    def stays(self, owner: str) -> None:
        """Pictures of that owner are kept again."""
        self.session.execute(sa.delete(GoingRow).where(GoingRow.kind == PICTURES, GoingRow.name == owner))


@dataclass(frozen=True, slots=True)
class Sweep:
    """Removes what is to go; where that cannot be done now, the next start does it."""

    folder: Folder

    def __call__(self, sessions: Sessions) -> None:
        try:
            sweep(sessions, self.folder)
        except (OSError, sa.exc.OperationalError):
            log.warning("files that were let go of could not be removed yet")


def sweep(sessions: Sessions, folder: Folder) -> int:
    """Removes the files that are to go, and then forgets them; answers how many names there were."""
    with sessions() as session:
        going = [(row.kind, row.name) for row in session.scalars(sa.select(GoingRow))]
    for kind, name in going:
        path = folder.path / kind / name
        if path.is_dir():
            shutil.rmtree(path, ignore_errors=True)
        else:
            path.unlink(missing_ok=True)
    if going:
        with sessions.begin() as session:
            for kind, name in going:
                session.execute(sa.delete(GoingRow).where(GoingRow.kind == kind, GoingRow.name == name))
    return len(going)
