"""Which pieces of a look answer each other and which compete: what the screen joins by stitches."""

from dataclasses import dataclass
from itertools import combinations

from ..scorer.table import PieceTable
from ..verdict import Verdict

ECHOES = frozenset({"echo", "accent-from-the-print", "picked-up", "shoes-and-bag", "prints-together", "one-metal"})
QUARRELS = frozenset({"competing-equals", "two-pops", "statements-compete", "animal-prints", "temperature-crosses"})
ANSWERS_WITHIN = 11.0
"""CIEDE2000 up to which two pieces are joined."""
MOST = 3


@dataclass(frozen=True, slots=True)
class Stitch:
    """Two pieces that are joined on the figure."""

    first: str
    second: str
    competes: bool
    code: str
    """The reason that joins them."""


def find_stitches(table: PieceTable, verdict: Verdict) -> list[Stitch]:
    """The closest echoes and every quarrel between two pieces, as the reasons of the verdict have them.

    table: any that holds the pieces of the look."""
    row = {piece.id: k for k, piece in enumerate(table.pieces)}
    echoes: dict[tuple[str, str], tuple[float, Stitch]] = {}
    quarrels: dict[tuple[str, str], Stitch] = {}
    for reason in (r for m in verdict.measures.values() if m is not None for r in m.because):
        for first, second in combinations(sorted(reason.pieces), 2):
            if reason.code in ECHOES and reason.points > 0:
                difference = float(table.nearest[row[first], row[second]])
                if difference <= ANSWERS_WITHIN:
                    stitch = Stitch(first, second, False, reason.code)
                    echoes.setdefault((first, second), (difference, stitch))
            if reason.code in QUARRELS and reason.points < 0 and len(reason.pieces) == 2:
                quarrels.setdefault((first, second), Stitch(first, second, True, reason.code))
    closest = sorted(echoes.values(), key=lambda one: one[0])
    answering = [stitch for _, stitch in closest if (stitch.first, stitch.second) not in quarrels]
    return [*answering[:MOST], *quarrels.values()]
