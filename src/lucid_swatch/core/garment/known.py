"""A piece as it is taken to be: what the stylist says, else what its photo tells surely enough, else what follows from that."""

from collections.abc import Iterable
from dataclasses import dataclass, field, replace

from .chances import Chances, taken
from .details import Details
from .finishes import FIRM
from .formality import formality_of
from .piece import Piece
from .proposals import OwnWays, own_ways
from .vocabulary import Finish
from .warmth import warmth_of

CUT_FROM, FINISH_FROM = 0.5, FIRM
"""Chance from which what was seen of a cut, and of a cloth, counts without being said."""


@dataclass(frozen=True, slots=True)
class Ways:
    """How this studio's own words on formality and warmth differ from what is proposed."""

    formality: OwnWays = field(default_factory=dict)
    warmth: OwnWays = field(default_factory=dict)


NO_WAYS = Ways()


def as_seen(piece: Piece) -> Piece:
    """The piece with what was seen where nothing is said. What stays None, and an empty finish, is not known."""
    seen = piece.seen
    details = Details(
        sleeve=taken(seen.sleeve, CUT_FROM),
        neckline=taken(seen.neckline, CUT_FROM),
        heel=taken(seen.heel, CUT_FROM),
        toe=taken(seen.toe, CUT_FROM),
    )
    return replace(
        piece,
        length=piece.length or taken(seen.length, CUT_FROM),
        volume=piece.volume or taken(seen.volume, CUT_FROM),
        details=piece.details.over(details),
        finish=piece.finish or _finish(seen.finish),
    )


def as_known(piece: Piece, ways: Ways = NO_WAYS) -> Piece:
    """The same, with formality and warmth as they are proposed where nobody has said them."""
    told = as_seen(piece)
    warmth = told.warmth
    if warmth is None:
        found = warmth_of(told, ways.warmth)
        warmth = None if found is None else found.value
    formality = formality_of(told, ways.formality).value if told.formality is None else told.formality
    return replace(told, formality=formality, warmth=warmth)


def ways_of(said: Iterable[Piece]) -> Ways:
    """The studio's own ways, from pieces of which formality or warmth is said."""
    told = [(piece, as_seen(piece)) for piece in said]
    formal = [(p.category, p.formality, formality_of(t, {}).value) for p, t in told if p.formality is not None]
    warm = [(p.category, p.warmth, w.value) for p, t in told if p.warmth is not None and (w := warmth_of(t, {}))]
    return Ways(own_ways(formal), own_ways(warm))


def _finish(chances: Chances[Finish]) -> frozenset[Finish]:
    sure = taken(chances, FINISH_FROM)
    return frozenset() if sure is None else frozenset({sure})
