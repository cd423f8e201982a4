"""A kept plan as it goes out: iCalendar for a calendar, and a table for everything else."""

import csv
import io
from collections.abc import Sequence
from dataclasses import dataclass
from datetime import date

from lucid_swatch.core.look.planning.days import Weather

from .plain_text import plain_cell

COLUMNS = ("on", "occasion", "from", "to", "time", "low", "high", "rain", "worn", "pieces", "whole", "locked")
BETWEEN = "; "


@dataclass(frozen=True, slots=True)
class PlannedLine:
    """An occasion with what is worn to it."""

    on: date
    occasion: str
    formality: tuple[float, float]
    time: str
    weather: Weather | None
    worn: tuple[str, ...]
    """Names of the pieces, and their ids."""
    pieces: tuple[str, ...]
    whole: float | None
    locked: bool


def write_plan(lines: Sequence[PlannedLine]) -> str:
    """A plan as CSV, a line for each occasion."""
    out = io.StringIO()
    table = csv.writer(out, lineterminator="\n")
    table.writerow(COLUMNS)
    for line in lines:
        sky = line.weather
        degrees = ("", "", "") if sky is None else (f"{sky.low:g}", f"{sky.high:g}", f"{sky.rain:g}")
        table.writerow(
            [
                line.on.isoformat(),
                plain_cell(line.occasion),
                *(f"{v:g}" for v in line.formality),
                line.time,
                *degrees,
                plain_cell(BETWEEN.join(line.worn)),
                plain_cell(BETWEEN.join(line.pieces)),
                "" if line.whole is None else f"{line.whole:g}",
                "yes" if line.locked else "no",
            ]
        )
    return out.getvalue()
