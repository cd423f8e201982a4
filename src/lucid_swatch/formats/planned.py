"""A kept plan as a table: a line for each occasion with what is worn, and one for each day on which nothing happens."""

import csv
import io
from collections.abc import Sequence
from dataclasses import dataclass
from datetime import date
from datetime import time as Clock

from lucid_swatch.core.look.kept_look import TimeOfDay
from lucid_swatch.core.look.planning.days import Weather
from lucid_swatch.core.look.planning.plan import MOST_EVENTS
from lucid_swatch.core.problems import Refused

from .plain_text import plain_cell, read_cell, table_rows, text_content
from .wear_log import weather_of

COLUMNS = (
    "on",
    "occasion",
    "from",
    "to",
    "time",
    "begins",
    "ends",
    "people",
    "low",
    "high",
    "rain",
    "worn",
    "pieces",
    "whole",
    "locked",
)
BETWEEN = "; "


@dataclass(frozen=True, slots=True)
class PlannedLine:
    """An occasion with what is worn to it, or a day without any."""

    on: date
    occasion: str = ""
    """Empty on a day on which nothing happens."""
    formality: tuple[float, float] | None = None
    """None for what the words of its name tell."""
    time: TimeOfDay = TimeOfDay.ANY
    begins: Clock | None = None
    ends: Clock | None = None
    people: tuple[str, ...] = ()
    weather: Weather | None = None
    worn: tuple[str, ...] = ()
    """Names of the pieces, and their ids; where only names are written they stand for both."""
    pieces: tuple[str, ...] = ()
    whole: float | None = None
    """Told, not read: a look is judged anew wherever it is."""
    locked: bool = False


def write_plan(lines: Sequence[PlannedLine]) -> str:
    """A plan as CSV."""
    out = io.StringIO()
    table = csv.writer(out, lineterminator="\n")
    table.writerow(COLUMNS)
    for line in lines:
        sky = line.weather
        table.writerow(
            [
                line.on.isoformat(),
                plain_cell(line.occasion),
                *(("", "") if line.formality is None else (f"{v:g}" for v in line.formality)),
                line.time.value,
                *("" if clock is None else clock.isoformat("minutes") for clock in (line.begins, line.ends)),
                plain_cell(BETWEEN.join(line.people)),
                *(("", "", "") if sky is None else (f"{sky.low:g}", f"{sky.high:g}", f"{sky.rain:g}")),
                plain_cell(BETWEEN.join(line.worn)),
                plain_cell(BETWEEN.join(line.pieces)),
                "" if line.whole is None else f"{line.whole:g}",
                "yes" if line.locked else "no",
            ]
        )
    return out.getvalue()


def is_plan_table(content: bytes) -> bool:
    """Whether a file begins as a plan written as a table does."""
    head = content[:400].lstrip(b"\xef\xbb\xbf").split(b"\n", 1)[0]
    return {b"on", b"occasion"} <= {cell.strip().strip(b'"') for cell in head.split(b",")}


def read_plan(content: bytes, file: str) -> list[PlannedLine]:
    """The lines of a CSV file. Refused with the line and what is wrong."""
    rows = table_rows(text_content(content, file), file)
    head = [cell.strip() for cell in rows[0][1]] if rows else []
    if not {"on", "occasion"} <= set(head):
        raise Refused("this is no plan.", file, "Write a first line with at least: on,occasion")
    if len(rows) > MOST_EVENTS + 1:
        raise Refused(f"the file has {len(rows) - 1:,} lines.", file, f"Send up to {MOST_EVENTS} at a time.")
    return [_line(dict(zip(head, row, strict=False)), f"{file}, line {number}") for number, row in rows[1:]]


def _line(cells: dict[str, str], where: str) -> PlannedLine:
    read = {name: read_cell(cells.get(name, "").strip(), where) for name in COLUMNS}
    try:
        on = date.fromisoformat(read["on"])
    except ValueError:
        raise Refused(f"'{read['on'][:40]}' is no day.", where, "Write it as 2031-05-04.") from None
    try:
        hour = TimeOfDay(read["time"].lower() or TimeOfDay.ANY)
        begins, ends = (Clock.fromisoformat(read[name]) if read[name] else None for name in ("begins", "ends"))
    except ValueError:
        raise Refused(
            "the time of this line makes no sense.", where, "Write day, evening or any, and clocks as 19:30."
        ) from None
    worn, pieces = _names(read["worn"]), _names(read["pieces"])
    return PlannedLine(
        on,
        read["occasion"][:120],
        _formality(read["from"], read["to"], where),
        hour,
        begins,
        ends,
        _names(read["people"]),
        weather_of(cells, where),
        worn,
        pieces or worn,
        locked=read["locked"].lower() == "yes",
    )


def _names(cell: str) -> tuple[str, ...]:
    return tuple(one.strip() for one in cell.split(";") if one.strip())


def _formality(low: str, high: str, where: str) -> tuple[float, float] | None:
    if not low and not high:
        return None
    try:
        span = float(low or high), float(high or low)
        if not 1 <= span[0] <= span[1] <= 5:
            raise ValueError
    except ValueError:
        raise Refused(
            "the formality of this line makes no sense.", where, "It runs from 1 to 5, the lower end first."
        ) from None
    return span
