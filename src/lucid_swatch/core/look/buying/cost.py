"""What a piece would cost a wear, at the rate at which its like is really worn."""

from collections.abc import Sequence
from dataclasses import dataclass
from datetime import date

from ...garment.vocabulary import Category
from ..body import Zone
from ..dressing.dress import zone_of

YEAR = 365.0
LEAST_WEARS = 6
"""Wears in the log from which a rate is told."""
LEAST_DAYS = 60
"""Days over which they are counted at least."""
KEPT_FOR = 4.0
"""Years that a piece is kept, where nobody knows."""
ASSUMED: dict[Zone, float] = {
    Zone.LAYER: 35.0, Zone.UPPER: 25.0, Zone.LOWER: 30.0, Zone.WHOLE: 10.0, Zone.FEET: 45.0, Zone.LEGS: 15.0,
    Zone.HEAD: 20.0, Zone.NECK: 20.0, Zone.WAIST: 30.0, Zone.HAND: 60.0,
}  # fmt: skip
"""Times a year that a piece of a zone is worn, where the log does not tell: a workaday guess that is always said."""


@dataclass(frozen=True, slots=True)
class Log:
    """When a piece of the rail was worn."""

    category: Category
    worn_on: tuple[date, ...]


@dataclass(frozen=True, slots=True)
class CostAWear:
    """What a piece costs a wear."""

    a_wear: float
    """In the money of the price."""
    a_year: float
    """Times it would be worn."""
    years: float
    wears: int
    """Wears in the log on which the rate rests; 0 where it is assumed."""
    pieces: int
    """Of how many pieces like it."""

    @property
    def told(self) -> str:
        """The arithmetic in a sentence."""
        often = f"{self.a_year:.0f} times a year for {self.years:.0f} years"
        if not self.wears:
            return f"If it is worn {often}: assumed, because the log tells of too few wears of such pieces."
        some = "1 piece" if self.pieces == 1 else f"{self.pieces} pieces"
        return f"If it is worn {often}, as {some} like it {'is' if self.pieces == 1 else 'are'}: {self.wears} wears."


def cost_a_wear(price: float, category: Category, logs: Sequence[Log], today: date) -> CostAWear:
    """What a piece at a price costs a wear. logs: of the pieces that hang on the rail."""
    for like in (
        [one for one in logs if one.category is category],
        [one for one in logs if zone_of(one.category) is zone_of(category)],
    ):
        rate = _rate(like, today)
        if rate is not None:
            a_year, wears = rate
            return CostAWear(_each(price, a_year), a_year, KEPT_FOR, wears, len(like))
    a_year = ASSUMED[zone_of(category)]
    return CostAWear(_each(price, a_year), a_year, KEPT_FOR, 0, 0)


def _rate(like: Sequence[Log], today: date) -> tuple[float, int] | None:
    """Times a year that one of some pieces is worn, and the wears it is told from; None where they are too few."""
    days = [(today - day).days for one in like for day in one.worn_on if 0 <= (today - day).days < YEAR]
    if len(days) < LEAST_WEARS:
        return None
    over = max(max(days) + 1, LEAST_DAYS)
    return len(days) / len(like) * YEAR / over, len(days)


def _each(price: float, a_year: float) -> float:
    return round(price / max(a_year * KEPT_FOR, 1.0), 2)
