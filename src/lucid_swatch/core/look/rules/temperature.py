"""Whether warm and cool neutrals keep to themselves, and metals to theirs."""

import numpy as np

from ...colour.arrays import BoolArray, RealArray
from ...garment.vocabulary import Metal
from ..body import Zone
from ..scorer.asked import by_name, noticed, seen
from ..scorer.batch import LookBatch, count
from ..scorer.points import Points, leading
from ..scorer.soft import rising
from ..scorer.table import METALS, Feature, PieceTable

ENOUGH = 0.5
"""Share of a look, by emphasis, that neutrals with a side must have before crossing them counts in full."""
AGREES = 0.01
"""Warm or cool cloth of a piece, by emphasis, from which it counts among those that agree."""
LEATHER = (Zone.FEET, Zone.HAND, Zone.WAIST)
"""Where leather is worn."""


def is_leather(table: PieceTable) -> Feature:
    """Whether each piece is worn where leather is."""
    return table.worn(*LEATHER)


def _side(table: PieceTable) -> Feature:
    """Warm neutral cloth of each piece, less its cool."""
    return table.warm - table.cool


WARM, COOL, BLUE = noticed(by_name("warm")), noticed(by_name("cool")), seen(by_name("blue"))


@noticed
def _warm_brown(table: PieceTable) -> Feature:
    """Brown leather, and less of it brown cloth: a camel coat over navy."""
    return table.warm * table.brown * np.where(is_leather(table), 0.8, 0.6)


@noticed
def _cool_not_blue(table: PieceTable) -> Feature:
    return table.cool * (1 - 0.85 * table.blue)


def _opposed(batch: LookBatch) -> tuple[RealArray, RealArray]:
    """Warm and cool neutrals of each look that really oppose each other. (n,) each. Blue counts little as cool, and
    brown little as warm where there is blue: the one crossing that people seek."""
    sought = batch.noticed(_warm_brown) * (batch.seen(BLUE) / 0.3).clip(0, 1)
    return batch.noticed(WARM) - sought, batch.noticed(_cool_not_blue)


def temperature(batch: LookBatch) -> tuple[Points, Points]:
    """Neutrals of one temperature, and neutrals that cross."""
    total_warm, total_cool = batch.noticed(WARM), batch.noticed(COOL)
    hard_warm, hard_cool = _opposed(batch)
    crossing = (2 * np.minimum(hard_warm, hard_cool) / np.maximum(total_warm + total_cool, ENOUGH)).clip(0, 1)
    separator = (separators(batch) / 0.10).clip(0, 1)
    crossed = -batch.weights.points["temperature-crosses"] * crossing * (1 - 0.6 * separator)
    warmer = total_warm >= total_cool
    side = batch.of(_side) * batch.emphasis * np.where(warmer, np.float32(1), np.float32(-1))
    several = (rising(side, AGREES, 0.12).sum(axis=0) - 1).clip(0, 3) / 3
    agreed = batch.weights.points["temperature-agrees"] * (1 - (1 - several) ** 2) * (1 - 1.6 * crossing).clip(0, 1)

    def strays(i: int) -> BoolArray:
        return leading(-side[:, i])

    def agreeing(i: int) -> BoolArray:
        places: BoolArray = side[:, i] > AGREES
        return places

    def agree_text(i: int) -> str:
        return f"{'warm' if warmer[i] else 'cool'} neutrals agree: {batch.called(i, agreeing(i))}"

    def cross_text(i: int) -> str:
        side = "cooler" if warmer[i] else "warmer"
        softened = "; a white, a black or a print between them softens it" if separator[i] > 0.5 else ""
        against = f"{100 * crossing[i] / 2:.0f} % against them"
        return f"{batch.called(i, strays(i))}: {side} than the other neutrals, {against}{softened}"

    return (
        Points("temperature-agrees", agreed, agreeing, agree_text),
        Points("temperature-crosses", crossed, strays, cross_text),
    )


@seen
def _separator(table: PieceTable) -> Feature:
    clean = np.maximum(table.white, table.black) * table.plain
    holds_both = 3 * np.minimum(table.warm, table.cool) * table.print
    return ~is_leather(table) * np.maximum(clean, holds_both)


def separators(batch: LookBatch) -> RealArray:
    """How much very pale white, black, or print that holds both sides stands in the look, by area. (n,)."""
    return batch.seen(_separator)


def _yellow(table: PieceTable) -> Feature:
    return table.metal == METALS.index(Metal.GOLD)


def _white(table: PieceTable) -> Feature:
    return table.metal == METALS.index(Metal.SILVER)


def metal_side(batch: LookBatch) -> Points:
    """Yellow metal with warm neutrals, white metal with cool ones."""
    warm, cool = batch.noticed(WARM), batch.noticed(COOL)
    side = (warm - cool) / np.maximum(warm + cool, 0.2)
    yellow, white = count(batch.of(_yellow)), count(batch.of(_white))
    lean = (yellow - white).astype(np.float32) / np.maximum(yellow + white, 1)
    values = batch.weights.points["metal-with-temperature"] * side * lean
    words = {1: "yellow metal", -1: "white metal"}

    def places(i: int) -> BoolArray:
        shown: BoolArray = batch.of(_yellow)[:, i] | batch.of(_white)[:, i]
        return shown

    return Points(
        "metal-with-temperature",
        values,
        places,
        lambda i: (
            f"{batch.called(i, places(i))}: {words[1 if lean[i] > 0 else -1]} "
            f"{'agrees with' if values[i] > 0 else 'crosses'} the {'warm' if side[i] > 0 else 'cool'} neutrals"
        ),
    )
