"""Monochrome: one tone from head to foot, and enough step or surface in it to hold the eye."""

import numpy as np

from ...colour.arrays import BoolArray, RealArray
from ..body import Zone
from ..scorer.asked import marked, seen
from ..scorer.batch import LookBatch, across, count
from ..scorer.points import Measured, Points, leading
from ..scorer.soft import falling, rising
from ..scorer.table import Feature, PieceTable
from .accents import lone_pop
from .echoes import PRINT, held_by_print
from .habits import how_blue, shows_metal, warms


def measure_monochrome(batch: LookBatch) -> Measured:
    """Points for every look of a batch."""
    one = oneness(batch)
    return Measured(
        batch.weights.starts["monochrome"],
        (_one_family(batch, one), _stray(batch), *_relief(batch, one), _column(batch)),
    )


def _cloth(table: PieceTable) -> Feature:
    return (~table.metallic).astype(np.float32)


def _own_family(table: PieceTable) -> Feature:
    """How far the colours of a piece are one family by themselves."""
    return np.diagonal(table.family)


SOUGHT = 0.6
"""How little what warms a look of blue counts against its one tone."""


def oneness(batch: LookBatch) -> RealArray:
    """0 for colours all over the circle .. 1 for one family. (n,). Metal does not count."""
    # brown leather in a look of blue is no other family: it is what people seek there
    weight = batch.emphasis * batch.of(_cloth) * (1 - SOUGHT * batch.of(warms) * how_blue(batch))
    own = (batch.of(_own_family) * weight * weight).sum(axis=0)
    pairs = across(np.multiply, weight)
    pairs *= batch.between("family")
    alike = own + 2 * pairs.sum(axis=0)
    share: RealArray = alike / np.maximum(weight.sum(axis=0) ** 2, 1e-9)
    return share


def _one_family(batch: LookBatch, one: RealArray) -> Points:
    values = batch.weights.points["one-family"] * 2 * (one - 0.5)
    return Points(
        "one-family",
        values,
        lambda i: batch.present[:, i],
        lambda i: f"{100 * one[i]:.0f} % of the cloth, pair by pair, is of one family",
    )


@seen
def _coloured(table: PieceTable) -> Feature:
    return (1 - table.neutral) * (table.strong / 30).clip(0, 1)


@seen
def _across(table: PieceTable) -> Feature:
    return _coloured(table) * np.cos(np.radians(table.leading_hue))


@seen
def _along(table: PieceTable) -> Feature:
    return _coloured(table) * np.sin(np.radians(table.leading_hue))


def _foreign_at_all(table: PieceTable) -> Feature:
    return rising(_coloured(table), 0.0, 1.0)


def _foreign_to_neutrals(table: PieceTable) -> Feature:
    return rising(_coloured(table), 0.2, 0.85) * _coloured(table)


def _stray(batch: LookBatch) -> Points:
    total = batch.seen(_coloured)
    along, crosswise = batch.seen(_along), batch.seen(_across)
    leading_hue = np.degrees(np.arctan2(along, crosswise)) % 360
    # where hues cancel each other none leads, and none is foreign to it
    leads = rising(np.hypot(along, crosswise) / np.maximum(total, 1e-9), 0.0, 0.8)
    away = batch.of("leading_hue") - leading_hue
    np.abs(away, out=away)
    np.minimum(away, 360 - away, out=away)
    led = 0.6 + 0.4 * rising(total, 0.15, 0.35)
    foreign = rising(away, 35, 100)
    foreign *= leads
    foreign *= batch.of(_foreign_at_all)
    # in a look of neutrals any strong colour is the foreign one
    np.maximum(foreign, falling(total, 0.06, 0.30) * batch.of(_foreign_to_neutrals), out=foreign)
    # what a print holds is no stranger to it
    printed, some = batch.having(PRINT)
    foreign[:, printed] *= 1 - some.once(held_by_print)
    # a small one is the pop that breaks a tone
    worst = ((batch.area / 0.18).clip(0, 1) * rising(batch.area, 0.02, 0.12) * (1 - lone_pop(batch)) * foreign).max(
        axis=0
    )
    return Points(
        "foreign-hue",
        -batch.weights.points["foreign-hue"] * led * worst,
        lambda i: leading(foreign[:, i]),
        lambda i: f"{batch.called(i, leading(foreign[:, i]))}: a hue from outside the family",
    )


_breaks = marked(shows_metal)


def _at_the_belt(table: PieceTable) -> Feature:
    return _differing(table, table.worn(Zone.WAIST), table.worn(Zone.UPPER, Zone.LOWER, Zone.WHOLE))


def _belt_breaks(batch: LookBatch) -> RealArray:
    """How far a belt breaks the cloth round it: one of its own colour does not. (n,), 0..1."""
    apart = batch.between(_at_the_belt).min(axis=0, initial=99)
    return rising(apart, 6, 16) * (apart < 99)


UNKNOWN_SURFACE = 0.3
"""Share of the cost of a flat look that is not counted where no surface is known."""


def not_known(pieces: int) -> str:
    """What a reason adds where surfaces are not known."""
    if not pieces:
        return ""
    return f"; surfaces not known for {'one piece' if pieces == 1 else f'{pieces} pieces'}"


def relief(batch: LookBatch) -> RealArray:
    """How much steps of lightness, surfaces and breaks hold the eye, 0..1. (n,)."""
    return _holding(batch)[0]


def _holding(batch: LookBatch) -> tuple[RealArray, RealArray, RealArray]:
    """The relief of each look, its widest step in L*, and how many surfaces it has. (n,) each."""
    lightness, large = batch.of("mean_lightness"), batch.area > 0.04
    # of the large ones the lightest and the darkest, each counted from its own end of the scale
    counted = large.astype(np.float32)
    lightest, deepest = (lightness * counted).max(axis=0), ((100 - lightness) * counted).max(axis=0)
    step = (lightest + deepest - 100).clip(0, None)
    inner = np.sqrt((batch.of("lightness_variance") * counted).max(axis=0))
    kinds = np.bitwise_count(np.bitwise_or.reduce(batch.of("surfaces"), axis=0))
    broken = np.maximum(_belt_breaks(batch), batch.some(_breaks))
    by_lightness = 1 - np.exp(-np.maximum(step, 1.5 * inner) / 14)
    by_surface = 1 - np.exp(np.float32(-0.55) * np.maximum(kinds.astype(np.float32) - 1, 0))
    held: RealArray = 1 - (1 - by_lightness) * (1 - 0.8 * by_surface) * (1 - np.float32(0.15) * broken)
    return held, step, kinds


def _relief(batch: LookBatch, one: RealArray) -> tuple[Points, Points]:
    held, step, kinds = _holding(batch)
    large = batch.area > 0.04
    # a cloth that nobody knows may have the relief that is missed
    unknown = count(large & batch.present & ~batch.of("surface_known"))
    doubted = 1 - UNKNOWN_SURFACE * unknown / np.maximum(count(large & batch.present), 1)
    flat = -batch.weights.points["flat"] * (1 - held) * one * (held <= 0.97) * doubted.astype(np.float32)
    lively = batch.weights.points["relief"] * held * one

    def places(i: int) -> BoolArray:
        shown: BoolArray = large[:, i] & batch.present[:, i]
        return shown

    def flat_text(i: int) -> str:
        between = f"only {step[i]:.0f} L* and {kinds[i]} surfaces between them"
        return f"{batch.called(i, places(i))}: {between}, so it reads flat{not_known(int(unknown[i]))}"

    return (
        Points(
            "relief",
            lively,
            places,
            lambda i: f"a step of {step[i]:.0f} L* and {kinds[i]} surfaces give relief{not_known(int(unknown[i]))}",
        ),
        Points("flat", flat, places, flat_text),
    )


@marked
def _is_whole(table: PieceTable) -> Feature:
    return table.worn(Zone.WHOLE)


@marked
def is_layer(table: PieceTable) -> Feature:
    return table.worn(Zone.LAYER)


@marked
def _is_open_layer(table: PieceTable) -> Feature:
    return is_layer(table) & ~table.closed


def _differing(table: PieceTable, first: Feature, second: Feature) -> Feature:
    """CIEDE2000 between the main colours of a first and a second piece, 99 for others. Of pairs."""
    return np.where(np.outer(first, second) | np.outer(second, first), table.main_difference, 99.0)


def _at_the_waist(table: PieceTable) -> Feature:
    return _differing(table, table.worn(Zone.UPPER), table.worn(Zone.LOWER))


def _at_the_foot(table: PieceTable) -> Feature:
    return _differing(table, table.worn(Zone.LOWER, Zone.WHOLE), table.worn(Zone.FEET))


FLAT_COLUMN = 0.35
"""What a line from neck to hem is worth without any relief in it."""


def _column(batch: LookBatch) -> Points:
    waist = batch.between(_at_the_waist).min(axis=0, initial=99)
    body = waist * ~batch.some(_is_whole)
    line = falling(body, 3, 18)
    lined = np.flatnonzero(line)
    foot = np.full_like(line, 99)
    foot[lined] = batch.between(_at_the_foot, lined).min(axis=0, initial=99)
    line = line * (0.6 + 0.4 * falling(foot, 6, 20))
    layered = batch.some(_is_open_layer)
    w = batch.weights.points
    # a flat column is no gain
    line = line * (FLAT_COLUMN + (1 - FLAT_COLUMN) * rising(relief(batch), 0.2, 0.7))
    values = line * np.where(layered, np.float32(w["column-under-a-layer"]), np.float32(w["column"]))

    def places(i: int) -> BoolArray:
        table, rows = batch.table, batch.rows[:, i]
        body, feet = table.worn(Zone.UPPER, Zone.LOWER, Zone.WHOLE), table.worn(Zone.FEET)
        shown: BoolArray = body[rows] | (feet[rows] & (foot[i] < 14))
        return shown

    return Points(
        "column",
        values,
        places,
        lambda i: (
            f"{batch.called(i, places(i))}: one line from neck to hem" + (" under an open layer" if layered[i] else "")
        ),
    )
