"""Skin, hair and eyes of a client: from portraits, with the colour reader, or set by eye."""

from dataclasses import replace
from datetime import UTC, datetime
from uuid import uuid4

import numpy as np
from sqlalchemy.orm import Session

from lucid_swatch.core.client.face import Placed, place_spots
from lucid_swatch.core.client.portrait import IRIS_RADIUS, SPOT_RADIUS, Spot, read_spots
from lucid_swatch.core.client.reading import READ_BY_READER, SET_BY_EYE, Veil, spot_doubts
from lucid_swatch.core.client.skin_seen import as_an_eye_sees
from lucid_swatch.core.client.whole import PARTS
from lucid_swatch.core.colour.arrays import BoolArray, ByteArray, FloatArray
from lucid_swatch.core.colour.spaces import decode_srgb, rgb_linear_to_lab
from lucid_swatch.core.photo.light import Light, relit
from lucid_swatch.core.photo.neutral import NeutralPoint
from lucid_swatch.core.problems import Refused
from lucid_swatch.files.photo import decode_photo
from lucid_swatch.files.pictures import jpeg, thumbnail, to_bytes_srgb, webp_inside
from lucid_swatch.files.strip import strip_metadata
from lucid_swatch.formats.light import light_from_values, light_values
from lucid_swatch.outside.cut_out import CutOut
from lucid_swatch.outside.faces import FaceFinder
from lucid_swatch.outside.reader import ColourReader
from lucid_swatch.store.clients import Clients
from lucid_swatch.store.faces import Faces
from lucid_swatch.store.folder import Folder
from lucid_swatch.store.records import FaceRecord, FaceSource

from .clients import check_consent
from .person_light import light_on_person
from .reader import READINGS

PORTRAIT, FACE, PERSON, ORIGINAL = "portrait.jpg", "face.jpg", "person.webp", "as-sent"
RADIUS = {"skin": SPOT_RADIUS, "hair": SPOT_RADIUS, "eyes": IRIS_RADIUS}
PORTRAIT_SIDE = 1024
"""Long side at which a portrait is read: an iris is small."""


def add_portrait(
    session: Session, folder: Folder, cut_out: CutOut, finder: FaceFinder, client_id: str, content: bytes, name: str
) -> FaceRecord:
    """Keeps a portrait without its metadata, finds the face and reads it.

    Refused when it is no photo or the client has withdrawn consent."""
    check_consent(Clients(session).get(client_id))
    stripped, _ = strip_metadata(content, name)
    photo = decode_photo(stripped, name, PORTRAIT_SIDE)
    face = FaceRecord(uuid4().hex, client_id, FaceSource.PORTRAIT, datetime.now(UTC), name=name[:200])
    light, person = light_on_person(session, photo, cut_out, None)
    daylight = relit(photo.rgb_linear, light)
    placed = place_spots(rgb_linear_to_lab(daylight), finder(photo.srgb), person)
    folder.keep_picture(face.id, ORIGINAL, stripped)
    face = _read(folder, face, daylight, person, light, _spots_of(placed), placed.note)
    Faces(session).add(face)
    return face


def _spots_of(placed: Placed) -> dict[str, tuple[Spot, ...]]:
    return {"skin": placed.skin, "hair": placed.hair, "eyes": placed.eyes}


def read_again(
    session: Session, folder: Folder, cut_out: CutOut, id: str, spots: dict[str, tuple[Spot, ...]],
    neutral: NeutralPoint | None, veils: frozenset[Veil],
) -> FaceRecord:  # fmt: skip
    """Reads a kept portrait at the stylist's spots, in the light of what she tapped, through the veils she named."""
    face = _portrait(session, id)
    photo = decode_photo(folder.picture(id, ORIGINAL).read_bytes(), face.name or "portrait", PORTRAIT_SIDE)
    values = None if neutral is None else {"x": neutral.x, "y": neutral.y, "lightness": neutral.lightness}
    light, person = light_on_person(session, photo, cut_out, neutral)
    daylight = relit(photo.rgb_linear, light)
    face = replace(face, neutral=values, veils=tuple(sorted(v.value for v in veils)))
    read = _read(folder, face, daylight, person, light, spots, "")
    return _write(session, read)


def change_veils(session: Session, id: str, veils: frozenset[Veil]) -> FaceRecord:
    """Says what stands between the eye and the client's own colours; the colours stay, their doubt changes."""
    face = _portrait(session, id)
    parts: dict[str, FloatArray | None] = {part: np.array(lab) for part, lab in face.colours.items()}
    light = None if face.light is None else light_from_values(face.light)
    doubts = spot_doubts(parts, light, veils)
    return Faces(session).change(id, veils=tuple(sorted(v.value for v in veils)), doubts=_rounded(doubts))


def count_in(session: Session, id: str, in_use: bool) -> FaceRecord:
    """Lets a face count for the client's colouring, or not."""
    return Faces(session).change(id, in_use=in_use)


def live_spot(session: Session, folder: Folder, id: str, part: str, x: float, y: float) -> FloatArray:
    """What a spot of the relit portrait reads right now. (3,), CIELAB."""
    values = _portrait(session, id).light
    shown = decode_photo(folder.picture(id, PORTRAIT).read_bytes(), "portrait", PORTRAIT_SIDE)
    light = None if values is None else light_from_values(values)
    return _read_part(part, decode_srgb(shown.srgb / 255.0), ((x, y),), light)


def _read_part(part: str, daylight: FloatArray, spots: tuple[Spot, ...], light: Light | None) -> FloatArray:
    read = read_spots(daylight, spots, RADIUS[part])
    return as_an_eye_sees(read, light) if part == "skin" and light is not None else read


def set_by_eye(session: Session, client_id: str, part: str, lab: tuple[float, float, float]) -> FaceRecord:
    """A colour that the stylist sets by eye."""
    return _single(session, client_id, FaceSource.EYE, part, np.array(lab), SET_BY_EYE)


def read_with_reader(session: Session, reader: ColourReader, client_id: str, part: str) -> FaceRecord:
    """A colour of the face read with the handheld reader. Refused when no reader answers."""
    lab = np.median([reader.read() for _ in range(READINGS)], axis=0)
    return _single(session, client_id, FaceSource.READER, part, lab, READ_BY_READER)


def _single(
    session: Session, client_id: str, source: FaceSource, part: str, lab: FloatArray, doubt: float
) -> FaceRecord:
    """One colour from one source, in the place of what the same source said of it before."""
    client = Clients(session).get(client_id)
    faces = Faces(session)
    kept = next((f for f in client.faces if f.source is source), None)
    if kept is None:
        kept = FaceRecord(uuid4().hex, client_id, source, datetime.now(UTC))
        faces.add(kept)
    colours = kept.colours | {part: [round(float(v), 2) for v in lab]}
    return faces.change(kept.id, colours=colours, doubts=kept.doubts | {part: doubt})


def remove_face(session: Session, folder: Folder, id: str) -> None:
    """Removes a portrait or a reading with its pictures."""
    Faces(session).remove(id)
    folder.remove_pictures(id)


def _portrait(session: Session, id: str) -> FaceRecord:
    face = Faces(session).get(id)
    if face.source is not FaceSource.PORTRAIT:
        raise Refused("this is no portrait.", face.source.value, "Choose a portrait.")
    return face


def _read(
    folder: Folder, face: FaceRecord, daylight: FloatArray, person: BoolArray, light: Light,
    spots: dict[str, tuple[Spot, ...]], note: str,
) -> FaceRecord:  # fmt: skip
    """Reads a face at some spots and keeps its pictures."""
    read: dict[str, FloatArray | None] = {
        part: _read_part(part, daylight, spots[part], light) if spots[part] else None for part in PARTS
    }
    doubts = spot_doubts(read, light, frozenset(Veil(v) for v in face.veils))
    shown = to_bytes_srgb(daylight)
    folder.keep_picture(face.id, PORTRAIT, jpeg(shown))
    folder.keep_picture(face.id, FACE, jpeg(thumbnail(_around(shown, [s for part in PARTS for s in spots[part]]), 320)))
    folder.keep_picture(face.id, PERSON, webp_inside(shown, person))
    return replace(
        face, spots={part: [list(s) for s in spots[part]] for part in PARTS}, light=light_values(light), note=note,
        colours={p: [round(float(v), 2) for v in lab] for p, lab in read.items() if lab is not None},
        doubts=_rounded(doubts), reading_number=face.reading_number + 1,
    )  # fmt: skip


def _write(session: Session, face: FaceRecord) -> FaceRecord:
    names = ("spots", "neutral", "veils", "light", "note", "colours", "doubts", "reading_number")
    return Faces(session).change(face.id, **{name: getattr(face, name) for name in names})


def _rounded(doubts: dict[str, float]) -> dict[str, float]:
    return {part: round(doubt, 2) for part, doubt in doubts.items()}


def _around(srgb: ByteArray, spots: list[Spot]) -> ByteArray:
    """A square round the spots, the face and its hair; the middle of the upper part where there are none."""
    rows, columns = srgb.shape[:2]
    spots = spots or [(0.3, 0.15), (0.7, 0.6)]
    xs, ys = np.array([s[0] for s in spots]) * columns, np.array([s[1] for s in spots]) * rows
    side = int(min(max(float(np.ptp(xs)), float(np.ptp(ys)), 0.2 * columns) * 1.9, rows, columns))
    left = int(np.clip((xs.min() + xs.max() - side) / 2, 0, columns - side))
    top = int(np.clip((ys.min() + ys.max()) / 2 - side * 0.52, 0, rows - side))
    return srgb[top : top + side, left : left + side]
