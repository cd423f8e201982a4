"""Words with how likely each is."""

from collections.abc import Mapping, Sequence
from statistics import NormalDist
from typing import TypeVar

Word = TypeVar("Word")
Chances = tuple[tuple[Word, float], ...]
"""Likeliest first, to three decimals; what is hardly possible is left out. Empty where nothing is known."""
WORTH_TELLING = 0.01


def along_a_scale(value: float, doubt: float, words: Sequence[Word], borders: Sequence[float]) -> Chances[Word]:
    """How likely each of some words is for a measured value. doubt: its standard deviation; borders: between each two
    neighbours, ascending."""
    told = NormalDist(value, doubt)
    below = [0.0, *(told.cdf(border) for border in borders), 1.0]
    return in_order({word: below[k + 1] - below[k] for k, word in enumerate(words)})


def weighed(seen: Chances[Word], usual: Mapping[Word, float], missed: float) -> Chances[Word]:
    """What is seen, weighed by what is usual. missed: the chance that what is there was not seen."""
    told = dict(seen)
    return in_order({word: (told.get(word, 0.0) + missed) * share for word, share in usual.items()})


def in_order(chances: Mapping[Word, float]) -> Chances[Word]:
    """Chances as they are told: likeliest first, without what is hardly possible."""
    total = sum(chances.values())
    told = [(word, round(chance / total, 3)) for word, chance in chances.items() if chance > WORTH_TELLING * total]
    return tuple(sorted(told, key=lambda one: -one[1]))


def taken(chances: Chances[Word], from_chance: float) -> Word | None:
    """What is taken for so without being said; None where it is too open."""
    return chances[0][0] if chances and chances[0][1] >= from_chance else None
