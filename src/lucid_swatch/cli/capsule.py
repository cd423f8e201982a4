"""lucid-swatch capsule."""

from pathlib import Path
from typing import Annotated

import numpy as np
import typer

from lucid_swatch.core.garment.in_palette import in_palette
from lucid_swatch.core.look.body import Zone
from lucid_swatch.core.look.dressing.wardrobe import Wardrobe
from lucid_swatch.core.look.making.wanted import Wanted
from lucid_swatch.core.look.planning.capsule import SECONDS, Asked, Demand, choose_capsule
from lucid_swatch.core.look.planning.good_looks import good_looks
from lucid_swatch.core.problems import Problem, Refused
from lucid_swatch.formats.capsule import CapsuleDocument
from lucid_swatch.formats.document import parse, read_bytes, read_json
from lucid_swatch.formats.made import wardrobe_of_rail
from lucid_swatch.formats.palette import read_palette
from lucid_swatch.formats.rail import RailDocument

from .make import span
from .output import print_json, print_table, stop


def capsule(
    rail: Annotated[Path, typer.Argument(help="A rail, as JSON.")],
    pieces: Annotated[int, typer.Option("--pieces", help="How many clothes and shoes, at most.")],
    keep: Annotated[
        list[str] | None, typer.Option("--keep", help="A piece that must be in it; again for more.")
    ] = None,
    palette: Annotated[
        Path | None, typer.Option("--palette", help="Only pieces of a palette: .gpl, .css, .csv or .json.")
    ] = None,
    shoes: Annotated[int | None, typer.Option("--shoes", help="At most so many pairs of shoes.")] = None,
    for_: Annotated[
        list[str] | None, typer.Option("--for", help="A formality that it dresses for, as 4-5; again for more.")
    ] = None,
    seconds: Annotated[float, typer.Option("--seconds", help="How long the best is looked for.")] = SECONDS,
    json: Annotated[bool, typer.Option("--json", help="Print JSON instead of a table.")] = False,
) -> None:
    """Choose the few pieces of a rail that carry most good looks."""
    try:
        wardrobe = wardrobe_of_rail(parse(RailDocument, read_json(rail)))
        demands = tuple(Demand(said, Wanted(1, formality=span(said, "--for"))) for said in for_ or ())
        at_most = {} if shoes is None else {Zone.FEET: shoes}
        among = None if palette is None else _among(wardrobe, palette)
        if not 0 < seconds <= 600:
            raise Refused(f"{seconds:g} seconds cannot be waited.", "--seconds", "Give up to 600.")
        asked = Asked(pieces, tuple(keep or ()), among, at_most, demands)
        found = choose_capsule(good_looks(wardrobe), asked, seconds=seconds)
    except Problem as problem:
        stop(problem)
    document = CapsuleDocument.from_core(found)
    if json:
        print_json(document.model_dump(mode="json", by_alias=True))
        return
    called = {piece.id: piece.called for piece in wardrobe.pieces}
    proven = "none better" if found.proven else f"no more than {found.bound} can be had"
    print(f"{found.looks} good looks of {found.of} from {len(found.piece_ids)} pieces: {proven}")
    rows = [[called[id], str(found.without[id])] for id in found.piece_ids]
    print_table(["piece", "looks that it carries"], rows)
    for unmet in found.unmet:
        print(f"nothing goes to a formality of {unmet}")


def _among(wardrobe: Wardrobe, path: Path) -> frozenset[str]:
    """The pieces that are in a palette. Refused when none is."""
    palette = read_palette(read_bytes(path), path.name)
    if not palette.colours:
        raise Refused("the palette has no colour.", str(path), "Pick at least one.")
    lab = np.array([colour.lab for colour in palette.colours], dtype=float)
    inside = frozenset(one.piece_id for one in in_palette(wardrobe.pieces, lab) if one.inside)
    if not inside:
        raise Refused("no piece of the rail is in this palette.", str(path), "Widen it, or leave it out.")
    return inside
