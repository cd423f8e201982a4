"""What a piece may be worth on a scale that only a person reads: proposed from what is known, with the reason."""

from collections.abc import Mapping, Sequence
from dataclasses import dataclass

from .piece import Piece
from .vocabulary import Category


@dataclass(frozen=True, slots=True)
class Proposal:
    """A value that is proposed."""

    value: float
    doubt: float
    """Half the stretch that holds what a person would say, nine times in ten."""
    because: str
    """A short sentence."""


@dataclass(frozen=True, slots=True)
class Pull:
    """One thing that moves a proposal."""

    by: float
    word: str
    """What it is, as it stands in a list."""


@dataclass(frozen=True, slots=True)
class OwnWay:
    """How far this studio's words lie from what is proposed, for pieces of one kind."""

    off: float
    count: int


OwnWays = Mapping[Category, OwnWay]
SHRINKS = 2.0
"""Words of the studio that weigh as much as what is proposed without them."""
OWN_WAY_FROM = 0.15
"""Steps from which the studio's own way is worth telling."""


def own_ways(said: Sequence[tuple[Category, float, float]]) -> dict[Category, OwnWay]:
    """The studio's own ways. said: category, what was said and what would be proposed, of pieces that have a word."""
    found: dict[Category, list[float]] = {}
    for category, word, proposed in said:
        found.setdefault(category, []).append(word - proposed)
    return {category: OwnWay(sum(off) / (len(off) + SHRINKS), len(off)) for category, off in found.items()}


def proposed(
    piece: Piece, start: float, pulls: Sequence[Pull], ends: tuple[float, float], doubt: float, ways: OwnWays
) -> Proposal:
    """A proposal from where such pieces begin and what moves this one. ends: of the scale."""
    way = ways.get(piece.category)
    own = 0.0 if way is None else way.off
    value = min(max(start + sum(pull.by for pull in pulls) + own, ends[0]), ends[1])
    told = sorted((pull for pull in pulls if abs(pull.by) >= TELLING), key=lambda pull: -abs(pull.by))[:2]
    kind = piece.category.value.replace("-", " ")
    parts = [kind if piece.category in PLURAL else f"{'an' if kind[0] in 'aeio' else 'a'} {kind}"]
    parts += _moved("lift", [pull.word for pull in told if pull.by > 0], "it")
    parts += _moved("take", [pull.word for pull in told if pull.by < 0], "it down")
    if len(parts) == 1:
        parts = [f"as usual for {parts[0]}"]
    if way is not None and abs(own) >= OWN_WAY_FROM:
        pieces = "one like it" if way.count == 1 else f"{way.count} like it"
        parts.append(f"{'more' if own > 0 else 'less'} by your word on {pieces}")
    return Proposal(round(value, 1), doubt / (1 + 0.25 * (0 if way is None else min(way.count, 4))), ", ".join(parts))


TELLING = 0.2
"""Steps from which a pull is worth telling."""


def _moved(verb: str, words: list[str], what: str) -> list[str]:
    """What moves a proposal one way, as a part of a sentence; none without words."""
    if not words:
        return []
    several = len(words) > 1 or (words[0].endswith("s") and not words[0].endswith("ss"))
    return [f"{' and '.join(words)} {verb}{'' if several else 's'} {what}"]


PLURAL = frozenset(
    {
        Category.TROUSERS,
        Category.SHORTS,
        Category.HOSIERY,
        Category.SHOES,
        Category.BOOTS,
        Category.EARRINGS,
        Category.GLOVES,
        Category.CUFFLINKS,
        Category.EYEWEAR,
    }
)
"""What is not called 'a' one."""
