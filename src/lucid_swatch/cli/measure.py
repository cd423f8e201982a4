"""lucid-swatch measure."""

from pathlib import Path
from typing import Annotated, Any

import typer

from lucid_swatch.core.photo.neutral import NeutralPoint
from lucid_swatch.core.problems import Problem, Refused
from lucid_swatch.formats.card import CardDocument
from lucid_swatch.formats.document import Document, parse, read_json
from lucid_swatch.formats.measurement import MeasurementDocument
from lucid_swatch.usecases.measure_files import measure_files
from lucid_swatch.usecases.measure_photo import LightSource

from .output import print_json, print_table, stop


class Mark(Document):
    """Where something neutral lies in a photo."""

    x: float
    y: float
    lightness: float | None = None


def measure(
    photos: Annotated[list[Path], typer.Argument(help="Photos of garments: JPEG, PNG, WebP or HEIC.")],
    neutral: Annotated[
        str | None, typer.Option(help="X,Y of something neutral, as fractions from the top left corner.")
    ] = None,
    neutral_lightness: Annotated[
        float | None, typer.Option(help="Its L*: paper is about 95, a grey card about 50.")
    ] = None,
    marks: Annotated[Path | None, typer.Option(help="The neutral of each photo, by file name, as JSON.")] = None,
    card: Annotated[
        Path | None, typer.Option(help="The reference card as it was measured once, a lucid-swatch/card document.")
    ] = None,
    apart: Annotated[
        bool, typer.Option("--apart", help="Read each photo for itself, even those that share a ground.")
    ] = False,
    json: Annotated[bool, typer.Option("--json", help="Print JSON instead of a table.")] = False,
) -> None:
    """Measure the colours of the garment in each photo; photos of one room are read in one light."""
    try:
        everywhere = _point(neutral, neutral_lightness)
        by_name = _marks(marks)
        measured = None if card is None else parse(CardDocument, read_json(card)).to_core()
    except Problem as problem:
        stop(problem)
    sources = [LightSource(by_name.get(path.name, everywhere), card=measured) for path in photos]
    answers: list[dict[str, Any]] = []
    for one in measure_files(photos, sources, apart):
        if one.reading is None:
            typer.echo(f"lucid-swatch: {one.problem}", err=True)
            answers.append({"photo": {"file": one.path.name}, "error": str(one.problem)})
            continue
        lender = None if one.lent_by is None else one.lent_by.name
        read = one.reading
        document = MeasurementDocument.from_core(
            read.photo, read.outline, read.measurement, read.evidence.sheets, lender
        )
        answers.append(document.model_dump(mode="json"))
    if json:
        print_json(answers)
    else:
        _print_readable(answers)
    if any("error" in a for a in answers):
        raise typer.Exit(1)


def _point(text: str | None, lightness: float | None) -> NeutralPoint | None:
    if text is None:
        if lightness is not None:
            raise Refused("a lightness needs a point.", "--neutral-lightness", "Give --neutral X,Y as well.")
        return None
    try:
        x, y = (float(part) for part in text.split(","))
    except ValueError:
        raise Refused(f"'{text}' is not a point.", "--neutral", "Give it as X,Y, such as 0.8,0.9.") from None
    return NeutralPoint(x, y, lightness)


def _marks(path: Path | None) -> dict[str, NeutralPoint]:
    if path is None:
        return {}
    content = read_json(path)
    if not isinstance(content, dict):
        raise Refused(
            "the marks are not an object of file names.", path.name, 'Write {"coat.jpg": {"x": 0.8, "y": 0.9}}.'
        )
    marks = {name: parse(Mark, mark, f"$.{name}") for name, mark in content.items()}
    return {name: NeutralPoint(m.x, m.y, m.lightness) for name, m in marks.items()}


def _print_readable(answers: list[dict[str, Any]]) -> None:
    rows = []
    for answer in answers:
        if "error" in answer:
            rows.append([answer["photo"]["file"], *("not read", "", "", "", "", "", "")])
            continue
        colours = ", ".join(
            f"{c['name']} {c['share']:.0%} {c['hex']} ±{c['uncertainty']:.0f}" for c in answer["colours"]
        )
        pattern = " ".join(filter(None, [answer["pattern"]["scale"], answer["pattern"]["type"]]))
        sort = answer["sort"]
        guessed = [
            _likeliest(answer["garment"]["guesses"], "category"),
            _likeliest(answer["finish"]["guesses"], "finish"),
        ]
        cut = ", ".join(
            filter(None, (_likeliest(answer["cut"][name], name) for name in ("length", "volume", "sleeve")))
        )
        hangs = f"{sort['bin']} ({sort['confidence']:.0%})"
        rows.append([answer["photo"]["file"], hangs, sort["undertone"], *guessed, cut, pattern, colours])
    print_table(["photo", "hangs", "undertone", "may be", "cloth", "cut", "pattern", "colours"], rows)


def _likeliest(guesses: list[dict[str, Any]], word: str) -> str:
    return f"{guesses[0][word]} ({guesses[0]['confidence']:.0%})" if guesses else ""
