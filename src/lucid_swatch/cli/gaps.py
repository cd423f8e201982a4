"""lucid-swatch gaps."""

from functools import partial
from pathlib import Path
from typing import Annotated

import typer

from lucid_swatch.core.look.buying.gaps import gaps as missing
from lucid_swatch.core.look.dressing.held import refused_by
from lucid_swatch.core.problems import Problem, Refused
from lucid_swatch.formats.considered import GapDocument, reading_for
from lucid_swatch.formats.document import parse, read_json
from lucid_swatch.formats.made import wardrobe_of_rail
from lucid_swatch.formats.rail import RailDocument

from .output import print_json, print_table, stop

MOST = 100


def gaps(
    rail: Annotated[Path, typer.Argument(help="A rail, as JSON.")],
    count: Annotated[int, typer.Option("--count", help="How many, at most.")] = 8,
    json: Annotated[bool, typer.Option("--json", help="Print JSON instead of a table.")] = False,
) -> None:
    """Say which pieces are missing on a rail: those that would open most good looks."""
    try:
        if not 1 <= count <= MOST:
            raise Refused(f"{count} pieces cannot be asked for.", "--count", f"Ask for 1 to {MOST}.")
        document = parse(RailDocument, read_json(rail))
        wardrobe, about = wardrobe_of_rail(document), document.about.to_core()
        refused = partial(refused_by, about, school=wardrobe.conventions.school)
        found = [GapDocument.from_core(gap) for gap in missing(wardrobe, count, reading_for(wardrobe), refused=refused)]
    except Problem as problem:
        stop(problem)
    if json:
        # a plain cloth is the usual answer and says nothing of a pattern
        print_json([one.model_dump(mode="json", exclude_defaults=True) for one in found])
        return
    print_table(["missing", "opens", "within"], [[one.name, str(one.opens), f"{one.within:.0f} ΔE"] for one in found])
