"""Looks drawn on the figure and laid out."""

from collections.abc import Mapping, Sequence
from dataclasses import dataclass, field

from sqlalchemy.orm import Session

from lucid_swatch.core.garment.known import as_seen
from lucid_swatch.core.garment.vocabulary import Worn
from lucid_swatch.core.look.figure.body import STATURE, Build
from lucid_swatch.core.look.figure.figure import Figure, Step, figure_of, lightness_trace
from lucid_swatch.core.look.figure.laid_out import LaidOut, laid_out
from lucid_swatch.core.problems import NotThere
from lucid_swatch.files.pictures import size_of
from lucid_swatch.store.clients import Clients
from lucid_swatch.store.folder import Folder
from lucid_swatch.store.photos import Photos
from lucid_swatch.store.pieces import Pieces
from lucid_swatch.store.records import HungPiece, Polygon

from .candidates import candidates_as_hung
from .wardrobe import as_worn

CUT_OUT = "cloth-only.webp"


@dataclass(frozen=True, slots=True)
class Asked:
    """A look to draw."""

    piece_ids: tuple[str, ...]
    worn: Mapping[str, Worn] = field(default_factory=dict)
    """How pieces are worn, by id, where it is not as they usually are."""
    seated: bool | None = None
    """None for as the wearer is mostly seen."""
    on: str | None = None
    """Another client who wears it."""


@dataclass(frozen=True, slots=True)
class InPhoto:
    """What of a photo shows the piece alone, in fractions of the picture."""

    photo_id: str
    left: float
    top: float
    right: float
    bottom: float
    aspect: float
    """Width over height."""


@dataclass(frozen=True, slots=True)
class DrawnLook:
    """A look, drawn both ways."""

    figure: Figure
    stature: float
    """Of the wearer standing, centimetres."""
    trace: list[Step]
    flat: LaidOut
    in_photo: Mapping[str, InPhoto]
    """By piece id; a piece without a photo has none."""
    hung: Mapping[str, HungPiece]
    """By piece id."""


def draw_looks(session: Session, folder: Folder, client_id: str, asked: Sequence[Asked]) -> list[DrawnLook]:
    """Draws some looks of one client; a candidate may be in them. NotThere, naming it, when a piece is not on the rail."""
    wanted = {id for one in asked for id in one.piece_ids}
    rail = {one.piece.id: one for one in Pieces(session).of_client(client_id, wanted)}
    rail |= candidates_as_hung(session, client_id, wanted - rail.keys())
    missing = next((id for id in wanted if id not in rail), None)
    if missing is not None:
        raise NotThere("this piece is not on the client's rail.", missing, "Load the page again.")
    cuts = in_photos(session, folder, [rail[id] for id in wanted])
    return [_drawn(session, client_id, one, rail, cuts) for one in asked]


def _drawn(
    session: Session, client_id: str, asked: Asked, rail: Mapping[str, HungPiece], cuts: Mapping[str, InPhoto]
) -> DrawnLook:
    about = Clients(session).get(asked.on or client_id).about
    seated = about.seated if asked.seated is None else asked.seated
    pieces = [as_worn(as_seen(rail[id].piece), asked.worn) for id in dict.fromkeys(asked.piece_ids)]
    figure = figure_of(pieces, Build(about.height, seated))
    aspects = {piece.id: cuts[piece.id].aspect for piece in pieces if piece.id in cuts}
    hung = {piece.id: rail[piece.id] for piece in pieces}
    stature = float(about.height or STATURE)
    return DrawnLook(figure, stature, lightness_trace(figure), laid_out(pieces, aspects), cuts, hung)


def in_photos(session: Session, folder: Folder, hung: Sequence[HungPiece]) -> dict[str, InPhoto]:
    """Where the garment lies in the photo of each piece that has one with an outline."""
    outlines = Photos(session).outlines([one.photo_id for one in hung if one.photo_id is not None])
    found = {
        one.piece.id: _in_photo(one.photo_id, outlines[one.photo_id], folder)
        for one in hung
        if one.photo_id in outlines
    }
    return {id: there for id, there in found.items() if there is not None}


def _in_photo(photo_id: str, outline: tuple[Polygon, ...], folder: Folder) -> InPhoto | None:
    points = [point for polygon in outline for point in polygon]
    if not points or not folder.has_picture(photo_id, CUT_OUT):
        return None
    left, right = min(x for x, _ in points), max(x for x, _ in points)
    top, bottom = min(y for _, y in points), max(y for _, y in points)
    columns, rows = size_of(folder.picture(photo_id, CUT_OUT))
    wide, high = (right - left) * columns, (bottom - top) * rows
    return None if min(wide, high) < 1 else InPhoto(photo_id, left, top, right, bottom, wide / high)
