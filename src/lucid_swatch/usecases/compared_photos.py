"""Photos of a client that were taken to compare, a moment apart, brought into one light."""

from dataclasses import dataclass, replace
from datetime import UTC, datetime
from pathlib import Path
from uuid import uuid4

import numpy as np
from sqlalchemy.orm import Session

from lucid_swatch.core.client.face import face_alone
from lucid_swatch.core.client.frame import Frame, frame_of_face, frame_of_person
from lucid_swatch.core.client.same_light import OneLight, ground_of, one_light
from lucid_swatch.core.colour.arrays import FloatArray
from lucid_swatch.core.colour.spaces import decode_srgb, rgb_linear_to_lab
from lucid_swatch.core.photo.light import relit
from lucid_swatch.core.problems import Refused
from lucid_swatch.files.photo import decode_photo
from lucid_swatch.files.pictures import jpeg, to_bytes_srgb
from lucid_swatch.files.strip import strip_metadata
from lucid_swatch.store.clients import Clients
from lucid_swatch.store.compared_photos import ComparedPhotos
from lucid_swatch.store.database import Sessions
from lucid_swatch.store.folder import Folder
from lucid_swatch.store.going import Going
from lucid_swatch.store.records import ComparedPhoto

from .clients import check_consent
from .eyes import Eyes, Sight
from .person_light import light_on_person
from .reader import measured_card

PICTURE, ORIGINAL = "relit.jpg", "as-sent"
SIDE = 1280
"""Long side at which a photo is relit and shown."""


@dataclass(frozen=True, slots=True)
class Beside:
    """Two photos side by side."""

    left: Frame
    right: Frame
    """Round the faces when both are near, round the whole figures otherwise."""
    changed: str | None
    """The id of the photo that is brought into the light of the other one."""
    light: OneLight | None
    """How; none where nothing was changed."""
    by_cards: bool
    """Whether both were corrected by a measured card, so that nothing has to be."""


def add_compared_photo(
    sessions: Sessions, folder: Folder, eyes: Eyes, client_id: str, content: bytes, name: str
) -> ComparedPhoto:
    """Keeps a photo of a client without its metadata, relights it, and sees what is behind the person.

    Refused when it is no photo or the client has withdrawn consent."""
    with folder.underway.writing(client_id):
        with sessions() as session:
            check_consent(Clients(session).get(client_id))
            card = measured_card(session)
        photo, stripped, picture = eyes.see(compared_reading, client_id, content, name, card)
        try:
            folder.keep_original(photo.id, client_id, ORIGINAL, stripped)
            folder.keep_picture(photo.id, PICTURE, picture)
            with sessions.begin() as session:
                check_consent(Clients(session).get(client_id))
                ComparedPhotos(session).add(photo)
        except BaseException:
            folder.remove_pictures(photo.id)
            raise
    return photo


def compared_reading(
    sight: Sight, client_id: str, content: bytes, name: str, card: FloatArray | None
) -> tuple[ComparedPhoto, bytes, bytes]:
    """A sent photo as it will be kept, without its metadata, and relit. card: (24, 3), CIELAB. Refused when it is none."""
    stripped, _ = strip_metadata(content, name)
    shot = decode_photo(stripped, name, SIDE)
    light, person = light_on_person(card, shot, sight.cut_out)
    daylight = relit(shot.rgb_linear, light)
    face = face_alone(rgb_linear_to_lab(daylight), sight.faces(shot.srgb))
    near = None if face is None else frame_of_face(face, person.shape)
    ground = ground_of(daylight, person)
    rows, columns = person.shape
    photo = ComparedPhoto(
        uuid4().hex,
        client_id,
        datetime.now(UTC),
        Path(name).stem[:120] or "photo",
        rows,
        columns,
        light,
        None if ground is None else tuple(tuple(row) for row in np.round(ground, 4).tolist()),
        None if near is None else _rounded(near),
        _rounded(frame_of_person(person)),
    )
    return photo, stripped, jpeg(to_bytes_srgb(daylight), 92)


def rename_compared_photo(session: Session, id: str, name: str) -> ComparedPhoto:
    """Calls a photo by what it shows. Refused when that is nothing."""
    if not name.strip():
        raise Refused("the photo has no name.", "name", "Write what it shows.")
    return ComparedPhotos(session).change(id, lambda photo: replace(photo, name=name.strip()))


def remove_compared_photo(session: Session, folder: Folder, id: str) -> None:
    """Removes a photo with its pictures; what was found with it stays."""
    ComparedPhotos(session).remove(id)
    Going(session, folder).pictures(id)


def side_by_side(session: Session, left_id: str, right_id: str) -> Beside:
    """Two photos of one client as they are best shown: at one size, in one light.

    The one whose light is known less, or else the newer one, is brought into that of the other, whichever side it is on.
    Refused when they are of two clients."""
    left, right = ComparedPhotos(session).get(left_id), ComparedPhotos(session).get(right_id)
    if left.client_id != right.client_id:
        raise Refused("these are photos of two clients.", right.name, "Choose two of the same client.")
    near = left.face is not None and right.face is not None
    frames = [photo.face if near and photo.face else photo.figure for photo in (left, right)]
    lights = {photo.id: photo.light for photo in (left, right)}
    by_cards = all(light.correction is not None for light in lights.values())
    changed, light = None, None
    if not by_cards and left.ground is not None and right.ground is not None:
        # in an order of their own, so that each picture by itself is told the same
        other, known_less = sorted((left, right), key=lambda one: (lights[one.id].uncertainty, one.created_at, one.id))
        light = one_light(np.array(known_less.ground), np.array(other.ground))
        changed = None if light is None else known_less.id
    return Beside(frames[0], frames[1], changed, light, by_cards)


def compared_picture(session: Session, folder: Folder, id: str, beside: str | None) -> bytes:
    """A JPEG of a photo relit; in the light of another one where that is given and can be done."""
    content = folder.picture(id, PICTURE).read_bytes()
    pair = None if beside is None else side_by_side(session, id, beside)
    if pair is None or pair.light is None or pair.changed != id:
        return content
    shown = decode_photo(content, "photo", SIDE)
    return jpeg(to_bytes_srgb(decode_srgb(shown.srgb / 255.0) * pair.light.gain), 92)


def _rounded(frame: Frame) -> Frame:
    return Frame(*(round(value, 1) for value in (frame.left, frame.top, frame.width, frame.height)))
