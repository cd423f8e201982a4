"""Weights fitted to verdicts of the kind 'this look is better than that one', held near where they were."""

from collections.abc import Sequence
from dataclasses import dataclass, replace

import numpy as np
from scipy.optimize import minimize

from ..colour.arrays import BoolArray, FloatArray
from .look import Look
from .scorer.batch import INTENTS, LookBatch, make_batch
from .scorer.weights import Weights
from .verdict import MEASURES, measure_all

MARGIN, SOFTNESS = 2.0, 2.0
"""Points by which the better look should lead, and over which a shortfall is felt."""


PAIRS_AT_ONCE = 24
"""Pairs of different wardrobes weighed at once; bounds the pair tables."""


@dataclass(frozen=True, slots=True)
class Preference:
    """Two looks, and by which measure, or the whole, the first is better."""

    better: Look
    worse: Look
    measure: str = "overall"


@dataclass(frozen=True, slots=True, eq=False)
class Lead:
    """By how much the better look of each pair leads, as a linear function of the weights."""

    now: FloatArray
    """(pairs,), points."""
    by: FloatArray
    """(pairs, weights), points of each lead that are owed to each weight."""
    names: tuple[str, ...]

    def at(self, logs: FloatArray) -> FloatArray:
        """The leads with every weight multiplied by exp of its log."""
        lead: FloatArray = self.now + self.by @ np.expm1(logs)
        return lead

    def some(self, rows: BoolArray) -> "Lead":
        """Only some of the pairs."""
        return Lead(self.now[rows], self.by[rows], self.names)


def leads(pairs: Sequence[Preference], weights: Weights) -> Lead:
    """How the leads of some pairs hang on the weights. Neither rounded nor cut off at the ends of the tape."""
    names = tuple(weights.points)
    now, by = [], []
    for start in range(0, len(pairs), PAIRS_AT_ONCE):
        some = pairs[start : start + PAIRS_AT_ONCE]
        batch = replace(make_batch([look for pair in some for look in (pair.better, pair.worse)]), weights=weights)
        rows = [MEASURES.index(p.measure) if p.measure != "overall" else len(MEASURES) for p in some]
        own = _leads(batch, rows)
        now.append(own)
        twice = [replace(weights, points={**weights.points, name: 2 * weights.points[name]}) for name in names]
        by.append(np.stack([_leads(replace(batch, weights=one), rows) - own for one in twice], axis=1))
    return Lead(np.concatenate(now), np.concatenate(by), names)


def _leads(batch: LookBatch, rows: list[int]) -> FloatArray:
    raw = np.stack([m.start + np.sum([p.values for p in m.points], axis=0) for m in measure_all(batch)], axis=1)
    raw[~batch.has_client, MEASURES.index("colouring")] = np.nan
    parts = np.array([batch.weights.parts[i] for i in INTENTS])[batch.intent]
    parts = np.where(np.isnan(raw), 0.0, parts)
    whole = (np.nan_to_num(raw) * parts).sum(axis=1) / parts.sum(axis=1)
    every = np.column_stack([np.nan_to_num(raw), whole])
    pairs = np.arange(len(rows))
    lead: FloatArray = every[2 * pairs, rows] - every[2 * pairs + 1, rows]
    return lead


def fit(lead: Lead, hold: float, most: float) -> dict[str, float]:
    """Factors for the weights that make the better looks lead, by name; those that stay are left out.

    hold: how strongly each weight is held where it is: the penalty on the square of the logarithm of its factor. most:
    the largest factor; no sign ever turns. Source: logistic pairs after Bradley and Terry 1952, with a ridge."""

    def cost(logs: FloatArray) -> tuple[float, FloatArray]:
        short = (MARGIN - lead.at(logs)) / SOFTNESS
        felt = np.logaddexp(0, short).sum() + hold * (logs**2).sum()
        pull = -(1 / (1 + np.exp(-short))) / SOFTNESS
        return float(felt), (pull @ lead.by) * np.exp(logs) + 2 * hold * logs

    bound = float(np.log(most))
    start = np.zeros(len(lead.names))
    found = minimize(cost, start, jac=True, method="L-BFGS-B", bounds=[(-bound, bound)] * len(start))
    return {name: float(np.exp(log)) for name, log in zip(lead.names, found.x, strict=True) if abs(log) > LEAST_CHANGE}


LEAST_CHANGE = 0.01
"""Logarithm of a factor below which a weight stays as it is."""
HOLD, MOST = 16.0, 1.5
"""How the weights that ship are held: of 2, 4, 8, 16 and 32 the one under which held-out pairs agree most."""


def agreement(lead: Lead, factors: dict[str, float]) -> BoolArray:
    """Whether the better look of each pair leads by a point, with some factors. (pairs,)."""
    logs = np.array([np.log(factors.get(name, 1.0)) for name in lead.names])
    right: BoolArray = lead.at(logs) >= 1.0
    return right
