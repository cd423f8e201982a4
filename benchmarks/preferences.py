"""What the project's own pairs, changes and wardrobes say is better than what, as linear functions of the weights."""

from collections.abc import Sequence
from dataclasses import dataclass, replace

import numpy as np
from scipy.optimize import minimize

from lucid_swatch.core.look.dressing.mends import candidates
from lucid_swatch.core.look.look import Look
from lucid_swatch.core.look.scorer.batch import INTENTS, make_batch
from lucid_swatch.core.look.scorer.weights import Weights
from lucid_swatch.core.look.verdict import COLOURING, MEASURES, measure_all

from .changes import Case, own_changes, what_is_done
from .chosen import SEED, drawn, own_wardrobes
from .own_pairs import own_pairs

WHOLE = -1
DRAWN = 30
"""Looks that each chosen one is held against."""


@dataclass(frozen=True)
class Better:
    """A look that is better than another by a measure or the whole."""

    kind: str
    """pair, change or chosen."""
    group: str
    """The wardrobe or principle that is kept out of a fit together."""
    better: int
    worse: int
    measure: int
    """Into MEASURES, or WHOLE."""
    weight: float
    margin: float
    """Points by which it should lead."""
    softness: float
    """Points over which a shortfall is felt."""


@dataclass(frozen=True, eq=False)
class Linear:
    """Some looks as linear functions of the weights."""

    raw: np.ndarray
    """(looks, measures), with the weights as they are."""
    by: np.ndarray
    """(looks, measures, weights), what each weight gives."""
    intent: np.ndarray
    client: np.ndarray
    names: tuple[str, ...]
    parts: np.ndarray
    """(intents, measures), by hand."""


def linear(looks: Sequence[Look], weights: Weights, at_once: int = 24) -> Linear:
    """What each weight gives to each measure of some looks, neither rounded nor cut off."""
    names = tuple(weights.points)
    raw = np.zeros((len(looks), len(MEASURES)))
    by = np.zeros((len(looks), len(MEASURES), len(names)), np.float32)
    intent, client = np.zeros(len(looks), int), np.zeros(len(looks), bool)
    schools: dict[object, list[int]] = {}
    for k, look in enumerate(looks):
        schools.setdefault((look.conventions.school, look.conventions.tastes), []).append(k)
    for rows in schools.values():
        for start in range(0, len(rows), at_once):
            some = rows[start : start + at_once]
            batch = replace(make_batch([looks[k] for k in some]), weights=weights)
            raw[some] = _measures(batch)
            intent[some], client[some] = batch.intent, batch.has_client
            for n, name in enumerate(names):
                twice = replace(weights, points={**weights.points, name: 2 * weights.points[name]})
                by[some, :, n] = _measures(replace(batch, weights=twice)) - raw[some]
    return Linear(raw, by, intent, client, names, np.array([weights.parts_by_hand[one] for one in INTENTS]))


def _measures(batch):
    raw = np.stack([m.start + np.sum([p.values for p in m.points], axis=0) for m in measure_all(batch)], axis=1)
    raw[~batch.has_client, COLOURING] = 0.0
    return raw


def preferences(weights: Weights) -> tuple[Linear, list[Better]]:
    """Everything that the project holds to be better than something else."""
    looks: list[Look] = []
    said: list[Better] = []
    for pair in own_pairs():
        measure = WHOLE if pair.measure == "overall" else MEASURES.index(pair.measure)
        said.append(Better("pair", pair.principle, len(looks), len(looks) + 1, measure, PAIR, 2.0, 2.0))
        looks += [pair.better, pair.worse]
    for case in own_changes():
        _of_change(case, looks, said)
    found = [linear(looks, weights)]
    for wardrobe in own_wardrobes():
        rng = np.random.default_rng(SEED)
        some: list[Look] = []
        for face in (None, wardrobe.client):
            for look in wardrobe.looks:
                first = len(looks) + len(some)
                ids = [look, *drawn(wardrobe, look, rng, DRAWN)]
                some += [Look("", tuple(wardrobe.pieces[id] for id in one), face) for one in ids]
                said += [
                    Better("chosen", wardrobe.name, first, first + k, WHOLE, CHOSEN / DRAWN, 2.0, 5.0)
                    for k in range(1, DRAWN + 1)
                ]
        looks += some
        found.append(linear(some, weights, 1000))
    first = found[0]
    joined = {name: np.concatenate([getattr(one, name) for one in found]) for name in ("raw", "by", "intent", "client")}
    return Linear(**joined, names=first.names, parts=first.parts), said


PAIR = 2.0
CHOSEN = 6.0
"""How much a chosen look counts beside a pair: there are fewer of them than rules they speak of."""


def _of_change(case: Case, looks: list[Look], said: list[Better]) -> None:
    """What a stylist does is better than leaving it, than what else could be done, and than what is never done."""
    before = len(looks)
    after = [(what_is_done(mend), pieces) for mend, pieces in candidates(case.look)]
    looks += [replace(case.look, rail=()), *[replace(case.look, pieces=pieces, rail=()) for _, pieces in after]]
    rows = {done: before + k for k, (done, _) in enumerate(after, 1)}
    hits = [rows[one] for one in case.hits if one in rows]
    never = [rows[one] for one in case.never if one in rows]
    others = [row for one, row in rows.items() if one not in case.hits | case.never]
    for hit in hits:
        share = 1 / len(hits)
        said.append(Better("change", case.principle, hit, before, WHOLE, share, 1.5, 2.0))
        said += [Better("change", case.principle, hit, one, WHOLE, share / len(never), 1.5, 2.0) for one in never]
        said += [
            Better("change", case.principle, hit, one, WHOLE, 0.5 * share / len(others), 0.5, 2.0) for one in others
        ]
    said += [Better("change", case.principle, before, one, WHOLE, 1 / len(never), -0.6, 1.0) for one in never]


@dataclass(frozen=True, eq=False)
class Fitted:
    """Factors of the points, and of the parts of the whole."""

    points: np.ndarray
    """(weights,)."""
    parts: np.ndarray
    """(measures,), the same for every intent."""


HOLD, HOLD_PARTS = 1.0, 1.0
"""How strongly weights are held where they were given by hand: the penalty on the square of the log of a factor."""
MOST = 6.0
"""The largest factor; no sign ever turns."""
LIMITS = {
    "shoes-and-bag": 1.3,
    "pale-accessories": 3.0,
    "echo": 1.6,
    "temperature-crosses": 1.2,
    "clarity-crosses": 1.3,
    "accent-missing": 1.2,
    "accent-there": 1.2,
    "one-family": 1.0,
    "statements-compete": 1.2,
    "near-face-temperature": 1.0,
    "near-face-clarity": 0.9,
    "black-with-blue": 2.0,
    "accent-against-the-print": 2.2,
    "column-under-a-layer": 2.5,
    "foreign-hue": 2.0,
    "shoes-and-bag-strange": 1.55,
}
"""Factors that may not grow as far: a bag is not put on for being related to the shoes, an accessory not for being
answered, and what hangs on borders of colours is not to make cliffs of them. Below 1 it has to shrink."""


LEAST = {
    "pop": 1.4,
    "brown-with-blue": 1.2,
    "foot-answers": 1.2,
    "stark-black": 1.3,
    "stark-black-echoed": 1.3,
    "two-pops": 1.5,
}
"""By how much these may shrink at most: looks drawn at random have small bright things by chance, and few that lift them."""


def fit(found: Linear, said: Sequence[Better]) -> Fitted:
    """The weights under which the better looks lead. Source: logistic pairs after Bradley and Terry 1952, with a ridge."""
    rows = _Rows(found, said)
    count = len(found.names)
    limit = [np.log(LIMITS.get(name, MOST)) for name in found.names]
    floor = [-np.log(LEAST.get(name, MOST)) for name in found.names]
    bounds = list(zip(floor, limit, strict=True)) + [(-np.log(4.0), np.log(4.0))] * len(MEASURES)
    x = minimize(
        rows.cost, np.zeros(count + len(MEASURES)), jac=True, method="L-BFGS-B", bounds=bounds, options={"maxiter": 400}
    ).x
    return Fitted(np.exp(x[:count]), np.exp(x[count:]))


class _Rows:
    """The preferences as arrays."""

    def __init__(self, found: Linear, said: Sequence[Better]) -> None:
        better, worse = (np.array([getattr(one, side) for one in said]) for side in ("better", "worse"))
        self.found, self.sides = found, [_side(found, rows) for rows in (better, worse)]
        self.measure = np.array([one.measure for one in said])
        self.weight, self.margin, self.softness = (
            np.array([getattr(one, name) for one in said]) for name in ("weight", "margin", "softness")
        )

    def cost(self, x):
        count = len(self.found.names)
        logs, part_logs = x[:count], x[count:]
        factors, parts = np.exp(logs), self.found.parts * np.exp(part_logs)
        whole = self.measure == WHOLE
        one = np.flatnonzero(~whole)
        lead, by, by_part = np.zeros(len(whole)), [], []
        for sign, (raw, gives, intent, client) in zip((1, -1), self.sides, strict=True):
            value = raw + gives @ (factors - 1)
            share = _shares(parts, intent, client)
            total = (value * share).sum(axis=1)
            lead += sign * np.where(whole, total, 0)
            lead[one] += sign * value[one, self.measure[one]]
            by.append((sign, gives, share))
            by_part.append(sign * share * (value - total[:, None]))
        short = (self.margin - lead) / self.softness
        felt = (self.weight * np.logaddexp(0, short)).sum() + HOLD * (logs**2).sum() + HOLD_PARTS * (part_logs**2).sum()
        pull = -self.weight / (1 + np.exp(-short)) / self.softness
        slope = np.zeros(count)
        for sign, gives, share in by:
            slope += sign * np.einsum("n,nmk,nm->k", pull * whole, gives, share, optimize=True)
            slope += sign * (pull[one] @ gives[one, self.measure[one]])
        return float(felt), np.concatenate(
            [slope * factors + 2 * HOLD * logs, (pull * whole) @ sum(by_part) + 2 * HOLD_PARTS * part_logs]
        )


def _side(found: Linear, rows):
    return found.raw[rows], found.by[rows], found.intent[rows], found.client[rows]


def _shares(parts, intent, client):
    share = parts[intent].copy()
    share[:, COLOURING] *= client
    return share / share.sum(axis=1, keepdims=True)


def values(found: Linear, fitted: Fitted) -> np.ndarray:
    """The measures of every look, and the whole last. (looks, measures + 1)."""
    raw = found.raw + found.by @ (fitted.points - 1)
    whole = (raw * _shares(found.parts * fitted.parts, found.intent, found.client)).sum(axis=1)
    return np.column_stack([raw, whole])
