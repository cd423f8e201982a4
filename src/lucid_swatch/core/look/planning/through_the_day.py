"""A day on which the weather turns, in stages."""

import numpy as np

from ..kept_look import DayStage, TimeOfDay
from ..making.day import LAYER_FROM
from .days import WARMTHS, Weather

ON_THE_WAY = "on the way"
TURNS = 0.9
"""Steps of warmth between morning and afternoon from which a day is dressed for in stages."""
EARLY, LATE = 0.15, 0.95
"""Where between the low and the high a morning and an afternoon lie."""


def stages_of(
    weather: Weather | None, time: TimeOfDay, formality: tuple[float, float], layered: bool
) -> tuple[DayStage, ...]:
    """The stages of a day: none where nothing is known of the weather, or it does not turn. A look without a layer for a cold
    day is worn inside, and has something over it on the way. layered: whether it has one."""
    if weather is None:
        return ()
    if not layered and weather.warmth(time) >= LAYER_FROM:
        return (DayStage(ON_THE_WAY, None, round(weather.warmth(time), 2), weather.wet, time),)
    if time is TimeOfDay.EVENING:
        return ()
    cold, mild = (_warmth(weather.low + share * (weather.high - weather.low)) for share in (EARLY, LATE))
    if cold - mild < TURNS:
        return ()
    middle = round(sum(formality) / 2, 2)
    return (
        DayStage("morning", middle, cold, weather.wet, TimeOfDay.DAY),
        DayStage("afternoon", middle, mild, weather.wet, TimeOfDay.DAY),
    )


def _warmth(degrees: float) -> float:
    return round(float(np.interp(-degrees, -WARMTHS, np.arange(5.0))), 2)
