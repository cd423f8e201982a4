"""What the name of an event says of how one dresses for it, from occasions.toml and the stylist's own words."""

import re
import tomllib
from collections.abc import Mapping
from functools import cache
from importlib.resources import files

Span = tuple[float, float]
EXACTLY = 0.5
"""Half the span round a formality that is told as one number."""


@cache
def _lines() -> tuple[Span, tuple[tuple[re.Pattern[str], Span], ...]]:
    told = tomllib.loads((files(__package__) / "occasions.toml").read_text(encoding="utf-8"))
    lines = [(_any_of(line["words"]), _span(line["formality"])) for line in told["line"]]
    return _span(told["usual"]), tuple(lines)


def _span(values: list[float]) -> Span:
    low, high = values
    return float(low), float(high)


def _any_of(words: list[str]) -> re.Pattern[str]:
    # 'concerts' is a concert, and 'trainer' no train
    return re.compile(rf"\b(?:{'|'.join(map(re.escape, words))})(?:e?s|ing)?\b", re.IGNORECASE)


def formality_of(name: str, own: Mapping[str, Span] | None = None) -> Span:
    """How formal an event of some name is. own: the stylist's own words, which count before all others."""
    for word, span in (own or {}).items():
        if _any_of([word]).search(name):
            return span
    usual, lines = _lines()
    return next((span for pattern, span in lines if pattern.search(name)), usual)


def about(formality: float) -> Span:
    """The span of a formality that was told as one number. ValueError outside of 1 to 5."""
    if not 1 <= formality <= 5:
        raise ValueError(f"{formality:g} is no formality; it runs from 1 to 5")
    return max(1.0, formality - EXACTLY), min(5.0, formality + EXACTLY)
