"""A photo that was corrected is read again."""

from collections.abc import Callable
from dataclasses import replace

from sqlalchemy.orm import Session

from lucid_swatch.core.problems import Refused
from lucid_swatch.store.jobs import Jobs
from lucid_swatch.store.photos import Photos
from lucid_swatch.store.records import JobKind, PhotoRecord, PhotoState


def read_again(session: Session, id: str, corrected: Callable[[PhotoRecord], PhotoRecord]) -> PhotoRecord:
    """Writes what was corrected and lets the photo wait to be read; a newer reading that was asked for falls away.

    Refused when the photo is hung."""
    photo = Photos(session).get(id)
    if photo.state is PhotoState.HUNG:
        raise Refused("the photo is hung.", "intake", "Take the piece off the rail first.")
    Jobs(session).ask(photo.client_id, JobKind.READ, id)
    waiting = replace(corrected(photo), state=PhotoState.WAITING, problem=None, newer=None)
    return Photos(session).change(id, lambda now: waiting)
