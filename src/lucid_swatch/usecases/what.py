"""What a piece is: its cloth, its cut, and what it is for, each as said, seen or proposed."""

from dataclasses import dataclass

from sqlalchemy.orm import Session

from lucid_swatch.core.garment.chances import in_order
from lucid_swatch.core.garment.closer import SHOWN_BY
from lucid_swatch.core.garment.details import asked_of
from lucid_swatch.core.garment.finishes import why
from lucid_swatch.core.garment.formality import formality_of
from lucid_swatch.core.garment.known import as_known, as_seen
from lucid_swatch.core.garment.piece import Piece
from lucid_swatch.core.garment.proposals import Proposal
from lucid_swatch.core.garment.reading import Reading
from lucid_swatch.core.garment.usual_finishes import USUAL_FINISHES
from lucid_swatch.core.garment.vocabulary import Finish
from lucid_swatch.core.garment.warmth import warmth_of
from lucid_swatch.core.garment.word import Word, with_word
from lucid_swatch.core.look.figure.body import STATURE, Build
from lucid_swatch.core.look.figure.figure import Figure, figure_of
from lucid_swatch.core.look.figure.marks import Mark, marks_of
from lucid_swatch.core.look.rules.alone import alone
from lucid_swatch.core.problems import Refused
from lucid_swatch.store.clients import Clients
from lucid_swatch.store.folder import Folder
from lucid_swatch.store.photos import Photos
from lucid_swatch.store.pieces import Pieces
from lucid_swatch.store.records import HungPiece, PhotoRecord

from .rail import piece_in_photo
from .seen import close_look
from .ways import studio_ways

SHOWN = 3
"""How many finishes are offered as keys."""


@dataclass(frozen=True, slots=True)
class ClothGuess:
    """A finish that the piece may have."""

    finish: Finish
    confidence: float
    because: str
    picture: str | None
    """Name of the close look that tells of it; None where there is none."""


@dataclass(frozen=True, slots=True, eq=False)
class What:
    """A piece with what is known of it and how."""

    piece: Piece
    """With the stylist's words only."""
    known: Piece
    """With what is seen and proposed besides."""
    photo: PhotoRecord | None
    cloths: tuple[ClothGuess, ...]
    """Likeliest first."""
    figure: Figure
    """The piece on the client."""
    stature: float
    marks: tuple[Mark, ...]
    formality: Proposal
    """As it would be proposed, whatever is said. So are the others."""
    warmth: Proposal | None
    """None for what is worn in any weather."""
    statement: Proposal
    asked: tuple[str, ...]
    """What else of the cut such a piece has, by name."""


def what_of_photo(session: Session, folder: Folder, photo_id: str, word: Word) -> What:
    """What the piece in a photo is, with the words that the stylist has for it so far.

    Refused when the photo was not read, or when nobody has said what the piece is."""
    photo = Photos(session).get(photo_id)
    if photo.reading is None:
        raise Refused(f"the photo is {photo.state.value}.", photo.name, "Wait until it is read.")
    if word.category is None:
        raise Refused("nobody has said what it is.", photo.name, "Choose coat, trousers, shoes or whatever it is.")
    piece = with_word(piece_in_photo(photo.id, photo, photo.reading, word.category), word)
    return _what(session, folder, HungPiece(piece, photo.client_id, photo.created_at), photo)


def what_of_piece(session: Session, folder: Folder, piece_id: str) -> What:
    """What a piece on a rail is. NotThere when there is none."""
    hung = Pieces(session).get(piece_id)
    photo = None if hung.photo_id is None else Photos(session).get(hung.photo_id)
    return _what(session, folder, hung, photo)


def _what(session: Session, folder: Folder, hung: HungPiece, photo: PhotoRecord | None) -> What:
    about, piece = Clients(session).get(hung.client_id).about, hung.piece
    ways, seen, build = studio_ways(session), as_seen(piece), Build(about.height)
    return What(
        piece,
        as_known(piece, ways),
        photo,
        cloth_guesses(piece, photo, folder),
        figure_of([seen], build),
        float(about.height or STATURE),
        marks_of(seen, build),
        formality_of(seen, ways.formality),
        warmth_of(seen, ways.warmth),
        alone([seen])[0],
        asked_of(piece.category),
    )


def cloth_guesses(piece: Piece, photo: PhotoRecord | None, folder: Folder) -> tuple[ClothGuess, ...]:
    """What a piece is likely made of: as its photo tells, or as such pieces usually are."""
    reading = None if photo is None else photo.reading
    chances = piece.seen.finish or in_order(USUAL_FINISHES[piece.category])
    # a word beside them stays within reach
    offered = [*chances[:SHOWN], *((one, 1.0) for one in sorted(piece.finish) if one not in dict(chances[:SHOWN]))]
    return tuple(
        ClothGuess(word, chance, _because(piece, word, reading), _close_look(word, photo, folder))
        for word, chance in offered
    )


def _because(piece: Piece, finish: Finish, reading: Reading | None) -> str:
    if reading is None:
        return "as many are"
    return why(piece.category, finish, reading.finish_numbers)


def _close_look(finish: Finish, photo: PhotoRecord | None, folder: Folder) -> str | None:
    if photo is None:
        return None
    name = close_look(SHOWN_BY[finish])
    return name if folder.has_picture(photo.id, name) else None
