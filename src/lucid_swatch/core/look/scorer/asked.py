"""What the rules ask of every piece: a number that is summed over a look, or a yes that any one piece may give.

They are asked all together, which is most of the speed of a batch: a rule that is listed here costs a fraction of one
that gathers its own."""

from collections.abc import Callable
from functools import partial

import numpy as np

from .table import Feature, PieceTable

Rule = Callable[[PieceTable], Feature]
"""What can be said of each piece of a table, (n + 1,), or of each pair, (n + 1, n + 1)."""

SEEN: list[Rule] = []
NOTICED: list[Rule] = []
MARKED: list[Rule] = []
REMEMBERED: set[Rule] = set()


def seen(rule: Rule) -> Rule:
    """Lists a number whose mean over a look is wanted, by area."""
    SEEN.append(rule)
    return rule


def noticed(rule: Rule) -> Rule:
    """Lists a number whose mean over a look is wanted, by emphasis."""
    NOTICED.append(rule)
    return rule


def marked(rule: Rule) -> Rule:
    """Lists a yes or no; wanted is whether any piece of a look gives a yes."""
    MARKED.append(rule)
    return rule


def remembered(rule: Rule) -> Rule:
    """Notes that several rules ask for it, each on its own."""
    REMEMBERED.add(rule)
    return rule


def seen_features(table: PieceTable) -> Feature:
    """All that is wanted by area, a row for each piece. (n + 1, rules)."""
    return np.stack([np.asarray(rule(table), dtype=np.float32) for rule in SEEN], axis=1)


def noticed_features(table: PieceTable) -> Feature:
    """All that is wanted by emphasis, a row for each piece. (n + 1, rules)."""
    return np.stack([np.asarray(rule(table), dtype=np.float32) for rule in NOTICED], axis=1)


def marks(table: PieceTable) -> Feature:
    """Everything that is marked, a bit for each rule. (n + 1,)."""
    kind = np.uint32 if len(MARKED) <= 32 else np.uint64
    bits = [np.left_shift(np.asarray(rule(table), dtype=kind), kind(bit)) for bit, rule in enumerate(MARKED)]
    return np.bitwise_or.reduce(bits, axis=0)


def by_name(name: str) -> Rule:
    """A feature of the table as a rule."""
    return partial(_named, name)


def _named(name: str, table: PieceTable) -> Feature:
    return table.named(name)
