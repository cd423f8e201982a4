"""What goes to the occasion, into the weather and to the time of day that looks are made for."""

from collections.abc import Iterable

import numpy as np

from ...colour.arrays import BoolArray, FloatArray, IntArray
from ...garment.piece import Piece
from ...garment.vocabulary import Category, Finish
from ..body import Zone
from ..dressing.dress import zone_of
from ..kept_look import TimeOfDay
from ..remarks.sense import WARMTH_WORDS, Circumstances, formality_in_words, out_of_place
from .wanted import Wanted

PIECE_OFF = 1.0
"""Steps of formality that one piece may be off an occasion; the look as a whole is within it."""
NARROWEST = 1.0
"""Steps that an occasion takes at least: nobody dresses to a point."""
EACH_STEP_OFF = 4.0
"""Points of the whole for which a piece a step off the occasion is taken all the same."""
CLOTHES = frozenset({Zone.UPPER, Zone.LOWER, Zone.WHOLE, Zone.LAYER})
"""Zones of what is not an accessory: no two looks of a set share all of it."""
DRESSED = frozenset({Zone.UPPER, Zone.LOWER, Zone.WHOLE, Zone.LAYER, Zone.FEET})
"""Zones that say how dressed a look is."""
LAYER_FROM, NO_COAT_BELOW = 2.5, 0.75
"""Warmth from which a look has a layer, and below which none is a coat."""
FOR_THE_NIGHT, FOR_THE_DAY = 4.5, 1.75
"""Formality from which a piece is not for the day, and below which one is not for the evening."""
GLOVES_FROM = 1.5


def occasion(wanted: Wanted) -> tuple[float, float] | None:
    """From where to where the formality of a whole look may lie; None where nothing is asked."""
    if wanted.formality is None:
        return None
    low, high = wanted.formality
    more = max(0.0, NARROWEST - (high - low)) / 2
    return low - more, high + more


def why_left_out(piece: Piece, wanted: Wanted) -> str | None:
    """Why no look is made with a piece; None where nothing is against it. piece: as it is known."""
    span = occasion(wanted)
    if span is not None and piece.formality is not None:
        low, high = span
        if not low - PIECE_OFF <= piece.formality <= high + PIECE_OFF:
            return f"is for {formality_in_words(piece.formality)}"
    amiss = out_of_place(piece, Circumstances(wanted.wet, warmth=wanted.warmth))
    if amiss is not None:
        return amiss[1]
    if wanted.warmth is not None and piece.category is Category.COAT and wanted.warmth < NO_COAT_BELOW:
        return f"is a coat, and it is {WARMTH_WORDS[round(wanted.warmth)]}"
    if wanted.warmth is not None and piece.category is Category.GLOVES and wanted.warmth < GLOVES_FROM:
        return f"are for the cold, and it is {WARMTH_WORDS[round(wanted.warmth)]}"
    return why_not_the_time(piece, wanted.time)


def why_not_the_time(piece: Piece, time: TimeOfDay) -> str | None:
    """Why a piece is not worn at some time of the day; None where nothing is against it."""
    if time is TimeOfDay.DAY:
        if Finish.SEQUIN in piece.finish:
            return "is sequinned, and it is for the day"
        if piece.formality is not None and piece.formality >= FOR_THE_NIGHT:
            return "is for the night, and it is for the day"
    if time is TimeOfDay.EVENING:
        if Finish.STRAW in piece.finish:
            return "is straw, and it is for the evening"
        if piece.formality is not None and piece.formality < FOR_THE_DAY:
            return "is for the day, and it is for the evening"
    return None


class DayTable:
    """What there is to ask of many looks about their day. Every look is rows of one list of pieces, NOTHING elsewhere."""

    def __init__(self, known: Iterable[Piece], wanted: Wanted) -> None:
        """known: each piece as it is known, in the order of the rows."""
        pieces = tuple(known)
        self.wanted, self.span = wanted, occasion(wanted)
        says = np.array([zone_of(p.category) in DRESSED for p in pieces] + [False])
        formal = np.array([np.nan if p.formality is None else p.formality for p in pieces] + [np.nan])
        self.formality: FloatArray = np.where(says, formal, np.nan)
        self.is_layer: BoolArray = np.array([zone_of(p.category) is Zone.LAYER for p in pieces] + [False])

    def suits(self, rows: IntArray, layers_there: bool) -> BoolArray:
        """Which looks are as formal and as warm as is asked. (n, m) to (n,). layers_there: whether a layer could be had."""
        suits = np.ones(len(rows), dtype=bool)
        if self.span is not None:
            # what nobody knows of stands in no look's way
            middle = self.middle(rows)
            suits &= np.isnan(middle) | ((middle >= self.span[0] - 1e-9) & (middle <= self.span[1] + 1e-9))
        if layers_there and self.wanted.warmth is not None and self.wanted.warmth >= LAYER_FROM:
            suits &= self.is_layer[rows].any(axis=1)
        return suits

    def spare_layers(self, rows: IntArray) -> IntArray:
        """How many layers of each look the day does not ask for. (n,)."""
        layers: IntArray = self.is_layer[rows].sum(axis=1)
        asked = self.wanted.warmth is not None and self.wanted.warmth >= LAYER_FROM
        return (layers - 1).clip(0) if asked else layers

    def away(self, rows: IntArray) -> FloatArray:
        """How many steps the mean formality of each look is outside the occasion. (n,)."""
        if self.span is None:
            return np.zeros(len(rows))
        middle = self.middle(rows)
        low, high = self.span
        away: FloatArray = np.nan_to_num(np.maximum(low - middle, middle - high).clip(0, None))
        return away

    def middle(self, rows: IntArray) -> FloatArray:
        """The mean formality of each look; nan where none of it is known. (n,)."""
        found = self.formality[rows]
        known = ~np.isnan(found)
        mean: FloatArray = np.where(known, found, 0).sum(axis=1) / np.maximum(known.sum(axis=1), 1)
        return np.where(known.any(axis=1), mean, np.nan)

    def off(self, rows: IntArray) -> FloatArray:
        """What the pieces that are off the occasion cost each look, points of the whole. (n,)."""
        if self.wanted.formality is None:
            return np.zeros(len(rows))
        low, high = self.wanted.formality
        found = self.formality[rows]
        off: FloatArray = np.nan_to_num(np.maximum(low - found, found - high).clip(0, None))
        return EACH_STEP_OFF * off.sum(axis=1)
