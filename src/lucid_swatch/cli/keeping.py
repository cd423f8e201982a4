"""lucid-swatch backup, restore and check."""

import sys
from datetime import UTC, datetime
from pathlib import Path
from typing import Annotated

import typer

from lucid_swatch.core.problems import Problem, Refused
from lucid_swatch.store.database import FILE, connect
from lucid_swatch.store.lock import FolderLock

from .output import stop
from .serve import read_settings

Data = Annotated[
    Path | None, typer.Option("--data", help="The data folder; left out, the one that serve uses.", file_okay=False)
]
Sealed = Annotated[bool, typer.Option("--sealed", help="Seal it with a passphrase, which is asked for.")]


def backup(
    file: Annotated[Path, typer.Argument(help="The file to write, such as wardrobe.zip.")],
    data: Data = None,
    sealed: Sealed = False,
) -> None:
    """Write everything into one file; the application may go on meanwhile."""
    from lucid_swatch.usecases.backup import make_backup

    try:
        folder = _folder(data)
        if not (folder / FILE).is_file():
            raise Refused("there is nothing to back up.", str(folder), "Give the data folder with --data.")
        made = make_backup(connect(folder), folder, file.absolute(), _new_passphrase() if sealed else None, _progress)
    except Problem as problem:
        stop(problem)
    typer.echo("", err=True)
    typer.echo(f"{made.file}: {made.files} files, {made.bytes / 2**20:,.1f} MB, read again and whole.")
    if made.missing:
        typer.echo(f"{len(made.missing)} photos that the database names were not there, {made.missing[0]} for one.")


def restore(file: Annotated[Path, typer.Argument(help="A backup.")], data: Data = None) -> None:
    """Put a backup in the place of the data folder; what is there now is kept beside it."""
    from lucid_swatch.files.sealed import is_sealed
    from lucid_swatch.usecases.restore import restore as put_back

    try:
        folder = _folder(data)
        lock = FolderLock(folder)
        try:
            passphrase = _asked("Passphrase of the backup") if is_sealed(file) else None
            done = put_back(file, folder, passphrase, datetime.now(UTC), _progress)
        finally:
            lock.release()
    except Problem as problem:
        stop(problem)
    typer.echo("", err=True)
    typer.echo(f"{done.files} files, {done.bytes / 2**20:,.1f} MB, from a backup of {done.made_at}, are in {folder}.")
    if done.before is not None:
        typer.echo(f"What was there is in {done.before}; it is yours to delete.")
    if done.erased_again:
        typer.echo(f"{done.erased_again} clients who were erased since it was made are erased from it again.")


def check(data: Data = None) -> None:
    """Read everything that is kept, mend what can be mended, and say what cannot; nothing that is kept is deleted."""
    from lucid_swatch.usecases.check import check as read_all

    try:
        folder = _folder(data)
        lock = FolderLock(folder)
        try:
            found = read_all(folder, _said)
        finally:
            lock.release()
    except Problem as problem:
        stop(problem)
    typer.echo("", err=True)
    for line in (*found.mended, *found.wrong):
        typer.echo(line)
    if found.wrong:
        raise typer.Exit(1)
    typer.echo(f"Everything that is kept about {found.clients} clients, with {found.photos} photos, is whole.")


def _folder(data: Path | None) -> Path:
    return read_settings().data if data is None else data.absolute()


def _progress(done: int, of: int) -> None:
    if done % 25 == 0 or done == of:
        _said(f"{done} of {of} files")


def _said(text: str) -> None:
    typer.echo(f"\r{text}   ", nl=False, err=True)


def _asked(what: str) -> str:
    # a passphrase in an argument would stand in the list of processes, for everybody to read
    if sys.stdin.isatty():
        return str(typer.prompt(what, hide_input=True))
    return sys.stdin.readline().rstrip("\n")


def _new_passphrase() -> str:
    first = _asked("Passphrase")
    if sys.stdin.isatty() and _asked("Again") != first:
        raise Refused("the two differ.", "passphrase", "Type the same one twice.")
    return first
