"""lucid-swatch make."""

from pathlib import Path
from typing import Annotated

import typer

from lucid_swatch.core.look.kept_look import TimeOfDay
from lucid_swatch.core.look.look import Intent
from lucid_swatch.core.look.making.apart import set_apart
from lucid_swatch.core.look.making.lacking import needs, why_fewer
from lucid_swatch.core.look.making.make import make_looks
from lucid_swatch.core.look.making.wanted import Share, Wanted
from lucid_swatch.core.look.verdict import judge
from lucid_swatch.core.problems import Problem, Refused
from lucid_swatch.formats.document import parse, read_json
from lucid_swatch.formats.look import ThemeDocument
from lucid_swatch.formats.made import MadeDocument, UnusedDocument, look_of, made_document, wardrobe_of_rail
from lucid_swatch.formats.rail import RailDocument

from .output import print_json, print_table, stop


def make(
    rail: Annotated[Path, typer.Argument(help="A rail, as JSON.")],
    count: Annotated[int, typer.Option("--count", help="How many looks.")],
    with_: Annotated[
        list[str] | None, typer.Option("--with", help="A piece that looks start from; again for more.")
    ] = None,
    all_of: Annotated[bool, typer.Option("--all-of", help="Each look holds all of those pieces, not one.")] = False,
    even: Annotated[bool, typer.Option("--even", help="Each of those pieces is in its share of the looks.")] = False,
    intent: Annotated[Intent | None, typer.Option("--intent", help="What the looks go for.")] = None,
    formality: Annotated[str | None, typer.Option("--formality", help="From-to, 1 to 5, as 2-3.")] = None,
    warmth: Annotated[float | None, typer.Option("--warmth", help="0 bare summer to 4 deep winter.")] = None,
    wet: Annotated[bool, typer.Option("--wet", help="It rains.")] = False,
    time: Annotated[TimeOfDay, typer.Option("--time", help="day or evening.")] = TimeOfDay.ANY,
    theme: Annotated[Path | None, typer.Option("--theme", help="What the looks are to carry, as JSON.")] = None,
    seed: Annotated[int, typer.Option("--seed", help="Another seed, another choice among what lies near.")] = 0,
    json: Annotated[bool, typer.Option("--json", help="Print JSON instead of a table.")] = False,
) -> None:
    """Make so many whole looks from a rail, all different, best first."""
    try:
        if all_of and even:
            raise Refused("all of them or each its share, not both.", "--even", "Leave one of them out.")
        document = parse(RailDocument, read_json(rail))
        carried = None if theme is None else parse(ThemeDocument, read_json(theme))
        wanted = _wanted(
            number=count,
            start=tuple(with_ or ()),
            share=Share.ALL if all_of else Share.EVEN if even else Share.ONE,
            formality=None if formality is None else span(formality),
            warmth=warmth,
            wet=wet,
            time=time,
            intent=intent,
            theme=None if carried is None else carried.to_core(),
            seed=seed,
        )
        found = _make(document, wanted, carried)
    except Problem as problem:
        stop(problem)
    if json:
        print_json(found.model_dump(mode="json", by_alias=True))
        return
    rows = [[f"{one.verdict.overall:.1f}", ", ".join(p.label or p.id for p in one.pieces)] for one in found.looks]
    print_table(["the whole", "look"], rows)
    for one in found.looks:
        print(f"  {one.id}  {one.because}")
    for unused in found.unused:
        print(f"  {unused.piece}  {unused.text}")
    if found.missing:
        print(found.missing)


def _wanted(**values: object) -> Wanted:
    try:
        return Wanted(**values)  # type: ignore[arg-type]
    except ValueError as problem:
        raise Refused(f"{problem}.", "the question", "Change the number.") from None


def span(said: str, option: str = "--formality") -> tuple[float, float]:
    """A span of formality, as 2-3. Refused, naming the option, when it is none."""
    low, _, high = said.partition("-")
    try:
        return float(low), float(high or low)
    except ValueError:
        raise Refused(f"'{said}' is no span of formality.", option, "Write it as 2-3.") from None


def _make(rail: RailDocument, wanted: Wanted, theme: ThemeDocument | None) -> MadeDocument:
    wardrobe = wardrobe_of_rail(rail)
    made = make_looks(wardrobe, wanted)
    looks = [look_of(wardrobe, f"look {k}", one.piece_ids, wanted.intent) for k, one in enumerate(made.looks, start=1)]
    verdicts = judge(looks) if looks else []
    lack = why_fewer(wardrobe, wanted, made)
    return MadeDocument(
        looks=made_document(looks, set_apart(looks, verdicts), verdicts, rail, theme),
        missing=None if lack is None else lack.text,
        left_out=made.left_out,
        unused=[UnusedDocument(piece=one.piece, text=one.text) for one in needs(wardrobe, wanted, made)],
    )
