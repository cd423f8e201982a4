"""lucid-swatch sort."""

from pathlib import Path
from typing import Annotated

import typer

from lucid_swatch.core.garment.known import as_seen
from lucid_swatch.core.garment.sorting import sort_pieces
from lucid_swatch.core.problems import Problem
from lucid_swatch.formats.document import read_json
from lucid_swatch.formats.rail import parse_pieces
from lucid_swatch.formats.verdict import SortDocument

from .output import print_json, print_table, stop


def sort(
    file: Annotated[Path, typer.Argument(help="A rail or a look, as JSON.")],
    json: Annotated[bool, typer.Option("--json", help="Print JSON instead of a table.")] = False,
) -> None:
    """Say where each piece hangs: warm, cool or balanced neutral, tone or print."""
    try:
        told, school = parse_pieces(read_json(file))
        pieces = [as_seen(piece) for piece in told]
        answers = [SortDocument.from_core(p.id, s) for p, s in zip(pieces, sort_pieces(pieces, school), strict=True)]
    except Problem as problem:
        stop(problem)
    if json:
        print_json([a.model_dump(mode="json") for a in answers])
        return
    print_table(
        ["piece", "hangs", "temperature", "undertone", "name", "confidence"],
        [[a.id, a.bin, f"{a.temperature:+.2f}", a.undertone, a.name, f"{a.confidence:.0%}"] for a in answers],
    )
