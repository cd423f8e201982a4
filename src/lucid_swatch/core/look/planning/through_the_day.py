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


def stages_of(weather: Weather | None, time: TimeOfDay, layered: bool, long: bool = False) -> tuple[DayStage, ...]:
    """The stages of a day: none where nothing is known of the weather, or it neither turns nor is the day long. A look without
    a layer for a cold day is worn inside, and has something over it on the way. The look goes to its occasion already, so that
    no stage asks how formal it is.

    layered: whether it has one. long: whether what it is worn to goes on into the evening."""
    if weather is None:
        return ()
    if not layered and weather.warmth(time) >= LAYER_FROM:
        return (DayStage(ON_THE_WAY, None, round(weather.warmth(time), 2), weather.wet, time),)
    if time is TimeOfDay.EVENING:
        return ()
    cold, mild = (_warmth(weather.low + share * (weather.high - weather.low)) for share in (EARLY, LATE))
    if cold - mild < TURNS and not long:
        return ()
    day = (
        DayStage("morning", None, cold, weather.wet, TimeOfDay.DAY),
        DayStage("afternoon", None, mild, weather.wet, TimeOfDay.DAY),
    )
    late = DayStage("evening", None, round(weather.warmth(TimeOfDay.EVENING), 2), weather.wet)
    return (*day, late) if long else day


def _warmth(degrees: float) -> float:
    return round(float(np.interp(-degrees, -WARMTHS, np.arange(5.0))), 2)
