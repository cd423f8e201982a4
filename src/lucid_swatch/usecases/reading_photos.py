"""Kept photos are read: their light from all that their room tells, their cloth in it, and their pictures."""

from collections.abc import Callable
from dataclasses import dataclass, replace

import numpy as np
import sqlalchemy as sa
from sqlalchemy.orm import Session

from lucid_swatch.core.colour.arrays import BoolArray, ByteArray, FloatArray, LabelArray
from lucid_swatch.core.colour.spaces import rgb_linear_to_lab
from lucid_swatch.core.garment.closer import closer_windows
from lucid_swatch.core.garment.crop import Window, cloth_window, colour_window
from lucid_swatch.core.garment.reading import Reading
from lucid_swatch.core.garment.shape import signature
from lucid_swatch.core.garment.vocabulary import PatternType
from lucid_swatch.core.photo.evidence import Evidence
from lucid_swatch.core.photo.light import Light, relit
from lucid_swatch.core.photo.likeness import PhotoMarks, difference_hash
from lucid_swatch.core.photo.outline import Outline, outline_polygons, smooth_edge
from lucid_swatch.core.photo.strokes import mend_outline
from lucid_swatch.core.problems import NotThere, Problem, ProblemText, Refused
from lucid_swatch.files.photo import Photo, decode_photo
from lucid_swatch.files.pictures import jpeg, mask_png, read_mask, resized, thumbnail, to_bytes_srgb, webp_inside
from lucid_swatch.formats.measurement import MeasurementDocument
from lucid_swatch.outside.cut_out import CutOut
from lucid_swatch.store.database import Sessions
from lucid_swatch.store.folder import Folder, Unwritable
from lucid_swatch.store.jobs import Jobs
from lucid_swatch.store.photos import Photos
from lucid_swatch.store.records import JobKind, JobRecord, JobState, PhotoRecord, PhotoState, Polygon

from .find_garment import find_garment
from .measure_photo import LightSource, PhotoReading, read_seen, see_photo
from .reader import measured_card
from .rereading import rehang
from .rooms import Lit, light_of, settle_sent, tells_anew
from .seen import close_look

FOUND = "found.png"
AS_SHOT = "as-shot.jpg"
CLOTH_ASPECT = 0.6
SWATCH_SIDE = 240
STRIP_WIDTH = 72
"""Pixels of a strip on the rail, which may hold hundreds."""


def read_kept_photo(sessions: Sessions, folder: Folder, cut_out: CutOut, id: str) -> list[str]:
    """Does what is asked for a kept photo: reads it and keeps the reading and its pictures; a failure is kept as a
    sentence. Nothing where nothing is asked any more. Answers the ids of photos that are to be read again in its light.

    A correction that came meanwhile stands: the photo then waits for its own reading. Unwritable on a full disk, and the
    photo waits."""
    with sessions() as session:
        job = Jobs(session).about(id)
        if job is None:
            return []
        record, card = Photos(session).get(id), measured_card(session)
    try:
        if job.kind is JobKind.READ_AGAIN:
            _keep_newer(sessions, job, _read_anew(sessions, record, card, folder, cut_out))
            return []
        stage = _stages(sessions, job)
        stage("opening the photo")
        read = _read(sessions, record, card, folder, cut_out, stage)
    except Unwritable:
        raise
    except Problem as problem:
        return _keep_reading(sessions, folder, job, ProblemText.of(problem))
    except (OSError, sa.exc.OperationalError):
        raise
    except Exception:
        # a fault of ours in one photo must neither stop the queue nor leave it reading for ever
        set_down_unread(sessions, id, UNREADABLE)
        raise
    return _keep_reading(sessions, folder, job, read)


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


def _keep_reading(sessions: Sessions, folder: Folder, job: JobRecord, read: "_Read | ProblemText") -> list[str]:
    """Keeps what became of a reading that was asked for, unless it was called off or a correction came meanwhile.

    Answers the photos that came with it and are now to be read in the light of their room."""
    with sessions.begin() as session:
        photos, jobs = Photos(session), Jobs(session)
        if not jobs.is_asked(job.id):
            _stays(session, folder, job.about)
            return []
        jobs.remove(job.id)
        if isinstance(read, ProblemText):
            if job.kind is not JobKind.READ:
                # it stays as it was read; asked again at once, it would fail without end
                return []
            _set_down(session, job.about, read)
            _count(session, folder, job.about)
            return settle_sent(session, job.client_id, job.about)
        anew = tells_anew(photos.get(job.about).evidence, read.evidence)
        photo = photos.change(
            job.about,
            lambda now: replace(
                now,
                state=PhotoState.READ if job.kind is JobKind.READ else now.state,
                problem=None,
                reading=read.reading,
                light=read.light,
                lent_by=read.lent_by,
                evidence=read.evidence,
                likeness=read.likeness,
                outline=read.outline,
                newer=None,
            ),
        )
        _count(session, folder, job.about)
        if job.kind is JobKind.TAKE_OVER:
            rehang(session, photo)
        return settle_sent(session, job.client_id, job.about) if anew else []


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


def _read_anew(
    sessions: Sessions, record: PhotoRecord, card: FloatArray | None, folder: Folder, cut_out: CutOut
) -> Reading | None:
    """A photo read beside what is kept; None where it cannot be, and then all stays as it is."""
    try:
        photo = decode_photo(kept_bytes(record, folder), record.name)
        outline = _outline(record, photo, folder, cut_out, lambda text: None)
        seen = see_photo(photo, cut_out, light_source(record, card), outline)
        lit = light_of(sessions, record, seen.evidence)
        reading = read_seen(seen, lit.light, told=_told(record))
        return _document(reading, lit).to_core()
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
    lent_by: str | None
    evidence: Evidence
    likeness: PhotoMarks
    outline: tuple[Polygon, ...]


def _read(
    sessions: Sessions,
    record: PhotoRecord,
    card: FloatArray | None,
    folder: Folder,
    cut_out: CutOut,
    stage: Callable[[str], None],
) -> _Read:
    photo = decode_photo(kept_bytes(record, folder), record.name)
    # shown even when the reading fails, so that the stylist can mend the outline
    folder.keep_original(record.id, record.client_id, AS_SHOT, jpeg(photo.srgb))
    folder.keep_picture(record.id, "thumbnail.jpg", jpeg(thumbnail(photo.srgb)))
    outline = _outline(record, photo, folder, cut_out, stage)
    seen = see_photo(photo, cut_out, light_source(record, card), outline, stage)
    lit = light_of(sessions, record, seen.evidence)
    reading = read_seen(seen, lit.light, told=_told(record), progress=stage)
    stage("cutting the swatches")
    _keep_pictures(record.id, reading, folder)
    mask = reading.outline.mask
    return _Read(
        _document(reading, lit).to_core(),
        reading.measurement.light,
        lit.lent_by,
        seen.evidence,
        PhotoMarks(difference_hash(photo.srgb), signature(mask)),
        polygons(mask),
    )


def _document(reading: PhotoReading, lit: Lit) -> MeasurementDocument:
    sheets = reading.evidence.sheets
    return MeasurementDocument.from_core(reading.photo, reading.outline, reading.measurement, sheets, lit.lender)


def _told(record: PhotoRecord) -> FloatArray | None:
    return None if record.reader is None else np.array(record.reader)


def polygons(mask: BoolArray) -> tuple[Polygon, ...]:
    """The outline of a mask as it is kept."""
    return tuple(tuple((float(x), float(y)) for x, y in polygon) for polygon in outline_polygons(mask))


def kept_bytes(record: PhotoRecord, folder: Folder) -> bytes:
    """The bytes of a kept photo. Refused when it cannot be opened."""
    try:
        return folder.photo(record.file).read_bytes()
    except OSError as problem:
        reason = (problem.strerror or "unknown reason").lower()
        do = "Put the file back into the data folder, or send the photo again."
        raise Refused(f"the kept photo cannot be opened ({reason}).", record.name, do) from None


def light_source(record: PhotoRecord, card: FloatArray | None) -> LightSource:
    """What is known of the light of a kept photo."""
    series = None if record.series_light is None else record.series_light.light
    return LightSource(record.neutral, series, _told(record), card, record.paper)


def _outline(
    record: PhotoRecord, photo: Photo, folder: Folder, cut_out: CutOut, stage: Callable[[str], None]
) -> Outline:
    """The outline found before, or searched for now, with the strokes of the stylist on top."""
    try:
        mask = found_before(record, folder, photo.srgb)
        before = record.reading
        method = "kept" if before is None else before.outline_method.removesuffix(", mended by hand")
        found = Outline(mask, 0.5 if before is None else before.outline_confidence, method)
    except NotThere:
        stage("finding the garment")
        found = _searched(record, photo, folder, cut_out)
    return mend_outline(photo.srgb, found, record.strokes)


def found_before(record: PhotoRecord, folder: Folder, srgb: ByteArray) -> BoolArray:
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
    whole = whole_cloth(labels, lab, plain)
    folder.keep_picture(id, "cloth.jpg", _swatch(daylight, whole or colours[0]))
    folder.keep_picture(id, "strip.jpg", _swatch(daylight, whole or colours[0], STRIP_WIDTH))
    for shows, window in closer_windows(labels, lab).items():
        folder.keep_picture(id, close_look(shows), jpeg(resized(window.cut(daylight), CLOSE_SIDE, CLOSE_SIDE)))
    if reading.measurement.threads is not None:
        colours = [whole or colours[0]]
    for k, window in enumerate(colours):
        folder.keep_picture(id, f"colour-{k}.jpg", _swatch(daylight, window))


def whole_cloth(labels: LabelArray, lab: FloatArray, plain: bool) -> Window | None:
    """The part of a photo that shows the cloth best; None where none is large enough. labels and lab: (rows, columns, ...)."""
    return cloth_window(labels, lab, plain, CLOTH_ASPECT) or cloth_window(labels, lab, plain, 1.0)


CLOSE_SIDE = 160
"""Pixels of a close look."""


def _swatch(srgb: ByteArray, window: Window, side: int = SWATCH_SIDE) -> bytes:
    cut = window.cut(srgb)
    width = min(side, max(cut.shape[1] * 2, 48))
    return jpeg(resized(cut, width, round(width * cut.shape[0] / cut.shape[1])))
