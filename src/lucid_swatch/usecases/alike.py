"""Photos that show the same, and pieces on the rail that are of nearly the same colour."""

from dataclasses import dataclass
from enum import StrEnum

import numpy as np
from sqlalchemy.orm import Session

from lucid_swatch.core.colour.arrays import FloatArray
from lucid_swatch.core.colour.difference import pairwise_delta_e_2000
from lucid_swatch.core.garment.kin import Neighbour
from lucid_swatch.core.garment.kin import neighbours as beside
from lucid_swatch.core.garment.shape import SAME_SHAPE, overlap
from lucid_swatch.core.garment.sorting import read_pieces, sort_pieces
from lucid_swatch.core.garment.vocabulary import Category
from lucid_swatch.core.photo.likeness import SAME_PICTURE
from lucid_swatch.core.problems import Refused
from lucid_swatch.store.clients import Clients
from lucid_swatch.store.photos import Photos
from lucid_swatch.store.pieces import Pieces
from lucid_swatch.store.records import PhotoRecord, PhotoState

from .rail import piece_from_reading

SAME_COLOUR = 5.0
"""CIEDE2000 between two readings of one garment in different photos, at most."""
NEIGHBOURS = 4


class Likeness(StrEnum):
    """In what two photos are alike."""

    PHOTO = "same photo"
    GARMENT = "same garment"


@dataclass(frozen=True, slots=True)
class Alike:
    """Another photo that shows the same."""

    photo: PhotoRecord
    kind: Likeness


def alike(photos: list[PhotoRecord]) -> dict[str, Alike]:
    """For each photo that is still to be gone through, an earlier one that shows the same, by its id.

    What the stylist has said to be something else is not asked again."""
    known = [p for p in photos if p.likeness and p.reading]
    open_ones = [k for k, p in enumerate(known) if p.state in (PhotoState.READ, PhotoState.NOT_NOW)]
    if not open_ones or len(known) < 2:
        return {}
    bits = np.array([int(p.likeness["picture"], 16) for p in known if p.likeness], dtype=np.uint64)
    apart = np.bitwise_count(bits[open_ones][:, None] ^ bits[None, :])
    colours = np.array([_main(p) for p in known])
    difference = pairwise_delta_e_2000(colours[open_ones], colours)
    found = {}
    for row, k in enumerate(open_ones):
        one = known[k]
        # the list is in the order of time: only what came before is asked about, so that each pair is asked once
        for other in range(k):
            if known[other].id in one.not_same:
                continue
            if apart[row, other] <= SAME_PICTURE and difference[row, other] < 2 * SAME_COLOUR:
                found[one.id] = Alike(known[other], Likeness.PHOTO)
                break
            if difference[row, other] < SAME_COLOUR and _same_piece(one, known[other]):
                found.setdefault(one.id, Alike(known[other], Likeness.GARMENT))
    return found


def _main(photo: PhotoRecord) -> FloatArray:
    return np.array((photo.reading or {})["colours"][0]["lab"], dtype=float)


def _same_piece(one: PhotoRecord, other: PhotoRecord) -> bool:
    first, second = one.reading or {}, other.reading or {}
    if first["pattern"]["type"] != second["pattern"]["type"] or len(first["colours"]) != len(second["colours"]):
        return False
    return overlap((one.likeness or {})["shape"], (other.likeness or {})["shape"]) >= SAME_SHAPE


def not_the_same(session: Session, id: str, other: str) -> PhotoRecord:
    """Keeps that two photos show different pieces, so that it is not asked again."""
    photos = Photos(session)
    kept = photos.get(id).not_same
    if other == id:
        raise Refused("a photo cannot differ from itself.", "intake", "Choose the other photo.")
    photos.get(other)
    photos.change(id, not_same=[*dict.fromkeys([*kept, other])])
    return photos.get(id)


def neighbours(session: Session, photo_id: str) -> list[Neighbour]:
    """The pieces on the rail whose main colour is nearest to that of a photo, nearest first. Refused before it is read."""
    photo = Photos(session).get(photo_id)
    if photo.reading is None:
        raise Refused("the photo was not read yet.", photo.name, "Wait until it is read.")
    pieces = [one.piece for one in Pieces(session).of_client(photo.client_id) if one.photo_id != photo_id]
    school = Clients(session).get(photo.client_id).conventions.school
    # what it is does not matter here, only its colour
    read = piece_from_reading(photo.id, photo.reading, Category.TOP)
    return beside(read, read_pieces([read], school)[0], pieces, sort_pieces(pieces, school))[:NEIGHBOURS]
