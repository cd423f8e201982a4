"""The strips of a rail as one picture."""

import hashlib

from sqlalchemy.orm import Session

from lucid_swatch.core.problems import NotThere
from lucid_swatch.files.sheet import sheet
from lucid_swatch.store.folder import Folder
from lucid_swatch.store.pieces import Pieces
from lucid_swatch.store.records import HungPiece

NAMES = ("strip.jpg", "cloth.jpg")
"""The small crop, or the larger one of photos that were read before there were small ones."""


def pictured(hung: list[HungPiece]) -> list[HungPiece]:
    """The pieces that have pictures, in the order of the sheet."""
    return [one for one in hung if one.photo_id is not None and one.reading_number]


def sheet_key(hung: list[HungPiece]) -> str:
    """What changes whenever another piece or another picture is on the sheet."""
    told = " ".join(f"{one.photo_id}:{one.reading_number}" for one in pictured(hung))
    return hashlib.sha256(told.encode()).hexdigest()[:16]


def strips_of(session: Session, folder: Folder, client_id: str, key: str) -> bytes:
    """The strips of a rail on one sheet. NotThere when the rail has changed since the key was made."""
    hung = Pieces(session).of_client(client_id)
    if sheet_key(hung) != key:
        raise NotThere("the rail has changed.", key, "Load the page again.")
    return sheet(_strip(folder, one) for one in pictured(hung))


def _strip(folder: Folder, hung: HungPiece) -> bytes | None:
    name = next((name for name in NAMES if folder.has_picture(hung.photo_id or "", name)), None)
    return None if name is None else folder.picture(hung.photo_id or "", name).read_bytes()
