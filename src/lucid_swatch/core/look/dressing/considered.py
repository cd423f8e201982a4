"""A look with everything around it: the verdict, the mends, and what each piece of the rail would do, in one batch."""

from dataclasses import dataclass

from ...problems import Refused
from ..look import Look
from ..remarks.stitches import Stitch, find_stitches
from ..verdict import DIGITS, Verdict, explain
from .around import score_around
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
    around = score_around(look, others)
    gains = iter(around.gains[len(changes) :].tolist())
    bare = -float(around.scores.overall[0])
    effects = {
        one: Effect(round(next(gains) if pieces else bare, DIGITS), tuple(p.id for p in pieces))
        for one, pieces in after.items()
    }
    verdict = explain(around.scores, 0, look.id)
    stitches = find_stitches(around.scores.batch.table, verdict)
    return Considered(verdict, choose(changes, around), effects, stitches)
