"""Looks put on days: each for its occasion and its weather, with what was worn given time to rest."""

from collections import defaultdict
from collections.abc import Sequence
from dataclasses import dataclass, replace
from datetime import timedelta
from typing import Any

import numpy as np

from ...colour.arrays import BoolArray, IntArray
from ..dressing.wardrobe import NOTHING
from ..kept_look import TimeOfDay
from ..making.wanted import Wanted
from .days import Day, Habits, Occasion
from .good_looks import GoodLooks

BEST, OF_EACH = 160, 6
"""Looks that are tried for an occasion: the best, and so many of the best of each piece; all of them where those do not do."""
MET, REPEATED, TOO_OFTEN, PACKED = 4000, 35, 30, 2
"""What an occasion that is dressed for is worth, and what clothes worn again, a piece worn too often and one more piece cost, in
points of the whole."""
AT_LEAST, A_SLOT, AT_MOST = 1.2, 0.12, 4.0
"""Seconds that the best is looked for: some, a little more for each occasion, and never more than so many."""
HANDS = 2


@dataclass(frozen=True, slots=True)
class Slot:
    """An occasion on its day."""

    day: int
    """Its place among the days."""
    occasion: Occasion
    wanted: Wanted


@dataclass(frozen=True, slots=True)
class Worn:
    """What is worn to an occasion: clothes and shoes."""

    slot: Slot
    piece_ids: tuple[str, ...]
    whole: float


@dataclass(frozen=True, slots=True)
class Week:
    """Looks over some days."""

    worn: tuple[Worn | None, ...]
    """In the order of the slots; None where nothing could be had."""
    slots: tuple[Slot, ...]
    unmet: tuple[str, ...]
    """Sentences: what could not be met, and what would meet it."""


def slots_of(days: Sequence[Day]) -> tuple[Slot, ...]:
    """Every occasion with its day, in order."""
    return tuple(Slot(k, occasion, day.asks(occasion)) for k, day in enumerate(days) for occasion in day.occasions)


def dress_for(good: GoodLooks, days: Sequence[Day], habits: Habits) -> Week:
    """Clothes and shoes for every occasion of some days, as many dressed for as can be, then as good as can be.

    good: the base looks of the wardrobe. Source: CP-SAT, Perron and Furnon, OR-Tools."""
    slots = slots_of(days)
    masks = [_may(good, slot, days, habits) for slot in slots]
    some = [_promising(good, mask) for mask in masks]
    chosen = _assigned(good, slots, some, days, habits)
    if any(one is None for one in chosen):
        every = [np.flatnonzero(mask) for mask in masks]
        if sum(len(one) for one in every) > sum(len(one) for one in some):
            chosen = _assigned(good, slots, every, days, habits)
    worn = tuple(
        None if row is None else Worn(slot, _ids(good, good.rows[row]), round(float(good.wholes[row]), 1))
        for slot, row in zip(slots, chosen, strict=True)
    )
    unmet = [
        _why(good, slot, days, habits, mask)
        for slot, row, mask in zip(slots, chosen, masks, strict=True)
        if row is None
    ]
    return Week(worn, slots, tuple(unmet))


def _may(good: GoodLooks, slot: Slot, days: Sequence[Day], habits: Habits) -> BoolArray:
    """Which looks go to an occasion: its formality, weather and hour, with pieces that are there. (n,)."""
    place = good.place
    if slot.occasion.locked:
        wanted = sorted(place[id] for id in slot.occasion.locked if id in place)
        return np.array([sorted(k for k in row if k != NOTHING) == wanted for row in good.rows.tolist()], dtype=bool)
    on = days[slot.day].on
    here = np.array([habits.away.get(piece.id, on - timedelta(1)) < on for piece in good.pieces], dtype=bool)
    return good.dressing(slot.wanted) & good.within(here)


def _promising(good: GoodLooks, mask: BoolArray) -> IntArray:
    """The best of some looks, and the best of each piece. mask: (n,)."""
    rows = np.flatnonzero(mask)
    order = rows[np.argsort(-good.wholes[rows], kind="stable")]
    taken: set[int] = set(order[:BEST].tolist())
    uses: dict[int, int] = defaultdict(int)
    for k in order.tolist():
        for piece in good.rows[k].tolist():
            if piece != NOTHING and uses[piece] < OF_EACH:
                uses[piece] += 1
                taken.add(k)
    return np.array(sorted(taken), dtype=np.intp)


def _assigned(
    good: GoodLooks, slots: Sequence[Slot], rows: Sequence[IntArray], days: Sequence[Day], habits: Habits
) -> list[int | None]:
    """A look for each slot, by its row; None where none could be had. rows: those that may be taken for each."""
    # a first screen does not wait for it
    from ortools.sat.python import cp_model

    model = cp_model.CpModel()
    takes = [[model.new_bool_var(f"{s} {row}") for row in some.tolist()] for s, some in enumerate(rows)]
    worn: dict[tuple[int, int], Any] = {}
    worth: list[Any] = []
    clothes: dict[tuple[int, ...], list[tuple[int, Any]]] = defaultdict(list)
    for s, (slot, own, some) in enumerate(zip(slots, takes, rows, strict=True)):
        model.add_at_most_one(own)
        for take, row in zip(own, some.tolist(), strict=True):
            worth.append((MET + round(float(good.wholes[row]))) * take)
            clothes[_clothes(good.rows[row])].append((s, take))
        by_piece: dict[int, list[Any]] = defaultdict(list)
        for take, row in zip(own, some.tolist(), strict=True):
            for piece in good.rows[row].tolist():
                if piece != NOTHING:
                    by_piece[piece].append(take)
        for piece, some_takes in by_piece.items():
            key = (piece, slot.day)
            if key not in worn:
                worn[key] = model.new_bool_var(f"worn {piece} {slot.day}")
            model.add(sum(some_takes) <= worn[key])
    worth += _rested(model, good, worn, days, habits)
    worth += _varied(model, slots, clothes)
    model.maximize(sum(worth))
    solver = cp_model.CpSolver()
    solver.parameters.num_workers = HANDS
    solver.parameters.max_time_in_seconds = min(AT_MOST, AT_LEAST + A_SLOT * len(slots))
    solver.parameters.random_seed = 1
    if solver.solve(model) not in (cp_model.OPTIMAL, cp_model.FEASIBLE):
        return [None] * len(slots)
    return [
        next((row for take, row in zip(own, some.tolist(), strict=True) if solver.boolean_value(take)), None)
        for own, some in zip(takes, rows, strict=True)
    ]


def _rested(
    model: Any, good: GoodLooks, worn: dict[tuple[int, int], Any], days: Sequence[Day], habits: Habits
) -> list[Any]:
    """No piece on days so near that it could not rest; what wearing it too often, or taking it along, costs."""
    costs: list[Any] = []
    for piece in {piece for piece, _ in worn}:
        rest = habits.rests(good.pieces[piece])
        own = {day: worn[piece, day] for day in range(len(days)) if (piece, day) in worn}
        for day, one in own.items():
            for other, two in own.items():
                if other > day and (days[other].on - days[day].on).days <= rest:
                    model.add(one + two <= 1)
        taken = model.new_bool_var(f"taken {piece}")
        model.add_max_equality(taken, list(own.values()))
        costs.append(-PACKED * taken)
        if rest and len(own) > habits.often:
            more = model.new_int_var(0, len(own), f"more {piece}")
            model.add(more >= sum(own.values()) - habits.often)
            costs.append(-TOO_OFTEN * more)
    return costs


def _varied(model: Any, slots: Sequence[Slot], clothes: dict[tuple[int, ...], list[tuple[int, Any]]]) -> list[Any]:
    """The same people never see the same clothes; others rather do not. What repeating costs."""
    costs: list[Any] = []
    for number, takes in enumerate(clothes.values()):
        on = sorted({s for s, _ in takes})
        if len(on) < 2:
            continue
        for k, one in enumerate(on):
            for other in on[k + 1 :]:
                if slots[one].occasion.people & slots[other].occasion.people and slots[one].day != slots[other].day:
                    model.add(sum(take for s, take in takes if s in (one, other)) <= 1)
        again = model.new_int_var(0, len(on), f"again {number}")
        model.add(again >= sum(take for _, take in takes) - 1)
        costs.append(-REPEATED * again)
    return costs


def _clothes(row: IntArray) -> tuple[int, ...]:
    """What of a base look is seen as the same clothes: all but its shoes."""
    return tuple(int(k) for column, k in enumerate(row.tolist()) if k != NOTHING and column != 2)


def _ids(good: GoodLooks, row: IntArray) -> tuple[str, ...]:
    return tuple(good.pieces[k].id for k in row.tolist() if k != NOTHING)


def _why(good: GoodLooks, slot: Slot, days: Sequence[Day], habits: Habits, mask: BoolArray) -> str:
    """Why nothing is worn to an occasion, and what would change that."""
    where = f"{days[slot.day].on:%a %-d %b}, {slot.occasion.name}"
    if slot.occasion.locked and not mask.any():
        return f"{where}: what is locked there is no good look any more. Unlock it, or mend what it lacks."
    if mask.any():
        return (
            f"{where}: every look for it holds a piece that rests, or that another day needs. "
            "A wash in between would do, or one piece more for it."
        )
    wanted = slot.wanted
    low, high = slot.occasion.formality
    asked = f"a formality of {low:g} to {high:g}" if high > low else f"a formality of {low:g}"
    for told, other in (
        ("if it stayed dry", replace(wanted, wet=False)),
        ("in milder weather", replace(wanted, warmth=None, wet=False)),
        ("at another hour", replace(wanted, warmth=None, wet=False, time=TimeOfDay.ANY)),
        ("for another occasion", replace(wanted, formality=None)),
    ):
        count = int(good.suiting(other).sum())
        if other != wanted and count:
            return f"{where}: no good look goes to {asked} that day; {told} there would be {good.told(count)}."
    return f"{where}: no good look goes to {asked}, whatever the weather. A piece for it is missing."
