"""Photos that show the same, and pieces on the rail that are of nearly the same colour."""

from dataclasses import dataclass, replace
from enum import StrEnum

import numpy as np
from sqlalchemy.orm import Session

from lucid_swatch.core.colour.difference import pairwise_delta_e_2000
from lucid_swatch.core.garment.kin import Neighbour
from lucid_swatch.core.garment.kin import neighbours as beside
from lucid_swatch.core.garment.reading import Reading
from lucid_swatch.core.garment.shape import SAME_SHAPE, overlaps
from lucid_swatch.core.garment.sorting import read_pieces, sort_pieces
from lucid_swatch.core.garment.vocabulary import Category
from lucid_swatch.core.photo.likeness import SAME_PICTURE, PhotoMarks
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


@dataclass(frozen=True, slots=True, eq=False)
class _Known:
    """A photo that was read, with what tells whether another shows the same."""

    photo: PhotoRecord
    marks: PhotoMarks
    reading: Reading


def alike(photos: list[PhotoRecord]) -> dict[str, Alike]:
    """For each photo that is still to be gone through, an earlier one that shows the same, by its id.

    What the stylist has said to be something else is not asked again."""
    known = [_Known(p, p.likeness, p.reading) for p in photos if p.likeness is not None and p.reading is not None]
    open_ones = [k for k, one in enumerate(known) if one.photo.state in (PhotoState.READ, PhotoState.NOT_NOW)]
    if not open_ones or len(known) < 2:
        return {}
    bits = np.array([int(one.marks.picture, 16) for one in known], dtype=np.uint64)
    apart = np.bitwise_count(bits[open_ones][:, None] ^ bits[None, :])
    colours = np.array([one.reading.main for one in known])
    difference = pairwise_delta_e_2000(colours[open_ones], colours)
    found = {}
    for row, k in enumerate(open_ones):
        one = known[k]
        # the list is in the order of time: only what came before is asked about, so that each pair is asked once
        for other in range(k):
            if known[other].photo.id in one.photo.not_same:
                continue
            if apart[row, other] <= SAME_PICTURE and difference[row, other] < 2 * SAME_COLOUR:
                found[one.photo.id] = Alike(known[other].photo, Likeness.PHOTO)
                break
            if difference[row, other] < SAME_COLOUR and _same_piece(one, known[other]):
                found.setdefault(one.photo.id, Alike(known[other].photo, Likeness.GARMENT))
    return found


def _same_piece(one: _Known, other: _Known) -> bool:
    if one.reading.pattern is not other.reading.pattern or len(one.reading.colours) != len(other.reading.colours):
        return False
    return float(overlaps([one.marks.shape], [other.marks.shape])[0, 0]) >= SAME_SHAPE


def not_the_same(session: Session, id: str, other: str) -> PhotoRecord:
    """Keeps that two photos show different pieces, so that it is not asked again."""
    photos = Photos(session)
    if other == id:
        raise Refused("a photo cannot differ from itself.", "intake", "Choose the other photo.")
    photos.get(other)
    return photos.change(id, lambda photo: replace(photo, not_same=tuple(dict.fromkeys([*photo.not_same, other]))))


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
