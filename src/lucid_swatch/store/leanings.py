"""What this studio does otherwise than the rules that ship, as kept: its borders and its tastes."""

from collections.abc import Callable
from dataclasses import dataclass, replace
from datetime import date

from sqlalchemy.orm import Session

from lucid_swatch.core.garment.school import Leaning
from lucid_swatch.core.look.look import Conventions

from .studio import Studio, StudioKey


@dataclass(frozen=True, slots=True)
class NamedLeaning:
    """A border that was moved, and what was said of it."""

    lab: tuple[float, float, float]
    warmth: float
    limit: float
    told: str
    """In words."""
    on: date


@dataclass(frozen=True, slots=True)
class MovedRule:
    """A rule whose points this studio multiplies."""

    rule: str
    times: float


@dataclass(frozen=True, slots=True)
class Leanings:
    """The borders that were moved, in order."""

    kept: tuple[NamedLeaning, ...] = ()


@dataclass(frozen=True, slots=True)
class Tastes:
    """The rules that were moved."""

    kept: tuple[MovedRule, ...] = ()


LEANINGS, TASTES = StudioKey("leanings", Leanings), StudioKey("tastes", Tastes)


def with_studio(session: Session) -> Callable[[Conventions], Conventions]:
    """What makes the schools of a client those in force: with the leanings and tastes of the studio."""
    leanings = (Studio(session).get(LEANINGS) or Leanings()).kept
    tastes = (Studio(session).get(TASTES) or Tastes()).kept
    own = tuple(Leaning(one.lab, one.warmth, one.limit) for one in leanings)
    moved = tuple((one.rule, one.times) for one in tastes)
    return lambda schools: replace(schools, leanings=own, tastes=moved)
