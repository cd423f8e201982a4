"""Backups: where they lie, made now or by themselves, taken out."""

from datetime import datetime
from pathlib import Path
from typing import Annotated

from fastapi import APIRouter
from fastapi import Path as InPath
from fastapi.responses import FileResponse
from pydantic import Field

from lucid_swatch.core.problems import NotThere
from lucid_swatch.usecases.backup import Backup
from lucid_swatch.usecases.backups import keep_backups_at, keeping, list_backups
from lucid_swatch.work.backups import ByHand

from .context import Context, InContext, ReadSession
from .documents.base import Answer, Request
from .problems import ProblemDocument

router = APIRouter(tags=["studio"], prefix="/studio/backups")
Name = Annotated[str, InPath(pattern=r"^(daily|by-hand|before-upgrade)-[0-9-]{10,30}\.zip$")]


class BackupAnswer(Answer):
    """A backup."""

    name: str
    made_at: datetime
    bytes: int
    files: int
    by_itself: bool
    sealed: bool
    missing: int
    """Photos that the database named and that were not there."""


class ByHandAnswer(Answer):
    """How far a backup by hand has come."""

    done: int
    of: int
    running: bool
    file: str | None
    problem: ProblemDocument | None


class BackupsAnswer(Answer):
    """The backups of this studio."""

    place: str
    chosen: bool
    """Whether the stylist said where."""
    same_disk: bool
    """Whether they lie on the disk of the data folder."""
    problem: str
    """Why the last backup of a day was not made; empty when it was."""
    backups: list[BackupAnswer]
    by_hand: ByHandAnswer | None


class PlaceRequest(Request):
    """Where backups are to lie."""

    place: str = Field(min_length=1, max_length=4000)


class BackupRequest(Request):
    """A backup by hand."""

    passphrase: str | None = Field(default=None, max_length=1000)


@router.get("")
def get_backups(session: ReadSession, context: InContext) -> BackupsAnswer:
    """The backups that there are, and how a backup by hand goes."""
    data = context.folder.path
    kept = keeping(session, data)
    found = list_backups(kept.place)
    return BackupsAnswer(
        place=str(kept.place),
        chosen=kept.chosen,
        same_disk=_disk(kept.place) == _disk(data),
        problem=kept.problem,
        backups=[_backup(one) for one in found],
        by_hand=_by_hand(context.backups.by_hand),
    )


def _disk(path: Path) -> int | None:
    """The file system that a folder lies on, or will."""
    while not path.exists() and path != path.parent:
        path = path.parent
    try:
        return path.stat().st_dev
    except OSError:
        return None


def _backup(one: Backup) -> BackupAnswer:
    return BackupAnswer(
        name=one.file.name,
        made_at=one.made_at,
        bytes=one.bytes,
        files=one.files,
        by_itself=not one.file.name.startswith("by-hand"),
        sealed=one.sealed,
        missing=len(one.missing),
    )


def _by_hand(now: ByHand | None) -> ByHandAnswer | None:
    if now is None:
        return None
    problem = None if now.problem is None else ProblemDocument.of(now.problem)
    return ByHandAnswer(done=now.done, of=now.of, running=now.running, file=now.file, problem=problem)


@router.put("/place", status_code=204)
def set_backup_place(context: InContext, asked: PlaceRequest) -> None:
    """Says where backups lie from now on."""
    with context.sessions.begin() as session:
        keep_backups_at(session, context.folder.path, asked.place)


@router.post("", status_code=202)
def make_backup_now(context: InContext, asked: BackupRequest) -> None:
    """Begins a backup by hand."""
    context.backups.make_now(asked.passphrase)


@router.delete("/under-way", status_code=204)
def stop_backup(context: InContext) -> None:
    """Stops the backup by hand."""
    context.backups.stop_now()


@router.get("/{name}")
def get_backup(context: InContext, name: Name) -> FileResponse:
    """A backup as a file."""
    path = _place(context) / name
    if not path.is_file():
        raise NotThere("there is no such backup.", name, "Load the page again.")
    return FileResponse(path, media_type="application/zip", filename=name)


def _place(context: Context) -> Path:
    with context.sessions() as session:
        return keeping(session, context.folder.path).place
