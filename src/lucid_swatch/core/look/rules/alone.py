"""How much pieces say by themselves, as the scorer weighs them where the stylist does not."""

from collections.abc import Sequence
from dataclasses import replace

from ...garment.piece import Piece
from ...garment.proposals import Proposal
from ...garment.vocabulary import PLAIN_PATTERNS, SHINY_FINISHES, Volume
from ..look import Look
from ..scorer.batch import make_batch
from .accents import STRONG
from .statement import statement_weights

DOUBT = 0.12
"""Either side of what is computed: company makes a piece louder or quieter."""


def alone(pieces: Sequence[Piece]) -> list[Proposal]:
    """The statement of each piece without company, 0..1, with the reason."""
    if not pieces:
        return []
    batch = make_batch([Look(piece.id, (replace(piece, statement=None),)) for piece in pieces])
    weights = statement_weights(batch).max(axis=0)
    return [
        Proposal(round(float(weight), 2), DOUBT, _because(piece, float(strong)))
        for piece, weight, strong in zip(pieces, weights, batch.of("strong").max(axis=0), strict=True)
    ]


def _because(piece: Piece, strong: float) -> str:
    said = []
    if piece.pattern not in PLAIN_PATTERNS:
        said.append(
            f"a {'' if piece.scale is None else piece.scale.value + ' '}{piece.pattern.value.replace('-', ' ')}"
        )
    if strong > STRONG:
        said.append("a strong colour")
    if piece.finish & SHINY_FINISHES:
        said.append("it shines")
    if piece.volume is Volume.FULL:
        said.append("it is full")
    return ", ".join(said) or "nothing in it speaks up"
