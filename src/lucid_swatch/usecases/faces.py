"""Skin, hair and eyes of a client: from portraits, with the colour reader, or set by eye."""

from dataclasses import dataclass, replace
from datetime import UTC, datetime
from functools import lru_cache
from uuid import uuid4

import numpy as np
from sqlalchemy.orm import Session

from lucid_swatch.core.client.face import Placed, place_spots
from lucid_swatch.core.client.head import can_be_cut, cut_head
from lucid_swatch.core.client.portrait import IRIS_RADIUS, SPOT_RADIUS, Spot, read_spots
from lucid_swatch.core.client.reading import READ_BY_READER, SET_BY_EYE, Veil, spot_doubts
from lucid_swatch.core.client.skin_seen import as_an_eye_sees
from lucid_swatch.core.client.whole import PARTS
from lucid_swatch.core.colour.arrays import BoolArray, ByteArray, FloatArray, Lab, rounded
from lucid_swatch.core.colour.spaces import decode_srgb, rgb_linear_to_lab
from lucid_swatch.core.photo.light import Light, relit
from lucid_swatch.core.photo.neutral import NeutralPoint
from lucid_swatch.core.problems import Refused
from lucid_swatch.files.photo import decode_photo
from lucid_swatch.files.pictures import jpeg, read_cut_out, thumbnail, to_bytes_srgb, webp_inside, webp_with
from lucid_swatch.files.strip import strip_metadata
from lucid_swatch.outside.reader import ColourReader
from lucid_swatch.store.clients import Clients
from lucid_swatch.store.database import Sessions
from lucid_swatch.store.faces import Faces
from lucid_swatch.store.folder import Folder
from lucid_swatch.store.going import Going
from lucid_swatch.store.records import FaceRecord, FaceSource

from .clients import check_consent
from .eyes import Eyes, Sight
from .person_light import light_on_person
from .reader import READINGS, Hand, measured_card

Spots = dict[str, tuple[Spot, ...]]
"""Places by part."""

PORTRAIT, FACE, PERSON, ORIGINAL = "portrait.jpg", "face.jpg", "person.webp", "as-sent"
RADIUS = {"skin": SPOT_RADIUS, "hair": SPOT_RADIUS, "eyes": IRIS_RADIUS}
HEADS = 4
"""Heads that are remembered: one is asked for with every figure, and cutting it takes a fifth of a second."""
PORTRAIT_SIDE = 1024
"""Long side at which a portrait is read: an iris is small."""


@dataclass(frozen=True, slots=True, eq=False)
class PortraitReading:
    """What was read from a portrait, and the pictures made of it."""

    stripped: bytes
    spots: Spots
    note: str
    light: Light
    colours: dict[str, Lab]
    pictures: dict[str, bytes]


def add_portrait(
    sessions: Sessions, folder: Folder, eyes: Eyes, client_id: str, content: bytes, name: str
) -> FaceRecord:
    """Keeps a portrait without its metadata, finds the face and reads it.

    Refused when it is no photo or the client has withdrawn consent."""
    with folder.underway.writing(client_id):
        with sessions() as session:
            check_consent(Clients(session).get(client_id))
            card = measured_card(session)
        reading = eyes.see(first_reading, content, name, card)
        face = FaceRecord(uuid4().hex, client_id, FaceSource.PORTRAIT, datetime.now(UTC), name=name[:200])
        try:
            folder.keep_original(face.id, client_id, ORIGINAL, reading.stripped)
            _keep_pictures(folder, face.id, reading)
            face = _as_read(face, reading)
            with sessions.begin() as session:
                check_consent(Clients(session).get(client_id))
                Faces(session).add(face)
        except BaseException:
            folder.remove_pictures(face.id)
            raise
    return face


def first_reading(sight: Sight, content: bytes, name: str, card: FloatArray | None) -> PortraitReading:
    """A sent portrait, its face found and read. card: (24, 3), CIELAB of the measured card. Refused when it is no photo."""
    stripped, _ = strip_metadata(content, name)
    photo = decode_photo(stripped, name, PORTRAIT_SIDE)
    light, person = light_on_person(card, photo, sight.cut_out)
    daylight = relit(photo.rgb_linear, light)
    placed = place_spots(rgb_linear_to_lab(daylight), sight.faces(photo.srgb), person)
    return _reading(stripped, daylight, person, light, _spots_of(placed), placed.note)


def later_reading(
    sight: Sight, content: bytes, name: str, card: FloatArray | None, spots: Spots, neutral: NeutralPoint | None
) -> PortraitReading:
    """A kept portrait read at the stylist's spots, in the light of what she tapped."""
    photo = decode_photo(content, name, PORTRAIT_SIDE)
    light, person = light_on_person(card, photo, sight.cut_out, neutral)
    return _reading(content, relit(photo.rgb_linear, light), person, light, spots, "")


def _spots_of(placed: Placed) -> Spots:
    return {"skin": placed.skin, "hair": placed.hair, "eyes": placed.eyes}


def read_again(
    sessions: Sessions,
    folder: Folder,
    eyes: Eyes,
    id: str,
    spots: Spots,
    neutral: NeutralPoint | None,
    veils: frozenset[Veil],
) -> FaceRecord:
    """Reads a kept portrait at the stylist's spots, in the light of what she tapped, through the veils she named."""
    with sessions() as session:
        face, card = _portrait(session, id), measured_card(session)
    with folder.underway.writing(face.client_id):
        content = folder.picture(id, ORIGINAL).read_bytes()
        reading = eyes.see(later_reading, content, face.name or "portrait", card, spots, neutral)
        with sessions.begin() as session:
            now = replace(_portrait(session, id), neutral=neutral, veils=tuple(sorted(veils)))
            _keep_pictures(folder, id, reading)
            read = _as_read(now, reading)
            return Faces(session).change(id, lambda before: read)


def change_veils(session: Session, id: str, veils: frozenset[Veil]) -> FaceRecord:
    """Says what stands between the eye and the client's own colours; the colours stay, their doubt changes."""
    face = _portrait(session, id)
    parts: dict[str, FloatArray | None] = {part: np.array(lab) for part, lab in face.colours.items()}
    doubts = _rounded(spot_doubts(parts, face.light, veils))
    return Faces(session).change(id, lambda now: replace(now, veils=tuple(sorted(veils)), doubts=doubts))


def count_in(session: Session, id: str, in_use: bool) -> FaceRecord:
    """Lets a face count for the client's colouring, or not."""
    return Faces(session).change(id, lambda face: replace(face, in_use=in_use))


def live_spot(session: Session, folder: Folder, id: str, part: str, x: float, y: float) -> FloatArray:
    """What a spot of the relit portrait reads right now. (3,), CIELAB."""
    light = _portrait(session, id).light
    shown = decode_photo(folder.picture(id, PORTRAIT).read_bytes(), "portrait", PORTRAIT_SIDE)
    return _read_part(part, decode_srgb(shown.srgb / 255.0), ((x, y),), light)


def head_of(session: Session, folder: Folder, id: str) -> bytes:
    """The head of a portrait, cut out for the figure, as a WebP file. Refused where no two eyes are known."""
    face = _portrait(session, id)
    if not can_be_cut(face.spots.get("eyes", ())):
        raise Refused("no head can be cut from this portrait.", "eyes", "Put a lens on each eye.")
    return _cut(folder.picture(id, PERSON).read_bytes(), face.spots["eyes"], face.colours.get("hair"))


@lru_cache(HEADS)
def _cut(person: bytes, eyes: tuple[Spot, ...], hair: Lab | None) -> bytes:
    """The head of a person who was cut out, as a WebP file."""
    srgb, opacity = read_cut_out(person)
    head = cut_head(srgb, opacity, eyes, None if hair is None else np.array(hair))
    return webp_with(head.srgb, head.opacity)


def forget_heads() -> None:
    """Lets go of every head that is remembered: of who is no longer there nothing stays."""
    _cut.cache_clear()


def _read_part(part: str, daylight: FloatArray, spots: tuple[Spot, ...], light: Light | None) -> FloatArray:
    read = read_spots(daylight, spots, RADIUS[part])
    return as_an_eye_sees(read, light) if part == "skin" and light is not None else read


def set_by_eye(session: Session, client_id: str, part: str, lab: tuple[float, float, float]) -> FaceRecord:
    """A colour that the stylist sets by eye."""
    return _single(session, client_id, FaceSource.EYE, part, np.array(lab), SET_BY_EYE)


def read_with_reader(sessions: Sessions, reader: ColourReader, hand: Hand, client_id: str, part: str) -> FaceRecord:
    """A colour of the face read with the handheld reader. Refused when no reader answers."""
    with sessions() as session:
        client = Clients(session).get(client_id)
    hand.on_face(client, part)
    lab = np.median([reader.read() for _ in range(READINGS)], axis=0)
    with sessions.begin() as session:
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
    colours, doubts = {**kept.colours, part: rounded(lab)}, {**kept.doubts, part: doubt}
    return faces.change(kept.id, lambda now: replace(now, colours=colours, doubts=doubts))


def remove_face(session: Session, folder: Folder, id: str) -> None:
    """Removes a portrait or a reading with its pictures."""
    Faces(session).remove(id)
    forget_heads()
    Going(session, folder).pictures(id)


def _portrait(session: Session, id: str) -> FaceRecord:
    face = Faces(session).get(id)
    if face.source is not FaceSource.PORTRAIT:
        raise Refused("this is no portrait.", face.source.value, "Choose a portrait.")
    return face


def _reading(
    stripped: bytes, daylight: FloatArray, person: BoolArray, light: Light, spots: Spots, note: str
) -> PortraitReading:
    """What a portrait says at some spots, with its pictures."""
    read = {part: _read_part(part, daylight, spots[part], light) for part in PARTS if spots[part]}
    shown = to_bytes_srgb(daylight)
    near = _around(shown, [s for part in PARTS for s in spots[part]])
    return PortraitReading(
        stripped,
        spots,
        note,
        light,
        {part: rounded(lab) for part, lab in read.items()},
        {PORTRAIT: jpeg(shown), FACE: jpeg(thumbnail(near, 320)), PERSON: webp_inside(shown, person)},
    )


def _keep_pictures(folder: Folder, id: str, reading: PortraitReading) -> None:
    for name, content in reading.pictures.items():
        folder.keep_picture(id, name, content)


def _as_read(face: FaceRecord, reading: PortraitReading) -> FaceRecord:
    """A face with what was read, and how sure that is through its veils."""
    parts: dict[str, FloatArray | None] = {
        p: np.array(reading.colours[p]) if p in reading.colours else None for p in PARTS
    }
    doubts = spot_doubts(parts, reading.light, frozenset(face.veils))
    return replace(
        face,
        spots={part: reading.spots[part] for part in PARTS},
        light=reading.light,
        note=reading.note,
        colours=reading.colours,
        doubts=_rounded(doubts),
        reading_number=face.reading_number + 1,
    )


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
