"""Points with their reasons: what a rule gives to every look of a batch."""

from collections.abc import Callable
from dataclasses import dataclass, replace

import numpy as np

from ...colour.arrays import BoolArray, RealArray


@dataclass(frozen=True, slots=True, eq=False)
class Points:
    """What one rule says of each look of a batch."""

    code: str
    values: RealArray
    """(looks,), points; 0 where the rule has nothing to say."""
    pieces: Callable[[int], BoolArray]
    """(places,), the pieces of one look, by its index, that made it so; only asked for where the points are not 0."""
    text: Callable[[int], str]
    """The sentence for one look, by its index; only asked for where the points are not 0."""
    silent: bool = False
    """Whether the rule has nothing to say of any look."""
    always: bool = False
    """Whether it says so where it moves nothing."""

    def times(self, factor: float) -> "Points":
        """The same on another scale."""
        return self if self.silent or factor == 1 else replace(self, values=self.values * np.float32(factor))


@dataclass(frozen=True, slots=True, eq=False)
class Measured:
    """One measure over a batch."""

    start: float
    points: tuple[Points, ...]


def leading(felt: RealArray) -> BoolArray:
    """The places that are at least half as telling as the most telling one. (m,) to (m,)."""
    leading: BoolArray = felt >= max(0.5 * float(felt.max()), 1e-6)
    return leading
