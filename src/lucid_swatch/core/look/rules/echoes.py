"""What returns: colours in accessories, colours of a print in its partners, print in print."""

import numpy as np

from ...colour.arrays import BoolArray, RealArray
from ..body import Zone
from ..scorer.asked import by_name, marked
from ..scorer.batch import LookBatch, count
from ..scorer.points import Points, leading
from ..scorer.soft import falling, rising
from ..scorer.table import Feature, PieceTable
from ..scorer.weights import threshold
from .accents import lone_pop
from .habits import A_WHITE, how_blue, warms
from .kinship import repeated

PRINT_MATCH, STRONG = threshold("print-match"), threshold("strong-chroma")
PRINT = marked(by_name("print"))


def _seen(table: PieceTable) -> Feature:
    return table.accessory & (table.area >= 1)


def _odd(table: PieceTable) -> Feature:
    """How far an accessory is neither neutral nor metal, 0..1."""
    return falling(table.neutral, 0.3, 0.7) * (_seen(table) & ~table.metallic)


AT_HOME, A_POP_ALONE = 0.8, 0.6
"""How far brown in a look of blue, and the one pop of a quiet look, are answered by the look itself."""
UNADORNED = 0.8
"""How far accessories have to be answered for a look to be as good as without any: what is added has to be at home."""


def echo(batch: LookBatch) -> Points:
    """Accessories whose colour returns, and those that nothing answers."""
    w = batch.weights.points
    best = batch.best_with_any(batch.between(repeated))
    accessory = batch.of(_seen)
    # brown needs no other brown in a look of blue, a pop is to be nearly alone, and a white is at home in most looks
    best = np.maximum(best, np.maximum(AT_HOME * batch.of(warms) * how_blue(batch), A_POP_ALONE * lone_pop(batch)))
    best = np.maximum(best, A_WHITE * batch.of("white"))
    weight = accessory * np.sqrt(batch.area)
    answered = (best * weight).sum(axis=0) / np.maximum(weight.sum(axis=0), 1e-9)
    loose = (1 - best) * accessory
    # a colour that is no neutral and that nothing answers is a stray, unless it is the one pop of a quiet look
    lone = batch.of(_odd) * falling(best, 0.15, 0.35)
    some = count(accessory) > 0
    values = w["echo"] * (answered - UNADORNED * some) - w["stray"] * np.maximum(lone.sum(axis=0) - np.float32(1), 0)

    def unanswered(i: int) -> BoolArray:
        return leading(lone[:, i] if lone[:, i].any() else loose[:, i])

    def answering(i: int) -> BoolArray:
        strongest = np.where(accessory[:, i], best[:, i], 0).max()
        places: BoolArray = accessory[:, i] & (best[:, i] > 0) & (best[:, i] >= 0.6 * strongest)
        return places

    return Points(
        "echo",
        values,
        lambda i: answering(i) if values[i] >= 0 else unanswered(i),
        lambda i: (
            f"{batch.called(i, answering(i))}: the colour returns elsewhere in the look"
            if values[i] >= 0
            else f"{batch.called(i, unanswered(i))}: a colour that nothing answers"
        ),
    )


def _foot_with_top(table: PieceTable) -> Feature:
    """How well shoes return what is worn above the waist. Of pairs, 0..1."""
    foot, top = table.worn(Zone.FEET), table.worn(Zone.UPPER, Zone.LAYER, Zone.NECK, Zone.HEAD) & (table.area >= 2)
    return table.returns * (np.outer(foot, top) | np.outer(top, foot))


def _foot_with_bottom(table: PieceTable) -> Feature:
    """How well shoes return the lower half. Of pairs, 0..1."""
    foot, low = table.worn(Zone.FEET), table.worn(Zone.LOWER, Zone.WHOLE)
    return table.returns * (np.outer(foot, low) | np.outer(low, foot))


def _darker_above(table: PieceTable) -> Feature:
    """L* by which what is worn above is darker than the lower half. Of pairs."""
    above, below = table.worn(Zone.UPPER, Zone.LAYER, Zone.NECK), table.worn(Zone.LOWER)
    step = (table.mean_lightness - table.mean_lightness[:, None]) * np.outer(above, below)
    return np.maximum(step, step.T).clip(0, None)


def _is_shod(table: PieceTable) -> Feature:
    return table.worn(Zone.FEET)


def foot_answers(batch: LookBatch) -> Points:
    """Shoes in a dark from above the waist that a paler lower half does not have: the top's black again at the foot."""
    top = batch.most(batch.between(_foot_with_top))
    darker = rising(batch.most(batch.between(_darker_above)), 8, 30)
    bottom = batch.most(batch.between(_foot_with_bottom))
    values = batch.weights.points["foot-answers"] * darker * top * (1 - bottom)
    shod = batch.of(_is_shod)
    return Points(
        "foot-answers",
        values,
        lambda i: shod[:, i],
        lambda i: f"{batch.called(i, shod[:, i])}: what is worn above comes again at the foot",
    )


QUIET_STRANGER = 0.75
"""How little a neutral that a print does not hold is a stranger to it."""


def print_with_plain(table: PieceTable) -> Feature:
    """How surely a print holds the colour of a plain piece, or one of its kin. Of pairs, 0..1."""
    held = np.maximum(table.in_the_print, KIN * table.kin)
    return held * (np.outer(table.print, table.plain) | np.outer(table.plain, table.print))


def held_by_print(batch: LookBatch) -> RealArray:
    """How surely the colour of each piece and a print hold each other. (m, n), 0..1."""
    return batch.best_with_any(batch.between(print_with_plain))


KIN = 0.75
"""How far a partner of the same hue belongs to a print that does not hold its very colour."""


def _colourful_print(table: PieceTable) -> Feature:
    """How far a print has a colour of its own, 0..1: black and white has none, and anything bright goes with it."""
    return rising(table.strong, 8, 42) * table.print


def _strong_enough(table: PieceTable) -> Feature:
    return rising(table.strong, STRONG - 7, STRONG + 7) * table.plain


A_POP = 0.6
"""How little a small strong colour is held against the print."""


def _muddy(table: PieceTable) -> Feature:
    """How far a plain piece is neither a clear colour nor a clean neutral, 0..1."""
    return falling(table.strong, STRONG - 18, STRONG + 4) * table.plain


def _partner(table: PieceTable) -> Feature:
    """How far a plain piece is coloured, 0..1: a neutral asks little of a print, and denim nothing."""
    quiet = np.maximum(QUIET_PARTNER, table.denim) * table.neutral
    coloured = (table.chroma / 14).clip(0, 1) * (1 - quiet)
    return coloured * ((table.area >= 0.4) & table.plain & ~table.metallic)


QUIET_PARTNER = 0.7
"""How little a neutral partner has to be held by the print."""


def accents_of_prints(batch: LookBatch) -> Points:
    """Coloured partners in a print's own colours, or in others."""
    printed, some = batch.having(PRINT)
    if not len(printed):
        return batch.silent("accent-from-the-print")
    return batch.spread(_accents(some), printed)


def _accents(batch: LookBatch) -> Points:
    """All looks hold a print."""
    belongs = batch.once(held_by_print)
    w = batch.weights.points
    # a neutral that the print does not hold is no stranger as a colour is
    strange_cost = w["accent-against-the-print"] * (1 - QUIET_STRANGER * rising(batch.of("neutral"), 0.2, 0.6))
    coloured = batch.of(_partner)
    weight = coloured * (batch.area / 0.10).clip(0.35, 1)
    # beside prints without a colour of their own only what is muddy is a stranger
    colourful = batch.of(_colourful_print).max(axis=0)
    weight = weight * np.maximum(colourful, np.maximum(batch.of(_muddy), belongs))
    # one small strong thing may be the pop
    weight = weight * (1 - A_POP * falling(batch.area, 0.07, 0.1) * batch.of(_strong_enough))
    total = weight.sum(axis=0)
    each = w["accent-from-the-print"] * belongs - strange_cost * (1 - belongs)
    values = (weight * each).sum(axis=0) / np.maximum(total, 0.8)
    values = values * (total > 0)

    def matching(i: int) -> BoolArray:
        return leading(coloured[:, i] * belongs[:, i])

    def strange(i: int) -> BoolArray:
        return leading(coloured[:, i] * (1 - belongs[:, i]))

    def text(i: int) -> str:
        if values[i] > 0:
            return f"{batch.called(i, matching(i))}: one of the print's own colours"
        away = PRINT_MATCH * np.sqrt(-2 * np.log(belongs[strange(i), i].max(initial=1e-30)))
        return f"{batch.called(i, strange(i))}: a colour that the print does not hold, ΔE {away:.0f} away"

    return Points("accent-from-the-print", values, lambda i: matching(i) if values[i] > 0 else strange(i), text)


def _sharing(table: PieceTable) -> Feature:
    """How surely two prints share a colour. Of pairs, 0..1."""
    return table.in_the_print * np.outer(table.print, table.print)


def of_one_cloth(table: PieceTable) -> Feature:
    """How far two prints are one cloth, as jacket and trousers of a suit. Of pairs, 0..1."""
    return falling(table.main_difference, 2, 12) * _alike(table)


def _alike(table: PieceTable) -> Feature:
    """Whether two prints are of one kind and one scale. Of pairs."""
    return table.one_kind & np.outer(table.print, table.print)


def friendly(table: PieceTable) -> Feature:
    """How surely two prints that differ share a colour. Of pairs, 0..1."""
    return _sharing(table) * ~table.one_kind


def prints_together(batch: LookBatch) -> Points:
    """Prints that share a colour or do not, of one kind and scale or not; or that are several at all."""
    prints = batch.of("print")
    number = count(prints)
    several = np.flatnonzero(number > 1)
    if not len(several):
        return batch.silent("prints-together")
    # what is of one cloth is one print, however many pieces it is cut into
    apart, w = 1 - batch.between(of_one_cloth, several), batch.weights.points
    sharing, alike = batch.between(_sharing, several) * apart, batch.between(_alike, several) * apart
    pairs = number[several] * (number[several] - np.float32(1)) / 2 - (1 - apart).sum(axis=0)
    full = w["prints-share"] + w["prints-strange"]
    mixed = full * sharing.sum(axis=0) - w["prints-strange"] * pairs - w["prints-alike"] * alike.sum(axis=0)
    school = batch.schools["one_print"]
    values = np.zeros(len(number), dtype=np.float32)
    values[several] = np.where(school[several], -w["prints-together-refused"], mixed).clip(-16, 6)

    def text(i: int) -> str:
        what, one = batch.called(i, prints[:, i]), np.array([i])
        if school[i]:
            return f"{what}: more than one print, by the school of one"
        same = "of one kind and one scale" if batch.between(_alike, one).any() else "of different kind or scale"
        shared = batch.between(_sharing, one).max() > 0.5
        return f"{what}: prints {same} that {'share' if shared else 'do not share'} a colour"

    return Points("prints-together", values, lambda i: prints[:, i], text)
