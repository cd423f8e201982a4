"""Days that looks are planned for: what happens on them, the weather, and how long what was worn rests."""

from dataclasses import dataclass, field
from datetime import date

import numpy as np

from ...garment.piece import Piece
from ...garment.vocabulary import Category as C
from ...garment.vocabulary import Finish as F
from ..kept_look import TimeOfDay
from ..making.wanted import Wanted

WARMTHS = np.array([27.0, 20.0, 13.0, 5.0, -4.0])
"""Degrees Celsius that ask for a warmth of 0, 1, 2, 3 and 4: bare summer, summer, a mild day, a cold day, deep winter."""
RAIN_FROM = 1.0
"""Millimetres in a day from which it counts as wet."""
REST: dict[C, int] = {
    C.TOP: 2, C.SHIRT: 2, C.TUNIC: 2, C.KNIT: 1, C.DRESS: 2, C.JUMPSUIT: 2, C.TROUSERS: 1, C.SKIRT: 1, C.SHORTS: 1,
    C.SHOES: 1, C.BOOTS: 1, C.HOSIERY: 2,
}  # fmt: skip
"""Days that a piece rests after a day on which it was worn, to be washed or aired; what is not here may be worn every day."""
AIRED = frozenset({F.DENIM, F.LEATHER, F.TWEED})
"""Cloths that are worn again the next day where they are not next to the skin."""
OVER_OTHERS = frozenset({C.TROUSERS, C.SKIRT, C.SHORTS})


@dataclass(frozen=True, slots=True)
class Weather:
    """The weather of a day."""

    low: float
    """Degrees Celsius."""
    high: float
    rain: float = 0.0
    """Millimetres."""

    def warmth(self, time: TimeOfDay) -> float:
        """The warmth that it asks for, 0 bare summer .. 4 deep winter; evenings lie nearer to the low."""
        share = 0.35 if time is TimeOfDay.EVENING else 0.65
        degrees = self.low + share * (self.high - self.low)
        return float(np.interp(-degrees, -WARMTHS, np.arange(5.0)))

    @property
    def wet(self) -> bool:
        """Whether one dresses for rain."""
        return self.rain >= RAIN_FROM


@dataclass(frozen=True, slots=True)
class Occasion:
    """Something that one dresses for."""

    name: str
    formality: tuple[float, float]
    time: TimeOfDay = TimeOfDay.ANY
    people: frozenset[str] = frozenset()
    """Who is there: the same people do not see the same clothes twice."""
    locked: tuple[str, ...] = ()
    """Ids of the clothes and shoes that stay, whatever the rest becomes."""


@dataclass(frozen=True, slots=True)
class Day:
    """A day with what happens on it."""

    on: date
    occasions: tuple[Occasion, ...] = ()
    weather: Weather | None = None

    def asks(self, occasion: Occasion) -> Wanted:
        """What looks for an occasion of this day have to be."""
        sky = self.weather
        return Wanted(
            1,
            formality=occasion.formality,
            warmth=None if sky is None else sky.warmth(occasion.time),
            wet=sky is not None and sky.wet,
            time=occasion.time,
        )


@dataclass(frozen=True, slots=True)
class Habits:
    """How one dresses over some days."""

    rest: int | None = None
    """Days that clothes and shoes rest; None for what such pieces usually need."""
    away: dict[str, date] = field(default_factory=dict)
    """Days until which pieces are in the wash or elsewhere, by id, that day among them."""
    often: int = 4
    """Days on which one piece may be worn before it is too often."""

    def rests(self, piece: Piece) -> int:
        """Days that a piece rests after it was worn."""
        usual = REST.get(piece.category, 0)
        if piece.category in OVER_OTHERS and piece.finish & AIRED:
            usual = 0
        return usual if self.rest is None or not usual else self.rest
