"""What sets each look of a set apart from the others, in one sentence, from the arithmetic."""

from collections import Counter
from collections.abc import Sequence

from ...garment.piece import Piece
from ..body import Zone
from ..dressing.dress import zone_of
from ..look import Intent, Look
from ..verdict import MEASURES, Reason, Verdict
from .day import CLOTHES

MOST_OF = {
    "harmony": "the one whose colours sit best together",
    "contrast": "the one whose steps from light to dark sit best",
    "monochrome": "the one nearest to a single colour",
    "statement": "the one with the clearest voice",
    "colouring": "the one nearest to the client's own colouring",
}
GOES_FOR = {
    Intent.TONAL: "tone on tone",
    Intent.CONTRAST: "light against dark",
    Intent.ACCENT: "one accent",
    Intent.STATEMENT: "one statement piece",
}
AHEAD = 1.0
"""Points by which a look leads a measure before it is said."""
BY_LOOK = (Zone.FEET, Zone.HAND, Zone.WAIST, Zone.NECK, Zone.HEAD)


def set_apart(looks: Sequence[Look], verdicts: Sequence[Verdict]) -> list[str]:
    """A sentence for each look: what only it has, then what speaks for it most. looks: of one set, judged alike."""
    holds = Counter(piece.id for look in looks for piece in look.pieces)
    pairs = Counter(pair for look in looks for pair in _pairs(look))
    codes = Counter(code for verdict in verdicts for code in {r.code for r in _reasons(verdict)})
    sentences = []
    for k, (look, verdict) in enumerate(zip(looks, verdicts, strict=True)):
        own = _own(look, verdict, k, verdicts, holds, pairs, len(looks))
        why = _why(verdict, codes)
        told = "; ".join(part for part in (own, why) if part)
        sentences.append(told[:1].upper() + told[1:] + ".")
    return sentences


def _own(
    look: Look,
    verdict: Verdict,
    place: int,
    verdicts: Sequence[Verdict],
    holds: Counter[str],
    pairs: Counter[frozenset[str]],
    count: int,
) -> str:
    """What only this look of the set has."""
    if count == 1:
        return ""
    zones = (*CLOTHES, *BY_LOOK)
    single = [p for zone in zones for p in look.pieces if zone_of(p.category) is zone and holds[p.id] == 1]
    garments = [p for p in single if zone_of(p.category) in CLOTHES]
    if garments:
        return f"the only one with the {_named(garments[:2])}"
    intents = Counter(one.intent for one in verdicts)
    if intents[verdict.intent] == 1:
        return f"the only one that goes for {GOES_FOR[verdict.intent]}"
    if single:
        return f"the only one with the {_named(single[:2])}"
    by_id = {piece.id: piece for piece in look.pieces}
    alone = [pair for pair in _pairs(look) if pairs[pair] == 1]
    leading = _leads(verdict, place, verdicts)
    if leading:
        return leading
    if alone:
        first = sorted(alone[0])
        return f"the only one that puts the {by_id[first[0]].in_a_sentence} with the {by_id[first[1]].in_a_sentence}"
    return ""


def _leads(verdict: Verdict, place: int, verdicts: Sequence[Verdict]) -> str:
    for name in MEASURES:
        own = verdict.measures[name]
        others = [m.score for k, v in enumerate(verdicts) if k != place and (m := v.measures[name]) is not None]
        if own is not None and others and own.score >= max(others) + AHEAD:
            return f"{MOST_OF[name]} ({own.score:.0f})"
    return ""


def _named(pieces: Sequence[Piece]) -> str:
    return " and the ".join(piece.in_a_sentence for piece in pieces)


def _pairs(look: Look) -> list[frozenset[str]]:
    """Every two garments and garment with shoes of a look, in the order of the body."""
    shown = [p for p in look.pieces if zone_of(p.category) in CLOTHES or zone_of(p.category) is Zone.FEET]
    return [frozenset((one.id, other.id)) for k, one in enumerate(shown) for other in shown[k + 1 :]]


def _reasons(verdict: Verdict) -> list[Reason]:
    found = [r for m in verdict.measures.values() if m is not None for r in m.because]
    return [r for r in found if r.points > 0 and r.pieces]


HARDLY, AT_MOST = 0.35, 4
"""What a reason counts for, when one is told, that is no more than a fit to the client, or that names one piece or more
than so many: then it tells of no relation."""


def _tells(reason: Reason, verdict: Verdict, codes: Counter[str]) -> float:
    fits = any(reason in m.because for name in ("contrast", "colouring") if (m := verdict.measures[name]) is not None)
    return reason.points / codes[reason.code] * (HARDLY if fits or not 2 <= len(reason.pieces) <= AT_MOST else 1.0)


def _why(verdict: Verdict, codes: Counter[str]) -> str:
    """What speaks for a look most, rather what speaks for few of the others."""
    best = max(_reasons(verdict), key=lambda r: _tells(r, verdict, codes), default=None)
    return "" if best is None else best.text
