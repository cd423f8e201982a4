"""The one scorer: arrays of looks in, five measures and a whole out, every point with its reason."""

from collections.abc import Iterator, Mapping
from dataclasses import dataclass

import numpy as np

from ..colour.arrays import BoolArray, FloatArray, RealArray
from ..problems import Refused
from .look import Intent, Look
from .rules.accents import is_strong
from .rules.colouring import measure_colouring
from .rules.contrast import look_contrast, measure_contrast
from .rules.harmony import measure_harmony
from .rules.monochrome import measure_monochrome, oneness
from .rules.statement import measure_statement, statement_weights
from .scorer.batch import INTENTS, LookBatch, make_batch
from .scorer.points import Measured
from .scorer.weights import Scale

MEASURES = ("harmony", "contrast", "monochrome", "statement", "colouring")
COLOURING = MEASURES.index("colouring")

DIGITS = 1
"""Points and scores are printed to this many decimals, and add up at it."""


@dataclass(frozen=True, slots=True)
class Reason:
    """Why a measure gained or lost."""

    code: str
    text: str
    pieces: tuple[str, ...]
    points: float
    meant: bool = False
    """Whether the stylist means it so: it stays in the measure and does not count in the whole."""


@dataclass(frozen=True, slots=True)
class MeasureVerdict:
    """One measure of one look."""

    score: float
    start: float
    because: tuple[Reason, ...]
    """Largest effect first; start plus the points is the score."""


@dataclass(frozen=True, slots=True)
class Verdict:
    """The verdict on one look."""

    id: str
    intent: Intent
    overall: float
    measures: dict[str, MeasureVerdict | None]
    weights: str = ""
    """The version of the weights that made it."""
    overall_as_scored: float | None = None
    """The whole as if nothing were meant; None where nothing is."""


@dataclass(frozen=True, slots=True, eq=False)
class Totals:
    """What looks come to."""

    scores: FloatArray
    """(looks, 5), 0..100; colouring nan without a client."""
    overall: FloatArray
    """(looks,), 0..100."""


@dataclass(frozen=True, slots=True, eq=False)
class Scores(Totals):
    """The verdicts on a batch as arrays, with what it takes to give the reasons of any of them."""

    batch: LookBatch
    measured: tuple[Measured, ...]
    as_scored: FloatArray
    """(looks,), the whole as if nothing were meant."""


def score_batch(batch: LookBatch) -> Scores:
    """Scores a batch of looks. No sentence is made here."""
    scales = batch.weights.scale
    measured = tuple(_shown(m, scales[name]) for m, name in zip(measure_all(batch), MEASURES, strict=True))
    sums = np.stack([_total(m, {}) for m in measured]) / 10**DIGITS
    as_scored = overall = _whole(batch, sums)
    if batch.meant:
        overall = _whole(batch, np.stack([_total(m, batch.meant) for m in measured]) / 10**DIGITS)
    totals = sums.clip(0, 100)
    totals[COLOURING, ~batch.has_client] = np.nan
    return Scores(totals.T, overall, batch, measured, as_scored)


def _shown(measured: Measured, scale: Scale) -> Measured:
    """A measure on the scale on which it is shown: start and points alike, so that they still sum to the score."""
    start = round(scale.shown(measured.start), DIGITS)
    return Measured(start, tuple(points.times(scale.times) for points in measured.points))


def _whole(batch: LookBatch, totals: FloatArray) -> FloatArray:
    """What the measures come to. totals: (5, looks), as they are shown; to (looks,)."""
    scales = batch.weights.scale
    parts = np.array([batch.weights.parts[i] for i in INTENTS]).T.take(batch.intent, axis=1)
    parts[COLOURING] *= batch.has_client
    raw = np.stack([scales[name].raw(total) for name, total in zip(MEASURES, totals, strict=True)])
    whole: FloatArray = scales["whole"].shown((raw * parts).sum(axis=0) / parts.sum(axis=0))
    return whole.clip(0, 100).round(DIGITS)


def measure_all(batch: LookBatch) -> tuple[Measured, ...]:
    """The five measures over a batch, in the order of MEASURES."""
    contrast = look_contrast(batch)
    return (
        measure_harmony(batch),
        measure_contrast(batch, contrast),
        measure_monochrome(batch),
        measure_statement(batch),
        measure_colouring(batch, contrast),
    )


def _printed(values: RealArray) -> RealArray:
    """Points in the last printed digit, as whole numbers: they add up exactly."""
    digits: RealArray = np.rint(values * np.float32(10**DIGITS))
    return digits


def _total(measured: Measured, meant: Mapping[str, BoolArray]) -> FloatArray:
    """The score in the last printed digit, without what is meant and without ends. (looks,). meant: (looks,) each, by code.

    The whole goes on where the tape of a measure ends: of two looks at its end one may still be the better."""
    total = np.full(len(measured.points[0].values), measured.start * 10**DIGITS, dtype=np.float32)
    for points in measured.points:
        if not points.silent:
            printed = _printed(points.values)
            if points.code in meant:
                # only what costs is meant: nobody gives points away
                printed = np.where(meant[points.code], np.maximum(printed, 0), printed)
            total += printed
    score: FloatArray = total.astype(float)
    return score


def explain(scores: Scores, row: int, id: str) -> Verdict:
    """The verdict on one look of a batch, with its reasons."""
    measures: dict[str, MeasureVerdict | None] = {}
    for column, name in enumerate(MEASURES):
        score = scores.scores[row, column]
        measures[name] = None if np.isnan(score) else _reasons(scores, scores.measured[column], row, float(score))
    batch = scores.batch
    meant = any(mask[row] for mask in batch.meant.values())
    return Verdict(
        id,
        read_intent(batch, row),
        float(scores.overall[row]),
        measures,
        batch.weights.version,
        float(scores.as_scored[row]) if meant else None,
    )


def _reasons(scores: Scores, measured: Measured, row: int, score: float) -> MeasureVerdict:
    batch = scores.batch
    reasons = []
    for points in measured.points:
        value = round(float(_printed(points.values[row])) / 10**DIGITS, DIGITS)
        if value != 0 or (points.always and not points.silent):
            places = np.flatnonzero(points.pieces(row) & batch.present[:, row])
            pieces = tuple(batch.piece(row, int(p)).id for p in places)
            meant = value < 0 and points.code in batch.meant and bool(batch.meant[points.code][row])
            reasons.append(Reason(points.code, points.text(row), pieces, value, meant))
    rest = round(score - measured.start - sum(r.points for r in reasons), DIGITS)
    if rest != 0:
        reasons.append(Reason("end-of-the-tape", "the tape ends at 0 and at 100", (), rest))
    reasons.sort(key=lambda r: -abs(r.points))
    return MeasureVerdict(score, measured.start, tuple(reasons))


def read_intent(batch: LookBatch, row: int) -> Intent:
    """What a look is going for: as said, or as its pieces show."""
    return read_intents(batch.only(np.array([row])))[0]


def read_intents(batch: LookBatch) -> list[Intent]:
    """What each look of a batch is going for."""
    loud = statement_weights(batch).max(axis=0) > 0.5
    small = (batch.of(is_strong) & (batch.area < 0.16)).any(axis=0)
    stark, one = look_contrast(batch) > 48, oneness(batch) > 0.6
    shown = np.select(
        [loud, small, stark, one],
        [INTENTS.index(i) for i in (Intent.STATEMENT, Intent.ACCENT, Intent.CONTRAST, Intent.TONAL)],
        INTENTS.index(Intent.ACCENT),
    )
    found = (INTENTS[int(k)] for k in np.where(batch.intent > 0, batch.intent, shown))
    return [intent for intent in found if intent is not None]


def judge(looks: list[Look]) -> list[Verdict]:
    """The verdicts on some looks, in their order. Refused when a look has no piece."""
    verdicts: dict[int, Verdict] = {}
    for rows, scores in _scored(looks):
        verdicts.update({i: explain(scores, k, looks[i].id) for k, i in enumerate(rows)})
    return [verdicts[i] for i in range(len(looks))]


def totals(looks: list[Look]) -> Totals:
    """The measures and the whole of some looks in their order, without a reason. Refused when a look has no piece."""
    scores, overall = np.full((len(looks), len(MEASURES)), np.nan), np.zeros(len(looks))
    for rows, found in _scored(looks):
        scores[rows], overall[rows] = found.scores, found.overall
    return Totals(scores, overall)


def wholes(looks: list[Look]) -> FloatArray:
    """The whole of some looks, (looks,), 0..100, without a reason. Refused when a look has no piece."""
    return totals(looks).overall


def _scored(looks: list[Look]) -> Iterator[tuple[list[int], Scores]]:
    """Which of some looks follow one school and taste, and their scores; all of them in turn."""
    for look in looks:
        if not look.pieces:
            raise Refused("the look has no piece.", look.id, "Add at least one piece.")
    sides = [(look.conventions.school, look.conventions.tastes) for look in looks]
    for side in dict.fromkeys(sides):
        rows = [i for i, own in enumerate(sides) if own == side]
        for chunk in _chunks(looks, rows):
            yield chunk, score_batch(make_batch([looks[i] for i in chunk]))


CHUNK, PIECES_AT_ONCE = 2000, 200
"""Looks scored at once, and the pieces that they may hold: what is known of pairs grows with the square of them."""


def _chunks(looks: list[Look], rows: list[int]) -> Iterator[list[int]]:
    """Rows of looks in turn, as many at once as hold few enough pieces: those of one wardrobe hold the same."""
    chunk: list[int] = []
    # by object and not by id: what goes by one id in two looks may be another piece, and equal ones only make a chunk smaller
    pieces: set[int] = set()
    for i in rows:
        worn = {id(piece) for piece in looks[i].worn}
        with_it = pieces | worn
        if chunk and (len(chunk) == CHUNK or len(with_it) > PIECES_AT_ONCE):
            yield chunk
            chunk, with_it = [], worn
        chunk.append(i)
        pieces = with_it
    if chunk:
        yield chunk
