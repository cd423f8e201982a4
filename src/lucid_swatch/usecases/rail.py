"""Pieces are hung on a rail, corrected, and taken off again."""

from dataclasses import dataclass, replace
from datetime import UTC, datetime
from uuid import uuid4

from sqlalchemy.orm import Session

from lucid_swatch.core.garment.piece import Piece
from lucid_swatch.core.garment.sorting import Sorted, sort_pieces
from lucid_swatch.core.garment.vocabulary import (
    Bin,
    Category,
    Finish,
    Length,
    Metal,
    PatternType,
    Scale,
    Volume,
    Worn,
)
from lucid_swatch.core.problems import Refused
from lucid_swatch.formats.measurement import MeasurementDocument
from lucid_swatch.formats.piece import PieceDocument
from lucid_swatch.store.clients import Clients
from lucid_swatch.store.photos import Photos
from lucid_swatch.store.pieces import Pieces
from lucid_swatch.store.records import HungPiece, PhotoState

DOUBTFUL_BELOW = 0.6
"""Confidence of a sort below which the piece is asked about."""


@dataclass(frozen=True, slots=True, kw_only=True)
class Word:
    """The stylist's word on a piece; what is None stays as read."""

    category: Category | None = None
    label: str | None = None
    bin: Bin | None = None
    pattern: PatternType | None = None
    scale: Scale | None = None
    finish: tuple[Finish, ...] | None = None
    metal: Metal | None = None
    volume: Volume | None = None
    length: Length | None = None
    formality: float | None = None
    warmth: float | None = None
    statement: float | None = None
    worn: Worn | None = None


@dataclass(frozen=True, slots=True)
class OnRail:
    """A piece with where it hangs."""

    hung: HungPiece
    sorted: Sorted
    doubtful: bool


def hang_photo(session: Session, photo_id: str, word: Word) -> HungPiece:
    """Hangs what was read from a photo, with the stylist's word over the reading.

    Refused when the photo was not read, is hung already, or nobody has said what the piece is."""
    photos = Photos(session)
    photo = photos.get(photo_id)
    if photo.state not in (PhotoState.READ, PhotoState.NOT_NOW) or photo.reading is None:
        raise Refused(f"the photo is {photo.state.value}.", photo.name, "Only a photo that was read can be hung.")
    if word.category is None:
        raise Refused("nobody has said what it is.", photo.name, "Choose coat, trousers, shoes or whatever it is.")
    piece = piece_from_reading(uuid4().hex, photo.reading, word.category)
    hung = _with_word(HungPiece(piece, photo.client_id, datetime.now(UTC), photo_id), word)
    Pieces(session).add(hung)
    photos.change(photo_id, state=PhotoState.HUNG)
    return hung


def piece_from_reading(id: str, reading: dict[str, object], category: Category) -> Piece:
    """A piece as it was read. reading: a measurement document."""
    read = MeasurementDocument.model_validate(reading)
    named = f"{read.sort.name} {category.value.replace('-', ' ')}"
    document = PieceDocument.model_validate(
        {
            "id": id, "category": category, "label": named[:1].upper() + named[1:],
            "colours": [c.model_dump(include={"lab", "share", "part", "uncertainty"}) for c in read.colours],
            "pattern": read.pattern.model_dump(include={"type", "scale", "confidence"}),
        }
    )  # fmt: skip
    return document.to_core()


def change_piece(session: Session, id: str, word: Word) -> HungPiece:
    """Writes the stylist's word over a hung piece."""
    pieces = Pieces(session)
    changed = _with_word(pieces.get(id), word)
    pieces.change(changed)
    return changed


def _with_word(hung: HungPiece, word: Word) -> HungPiece:
    said = {
        name: value
        for name in ("category", "label", "scale", "metal", "volume", "length", "formality", "warmth", "statement", "worn")
        if (value := getattr(word, name)) is not None
    }  # fmt: skip
    if word.finish is not None:
        said["finish"] = frozenset(word.finish)
    if word.pattern is not None:
        said |= {"pattern": word.pattern, "pattern_confidence": 1.0}
        if word.pattern is PatternType.SOLID:
            said["scale"] = None
    return replace(
        hung,
        piece=replace(hung.piece, **said),
        bin_said=hung.bin_said if word.bin is None else word.bin,
    )


def take_off(session: Session, id: str) -> None:
    """Takes a piece off the rail; its photo waits in the intake again. Refused while a kept look uses it."""
    hung = Pieces(session).get(id)
    Pieces(session).remove(id)
    if hung.photo_id is not None:
        Photos(session).change(hung.photo_id, state=PhotoState.READ)


def the_rail(session: Session, client_id: str) -> list[OnRail]:
    """A client's pieces with where each hangs by the school of the client's conventions."""
    conventions = Clients(session).get(client_id).conventions
    return sorted_pieces(Pieces(session).of_client(client_id), conventions.strict_neutrals)


def sorted_pieces(hung: list[HungPiece], strict: bool) -> list[OnRail]:
    """Where some pieces hang; the stylist's word wins and is never doubtful."""
    sorts = sort_pieces([one.piece for one in hung], strict)
    answers = []
    for one, found in zip(hung, sorts, strict=True):
        said = found if one.bin_said is None else replace(found, bin=one.bin_said, confidence=1.0)
        answers.append(OnRail(one, said, said.confidence < DOUBTFUL_BELOW))
    return answers
