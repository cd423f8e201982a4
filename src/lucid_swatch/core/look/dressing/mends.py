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
from ..body import Zone
from ..look import Look
from ..scorer.batch import LookBatch
from ..scorer.points import Points
from ..verdict import DIGITS, MEASURES, Scores
from .around import Around, score_around
from .dress import REMOVABLE, fills_a_gap, interchangeable, is_split, takes_the_place, zone_of

LEAST_GAIN, LEAST_OF_ADDED, LEAST_OF_A_LAYER, LEAST_OF_TWO = 3.0, 9.0, 10.0, 7.5
"""Points of the whole from which a change is offered; one on, or one off, is a stylist's finest decision, a layer is
there for more than its colour, and two changes at once have to be worth the trouble."""
MOST, SHORTLIST = 4, 14
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
    then: "Mend | None" = None
    """The second of two changes that help together; its gain is what it would do alone."""
    alone: float | None = None
    """What the first of two would do alone."""


def find_mends(look: Look, most: int = MOST) -> list[Mend]:
    """The best changes, at most one for each piece or place, largest gain first, then two that help together.

    Every candidate look is scored; a change that hardly raises the whole, or does harm, is not offered."""
    changes = candidates(look)
    if not changes:
        return []
    return choose(changes, score_around(look, [pieces for _, pieces in changes]), most)


def missing_colours(look: Look, most: int = MOST) -> list[Mend]:
    """The quiet colours in which a piece of the look would help most, at most one for each piece, largest gain first;
    whatever hangs on the rail."""
    changes = _recolours(look)
    return choose(changes, score_around(look, [pieces for _, pieces in changes]), most)


def candidates(look: Look) -> list["Change"]:
    """Every change that could be made, with the pieces after it. Colours are asked for only where there is no rail."""
    changes = single_changes(look) + ([] if look.rail else _recolours(look))
    parted = is_split(look.ids, look.sets)
    return [
        change
        for change in changes
        if _as_formal(look.pieces, change[1])
        and (parted or not is_split((p.id for p in (*change[1], *look.always)), look.sets))
    ]


def single_changes(look: Look) -> list["Change"]:
    """Every piece taken off, put on or exchanged for one of the rail, with the pieces after it."""
    return _removals(look) + _additions(look) + _swaps(look)


def choose(changes: list["Change"], around: Around, most: int = MOST) -> list[Mend]:
    """The best of some changes, none of which does harm. around: what they do, in their order, others behind them."""
    look = around.look
    gains = around.gains[: len(changes)].round(DIGITS)
    order = [int(k) for k in np.argsort(-gains, kind="stable")]
    short = [k for k in order if gains[k] >= _least(changes[k][0], look)][:SHORTLIST]
    offered = [k for k in short if not harms(*around.of(k), changes[k][0])]
    chosen = [_told(changes[k][0], *around.of(k), float(gains[k])) for k in _different(offered, changes, gains, most)]
    if len(chosen) < most and (not chosen or chosen[0].gain < LEAST_OF_TWO):
        both = _two_steps(changes, around, gains, order, chosen[0].gain if chosen else 0.0)
        chosen += [both] if both is not None else []
    return chosen


def _least(mend: Mend, look: Look) -> float:
    if mend.do == "remove":
        layer = any(p.id == mend.piece and zone_of(p.category) is Zone.LAYER for p in look.pieces)
        return LEAST_OF_A_LAYER if layer else LEAST_GAIN
    return LEAST_OF_ADDED if mend.do == "add" else LEAST_GAIN


def _different(offered: list[int], changes: list["Change"], gains: FloatArray, most: int) -> list[int]:
    """Changes that differ: at most one for each piece or place, the best of each kind before a second of one kind."""
    picked: list[int] = []
    for kinds_first in (True, False):
        for k in offered:
            mend = changes[k][0]
            touched = {p for other in picked for p in (changes[other][0].piece, changes[other][0].with_piece)}
            kinds = {changes[other][0].do for other in picked}
            if len(picked) == most or {mend.piece, mend.with_piece} - {None} & touched or k in picked:
                continue
            if kinds_first and (mend.do in kinds or _rather_swapped(k, changes, gains)):
                continue
            picked.append(k)
    return sorted(picked, key=offered.index)


RATHER = 0.6
"""Share of what taking a layer off gains from which another one in its place is the better answer."""


def _rather_swapped(k: int, changes: list["Change"], gains: FloatArray) -> bool:
    """Whether a layer would be taken off that another one could stand for."""
    mend = changes[k][0]
    if mend.do != "remove":
        return False
    others = [gains[j] for j, (one, _) in enumerate(changes) if one.do == "swap" and one.piece == mend.piece]
    return bool(others) and max(others) >= RATHER * gains[k]


WORSE = 4.0
"""Points of a measure by which a cost grows from which a change does harm."""
SAME_FAULT = 0.5
"""Share of a cost that is left from which a fault is answered with the same fault."""
FAULTS = frozenset(
    {
        "black-with-denim", "animal-prints", "temperature-crosses", "stark-black", "clarity-agrees", "prints-together",
        "accent-from-the-print", "metal-with-temperature", "near-face-temperature", "statements-compete", "two-pops",
        "whites-together", "black-in-summer", "one-print",
    }
)  # fmt: skip
"""Costs of a piece for what it is, and not for what answers it."""
VOICES = ("statements-compete", "two-pops", "competing-equals", "animal-prints")
"""What a second voice beside the first costs."""


def harms(scores: Scores, row: int, mend: Mend) -> bool:
    """Whether a change adds a second voice, or brings a piece that is at fault itself: it answers no fault with the same.

    scores: row 0 is the look, `row` the look after the change."""
    batch = scores.batch
    for measured in scores.measured:
        for points in measured.points:
            if points.silent:
                continue
            before, after = float(points.values[0]), float(points.values[row])
            if points.code in VOICES and before - after > WORSE:
                return True
            worse = after <= -WORSE and after <= SAME_FAULT * before
            new = mend.piece if mend.do == "add" else mend.with_piece
            if points.code in FAULTS and worse and new is not None and _blames(batch, points, row, new):
                return True
    return False


def _blames(batch: LookBatch, points: Points, row: int, id: str | None) -> bool:
    places = np.flatnonzero(points.pieces(row) & batch.present[:, row])
    return any(batch.piece(row, int(place)).id == id for place in places)


def _told(mend: Mend, scores: Scores, row: int, gain: float) -> Mend:
    rises = _rises(scores, row)
    return replace(
        mend,
        gain=gain,
        text=f"{mend.text}: {_what_changes(rises)}",
        rises=dict(zip(MEASURES, rises.tolist(), strict=True)),
    )


PAIRED = 12
"""Single changes that are tried together: those that do least harm alone."""


def _two_steps(
    changes: list["Change"], around: Around, gains: FloatArray, order: list[int], best: float
) -> Mend | None:
    """Two changes that help together where none, or hardly one, does alone."""
    look = around.look
    singles = [k for k in order if changes[k][0].do in ("swap", "add", "remove")][:PAIRED]
    pairs = []
    for place, first in enumerate(singles):
        for second in singles[place + 1 :]:
            after = _both(look, changes[first][0], changes[second][0])
            if after is not None:
                pairs.append((first, second, after))
    if not pairs:
        return None
    further = around.further([after for _, _, after in pairs])
    scores, together = further.scores, further.gains.round(DIGITS)
    for k in (int(k) for k in np.argsort(-together, kind="stable")):
        first, second, _ = pairs[k]
        gain = float(together[k])
        if gain < max(LEAST_OF_TWO, best + LEAST_GAIN):
            return None
        one, other = changes[first][0], changes[second][0]
        # what one of them does alone is no work of two
        if (
            gain < max(gains[first], gains[second]) + LEAST_GAIN
            or harms(scores, k + 1, one)
            or harms(scores, k + 1, other)
        ):
            continue
        told = _told(one, scores, k + 1, gain)
        then = replace(other, gain=float(gains[second]))
        return replace(
            told,
            text=f"{one.text} and {other.text}: {_what_changes(_rises(scores, k + 1))}",
            then=then,
            alone=float(gains[first]),
        )
    return None


def _both(look: Look, one: Mend, other: Mend) -> tuple[Piece, ...] | None:
    """The pieces after two changes; None where they touch the same place."""
    if {one.piece, one.with_piece} & {other.piece, other.with_piece} - {None}:
        return None
    bed = {piece.id: piece for piece in look.rail}
    pieces = look.pieces
    for mend in (one, other):
        if mend.do == "add":
            worn = [p.category for p in (*pieces, *look.always)]
            new = bed[mend.piece or ""]
            if not fills_a_gap(new.category, worn):
                return None
            pieces = (*pieces, new)
        else:
            old = next(p for p in pieces if p.id == mend.piece)
            pieces = _exchanged(pieces, old, None if mend.do == "remove" else bed[mend.with_piece or ""])
    parted = is_split(look.ids, look.sets)
    if not pieces or not _as_formal(look.pieces, pieces):
        return None
    return pieces if parted or not is_split((p.id for p in (*pieces, *look.always)), look.sets) else None


FORMALITY_SPREAD = 1.5
"""Steps of formality that a piece that comes may be off the middle of the look."""


def _as_formal(before: tuple[Piece, ...], after: tuple[Piece, ...]) -> bool:
    """Whether what comes is about as formal as what stays; what is not known does not stand in the way."""
    there, stays = {p.id for p in before}, {p.id for p in after}
    known = [p.formality for p in before if p.formality is not None and p.id in stays]
    if not known:
        return True
    middle = median(known)
    coming = [p.formality for p in after if p.formality is not None and p.id not in there]
    return all(abs(one - middle) <= FORMALITY_SPREAD for one in coming)


FALLS = 5.0
"""Points by which a measure falls from which it is said."""


def _what_changes(rises: FloatArray) -> str:
    """What rises most, and what falls for it."""
    best, worst = int(rises.argmax()), int(rises.argmin())
    told = f"{MEASURES[best]} rises by {rises[best]:.0f}"
    return told if rises[worst] > -FALLS else f"{told}, {MEASURES[worst]} falls by {-rises[worst]:.0f}"


def _rises(scores: Scores, row: int) -> FloatArray:
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
    worn, out = [p.category for p in look.worn], look.ids | look.barred
    return [
        (Mend("add", p.id, None, None, f"add the {p.in_a_sentence}", 0.0), (*look.pieces, p))
        for p in look.rail
        if p.id not in out and fills_a_gap(p.category, worn)
    ]


def _swaps(look: Look) -> list[Change]:
    changes, out = [], look.ids | look.barred
    for old in look.pieces:
        changes += [
            (
                Mend("swap", old.id, new.id, new.lab[0], f"{new.in_a_sentence} for the {old.in_a_sentence}", 0.0),
                _exchanged(look.pieces, old, new),
            )
            for new in look.rail
            if new.id not in out and interchangeable(old.category, new.category)
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
