"""What a piece goes with and what it fights with: every pair scored as a look of two."""

from dataclasses import dataclass, replace

import numpy as np

from ...garment.piece import Piece
from ..verdict import DIGITS, MEASURES, Reason, Scores, explain, score_batch
from .around import at_once
from .dress import together
from .wardrobe import Wardrobe

HARMONY, STATEMENT = MEASURES.index("harmony"), MEASURES.index("statement")


@dataclass(frozen=True, slots=True)
class Partner:
    """A piece beside another one, as a look of two."""

    piece: Piece
    score: float
    """Harmony and statement of the two together, 0..100."""
    because: Reason | None
    """What speaks most for it, or against it."""


def partners(one: Piece, wardrobe: Wardrobe, most: int) -> tuple[list[Partner], list[Partner]]:
    """The best partners of a piece, best first, and those it fights with, worst first; at most so many of each.

    Nobody wears them yet: neither a client nor what is always on has a say."""
    free = (wardrobe.pieces[place] for place in wardrobe.free)
    able = [other for other in free if other.id != one.id and together(one.category, other.category)]
    if not able:
        return [], []
    size = at_once(len(able))
    done = [_beside(one, tuple(able[at : at + size]), wardrobe) for at in range(0, len(able), size)]
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


def _beside(one: Piece, others: tuple[Piece, ...], wardrobe: Wardrobe) -> Scores:
    """A piece with each of some others, as looks of two."""
    some = replace(wardrobe, pieces=(one, *others), client=None, always=())
    place = {piece.id: k for k, piece in enumerate(some.pieces)}
    rows = np.array([[place[one.id], place[other.id]] for other in others], dtype=np.intp)
    return score_batch(some.batch(rows))
