"""Photos come in, are read, corrected and read again."""

from collections.abc import Callable, Iterable
from dataclasses import dataclass, replace
from datetime import UTC, datetime
from pathlib import Path
from uuid import uuid4

import numpy as np
import sqlalchemy as sa
from sqlalchemy.orm import Session

from lucid_swatch.core.colour.arrays import BoolArray, ByteArray, FloatArray
from lucid_swatch.core.colour.spaces import rgb_linear_to_lab
from lucid_swatch.core.garment.closer import closer_windows
from lucid_swatch.core.garment.crop import Window, cloth_window, colour_window
from lucid_swatch.core.garment.reading import Reading
from lucid_swatch.core.garment.shape import signature
from lucid_swatch.core.garment.vocabulary import PatternType
from lucid_swatch.core.photo.light import Light, SeriesLight, relit
from lucid_swatch.core.photo.likeness import PhotoMarks, difference_hash
from lucid_swatch.core.photo.neutral import NeutralPoint
from lucid_swatch.core.photo.outline import Outline, outline_polygons, smooth_edge
from lucid_swatch.core.photo.strokes import Stroke, mend_outline
from lucid_swatch.core.problems import NotThere, Problem, ProblemText, Refused
from lucid_swatch.files.photo import Photo, decode_photo
from lucid_swatch.files.pictures import jpeg, mask_png, read_mask, resized, thumbnail, to_bytes_srgb, webp_inside
from lucid_swatch.files.strip import is_jpeg, strip_metadata
from lucid_swatch.formats.measurement import MeasurementDocument
from lucid_swatch.outside.cut_out import CutOut
from lucid_swatch.store.clients import Clients
from lucid_swatch.store.database import Sessions
from lucid_swatch.store.folder import Folder, Unwritable, photo_file
from lucid_swatch.store.going import Going
from lucid_swatch.store.jobs import Jobs
from lucid_swatch.store.photos import Photos
from lucid_swatch.store.pieces import Pieces
from lucid_swatch.store.records import JobKind, JobRecord, JobState, PhotoRecord, PhotoState, Polygon

from .again import read_again
from .clients import check_consent
from .eyes import Eyes, Sight
from .find_garment import find_garment
from .measure_photo import LightSource, PhotoReading, measure_photo
from .reader import measured_card
from .rereading import rehang
from .seen import close_look

NAME_LENGTH = 200
FOUND = "found.png"
AS_SHOT = "as-shot.jpg"
CLOTH_ASPECT = 0.6
SWATCH_SIDE = 240
STRIP_WIDTH = 72
"""Pixels of a strip on the rail, which may hold hundreds."""


@dataclass(frozen=True, slots=True)
class TakenIn:
    """What became of one sent file."""

    name: str
    photo: PhotoRecord | None
    problem: Problem | None


def take_in(
    sessions: Sessions, folder: Folder, eyes: Eyes, client_id: str, files: Iterable[tuple[str, bytes]]
) -> list[TakenIn]:
    """Keeps sent photos without their metadata, to be read. One that is refused does not stop the rest.

    Photos are decoded and written before the database is asked for anything but consent, so that nobody waits for them.
    Refused when the client has withdrawn consent, and then nothing is kept."""
    with folder.underway.writing(client_id):
        with sessions() as session:
            check_consent(Clients(session).get(client_id))
        taken: list[TakenIn] = []
        try:
            for name, content in files:
                taken.append(_kept(folder, eyes, client_id, name, content))
            photos = [one.photo for one in taken if one.photo is not None]
            with sessions.begin() as session:
                check_consent(Clients(session).get(client_id))
                for photo in photos:
                    Photos(session).add(photo)
                    Jobs(session).ask(client_id, JobKind.READ, photo.id)
        except BaseException:
            for one in taken:
                if one.photo is not None:
                    folder.remove_photo(one.photo.file)
            raise
    return taken


def _kept(folder: Folder, eyes: Eyes, client_id: str, name: str, content: bytes) -> TakenIn:
    """Writes a sent photo without its metadata; who cannot be read is named and not kept. Unwritable on a full disk."""
    try:
        id, file = keep_sent_photo(folder, eyes, client_id, content, name)
    except Unwritable:
        raise
    except Refused as problem:
        return TakenIn(name, None, problem)
    return TakenIn(name, PhotoRecord(id, client_id, name[:NAME_LENGTH], file, datetime.now(UTC)), None)


def keep_sent_photo(folder: Folder, eyes: Eyes, client_id: str, content: bytes, name: str) -> tuple[str, str]:
    """Writes a sent photo without its metadata: the id it gets, and the name of the file.

    Refused when it is no photo that can be read, Unwritable on a full disk."""
    # a JPEG is copied segment by segment; what has to be decoded is decoded where it can be ended
    stripped, ending = strip_metadata(content, name) if is_jpeg(content) else eyes.see(stripped_photo, content, name)
    id = uuid4().hex
    file = photo_file(client_id, id, ending)
    folder.keep_photo(file, stripped)
    return id, file


def stripped_photo(sight: Sight, content: bytes, name: str) -> tuple[bytes, str]:
    """A sent photo without its metadata, and the ending to keep it under. Refused when it is none."""
    return strip_metadata(content, name)


def read_kept_photo(sessions: Sessions, folder: Folder, cut_out: CutOut, id: str) -> None:
    """Does what is asked for a kept photo: reads it and keeps the reading and its pictures; a failure is kept as a
    sentence. Nothing where nothing is asked any more.

    A correction that came meanwhile stands: the photo then waits for its own reading. Unwritable on a full disk, and the
    photo waits."""
    with sessions() as session:
        job = Jobs(session).about(id)
        if job is None:
            return
        record, card = Photos(session).get(id), measured_card(session)
    try:
        if job.kind is JobKind.READ_AGAIN:
            _keep_newer(sessions, job, _read_anew(record, card, folder, cut_out))
            return
        stage = _stages(sessions, job)
        stage("opening the photo")
        read = _read(record, card, folder, cut_out, stage)
    except Unwritable:
        raise
    except Problem as problem:
        _keep_reading(sessions, folder, job, ProblemText.of(problem))
    except (OSError, sa.exc.OperationalError):
        raise
    except Exception:
        # a fault of ours in one photo must neither stop the queue nor leave it reading for ever
        set_down_unread(sessions, id, UNREADABLE)
        raise
    else:
        _keep_reading(sessions, folder, job, read)


UNREADABLE = Refused("the photo could not be read.", do="Send another photo of the piece.")


def _stages(sessions: Sessions, job: JobRecord) -> Callable[[str], None]:
    """What says how far a photo is; nothing once it was called off."""

    def stage(text: str) -> None:
        with sessions.begin() as session:
            jobs = Jobs(session)
            if not jobs.is_asked(job.id):
                return
            jobs.change(job.id, lambda now: replace(now, state=JobState.UNDER_WAY, stage=text))
            if job.kind is JobKind.READ:
                Photos(session).change(job.about, lambda photo: replace(photo, state=PhotoState.READING))

    return stage


def set_down_unread(sessions: Sessions, id: str, problem: Problem) -> None:
    """Notes why a photo could not be read; what was read of it before is not lost because it cannot be read anew."""
    with sessions.begin() as session:
        job = Jobs(session).about(id)
        if job is None:
            return
        Jobs(session).remove(job.id)
        if job.kind is JobKind.READ:
            _set_down(session, id, ProblemText.of(problem))


def _set_down(session: Session, id: str, problem: ProblemText) -> None:
    Photos(session).change(id, lambda photo: replace(photo, state=PhotoState.FAILED, problem=problem, reading=None))


def _keep_reading(sessions: Sessions, folder: Folder, job: JobRecord, read: "_Read | ProblemText") -> None:
    """Keeps what became of a reading that was asked for, unless it was called off or a correction came meanwhile."""
    with sessions.begin() as session:
        photos, jobs = Photos(session), Jobs(session)
        if not jobs.is_asked(job.id):
            _stays(session, folder, job.about)
            return
        jobs.remove(job.id)
        if isinstance(read, ProblemText):
            if job.kind is JobKind.READ:
                _set_down(session, job.about, read)
                _count(session, folder, job.about)
            return
        photo = photos.change(
            job.about,
            lambda now: replace(
                now,
                state=PhotoState.READ if job.kind is JobKind.READ else now.state,
                problem=None,
                reading=read.reading,
                light=read.light,
                likeness=read.likeness,
                outline=read.outline,
                newer=None,
            ),
        )
        _count(session, folder, job.about)
        if job.kind is JobKind.TAKE_OVER:
            rehang(session, photo)


def _count(session: Session, folder: Folder, id: str) -> None:
    """Another reading made pictures, if it got that far."""
    made = int(folder.has_picture(id, AS_SHOT))
    Photos(session).change(id, lambda photo: replace(photo, reading_number=photo.reading_number + made))


def _stays(session: Session, folder: Folder, id: str) -> None:
    """A reading that nobody asks for any more: the photo waits for its own, or is gone with its pictures."""
    try:
        Photos(session).get(id)
    except NotThere:
        folder.remove_pictures(id)  # removed while it waited or was read
        return
    job = Jobs(session).about(id)
    if job is not None and job.kind is JobKind.READ:
        Photos(session).change(id, lambda photo: replace(photo, state=PhotoState.WAITING))


def _read_anew(record: PhotoRecord, card: FloatArray | None, folder: Folder, cut_out: CutOut) -> Reading | None:
    """A photo read beside what is kept; None where it cannot be, and then all stays as it is."""
    try:
        photo = decode_photo(_kept_bytes(record, folder), record.name)
        outline = _outline(record, photo, folder, cut_out, lambda text: None)
        reading = measure_photo(photo, cut_out, light_source(record, card), outline=outline)
        return MeasurementDocument.from_core(reading.photo, reading.outline, reading.measurement).to_core()
    except Unwritable:
        raise
    except Problem:
        return None


def _keep_newer(sessions: Sessions, job: JobRecord, reading: Reading | None) -> None:
    with sessions.begin() as session:
        if Jobs(session).is_asked(job.id):
            Jobs(session).remove(job.id)
            Photos(session).change(job.about, lambda photo: replace(photo, newer=reading))


@dataclass(frozen=True, slots=True, eq=False)
class _Read:
    """What a reading of a photo found."""

    reading: Reading
    light: Light
    likeness: PhotoMarks
    outline: tuple[Polygon, ...]


def _read(
    record: PhotoRecord, card: FloatArray | None, folder: Folder, cut_out: CutOut, stage: Callable[[str], None]
) -> _Read:
    photo = decode_photo(_kept_bytes(record, folder), record.name)
    # shown even when the reading fails, so that the stylist can mend the outline
    folder.keep_original(record.id, record.client_id, AS_SHOT, jpeg(photo.srgb))
    folder.keep_picture(record.id, "thumbnail.jpg", jpeg(thumbnail(photo.srgb)))
    outline = _outline(record, photo, folder, cut_out, stage)
    reading = measure_photo(photo, cut_out, light_source(record, card), outline=outline, progress=stage)
    stage("cutting the swatches")
    _keep_pictures(record.id, reading, folder)
    document = MeasurementDocument.from_core(reading.photo, reading.outline, reading.measurement)
    mask = reading.outline.mask
    return _Read(
        document.to_core(),
        reading.measurement.light,
        PhotoMarks(difference_hash(photo.srgb), signature(mask)),
        _polygons(mask),
    )


def _polygons(mask: BoolArray) -> tuple[Polygon, ...]:
    return tuple(tuple((float(x), float(y)) for x, y in polygon) for polygon in outline_polygons(mask))


def _kept_bytes(record: PhotoRecord, folder: Folder) -> bytes:
    try:
        return folder.photo(record.file).read_bytes()
    except OSError as problem:
        reason = (problem.strerror or "unknown reason").lower()
        do = "Put the file back into the data folder, or send the photo again."
        raise Refused(f"the kept photo cannot be opened ({reason}).", record.name, do) from None


def light_source(record: PhotoRecord, card: FloatArray | None) -> LightSource:
    """What is known of the light of a kept photo."""
    series = None if record.series_light is None else record.series_light.light
    reader = None if record.reader is None else np.array(record.reader)
    return LightSource(record.neutral, series, reader, card)


def _outline(
    record: PhotoRecord, photo: Photo, folder: Folder, cut_out: CutOut, stage: Callable[[str], None]
) -> Outline:
    """The outline found before, or searched for now, with the strokes of the stylist on top."""
    try:
        mask = _found_before(record, folder, photo.srgb)
        before = record.reading
        method = "kept" if before is None else before.outline_method.removesuffix(", mended by hand")
        found = Outline(mask, 0.5 if before is None else before.outline_confidence, method)
    except NotThere:
        stage("finding the garment")
        found = _searched(record, photo, folder, cut_out)
    return mend_outline(photo.srgb, found, record.strokes)


def _found_before(record: PhotoRecord, folder: Folder, srgb: ByteArray) -> BoolArray:
    """The outline that was found before, on a picture of the photo that may be of another size.

    srgb: (rows, columns, 3). NotThere when none is kept."""
    mask = read_mask(folder.picture(record.id, FOUND).read_bytes())
    shape = srgb.shape[:2]
    return mask if mask.shape == shape else smooth_edge(mask, shape)


def _searched(record: PhotoRecord, photo: Photo, folder: Folder, cut_out: CutOut) -> Outline:
    try:
        found = find_garment(photo.srgb, cut_out)
    except Refused:
        if not any(stroke.cloth or stroke.box for stroke in record.strokes):
            raise
        # the stylist sees what the search does not
        return Outline(np.zeros(photo.srgb.shape[:2], dtype=bool), 0.0, "outlined")
    folder.keep_picture(record.id, FOUND, mask_png(found.mask))
    return found


def _keep_pictures(id: str, reading: PhotoReading, folder: Folder) -> None:
    photo, mask, labels = reading.photo, reading.outline.mask, reading.measurement.palette.labels
    relit_light = relit(photo.rgb_linear, reading.measurement.light)
    daylight = to_bytes_srgb(relit_light)
    folder.keep_picture(id, "relit.jpg", jpeg(daylight))
    folder.keep_picture(id, "cloth-only.webp", webp_inside(daylight, mask))
    plain = reading.measurement.pattern.type is PatternType.SOLID
    lab = rgb_linear_to_lab(relit_light)
    colours = [colour_window(labels, lab, k) for k in range(len(reading.measurement.lab))]
    whole = cloth_window(labels, lab, plain, CLOTH_ASPECT) or cloth_window(labels, lab, plain, 1.0)
    folder.keep_picture(id, "cloth.jpg", _swatch(daylight, whole or colours[0]))
    folder.keep_picture(id, "strip.jpg", _swatch(daylight, whole or colours[0], STRIP_WIDTH))
    for shows, window in closer_windows(labels, lab).items():
        folder.keep_picture(id, close_look(shows), jpeg(resized(window.cut(daylight), CLOSE_SIDE, CLOSE_SIDE)))
    if reading.measurement.threads is not None:
        colours = [whole or colours[0]]
    for k, window in enumerate(colours):
        folder.keep_picture(id, f"colour-{k}.jpg", _swatch(daylight, window))


CLOSE_SIDE = 160
"""Pixels of a close look."""


def _swatch(srgb: ByteArray, window: Window, side: int = SWATCH_SIDE) -> bytes:
    cut = window.cut(srgb)
    width = min(side, max(cut.shape[1] * 2, 48))
    return jpeg(resized(cut, width, round(width * cut.shape[0] / cut.shape[1])))


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
    own = photos.of_client(one.client_id)
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
        mask = _found_before(record, folder, shown)
    return _polygons(mend_outline(shown, Outline(mask, 0.5, "kept"), strokes).mask)


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
        not_same=(*photo.not_same, id),
    )
    with folder.underway.writing(photo.client_id):
        folder.keep_photo(file, _kept_bytes(photo, folder))
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
    if any(hung.photo_id == id for hung in Pieces(session).of_client(photo.client_id)):
        raise Refused("the photo is hung.", "intake", "Take the piece off the rail first.")
    Photos(session).remove(id)
    Jobs(session).call_off([id])
    Going(session, folder).photo(photo.file)
    Going(session, folder).pictures(id)
