"""The curve of looks against pieces: for every number of pieces the choice that carries most looks."""

from collections.abc import Callable, Sequence
from dataclasses import replace

from .capsule import Asked, Capsule, choose_capsule
from .good_looks import GoodLooks

BELOW, ABOVE = 6, 6
"""Numbers of pieces that are told on either side of the one that is asked for."""
FEWEST = 3
EACH, ALL = 5.0, 22.0
"""Seconds that the best of the number asked for is looked for, and all of the curve at most."""

TellCurve = Callable[[float, Sequence[Capsule]], bool]
"""Told how far the curve is, 0..1, and all of it that is known; answers whether to go on."""


def numbers_round(pieces: int, good: GoodLooks, keep: int) -> list[int]:
    """The numbers of pieces that the curve is told for. keep: pieces that must be in."""
    low = max(FEWEST, keep, pieces - BELOW)
    high = min(pieces + ABOVE, max(len(good.pieces), pieces))
    return list(range(min(low, pieces), max(high, pieces) + 1))


def curve_of(
    good: GoodLooks, asked: Asked, tell: TellCurve, clock: Callable[[], float], each: float = EACH, most: float = ALL
) -> tuple[Capsule, ...]:
    """The best choice for numbers of pieces round the one asked for: a good one of each at once, then the best of each, the
    one asked for first. The looking ends when `tell` says so or the time is over, and what is known stays.

    clock: seconds that count up. Refused as the choice itself is."""
    numbers = numbers_round(asked.pieces, good, len(set(asked.keep)))
    begun = clock()
    first = sorted(numbers, key=lambda number: (abs(number - asked.pieces), number))
    known: dict[int, Capsule] = {}
    steps = 2 * len(numbers)
    for done, number in enumerate(first, start=1):
        # told once, and stopped there: what greed and exchanges bring
        known[number] = choose_capsule(good, replace(asked, pieces=number), lambda capsule: False)
        if not tell(done / steps, _in_order(known)):
            return _in_order(known)
    for done, number in enumerate(first, start=1 + len(numbers)):
        left = most - (clock() - begun)
        if left <= 0:
            break
        if not known[number].proven or known[number].unmet:
            found = choose_capsule(good, replace(asked, pieces=number), seconds=min(each, left))
            if (len(found.unmet), -found.looks) <= (len(known[number].unmet), -known[number].looks):
                known[number] = found
        if not tell(done / steps, _in_order(known)):
            break
    return _in_order(known)


def _in_order(known: dict[int, Capsule]) -> tuple[Capsule, ...]:
    return tuple(known[number] for number in sorted(known))
