"""A photo that was corrected is read again."""

from sqlalchemy.orm import Session

from lucid_swatch.core.problems import Refused
from lucid_swatch.store.photos import Photos
from lucid_swatch.store.records import PhotoRecord, PhotoState


def read_again(session: Session, id: str, **columns: object) -> PhotoRecord:
    """Writes what was corrected and lets the photo wait to be read; a newer reading that was asked for falls away.

    Refused when the photo is hung."""
    photos = Photos(session)
    photo = photos.get(id)
    if photo.state is PhotoState.HUNG:
        raise Refused("the photo is hung.", "intake", "Take the piece off the rail first.")
    photos.change(id, **columns, state=PhotoState.WAITING, problem=None, proposal=None, revision=photo.revision + 1)
    return photos.get(id)
