"""Learning from a stylist's word: where this studio hangs colours otherwise than the usual borders, and by how much a
border would have to move."""

from collections.abc import Iterable
from dataclasses import dataclass

import numpy as np

from ..colour.spaces import chroma
from .neutrals import BALANCED_WITHIN, neutral_limit, temperature
from .piece import Piece
from .school import MOST_LIMIT, MOST_WARMTH, Leaning, School
from .sorting import Sorted, read_pieces
from .vocabulary import PLAIN_PATTERNS, Bin

BEYOND = 0.06
"""Temperature, and share of the chroma, by which a border is moved past the colour that it should hold."""
SIDES = {Bin.WARM_NEUTRAL: 1.0, Bin.COOL_NEUTRAL: -1.0, Bin.BALANCED_NEUTRAL: 0.0}


@dataclass(frozen=True, slots=True)
class Habit:
    """Colours of one family that this studio hangs otherwise than read."""

    family: str
    name: str
    """What the colours are called."""
    read: Bin
    said: Bin
    pieces: tuple[str, ...]
    """Ids of the pieces that say so."""
    leaning: Leaning
    enough: bool
    """Whether the leaning, which is held small, brings them all to where they are hung."""


def habits(pieces: list[Piece], school: School) -> list[Habit]:
    """Where a stylist's words go against the reading, gathered by family, the most often first.

    pieces: from any rails. Prints are left out: no border of the neutrals decides where they hang."""
    worded = [p for p in pieces if p.bin_said not in (None, Bin.PRINT) and p.pattern in PLAIN_PATTERNS]
    groups: dict[tuple[str, Bin, Bin], list[tuple[Piece, Sorted]]] = {}
    for piece, read in zip(worded, read_pieces(worded, school), strict=True):
        if piece.bin_said is not None and read.bin is not piece.bin_said:
            groups.setdefault((read.family, read.bin, piece.bin_said), []).append((piece, read))
    found = [_habit(family, read, said, group, school) for (family, read, said), group in groups.items()]
    return sorted(found, key=lambda habit: -len(habit.pieces))


def _habit(family: str, read: Bin, said: Bin, group: list[tuple[Piece, Sorted]], school: School) -> Habit:
    lab = np.array([piece.lab[0] for piece, _ in group])
    centre = np.median(lab, axis=0)
    warmth = limit = 0.0
    if Bin.TONE in (read, said):
        needed = np.log(chroma(lab) / neutral_limit(lab, school))
        needed = needed.max() + BEYOND if read is Bin.TONE else needed.min() - BEYOND
        limit = float(np.clip(needed, -MOST_LIMIT, MOST_LIMIT))
    if said in SIDES:
        now = temperature(lab, _leaned(school, Leaning(_triple(centre), 0.0, limit)))
        side = SIDES[said]
        if side:
            short = side * (BALANCED_WITHIN + BEYOND) - now
            needed = short[np.argmax(side * short)]
            warmth = float(np.clip(needed if side * needed > 0 else 0.0, -MOST_WARMTH, MOST_WARMTH))
        else:
            warmth = float(np.clip(-np.median(now), -MOST_WARMTH, MOST_WARMTH))
    leaning = Leaning(_triple(centre), round(warmth, 3), round(limit, 3))
    pieces = [piece for piece, _ in group]
    after = read_pieces(pieces, _leaned(school, leaning))
    names = [one.name for _, one in group]
    return Habit(
        family,
        max(dict.fromkeys(names), key=names.count),
        read,
        said,
        tuple(p.id for p in pieces),
        leaning,
        all(one.bin is said for one in after),
    )


def _leaned(school: School, leaning: Leaning) -> School:
    return School(school.strict, (*school.leanings, leaning))


def _triple(lab: Iterable[float]) -> tuple[float, float, float]:
    lightness, a, b = (round(float(value), 1) for value in lab)
    return lightness, a, b


def would_move(pieces: list[Piece], school: School, other: School) -> list[tuple[Piece, Sorted, Sorted]]:
    """The pieces that hang elsewhere by another school, with both sorts; a stylist's word holds a piece where it is."""
    free = [p for p in pieces if p.bin_said is None]
    both = zip(free, read_pieces(free, school), read_pieces(free, other), strict=True)
    return [(piece, now, then) for piece, now, then in both if now.bin is not then.bin]
