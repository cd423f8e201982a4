"""What the screens send and get about the studio's own borders."""

from datetime import date

import numpy as np
from pydantic import Field

from lucid_swatch.core.colour.spaces import lab_to_hex
from lucid_swatch.core.garment.vocabulary import Bin
from lucid_swatch.store.leanings import NamedLeaning
from lucid_swatch.usecases.leanings import Proposal

from .audit import _array
from .base import Answer, Request


class MovedAnswer(Answer):
    """A piece that a moved border hangs elsewhere."""

    label: str
    client: str
    now: Bin
    then: Bin


class HabitAnswer(Answer):
    """Where this studio hangs colours otherwise than read."""

    family: str
    name: str
    read: Bin
    said: Bin
    labels: list[str]
    hex: str
    warmth: float
    limit: float
    enough: bool
    moves: list[MovedAnswer]


class LeaningAnswer(Answer):
    """A border that was moved."""

    told: str
    on: date
    hex: str
    warmth: float
    limit: float


class LeaningsAnswer(Answer):
    """The studio's own borders, and what its words ask for."""

    kept: list[LeaningAnswer]
    habits: list[HabitAnswer]


class HabitRequest(Request):
    """A habit whose border is to be moved."""

    family: str = Field(max_length=80)
    read: Bin
    said: Bin


def habit_answer(found: Proposal) -> HabitAnswer:
    """A habit, with what moving the border would do."""
    habit = found.habit
    return HabitAnswer(
        family=habit.family,
        name=habit.name,
        read=habit.read,
        said=habit.said,
        labels=list(found.labels),
        hex=lab_to_hex(_array(habit.leaning.lab)),
        warmth=habit.leaning.warmth,
        limit=habit.leaning.limit,
        enough=habit.enough,
        moves=[
            MovedAnswer(label=m.piece.called, client=m.client, now=Bin(m.now), then=Bin(m.then)) for m in found.moves
        ],
    )


def leaning_answer(kept: NamedLeaning) -> LeaningAnswer:
    """A border that was moved."""
    return LeaningAnswer(
        told=kept.told, on=kept.on, warmth=kept.warmth, limit=kept.limit, hex=lab_to_hex(np.array(kept.lab))
    )
