"""Pieces are hung on a rail, corrected, and taken off again; every step can be taken back."""

from dataclasses import dataclass, fields, replace
from datetime import UTC, datetime
from functools import lru_cache
from uuid import uuid4

import numpy as np
from sqlalchemy.orm import Session

from lucid_swatch.core.client.suits import in_range
from lucid_swatch.core.garment.known import NO_WAYS, Ways, as_known
from lucid_swatch.core.garment.piece import Piece
from lucid_swatch.core.garment.reading import Reading
from lucid_swatch.core.garment.school import School
from lucid_swatch.core.garment.sorting import Sorted, read_pieces, with_words
from lucid_swatch.core.garment.vocabulary import Category
from lucid_swatch.core.garment.word import WORDS, Word, with_word
from lucid_swatch.core.problems import Refused
from lucid_swatch.formats.particulars import ParticularsDocument
from lucid_swatch.store.clients import Clients
from lucid_swatch.store.photos import Photos
from lucid_swatch.store.pieces import Pieces
from lucid_swatch.store.records import ClientRecord, HungPiece, PhotoRecord, PhotoState

from .changes import recorded
from .for_sale import check_not_for_sale
from .seen import seen_in
from .ways import studio_ways

MOST_PIECES = 5000
"""Pieces on one rail; ten times a large wardrobe."""
DOUBTFUL_BELOW = 0.6
"""Confidence of a sort below which the piece is asked about."""


@dataclass(frozen=True, slots=True)
class OnRail:
    """A piece with where it hangs."""

    hung: HungPiece
    known: Piece
    """With what is seen and proposed where the stylist says nothing."""
    sorted: Sorted
    read: Sorted
    """Where its colours alone would hang it."""
    doubtful: bool
    fit: float | None = None
    """How well it suits the client, against the best colour, 0..1; None while nothing is known of the undertone."""
    suits: bool | None = None
    """Whether it is in the client's range."""


def hang_photo(session: Session, photo_id: str, word: Word, at: datetime | None = None) -> HungPiece:
    """Hangs what was read from a photo, with the stylist's word over the reading. at: when; left out, now.

    Refused when the photo was not read, is hung already, or nobody has said what the piece is."""
    photos = Photos(session)
    photo = photos.get(photo_id)
    if photo.state not in (PhotoState.READ, PhotoState.NOT_NOW) or photo.reading is None:
        raise Refused(f"the photo is {photo.state.value}.", photo.name, "Only a photo that was read can be hung.")
    if word.category is None:
        raise Refused("nobody has said what it is.", photo.name, "Choose coat, trousers, shoes or whatever it is.")
    check_not_for_sale(session, photo)
    check_room(session, photo.client_id, 1)
    piece = with_word(piece_in_photo(uuid4().hex, photo, photo.reading, word.category), word)
    hung = HungPiece(piece, photo.client_id, at or datetime.now(UTC), photo_id, reading_number=photo.reading_number)
    with recorded(session, photo.client_id, f"hung {hung.piece.in_a_sentence}", at) as change:
        change.touches("piece", piece.id)
        change.touches("photo", photo_id)
        Pieces(session).add(hung)
        photos.change(photo_id, lambda read: replace(read, state=PhotoState.HUNG))
    return hung


def piece_in_photo(id: str, photo: PhotoRecord, reading: Reading, category: Category) -> Piece:
    """A piece as its photo tells it: its colours, its cloth and its cut."""
    return replace(piece_from_reading(id, reading, category), seen=seen_in(photo, category))


def check_room(session: Session, client_id: str, coming: int) -> None:
    """Refused when a rail would become longer than one can be."""
    there = Pieces(session).count(client_id)
    if there + coming > MOST_PIECES:
        what = f"a rail holds up to {MOST_PIECES:,} pieces, and this one would have {there + coming:,}."
        raise Refused(what, "rail", "Take off what is let go, or make a second rail.")


def piece_from_reading(id: str, reading: Reading, category: Category) -> Piece:
    """A piece as it was read."""
    named = f"{reading.name} {category.value.replace('-', ' ')}"
    colours = sorted(reading.colours, key=lambda one: (-one.share, one.lab))
    share = np.array([one.share for one in colours])
    return Piece(
        id,
        category,
        np.array([one.lab for one in colours]),
        share if abs(share.sum() - 1) <= 1e-9 else share / share.sum(),
        named[:1].upper() + named[1:],
        tuple(one.part for one in colours),
        np.array([one.uncertainty for one in colours]),
        reading.pattern,
        reading.pattern_confidence,
        reading.scale,
    )


def change_piece(session: Session, id: str, word: Word) -> HungPiece:
    """Writes the stylist's word over a hung piece."""
    return change_pieces(session, Pieces(session).get(id).client_id, [id], word)[0]


def change_pieces(
    session: Session, client_id: str, ids: list[str], word: Word, said: ParticularsDocument | None = None
) -> list[HungPiece]:
    """Writes the stylist's word over some pieces of one rail, and what is kept about them; one change to take back.

    said: the particulars that change. Refused without a piece, or when one is on another rail."""
    pieces = Pieces(session)
    before = [on_the_rail(session, client_id, id) for id in dict.fromkeys(ids)]
    if not before:
        raise Refused("no piece was named.", "rail", "Choose a piece first.")
    with recorded(session, client_id, _told([one.piece for one in before], word, said)) as change:
        change.touches("piece", *(one.piece.id for one in before))
        after = [_seen_anew(session, one, replace(one, piece=with_word(one.piece, word))) for one in before]
        if said is not None:
            after = [replace(one, particulars=said.over(one.particulars)) for one in after]
        for one in after:
            pieces.change(one)
    return after


def _seen_anew(session: Session, before: HungPiece, after: HungPiece) -> HungPiece:
    """What its photo tells of a piece depends on what it is."""
    if after.piece.category is before.piece.category or after.photo_id is None:
        return after
    seen = seen_in(Photos(session).get(after.photo_id), after.piece.category)
    return replace(after, piece=replace(after.piece, seen=seen))


def on_the_rail(session: Session, client_id: str, id: str) -> HungPiece:
    """One piece of a client's rail. Refused when it hangs on another one."""
    hung = Pieces(session).get(id)
    if hung.client_id != client_id:
        raise Refused("this piece hangs on another client's rail.", hung.piece.called, "Load the page again.")
    return hung


def _told(pieces: list[Piece], word: Word, particulars: ParticularsDocument | None) -> str:
    """A change in words."""
    names = named(pieces)
    if word.bin == "as read":
        return f"{names}: hung as read"
    if word.bin is not None:
        return f"{names}: hung with the {word.bin.value}s"
    said = [name for name in WORDS if getattr(word, name) is not None]
    if word.details is not None:
        said += [f.name for f in fields(word.details) if getattr(word.details, f.name) is not None]
    said += [f"{name} as read" for name in word.unsaid]
    if particulars is not None:
        said += [name for name in ParticularsDocument.model_fields if name in particulars.model_fields_set]
    return f"{names}: " + ", ".join(one.replace("_", " ") for one in said)


def named(pieces: list[Piece]) -> str:
    """Some pieces in a sentence: the first by name, the others by number."""
    rest = len(pieces) - 1
    return pieces[0].in_a_sentence + (f" and {rest} more" if rest else "")


def take_off(session: Session, id: str) -> None:
    """Takes a piece off the rail; its photo waits in the intake again. Refused while a kept look uses it."""
    take_off_all(session, Pieces(session).get(id).client_id, [id])


def take_off_all(session: Session, client_id: str, ids: list[str]) -> None:
    """Takes pieces off the rail; their photos wait in the intake again. Refused while a kept look uses one."""
    hung = [on_the_rail(session, client_id, id) for id in dict.fromkeys(ids)]
    if not hung:
        raise Refused("no piece was named.", "rail", "Choose a piece first.")
    with recorded(session, client_id, f"took {named([one.piece for one in hung])} off the rail") as change:
        for one in hung:
            if one.particulars.other_face is not None:
                change.touches("piece", one.particulars.other_face)
                part_faces(session, one)
            change.touches("piece", one.piece.id)
            if one.photo_id is not None:
                change.touches("photo", one.photo_id)
                Photos(session).change(one.photo_id, lambda hung: replace(hung, state=PhotoState.READ))
            Pieces(session).remove(one.piece.id)


def part_faces(session: Session, hung: HungPiece) -> None:
    """The other face of a reversible piece no longer points back at it."""
    rail = Pieces(session).of_client(hung.client_id)
    other = next((one for one in rail if one.particulars.other_face == hung.piece.id), None)
    if other is not None:
        Pieces(session).change(_faced(other, None))


def _faced(hung: HungPiece, other: str | None) -> HungPiece:
    return replace(hung, particulars=replace(hung.particulars, other_face=other))


def join_faces(session: Session, client_id: str, id: str, other: str) -> None:
    """Says that two pieces are the two faces of one reversible piece. Refused for one piece alone."""
    if id == other:
        raise Refused("a piece has two faces only with another one.", "rail", "Choose two pieces.")
    both = [on_the_rail(session, client_id, one) for one in (id, other)]
    if any(one.particulars.other_face is not None for one in both):
        raise Refused("one of them has another face already.", named([one.piece for one in both]), "Part them first.")
    with recorded(session, client_id, f"{named([both[0].piece])}: two faces of one piece") as change:
        change.touches("piece", id, other)
        for one, face in ((both[0], other), (both[1], id)):
            Pieces(session).change(_faced(one, face))


def the_rail(session: Session, client_id: str) -> list[OnRail]:
    """A client's pieces with where each hangs by the school in force, and how well it suits the client."""
    client = Clients(session).get(client_id)
    return hanging(client, Pieces(session).of_client(client_id), studio_ways(session))


def hanging(client: ClientRecord, hung: list[HungPiece], ways: Ways) -> list[OnRail]:
    """Some pieces with where each hangs for a client, and how well it suits. ways: of the studio."""
    on_rail = sorted_pieces(hung, client.conventions.school, ways)
    counts = client.whole.counts
    if counts is None or not counts.undertone.known:
        return on_rail
    fits = in_range([(one.piece.lab, one.piece.share) for one in hung], counts)
    return [replace(one, fit=fit, suits=inside) for one, (fit, inside) in zip(on_rail, fits, strict=True)]


def sorted_pieces(hung: list[HungPiece], school: School, ways: Ways = NO_WAYS) -> list[OnRail]:
    """Where some pieces hang; the stylist's word wins and is never doubtful."""
    pieces = [as_known(one.piece, ways) for one in hung]
    reads = _reads(_Rail(pieces), school)
    return [
        OnRail(one, known, said, read, said.confidence < DOUBTFUL_BELOW)
        for one, known, said, read in zip(hung, pieces, with_words(pieces, list(reads)), reads, strict=True)
    ]


class _Rail:
    """Some pieces as a key: equal when everything is equal that decides where their colours hang."""

    def __init__(self, pieces: list[Piece]) -> None:
        self.pieces = pieces
        self.key = tuple(
            (
                p.lab.tobytes(),
                p.share.tobytes(),
                b"" if p.uncertainty is None else p.uncertainty.tobytes(),
                p.pattern,
                p.pattern_confidence,
                p.finish,
                p.metal,
            )
            for p in pieces
        )

    def __eq__(self, other: object) -> bool:
        return isinstance(other, _Rail) and self.key == other.key

    def __hash__(self) -> int:
        return hash(self.key)


@lru_cache(maxsize=32)
def _reads(rail: _Rail, school: School) -> tuple[Sorted, ...]:
    """Where colours hang, remembered: the same rail is asked about by several screens at once."""
    return tuple(read_pieces(rail.pieces, school))
