"""What a cloth of several colours is called, told by the measures of its print.

A kind of pattern has many families: a check is a gingham, a plaid or a windowpane, and each looks otherwise. The chance of
a kind is that of its families together. The numbers stand in pattern_kinds.csv; `benchmarks/prints` fits them to cloths
drawn by chance, whose family is known, and to photos, and reports on photos that were kept out."""

from functools import cache

import numpy as np

from ..colour.arrays import BoolArray, FloatArray
from .logistic import Model, read_model
from .print_measures import NAMES
from .vocabulary import PatternType

TOLD_BY = (*NAMES, "always")
"""What is measured, in the order of the numbers; the last is 1 for every cloth."""
KINDS = (
    PatternType.SOLID, PatternType.MARL, PatternType.STRIPE, PatternType.CHECK, PatternType.DOT, PatternType.FLORAL,
    PatternType.ANIMAL, PatternType.GEOMETRIC, PatternType.ABSTRACT, PatternType.COLOUR_BLOCK,
)  # fmt: skip
"""What can be told apart."""


def kind_chances(measures: FloatArray, model: Model[str] | None = None) -> FloatArray:
    """The chance of each of KINDS. measures: (n, measures), as print_measures gives them. model: of families, left out,
    the one that is kept. Returns (n, kinds), rows sum to 1."""
    model = model or kept_model()
    scores = model.scores(np.column_stack([measures, np.ones(len(measures))]))
    weight = np.exp(scores - scores.max(axis=1, keepdims=True))
    chances: FloatArray = weight / weight.sum(axis=1, keepdims=True) @ of_kind(model.kinds)
    return chances


def of_kind(families: tuple[str, ...]) -> BoolArray:
    """Which families a kind has. families: "kind/family" each. To (families, kinds)."""
    return np.array([[family.split("/")[0] == kind for kind in KINDS] for family in families])


def likeliest_kind(measures: FloatArray) -> tuple[PatternType, float]:
    """What a cloth is most likely called, and the chance of that. measures: (measures,)."""
    chances = kind_chances(measures[None])[0]
    first = int(chances.argmax())
    return KINDS[first], float(chances[first])


@cache
def kept_model() -> Model[str]:
    """The model in pattern_kinds.csv, of families."""
    return read_model("pattern_kinds.csv", str, TOLD_BY)
