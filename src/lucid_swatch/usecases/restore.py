"""A backup is put back: unpacked and verified beside what is there, and only then put in its place."""

import ctypes
import hashlib
import os
import re
import shutil
import sqlite3
import tempfile
import zipfile
from contextlib import closing
from dataclasses import dataclass
from datetime import datetime
from pathlib import Path
from typing import Any

from lucid_swatch.core.problems import Refused
from lucid_swatch.files.sealed import is_sealed, opened_zip, unseal
from lucid_swatch.store import access, erased
from lucid_swatch.store.clients import Clients
from lucid_swatch.store.database import FILE, open_database
from lucid_swatch.store.folder import Folder, keep_to_owner, own_place

from .backup import CHUNK, MANIFEST, Progress, json_of
from .erase import erase_client

NAME = re.compile(
    r"lucid-swatch\.sqlite|erased|(aside/)?photos/[A-Za-z0-9][\w.-]{0,200}|(aside/)?pictures/[A-Za-z0-9][\w.-]{0,200}/[A-Za-z0-9][\w.-]{0,100}"
)
"""What may lie in a backup: nothing in it can lead out of the folder that it is unpacked into."""
STAGING = ".restore-"
AT_FDCWD, RENAME_EXCHANGE = -100, 2


@dataclass(frozen=True, slots=True)
class Restored:
    """What was put back."""

    files: int
    bytes: int
    made_at: str
    before: Path | None
    """Where what was there lies now; None where nothing was."""
    erased_again: int
    """Clients in it who were erased since it was made."""


def restore(
    file: Path, data: Path, passphrase: str | None, now: datetime, progress: Progress = lambda done, of: None
) -> Restored:
    """Puts a backup in the place of a data folder; what was there is kept beside it.

    Nothing of what is there is touched before every file of the backup has been read and compared. Whoever was erased
    since it was made is erased from it again. Refused when it is damaged, of a newer version, or there is no room."""
    staging: Path | None = None
    try:
        data.parent.mkdir(parents=True, exist_ok=True)
        staging = Path(tempfile.mkdtemp(dir=data.parent, prefix=STAGING))
        manifest = _unpack(file, staging, passphrase, progress)
        _check_database(staging, file)
        again = _erase_again(staging, erased.erased(data))
        _carry_over(data, staging)
        before = _put_in_place(staging, data, now)
    except OSError as problem:
        reason = (problem.strerror or "unknown reason").lower()
        do = "Make room or choose another folder; what was there is as it was."
        raise Refused(f"the backup could not be put back ({reason}).", str(data), do) from None
    finally:
        if staging is not None:
            shutil.rmtree(staging, ignore_errors=True)
    files = manifest["files"]
    return Restored(len(files), sum(one["bytes"] for one in files), manifest["made_at"], before, again)


def _unpack(file: Path, staging: Path, passphrase: str | None, progress: Progress) -> dict[str, Any]:
    plain = file
    if is_sealed(file):
        if not passphrase:
            raise Refused("this backup is sealed.", file.name, "Give its passphrase.")
        plain = staging / ".opened"
        with plain.open("wb") as out:
            unseal(file, out, passphrase)
    with opened_zip(plain) as archive:
        manifest = json_of(archive, MANIFEST, file)
        listed = _listed(manifest, file)
        need, free = sum(one["bytes"] for one in listed), shutil.disk_usage(staging).free
        if need > free:
            raise Refused(
                f"it needs {need / 2**20:,.0f} MB and {free / 2**20:,.0f} MB are free.",
                str(staging.parent),
                "Make room first; nothing was changed.",
            )
        for done, one in enumerate(listed):
            progress(done, len(listed))
            _one(archive, one, staging, file)
    if plain is not file:
        plain.unlink()
    progress(len(listed), len(listed))
    return manifest


def _listed(manifest: dict[str, Any], file: Path) -> list[dict[str, Any]]:
    try:
        listed: list[dict[str, Any]] = [
            {"name": str(f["name"]), "bytes": int(f["bytes"]), "sha256": str(f["sha256"])} for f in manifest["files"]
        ]
        names: list[str] = [one["name"] for one in listed]
    except (KeyError, TypeError, ValueError):
        raise Refused("the list of files in it is damaged.", file.name, "Use another backup.") from None
    strange = next((name for name in names if not NAME.fullmatch(name) or ".." in name), None)
    if strange is not None or len(set(names)) != len(names) or FILE not in names:
        raise Refused("this backup names files that none of ours does.", file.name, "Do not use it.")
    return listed


def _one(archive: zipfile.ZipFile, one: dict[str, Any], staging: Path, file: Path) -> None:
    target, digest, size = staging / one["name"], hashlib.sha256(), 0
    own_place(target.parent)
    damaged = Refused(
        "a file in this backup is damaged; nothing was changed.", f"{file.name}: {one['name']}", "Use another backup."
    )
    try:
        with archive.open(one["name"]) as inside, target.open("wb") as out:
            while chunk := inside.read(CHUNK):
                size += len(chunk)
                if size > one["bytes"]:
                    raise damaged
                digest.update(chunk)
                out.write(chunk)
            out.flush()
            os.fsync(out.fileno())
    except (KeyError, zipfile.BadZipFile, EOFError, RuntimeError, NotImplementedError, ValueError):
        raise damaged from None
    if size != one["bytes"] or digest.hexdigest() != one["sha256"]:
        raise damaged


def _check_database(staging: Path, file: Path) -> None:
    try:
        with closing(sqlite3.connect(staging / FILE)) as connection:
            whole = connection.execute("pragma integrity_check").fetchall() == [("ok",)]
    except sqlite3.Error:
        whole = False
    if not whole:
        raise Refused(
            "the database in this backup is not whole; nothing was changed.", file.name, "Use another backup."
        )


def _erase_again(staging: Path, gone: set[str]) -> int:
    erased.add_erased(staging, gone)
    sessions, folder = open_database(staging), Folder(staging)
    try:
        with sessions() as session:
            ids = [client.id for client in Clients(session).all()]
        back = [id for id in ids if erased.digest(id) in erased.erased(staging)]
        for id in back:
            erase_client(sessions, folder, id)
    finally:
        sessions.close()
    return len(back)


def _carry_over(data: Path, staging: Path) -> None:
    """The key of this machine stays, so that an open browser may go on."""
    if (data / access.FILE).is_file():
        shutil.copyfile(data / access.FILE, staging / access.FILE)
    keep_to_owner(staging)


def _put_in_place(staging: Path, data: Path, now: datetime) -> Path | None:
    if not data.exists():
        os.rename(staging, data)
        return None
    if not any(path.name != "in-use" for path in data.iterdir()):
        shutil.rmtree(data)
        os.rename(staging, data)
        return None
    before = data.with_name(f"{data.name}-before-{now:%Y-%m-%d-%H%M%S}")
    if _exchange(staging, data):
        os.rename(staging, before)
    else:
        os.rename(data, before)
        os.rename(staging, data)
    return before


def _exchange(first: Path, second: Path) -> bool:
    """Gives each of two folders the other's name at one stroke, where the system can; there is no moment without either."""
    try:
        rename = ctypes.CDLL(None, use_errno=True).renameat2
    except (OSError, AttributeError):
        return False
    done: int = rename(AT_FDCWD, os.fsencode(first), AT_FDCWD, os.fsencode(second), RENAME_EXCHANGE)
    return done == 0
