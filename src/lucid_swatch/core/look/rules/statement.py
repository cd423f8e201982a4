"""Statement: one piece speaks, the rest listens."""

import numpy as np

from ...colour.arrays import BoolArray, IntArray, RealArray
from ..body import Zone
from ..look import Intent
from ..scorer.asked import seen
from ..scorer.batch import INTENTS, LookBatch, count
from ..scorer.points import Measured, Points, leading
from ..scorer.soft import falling, rising
from ..scorer.table import Feature, PieceTable
from ..scorer.weights import threshold
from .accents import STRONG
from .echoes import PRINT, friendly, of_one_cloth
from .monochrome import relief

LOUD_PARTNER = threshold("loud-partner")


def measure_statement(batch: LookBatch) -> Measured:
    """Points for every look of a batch."""
    weight = statement_weights(batch)
    first, lead = weight.max(axis=0), _leader(weight)
    printed, some = batch.having(PRINT)
    busiest = ((weight[:, printed] + 1) * some.of("print")).argmax(axis=0)
    picked_up = [batch.spread(points, printed) for points in _pick_up(some, busiest)]
    return Measured(
        batch.weights.starts["statement"],
        (
            _focus(batch, first, lead),
            _quiet_voice(batch, first),
            _compete(batch, weight, first, lead, _belonging(some, busiest), printed, busiest),
            *picked_up,
            _mute(batch, first, lead),
            _print_school(batch),
            _accent_wanted(batch),
        ),
    )


@seen
def _plainly_strong(table: PieceTable) -> Feature:
    """Chroma that speaks, in steps that are equally felt: the same step of C* is felt less the stronger a colour is."""
    return np.log1p(0.045 * table.strong) / 0.045 * ~table.print


def _unsaid(table: PieceTable) -> Feature:
    return np.isnan(table.said)


def statement_weights(batch: LookBatch) -> RealArray:
    """How much each piece draws the eye, 0..1. (m, n). The stylist's own say wins."""
    area, seen = batch.area, batch.of(_plainly_strong)
    company = batch.seen(_plainly_strong) - area * seen
    company /= (1 - area).clip(1e-9, 1)
    weight = rising(seen - company, 7, 35)
    weight *= 0.55
    weight += batch.of("boldness")
    weight *= (batch.area_root / np.float32(0.18**0.3)).clip(0.05**0.3, 1)
    weight.clip(0, 1, out=weight)
    unsaid = batch.of(_unsaid)
    drawn: RealArray = weight if unsaid.all() else np.where(unsaid, weight, batch.of("said"))
    return drawn


def _leader(weight: RealArray) -> BoolArray:
    """The piece that draws the eye most; the first of equals. (m, n)."""
    lead: BoolArray = weight == weight.max(axis=0)
    taken = lead[0].copy()
    for place in lead[1:]:
        place &= ~taken
        taken |= place
    return lead


def _focus(batch: LookBatch, first: RealArray, lead: BoolArray) -> Points:
    values = batch.weights.points["one-voice"] * ((first - 0.12) / 0.4).clip(0, 1)
    return Points(
        "one-voice",
        values,
        lambda i: lead[:, i],
        lambda i: (
            f"{batch.called(i, lead[:, i])} speaks, with a weight of {first[i]:.2f}"
            if values[i] >= 0.05
            else "nothing speaks up, and nothing has to"
        ),
        always=True,
    )


def _quiet_voice(batch: LookBatch, first: RealArray) -> Points:
    """A look in which nothing speaks up, and that steps of lightness or surface carry instead."""
    held = relief(batch)
    values = batch.weights.points["quiet-with-relief"] * falling(first, 0.12, 0.4) * rising(held, 0.45, 0.9)
    return Points(
        "quiet-with-relief",
        values,
        lambda i: batch.present[:, i] & (batch.area[:, i] > 0.04),
        lambda i: "nothing speaks up, and steps of lightness and surface carry the look",
    )


def _white_and_black(table: PieceTable) -> Feature:
    """How far a print has no colour of its own, 0..1: anything bright goes with it."""
    return falling(table.strong, 6, 20) * table.print


ANYTHING_BRIGHT = 0.6
"""How far a plain colour belongs to a print of black and white."""


def _belonging(batch: LookBatch, busiest: IntArray) -> RealArray:
    """How far each piece belongs to a print, and so does not compete with it, 0..1. (m, n). All looks hold a print."""
    prints = batch.of("print")
    shared = batch.beside(busiest, "picked_up") * (~batch.schools["mute_round_statement"] & ~prints)
    none = batch.of(_white_and_black)[busiest, np.arange(len(busiest))] * (
        ~batch.schools["mute_round_statement"] & ~prints
    )
    belonging: RealArray = np.maximum(0.75 * shared, ANYTHING_BRIGHT * none) * batch.of(_unsaid)
    several = np.flatnonzero((count(prints) > 1) & ~batch.schools["one_print"])
    befriended = batch.best_with_any(batch.between(friendly, several))
    befriended = befriended * batch.of(_unsaid)[:, several]
    belonging[:, several] = np.maximum(belonging[:, several], 0.55 * befriended)
    # two pieces of one cloth are one voice, by whichever school
    printed = np.flatnonzero(count(prints) > 1)
    one = batch.best_with_any(batch.between(of_one_cloth, printed)) * batch.of(_unsaid)[:, printed]
    belonging[:, printed] = np.maximum(belonging[:, printed], one)
    return belonging


AT_ONE_FACE = 0.35
"""How much more two things compete that both lie at the face."""


def _at_the_face(table: PieceTable) -> Feature:
    return table.worn(Zone.HEAD, Zone.NECK).astype(np.float32)


def _compete(
    batch: LookBatch,
    weight: RealArray,
    first: RealArray,
    lead: BoolArray,
    belonging: RealArray,
    printed: IntArray,
    busiest: IntArray,
) -> Points:
    """printed: the looks that hold a print. belonging, busiest: how far each piece of those belongs to it, and which
    piece it is."""
    rival = weight * ~lead
    rival[:, printed] *= 1 - belonging
    # what belongs to a print does not compete with it, whichever of the two leads
    rival[busiest, printed] *= 1 - (belonging * lead[:, printed]).max(axis=0)
    # what lies nearer to the one that leads competes more
    near = batch.of(_at_the_face)
    rival *= 1 + AT_ONE_FACE * near * (near * lead).max(axis=0)
    second = rival.max(axis=0)
    close = ((second / np.maximum(first, 1e-9) - 0.3) / 0.75).clip(0, 1)
    values = -batch.weights.points["statements-compete"] * close * ((second - 0.11) / 0.42).clip(0, 1)

    def places(i: int) -> BoolArray:
        shown: BoolArray = lead[:, i] | ((rival[:, i] == second[i]) & (second[i] > 0))
        return shown

    return Points(
        "statements-compete",
        values,
        places,
        lambda i: f"{batch.called(i, places(i))} compete: weights {first[i]:.2f} and {second[i]:.2f}",
    )


def _pick_up(batch: LookBatch, busiest: IntArray) -> tuple[Points, Points]:
    """All looks hold a print. busiest: which piece of each is the busiest one."""
    if not len(busiest):
        return batch.silent("picked-up"), batch.silent("every-colour-again")
    w = batch.weights.points
    plain, which = batch.of("plain"), batch.beside(busiest, "motif")
    by_ground, by_motif = batch.beside(busiest, "by_ground"), batch.beside(busiest, "by_motif")
    ground = (rising(by_ground, 0.3, 0.7) * plain).max(axis=0)
    # what answers the ground better than any motif picks no motif up
    level = rising(by_motif, 0.3, 0.7) * rising(by_motif - by_ground, -0.3, 0.1) * plain
    colours = batch.of("colours")[busiest, np.arange(len(busiest))]
    motifs = np.stack([((which == k) * level).max(axis=0) for k in range(1, max(int(which.max()), 1) + 1)])
    number, most = motifs.sum(axis=0), motifs.max(axis=0)
    # the ground counts when it comes a second time: a print all of whose colours return has no room left
    every = rising(number - np.maximum(colours - 1, 1), -0.6, -0.1) * rising(number + ground, 2.2, 2.8)
    school = ~batch.schools["mute_round_statement"]
    one_or_two = w["picked-up"] * school * most * falling(number, 2, 3) * (1 - every)
    too_many = -w["every-colour-again"] * school * every

    def motif(i: int) -> BoolArray:
        return leading(level[:, i])

    def returned(i: int) -> int:
        return len(set(which[motif(i), i].tolist()))

    return (
        Points(
            "picked-up",
            one_or_two,
            motif,
            lambda i: f"{batch.called(i, motif(i))}: {returned(i)} of the print's colours picked up",
        ),
        Points(
            "every-colour-again",
            too_many,
            motif,
            lambda i: f"{batch.called(i, motif(i))}: every colour of the print returns, which leaves it no room",
        ),
    )


def _loud(table: PieceTable) -> Feature:
    return np.maximum(((table.strong - LOUD_PARTNER + 8) / 20).clip(0, 1), table.print)


def _mute(batch: LookBatch, first: RealArray, lead: BoolArray) -> Points:
    school, w = batch.schools["mute_round_statement"], batch.weights.points
    if not school.any():
        return batch.silent("partners-muted")
    busy = ((first - 0.3) / 0.2).clip(0, 1)
    loud = batch.of(_loud) * ~lead
    others = batch.area * ~lead
    share = (others * loud).sum(axis=0) / np.maximum(others.sum(axis=0), 1e-9)
    values = (
        busy * school * (w["partners-quiet"] - (w["partners-quiet"] + w["partners-loud"]) * (share / 0.55).clip(0, 1))
    )

    def places(i: int) -> BoolArray:
        return leading((others * loud)[:, i])

    return Points(
        "partners-muted",
        values,
        lambda i: places(i) if values[i] < 0 else lead[:, i],
        lambda i: (
            f"{batch.called(i, places(i))}: loud beside the statement, {100 * share[i]:.0f} % of the rest"
            if values[i] < 0
            else f"the partners of {batch.called(i, lead[:, i]).lower()} keep quiet"
        ),
    )


def _print_school(batch: LookBatch) -> Points:
    school = batch.schools["one_print"]
    if not school.any():
        return batch.silent("one-print")
    prints = batch.of("print")
    several = count(prints)
    values = -batch.weights.points["one-print"] * ((several > 1) & school)
    return Points(
        "one-print",
        values,
        lambda i: prints[:, i],
        lambda i: f"{batch.called(i, prints[:, i])}: {several[i]} prints, by the school of one",
    )


def _accent_level(table: PieceTable) -> Feature:
    return rising(table.strong, STRONG - 17, STRONG + 21) * table.plain


def _accent_wanted(batch: LookBatch) -> Points:
    wanted, w = batch.intent == INTENTS.index(Intent.ACCENT), batch.weights.points
    if not wanted.any():
        return batch.silent("accent-wanted")
    level = batch.of(_accent_level) * falling(batch.area, 0.17, 0.23)
    values = wanted * ((w["accent-there"] + w["accent-missing"]) * level.max(axis=0) - w["accent-missing"])
    return Points(
        "accent-wanted",
        values,
        lambda i: leading(level[:, i]),
        lambda i: (
            f"{batch.called(i, leading(level[:, i]))}: the accent that was wanted"
            if values[i] > 0
            else "an accent was wanted and no small strong colour is there"
        ),
    )
