"""Everything in one file, made while others work: the database by SQLite's own backup, every photo and picture, checked."""

import contextlib
import hashlib
import json
import os
import shutil
import sqlite3
import tempfile
import zipfile
from collections.abc import Callable, Iterator
from contextlib import closing, contextmanager
from dataclasses import dataclass
from datetime import UTC, datetime
from pathlib import Path
from typing import IO, Any

from lucid_swatch.core.problems import Refused
from lucid_swatch.files.sealed import ABOUT, is_sealed, opened_zip, seal
from lucid_swatch.store import erased
from lucid_swatch.store.database import FILE, Sessions
from lucid_swatch.store.folder import ASIDE, PART, PHOTOS, PICTURES, own_place

FORMAT = "lucid-swatch/backup"
MANIFEST = "manifest.json"
KEPT = (PHOTOS, PICTURES, ASIDE)
STAGING = ".backup-"
CHUNK = 1 << 20
MOST_MANIFEST = 64 * 1024 * 1024
Progress = Callable[[int, int], None]
"""Files done, and of how many."""


class Stopped(Refused):
    """Somebody stopped it."""


@dataclass(frozen=True, slots=True)
class Backup:
    """A backup as it lies there."""

    file: Path
    made_at: datetime
    bytes: int
    files: int
    """Files in it, the database included."""
    clients: tuple[str, ...]
    """Digests of the ids of who is in it."""
    sealed: bool
    missing: tuple[str, ...] = ()
    """Photos that the database names and that were not there."""


def make_backup(
    sessions: Sessions,
    data: Path,
    target: Path,
    passphrase: str | None = None,
    progress: Progress = lambda done, of: None,
    stopped: Callable[[], bool] = lambda: False,
) -> Backup:
    """Writes a backup of a data folder, whole and checked or not at all, and never over another file.

    Photos and pictures are linked first, then the database is copied, then what came meanwhile is linked too: every file
    that the copy names is among them. Refused when there is no room or the place cannot be written."""
    try:
        own_place(target.parent)
        if target.exists():
            raise Refused("there is a file of that name already.", str(target), "Choose another name.")
        with _staged(sessions, data) as staging:
            _write(staging, target, passphrase, progress, stopped)
    except OSError as problem:
        reason = (problem.strerror or "unknown reason").lower()
        raise Refused(
            f"the backup could not be written ({reason}).", str(target), "Make room or choose another place."
        ) from None
    except sqlite3.Error:
        raise Refused("the database could not be read.", str(data), "Run 'lucid-swatch check'.") from None
    return read_backup(target)


@contextmanager
def _staged(sessions: Sessions, data: Path) -> Iterator[Path]:
    staging = Path(tempfile.mkdtemp(dir=data, prefix=STAGING))
    try:
        _link(data, staging)
        sessions.copy_to(staging / FILE)
        _link(data, staging)
        if (data / erased.FILE).is_file():
            shutil.copyfile(data / erased.FILE, staging / erased.FILE)
        yield staging
    finally:
        shutil.rmtree(staging, ignore_errors=True)


def _link(data: Path, staging: Path) -> None:
    for kind in KEPT:
        for place, _, names in os.walk(data / kind):
            there = staging / Path(place).relative_to(data)
            own_place(there)
            for name in names:
                if name.startswith(PART) or (there / name).exists():
                    continue
                with contextlib.suppress(FileNotFoundError):  # let go of meanwhile
                    try:
                        os.link(Path(place) / name, there / name)
                    except OSError:
                        shutil.copyfile(Path(place) / name, there / name)


def _write(
    staging: Path, target: Path, passphrase: str | None, progress: Progress, stopped: Callable[[], bool]
) -> None:
    files = sorted(path for path in staging.rglob("*") if path.is_file())
    handle, name = tempfile.mkstemp(dir=target.parent, prefix=PART)
    os.close(handle)
    part = Path(name)
    try:
        manifest = _pack(staging, files, part, progress, stopped)
        if passphrase is not None:
            handle, name = tempfile.mkstemp(dir=target.parent, prefix=PART)
            with os.fdopen(handle, "wb") as out, part.open("rb") as plain:
                part, unsealed = Path(name), part
                try:
                    told = {key: value for key, value in manifest.items() if key != "files"}
                    seal(plain, out, passphrase, told | {"count": len(files)})
                finally:
                    unsealed.unlink()
        with part.open("rb") as done:
            os.fsync(done.fileno())
        _name(part, target)
    finally:
        part.unlink(missing_ok=True)


def _name(part: Path, target: Path) -> None:
    """Gives a finished file its name: a link never takes it from another one, where links are known."""
    try:
        os.link(part, target)
    except FileExistsError:
        raise Refused("there is a file of that name already.", str(target), "Choose another name.") from None
    except OSError:
        os.replace(part, target)


def _pack(
    staging: Path, files: list[Path], part: Path, progress: Progress, stopped: Callable[[], bool]
) -> dict[str, Any]:
    listed = []
    with zipfile.ZipFile(part, "w", zipfile.ZIP_STORED) as archive:
        for done, path in enumerate(files):
            if stopped():
                raise Stopped("the backup was stopped.", "", "Nothing of it was kept.")
            progress(done, len(files))
            name = path.relative_to(staging).as_posix()
            how = zipfile.ZIP_DEFLATED if name == FILE else zipfile.ZIP_STORED
            entry = zipfile.ZipInfo(name, date_time=datetime.now(UTC).timetuple()[:6])
            entry.compress_type = how
            digest = hashlib.sha256()
            with path.open("rb") as source, archive.open(entry, "w", force_zip64=True) as inside:
                while chunk := source.read(CHUNK):
                    digest.update(chunk)
                    inside.write(chunk)
            listed.append({"name": name, "bytes": path.stat().st_size, "sha256": digest.hexdigest()})
        manifest = _manifest(staging, listed)
        archive.writestr(MANIFEST, json.dumps(manifest, indent=1), zipfile.ZIP_DEFLATED)
    # a backup that cannot be read is none: everything is read once
    with zipfile.ZipFile(part) as archive:
        if archive.testzip() is not None:
            raise Refused(
                "the backup could not be read again.",
                str(part.parent),
                "The disk may be failing: choose another place.",
            )
    progress(len(files), len(files))
    return manifest


def _manifest(staging: Path, listed: list[dict[str, Any]]) -> dict[str, Any]:
    with closing(sqlite3.connect(staging / FILE)) as copy:
        clients = [erased.digest(id) for (id,) in copy.execute("select id from client")]
        photos = [f"{PHOTOS}/{file}" for (file,) in copy.execute("select file from photo")]
        tables = copy.execute("select version_num from alembic_version").fetchone()[0]
    there = {one["name"] for one in listed}
    return {
        "format": FORMAT,
        "version": 1,
        "made_at": datetime.now(UTC).isoformat(),
        "tables": tables,
        "clients": clients,
        "missing": sorted(set(photos) - there),
        "files": listed,
    }


def read_backup(file: Path) -> Backup:
    """What a backup says of itself. Refused when it is none."""
    sealed = is_sealed(file)
    with opened_zip(file) as archive:
        told = json_of(archive, ABOUT if sealed else MANIFEST, file)
    try:
        count = told["count"] if sealed else len(told["files"])
        return Backup(
            file,
            datetime.fromisoformat(told["made_at"]),
            file.stat().st_size,
            int(count),
            tuple(told["clients"]),
            sealed,
            tuple(told["missing"]),
        )
    except (KeyError, TypeError, ValueError):
        raise Refused("this is no whole backup.", str(file), "Use another backup.") from None


def json_of(archive: zipfile.ZipFile, name: str, file: Path) -> dict[str, Any]:
    """A document of a backup. Refused when it is not there, or another one."""
    try:
        with archive.open(name) as inside:
            told = json.loads(_bounded(inside))
        if not isinstance(told, dict) or told.get("format") != FORMAT or told.get("version") != 1:
            raise ValueError
    except (
        KeyError,
        ValueError,
        zipfile.BadZipFile,
        EOFError,
        OSError,
        RuntimeError,
        NotImplementedError,
        RecursionError,
    ):
        raise Refused("this is no whole backup of this version.", str(file), "Use another backup.") from None
    return told


def _bounded(inside: IO[bytes]) -> bytes:
    content = inside.read(MOST_MANIFEST + 1)
    if len(content) > MOST_MANIFEST:
        raise ValueError
    return content
