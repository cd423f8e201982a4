"""A wardrobe read again: what would change is shown before it does."""

from collections.abc import Iterable
from dataclasses import dataclass, replace

import numpy as np
from sqlalchemy.orm import Session

from lucid_swatch.core.colour.difference import delta_e_2000
from lucid_swatch.store.photos import Photos
from lucid_swatch.store.pieces import Pieces
from lucid_swatch.store.records import HungPiece, PhotoRecord, PhotoState

from .rail import piece_from_reading

WANTED, TAKEN, PICTURES = "wanted", "taken", "pictures"
"""What is asked of a proposal: to be read, to be taken over, and, for a photo that came with its piece from elsewhere,
that only its pictures are made."""
VISIBLE = 1.0
"""CIEDE2000 below which a changed colour is not worth a look."""
READ_ONCE = (PhotoState.READ, PhotoState.NOT_NOW, PhotoState.HUNG)


@dataclass(frozen=True, slots=True)
class Change:
    """What a newer reading of a photo would change."""

    photo: PhotoRecord
    label: str
    difference: float
    """CIEDE2000 between the main colours, before and after."""
    before: dict[str, object]
    after: dict[str, object]


def ask_again(session: Session, client_id: str) -> list[str]:
    """Marks every photo that was read to be read anew, beside what is kept; answers their ids."""
    photos = Photos(session)
    asked = [p for p in photos.of_client(client_id) if p.state in READ_ONCE and p.reading is not None]
    for photo in asked:
        photos.change(photo.id, proposal={"ask": WANTED})
    return [photo.id for photo in asked]


def waiting(photos: Iterable[PhotoRecord]) -> int:
    """How many photos are still being read anew."""
    return sum(1 for p in photos if p.proposal is not None and p.proposal.get("ask") in (WANTED, TAKEN))


def changes(session: Session, client_id: str) -> list[Change]:
    """What would change, the largest difference first; what would stay as it is, is left out."""
    labels = {one.photo_id: one.piece.label for one in Pieces(session).of_client(client_id)}
    found = []
    for photo in Photos(session).of_client(client_id):
        if photo.reading is None or photo.proposal is None or "reading" not in photo.proposal:
            continue
        after = photo.proposal["reading"]
        first, second = (np.array(r["colours"][0]["lab"], dtype=float) for r in (photo.reading, after))
        difference = float(delta_e_2000(first, second))
        other_words = photo.reading["sort"]["bin"] != after["sort"]["bin"]
        other_words |= photo.reading["pattern"]["type"] != after["pattern"]["type"]
        if difference >= VISIBLE or other_words:
            label = labels.get(photo.id) or photo.name
            found.append(Change(photo, label, difference, photo.reading, after))
    return sorted(found, key=lambda change: -change.difference)


def take_over(session: Session, client_id: str, ids: Iterable[str]) -> list[str]:
    """Lets the chosen newer readings replace the older ones, and drops the others; answers the chosen."""
    photos, chosen = Photos(session), set(ids)
    taken = []
    for photo in photos.of_client(client_id):
        if photo.proposal is None:
            continue
        if photo.id in chosen and "reading" in photo.proposal:
            photos.change(photo.id, proposal={"ask": TAKEN})
            taken.append(photo.id)
        else:
            photos.change(photo.id, proposal=None)
    return taken


def rehang(session: Session, photo: PhotoRecord) -> None:
    """Gives a hung piece the colours of a newer reading; the stylist's words on it stay."""
    pieces = Pieces(session)
    hung = next((one for one in pieces.of_client(photo.client_id) if one.photo_id == photo.id), None)
    if hung is None or photo.reading is None:
        return
    pieces.change(_recoloured(hung, photo.reading))


def _recoloured(hung: HungPiece, reading: dict[str, object]) -> HungPiece:
    new = piece_from_reading(hung.piece.id, reading, hung.piece.category)
    piece = replace(hung.piece, lab=new.lab, share=new.share, parts=new.parts, uncertainty=new.uncertainty)
    if piece.pattern_confidence < 1.0:
        piece = replace(piece, pattern=new.pattern, pattern_confidence=new.pattern_confidence, scale=new.scale)
    return replace(hung, piece=piece)
