"""lucid-swatch consider."""

from pathlib import Path
from typing import Annotated

import typer

from lucid_swatch.core.garment.vocabulary import Category
from lucid_swatch.core.problems import Problem, Refused
from lucid_swatch.formats.considered import CandidateDocument, ConsideredDocument, considered_document
from lucid_swatch.formats.document import parse, read_json
from lucid_swatch.formats.measurement import MeasurementDocument
from lucid_swatch.formats.piece import PieceDocument
from lucid_swatch.formats.rail import RailDocument
from lucid_swatch.usecases.measure_files import measure_files
from lucid_swatch.usecases.measure_photo import LightSource
from lucid_swatch.usecases.rail import piece_from_reading

from .output import print_json, print_table, stop


def consider(
    rail: Annotated[Path, typer.Argument(help="A rail, as JSON.")],
    candidate: Annotated[Path, typer.Argument(help="A piece as JSON, or a photo of one.")],
    category: Annotated[
        Category | None, typer.Option("--category", help="What the piece in the photo is: coat, shoes, bag.")
    ] = None,
    json: Annotated[bool, typer.Option("--json", help="Print JSON instead of a table.")] = False,
) -> None:
    """Say what a piece that may be bought would do for a rail: buy, wait or leave, and why."""
    try:
        document = parse(RailDocument, read_json(rail))
        found = considered_document(document, _candidate(candidate, category))
    except Problem as problem:
        stop(problem)
    if json:
        print_json(found.model_dump(mode="json", by_alias=True))
    else:
        _print_readable(found)


def _candidate(path: Path, category: Category | None) -> CandidateDocument:
    if path.suffix.lower() == ".json":
        if category is not None:
            raise Refused("a piece says itself what it is.", "--category", "Leave it out, or give a photo.")
        return parse(CandidateDocument, read_json(path))
    if category is None:
        raise Refused(
            "nobody has said what the piece in the photo is.", "--category", "Give it, as in --category shoes."
        )
    (measured,) = measure_files([path], [LightSource()])
    if measured.reading is None:
        assert measured.problem is not None
        raise measured.problem
    read = measured.reading
    document = MeasurementDocument.from_core(read.photo, read.outline, read.measurement, read.evidence.sheets)
    piece = piece_from_reading(path.stem, document.to_core(), category)
    return CandidateDocument.model_validate(PieceDocument.from_core(piece).model_dump(mode="json"))


def _print_readable(found: ConsideredDocument) -> None:
    print(f"{found.word.value}")
    for sentence in (*found.because, found.otherwise):
        print(f"  {sentence}")
    rows = [[f"{one.verdict.overall:.1f}", ", ".join(p.label or p.id for p in one.pieces)] for one in found.looks]
    if rows:
        print_table(["the whole", "look"], rows)
