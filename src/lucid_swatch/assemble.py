"""The one place that joins settings, store, network, devices and application."""

from pathlib import Path

from fastapi import FastAPI

from lucid_swatch.api.app import make_app, openapi_document
from lucid_swatch.api.context import Context
from lucid_swatch.outside.cut_out import SalientObjectNetwork
from lucid_swatch.outside.faces import FaceCascade
from lucid_swatch.outside.reader import SocketReader
from lucid_swatch.settings import Settings
from lucid_swatch.store.database import open_database
from lucid_swatch.store.folder import Folder
from lucid_swatch.usecases.reader import Hand, OwnHand
from lucid_swatch.usecases.tidy import remove_orphans
from lucid_swatch.work.reading import ReadingQueue
from lucid_swatch.work.watching import FolderWatch

__all__ = ["make_application", "openapi_document"]


def make_application(
    data: Path, settings: Settings, reader: SocketReader | None = None, hand: Hand | None = None
) -> FastAPI:
    """The application on a data folder. Refused when the folder cannot be used.

    reader: the colour reader, the one of the settings by default. hand: what holds it, the stylist by default."""
    sessions, folder = open_database(data), Folder(data)
    with sessions() as session:
        remove_orphans(session, folder)
    queue = ReadingQueue(sessions, data, settings.workers)
    watch = FolderWatch(sessions, folder, queue.add)
    reader = reader or SocketReader(settings.reader_port)
    return make_app(
        Context(sessions, folder, queue, watch, SalientObjectNetwork(), FaceCascade(), reader, hand or OwnHand())
    )
