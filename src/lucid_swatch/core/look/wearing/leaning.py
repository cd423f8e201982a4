"""What the log says to who makes looks: what is loved comes, what felt off does not, what hangs untouched is tried."""

from collections.abc import Iterable, Mapping
from datetime import date, timedelta

from .tally import NEVER, Tally, tally
from .wear import Line

LOVED, OFF, UNTOUCHED, WORN_OUT = 2.0, -3.0, 1.5, -1.5
"""Points of the whole for a piece that felt right oftener than off, for one that felt off oftener, for one that hung
untouched, and for one that was worn again and again of late."""
TELLS_FROM, OVER = 10, 30
"""Wears, and days that they are spread over, from which the log tells what hangs untouched."""
UNTOUCHED_FOR = 60
"""Days."""
LATELY, OFTEN = 14, 4
"""Days of late, and wears in them from which a piece has been worn enough."""


def leaning(lines: Iterable[Line], hung: Mapping[str, date], today: date) -> dict[str, float]:
    """Points of the whole for each piece, by id; pieces of which the log says nothing are left out.

    hung: since when each piece of the rail hangs there."""
    known = [line for line in lines if line.on <= today]
    found = tally(known)
    lately = tally(line for line in known if line.on > today - timedelta(LATELY))
    span = max((line.on for line in known), default=today) - min((line.on for line in known), default=today)
    tells = len(known) >= TELLS_FROM and span.days >= OVER
    points = {
        id: _points(found.get(id, NEVER), lately.get(id, NEVER).days, since, today, tells) for id, since in hung.items()
    }
    return {id: value for id, value in points.items() if value}


def _points(told: Tally, lately: int, since: date, today: date, tells: bool) -> float:
    points = LOVED if told.loved > told.off else OFF if told.off > told.loved else 0.0
    still = (today - (told.last or since)).days
    if tells and still >= UNTOUCHED_FOR and told.off <= told.loved:
        points += UNTOUCHED
    if lately >= OFTEN:
        points += WORN_OUT
    return points
