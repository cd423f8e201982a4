"""The wear log as a table: a line for each time something was worn."""

import csv
import io
from collections.abc import Iterable
from dataclasses import dataclass
from datetime import date

from lucid_swatch.core.look.planning.days import Weather
from lucid_swatch.core.look.wearing.wear import Felt
from lucid_swatch.core.problems import Refused

from .plain_text import plain_cell, read_cell, table_rows, text_content

COLUMNS = ("on", "pieces", "called", "look", "occasion", "felt", "note", "low", "high", "rain")
BETWEEN = "; "
MOST_LINES = 20_000


@dataclass(frozen=True, slots=True)
class WornLine:
    """A line of the log."""

    on: date
    pieces: tuple[str, ...]
    """Ids."""
    called: tuple[str, ...] = ()
    """Their names, to look at; they are read where no id is written."""
    look: str = ""
    """Name of the kept look that it was."""
    occasion: str = ""
    felt: Felt | None = None
    note: str = ""
    weather: Weather | None = None


def write_log(lines: Iterable[WornLine]) -> str:
    """A log as CSV."""
    out = io.StringIO()
    table = csv.writer(out, lineterminator="\n")
    table.writerow(COLUMNS)
    for line in lines:
        sky = line.weather
        degrees = ("", "", "") if sky is None else (f"{sky.low:g}", f"{sky.high:g}", f"{sky.rain:g}")
        told = (
            BETWEEN.join(line.pieces),
            BETWEEN.join(line.called),
            line.look,
            line.occasion,
            line.felt or "",
            line.note,
        )
        table.writerow([line.on.isoformat(), *map(plain_cell, told), *degrees])
    return out.getvalue()


def read_log(content: bytes, file: str) -> list[WornLine]:
    """The lines of a CSV file. Refused with the line and what is wrong."""
    rows = table_rows(text_content(content, file), file)
    head = [cell.strip() for cell in rows[0][1]] if rows else []
    if "on" not in head or not {"pieces", "called"} & set(head):
        raise Refused("this is no wear log.", file, "Write a first line with at least: on,pieces")
    if len(rows) > MOST_LINES + 1:
        raise Refused(f"the file has {len(rows) - 1:,} lines.", file, f"Send up to {MOST_LINES:,} at a time.")
    return [_line(dict(zip(head, row, strict=False)), f"{file}, line {number}") for number, row in rows[1:]]


def _line(cells: dict[str, str], where: str) -> WornLine:
    read = {name: read_cell(cells.get(name, "").strip(), where) for name in COLUMNS[:7]}
    try:
        on = date.fromisoformat(read["on"])
    except ValueError:
        raise Refused(f"'{read['on'][:40]}' is no day.", where, "Write it as 2031-05-04.") from None
    names = [one.strip() for one in (read["pieces"] or read["called"]).split(";")]
    try:
        felt = Felt(read["felt"].lower()) if read["felt"] else None
    except ValueError:
        words = ", ".join(one.value for one in Felt)
        raise Refused(
            f"'{read['felt'][:40]}' is no word for how it felt.", where, f"Write {words} or nothing."
        ) from None
    return WornLine(
        on,
        tuple(name for name in names if name),
        look=read["look"][:200],
        occasion=read["occasion"][:120],
        felt=felt,
        note=read["note"][:2000],
        weather=weather_of(cells, where),
    )


def weather_of(cells: dict[str, str], where: str) -> Weather | None:
    """The weather in the columns low, high and rain of a line; None where none is written. Refused where it makes no sense."""
    told = [cells.get(name, "").strip() for name in ("low", "high", "rain")]
    if not told[0] or not told[1]:
        return None
    try:
        low, high, rain = (float(one or "0") for one in told)
        if not (-60 <= low <= high <= 60 and 0 <= rain <= 2000):
            raise ValueError
    except ValueError:
        raise Refused(
            "the weather of this line makes no sense.", where, "Write degrees Celsius, the low first."
        ) from None
    return Weather(low, high, rain)
