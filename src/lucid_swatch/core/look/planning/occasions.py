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
    return told_by(name, own)[1]


def told_by(name: str, own: Mapping[str, Span] | None = None) -> tuple[str, Span]:
    """The word of an event's name that says how formal it is, empty where none does, and how formal that is.

    own: the stylist's own words, of which the longest that is found counts, before all others."""
    for word, span in sorted((own or {}).items(), key=lambda one: -len(one[0])):
        if _any_of([word]).search(name):
            return word, span
    usual, lines = _lines()
    found = ((pattern.search(name), span) for pattern, span in lines)
    return next(((word[0].lower(), span) for word, span in found if word is not None), ("", usual))


def about(formality: float) -> Span:
    """The span of a formality that was told as one number. ValueError outside of 1 to 5."""
    if not 1 <= formality <= 5:
        raise ValueError(f"{formality:g} is no formality; it runs from 1 to 5")
    return max(1.0, formality - EXACTLY), min(5.0, formality + EXACTLY)
