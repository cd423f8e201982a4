"""lucid-swatch turn."""

from dataclasses import replace
from pathlib import Path
from typing import Annotated, Any

import typer

from lucid_swatch.core.garment.known import as_seen
from lucid_swatch.core.look.look import Look
from lucid_swatch.core.look.making.turning import Turn, Turned, needs_no_turn
from lucid_swatch.core.look.making.turning import turn as turned
from lucid_swatch.core.problems import Problem, Refused
from lucid_swatch.formats.document import parse, read_json
from lucid_swatch.formats.look import LookDocument
from lucid_swatch.formats.made import told_of, turned_documents, wardrobe_of_rail
from lucid_swatch.formats.rail import RailDocument

from .output import print_json, print_table, stop


def turn(
    look: Annotated[Path, typer.Argument(help="A look, as JSON.")],
    to: Annotated[Turn, typer.Option("--to", help="What it is turned to.")],
    rail: Annotated[Path | None, typer.Option("--rail", help="The rail that it may draw on.")] = None,
    json: Annotated[bool, typer.Option("--json", help="Print JSON instead of a table.")] = False,
) -> None:
    """Turn a look up or down a notch, to day or evening, to other weather, by one to three small changes."""
    try:
        document = _one_look(read_json(look))
        own = RailDocument(pieces=[]) if rail is None else parse(RailDocument, read_json(rail))
        core = _with_rail(document, own)
        found = turned(core, to)
    except Problem as problem:
        stop(problem)
    if json:
        print_json([one.model_dump(mode="json", by_alias=True) for one in _documents(found, document, own)])
        return
    if not found:
        print("It can go as it is." if needs_no_turn(core, to) else "Nothing here turns it that way.")
        return
    print_table(
        ["the whole", "changes"], [[f"{one.whole:.1f}", "; ".join(c.text for c in one.changes)] for one in found]
    )


def _one_look(value: Any) -> LookDocument:
    if isinstance(value, dict) and value.get("format") == "lucid-swatch/looks" and isinstance(value.get("looks"), list):
        if len(value["looks"]) != 1:
            raise Refused(f"the file holds {len(value['looks'])} looks.", "$.looks", "Turn one at a time.")
        value = value["looks"][0]
    return parse(LookDocument, value)


def _with_rail(document: LookDocument, rail: RailDocument) -> Look:
    """The look with the rail that it may draw on; what is always on stays on."""
    look, wardrobe = document.to_core(), wardrobe_of_rail(rail)
    on = {piece.id for piece in wardrobe.always}
    there = {piece.id for piece in look.pieces}
    more = (*look.rail, *(piece for piece in map(as_seen, wardrobe.pieces) if piece.id not in on))
    free = {piece.id: piece for piece in more if piece.id not in there}
    return replace(
        look,
        pieces=tuple(piece for piece in look.pieces if piece.id not in on),
        always=tuple(piece for piece in look.pieces if piece.id in on),
        rail=tuple(free.values()),
        barred=frozenset(wardrobe.barred),
        sets=wardrobe.sets,
    )


def _documents(found: list[Turned], document: LookDocument, rail: RailDocument) -> list[Any]:
    told = told_of(rail)
    for piece in (*document.rail, *document.pieces):
        told[piece.id] = piece.model_dump(mode="json", exclude_unset=True)
    as_asked = RailDocument(client=document.client, conventions=document.conventions, pieces=[])
    return turned_documents(found, told, as_asked)
