"""A few colours that stand for many: the fewest that cover most cloth within a stated difference."""

from dataclasses import dataclass

import numpy as np
from scipy.optimize import Bounds, LinearConstraint, milp
from scipy.sparse import csr_array, hstack, identity

from .arrays import BoolArray, FloatArray, IntArray
from .difference import pairwise_delta_e_2000

SECONDS = 2.0
"""Time after which the best answer so far is taken."""
OWN_WEIGHT = 0.02
"""What a colour's own cloth counts beside what it covers: among equals the colour of most cloth stands for them."""


@dataclass(frozen=True, slots=True, eq=False)
class FewColours:
    """Some colours chosen from many."""

    chosen: IntArray
    """(k,), places among the colours given, those that cover most first."""
    covered: FloatArray
    """(k,), share of the cloth that each covers as the nearest one."""

    @property
    def share(self) -> float:
        """Share of the cloth that is covered."""
        return float(self.covered.sum())


def few_colours(
    lab: FloatArray, weight: FloatArray, count: int, within: float, kept: FloatArray | None = None
) -> FewColours:
    """The colours that cover most of some cloth.

    lab: (n, 3). weight: (n,), how much cloth has each. count: how many may be chosen. within: CIEDE2000 up to which a
    colour covers another. kept: (m, 3), colours that are chosen already and count towards what is covered, not
    towards count. Source: maximal covering, Church and ReVelle 1974, solved as an integer programme."""
    share = weight / weight.sum()
    open_ones = np.ones(len(lab), dtype=bool)
    if kept is not None and len(kept):
        open_ones = pairwise_delta_e_2000(lab, kept).min(axis=1) > within
    some, weights = _representatives(lab, share * open_ones)
    covers = pairwise_delta_e_2000(lab[some], lab[some]) <= within
    chosen = some[_needed(covers, weights, _solved(covers, weights, min(count, len(some))))]
    if not len(chosen):
        return FewColours(chosen, np.zeros(0))
    away = pairwise_delta_e_2000(lab, lab[chosen])
    nearest = away.argmin(axis=1)
    reached = (away.min(axis=1) <= within) & open_ones
    covered = np.array([float(share[reached & (nearest == place)].sum()) for place in range(len(chosen))])
    order = np.argsort(-covered, kind="stable")
    worth = order[covered[order] > 0]
    return FewColours(chosen[worth], covered[worth])


MOST_COLOURS = 1200
"""Colours of a wardrobe that are weighed one by one; of more, near ones are taken together first."""
TOGETHER = 3.0
"""CIELAB units of the steps in which they are."""


def _representatives(lab: FloatArray, share: FloatArray) -> tuple[IntArray, FloatArray]:
    """The colours that stand for all of some cloth, and the share that each stands for."""
    if len(lab) <= MOST_COLOURS:
        return np.arange(len(lab)), share
    _, step = np.unique(np.round(lab / TOGETHER), axis=0, return_inverse=True)
    total = np.bincount(step.ravel(), share)
    order = np.argsort(-share, kind="stable")
    heaviest = np.full(len(total), -1, dtype=np.intp)
    heaviest[step.ravel()[order[::-1]]] = order[::-1]
    largest = np.argsort(-total, kind="stable")[:MOST_COLOURS]
    return heaviest[largest], np.asarray(total[largest], dtype=float)


def _solved(covers: BoolArray, share: FloatArray, count: int) -> IntArray:
    """Chosen colours y and covered colours x: x is at most the number of chosen colours that cover it."""
    n = len(share)
    cost = np.concatenate([-OWN_WEIGHT * share / max(count, 1), -share])
    covering = hstack([csr_array(-covers.astype(float)), identity(n, format="csr")])
    few = np.concatenate([np.ones(n), np.zeros(n)])
    found = milp(
        cost,
        integrality=np.concatenate([np.ones(n), np.zeros(n)]),
        bounds=Bounds(0, 1),
        constraints=[LinearConstraint(covering, -np.inf, 0), LinearConstraint(few, 0, count)],
        options={"time_limit": SECONDS},
    )
    if found.x is None:
        return np.argsort(-(covers @ share))[:count]
    answer: IntArray = np.flatnonzero(found.x[:n] > 0.5)
    return answer


def _needed(covers: BoolArray, share: FloatArray, chosen: IntArray) -> IntArray:
    """The chosen colours without those whose cloth the others cover just as well."""
    kept = list(chosen)
    for one in sorted(chosen, key=lambda k: float(share[k])):
        others = [k for k in kept if k != one]
        if others and share[covers[:, others].any(axis=1)].sum() >= share[covers[:, kept].any(axis=1)].sum() - 1e-12:
            kept = others
    return np.array(kept, dtype=np.intp)


def nearest_of(lab: FloatArray, palette: FloatArray) -> tuple[IntArray, FloatArray]:
    """The nearest colour of a palette to each colour, and how far it is. (n, 3), (m, 3) to (n,), (n,) in CIEDE2000."""
    away = pairwise_delta_e_2000(lab, palette)
    nearest: IntArray = away.argmin(axis=1)
    return nearest, away[np.arange(len(lab)), nearest]
