"""One piece, many ways: looks with it for a spread of occasions, and what it does in each."""

from collections.abc import Sequence
from dataclasses import dataclass, replace

import numpy as np

from ..body import Zone
from ..dressing.dress import zone_of
from ..dressing.wardrobe import Wardrobe
from ..look import Intent, Look
from ..remarks.sense import FORMALITY_WORDS
from ..rules.accents import is_strong
from ..rules.statement import statement_weights
from ..scorer.batch import make_batch
from ..verdict import Reason, Verdict
from .make import MadeLook, make_looks
from .wanted import Wanted

OCCASIONS: tuple[tuple[float, float], ...] = ((1.0, 2.0), (2.0, 3.0), (3.0, 4.0), (4.0, 5.0))
"""Formality from and to, over which a piece is spread."""
VOICE = 0.5
"""Weight from which a piece makes a statement."""


@dataclass(frozen=True, slots=True)
class Way:
    """A look with the piece, and the occasion that it was made for."""

    made: MadeLook
    occasion: str


def many_ways(wardrobe: Wardrobe, piece: str, number: int, wanted: Wanted | None = None) -> list[Way]:
    """So many looks with one piece, spread over every occasion that it goes to, from the least formal.

    No two are worn in the same clothes. wanted: what else is asked, such as the weather."""
    question = wanted or Wanted(1)
    found: dict[tuple[float, float], list[MadeLook]] = {span: [] for span in OCCASIONS}
    # an occasion that has too few leaves its share to the others
    for share in (-(-number // len(OCCASIONS)), number):
        for span in OCCASIONS:
            missing = number - sum(len(some) for some in found.values())
            more = min(share - len(found[span]), missing)
            if more > 0 and (share < number or found[span]):
                made_already = (made.piece_ids for some in found.values() for made in some)
                taken = (*question.dropped, *made_already)
                asked = replace(
                    question, number=more, start=(piece,), formality=span, spread=False, kept=(), dropped=taken
                )
                found[span] += make_looks(wardrobe, asked).looks
    return [Way(made, _called(span)) for span, some in found.items() for made in some]


def another_way(
    wardrobe: Wardrobe, wanted: Wanted, occasion: str, taken: tuple[tuple[str, ...], ...]
) -> MadeLook | None:
    """One more look with the piece for an occasion, in no clothes that are taken; None where none is good."""
    span = next((one for one in OCCASIONS if _called(one) == occasion), None)
    if span is None:
        return None
    asked = replace(wanted, number=1, formality=span, spread=False, kept=(), dropped=taken)
    return next(iter(make_looks(wardrobe, asked).looks), None)


def _called(span: tuple[float, float]) -> str:
    low, high = (FORMALITY_WORDS[round(end) - 1] for end in span)
    return f"{low} to {high}"


def roles(looks: Sequence[Look], verdicts: Sequence[Verdict], piece: str) -> list[str]:
    """What one piece does in each look, in words. looks: that hold it, judged so."""
    return [_role(look, verdict, piece) for look, verdict in zip(looks, verdicts, strict=True)]


def _role(look: Look, verdict: Verdict, id: str) -> str:
    batch = make_batch([look])
    place = next(k for k in range(len(batch.rows)) if batch.piece(0, k).id == id)
    piece, weights = batch.piece(0, place), statement_weights(batch)[:, 0]
    if zone_of(piece.category) is Zone.LAYER:
        return "the layer"
    if weights[place] > VOICE and weights[place] >= weights.max():
        return "the one voice"
    strong = batch.of(is_strong)[:, 0] & batch.present[:, 0]
    if strong[place] and strong.sum() == 1:
        return "the one voice"
    echoed = any(id in r.pieces and r.code in ECHOED and r.points > 0 for r in _reasons(verdict))
    if strong[place] and echoed:
        return "a colour that comes back"
    if zone_of(piece.category) not in (Zone.UPPER, Zone.LOWER, Zone.WHOLE):
        return "an answer to the rest" if echoed else "a quiet end"
    if verdict.intent is Intent.TONAL:
        return "part of the tone"
    return (
        "the quiet base" if weights[place] <= np.median(weights) + 0.1 or not strong[place] else "one of several voices"
    )


ECHOED = frozenset({"echo", "picked-up", "accent-from-the-print", "shoes-and-bag", "one-metal"})


def _reasons(verdict: Verdict) -> list[Reason]:
    return [r for m in verdict.measures.values() if m is not None for r in m.because]
