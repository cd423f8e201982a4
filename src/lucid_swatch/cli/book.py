"""lucid-swatch book."""

from pathlib import Path
from typing import Annotated, Any

import numpy as np
import typer

from lucid_swatch.core.client.colouring import Client
from lucid_swatch.core.client.reading import reading_of
from lucid_swatch.core.garment.piece import Piece
from lucid_swatch.core.look.book.bolt import bolt_of
from lucid_swatch.core.look.book.book import LookBook, PieceInPictures, Wearer
from lucid_swatch.core.look.book.index import by_piece
from lucid_swatch.core.look.book.kept_book import MadeAs
from lucid_swatch.core.look.book.page import book_pages
from lucid_swatch.core.look.book.plain_colouring import plain_colouring
from lucid_swatch.core.look.figure.body import Build
from lucid_swatch.core.problems import Problem, Refused
from lucid_swatch.files.book.layout import Paper
from lucid_swatch.formats.book import book_looks
from lucid_swatch.formats.client import ClientDocument
from lucid_swatch.formats.document import parse, read_json
from lucid_swatch.store.folder import write_atomically
from lucid_swatch.usecases.book_files import book_file, in_boxes
from lucid_swatch.usecases.book_pictures import pictures_of_reading
from lucid_swatch.usecases.measure_files import measure_files
from lucid_swatch.usecases.measure_photo import LightSource

from .output import stop

ENDINGS = (".jpg", ".jpeg", ".png", ".webp", ".heic", ".heif")
PARTS = ("skin", "hair", "eyes")


def book(
    looks: Annotated[Path, typer.Argument(help="Looks or a plan, as JSON.")],
    out: Annotated[Path, typer.Option("--output", "-o", help="The book: .pdf, .html, or .zip for pictures.")],
    photos: Annotated[
        Path | None, typer.Option("--photos", help="A folder with photos of the pieces, each called by its id.")
    ] = None,
    client: Annotated[Path | None, typer.Option("--client", help="Whose book it is, a lucid-swatch/client.")] = None,
    title: Annotated[str, typer.Option("--title", help="What stands on the cover; else the name of the file.")] = "",
    paper: Annotated[str, typer.Option("--paper", help="Of a PDF: A4 or A5.")] = "A4",
) -> None:
    """Make a book of looks: a page a look, for paper, for a telephone, or as pictures."""
    try:
        kind = _kind(out)
        if paper.upper() not in ("A4", "A5"):
            raise Refused(f"'{paper[:20]}' is no paper of a book.", "--paper", "Write A4 or A5.")
        value = read_json(looks)
        found = book_looks(value, looks.name)
        wearer, name, face = _wearer(client, found[0].look.client)
        pages = book_pages(found)
        rail = [piece for piece, _ in by_piece(pages)]
        pictures = {} if photos is None else _pictures(photos, rail, _files(value))
        reading = None if face is None else reading_of(face)
        made = LookBook(
            title or looks.stem.replace("_", " "),
            pages,
            wearer,
            pictures,
            f"for {name}" if name else "",
            bolt=bolt_of(rail),
            colouring=None if reading is None else plain_colouring(reading, rail),
        )
        if told := in_boxes(made):
            typer.echo(f"lucid-swatch: {told}", err=True)
        write_atomically(out, book_file(made, kind, Paper[paper.upper()], looks.stem))
    except Problem as problem:
        stop(problem)
    print(f"{len(pages)} looks: {out}")


def _kind(out: Path) -> MadeAs:
    try:
        return MadeAs(out.suffix.lower().removeprefix("."))
    except ValueError:
        raise Refused(
            f"a book is not made as '{out.suffix or out.name}'.", out.name, "End its name in .pdf, .html or .zip."
        ) from None


def _wearer(path: Path | None, face: Client | None) -> tuple[Wearer, str, Client | None]:
    """Who is drawn, the name, and the colouring: of a client's document, else of the looks."""
    name, build, told = "", Build(), face
    if path is not None:
        document = parse(ClientDocument, read_json(path))
        name, build = document.name, Build(document.about.height, document.about.seated)
        colours = next((c for face in reversed(document.faces) if isinstance(c := face.get("colours"), dict) and c), {})
        if colours:
            told = Client(*(_lab(colours.get(part), path) for part in PARTS))
    told = told or Client()
    known = any(lab is not None for lab in (told.skin, told.hair, told.eyes)) or told.undertone is not None
    return Wearer(build, told.skin, told.hair, told.eyes), name, told if known else None


def _lab(value: Any, path: Path) -> Any:
    if value is None:
        return None
    try:
        lab = np.array(value, dtype=float)
        if lab.shape != (3,) or not np.isfinite(lab).all():
            raise ValueError
    except (ValueError, TypeError):
        raise Refused("a colour of the face is no CIELAB.", path.name, "Write it as [lightness, a, b].") from None
    return lab


def _files(value: Any) -> dict[str, str]:
    """The photo that a document names for each piece, by id."""
    found: dict[str, str] = {}
    waiting = [value]
    while waiting:
        one = waiting.pop()
        if isinstance(one, list):
            waiting += one
        elif isinstance(one, dict):
            waiting += one.values()
            photo = one.get("photo")
            if isinstance(one.get("id"), str) and isinstance(photo, dict) and isinstance(photo.get("file"), str):
                found[one["id"]] = photo["file"]
    return found


def _pictures(folder: Path, pieces: list[Piece], named: dict[str, str]) -> dict[str, PieceInPictures]:
    """What is read from the photos of a folder; a piece whose photo is not there, or shows nothing, is drawn."""
    try:
        there = {path.name: path for path in sorted(folder.iterdir()) if path.suffix.lower() in ENDINGS}
    except OSError as problem:
        reason = (problem.strerror or "unknown reason").lower()
        raise Refused(f"the folder cannot be opened ({reason}).", str(folder), "Check its name.") from None
    by_stem = {path.stem: path for path in there.values()}
    paths = {p.id: found for p in pieces if (found := there.get(named.get(p.id, "")) or by_stem.get(p.id)) is not None}
    for piece in pieces:
        if piece.id not in paths:
            typer.echo(f"lucid-swatch: no photo of {piece.in_a_sentence} is in {folder.name}; it is drawn.", err=True)
    read = measure_files(list(paths.values()), [LightSource()] * len(paths)) if paths else []
    pictures = {}
    for id, one in zip(paths, read, strict=True):
        if one.reading is None:
            typer.echo(f"lucid-swatch: {one.problem}", err=True)
        else:
            pictures[id] = pictures_of_reading(one.reading)
    return pictures
