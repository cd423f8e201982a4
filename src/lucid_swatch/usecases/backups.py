"""The backups of a studio: where they lie, the seven of the last days, and what happens to them when a client is erased."""

from dataclasses import dataclass, replace
from datetime import UTC, datetime, timedelta
from pathlib import Path

from sqlalchemy.orm import Session

from lucid_swatch.core.problems import Refused
from lucid_swatch.store.database import Sessions
from lucid_swatch.store.erased import digest
from lucid_swatch.store.studio import Studio, StudioKey

from .backup import Backup, Progress, make_backup, read_backup


@dataclass(frozen=True, slots=True)
class Wishes:
    """What is kept about backups."""

    place: str | None = None
    """Where the stylist said that they lie."""
    problem: str = ""
    """Why the last one of a day could not be made."""


BACKUPS = StudioKey("backups", Wishes)
KEPT_DAYS = 7
EVERY = timedelta(hours=24)
DAILY, BY_HAND, UPGRADE = "daily-", "by-hand-", "before-upgrade-"


@dataclass(frozen=True, slots=True)
class Keeping:
    """Where backups lie, and how the last one of a day went."""

    place: Path
    problem: str = ""
    chosen: bool = False
    """Whether the stylist said where; else they lie beside the data folder."""


def keeping(session: Session, data: Path) -> Keeping:
    """Where backups lie: where the stylist said, beside the data folder otherwise."""
    wishes = Studio(session).get(BACKUPS) or Wishes()
    place = usual_place(data) if wishes.place is None else Path(wishes.place)
    return Keeping(place, wishes.problem, wishes.place is not None)


def usual_place(data: Path) -> Path:
    """Beside the data folder."""
    return data.with_name(f"{data.name}-backups")


def keep_backups_at(session: Session, data: Path, place: str) -> Keeping:
    """Says where backups lie from now on; those that were made stay where they are.

    Refused when nothing can be written there, or it is the data folder itself."""
    path = Path(place).expanduser()
    if "\0" in place or not path.is_absolute():
        raise Refused(
            "this is no whole path.", place.replace("\0", ""), "Give the whole path of a folder on this machine."
        )
    if path.resolve().is_relative_to(data.resolve()):
        raise Refused(
            "a backup inside the data folder is lost with it.", place, "Choose another folder, at best on another disk."
        )
    try:
        path.mkdir(mode=0o700, parents=True, exist_ok=True)
        probe = path / ".lucid-swatch"
        probe.write_bytes(b"")
        probe.unlink()
    except OSError as problem:
        reason = (problem.strerror or "unknown reason").lower()
        raise Refused(f"nothing can be kept there ({reason}).", place, "Choose another folder.") from None
    Studio(session).keep(BACKUPS, Wishes(str(path)))
    return keeping(session, data)


def list_backups(place: Path) -> list[Backup]:
    """The backups in a folder, the newest first; what cannot be read is none."""
    found = []
    for file in _files(place):
        try:
            found.append(read_backup(file))
        except Refused:
            continue
    return sorted(found, key=lambda one: one.made_at, reverse=True)


def _files(place: Path) -> list[Path]:
    try:
        return [
            path
            for path in place.iterdir()
            if path.suffix == ".zip" and path.name.startswith((DAILY, BY_HAND, UPGRADE))
        ]
    except OSError:
        return []


def is_due(place: Path, now: datetime) -> bool:
    """Whether the last backup of a day is older than a day."""
    made = [one.made_at for one in list_backups(place) if one.file.name.startswith(DAILY)]
    return not made or now - max(made) >= EVERY


def make_daily(sessions: Sessions, data: Path, now: datetime) -> Backup | None:
    """Makes the backup of a day and lets go of the oldest beyond seven. None while nothing is kept.

    A failure is kept, to be shown, and raised."""
    with sessions() as session:
        place = keeping(session, data).place
    try:
        made = make_backup(sessions, data, _free_name(place, DAILY, now))
    except Refused as problem:
        _note(sessions, str(problem))
        raise
    _note(sessions, "")
    daily = [one.file for one in list_backups(place) if one.file.name.startswith(DAILY)]
    for old in daily[KEPT_DAYS:]:
        old.unlink(missing_ok=True)
    return made


def make_before_upgrade(sessions: Sessions, data: Path, now: datetime) -> Backup:
    """Makes a backup of a data folder of an earlier version; it is never let go of by itself."""
    return make_backup(sessions, data, _free_name(usual_place(data), UPGRADE, now))


def make_by_hand(
    sessions: Sessions, data: Path, now: datetime, passphrase: str | None, progress: Progress, stopped: "Stop"
) -> Backup:
    """Makes a backup now, sealed when a passphrase is given."""
    with sessions() as session:
        place = keeping(session, data).place
    return make_backup(sessions, data, _free_name(place, BY_HAND, now), passphrase, progress, stopped)


class Stop:
    """Says whether somebody stopped what is going on."""

    def __init__(self) -> None:
        self.asked = False

    def __call__(self) -> bool:
        return self.asked


def _free_name(place: Path, kind: str, now: datetime) -> Path:
    base = f"{kind}{now.astimezone(UTC):%Y-%m-%d-%H%M%S}"
    number, path = 1, place / f"{base}.zip"
    while path.exists():
        number += 1
        path = place / f"{base}-{number}.zip"
    return path


def _note(sessions: Sessions, problem: str) -> None:
    with sessions.begin() as session:
        wishes = Studio(session).get(BACKUPS) or Wishes()
        if wishes.problem != problem:
            Studio(session).keep(BACKUPS, replace(wishes, problem=problem))


@dataclass(frozen=True, slots=True)
class Cleared:
    """What became of the backups that held an erased client."""

    replaced: int
    """Backups of a day that are gone; a fresh one stands in their place."""
    left: tuple[str, ...]
    """Those that still hold the client: made by hand, or not to be replaced now."""


def clear_of(sessions: Sessions, data: Path, client_id: str, now: datetime) -> Cleared:
    """Replaces the backups of a day that hold an erased client by a fresh one; those made by hand are named."""
    with sessions() as session:
        place = keeping(session, data).place
    holding = [one.file for one in list_backups(place) if digest(client_id) in one.clients]
    daily = [file for file in holding if file.name.startswith(DAILY)]
    if daily:
        try:
            make_backup(sessions, data, _free_name(place, DAILY, now))
        except Refused:
            return Cleared(0, tuple(str(file) for file in holding))
    for file in daily:
        file.unlink(missing_ok=True)
    return Cleared(len(daily), tuple(str(file) for file in holding if file not in daily))
