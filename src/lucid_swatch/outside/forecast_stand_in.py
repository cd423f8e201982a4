"""A weather service that is not there: a plausible forecast for any place and month, always the same for the same days.

It answers in the open format of a forecast, as a real service would be made to by a few lines between the two."""

from datetime import date, timedelta
from hashlib import blake2b
from typing import Any

import numpy as np

AHEAD = 90
"""Days that it answers at once, at most."""
MEAN, SWING = (6.0, 17.0), (5.0, 11.0)
"""Degrees Celsius: the mean of a year, and how far the warmest month lies above it; between the two for any place."""
WARMEST = 200
"""Day of the year round which it is warmest."""
SPREAD = (4.0, 11.0)
"""Between the low and the high of a day."""
WANDERS, STAYS = 2.6, 0.7
"""How far days stray from what is usual, and how much of that stays until the next."""
RAINY, RAIN = (0.2, 0.5), 4.0
"""Share of the days on which it rains, and millimetres on one of them."""


class ForecastStandIn:
    """Tells the weather of places that anybody may make up."""

    def of(self, place: str, first: date, days: int) -> dict[str, Any]:
        """The weather of some days, as JSON takes it. ValueError without a place, or for too many days."""
        if not place.strip():
            raise ValueError("no place is named")
        if not 1 <= days <= AHEAD:
            raise ValueError(f"{days} days cannot be told; 1 to {AHEAD} can")
        called = place.strip().lower()
        climate = np.random.default_rng(_number(called))
        mean, swing, rainy = climate.uniform(*MEAN), climate.uniform(*SWING), climate.uniform(*RAINY)
        told = []
        for day in (first + timedelta(k) for k in range(days)):
            usual = mean + swing * np.cos(2 * np.pi * (day.timetuple().tm_yday - WARMEST) / 365.25)
            middle = usual + _stray(called, day)
            random = np.random.default_rng(_number(f"{called} {day.isoformat()}"))
            wet = random.random() < rainy
            # under clouds days are milder and nights too
            spread = random.uniform(*SPREAD) * (0.6 if wet else 1.0)
            rain = round(float(random.exponential(RAIN)) + 0.3, 1) if wet else 0.0
            low, high = round(float(middle - spread / 2)), round(float(middle + spread / 2))
            told.append({"on": day.isoformat(), "low": low, "high": high, "rain": rain})
        return {"format": "lucid-swatch/forecast", "version": 1, "place": place.strip(), "days": told}


def _stray(place: str, day: date) -> float:
    """How far a day lies from what is usual: what strayed the days before fades."""
    back = range(8)
    pulls = [np.random.default_rng(_number(f"{place} {(day - timedelta(k)).isoformat()} air")).normal() for k in back]
    return float(WANDERS * np.sqrt(1 - STAYS**2) * sum(STAYS**k * pull for k, pull in zip(back, pulls, strict=True)))


def _number(words: str) -> int:
    return int.from_bytes(blake2b(words.encode(), digest_size=8).digest())
