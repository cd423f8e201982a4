"""Kinds that are told by measures: multinomial logistic regression (McCullagh and Nelder 1989)."""

import csv
from dataclasses import dataclass
from importlib.resources import files
from typing import Generic, TypeVar

import numpy as np

from ..colour.arrays import FloatArray

Kind = TypeVar("Kind")
FAR = 3.0
"""Spreads from the middle beyond which a measure says no more."""


@dataclass(frozen=True, slots=True, eq=False)
class Model(Generic[Kind]):
    """What measures say of each kind."""

    kinds: tuple[Kind, ...]
    middle: FloatArray
    spread: FloatArray
    """(measures,), of what it was fitted to."""
    weights: FloatArray
    """(measures, kinds)."""

    def away(self, measures: FloatArray) -> FloatArray:
        """How many spreads each measure lies from the middle, up to a limit; nan is the middle. (..., measures)."""
        known = np.where(np.isnan(measures), self.middle, measures)
        return np.clip((known - self.middle) / self.spread, -FAR, FAR)

    def scores(self, measures: FloatArray) -> FloatArray:
        """What speaks for each kind, as logarithms of a chance. (..., measures) to (..., kinds)."""
        scores: FloatArray = self.away(measures) @ self.weights
        return scores


def read_model(name: str, kind: type[Kind], told_by: tuple[str, ...]) -> Model[Kind]:
    """The numbers in a file beside this one. told_by: the measures, as the rows of the file name them."""
    with (files(__package__) / name).open(encoding="utf-8") as file:
        head, *rows = list(csv.reader(file))
    assert tuple(row[0] for row in rows) == told_by, name
    numbers = np.array([[float(v) for v in row[1:]] for row in rows])
    kinds = tuple(kind(word) for word in head[3:])  # type: ignore[call-arg]
    return Model(kinds, numbers[:, 0], numbers[:, 1], numbers[:, 2:])
