"""Strong, clear and dusty colours, and a hard black: what stands out, and whether anything holds it."""

from dataclasses import dataclass

import numpy as np

from ...colour.arrays import BoolArray, RealArray
from ..scorer.asked import by_name, noticed, remembered, seen
from ..scorer.batch import LookBatch, across, count
from ..scorer.points import Points, leading
from ..scorer.soft import falling, rising
from ..scorer.table import Feature, PieceTable
from ..scorer.weights import threshold
from .kinship import repeated

STRONG = threshold("strong-chroma")


@remembered
def strength(table: PieceTable) -> Feature:
    """How far a plain piece carries a colour that speaks up, 0..1."""
    return rising(table.strong, STRONG - 9, STRONG + 9) * table.plain


def is_strong(table: PieceTable) -> Feature:
    """Whether a plain piece carries a colour that speaks up."""
    return (table.strong > STRONG) & table.plain


@seen
def _hard(table: PieceTable) -> Feature:
    """How far a plain piece is a hard black, 0..1."""
    return rising(table.black, 0.25, 0.75) * table.plain


def _shows_black(table: PieceTable) -> Feature:
    """How far a piece answers a hard black, 0..1: a little of it is enough in a print."""
    return np.maximum(_hard(table), rising(table.black, 0.05, 0.15) * table.print)


@seen
def _not_black(table: PieceTable) -> Feature:
    return 1 - table.black * ~table.print


@seen
def _lightness_but_black(table: PieceTable) -> Feature:
    return table.mean_lightness * _not_black(table)


STRONGEST = seen(by_name("strong"))


def stark(batch: LookBatch) -> Points:
    """A hard black in a soft look, alone or repeated."""
    w = batch.weights.points
    pale = batch.seen(_lightness_but_black) / np.maximum(batch.seen(_not_black), 1e-9)
    soft = ((pale - 55) / 25).clip(0, 1) * (1 - batch.seen(STRONGEST) / 45).clip(0, 1)
    amount = batch.seen(_hard)
    accent = ((0.35 - amount) / 0.15).clip(0, 1)
    hardest = batch.of(_hard).max(axis=0)
    answered = rising(batch.of(_shows_black).sum(axis=0) - hardest, 0.15, 0.75)
    points = (w["stark-black-echoed"] + w["stark-black"]) * answered - w["stark-black"]
    values = soft * accent * hardest * points

    def hard(i: int) -> BoolArray:
        places: BoolArray = leading(batch.of(_hard)[:, i])
        return places

    def text(i: int) -> str:
        what = batch.called(i, hard(i))
        if values[i] > 0:
            return f"{what}: the black returns, so it settles in a look of L* {pale[i]:.0f}"
        return f"{what}: a hard black alone in a soft look of L* {pale[i]:.0f}"

    return Points("stark-black", values, hard, text)


@seen
@remembered
def _speaking_up(table: PieceTable) -> Feature:
    # a white or a brown holds some colour and says nothing with it
    return rising(table.strong, 6, 30)


def _quarrelling(table: PieceTable) -> Feature:
    """How far two pieces differ in hue, when neither holds a colour of the other. Of pairs, 0..1."""
    return rising(_strangeness(table), 25, 50)


def _strangeness(table: PieceTable) -> Feature:
    return table.hues_apart * (1 - np.minimum(table.answer, table.answer.T))


@dataclass(frozen=True, slots=True, eq=False)
class _Small:
    """The small strong colours of some looks."""

    places: RealArray
    """(m, n), how far each place is one."""
    calm: RealArray
    """(n,), how quiet the rest is."""
    size: RealArray
    """(n,), how strong the strongest is."""
    quarrel: RealArray
    """(n,), how far two of them have nothing to do with each other."""
    vivid: RealArray
    """(n,), C* of the strongest."""
    lone: RealArray
    """(n,), how far there is one pop in a look that is quiet and answered otherwise."""


def _small_strong(batch: LookBatch) -> _Small:
    quiet = batch.seen(_speaking_up)
    smallness = falling(batch.area, 0.14, 0.18)
    smallness *= batch.of(strength)
    vivid = (batch.of("strong") * smallness).max(axis=0)
    calm = np.maximum(((0.43 - quiet) / 0.32).clip(0, 1), ONE_MIND * _of_one_hue(batch, 1 - smallness))
    quarrel = np.zeros_like(vivid)
    several = np.flatnonzero(count(smallness > 0) > 1)
    quarrel[several] = batch.most(
        batch.between(_quarrelling, several) * across(np.minimum, smallness.take(several, axis=1))
    )
    size = (vivid / 45).clip(0, 1)
    lone = calm * size * (1 - quarrel) * _settled(batch, smallness)
    return _Small(smallness, calm, size, quarrel, vivid, lone)


def lone_pop(batch: LookBatch) -> RealArray:
    """How far each piece is the one pop of a look that is quiet and answered otherwise, 0..1. (m, n)."""
    small = batch.once(_small_strong)
    share: RealArray = small.places * small.lone
    return share


def pop(batch: LookBatch) -> tuple[Points, Points]:
    """One small strong colour in a quiet look, and two that quarrel."""
    found = batch.once(_small_strong)
    smallness, vivid, quarrel = found.places, found.vivid, found.quarrel
    one = batch.weights.points["pop"] * found.lone
    two = -batch.weights.points["two-pops"] * quarrel * (found.calm + 0.4).clip(0, 1) * found.size

    def small(i: int) -> BoolArray:
        places: BoolArray = smallness[:, i] > 0
        return places

    def pop_text(i: int) -> str:
        return f"{batch.called(i, small(i))}: one strong colour, C* {vivid[i]:.0f}, in a quiet look"

    def quarrel_text(i: int) -> str:
        one = np.array([i])
        both = across(np.minimum, smallness[:, one]) > 0
        widest = (batch.between(_strangeness, one) * both).max(initial=0)
        return f"{batch.called(i, small(i))}: strong colours {widest:.0f}° of hue apart"

    return Points("pop", one, small, pop_text), Points("two-pops", two, small, quarrel_text)


UNSETTLED = 0.25
"""What a pop is worth where something else is as loose as it is."""


def _settled(batch: LookBatch, smallness: RealArray) -> RealArray:
    """How far every other accessory is answered, so that the pop alone stands out. smallness: (m, n). To (n,)."""
    answered = rising(batch.best_with_any(batch.between(repeated)), 0.1, 0.6)
    loose = ((1 - answered) * batch.of(_worn_small) * (1 - smallness)).max(axis=0)
    settled: RealArray = 1 - (1 - UNSETTLED) * loose
    return settled


def _worn_small(table: PieceTable) -> Feature:
    return table.accessory & (table.area >= 1) & ~table.metallic


ONE_MIND = 0.8
"""How calm a look is whose colours, but for the small one, are all of one hue."""


@remembered
def _hue_across(table: PieceTable) -> Feature:
    return _speaking_up(table) * np.cos(np.radians(table.leading_hue))


@remembered
def _hue_along(table: PieceTable) -> Feature:
    return _speaking_up(table) * np.sin(np.radians(table.leading_hue))


def _of_one_hue(batch: LookBatch, share: RealArray) -> RealArray:
    """How far the colours of some pieces point one way, 0..1; 0 where there is none. share: (m, n). To (n,)."""
    weight = batch.area * share
    total = (weight * batch.of(_speaking_up)).sum(axis=0)
    resultant = np.hypot(
        (weight * batch.of(_hue_across)).sum(axis=0), (weight * batch.of(_hue_along)).sum(axis=0)
    ) / np.maximum(total, 1e-6)
    together: RealArray = rising(resultant, 0.8, 0.97) * rising(total, 0.03, 0.1)
    return together


def _opposed(table: PieceTable) -> Feature:
    return rising(table.hues_apart, 40, 90)


def competing(batch: LookBatch) -> Points:
    """Two strong hues of near equal area."""
    level = rising(batch.area, 0.06, 0.10)
    level *= batch.of(strength)
    worst = np.zeros(level.shape[1], dtype=level.dtype)
    several = np.flatnonzero(count(level > 0) > 1)
    area, both = batch.area.take(several, axis=1), across(np.minimum, level.take(several, axis=1))
    nearly = across(np.minimum, area) / across(np.maximum, area).clip(1e-9, 1)
    worst[several] = batch.most(both * rising(nearly, 0.3, 0.7) * batch.between(_opposed, several))
    return Points(
        "competing-equals",
        -batch.weights.points["competing-equals"] * worst,
        lambda i: level[:, i] > 0,
        lambda i: f"{batch.called(i, level[:, i] > 0)}: strong colours in near equal amounts, neither leads",
    )


def _differing(table: PieceTable) -> Feature:
    """How far two pieces are of different hue: plum and wine hold each other. Of pairs, 0..1."""
    return rising(table.hues_apart, 35, 75)


@seen
def _quiet(table: PieceTable) -> Feature:
    return (1 - table.strong / 24).clip(0, 1)


def held(batch: LookBatch) -> Points:
    """Several strong colours, with enough quiet cloth to hold them or without."""
    level, w = batch.of(strength), batch.weights.points
    large = level * (batch.area / 0.06).clip(0, 1)
    some = np.flatnonzero(count(large > 0) > 1)
    several = np.zeros(level.shape[1], dtype=level.dtype)
    both = across(np.minimum, large.take(some, axis=1))
    several[some] = batch.most(both * batch.between(_differing, some))
    quiet = batch.seen(_quiet)
    values = several * (
        w["strong-held-by-quiet"] * rising(quiet, 0.15, 0.35) - w["strong-unheld"] * falling(quiet, 0, 0.18)
    )
    return Points(
        "strong-held-by-quiet",
        values,
        lambda i: level[:, i] > 0,
        lambda i: (
            f"{batch.called(i, level[:, i] > 0)}: held by {100 * quiet[i]:.0f} % quiet cloth"
            if values[i] > 0
            else f"{batch.called(i, level[:, i] > 0)}: strong colours with only {100 * quiet[i]:.0f} % quiet cloth"
        ),
    )


def _coloured(table: PieceTable) -> Feature:
    return falling(table.neutral, 0.2, 0.9) * (table.plain & ~table.metallic)


@noticed
def _dusty(table: PieceTable) -> Feature:
    shown = rising(table.lightness, 28, 40) * falling(table.lightness, 78, 88)
    return _coloured(table) * falling(table.chroma, 20, 30) * shown


@noticed
def _clear(table: PieceTable) -> Feature:
    return _coloured(table) * rising(table.chroma, 36, 52)


SMALL_CLEAR = 0.3
"""How much of the cost of clear beside dusty one small clear thing has."""


def clarity(batch: LookBatch) -> Points:
    """Dusty with dusty, or clear beside dusty."""
    dusty, clear = batch.of(_dusty), batch.of(_clear)
    w = batch.weights.points
    both = np.minimum(batch.noticed(_dusty), batch.noticed(_clear))
    # one small clear thing is a pop
    large = (clear * rising(batch.area, 0.05, 0.12)).max(axis=0)
    crossing = (both / 0.18).clip(0, 1) * (SMALL_CLEAR + (1 - SMALL_CLEAR) * large)
    several = (dusty.sum(axis=0) - 1).clip(0, 1) * (1 - clear.max(axis=0))
    values = w["clarity-agrees"] * several - w["clarity-crosses"] * crossing

    def text(i: int) -> str:
        softly = batch.called(i, leading(dusty[:, i]))
        if values[i] > 0:
            return f"dusty colours keep company: {softly}"
        return f"{batch.called(i, leading(clear[:, i]))} clear beside dusty {softly.lower()}"

    return Points("clarity-agrees", values, lambda i: leading(dusty[:, i]) | leading(clear[:, i]), text)
