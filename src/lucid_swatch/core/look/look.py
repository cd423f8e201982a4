"""A look: pieces worn together by a client, for an intent, judged by a school."""

from collections.abc import Iterable, Mapping
from dataclasses import dataclass, field
from enum import StrEnum

from ..client.colouring import Client
from ..garment.piece import Piece
from ..garment.school import Leaning, School
from .theme import Theme


class Intent(StrEnum):
    """What a look is going for."""

    TONAL = "tonal"
    CONTRAST = "contrast"
    ACCENT = "accent"
    STATEMENT = "statement"


@dataclass(frozen=True, slots=True)
class Conventions:
    """The schools in force. False is the default of the open format."""

    mute_round_statement: bool = False
    mix_metals: bool = False
    strict_neutrals: bool = False
    one_print: bool = False
    avoid_black_with_denim: bool = False
    one_white: bool = False
    pair_shoes_and_bag: bool = False
    avoid_black_in_summer: bool = False
    tastes: tuple[tuple[str, float], ...] = ()
    """Rules whose points this studio multiplies, and by what."""
    leanings: tuple[Leaning, ...] = ()
    """Where this studio's borders of the neutrals lie beside the usual ones."""

    @property
    def school(self) -> School:
        """What counts as a neutral."""
        return School(self.strict_neutrals, self.leanings)


@dataclass(frozen=True, slots=True)
class Look:
    """Pieces worn together."""

    id: str
    pieces: tuple[Piece, ...]
    client: Client | None = None
    conventions: Conventions = Conventions()
    intent: Intent | None = None
    rail: tuple[Piece, ...] = ()
    """Further pieces that mends may draw on."""
    always: tuple[Piece, ...] = ()
    """Pieces that are on in every look: they count, and no change takes them off."""
    barred: frozenset[str] = frozenset()
    """Ids of pieces of the rail that no mend may bring: what the client will not wear, what does not fit."""
    sets: tuple[frozenset[str], ...] = ()
    """Ids of pieces that are worn together or not at all."""
    meant: Mapping[str, str] = field(default_factory=dict)
    """Codes of reasons that are broken knowingly, each with a note why: they do not count in the whole, and no change is
    made for their sake."""
    theme: Theme | None = None
    """What the look is to carry, told beside the score."""

    @property
    def ids(self) -> frozenset[str]:
        """The pieces that may change, by id."""
        return frozenset(piece.id for piece in self.pieces)

    @property
    def worn(self) -> tuple[Piece, ...]:
        """Everything that is judged."""
        return self.pieces + self.always


def in_order(pieces: Iterable[Piece]) -> tuple[Piece, ...]:
    """Pieces in the one order in which looks are scored, so that the order they came in does not matter."""
    return tuple(sorted(pieces, key=lambda p: (p.category.value, p.id)))
