"""What the log tells of each piece: how often it was worn, when last, how it felt, and what it has cost a wear."""

from collections import Counter
from collections.abc import Iterable, Mapping, Sequence
from dataclasses import dataclass
from datetime import date

from .wear import Felt, Line


@dataclass(frozen=True, slots=True)
class Tally:
    """What the log tells of a piece."""

    days: int = 0
    """On which it was worn."""
    last: date | None = None
    loved: int = 0
    """Wears that felt right, and those that felt off."""
    off: int = 0

    def since(self, today: date) -> int | None:
        """Days since it was last worn; None where it never was."""
        return None if self.last is None else max((today - self.last).days, 0)

    def cost(self, price: float | None) -> float | None:
        """Price over wears; None where either is not known."""
        return None if price is None or not self.days else round(price / self.days, 2)


NEVER = Tally()


def tally(lines: Iterable[Line]) -> dict[str, Tally]:
    """What the log tells of each piece that is in it, by id. A day counts once, however often a piece was put on."""
    days: dict[str, set[date]] = {}
    loved: Counter[str] = Counter()
    off: Counter[str] = Counter()
    for line in lines:
        for id in line.piece_ids:
            own = days.get(id)
            if own is None:
                days[id] = {line.on}
            else:
                own.add(line.on)
        if line.felt is Felt.LOVED:
            loved.update(line.piece_ids)
        elif line.felt is Felt.OFF:
            off.update(line.piece_ids)
    return {id: Tally(len(some), max(some), loved[id], off[id]) for id, some in days.items()}


def days_of(lines: Iterable[Line]) -> dict[str, tuple[date, ...]]:
    """The days on which each piece was worn, by id, the earliest first."""
    days: dict[str, set[date]] = {}
    for line in lines:
        for id in line.piece_ids:
            days.setdefault(id, set()).add(line.on)
    return {id: tuple(sorted(some)) for id, some in days.items()}


@dataclass(frozen=True, slots=True)
class Group:
    """What the log tells of several pieces."""

    name: str
    pieces: int
    worn: int
    """Pieces of it that were worn at all."""
    days: int
    """Wears of all of them."""
    cost: float | None
    """Price over wears of those of which both are known."""
    loved: int
    off: int


def grouped(
    names: Mapping[str, Sequence[str]], found: Mapping[str, Tally], prices: Mapping[str, float | None]
) -> list[Group]:
    """Pieces by what they are grouped by, the most worn first. names: of the groups of each piece, by its id."""
    members: dict[str, list[str]] = {}
    for id, some in names.items():
        for name in some:
            members.setdefault(name, []).append(id)
    groups = []
    for name, ids in members.items():
        told = [found.get(id, NEVER) for id in ids]
        paid = [(price, one.days) for id, one in zip(ids, told, strict=True) if (price := prices.get(id)) is not None]
        wears = sum(days for _, days in paid)
        cost = round(sum(price for price, _ in paid) / wears, 2) if wears else None
        worn = sum(one.days > 0 for one in told)
        groups.append(
            Group(
                name,
                len(ids),
                worn,
                sum(t.days for t in told),
                cost,
                sum(t.loved for t in told),
                sum(t.off for t in told),
            )
        )
    return sorted(groups, key=lambda one: (-one.days, one.name))


ALIKE_WITHIN = 8.0
"""CIEDE2000 up to which two pieces of a kind are told of as two that are alike."""


def chosen_of_two(
    pairs: Iterable[tuple[str, str]], found: Mapping[str, Tally], least: int = 3
) -> list[tuple[str, str]]:
    """Which of two that are alike is chosen: pairs of ids, the one worn at least twice as often first. least: wears of it."""
    told = []
    for one, other in pairs:
        often, seldom = sorted((one, other), key=lambda id: -found.get(id, NEVER).days)
        more, less = found.get(often, NEVER).days, found.get(seldom, NEVER).days
        if more >= max(least, 2 * less):
            told.append((often, seldom))
    return told
