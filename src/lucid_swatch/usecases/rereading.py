"""A wardrobe read again: what would change is shown before it does."""

from collections.abc import Iterable
from dataclasses import dataclass, replace

from sqlalchemy.orm import Session

from lucid_swatch.core.colour.difference import delta_e_2000
from lucid_swatch.core.garment.reading import Reading
from lucid_swatch.store.jobs import Jobs
from lucid_swatch.store.photos import Photos
from lucid_swatch.store.pieces import Pieces
from lucid_swatch.store.records import HungPiece, JobKind, PhotoRecord, PhotoState

from .rail import piece_from_reading
from .seen import seen_in

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
    before: Reading
    after: Reading


def ask_again(session: Session, client_id: str, some: Iterable[str] | None = None) -> list[str]:
    """Asks for photos that were read to be read anew, beside what is kept; all when none are named. Answers their ids."""
    wanted = None if some is None else set(some)
    photos = Photos(session)
    busy = {job.about for job in Jobs(session).of_client(client_id) if job.kind in (JobKind.READ, JobKind.PICTURES)}
    asked = [
        photo
        for photo in photos.of_wardrobe(client_id)
        if photo.state in READ_ONCE
        and photo.reading is not None
        and photo.id not in busy
        and (wanted is None or photo.id in wanted)
    ]
    for photo in asked:
        Jobs(session).ask(client_id, JobKind.READ_AGAIN, photo.id)
        photos.change(photo.id, lambda now: replace(now, newer=None))
    return [photo.id for photo in asked]


def waiting(session: Session, client_id: str) -> int:
    """How many of a client's photos are still being read anew."""
    return len(_asked(session, client_id))


def call_off(session: Session, client_id: str) -> list[str]:
    """Stops reading a client's photos anew; what was read by now stays to be looked at. The ids of those called off."""
    called_off = _asked(session, client_id)
    Jobs(session).call_off(called_off)
    return called_off


def _asked(session: Session, client_id: str) -> list[str]:
    kinds = (JobKind.READ_AGAIN, JobKind.TAKE_OVER)
    return [job.about for job in Jobs(session).of_client(client_id) if job.kind in kinds]


def changes(session: Session, client_id: str) -> list[Change]:
    """What would change, the largest difference first; what would stay as it is, is left out."""
    labels = {one.photo_id: one.piece.label for one in Pieces(session).of_client(client_id)}
    found = []
    for photo in Photos(session).of_wardrobe(client_id):
        before, after = photo.reading, photo.newer
        if before is None or after is None:
            continue
        difference = float(delta_e_2000(before.main, after.main))
        other_words = before.bin is not after.bin or before.pattern is not after.pattern
        if difference >= VISIBLE or other_words:
            found.append(Change(photo, labels.get(photo.id) or photo.name, difference, before, after))
    return sorted(found, key=lambda change: -change.difference)


def take_over(session: Session, client_id: str, ids: Iterable[str]) -> list[str]:
    """Lets the chosen newer readings replace the older ones, and drops the others; answers the chosen."""
    photos, chosen = Photos(session), set(ids)
    Jobs(session).call_off(_asked(session, client_id))
    taken = []
    for photo in photos.of_wardrobe(client_id):
        if photo.newer is None:
            continue
        if photo.id in chosen:
            Jobs(session).ask(client_id, JobKind.TAKE_OVER, photo.id)
            taken.append(photo.id)
        photos.change(photo.id, lambda now: replace(now, newer=None))
    return taken


def rehang(session: Session, photo: PhotoRecord) -> None:
    """Gives a hung piece the colours of a newer reading; the stylist's words on it stay."""
    pieces = Pieces(session)
    hung = next((one for one in pieces.of_client(photo.client_id) if one.photo_id == photo.id), None)
    if hung is None or photo.reading is None:
        return
    pieces.change(_recoloured(hung, photo, photo.reading))


def _recoloured(hung: HungPiece, photo: PhotoRecord, reading: Reading) -> HungPiece:
    new = piece_from_reading(hung.piece.id, reading, hung.piece.category)
    piece = replace(
        hung.piece,
        lab=new.lab,
        share=new.share,
        parts=new.parts,
        uncertainty=new.uncertainty,
        seen=seen_in(photo, hung.piece.category),
    )
    if piece.pattern_confidence < 1.0:
        piece = replace(piece, pattern=new.pattern, pattern_confidence=new.pattern_confidence, scale=new.scale)
    return replace(hung, piece=piece)
