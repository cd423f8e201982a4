"""Files that nothing refers to any more, left by a machine that was switched off in the middle."""

import shutil

from sqlalchemy.orm import Session

from lucid_swatch.store.clients import Clients
from lucid_swatch.store.compared_photos import ComparedPhotos
from lucid_swatch.store.folder import Folder
from lucid_swatch.store.looks import Looks
from lucid_swatch.store.photos import Photos


def remove_orphans(session: Session, folder: Folder) -> int:
    """Removes photos and pictures that belong to no photo, portrait, look or photo to compare; answers how many files
    went."""
    clients = Clients(session).all()
    photos = [photo for client in clients for photo in Photos(session).of_client(client.id)]
    files = {photo.file for photo in photos}
    owners = {photo.id for photo in photos} | {face.id for client in clients for face in client.faces}
    owners |= {look.id for client in clients for look in Looks(session).of_client(client.id)}
    owners |= {photo.id for client in clients for photo in ComparedPhotos(session).of_client(client.id)}
    gone = 0
    for path in (folder.path / "photos").glob("*"):
        if path.is_file() and path.name not in files:
            path.unlink(missing_ok=True)
            gone += 1
    for path in (folder.path / "pictures").glob("*"):
        if path.is_dir() and path.name not in owners:
            gone += sum(1 for one in path.glob("*"))
            shutil.rmtree(path, ignore_errors=True)
        elif path.is_dir():
            for part in path.glob(".part-*"):
                part.unlink(missing_ok=True)
                gone += 1
    return gone
