"""Photos come in, are corrected, and wait to be read again."""

from collections.abc import Callable, Iterable
from dataclasses import dataclass, replace
from datetime import UTC, datetime
from pathlib import Path
from uuid import uuid4

import numpy as np
from sqlalchemy.orm import Session

from lucid_swatch.core.photo.light import SeriesLight
from lucid_swatch.core.photo.neutral import NeutralPoint
from lucid_swatch.core.photo.outline import Outline
from lucid_swatch.core.photo.strokes import Stroke, mend_outline
from lucid_swatch.core.problems import Problem, Refused
from lucid_swatch.files.photo import decode_photo
from lucid_swatch.files.strip import is_jpeg, strip_metadata
from lucid_swatch.files.taken import When, taken_of
from lucid_swatch.store.clients import Clients
from lucid_swatch.store.database import Sessions
from lucid_swatch.store.folder import Folder, Unwritable, photo_file
from lucid_swatch.store.going import Going
from lucid_swatch.store.jobs import Jobs
from lucid_swatch.store.photos import Photos
from lucid_swatch.store.pieces import Pieces
from lucid_swatch.store.records import JobKind, PhotoRecord, PhotoState, Polygon

from .again import read_again
from .clients import check_consent
from .eyes import Eyes, Sight
from .for_sale import check_not_for_sale
from .reading_photos import AS_SHOT, FOUND, found_before, kept_bytes, polygons

NAME_LENGTH = 200


@dataclass(frozen=True, slots=True)
class TakenIn:
    """What became of one sent file."""

    name: str
    photo: PhotoRecord | None
    problem: Problem | None


def take_in(
    sessions: Sessions,
    folder: Folder,
    eyes: Eyes,
    client_id: str,
    files: Iterable[tuple[str, bytes]],
    sent_with: str | None = None,
    with_it: Callable[[Session, PhotoRecord], None] = lambda session, photo: None,
) -> list[TakenIn]:
    """Keeps sent photos without their metadata, to be read. One that is refused does not stop the rest.

    sent_with: the same for all that are sent in one go, over however many calls; left out, this call is one.
    with_it: what is to be kept in the same change as each photo.

    Photos are decoded and written before the database is asked for anything but consent, so that nobody waits for them.
    Refused when the client has withdrawn consent, and then nothing is kept."""
    sent_with = sent_with or uuid4().hex
    with folder.underway.writing(client_id):
        with sessions() as session:
            check_consent(Clients(session).get(client_id))
        taken: list[TakenIn] = []
        try:
            for name, content in files:
                taken.append(_kept(folder, eyes, client_id, name, content, sent_with))
            photos = [one.photo for one in taken if one.photo is not None]
            with sessions.begin() as session:
                check_consent(Clients(session).get(client_id))
                for photo in photos:
                    Photos(session).add(photo)
                    Jobs(session).ask(client_id, JobKind.READ, photo.id)
                    with_it(session, photo)
        except BaseException:
            for one in taken:
                if one.photo is not None:
                    folder.remove_photo(one.photo.file)
            raise
    return taken


def _kept(folder: Folder, eyes: Eyes, client_id: str, name: str, content: bytes, sent_with: str) -> TakenIn:
    """Writes a sent photo without its metadata; who cannot be read is named and not kept. Unwritable on a full disk."""
    try:
        kept = keep_sent_photo(folder, eyes, client_id, content, name)
    except Unwritable:
        raise
    except Refused as problem:
        return TakenIn(name, None, problem)
    photo = PhotoRecord(
        kept.id,
        client_id,
        name[:NAME_LENGTH],
        kept.file,
        datetime.now(UTC),
        taken_at=kept.when.at,
        camera=kept.when.camera,
        sent_with=sent_with,
    )
    return TakenIn(name, photo, None)


@dataclass(frozen=True, slots=True)
class KeptFile:
    """A sent photo as it was written."""

    id: str
    file: str
    when: When


def keep_sent_photo(folder: Folder, eyes: Eyes, client_id: str, content: bytes, name: str) -> KeptFile:
    """Writes a sent photo without its metadata.

    Refused when it is no photo that can be read, Unwritable on a full disk."""
    # a JPEG is copied segment by segment; what has to be decoded is decoded where it can be ended
    stripped, ending, when = _stripped(content, name) if is_jpeg(content) else eyes.see(stripped_photo, content, name)
    id = uuid4().hex
    file = photo_file(client_id, id, ending)
    folder.keep_photo(file, stripped)
    return KeptFile(id, file, when)


def stripped_photo(sight: Sight, content: bytes, name: str) -> tuple[bytes, str, When]:
    """A sent photo without its metadata, the ending to keep it under, and when it was taken. Refused when it is none."""
    return _stripped(content, name)


def _stripped(content: bytes, name: str) -> tuple[bytes, str, When]:
    return (*strip_metadata(content, name), taken_of(content))


def relight(session: Session, id: str, neutral: NeutralPoint | None) -> PhotoRecord:
    """Marks the tapped neutral of a photo, or none, and lets it be read again."""
    return read_again(session, id, lambda photo: replace(photo, neutral=neutral, reader=None, series_light=None))


def share_light(session: Session, id: str, others: Iterable[str] | None = None) -> list[PhotoRecord]:
    """Lets other photos of the same series be read in the light of this one; all of the client's that do not hang
    when none are named. What hangs is left as it is.

    Refused when this one was not read yet."""
    photos = Photos(session)
    one = photos.get(id)
    if one.light is None:
        raise Refused("the light of this photo is not known yet.", one.name, "Wait until it is read.")
    own = photos.of_wardrobe(one.client_id)
    wanted = {photo.id for photo in own} if others is None else set(others)
    taking = [photo for photo in own if photo.id in wanted - {id}]
    shared = SeriesLight(id, one.light)

    def lit(photo: PhotoRecord) -> PhotoRecord:
        return replace(photo, series_light=shared)

    return [read_again(session, photo.id, lit) for photo in taking if photo.state is not PhotoState.HUNG]


def add_stroke(sessions: Sessions, folder: Folder, id: str, stroke: Stroke) -> PhotoRecord:
    """Adds a stroke, answers with the mended outline at once, and lets the photo be read again inside it.

    Refused, and the stroke dropped, when nothing of the garment would be left."""
    with folder.underway.one_by_one(id):
        with sessions() as session:
            record = Photos(session).get(id)
        strokes = (*record.strokes, stroke)
        return _with_strokes(sessions, record, strokes, _mended_now(record, folder, strokes))


def _with_strokes(
    sessions: Sessions, record: PhotoRecord, strokes: tuple[Stroke, ...], outline: tuple[Polygon, ...] | None
) -> PhotoRecord:
    def drawn(photo: PhotoRecord) -> PhotoRecord:
        return replace(photo, strokes=strokes, outline=photo.outline if outline is None else outline)

    with sessions.begin() as session:
        return read_again(session, record.id, drawn)


def _mended_now(record: PhotoRecord, folder: Folder, strokes: tuple[Stroke, ...]) -> tuple[Polygon, ...] | None:
    """The outline after some strokes, from the small picture that is shown; None before there is one."""
    if not folder.has_picture(record.id, AS_SHOT):
        return None
    shown = decode_photo(folder.picture(record.id, AS_SHOT).read_bytes(), record.name).srgb
    mask = np.zeros(shown.shape[:2], dtype=bool)
    if folder.has_picture(record.id, FOUND):
        mask = found_before(record, folder, shown)
    return polygons(mend_outline(shown, Outline(mask, 0.5, "kept"), strokes).mask)


def undo_stroke(sessions: Sessions, folder: Folder, id: str) -> PhotoRecord:
    """Takes back the last stroke. Refused when there is none."""
    with folder.underway.one_by_one(id):
        with sessions() as session:
            record = Photos(session).get(id)
        if not record.strokes:
            raise Refused("there is no stroke to undo.", "outline", "Draw one first.")
        left = record.strokes[:-1]
        try:
            outline = _mended_now(record, folder, left)
        except Refused:
            outline = None
        return _with_strokes(sessions, record, left, outline)


def another_piece(sessions: Sessions, folder: Folder, id: str) -> PhotoRecord:
    """Takes another piece from a photo that shows several: a copy of it, of which the stylist boxes the other one."""
    with sessions() as session:
        photo = Photos(session).get(id)
    new = uuid4().hex
    file = photo_file(photo.client_id, new, Path(photo.file).suffix)
    copy = PhotoRecord(
        new,
        photo.client_id,
        photo.name,
        file,
        datetime.now(UTC),
        neutral=photo.neutral,
        series_light=photo.series_light,
        paper=photo.paper,
        taken_at=photo.taken_at,
        camera=photo.camera,
        sent_with=photo.sent_with,
        not_same=(*photo.not_same, id),
    )
    with folder.underway.writing(photo.client_id):
        folder.keep_photo(file, kept_bytes(photo, folder))
        try:
            with sessions.begin() as session:
                Photos(session).add(copy)
                Jobs(session).ask(copy.client_id, JobKind.READ, copy.id)
        except BaseException:
            folder.remove_photo(file)
            raise
    return copy


def not_now(session: Session, id: str) -> PhotoRecord:
    """Puts a read photo aside, or back again."""
    photos = Photos(session)
    state = photos.get(id).state
    turn = {PhotoState.READ: PhotoState.NOT_NOW, PhotoState.NOT_NOW: PhotoState.READ}
    if state not in turn:
        raise Refused(f"the photo is {state.value}.", "intake", "Wait until it is read.")
    return photos.change(id, lambda photo: replace(photo, state=turn[state]))


def remove_photo(session: Session, folder: Folder, id: str) -> None:
    """Removes a photo that is not hung, with its pictures."""
    photo = Photos(session).get(id)
    check_not_for_sale(session, photo)
    if any(hung.photo_id == id for hung in Pieces(session).of_client(photo.client_id)):
        raise Refused("the photo is hung.", "intake", "Take the piece off the rail first.")
    let_photo_go(session, folder, photo)


def let_photo_go(session: Session, folder: Folder, photo: PhotoRecord) -> None:
    """Removes a photo with its pictures, and what is still to be done with it."""
    Photos(session).remove(photo.id)
    Jobs(session).call_off([photo.id])
    Going(session, folder).photo(photo.file)
    Going(session, folder).pictures(photo.id)
