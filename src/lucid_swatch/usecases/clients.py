"""The clients' book: add, change, erase; read a portrait."""

from dataclasses import dataclass, replace
from datetime import UTC, date, datetime
from uuid import uuid4

import numpy as np
from sqlalchemy.orm import Session

from lucid_swatch.core.client.colouring import Client
from lucid_swatch.core.client.portrait import Spot, read_spots
from lucid_swatch.core.photo.light import relit
from lucid_swatch.core.photo.neutral import NeutralPoint, light_from_neutral
from lucid_swatch.core.photo.outline import find_outline
from lucid_swatch.core.photo.scene_light import estimate_light
from lucid_swatch.core.problems import Refused
from lucid_swatch.files.photo import decode_photo
from lucid_swatch.files.pictures import jpeg, thumbnail, to_bytes_srgb
from lucid_swatch.files.strip import strip_metadata
from lucid_swatch.outside.cut_out import CutOut
from lucid_swatch.store.clients import Clients
from lucid_swatch.store.folder import Folder
from lucid_swatch.store.photos import Photos
from lucid_swatch.store.records import ClientRecord

PORTRAIT = "portrait.jpg"
FACE = "face.jpg"
ORIGINAL = "as-sent"


@dataclass(frozen=True, slots=True)
class Spots:
    """Where to read a portrait, each kind at one place or more."""

    skin: tuple[Spot, ...]
    hair: tuple[Spot, ...]
    eyes: tuple[Spot, ...]


USUAL_SPOTS = Spots(
    skin=((0.42, 0.50), (0.58, 0.50), (0.5, 0.34)), hair=((0.5, 0.22), (0.42, 0.24)), eyes=((0.41, 0.43),)
)
"""Where they are in a portrait that shows head and shoulders; a stylist moves them from there."""


@dataclass(frozen=True, slots=True)
class Erased:
    """What went with a client."""

    photos: int
    files: int


def add_client(session: Session, name: str, consent_on: date | None, note: str = "") -> ClientRecord:
    """A new client. Refused without a name or without consent to photos."""
    if not name.strip():
        raise Refused("the client has no name.", "name", "Write a name or initials.")
    if consent_on is None:
        raise Refused(
            "nothing is photographed without consent.", "consent", "Ask the client, then tick that they agreed."
        )
    client = ClientRecord(uuid4().hex, name.strip(), consent_on, datetime.now(UTC), note)
    Clients(session).add(client)
    return client


def erase_client(session: Session, folder: Folder, id: str) -> Erased:
    """Removes a client with every row, photo and picture."""
    photos = Photos(session).of_client(id)
    Clients(session).erase(id)
    files = 0
    for photo in photos:
        files += folder.remove_photo(photo.file, photo.id)
    files += folder.remove_pictures(id)
    return Erased(len(photos), files)


def keep_portrait(session: Session, folder: Folder, id: str, content: bytes) -> None:
    """Keeps a portrait without its metadata. Refused when it is no photo."""
    Clients(session).get(id)
    stripped, _ = strip_metadata(content, "portrait")
    folder.keep_picture(id, ORIGINAL, stripped)


def read_portrait(
    session: Session, folder: Folder, cut_out: CutOut, id: str, spots: Spots, neutral: NeutralPoint | None = None
) -> ClientRecord:
    """Reads skin, hair and eyes at some spots of the kept portrait. Refused when a spot lies outside."""
    client = Clients(session).get(id)
    photo = decode_photo(folder.picture(id, ORIGINAL).read_bytes(), "portrait")
    light_rgb = photo.rgb_linear
    person = find_outline(photo.srgb, cut_out(photo.srgb)).mask
    light = light_from_neutral(light_rgb, person, neutral) if neutral else estimate_light(light_rgb, person)
    daylight = relit(light_rgb, light)
    face = Client(
        skin=read_spots(daylight, spots.skin), hair=read_spots(daylight, spots.hair),
        eyes=read_spots(daylight, spots.eyes, radius=0.005), undertone=client.colouring.undertone,
    )  # fmt: skip
    shown = to_bytes_srgb(daylight)
    folder.keep_picture(id, PORTRAIT, jpeg(shown))
    folder.keep_picture(id, FACE, jpeg(thumbnail(_around(shown, (*spots.skin, *spots.eyes, *spots.hair)), 320)))
    places = {kind: [list(spot) for spot in getattr(spots, kind)] for kind in ("skin", "hair", "eyes")}
    changed = replace(client, colouring=face, portrait=True, spots=places)
    Clients(session).change(changed)
    return changed


def _around(srgb: np.ndarray, spots: tuple[Spot, ...]) -> np.ndarray:
    """A square round the spots: the face and its hair."""
    rows, columns = srgb.shape[:2]
    xs, ys = np.array([s[0] for s in spots]) * columns, np.array([s[1] for s in spots]) * rows
    side = int(min(max(np.ptp(xs), np.ptp(ys)) * 1.9, rows, columns))
    left = int(np.clip((xs.min() + xs.max() - side) / 2, 0, columns - side))
    top = int(np.clip((ys.min() + ys.max()) / 2 - side * 0.52, 0, rows - side))
    return srgb[top : top + side, left : left + side]
