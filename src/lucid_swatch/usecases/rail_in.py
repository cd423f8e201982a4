"""A rail comes in: what it would do is said first, done as one change, and can be taken back."""

from collections import Counter
from collections.abc import Callable, Mapping, Sequence
from dataclasses import dataclass, replace
from datetime import UTC, date, datetime
from uuid import uuid4

from sqlalchemy.orm import Session

from lucid_swatch.core.garment.seen import NOTHING
from lucid_swatch.core.look.wearing.tally import days_of
from lucid_swatch.core.look.wearing.wear import Wear
from lucid_swatch.core.problems import NotThere, Refused
from lucid_swatch.files.archive import Archive
from lucid_swatch.files.photo import MAX_BYTES
from lucid_swatch.formats.document import MAX_DOCUMENT_BYTES, json_content, parse
from lucid_swatch.formats.rail import RailDocument, RailPieceDocument
from lucid_swatch.formats.rail_table import read_table
from lucid_swatch.store.clients import Clients
from lucid_swatch.store.database import Sessions
from lucid_swatch.store.folder import Folder
from lucid_swatch.store.jobs import Jobs
from lucid_swatch.store.photos import Photos
from lucid_swatch.store.pieces import Pieces
from lucid_swatch.store.records import HungPiece, JobKind, PhotoRecord, PhotoState
from lucid_swatch.store.snapshots import snapshot_of
from lucid_swatch.store.wears import Wears

from .changes import recorded
from .clients import check_consent
from .eyes import Eyes
from .intake import keep_sent_photo
from .rail import check_room
from .rail_out import PHOTOS, RAIL

Photo = Callable[[str], bytes | None]
"""The bytes of a photo of the archive by its name; None where it is not there."""


@dataclass(frozen=True, slots=True)
class Sent:
    """A rail that somebody sent, and its photos."""

    file: str
    rail: RailDocument
    photo: Photo


@dataclass(frozen=True, slots=True)
class Plan:
    """What taking a rail in does, or would do."""

    added: tuple[str, ...]
    """Labels of the pieces that come."""
    changed: tuple[tuple[str, tuple[str, ...]], ...]
    """Labels of the pieces that are there and differ, with what differs."""
    same: int
    """How many are there already, just so."""
    photos: int
    """How many photos come with them."""
    dropped: tuple[str, ...]
    """What is in the file and not kept, in words."""
    to_read: tuple[str, ...] = ()
    """Ids of photos whose pictures are to be made."""


def open_rail(content: bytes, file: str) -> Sent:
    """The rail in a file: JSON, CSV or a zip with photos. Refused with what is wrong and where."""
    if content[:4] in (b"PK\x03\x04", b"PK\x05\x06"):
        archive = Archive(content, file)
        if RAIL not in archive:
            raise Refused(f"there is no {RAIL} in this archive.", file, "Send the archive that this page exports.")
        rail = parse(RailDocument, json_content(archive.read(RAIL, MAX_DOCUMENT_BYTES), f"{file}: {RAIL}"))
        _check_shared(rail, file)

        def photo(name: str) -> bytes | None:
            return archive.read(PHOTOS + name, MAX_BYTES) if PHOTOS + name in archive else None

        return Sent(file, rail, photo)
    if content.lstrip()[:1] in (b"{", b"["):
        return Sent(file, parse(RailDocument, json_content(content, file)), lambda name: None)
    return Sent(file, read_table(content, file), lambda name: None)


MOST_OF_A_PHOTO = 12
"""Pieces that one photo of an archive may show: each of them gets a copy."""


def _check_shared(rail: RailDocument, file: str) -> None:
    named = Counter(piece.photo.file for piece in rail.pieces if piece.photo is not None)
    for name, times in named.most_common(1):
        if times > MOST_OF_A_PHOTO:
            raise Refused(
                f"{times} pieces name one photo, and {MOST_OF_A_PHOTO} may.",
                f"{file}: {name[:80]}",
                "Give each piece a photo of its own.",
            )


def plan_rail(session: Session, client_id: str, sent: Sent) -> Plan:
    """What taking a rail in would do; nothing is changed."""
    Clients(session).get(client_id)
    coming = _coming(session, client_id, sent.rail)
    own = {one.piece.id: one for one in Pieces(session).of_client(client_id)}
    worn = days_of(Wears(session).lines(client_id))
    changed, added, same, photos = [], [], 0, 0
    for document, hung in coming:
        there = own.get(hung.piece.id)
        if there is None:
            added.append(hung.piece.called)
            photos += document.photo is not None and sent.photo(document.photo.file) is not None
        elif differs := _differs(there, _over(there, hung)) + _newly_worn(document, worn.get(hung.piece.id, ())):
            changed.append((there.piece.called, differs))
        else:
            same += 1
    return Plan(tuple(added), tuple(changed), same, photos, _dropped(sent))


def take_rail_in(sessions: Sessions, folder: Folder, eyes: Eyes, client_id: str, sent: Sent) -> Plan:
    """Takes a rail in as one change. Pieces that are there and not in the file stay.

    Refused when photos come and the client has withdrawn consent."""
    with folder.underway.writing(client_id):
        with sessions() as session:
            check_photos(session, client_id, plan_rail(session, client_id, sent))
            own = {one.piece.id for one in Pieces(session).of_client(client_id)}
            coming = [document for document, hung in _coming(session, client_id, sent.rail) if hung.piece.id not in own]
        photos: dict[str, PhotoRecord] = {}
        plan: Plan | None = None
        try:
            for document in coming:
                photo = _kept_photo(folder, eyes, client_id, document, sent.photo)
                if photo is not None:
                    photos[document.id] = photo
            photos = _in_their_rooms(coming, photos)
            with sessions.begin() as session:
                plan = _hung(session, client_id, sent, photos)
        finally:
            # what the transaction did not take is nobody's
            used = () if plan is None else plan.to_read
            for photo in photos.values():
                if photo.id not in used:
                    folder.remove_photo(photo.file)
    return plan


def check_photos(session: Session, client_id: str, plan: Plan) -> None:
    """Refused when photos come and the client has withdrawn consent, or the rail would become longer than one can be."""
    if plan.photos:
        check_consent(Clients(session).get(client_id))
    check_room(session, client_id, len(plan.added))


def _hung(session: Session, client_id: str, sent: Sent, photos: Mapping[str, PhotoRecord]) -> Plan:
    """Hangs what comes. photos: kept already, by the id of their piece in the file."""
    plan = plan_rail(session, client_id, sent)
    check_photos(session, client_id, plan)
    pieces, own = Pieces(session), {one.piece.id: one for one in Pieces(session).of_client(client_id)}
    worn = days_of(Wears(session).lines(client_id))
    count = len(plan.added) + len(plan.changed)
    to_read = []
    with recorded(
        session, client_id, f"took in {count} {'piece' if count == 1 else 'pieces'} from {sent.file}"
    ) as change:
        for document, hung in _coming(session, client_id, sent.rail):
            there = own.get(hung.piece.id)
            change.touches("piece", hung.piece.id)
            for day in sorted(set(document.kept.worn_on) - set(worn.get(hung.piece.id, ()))):
                wear = Wear(uuid4().hex, client_id, day, (hung.piece.id,), datetime.now(UTC))
                change.touches("wear", wear.id)
                Wears(session).add(wear)
            if there is not None:
                pieces.change(_over(there, hung))
                continue
            photo = photos.get(document.id)
            if photo is not None:
                Photos(session).add(photo)
                change.touches("photo", photo.id)
                Photos(session).change(photo.id, lambda sent: replace(sent, state=PhotoState.HUNG))
                Jobs(session).ask(client_id, JobKind.PICTURES, photo.id)
                to_read.append(photo.id)
            pieces.add(replace(hung, photo_id=None if photo is None else photo.id))
    return replace(plan, to_read=tuple(to_read))


def _coming(session: Session, client_id: str, rail: RailDocument) -> list[tuple[RailPieceDocument, HungPiece]]:
    """The pieces of a file as they would hang; one whose id belongs to another rail gets a new one."""
    pieces, now = Pieces(session), datetime.now(UTC)
    ids = {}
    for document in rail.pieces:
        try:
            elsewhere = pieces.get(document.id).client_id != client_id
        except NotThere:
            elsewhere = False
        ids[document.id] = uuid4().hex if elsewhere else document.id
    found = []
    for document in rail.pieces:
        kept = document.kept.to_core()
        kept = replace(kept, other_face=ids.get(kept.other_face or ""))
        piece = replace(document.to_core(), id=ids[document.id])
        found.append((document, HungPiece(piece, client_id, document.hung_at or now, None, kept)))
    return found


def _over(there: HungPiece, coming: HungPiece) -> HungPiece:
    """A piece that is there as the file has it, with its own photo and what that tells."""
    if coming.piece.seen == NOTHING:
        coming = replace(coming, piece=replace(coming.piece, seen=there.piece.seen))
    return replace(coming, photo_id=there.photo_id, created_at=there.created_at)


def _differs(there: HungPiece, coming: HungPiece) -> tuple[str, ...]:
    before, after = snapshot_of(there), snapshot_of(coming)
    return tuple(name.replace("_", " ") for name in before if before[name] != after[name])


def _newly_worn(document: RailPieceDocument, known: Sequence[date]) -> tuple[str, ...]:
    """What the file tells beside the piece itself: days on which it was worn that are not in the log."""
    return ("worn on",) if set(document.kept.worn_on) - set(known) else ()


def _dropped(sent: Sent) -> tuple[str, ...]:
    missing = sum(1 for p in sent.rail.pieces if p.photo is not None and sent.photo(p.photo.file) is None)
    unknown = sorted({key for piece in sent.rail.pieces for key in piece.model_extra or {}})
    told = []
    if missing:
        told.append(
            f"{missing} {'photo is' if missing == 1 else 'photos are'} not in the file; those pieces hang in flat colour"
        )
    if unknown:
        told.append(f"keys nobody here knows: {', '.join(unknown[:8])}")
    if sent.rail.model_extra:
        told.append(f"keys beside the pieces: {', '.join(sorted(sent.rail.model_extra)[:8])}")
    return tuple(told)


def _in_their_rooms(coming: list[RailPieceDocument], photos: dict[str, PhotoRecord]) -> dict[str, PhotoRecord]:
    """Photos with the word on the room that each was taken in; a room of which no photo came is forgotten."""
    by_file = {one.photo.file: photos[one.id].id for one in coming if one.photo is not None and one.id in photos}
    rooms = {one.id: by_file.get(one.photo.room or "") for one in coming if one.photo is not None}
    return {id: replace(photo, room=rooms[id]) for id, photo in photos.items()}


def _kept_photo(
    folder: Folder, eyes: Eyes, client_id: str, document: RailPieceDocument, bytes_of: Photo
) -> PhotoRecord | None:
    """Keeps the photo of a piece that comes, without metadata; its pictures are made afterwards."""
    sent = document.photo
    content = None if sent is None else bytes_of(sent.file)
    if sent is None or content is None:
        return None
    kept = keep_sent_photo(folder, eyes, client_id, content, sent.name or sent.file)
    return PhotoRecord(
        kept.id,
        client_id,
        sent.name or sent.file,
        kept.file,
        datetime.now(UTC),
        PhotoState.READ,
        neutral=None if sent.neutral is None else sent.neutral.to_core(),
        strokes=tuple(stroke.to_core() for stroke in sent.strokes),
        reading=None if sent.reading is None else sent.reading.to_core(),
        paper=sent.paper,
        taken_at=sent.taken_at,
        camera=sent.camera,
    )
