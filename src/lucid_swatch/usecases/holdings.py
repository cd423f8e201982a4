"""What a studio keeps, how much room it takes, and about whom."""

import shutil
from dataclasses import dataclass
from pathlib import Path

from sqlalchemy.orm import Session

from lucid_swatch.store.clients import Clients
from lucid_swatch.store.compared_photos import ComparedPhotos
from lucid_swatch.store.folder import Folder
from lucid_swatch.store.looks import Looks
from lucid_swatch.store.owned import owners_of_pictures
from lucid_swatch.store.photos import Photos
from lucid_swatch.store.pieces import Pieces
from lucid_swatch.store.records import ClientRecord, FaceSource


@dataclass(frozen=True, slots=True)
class Held:
    """What is kept about one client."""

    client: ClientRecord
    photos: int
    portraits: int
    """And photos taken to compare."""
    pieces: int
    looks: int
    bytes: int
    """Of the files that are theirs."""


@dataclass(frozen=True, slots=True)
class Holdings:
    """What is kept in all."""

    bytes: int
    photos: int
    free: int
    """Bytes left on the disk."""
    clients: tuple[Held, ...]


def holdings(session: Session, folder: Folder) -> Holdings:
    """What is kept in a data folder."""
    clients = tuple(_held(session, folder, client) for client in Clients(session).all())
    total = sum(_size(path) for path in folder.path.rglob("*"))
    return Holdings(total, sum(one.photos for one in clients), shutil.disk_usage(folder.path).free, clients)


def _held(session: Session, folder: Folder, client: ClientRecord) -> Held:
    photos, looks = Photos(session).of_client(client.id), Looks(session).of_client(client.id)
    compared = ComparedPhotos(session).of_client(client.id)
    owners = owners_of_pictures(session, client.id)
    files = [folder.photo(photo.file) for photo in photos] + [
        path for owner in owners for path in folder.pictures(owner)
    ]
    portraits = sum(1 for face in client.faces if face.source is FaceSource.PORTRAIT) + len(compared)
    pieces = Pieces(session).count(client.id)
    return Held(client, len(photos), portraits, pieces, len(looks), sum(_size(path) for path in files))


def _size(path: Path) -> int:
    try:
        return path.stat().st_size if path.is_file() else 0
    except OSError:
        return 0  # went meanwhile
