"""What is asked when looks are made."""

from dataclasses import dataclass
from enum import StrEnum

from ..kept_look import TimeOfDay
from ..look import Intent
from ..theme import Theme


class Share(StrEnum):
    """How the pieces that looks start from are shared among them."""

    ONE = "one"
    """Each look holds one of them."""
    ALL = "all"
    """Each holds all of them."""
    EVEN = "even"
    """Each holds one of them, and each of them is in as many looks, within one."""


MOST_WANTED = 500
"""Looks that are made at once, at most."""


@dataclass(frozen=True, slots=True)
class Wanted:
    """So many looks, from what, for what. ValueError where the numbers make no sense."""

    number: int
    start: tuple[str, ...] = ()
    """Ids of the pieces that looks start from; none for any."""
    share: Share = Share.ONE
    formality: tuple[float, float] | None = None
    """Of the occasion, from least to most, 1 beach and garden .. 5 black tie."""
    warmth: float | None = None
    """That the weather asks for, 0 bare summer .. 4 deep winter."""
    wet: bool = False
    time: TimeOfDay = TimeOfDay.ANY
    intent: Intent | None = None
    theme: Theme | None = None
    spread: bool = False
    """Whether the one piece that looks start from is spread over every occasion that it goes to."""
    seed: int = 0
    """Another seed turns what lies equally near another way."""
    kept: tuple[tuple[str, ...], ...] = ()
    """Looks that stay, by the ids of their pieces; they count among the number."""
    dropped: tuple[tuple[str, ...], ...] = ()
    """Looks that were let go: none comes again in the same clothes."""
    by_log: bool = False
    """Whether what the log tells of the pieces weighs: what is loved comes, what hangs untouched is tried."""

    def __post_init__(self) -> None:
        if not 1 <= self.number <= MOST_WANTED:
            raise ValueError(f"{self.number} looks are asked for; 1 to {MOST_WANTED} can be made at once")
        if self.spread and len(self.start) != 1:
            raise ValueError("one piece is spread over occasions, and no more")
        if self.formality is not None and not 1 <= self.formality[0] <= self.formality[1] <= 5:
            raise ValueError("formality runs from 1 to 5, the lower end first")
        if self.warmth is not None and not 0 <= self.warmth <= 4:
            raise ValueError("warmth runs from 0 to 4")
