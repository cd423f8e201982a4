"""Why not higher: what costs a look most of the whole, and what it could still gain."""

from dataclasses import dataclass

from ..look import Intent
from ..scorer.weights import Weights
from ..verdict import DIGITS, Verdict

LEAST = 0.3
"""Points of the whole below which nothing is said."""
MOST = 6
GAINS = {
    "temperature-agrees": "harmony",
    "echo": "harmony",
    "pop": "harmony",
    "clarity-agrees": "harmony",
    "one-metal": "harmony",
    "shoes-and-bag": "harmony",
    "relief": "monochrome",
    "column": "monochrome",
    "one-voice": "statement",
    "picked-up": "statement",
}
"""Rules that any look may gain from, whatever it is made of, each with its measure."""


@dataclass(frozen=True, slots=True)
class HeldBack:
    """Something that keeps a look from more."""

    measure: str
    code: str
    text: str
    pieces: tuple[str, ...]
    costs: float
    """Points of the whole: what is lost, or what is not gained yet."""
    lost: bool
    """Whether points were lost; otherwise nothing was gained."""


def held_back(verdict: Verdict, weights: Weights, said: Intent | None, sentences: dict[str, str]) -> list[HeldBack]:
    """What costs most, the largest first. said: the intent the whole was weighed by. sentences: of the rules, by name."""
    judged = [name for name, measure in verdict.measures.items() if measure is not None]
    parts = dict(zip(verdict.measures, weights.parts[said], strict=True))
    total = sum(parts[name] for name in judged)
    whole = weights.scale["whole"].times
    found: list[HeldBack] = []
    for name in judged:
        measure, scale = verdict.measures[name], weights.scale[name]
        if measure is None:
            continue
        # what a point of a rule is worth in the whole, and what a shown point of the measure is
        part = whole * parts[name] / total
        found += [
            HeldBack(name, r.code, r.text, r.pieces, round(part * -r.points / scale.times, DIGITS), True)
            for r in measure.because
            if r.points < 0 and not r.meant
        ]
        there = {r.code for r in measure.because}
        found += [
            HeldBack(name, code, sentences[code], (), round(part * weights.points[code], DIGITS), False)
            for code, own in GAINS.items()
            if own == name and code not in there
        ]
    worth = [one for one in found if one.costs >= LEAST]
    return sorted(worth, key=lambda one: (not one.lost, -one.costs))[:MOST]
