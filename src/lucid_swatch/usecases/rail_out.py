"""A rail leaves the application: JSON, a table, or an archive with its photos."""

from collections.abc import Iterator, Mapping, Sequence
from dataclasses import asdict
from datetime import date
from itertools import chain
from pathlib import Path
from typing import IO

from sqlalchemy.orm import Session

from lucid_swatch.core.garment.sorting import sort_pieces
from lucid_swatch.core.look.wearing.tally import days_of
from lucid_swatch.files.archive import pack
from lucid_swatch.formats.look import ConventionsDocument
from lucid_swatch.formats.particulars import KeptDocument, ParticularsDocument
from lucid_swatch.formats.piece import PieceDocument
from lucid_swatch.formats.rail import PhotoDocument, RailDocument, RailPieceDocument
from lucid_swatch.formats.rail_table import write_table
from lucid_swatch.store.clients import Clients
from lucid_swatch.store.folder import Folder
from lucid_swatch.store.photos import Photos
from lucid_swatch.store.pieces import Pieces
from lucid_swatch.store.records import HungPiece, PhotoRecord
from lucid_swatch.store.wears import Wears

RAIL = "rail.json"
PHOTOS = "photos/"


def rail_document(session: Session, client_id: str) -> RailDocument:
    """A client's rail in the open format."""
    conventions = ConventionsDocument.from_core(Clients(session).get(client_id).conventions)
    photos = {photo.id: photo for photo in Photos(session).of_client(client_id)}
    worn = days_of(Wears(session).lines(client_id))
    pieces = [piece_document(one, photos, worn.get(one.piece.id, ())) for one in Pieces(session).of_client(client_id)]
    return RailDocument(conventions=conventions, pieces=pieces)


def piece_document(
    hung: HungPiece, photos: Mapping[str, PhotoRecord], worn_on: Sequence[date] = ()
) -> RailPieceDocument:
    """A piece of a rail in the open format. photos: of the client, by their ids. worn_on: its days in the log."""
    photo = photos.get(hung.photo_id or "")
    own = PieceDocument.from_core(hung.piece).model_dump(mode="json")
    return RailPieceDocument.model_validate(
        own
        | {
            "kept": _kept(hung, worn_on),
            "hung_at": hung.created_at,
            "photo": None if photo is None else _photo_document(photo, photos),
        }
    )


def _kept(hung: HungPiece, worn_on: Sequence[date]) -> KeptDocument:
    told = ParticularsDocument.from_core(hung.particulars).model_dump(exclude_unset=True)
    return KeptDocument(**told, worn_on=list(worn_on))


def _photo_document(photo: PhotoRecord, photos: Mapping[str, PhotoRecord]) -> PhotoDocument:
    room = None if photo.room is None else photos.get(photo.room)
    return PhotoDocument.model_validate(
        {
            "file": photo.file,
            "name": photo.name,
            "neutral": None if photo.neutral is None else asdict(photo.neutral),
            "strokes": [asdict(stroke) for stroke in photo.strokes],
            "reading": None if photo.reading is None else photo.reading.document,
            "paper": photo.paper,
            "room": None if room is None else room.file,
            "taken_at": photo.taken_at,
            "camera": photo.camera,
        }
    )


def rail_json(session: Session, client_id: str) -> str:
    """A client's rail as JSON."""
    return rail_document(session, client_id).model_dump_json(indent=1, exclude_none=True, by_alias=True) + "\n"


def rail_table(session: Session, client_id: str) -> str:
    """A client's rail as CSV."""
    pieces = [one.piece for one in Pieces(session).of_client(client_id)]
    sorts = sort_pieces(pieces, Clients(session).get(client_id).conventions.school)
    return write_table(rail_document(session, client_id).pieces, sorts)


def write_rail_archive(session: Session, folder: Folder, client_id: str, out: IO[bytes]) -> None:
    """Writes a client's rail as JSON with every photo, in one zip."""
    pieces = rail_document(session, client_id).pieces
    files = {piece.photo.file: folder.photo(piece.photo.file) for piece in pieces if piece.photo is not None}
    rail = (RAIL, rail_json(session, client_id).encode())
    pack(chain([rail], ((PHOTOS + name, content) for name, content in contents(files))), out)


def contents(files: Mapping[str, Path]) -> Iterator[tuple[str, bytes]]:
    """Some files one after the other, those that are not there left out."""
    for name, path in files.items():
        try:
            yield name, path.read_bytes()
        except FileNotFoundError:
            continue


def file_name(client_name: str) -> str:
    """A client's name as the name of a file, without its ending."""
    name = "".join(letter if letter.isascii() and letter.isalnum() else "-" for letter in client_name.lower())
    return name.strip("-") or "client"
