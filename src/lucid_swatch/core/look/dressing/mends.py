"""The small change that helps most, found by scoring every one of them."""

from collections.abc import Mapping
from dataclasses import dataclass, field, replace
from statistics import median

import numpy as np

from ...colour.arrays import FloatArray
from ...colour.names import name_colours
from ...garment.neutrals import is_neutral
from ...garment.piece import Piece
from ...garment.school import School
from ...garment.vocabulary import PatternType
from ..look import Look
from ..scorer.batch import make_batch
from ..verdict import DIGITS, MEASURES, Totals, score_batch
from .dress import REMOVABLE, fills_a_gap, interchangeable, is_split, takes_the_place, zone_of

LEAST_GAIN = 1.0
MOST = 4
# Quiet colours that a wardrobe is asked for first: white, cream, sand, tan, brown, stone, grey, charcoal, black, navy.
WANTED = np.array(
    [
        [94, 0, 2],
        [89, 2, 16],
        [77, 4, 18],
        [57, 15, 29],
        [36, 11, 18],
        [72, 0, 5],
        [58, -1, -4],
        [31, 0, -2],
        [15, 0, 0],
        [21, 4, -22],
    ],
    dtype=float,
)


@dataclass(frozen=True, slots=True, eq=False)
class Mend:
    """A change and what it is worth."""

    do: str
    """swap, add, remove or recolour."""
    piece: str | None
    """The piece that changes; for `add` the piece that comes."""
    with_piece: str | None
    """For a swap, the piece that comes instead."""
    lab: FloatArray | None
    text: str
    gain: float
    rises: Mapping[str, float] = field(default_factory=dict)
    """By how much each measure really rises, or falls."""


def find_mends(look: Look, most: int = MOST) -> list[Mend]:
    """The best changes, at most one for each piece or place, largest gain first.

    Every candidate look is scored; a change that raises the whole by less than a point is not offered."""
    changes = candidates(look)
    if not changes:
        return []
    scores = score_batch(make_batch([look, *[replace(look, pieces=pieces) for _, pieces in changes]]))
    return choose(scores, [mend for mend, _ in changes], most)


def missing_colours(look: Look, most: int = MOST) -> list[Mend]:
    """The quiet colours in which a piece of the look would help most, at most one for each piece, largest gain first;
    whatever hangs on the rail."""
    changes = _recolours(look)
    scores = score_batch(make_batch([look, *[replace(look, pieces=pieces) for _, pieces in changes]]))
    return choose(scores, [mend for mend, _ in changes], most)


def candidates(look: Look) -> list["Change"]:
    """Every change that could be made, with the pieces after it. Colours are asked for only where there is no rail."""
    changes = _removals(look) + _additions(look) + _swaps(look) + ([] if look.rail else _recolours(look))
    parted = is_split(look.ids, look.sets)
    return [
        change
        for change in changes
        if _as_formal(look.pieces, change[1])
        and (parted or not is_split((p.id for p in (*change[1], *look.always)), look.sets))
    ]


def choose(scores: Totals, mends: list[Mend], most: int = MOST) -> list[Mend]:
    """The best of some changes. scores: row 0 is the look, the next rows the look after each change."""
    gains = (scores.overall[1 : len(mends) + 1] - scores.overall[0]).round(DIGITS)
    chosen: list[Mend] = []
    touched: set[str | None] = set()
    for k in np.argsort(-gains, kind="stable"):
        mend = mends[int(k)]
        if gains[k] < LEAST_GAIN or len(chosen) == most:
            break
        places = {mend.piece, mend.with_piece} - {None}
        if places & touched:
            continue
        touched |= places
        why = _what_rises(scores, int(k) + 1)
        rises = dict(zip(MEASURES, _rises(scores, int(k) + 1).tolist(), strict=True))
        chosen.append(replace(mend, gain=float(gains[k]), text=f"{mend.text}: {why}", rises=rises))
    return chosen


FORMALITY_SPREAD = 1.5
"""Steps of formality that a piece that comes may be off the middle of the look."""


def _as_formal(before: tuple[Piece, ...], after: tuple[Piece, ...]) -> bool:
    """Whether what comes is about as formal as what is there; what is not known does not stand in the way."""
    known = [p.formality for p in before if p.formality is not None]
    if not known:
        return True
    there, middle = {p.id for p in before}, median(known)
    coming = [p.formality for p in after if p.formality is not None and p.id not in there]
    return all(abs(one - middle) <= FORMALITY_SPREAD for one in coming)


def _what_rises(scores: Totals, row: int) -> str:
    rise = _rises(scores, row)
    best = int(rise.argmax())
    return f"{MEASURES[best]} rises by {rise[best]:.0f}"


def _rises(scores: Totals, row: int) -> FloatArray:
    rise: FloatArray = np.nan_to_num(scores.scores[row] - scores.scores[0]).round(DIGITS)
    return rise


Change = tuple[Mend, tuple[Piece, ...]]


def _removals(look: Look) -> list[Change]:
    return [
        (Mend("remove", p.id, None, None, f"take off the {p.in_a_sentence}", 0.0), _exchanged(look.pieces, p))
        for p in look.pieces
        if zone_of(p.category) in REMOVABLE and len(look.pieces) > 1
    ]


def _additions(look: Look) -> list[Change]:
    worn = [p.category for p in look.worn]
    return [
        (Mend("add", p.id, None, None, f"add the {p.in_a_sentence}", 0.0), (*look.pieces, p))
        for p in look.rail
        if p.id not in look.ids | look.barred and fills_a_gap(p.category, worn)
    ]


def _swaps(look: Look) -> list[Change]:
    changes = []
    for old in look.pieces:
        changes += [
            (
                Mend("swap", old.id, new.id, new.lab[0], f"{new.in_a_sentence} for the {old.in_a_sentence}", 0.0),
                _exchanged(look.pieces, old, new),
            )
            for new in look.rail
            if new.id not in look.ids | look.barred and interchangeable(old.category, new.category)
        ]
    return changes


def _exchanged(pieces: tuple[Piece, ...], old: Piece, new: Piece | None = None) -> tuple[Piece, ...]:
    """The pieces with another one where one stood, or without it."""
    after = (new if p.id == old.id else p for p in pieces)
    return tuple(p for p in after if p is not None)


def _recolours(look: Look) -> list[Change]:
    names = wanted_names(look.conventions.school)
    changes: list[Change] = []
    for old in look.pieces:
        for lab, name in zip(WANTED, names, strict=True):
            new = replace(
                old,
                lab=lab[None, :],
                share=np.ones(1),
                parts=(),
                uncertainty=None,
                pattern=PatternType.SOLID,
                scale=None,
            )
            told = Mend("recolour", old.id, None, lab, f"the {old.in_a_sentence} in {name}", 0.0)
            changes.append((told, _exchanged(look.pieces, old, new)))
    return changes


def wanted_names(school: School) -> list[str]:
    """What the colours that are asked for first are called."""
    return name_colours(WANTED, is_neutral(WANTED, school))


def with_piece(pieces: tuple[Piece, ...], piece: Piece) -> tuple[Piece, ...]:
    """The pieces after putting one on: it takes the place of what it cannot be worn with, or comes off again."""
    if any(p.id == piece.id for p in pieces):
        return tuple(p for p in pieces if p.id != piece.id)
    return (*(p for p in pieces if not takes_the_place(piece.category, p.category)), piece)
