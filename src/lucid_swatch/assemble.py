"""The one place that joins settings, store, network, devices and application."""

from datetime import UTC, datetime
from pathlib import Path

from fastapi import FastAPI

from lucid_swatch.api.app import make_app, openapi_document
from lucid_swatch.api.context import Context
from lucid_swatch.outside.forecast_stand_in import ForecastStandIn
from lucid_swatch.outside.reader import SocketReader
from lucid_swatch.settings import Settings
from lucid_swatch.store.access import key_of
from lucid_swatch.store.database import Sessions, connect, has_older_tables, open_database
from lucid_swatch.store.folder import Folder, keep_to_owner
from lucid_swatch.usecases.backups import make_before_upgrade
from lucid_swatch.usecases.erase import scrub_when_due
from lucid_swatch.usecases.reader import Hand, OwnHand
from lucid_swatch.usecases.tidy import tidy
from lucid_swatch.work.backups import Backups
from lucid_swatch.work.first_seen import FirstSeen
from lucid_swatch.work.queue import WorkQueue
from lucid_swatch.work.watching import FolderWatch

__all__ = ["make_application", "open_data", "openapi_document"]


def make_application(
    data: Path, settings: Settings, reader: SocketReader | None = None, hand: Hand | None = None
) -> FastAPI:
    """The application on a data folder. Refused when the folder cannot be used.

    reader: the colour reader, the one of the settings by default. hand: what holds it, the stylist by default."""
    sessions, folder = open_data(data), Folder(data)
    key, moved = key_of(data), tidy(sessions, folder)
    scrub_when_due(sessions)
    queue = WorkQueue(sessions, data, settings.workers)
    watch = FolderWatch(sessions, folder, queue, queue.add)
    reader = reader or SocketReader(settings.reader_port)
    backups = Backups(sessions, data)
    return make_app(
        Context(
            sessions,
            folder,
            queue,
            FirstSeen(),
            watch,
            backups,
            ForecastStandIn(),
            reader,
            hand or OwnHand(),
            key,
            moved,
        )
    )


def open_data(data: Path) -> Sessions:
    """The database of a data folder that only its owner can read; a backup is made before its tables are changed."""
    if has_older_tables(data):
        old = connect(data)
        try:
            make_before_upgrade(old, data, datetime.now(UTC))
        finally:
            old.close()
    sessions = open_database(data)
    keep_to_owner(data)
    return sessions
