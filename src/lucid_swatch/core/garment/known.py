"""A piece as it is taken to be: what the stylist says, else what its photo tells surely enough, else what follows from that."""

from collections.abc import Iterable
from dataclasses import dataclass, field, fields, replace
from functools import lru_cache

from .chances import Chances, taken
from .details import Details, asked_of
from .finishes import FIRM
from .formality import formality_of
from .lengths import LENGTHS_OF, VOLUMED
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
        closure=taken(seen.closure, CUT_FROM),
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
    """The same, with formality and warmth as they are proposed where nobody has said them.

    Remembered: a whole rail is asked for at every swap, and hardly any of it has changed."""
    return _known(_Asked(piece, ways))


class _Asked:
    """A piece and the ways of a studio as a key: equal when everything is that the piece or its proposals hang on."""

    def __init__(self, piece: Piece, ways: Ways) -> None:
        self.piece, self.ways = piece, ways
        doubt = b"" if piece.uncertainty is None else piece.uncertainty.tobytes()
        self.key = (*piece.fingerprint(), doubt, piece.pattern_confidence, piece.seen)

    def __eq__(self, other: object) -> bool:
        return isinstance(other, _Asked) and self.ways is other.ways and self.key == other.key

    def __hash__(self) -> int:
        return hash(self.key)


@lru_cache(maxsize=8192)
def _known(asked: _Asked) -> Piece:
    piece, ways = asked.piece, asked.ways
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


WHOLE, SCALES = ("finish", "volume", "length"), ("formality", "warmth")
"""Words of the whole piece, and what stands on a scale, by name."""


def unknown_of(known: Piece) -> tuple[str, ...]:
    """What neither the stylist nor the photo tells of a piece, of what such a piece has, by name. known: as_known."""
    found = [] if known.finish else ["finish"]
    if known.category in LENGTHS_OF and known.length is None:
        found.append("length")
    if known.category in VOLUMED and known.volume is None:
        found.append("volume")
    return (*found, *(name for name in asked_of(known.category) if getattr(known.details, name) is None))


def unsaid_of(piece: Piece, known: Piece) -> tuple[str, ...]:
    """What is known of a piece and not by the stylist's word, by name. known: as_known of it."""
    whole = [name for name in WHOLE if getattr(known, name) and not getattr(piece, name)]
    scales = [name for name in SCALES if getattr(known, name) is not None and getattr(piece, name) is None]
    told = [f.name for f in fields(Details) if getattr(known.details, f.name) and not getattr(piece.details, f.name)]
    return (*whole, *scales, *told)
