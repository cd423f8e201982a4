"""A weather service that is not there: plausible, and always the same."""

from datetime import date

import numpy as np
import pytest

from lucid_swatch.formats.document import parse
from lucid_swatch.formats.forecast import ForecastDocument
from lucid_swatch.outside.forecast_stand_in import ForecastStandIn

PLACES = [f"place {k}" for k in range(12)]


def told(place, month, days=30):
    document = parse(ForecastDocument, ForecastStandIn().of(place, date(2031, month, 1), days), "forecast")
    return document.by_day()


def test_it_says_the_same_of_the_same_days_however_they_are_asked_for():
    whole = told("Vennby", 4, 30)
    assert whole == told("  vennby ", 4, 30)
    part = parse(ForecastDocument, ForecastStandIn().of("Vennby", date(2031, 4, 9), 3), "forecast").by_day()
    assert part == {on: whole[on] for on in part}
    assert whole != told("Ostrand", 4, 30)


def test_it_is_plausible_by_month_and_day():
    middle = {
        month: np.mean([(w.low + w.high) / 2 for p in PLACES for w in told(p, month).values()]) for month in (1, 7)
    }
    assert 8 < middle[7] - middle[1] < 25
    days = [w for place in PLACES for month in (1, 4, 7, 10) for w in told(place, month).values()]
    assert all(1 <= w.high - w.low <= 14 for w in days)
    assert 0.15 < np.mean([w.wet for w in days]) < 0.55
    steps = np.abs(np.diff([(w.low + w.high) / 2 for w in told("Vennby", 10).values()]))
    assert steps.mean() < 4


@pytest.mark.parametrize(("place", "days"), [("", 3), ("  ", 3), ("Vennby", 0), ("Vennby", 400)])
def test_what_it_cannot_tell_it_refuses(place, days):
    with pytest.raises(ValueError, match=r"no place|days"):
        ForecastStandIn().of(place, date(2031, 4, 1), days)
