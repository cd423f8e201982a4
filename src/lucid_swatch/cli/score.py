"""lucid-swatch score."""

from math import isnan
from pathlib import Path
from typing import Annotated

import typer

from lucid_swatch.core.look.dressing.mends import find_mends
from lucid_swatch.core.look.look import Look
from lucid_swatch.core.look.verdict import MEASURES, judge, totals
from lucid_swatch.core.problems import Problem
from lucid_swatch.formats.document import read_json
from lucid_swatch.formats.look import parse_looks
from lucid_swatch.formats.verdict import VerdictDocument

from .output import print_json, print_lines, print_table, stop


def score(
    file: Annotated[Path, typer.Argument(help="A look or looks, as JSON.")],
    json: Annotated[bool, typer.Option("--json", help="Print JSON instead of a table.")] = False,
    brief: Annotated[bool, typer.Option("--brief", help="The scores alone, without reasons and mends: fast.")] = False,
) -> None:
    """Score looks for harmony, contrast, monochrome, statement and colouring, with reasons and mends."""
    try:
        looks = parse_looks(read_json(file))
        if brief:
            _print_brief(looks, json)
            return
        verdicts = [
            VerdictDocument.from_core(v, find_mends(look), look) for look, v in zip(looks, judge(looks), strict=True)
        ]
    except Problem as problem:
        stop(problem)
    if json:
        print_json([v.model_dump(mode="json", by_alias=True, exclude_none=False) for v in verdicts])
        return
    rows = []
    for verdict in verdicts:
        found = [getattr(verdict.measures, name) for name in MEASURES]
        rows.append(
            [
                verdict.id,
                verdict.intent,
                f"{verdict.overall:.1f}",
                *["–" if m is None else f"{m.score:.1f}" for m in found],
            ]
        )
    print_table(["look", "going for", "the whole", *MEASURES], rows)
    for verdict in verdicts:
        for name in MEASURES:
            measure = getattr(verdict.measures, name)
            for reason in measure.because[:3] if measure else []:
                print(f"  {verdict.id}  {name}  {reason.points:+.1f}  {reason.text}")
        for mend in verdict.mends:
            print(f"  {verdict.id}  mend  {mend.gain:+.1f}  {mend.text}")


def _print_brief(looks: list[Look], json: bool) -> None:
    found = totals(looks)
    names = ("id", "overall", *MEASURES)
    rows = [
        [look.id, float(whole), *(None if isnan(one) else float(one) for one in scores)]
        for look, whole, scores in zip(looks, found.overall.tolist(), found.scores.tolist(), strict=True)
    ]
    if json:
        print_lines([dict(zip(names, row, strict=True)) for row in rows])
        return
    told = [[str(row[0]), *("–" if one is None else f"{one:.1f}" for one in row[1:])] for row in rows]
    print_table(["look", "the whole", *MEASURES], told)
