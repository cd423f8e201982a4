"""What stands against what hangs on the days of a plan."""

from collections.abc import Mapping, Sequence
from datetime import date

from ...garment.piece import Piece
from ..dressing.dress import zone_of
from ..making.day import CLOTHES, why_left_out
from .days import Day, Habits, Occasion
from .good_looks import inside
from .plan import Event


def troubles(
    events: Sequence[Event],
    days: Mapping[date, Day],
    pieces: Mapping[str, Piece],
    habits: Habits,
    spans: Mapping[str, Occasion],
) -> dict[str, tuple[str, ...]]:
    """Sentences on what hangs on each occasion, by its id; occasions without any are left out.

    pieces: as they are known, by id. spans: each occasion as it is dressed for, by its id."""
    found: dict[str, tuple[str, ...]] = {}
    for event in events:
        told = []
        for id in event.piece_ids:
            piece = pieces.get(id)
            if piece is None:
                told.append("A piece of it hangs there no more.")
                continue
            why = why_left_out(piece, inside(days[event.on].asks(spans[event.id])))
            if why is not None:
                told.append(f"{piece.called}: {why.removeprefix('is ').removeprefix('are ')}.")
            until = habits.away.get(id)
            if until is not None and event.on <= until:
                told.append(f"{piece.called}: away until {until:%-d %b}.")
            resting = _resting(event, events, id, habits.rests(piece))
            if resting is not None:
                told.append(
                    f"{piece.called}: on {resting:%a %-d %b} as well, and such pieces rest {_days(habits.rests(piece))}."
                )
        seen = _seen(event, events, pieces)
        if seen is not None:
            told.append(f"The same people see these clothes on {seen:%a %-d %b}.")
        if told:
            found[event.id] = tuple(dict.fromkeys(told))
    return found


def _days(count: int) -> str:
    return "a day" if count == 1 else f"{count} days"


def _resting(event: Event, events: Sequence[Event], id: str, rest: int) -> date | None:
    """A day so near that the piece could not rest; None where there is none."""
    near = (one.on for one in events if id in one.piece_ids and 0 < abs((one.on - event.on).days) <= rest)
    return min(near, default=None)


def _seen(event: Event, events: Sequence[Event], pieces: Mapping[str, Piece]) -> date | None:
    """A day on which the same people see the same clothes; None where there is none."""
    own = _clothes(event, pieces)
    if not own or not event.people:
        return None
    people = set(event.people)
    same = (
        one.on for one in events if one.on != event.on and people & set(one.people) and _clothes(one, pieces) == own
    )
    return min(same, default=None)


def _clothes(event: Event, pieces: Mapping[str, Piece]) -> frozenset[str]:
    return frozenset(id for id in event.piece_ids if id in pieces and zone_of(pieces[id].category) in CLOTHES)
