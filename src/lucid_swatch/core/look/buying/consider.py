"""What a candidate would do for a wardrobe: counted, and put into a plain word."""

from dataclasses import dataclass, replace
from enum import StrEnum

import numpy as np

from ...client.reading import FaceReading
from ...client.suits import in_range
from ...colour.arrays import FloatArray, IntArray
from ...colour.spaces import chroma
from ...garment.kin import MATCH, Kin, Neighbour, doubt_of, neighbours
from ...garment.piece import Piece
from ...garment.sorting import sort_pieces
from ..body import Zone
from ..dressing.base_looks import BASE
from ..dressing.dress import zone_of
from ..dressing.wardrobe import Wardrobe
from .counted import Counted, Opened

SHOWN = 3
"""Looks that are drawn."""
PARTNERS = 8
"""Pieces that are named beside it."""
PULLS_ITS_WEIGHT = 0.5
"""Of the looks that the middle piece of its kind is in, which a candidate has to open to be bought."""
LEAST = 3
"""Good looks that it has to open at least."""
AT_THE_FACE = (Zone.UPPER, Zone.WHOLE, Zone.LAYER)
DOUBLES = 5.0
"""CIEDE2000 up to which a piece passes for the same where no more is known of the two."""
VARIANTS, SURE_IN = 6, 5
"""Places in the doubt of its colour at which it is counted again, and in how many, its own among them, it has to open
enough."""
_DRAWS = np.random.default_rng(24).standard_normal((VARIANTS, 3)) * np.array([1.0, 0.7, 0.7])


class PlainWord(StrEnum):
    """What is said of a candidate."""

    BUY = "buy"
    WAIT = "wait"
    LEAVE = "leave"


@dataclass(frozen=True, slots=True, eq=False)
class CandidateLook:
    """A look with a candidate."""

    piece_ids: tuple[str, ...]
    whole: float


@dataclass(frozen=True, slots=True, eq=False)
class Considered:
    """What is to be said of a candidate."""

    suits: float | None
    """How well its colours sit with the client, 0..1; None where too little is known of either."""
    in_range: bool | None
    opens: int
    """Good looks that there would be more."""
    opens_within: tuple[int, int]
    """The least and the most over where its colour may lie."""
    good_now: int
    """Good base looks as the rail hangs."""
    usual: int | None
    """How many good looks the middle piece of its kind is in now; None where none hangs."""
    partners: tuple[tuple[str, int], ...]
    """Ids of the pieces that it goes with most, with the looks it opens beside each."""
    goes_with: int
    """Pieces of the rail that are in a look that it opens."""
    woken: tuple[str, ...]
    """Ids of pieces that are in no good look now and would be."""
    nearest: float | None
    """CIEDE2000 to the nearest piece of its kind; None where none hangs."""
    doubles: tuple[Neighbour, ...]
    """Pieces of its kind that have its colour."""
    quarrels: tuple[Neighbour, ...]
    """Pieces of nearly its colour with another undertone."""
    looks: tuple[CandidateLook, ...]
    word: PlainWord
    because: tuple[str, ...]
    """Sentences, the weightiest first."""
    otherwise: str
    """What would have to be different for another word."""


def consider(
    wardrobe: Wardrobe, candidate: Piece, reading: FaceReading | None = None, barred: str | None = None
) -> Considered:
    """A candidate held against a wardrobe.

    reading: of the client's colouring. barred: why the client would not wear it, where that is known."""
    variants = _variants(candidate)
    counted = Counted(wardrobe, [candidate, *variants], most_base=ROUGHLY)
    opened = counted.opened(candidate.id)
    counts = sorted([opened.count, *(_count(counted, one) for one in variants)])
    near = _near(wardrobe, candidate)
    fit, inside = (None, None) if reading is None else in_range([(candidate.lab, candidate.share)], reading)[0]
    partners, woken = _partners(counted, opened, candidate)
    kind = [one.difference for one in near if one.piece.category is candidate.category]
    usual = _usual(counted, candidate)
    sure = counts[len(counts) - SURE_IN]
    told = Considered(
        None if fit is None else round(float(fit), 2),
        inside,
        opened.count,
        (counts[0], counts[-1]),
        counted.good,
        usual,
        partners[:PARTNERS],
        len(partners),
        woken,
        min(kind, default=None),
        tuple(one for one in near if one.piece.category is candidate.category and _doubles(one)),
        tuple(one for one in near if one.kin is Kin.CLASH),
        _best(counted, opened, candidate),
        PlainWord.WAIT,
        (),
        "",
    )
    return _worded(told, counted, candidate, barred, sure)


def _doubles(one: Neighbour) -> bool:
    """Whether a piece passes for the same: in its colour, or so near to it that the readings cannot tell them apart."""
    return one.difference <= MATCH or (one.kin is Kin.PERHAPS and one.difference <= DOUBLES)


def _variants(candidate: Piece) -> list[Piece]:
    """The candidate at several places where its colours may truly lie."""
    # a step of chroma in a strong colour counts less than one in a grey
    across = 1 + 0.045 * chroma(candidate.lab)
    scale = doubt_of(candidate) / 2.0 * np.stack([np.ones(len(candidate.lab)), across, across], axis=-1)
    found = []
    for k, draw in enumerate(_DRAWS):
        lab: FloatArray = candidate.lab + draw * scale
        lab[:, 0] = np.clip(lab[:, 0], 2.0, 99.0)
        found.append(replace(candidate, id=f"{candidate.id}, variant {k}", lab=lab))
    return found


def _count(counted: Counted, variant: Piece) -> int:
    if zone_of(variant.category) in BASE:
        return counted.opened(variant.id).count
    return counted.lifts(counted.place[variant.id], TRIED)


ROUGHLY = 80_000
"""Base looks of the rail as it hangs that are scored beside a candidate: told beside a piece of clothing, and what an
accessory is tried on. Of more, so many are drawn and the counts are estimates, on drawn rails within 5 %."""
TRIED, COMPARED = 4_000, 6
"""Base looks on which an accessory is tried where an estimate will do, and accessories that it is compared with."""


def _near(wardrobe: Wardrobe, candidate: Piece) -> list[Neighbour]:
    zone = zone_of(candidate.category)
    others = [one for one in wardrobe.pieces if zone_of(one.category) is zone and one.pattern is candidate.pattern]
    school = wardrobe.conventions.school
    return neighbours(candidate, sort_pieces([candidate], school)[0], others, sort_pieces(others, school))


def _partners(
    counted: Counted, opened: Opened, candidate: Piece
) -> tuple[tuple[tuple[str, int], ...], tuple[str, ...]]:
    """The pieces that it opens most looks with, and those that it brings back to work."""
    own = counted.place[candidate.id]
    places, looks = np.unique(opened.rows[opened.rows >= 0], return_counts=True)
    order = np.argsort(-looks, kind="stable")
    beside = [(int(places[k]), int(looks[k])) for k in order if places[k] != own]
    woken = [k for k, _ in beside if counted.each.get(k) == 0]
    ids = counted.pieces
    return tuple((ids[k].id, round(n * opened.scale)) for k, n in beside), tuple(ids[k].id for k in woken)


def _usual(counted: Counted, candidate: Piece) -> int | None:
    """How many good looks the middle piece of its zone is in now or, of accessories, makes. None where none hangs."""
    places = counted.places[zone_of(candidate.category)]
    if not places:
        return None
    if zone_of(candidate.category) in BASE:
        return round(float(np.median([counted.each[k] for k in places])))
    return round(float(np.median([counted.lifts(k, TRIED) for k in places[:COMPARED]])))


def _best(counted: Counted, opened: Opened, candidate: Piece) -> tuple[CandidateLook, ...]:
    """The best looks with it that share little else."""
    own, taken = counted.place[candidate.id], list[int]()
    order = np.argsort(-opened.wholes, kind="stable")
    for shared_at_most in (0, 1, 2, 4):
        for k in order:
            if len(taken) == SHOWN:
                break
            if k not in taken and all(
                _shared(opened.rows[k], opened.rows[one], own) <= shared_at_most for one in taken
            ):
                taken.append(int(k))
    return tuple(
        CandidateLook(tuple(piece.id for piece in counted.named(opened.rows[k])), round(float(opened.wholes[k]), 1))
        for k in taken
    )


def _shared(row: IntArray, other: IntArray, own: int) -> int:
    return len((set(row.tolist()) & set(other.tolist())) - {own, -1})


def _worded(told: Considered, counted: Counted, candidate: Piece, barred: str | None, sure: int) -> Considered:
    """The plain word with its arithmetic, and what would turn it. sure: looks that it opens in most of the places where
    its colour may lie."""
    enough = max(LEAST, round(PULLS_ITS_WEIGHT * (told.usual or 0)))
    because = [_opening(told, candidate)]
    if told.usual is not None:
        does = "is in" if zone_of(candidate.category) in BASE else "makes"
        because.append(f"The middle one of its kind on the rail {does} {_looks(told.usual)}.")
    if told.woken:
        because.append(f"It brings back into good looks: {_pieces(counted, told.woken)}.")
    off = told.in_range is False and zone_of(candidate.category) in AT_THE_FACE
    if off:
        because.append("At the face its colour lies outside what sits with the client.")
    if told.doubles:
        there = _pieces(counted, [one.piece.id for one in told.doubles])
        because.append(f"In its colour and of its kind there is already: {there}.")
    if told.quarrels:
        because.append(f"Beside {told.quarrels[0].piece.in_a_sentence} it would look like a mistake.")
    if barred is not None:
        word, otherwise = PlainWord.LEAVE, "Nothing but the client's own word would change that."
        because.insert(0, f"The client will not wear it: {barred}.")
    elif told.opens_within[1] == 0:
        word, otherwise = PlainWord.LEAVE, "It would have to go with something that hangs there."
    elif told.doubles:
        word = PlainWord.LEAVE if len(told.doubles) > 1 or told.opens < enough else PlainWord.WAIT
        otherwise = f"It would be one to buy if {told.doubles[0].piece.in_a_sentence} went."
    elif sure < enough:
        short = enough - told.opens
        word = PlainWord.WAIT
        otherwise = (
            f"It would be one to buy if it opened {short} more."
            if short > 0
            else "Its colour would have to be known better."
        )
    elif off:
        word, otherwise = (
            PlainWord.WAIT,
            "In a colour that sits with the client, or away from the face, it would be one to buy.",
        )
    else:
        word, otherwise = PlainWord.BUY, f"It would be one to wait with if it opened fewer than {enough}."
    return replace(told, word=word, because=tuple(because), otherwise=otherwise)


def _opening(told: Considered, candidate: Piece) -> str:
    low, high = told.opens_within
    span = "" if low == high else f", between {low} and {high} where its colour may lie"
    if zone_of(candidate.category) in BASE:
        return f"It opens {_looks(told.opens)}{span}; the rail has {told.good_now} without it."
    return f"With it {_looks(told.opens, 'more')} would be good{span}; the rail has {told.good_now} without it."


def _looks(count: int, kind: str = "good") -> str:
    return f"no {kind} look" if count == 0 else f"1 {kind} look" if count == 1 else f"{count} {kind} looks"


def _pieces(counted: Counted, ids: tuple[str, ...] | list[str]) -> str:
    names = [counted.pieces[counted.place[id]].in_a_sentence for id in ids[:3]]
    return names[0] if len(names) == 1 else f"{', '.join(names[:-1])} and {names[-1]}"
