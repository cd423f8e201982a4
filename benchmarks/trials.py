"""The trial by drapes on simulated clients: how soon the side is found, against the best fixed order, and whether what
is called sure is right.

The observer is logistic: how much nearer one drape is, times a slope, plus a leaning to one side; some verdicts slip.
Slope, slips and leaning are stated with every figure and are not those that the trial assumes: it knows none of them."""

import time

import numpy as np

from lucid_swatch.core.client.drapes import PLAIN_CLOTH, places_of
from lucid_swatch.core.client.trial import (
    SETTLED_WITHIN,
    SURE_OF_SIDE,
    TrialDesign,
    chances,
    distances,
    next_pair,
    read_trial,
    telling,
    updated,
)

CLIENTS, PAIRS = 500, 24
LEFT_OUT = 0.2
"""Undertone, either way, round nothing that no simulated client has."""
OBSERVERS = {"as is": (4.0, 0.10), "noisier": (2.5, 0.10), "noisier still": (2.5, 0.20)}
"""Slope and share of slips."""
LEANING = 0.25
ORDER_FROM = 120
"""Simulated clients on whom the best fixed order is found."""


def trials():
    """Figures over simulated clients, the same clients for every observer and for both ways to choose pairs."""
    design = TrialDesign(places_of(np.array([lab for _, lab in PLAIN_CLOTH])))
    figures = {"clients": CLIENTS, "next pair chosen, ms": _choosing(design)}
    for name, (slope, slips) in OBSERVERS.items():
        order = _best_fixed_order(design, np.random.default_rng(2), slope, slips)
        chosen = _run(design, np.random.default_rng(5), slope, slips, None)
        fixed = _run(design, np.random.default_rng(5), slope, slips, order)
        figures[f"observer {name}: slope {slope}, slips {slips:.0%}"] = {
            "side right after 12 pairs": chosen["right after 12"],
            "side right after 12 pairs, fixed order": fixed["right after 12"],
            "pairs until the side is sure, against the best fixed order": round(chosen["side"] / fixed["side"], 2),
            "pairs until all is settled, against the best fixed order": round(chosen["all"] / fixed["all"], 2),
            "mean pairs until the side is sure, until all is settled": [
                round(chosen["side"], 1),
                round(chosen["all"], 1),
            ],
            "of those called 85 to 95 % sure, right": chosen["called"],
        }
    return figures


def _choosing(design):
    belief, took = design.start(), []
    for _ in range(8):
        start = time.perf_counter()
        left, right = next_pair(design, belief, [])
        took.append(time.perf_counter() - start)
        pair, mirrored = design.pair_of(left, right)
        belief = updated(design, belief, np.array([pair]), np.array([mirrored]), np.array([0]))
    return round(float(np.median(took)) * 1000)


def _clients(rng, count):
    side = rng.uniform(LEFT_OUT, 1, count) * rng.choice([-1, 1], count)
    return np.stack([side, rng.uniform(0, 1, count), rng.uniform(0, 1, count)], axis=1)


def _verdicts(design, rng, clients, pair, mirrored, slope, slips, leaning):
    shown = np.where(mirrored[:, None], design.pairs[pair][:, ::-1], design.pairs[pair])
    apart = distances(clients, design.drapes)
    nearer = np.take_along_axis(apart, shown[:, 1:], 1)[:, 0] - np.take_along_axis(apart, shown[:, :1], 1)[:, 0]
    chance = chances(nearer, slope, leaning, slips)
    return (rng.random(len(clients))[:, None] > chance.cumsum(axis=1)).sum(axis=1).clip(0, 2)


def _run(design, rng, slope, slips, order):
    clients = _clients(rng, CLIENTS)
    leaning = rng.uniform(-LEANING, LEANING, CLIENTS)
    belief = design.start(CLIENTS)
    held = np.zeros((len(design.pairs), CLIENTS), dtype=bool)
    side, everything = np.full(CLIENTS, PAIRS), np.full(CLIENTS, PAIRS)
    called, right_after_12 = [], 0.0
    for step in range(PAIRS):
        if order is None:
            gain = telling(design, belief)
            gain[held] = -1
            pair = gain.argmax(axis=0)
        else:
            pair = np.full(CLIENTS, order[step])
        held[pair, np.arange(CLIENTS)] = True
        mirrored = rng.integers(2, size=CLIENTS).astype(bool)
        verdict = _verdicts(design, rng, clients, pair, mirrored, slope, slips, leaning)
        belief = updated(design, belief, pair, mirrored, verdict)
        read = read_trial(design, belief)
        sure = np.array([r.side_sure for r in read])
        right = np.array([r.warm > 0.5 for r in read]) == (clients[:, 0] > 0)
        settled = np.array([r.depth_doubt < SETTLED_WITHIN and r.clarity_doubt < SETTLED_WITHIN for r in read])
        side = np.where((side == PAIRS) & (sure >= SURE_OF_SIDE), step + 1, side)
        everything = np.where((everything == PAIRS) & (sure >= SURE_OF_SIDE) & settled, step + 1, everything)
        called.extend(right[(sure > 0.85) & (sure < 0.95)])
        if step == 11:
            right_after_12 = round(float(right.mean()), 3)
    return {
        "right after 12": right_after_12,
        "side": float(side.mean()),
        "all": float(everything.mean()),
        "called": round(float(np.mean(called)), 3),
    }


def _best_fixed_order(design, rng, slope, slips):
    """The same drapes in one order for everybody: at each place the pair that tells most on average, given the last."""
    clients = _clients(rng, ORDER_FROM)
    belief, order = design.start(ORDER_FROM), []
    leaning = rng.uniform(-LEANING, LEANING, ORDER_FROM)
    for _ in range(PAIRS):
        gain = telling(design, belief).mean(axis=1)
        gain[order] = -1
        order.append(int(gain.argmax()))
        pair = np.full(ORDER_FROM, order[-1])
        mirrored = rng.integers(2, size=ORDER_FROM).astype(bool)
        verdict = _verdicts(design, rng, clients, pair, mirrored, slope, slips, leaning)
        belief = updated(design, belief, pair, mirrored, verdict)
    return order
