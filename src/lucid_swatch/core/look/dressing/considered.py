"""A look with everything around it: the verdict, the mends, and what each piece of the rail would do, in one batch."""

from dataclasses import dataclass, replace

import numpy as np

from ...garment.piece import Piece
from ...problems import Refused
from ..look import Look
from ..remarks.stitches import Stitch, find_stitches
from ..scorer.batch import make_batch
from ..verdict import DIGITS, Scores, Totals, Verdict, explain, score_batch
from .mends import Mend, candidates, choose, with_piece


@dataclass(frozen=True, slots=True)
class Effect:
    """What putting a piece on, or taking it off again, would do."""

    change: float
    """Of the whole."""
    pieces: tuple[str, ...]
    """The look after it, by piece id."""


@dataclass(frozen=True, slots=True, eq=False)
class Considered:
    """A look and its surroundings."""

    verdict: Verdict
    mends: list[Mend]
    effects: dict[str, Effect]
    """By piece id, of the look and of the rail."""
    stitches: list[Stitch]


def consider(look: Look) -> Considered:
    """The verdict on a look, its mends, and the effect of every piece of its rail put where it belongs.

    A piece that is in the look already stands for taking it off again. Refused without a piece."""
    if not look.pieces:
        raise Refused("the look has no piece.", look.id, "Add at least one piece.")
    changes = candidates(look)
    after = {p.id: with_piece(look.pieces, p) for p in (*look.pieces, *look.rail)}
    others = [*(pieces for _, pieces in changes), *(pieces for pieces in after.values() if pieces)]
    scores, totals = _scored(look, others)
    now = float(totals.overall[0])
    rest = iter(totals.overall[len(changes) + 1 :])
    effects = {
        one: Effect(round((float(next(rest)) if pieces else 0.0) - now, DIGITS), tuple(p.id for p in pieces))
        for one, pieces in after.items()
    }
    verdict = explain(scores, 0, look.id)
    stitches = find_stitches(scores.batch.table, verdict)
    return Considered(verdict, choose(look, changes, totals), effects, stitches)


PIECES_AT_ONCE = 600
"""Pieces of one table: what is known of their pairs grows with the square of them."""
PART = 150
"""Pieces of each table of a longer rail: small ones are quicker together than few large ones."""


def at_once(count: int) -> int:
    """How many of some pieces are asked in one table."""
    return count if count <= PIECES_AT_ONCE else PART


def _scored(look: Look, others: list[tuple[Piece, ...]]) -> tuple[Scores, Totals]:
    """A look, and it with each of many other changes; of a long rail some pieces at a time.

    others: the pieces after each change. The totals hold the look first and the changes in their order."""
    own = {piece.id for piece in look.worn}
    newcomers: dict[str, list[int]] = {}
    for row, pieces in enumerate(others):
        coming = next((piece.id for piece in pieces if piece.id not in own), "")
        newcomers.setdefault(coming, []).append(row)
    parts: list[list[int]] = [[]]
    for place, rows in enumerate(newcomers.values(), start=1):
        parts[-1] += rows
        if place % at_once(len(newcomers)) == 0:
            parts.append([])
    done = [(p, score_batch(make_batch([look, *(replace(look, pieces=others[row]) for row in p)]))) for p in parts]
    first = done[0][1]
    if len(done) == 1 and parts[0] == list(range(len(others))):
        return first, first
    scores, overall = np.empty((len(others) + 1, first.scores.shape[1])), np.empty(len(others) + 1)
    scores[0], overall[0] = first.scores[0], first.overall[0]
    for rows, one in done:
        scores[[row + 1 for row in rows]], overall[[row + 1 for row in rows]] = one.scores[1:], one.overall[1:]
    return first, Totals(scores, overall)
