"""The one place that joins settings, store, network and application."""

from pathlib import Path

from fastapi import FastAPI

from lucid_swatch.api.app import make_app, openapi_document
from lucid_swatch.api.context import Context
from lucid_swatch.outside.cut_out import SalientObjectNetwork
from lucid_swatch.settings import Settings
from lucid_swatch.store.database import open_database
from lucid_swatch.store.folder import Folder
from lucid_swatch.work.reading import ReadingQueue

__all__ = ["make_application", "openapi_document"]


def make_application(data: Path, settings: Settings) -> FastAPI:
    """The application on a data folder. Refused when the folder cannot be used."""
    sessions = open_database(data)
    queue = ReadingQueue(sessions, data, settings.workers)
    return make_app(Context(sessions, Folder(data), queue, SalientObjectNetwork()))
