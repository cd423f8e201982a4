"""Points with their reasons: what a rule gives to every look of a batch."""

from collections.abc import Callable
from dataclasses import dataclass

from ..colour.arrays import BoolArray, FloatArray


@dataclass(frozen=True, slots=True, eq=False)
class Points:
    """What one rule says of each look of a batch."""

    code: str
    values: FloatArray
    """(looks,), points; 0 where the rule has nothing to say."""
    pieces: BoolArray
    """(looks, places), the pieces that made it so."""
    text: Callable[[int], str]
    """The sentence for one look, by its index; only asked for where the points are not 0."""


@dataclass(frozen=True, slots=True, eq=False)
class Measured:
    """One measure over a batch."""

    start: float
    points: tuple[Points, ...]
