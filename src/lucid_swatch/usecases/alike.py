"""Photos that show the same, and pieces on the rail that are of nearly the same colour."""

from dataclasses import dataclass
from enum import StrEnum

import numpy as np
from sqlalchemy.orm import Session

from lucid_swatch.core.colour.arrays import FloatArray
from lucid_swatch.core.colour.difference import pairwise_delta_e_2000
from lucid_swatch.core.garment.shape import SAME_SHAPE, overlap
from lucid_swatch.core.photo.likeness import SAME_PICTURE
from lucid_swatch.core.problems import Refused
from lucid_swatch.store.photos import Photos
from lucid_swatch.store.pieces import Pieces
from lucid_swatch.store.records import HungPiece, PhotoRecord, PhotoState

SAME_COLOUR = 5.0
"""CIEDE2000 between two readings of one garment in different photos, at most."""
MATCH, RELATED = 3.0, 8.0
"""CIEDE2000 up to which two colours pass for one, and up to which they are near without being one."""
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


@dataclass(frozen=True, slots=True)
class Neighbour:
    """A piece on the rail with how far its main colour is from that of a photo."""

    hung: HungPiece
    difference: float
    """CIEDE2000 between the two readings."""
    within: float
    """CIEDE2000 that the two readings leave open together."""

    @property
    def word(self) -> str:
        """Whether they match, are related or differ, as far as the readings can tell."""
        if self.difference <= MATCH:
            return "matches"
        if self.difference <= min(self.within, RELATED):
            return "may be the same"
        return "related" if self.difference <= RELATED else "differs"


def neighbours(session: Session, photo_id: str) -> list[Neighbour]:
    """The pieces on the rail whose main colour is nearest to that of a photo, nearest first. Refused before it is read."""
    photo = Photos(session).get(photo_id)
    if photo.reading is None:
        raise Refused("the photo was not read yet.", photo.name, "Wait until it is read.")
    hung = [one for one in Pieces(session).of_client(photo.client_id) if one.photo_id != photo_id]
    if not hung:
        return []
    away = pairwise_delta_e_2000(_main(photo)[None], np.array([one.piece.lab[0] for one in hung]))[0]
    own = float(photo.reading["colours"][0]["uncertainty"])
    answers = []
    for k in np.argsort(away)[:NEIGHBOURS]:
        doubt = hung[k].piece.uncertainty
        other = 3.0 if doubt is None else float(doubt[0])
        answers.append(Neighbour(hung[k], float(away[k]), float(np.hypot(own, other))))
    return answers
