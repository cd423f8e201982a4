"""A few colours that are a wardrobe."""

from typing import Annotated, Literal

from fastapi import APIRouter, File, Response, UploadFile
from sqlalchemy.orm import Session

from lucid_swatch.formats.palette import Palette, PaletteColour, read_palette, write_palette
from lucid_swatch.formats.plain_text import MAX_TEXT_BYTES
from lucid_swatch.store.clients import Clients
from lucid_swatch.store.palettes import Palettes
from lucid_swatch.store.records import PaletteRecord
from lucid_swatch.usecases.palettes import find_colours, fit_palette, keep_palette, let_palette_go, palette_of
from lucid_swatch.usecases.rail_out import file_name

from .context import Id, ReadSession, UnitOfWork, in_one_change
from .documents.palettes import FindRequest, PaletteAnswer, PaletteRequest, palette_answer

router = APIRouter(tags=["audit"])

KINDS = {
    "gpl": "text/plain; charset=utf-8",
    "css": "text/css; charset=utf-8",
    "csv": "text/csv; charset=utf-8",
    "json": "application/json",
}


@router.get("/clients/{client_id}/palettes")
def list_palettes(session: ReadSession, client_id: Id) -> list[PaletteAnswer]:
    """A client's kept palettes, each against the rail."""
    Clients(session).get(client_id)
    return [_kept(session, one) for one in Palettes(session).of_client(client_id)]


def _kept(session: Session, record: PaletteRecord) -> PaletteAnswer:
    colours = palette_of(record).colours
    return palette_answer(
        colours, record.within, fit_palette(session, record.client_id, colours, record.within), record
    )


def _tried(session: Session, client_id: str, colours: list[PaletteColour], within: float) -> PaletteAnswer:
    return palette_answer(colours, within, fit_palette(session, client_id, colours, within), None)


@router.post("/clients/{client_id}/palettes/find")
def find_palette(session: ReadSession, client_id: Id, asked: FindRequest) -> PaletteAnswer:
    """The few colours that already are this wardrobe."""
    colours = find_colours(session, client_id, asked.count, asked.within, asked.kept)
    return _tried(session, client_id, colours, asked.within)


@router.post("/clients/{client_id}/palettes/try")
def try_palette(session: ReadSession, client_id: Id, asked: PaletteRequest) -> PaletteAnswer:
    """Which pieces are in a palette that is not kept yet."""
    Clients(session).get(client_id)
    return _tried(session, client_id, asked.colours, asked.within)


@router.post("/clients/{client_id}/palettes/read")
def read_palette_file(session: ReadSession, client_id: Id, palette: Annotated[UploadFile, File()]) -> PaletteAnswer:
    """A palette from a file: GIMP palette, CSS, CSV or JSON. It is shown, not kept."""
    Clients(session).get(client_id)
    name, content = palette.filename or "palette", palette.file.read(MAX_TEXT_BYTES + 1)
    found = read_palette(content, name)
    answer = _tried(session, client_id, found.colours, PaletteRequest().within)
    return answer.model_copy(update={"name": found.name})


@router.post("/clients/{client_id}/palettes", status_code=201)
@in_one_change
def add_palette(session: UnitOfWork, client_id: Id, asked: PaletteRequest) -> PaletteAnswer:
    """Keeps a palette."""
    Clients(session).get(client_id)
    palette = Palette(name=asked.name, colours=asked.colours)
    return _kept(session, keep_palette(session, client_id, palette, asked.within))


@router.put("/clients/{client_id}/palettes/{palette_id}")
@in_one_change
def change_palette(session: UnitOfWork, client_id: Id, palette_id: Id, asked: PaletteRequest) -> PaletteAnswer:
    """Writes a kept palette again."""
    palette = Palette(name=asked.name, colours=asked.colours)
    return _kept(session, keep_palette(session, client_id, palette, asked.within, palette_id))


@router.delete("/palettes/{palette_id}", status_code=204)
@in_one_change
def remove_palette(session: UnitOfWork, palette_id: Id) -> None:
    """Lets a palette go."""
    let_palette_go(session, palette_id)


@router.get("/palettes/{palette_id}/file.{ending}")
def get_palette_file(session: ReadSession, palette_id: Id, ending: Literal["gpl", "css", "csv", "json"]) -> Response:
    """A kept palette as a file."""
    palette = palette_of(Palettes(session).get(palette_id))
    disposition = f'attachment; filename="{file_name(palette.name)}.{ending}"'
    return Response(
        write_palette(palette, ending), media_type=KINDS[ending], headers={"content-disposition": disposition}
    )
