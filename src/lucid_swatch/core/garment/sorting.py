"""Neutral or tone, warm or cool: where a colour hangs, and how sure that is."""

from dataclasses import dataclass, replace

import numpy as np

from ..colour.arrays import FloatArray, IntArray
from ..colour.names import names_and_families
from ..colour.spaces import chroma, hue_angle
from .neutrals import (
    BALANCED_WITHIN,
    USUAL_BORDERS,
    Borders,
    drawn_borders,
    is_neutral,
    neutrality,
    temperature,
    undertones,
)
from .piece import Piece
from .school import BROAD, School
from .vocabulary import PLAIN_PATTERNS, Bin, Finish, Metal, PatternType, Undertone

USUAL_UNCERTAINTY = 2.5
"""CIEDE2000 taken for a colour that comes without one."""

LEANS = ((25.0, "red"), (110.0, "yellow"), (200.0, "green"), (290.0, "blue"), (345.0, "violet"), (360.0, "red"))


@dataclass(frozen=True, slots=True)
class Sorted:
    """Where a piece hangs."""

    bin: Bin
    temperature: float
    """-1 cool .. 1 warm."""
    undertone: Undertone
    lean: str | None
    name: str
    family: str
    """The family of the name: of a print, that of its ground."""
    confidence: float
    """Chance that the bin is right and, for a tone, the undertone."""


def places(lab: FloatArray, school: School = BROAD, borders: Borders = USUAL_BORDERS) -> IntArray:
    """Where each colour hangs: the place of its bin in BIN_ORDER, and for a tone 3, 4 or 5 by its undertone.

    (..., 3) to (...,)."""
    neutral = neutrality(lab, school, borders) >= 0.5
    warmth = temperature(lab, school, borders)
    side = np.where(np.abs(warmth) < BALANCED_WITHIN, 2, np.where(warmth > 0, 0, 1))
    return np.where(neutral, side, 3 + side)


BIN_ORDER = (Bin.WARM_NEUTRAL, Bin.COOL_NEUTRAL, Bin.BALANCED_NEUTRAL, Bin.TONE)

# Where the true colour may lie, in L*, a*, b* and units of its spread, and where other people put the borders: fixed
# draws from normal distributions, so that the same colour is always as sure.
_DRAWS = np.random.default_rng(20).standard_normal((160, 8))
_DOUBTS = _DRAWS[:, :3] * np.array([1.0, 0.7, 0.7])
_BORDERS = drawn_borders(_DRAWS[:, 3:])


def sort_colours(lab: FloatArray, uncertainty: FloatArray | None = None, school: School = BROAD) -> list[Sorted]:
    """Where each colour hangs.

    lab: (n, 3). uncertainty: (n,), CIEDE2000 that holds the true colour nine times in ten; left out, about what
    an eye leaves open. The confidence is the chance of the same bin and, for a tone, the same undertone, over where
    the true colour may lie and where people put the borders; a colour hangs where it is likeliest."""
    lab = np.atleast_2d(np.asarray(lab, dtype=float))
    radius = np.full(len(lab), USUAL_UNCERTAINTY) if uncertainty is None else np.maximum(uncertainty, 1.0)
    own = places(lab, school)
    warmth = temperature(lab, school)
    # CIEDE2000 counts a step of chroma in a strong colour far less than one in a grey
    # and a wrong light moves a dark colour less than a light one, as the cube root of its luminance
    dark = np.clip((lab[:, 0] + 16) / 66, 0.35, 1.2)
    across = (1 + 0.045 * chroma(lab)) * dark
    step = (radius / 2.0)[:, None, None] * np.stack([np.ones(len(lab)), across, across], axis=-1)[:, None, :]
    drawn = lab[:, None, :] + _DOUBTS[None] * step
    around = places(drawn, school, _BORDERS)
    own, agreement = _likeliest(own, around)
    moved = np.flatnonzero(own != places(lab, school))
    if len(moved):
        # its temperature is that of the colours that it may have there
        there = around[moved] == own[moved, None]
        drawn_warmth = temperature(drawn[moved], school, _BORDERS)
        warmth[moved] = (drawn_warmth * there).sum(axis=1) / there.sum(axis=1)
    names, families = names_and_families(lab, own < 3)
    sides = undertones(warmth)
    return [
        Sorted(
            BIN_ORDER[min(int(own[i]), 3)],
            float(warmth[i]),
            sides[i],
            _lean(lab[i]),
            names[i],
            families[i],
            float(np.clip(agreement[i], 0.05, 0.99)),
        )
        for i in range(len(lab))
    ]


CLEARLY = 0.05
"""By how much another place has to be likelier than that of the colour as read, for a piece to hang there."""


def _likeliest(own: IntArray, around: IntArray) -> tuple[IntArray, FloatArray]:
    """The likeliest place of each colour under its doubt, and how likely it is.

    own: (n,), where the colour as read would hang. around: (n, draws), where those hang that it may be. A colour that is
    badly known may lie nearest to a border between two places that are each unlikely."""
    chances = np.stack([(around == place).mean(axis=1) for place in range(6)], axis=1)
    every = np.arange(len(own))
    best = chances.argmax(axis=1)
    kept = chances[every, own] >= chances[every, best] - CLEARLY
    place = np.where(kept, own, best)
    return place, chances[every, place]


def _lean(lab: FloatArray) -> str | None:
    if chroma(lab) < 2.0:
        return None
    hue = float(hue_angle(lab))
    return next(word for limit, word in LEANS if hue <= limit)


def sort_pieces(pieces: list[Piece], school: School = BROAD) -> list[Sorted]:
    """Where each piece hangs: prints apart, plain ones by their main cloth; the stylist's word wins."""
    return with_words(pieces, read_pieces(pieces, school))


def with_words(pieces: list[Piece], reads: list[Sorted]) -> list[Sorted]:
    """Where pieces hang, the stylist's word laid over where their colours say."""
    return [_said(piece, read) for piece, read in zip(pieces, reads, strict=True)]


def read_pieces(pieces: list[Piece], school: School = BROAD) -> list[Sorted]:
    """Where the colours alone say that each piece hangs, whatever the stylist says."""
    if not pieces:
        return []
    mains = np.array([p.lab[0] for p in pieces])
    doubt = np.array([p.uncertainty[0] if p.uncertainty is not None else USUAL_UNCERTAINTY for p in pieces])
    plain = sort_colours(mains, doubt, school)
    patterned = [k for k, piece in enumerate(pieces) if piece.pattern not in PLAIN_PATTERNS]
    prints = dict(zip(patterned, sort_prints([pieces[k] for k in patterned], school), strict=True))
    return [
        prints[k] if k in prints else (one if school.strict else _by_finish(piece, one))
        for k, (piece, one) in enumerate(zip(pieces, plain, strict=True))
    ]


def said_temperature(bin: Bin, temperature: FloatArray | float) -> FloatArray:
    """The temperature of a piece that the stylist hangs with a bin: as read, moved just over the border where the
    reading contradicts. Any shape."""
    least, most = SAID_WITHIN.get(bin, (-1.0, 1.0))
    return np.clip(temperature, least, most)


SAID_WITHIN = {Bin.WARM_NEUTRAL: (0.35, 1.0), Bin.COOL_NEUTRAL: (-1.0, -0.35), Bin.BALANCED_NEUTRAL: (-0.1, 0.1)}
"""Between which temperatures a piece lies by what is said of it."""


def _said(piece: Piece, read: Sorted) -> Sorted:
    if piece.bin_said is None:
        return read
    warmth = float(said_temperature(piece.bin_said, read.temperature))
    side = undertones(np.array([warmth]))[0]
    return replace(read, bin=piece.bin_said, temperature=warmth, undertone=side, confidence=1.0)


METAL_SIDES = {Metal.GOLD: Bin.WARM_NEUTRAL, Metal.ROSE: Bin.WARM_NEUTRAL, Metal.SILVER: Bin.COOL_NEUTRAL}


def _by_finish(piece: Piece, sorted: Sorted) -> Sorted:
    """Denim, metal and straw count as neutrals in the broad school, whatever their chroma."""
    if Finish.METALLIC in piece.finish and piece.metal in METAL_SIDES:
        side = METAL_SIDES[piece.metal]
        warmth = float(said_temperature(side, sorted.temperature))
        return replace(
            sorted,
            bin=side,
            temperature=warmth,
            undertone=undertones(np.array([warmth]))[0],
            name=f"{piece.metal.value} metal",
            confidence=max(sorted.confidence, 0.9),
        )
    if sorted.bin is not Bin.TONE:
        return sorted
    denim = Finish.DENIM in piece.finish and sorted.lean == "blue"
    straw = Finish.STRAW in piece.finish and sorted.lean == "yellow"
    if denim or straw or Finish.METALLIC in piece.finish:
        side = Bin.WARM_NEUTRAL if sorted.temperature > 0 else Bin.COOL_NEUTRAL
        name = "denim" if denim else "straw" if straw else sorted.name
        return replace(sorted, bin=side, name=name, confidence=max(sorted.confidence, 0.9))
    return sorted


def sort_prints(pieces: list[Piece], school: School = BROAD) -> list[Sorted]:
    """Where cloths of several colours hang: with the prints, with the temperature of all their colours."""
    if not pieces:
        return []
    lab = np.concatenate([piece.lab for piece in pieces])
    warmth, neutral = temperature(lab, school), is_neutral(lab, school)
    names, families = names_and_families(lab, neutral)
    found, start = [], 0
    for piece in pieces:
        own = slice(start, start + len(piece.lab))
        mean = float(warmth[own] @ piece.share)
        found.append(
            Sorted(
                Bin.PRINT,
                mean,
                undertones(np.array([mean]))[0],
                _lean(piece.lab[0]),
                print_name(names[own], piece.pattern),
                families[start],
                piece.pattern_confidence,
            )
        )
        start = own.stop
    return found


EVEN_PATTERNS = frozenset({PatternType.STRIPE, PatternType.CHECK, PatternType.COLOUR_BLOCK})
"""Patterns in which no colour is the ground of the others."""


def print_name(colours: list[str], pattern: PatternType) -> str:
    """What a person would call a print: its ground, its pattern and the motif that shows most.

    colours: what its colours are called, the largest share first."""
    names = list(dict.fromkeys(colours))
    kind = pattern.value.replace("-", " ")
    if len(names) < 2:
        return f"{names[0]} {kind}"
    return f"{names[0]} and {names[1]} {kind}" if pattern in EVEN_PATTERNS else f"{names[0]} {kind} with {names[1]}"
