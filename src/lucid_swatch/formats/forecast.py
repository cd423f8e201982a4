"""A weather forecast in the open format."""

from datetime import date
from typing import Literal

from pydantic import Field, model_validator

from lucid_swatch.core.look.planning.days import Weather

from .document import Document


class ForecastDay(Document):
    """The weather of a day."""

    on: date
    low: float = Field(ge=-60, le=60)
    """Degrees Celsius."""
    high: float = Field(ge=-60, le=60)
    rain: float = Field(default=0.0, ge=0, le=2000)
    """Millimetres."""

    @model_validator(mode="after")
    def _in_order(self) -> "ForecastDay":
        if self.high < self.low:
            raise ValueError(f"{self.on}: the high lies below the low")
        return self

    def to_core(self) -> Weather:
        """The weather as the core takes it."""
        return Weather(self.low, self.high, self.rain)


class ForecastDocument(Document):
    """The weather of some days, wherever it comes from; days may be missing."""

    format: Literal["lucid-swatch/forecast"] = "lucid-swatch/forecast"
    version: int = 1
    place: str = Field(default="", max_length=200)
    days: list[ForecastDay] = Field(max_length=1000)

    def by_day(self) -> dict[date, Weather]:
        """The weather by day; the last line on a day counts."""
        return {day.on: day.to_core() for day in self.days}
