"""Photos come in, are read, corrected and read again."""

from collections.abc import Callable, Iterable
from dataclasses import dataclass
from datetime import UTC, datetime
from pathlib import Path
from typing import Any
from uuid import uuid4

import numpy as np
import sqlalchemy as sa
from sqlalchemy.orm import Session

from lucid_swatch.core.colour.arrays import BoolArray, ByteArray, FloatArray
from lucid_swatch.core.colour.spaces import rgb_linear_to_lab
from lucid_swatch.core.garment.crop import Window, cloth_window, colour_window
from lucid_swatch.core.garment.shape import signature
from lucid_swatch.core.garment.vocabulary import PatternType
from lucid_swatch.core.photo.light import relit
from lucid_swatch.core.photo.likeness import difference_hash
from lucid_swatch.core.photo.neutral import NeutralPoint
from lucid_swatch.core.photo.outline import Outline, outline_polygons, smooth_edge
from lucid_swatch.core.photo.strokes import Stroke, mend_outline
from lucid_swatch.core.problems import NotThere, Problem, Refused
from lucid_swatch.files.photo import Photo, decode_photo
from lucid_swatch.files.pictures import jpeg, mask_png, read_mask, resized, thumbnail, to_bytes_srgb, webp_inside
from lucid_swatch.files.strip import is_jpeg, strip_metadata
from lucid_swatch.formats.light import light_from_values, light_values
from lucid_swatch.formats.measurement import MeasurementDocument
from lucid_swatch.outside.cut_out import CutOut
from lucid_swatch.store.clients import Clients
from lucid_swatch.store.database import Sessions
from lucid_swatch.store.folder import Folder, Unwritable, photo_file
from lucid_swatch.store.going import Going
from lucid_swatch.store.photos import Photos
from lucid_swatch.store.pieces import Pieces
from lucid_swatch.store.records import PhotoRecord, PhotoState

from .again import read_again
from .clients import check_consent
from .eyes import Eyes, Sight
from .find_garment import find_garment
from .measure_photo import LightSource, PhotoReading, measure_photo
from .reader import measured_card
from .rereading import TAKEN, WANTED, rehang

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
    """Reads a kept photo and keeps the reading and its pictures; a failure is kept as a sentence.

    A correction that came meanwhile stands: the photo then waits for its own reading. Unwritable on a full disk, and the
    photo waits."""
    record: PhotoRecord | None = None

    def stage(text: str) -> None:
        with sessions.begin() as session:
            photos = Photos(session)
            anew = photos.get(id).proposal is not None
            photos.change(id, stage=text, **({} if anew else {"state": PhotoState.READING}))

    asked = None
    try:
        with sessions() as session:
            record = Photos(session).get(id)
            card = measured_card(session)
        asked = (record.proposal or {}).get("ask")
        if asked is None and record.state in (PhotoState.HUNG, PhotoState.NOT_NOW):
            return  # a rereading that was called off while this photo waited
        if asked == WANTED:
            _propose(sessions, record, card, folder, cut_out)
            return
        stage("opening the photo")
        changes = _read(record, card, folder, cut_out, stage)
    except Unwritable:
        raise
    except Problem as problem:
        changes = {"state": PhotoState.FAILED, "problem": problem_values(problem), "reading": None}
    except (OSError, sa.exc.OperationalError):
        raise
    except Exception:
        # a fault of ours in one photo must neither stop the queue nor leave it reading for ever
        set_down_unread(sessions, id, UNREADABLE)
        raise
    _keep_reading(sessions, folder, id, record, asked, changes)


UNREADABLE = Refused("the photo could not be read.", do="Send another photo of the piece.")


def set_down_unread(sessions: Sessions, id: str, problem: Problem) -> None:
    """Notes why a photo could not be read; what was read of it before is not lost because it cannot be read anew."""
    with sessions.begin() as session:
        photos = Photos(session)
        try:
            asked = photos.get(id).proposal is not None
        except NotThere:
            return
        failed = {"state": PhotoState.FAILED, "problem": problem_values(problem), "reading": None}
        photos.change(id, **({"proposal": None} if asked else failed), stage="")


def _keep_reading(
    sessions: Sessions, folder: Folder, id: str, record: PhotoRecord | None, asked: str | None, changes: dict[str, Any]
) -> None:
    with sessions.begin() as session:
        photos = Photos(session)
        try:
            now = photos.get(id)
        except NotThere:
            folder.remove_pictures(id)  # removed while it waited or was read
            return
        if record is not None and now.revision != record.revision:
            photos.change(id, stage="", state=PhotoState.WAITING)
            return
        read = changes["state"] is PhotoState.READ
        if asked is not None and not read:
            photos.change(id, proposal=None, stage="")
            return
        number = now.reading_number + folder.has_picture(id, AS_SHOT)
        if asked is not None:
            changes["state"] = now.state
        photos.change(id, **changes, stage="", reading_number=number)
        if asked == TAKEN:
            rehang(session, photos.get(id))


def _propose(sessions: Sessions, record: PhotoRecord, card: FloatArray | None, folder: Folder, cut_out: CutOut) -> None:
    """Reads a photo anew beside what is kept; what cannot be read anew stays as it is."""
    try:
        photo = decode_photo(_kept_bytes(record, folder), record.name)
        outline = _outline(record, photo, folder, cut_out, lambda text: None)
        reading = measure_photo(photo, cut_out, light_source(record, card), outline=outline)
        document = MeasurementDocument.from_core(reading.photo, reading.outline, reading.measurement)
        proposal = {"reading": document.model_dump(mode="json")}
    except Unwritable:
        raise
    except Problem:
        proposal = None
    with sessions.begin() as session:
        photos = Photos(session)
        try:
            if photos.get(record.id).proposal == record.proposal:
                photos.change(record.id, proposal=proposal)
        except NotThere:
            return  # removed while it was read


def _read(
    record: PhotoRecord, card: FloatArray | None, folder: Folder, cut_out: CutOut, stage: Callable[[str], None]
) -> dict[str, object]:
    photo = decode_photo(_kept_bytes(record, folder), record.name)
    # shown even when the reading fails, so that the stylist can mend the outline
    folder.keep_original(record.id, record.client_id, AS_SHOT, jpeg(photo.srgb))
    folder.keep_picture(record.id, "thumbnail.jpg", jpeg(thumbnail(photo.srgb)))
    outline = _outline(record, photo, folder, cut_out, stage)
    reading = measure_photo(photo, cut_out, light_source(record, card), outline=outline, progress=stage)
    stage("cutting the swatches")
    _keep_pictures(record.id, reading, folder)
    document = MeasurementDocument.from_core(reading.photo, reading.outline, reading.measurement)
    return {
        "state": PhotoState.READ,
        "problem": None,
        "reading": document.model_dump(mode="json"),
        "light": light_values(reading.measurement.light),
        "proposal": None,
        "likeness": {"picture": difference_hash(photo.srgb), "shape": signature(reading.outline.mask)},
        "outline": [[list(point) for point in polygon] for polygon in outline_polygons(reading.outline.mask)],
    }


def _kept_bytes(record: PhotoRecord, folder: Folder) -> bytes:
    try:
        return folder.photo(record.file).read_bytes()
    except OSError as problem:
        reason = (problem.strerror or "unknown reason").lower()
        do = "Put the file back into the data folder, or send the photo again."
        raise Refused(f"the kept photo cannot be opened ({reason}).", record.name, do) from None


def light_source(record: PhotoRecord, card: FloatArray | None) -> LightSource:
    """What is known of the light of a kept photo."""
    neutral = NeutralPoint(**record.neutral) if record.neutral else None
    series = light_from_values(record.series_light["light"]) if record.series_light else None
    reader = None if record.reader is None else np.array(record.reader)
    return LightSource(neutral, series, reader, card)


def _outline(
    record: PhotoRecord, photo: Photo, folder: Folder, cut_out: CutOut, stage: Callable[[str], None]
) -> Outline:
    """The outline found before, or searched for now, with the strokes of the stylist on top."""
    try:
        mask = _found_before(record, folder, photo.srgb)
        kept = (record.reading or {}).get("garment", {})
        method = str(kept.get("method", "kept")).removesuffix(", mended by hand")
        found = Outline(mask, float(kept.get("confidence", 0.5)), method)
    except NotThere:
        stage("finding the garment")
        found = _searched(record, photo, folder, cut_out)
    return mend_outline(photo.srgb, found, _strokes(record.strokes))


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
        if not any(stroke["cloth"] or stroke.get("box") for stroke in record.strokes):
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
    if reading.measurement.threads is not None:
        colours = [whole or colours[0]]
    for k, window in enumerate(colours):
        folder.keep_picture(id, f"colour-{k}.jpg", _swatch(daylight, window))


def _swatch(srgb: ByteArray, window: Window, side: int = SWATCH_SIDE) -> bytes:
    cut = window.cut(srgb)
    width = min(side, max(cut.shape[1] * 2, 48))
    return jpeg(resized(cut, width, round(width * cut.shape[0] / cut.shape[1])))


def problem_values(problem: Problem) -> dict[str, str]:
    """The three parts of a problem."""
    return {"what": problem.what, "where": problem.where, "do": problem.do}


def relight(session: Session, id: str, neutral: NeutralPoint | None) -> PhotoRecord:
    """Marks the tapped neutral of a photo, or none, and lets it be read again."""
    values = None if neutral is None else _neutral_values(neutral)
    return read_again(session, id, neutral=values, reader=None, series_light=None)


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
    kept = {"from": id, "light": one.light}
    return [read_again(session, photo.id, series_light=kept) for photo in taking if photo.state is not PhotoState.HUNG]


def _neutral_values(neutral: NeutralPoint) -> dict[str, float | None]:
    return {"x": neutral.x, "y": neutral.y, "lightness": neutral.lightness}


def add_stroke(sessions: Sessions, folder: Folder, id: str, stroke: Stroke) -> PhotoRecord:
    """Adds a stroke, answers with the mended outline at once, and lets the photo be read again inside it.

    Refused, and the stroke dropped, when nothing of the garment would be left."""
    drawn = {"cloth": stroke.cloth, "points": [list(p) for p in stroke.points], "width": stroke.width}
    drawn |= {"box": True} if stroke.box else {}
    with folder.underway.one_by_one(id):
        with sessions() as session:
            record = Photos(session).get(id)
        strokes = (*record.strokes, drawn)
        return _with_strokes(sessions, record, strokes, _mended_now(record, folder, strokes))


def _with_strokes(
    sessions: Sessions, record: PhotoRecord, strokes: tuple[dict[str, Any], ...], outline: list[Any] | None
) -> PhotoRecord:
    kept = {} if outline is None else {"outline": outline}
    with sessions.begin() as session:
        return read_again(session, record.id, strokes=list(strokes), **kept)


def _mended_now(record: PhotoRecord, folder: Folder, strokes: tuple[dict[str, Any], ...]) -> list[Any] | None:
    """The outline after some strokes, from the small picture that is shown; None before there is one."""
    if not folder.has_picture(record.id, AS_SHOT):
        return None
    shown = decode_photo(folder.picture(record.id, AS_SHOT).read_bytes(), record.name).srgb
    mask = np.zeros(shown.shape[:2], dtype=bool)
    if folder.has_picture(record.id, FOUND):
        mask = _found_before(record, folder, shown)
    mended = mend_outline(shown, Outline(mask, 0.5, "kept"), _strokes(strokes))
    return [[list(point) for point in polygon] for polygon in outline_polygons(mended.mask)]


def _strokes(kept: Iterable[dict[str, Any]]) -> tuple[Stroke, ...]:
    return tuple(Stroke(s["cloth"], tuple(map(tuple, s["points"])), s["width"], s.get("box", False)) for s in kept)


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
    photos.change(id, state=turn[state])
    return photos.get(id)


def remove_photo(session: Session, folder: Folder, id: str) -> None:
    """Removes a photo that is not hung, with its pictures."""
    photo = Photos(session).get(id)
    if any(hung.photo_id == id for hung in Pieces(session).of_client(photo.client_id)):
        raise Refused("the photo is hung.", "intake", "Take the piece off the rail first.")
    Photos(session).remove(id)
    Going(session, folder).photo(photo.file)
    Going(session, folder).pictures(id)
