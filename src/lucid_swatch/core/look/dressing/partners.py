"""What a piece goes with and what it fights with: every pair scored as a look of two."""

from dataclasses import dataclass

import numpy as np

from ...garment.piece import Piece
from ..body import ZONES, Zone
from ..look import Conventions, in_order
from ..scorer.batch import batch_of
from ..scorer.table import build_table
from ..verdict import DIGITS, MEASURES, Reason, Scores, explain, score_batch
from .considered import at_once

HARMONY, STATEMENT = MEASURES.index("harmony"), MEASURES.index("statement")
SHARED_ZONES = frozenset({Zone.HEAD, Zone.NECK, Zone.HAND, Zone.LAYER})
"""Parts of the figure that hold several pieces at once."""


@dataclass(frozen=True, slots=True)
class Partner:
    """A piece beside another one, as a look of two."""

    piece: Piece
    score: float
    """Harmony and statement of the two together, 0..100."""
    because: Reason | None
    """What speaks most for it, or against it."""


def go_together(one: Piece, other: Piece) -> bool:
    """Whether two pieces can be worn at once: not two skirts, not a dress over trousers."""
    first, second = ZONES[one.category], ZONES[other.category]
    if first is second:
        return first in SHARED_ZONES and one.category is not other.category
    return {first, second} not in ({Zone.WHOLE, Zone.UPPER}, {Zone.WHOLE, Zone.LOWER})


def partners(
    one: Piece, others: list[Piece], conventions: Conventions, most: int
) -> tuple[list[Partner], list[Partner]]:
    """The best partners of a piece, best first, and those it fights with, worst first; at most so many of each."""
    able = [other for other in others if other.id != one.id and go_together(one, other)]
    if not able:
        return [], []
    size = at_once(len(able))
    done = [_beside(one, able[at : at + size], conventions) for at in range(0, len(able), size)]
    both = np.concatenate([0.7 * some.scores[:, HARMONY] + 0.3 * some.scores[:, STATEMENT] for some in done])
    order = np.argsort(-both, kind="stable")
    middle = float(np.median(both))

    def told(row: int, good: bool) -> Partner:
        verdict = explain(done[row // size], row % size, able[row].id)
        reasons = [r for name in ("harmony", "statement") if (m := verdict.measures[name]) for r in m.because]
        speaking = [r for r in reasons if (r.points > 0) is good]
        because = max(speaking, key=lambda r: abs(r.points), default=None)
        return Partner(able[row], round(float(both[row]), DIGITS), because)

    best = [told(int(k), True) for k in order[:most] if both[k] >= middle]
    worst = [told(int(k), False) for k in order[::-1][:most] if both[k] < middle]
    return best, [one for one in worst if one.because is not None]


def _beside(one: Piece, others: list[Piece], conventions: Conventions) -> Scores:
    """A piece with each of some others, as looks of two."""
    pieces = (one, *others)
    place = {id(piece): k for k, piece in enumerate(pieces)}
    index = np.array([[place[id(p)] for p in in_order((one, other))] for other in others], dtype=np.intp)
    return score_batch(batch_of(build_table(pieces, conventions.school), index, [conventions], [None], [None]))
