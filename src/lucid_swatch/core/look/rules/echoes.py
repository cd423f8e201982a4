"""What returns: colours in accessories, colours of a print in its partners, print in print."""

import numpy as np

from ...colour.arrays import BoolArray
from ..scorer.asked import by_name, marked
from ..scorer.batch import LookBatch, count
from ..scorer.points import Points, leading
from ..scorer.soft import falling
from ..scorer.table import Feature, PieceTable
from ..scorer.weights import threshold

PRINT_MATCH = threshold("print-match")
PRINT = marked(by_name("print"))


def _seen(table: PieceTable) -> Feature:
    return table.accessory & (table.area >= 1)


def _odd(table: PieceTable) -> Feature:
    """How far an accessory is neither neutral nor metal, 0..1."""
    return falling(table.neutral, 0.3, 0.7) * (_seen(table) & ~table.metallic)


def echo(batch: LookBatch) -> Points:
    """Accessories whose colour returns, and those that nothing answers."""
    w = batch.weights.points
    best = batch.best_with_any(batch.between("repeated"))
    accessory = batch.of(_seen)
    answered = (best * accessory).sum(axis=0) / np.maximum(count(accessory), np.float32(1))
    # a colour that is no neutral and that nothing answers is a stray, unless it is the one pop of a quiet look
    lone = batch.of(_odd) * falling(best, 0.15, 0.35)
    values = w["echo"] * answered - w["stray"] * np.maximum(lone.sum(axis=0) - np.float32(0.5), 0)

    def repeated(i: int) -> BoolArray:
        strongest = np.where(accessory[:, i], best[:, i], 0).max()
        places: BoolArray = accessory[:, i] & (best[:, i] > 0) & (best[:, i] >= 0.6 * strongest)
        return places

    return Points(
        "echo",
        values,
        lambda i: repeated(i) if values[i] >= 0 else leading(lone[:, i]),
        lambda i: (
            f"{batch.called(i, repeated(i))}: the colour returns elsewhere in the look"
            if values[i] >= 0
            else f"{batch.called(i, leading(lone[:, i]))}: a colour that nothing answers"
        ),
    )


def _print_with_plain(table: PieceTable) -> Feature:
    """How surely a print holds the colour of a plain piece. Of pairs, 0..1."""
    return table.in_the_print * (np.outer(table.print, table.plain) | np.outer(table.plain, table.print))


def _partner(table: PieceTable) -> Feature:
    """How far a plain piece is coloured, 0..1."""
    return (table.chroma / 14).clip(0, 1) * ((table.area >= 0.4) & table.plain & ~table.metallic)


def accents_of_prints(batch: LookBatch) -> Points:
    """Coloured partners in a print's own colours, or in others."""
    printed, some = batch.having(PRINT)
    if not len(printed):
        return batch.silent("accent-from-the-print")
    return batch.spread(_accents(some), printed)


def _accents(batch: LookBatch) -> Points:
    """All looks hold a print."""
    belongs = batch.best_with_any(batch.between(_print_with_plain))
    w = batch.weights.points
    full = w["accent-from-the-print"] + w["accent-against-the-print"]
    coloured = batch.of(_partner)
    weight = coloured * (batch.area / 0.10).clip(0.35, 1)
    total = weight.sum(axis=0)
    values = (weight * (full * belongs - w["accent-against-the-print"])).sum(axis=0) / np.maximum(total, 0.6)
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
    sharing, alike, w = batch.between(_sharing, several), batch.between(_alike, several), batch.weights.points
    pairs = number[several] * (number[several] - np.float32(1)) / 2
    full = w["prints-share"] + w["prints-strange"]
    mixed = full * sharing.sum(axis=0) - w["prints-strange"] * pairs - w["prints-alike"] * count(alike)
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
