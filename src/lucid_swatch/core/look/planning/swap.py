"""Other looks for one occasion, while all the others of a plan stay as they are."""

from collections.abc import Sequence
from dataclasses import dataclass
from datetime import date, timedelta

import numpy as np

from ...colour.arrays import BoolArray, IntArray
from ..dressing.wardrobe import NOTHING
from .days import Day, Habits, Occasion
from .good_looks import GoodLooks
from .week import Slot, Worn

SHARED = 12.0
"""Points of the whole that a look may be less good for each garment that it does not share with the others shown."""


@dataclass(frozen=True, slots=True)
class Elsewhere:
    """What is worn to another occasion of the plan."""

    on: date
    people: frozenset[str]
    piece_ids: frozenset[str]


def looks_that_fit(
    good: GoodLooks, day: Day, occasion: Occasion, others: Sequence[Elsewhere], habits: Habits
) -> BoolArray:
    """Which looks go to an occasion, hold nothing that rests or is away, and were not seen by the same people. (n,)."""
    ids = [piece.id for piece in good.pieces]
    here = np.array([habits.away.get(id, day.on - timedelta(1)) < day.on for id in ids], dtype=bool)
    for other in others:
        apart = abs((other.on - day.on).days)
        for k, piece in enumerate(good.pieces):
            if piece.id in other.piece_ids and 0 < apart <= habits.rests(piece):
                here[k] = False
    fit: BoolArray = good.dressing(day.asks(occasion)) & good.within(here)
    for other in others:
        if other.people & occasion.people and other.on != day.on:
            seen = np.append(np.array([id in other.piece_ids for id in ids], dtype=bool), True)
            # all but the shoes is what is seen as the same clothes
            fit &= ~seen[np.delete(good.rows, 2, axis=1)].all(axis=1)
    return fit


def best_apart(
    good: GoodLooks, fit: BoolArray, slot: Slot, count: int, not_these: Sequence[frozenset[str]]
) -> list[Worn]:
    """The best looks that fit, no two in the same clothes. not_these: looks that hang there, by the ids of their pieces."""
    rows = np.flatnonzero(fit)
    values = good.wholes[rows].copy()
    ids = [piece.id for piece in good.pieces]
    taken = [frozenset(k for k, id in enumerate(ids) if id in one) for one in not_these]
    found: list[Worn] = []
    for one in taken:
        values -= _alike(good.rows[rows], one)
    while len(found) < count and len(rows):
        best = int(np.argmax(values))
        if not np.isfinite(values[best]):
            break
        row = good.rows[rows[best]]
        own = frozenset(int(k) for k in row if k != NOTHING)
        found.append(
            Worn(slot, tuple(ids[k] for k in row.tolist() if k != NOTHING), round(float(good.wholes[rows[best]]), 1))
        )
        values -= _alike(good.rows[rows], own)
    return found


def _alike(rows: IntArray, own: frozenset[int]) -> np.ndarray:
    """What sharing garments with a look costs; one in the same garments is none at all."""
    garments = np.delete(rows, 2, axis=1)
    shared = np.isin(garments, list(own)) & (garments != NOTHING)
    same = (shared | (garments == NOTHING)).all(axis=1)
    return np.where(same, np.inf, SHARED * shared.sum(axis=1))
