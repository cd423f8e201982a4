"""Statement: one piece speaks, the rest listens."""

import numpy as np

from ..colour.arrays import BoolArray, FloatArray
from .batch import INTENTS, LookBatch
from .harmony import print_pairs, strong_places
from .look import Intent
from .points import Measured, Points
from .weights import threshold

LOUD_PARTNER, PICKED_UP = threshold("loud-partner"), threshold("picked-up")


def measure_statement(batch: LookBatch) -> Measured:
    """Points for every look of a batch."""
    weight = statement_weights(batch)
    return Measured(
        batch.weights.starts["statement"],
        (
            _focus(batch, weight), _compete(batch, weight), *_pick_up(batch, weight), _mute(batch, weight),
            _print_school(batch), _accent_wanted(batch),
        ),
    )  # fmt: skip


def statement_weights(batch: LookBatch) -> FloatArray:
    """How much each piece draws the eye, 0..1. (n, m). The stylist's own say wins."""
    table = batch.table
    strong = np.where(batch.of(table.print, False), 0.0, batch.of(table.strong))
    area = batch.area
    total = area.sum(axis=1, keepdims=True)
    company = ((area * strong).sum(axis=1, keepdims=True) - area * strong) / np.maximum(total - area, 1e-9)
    colour = 0.55 * np.clip((strong - company - 12) / 50, 0, 1)
    size = np.clip(area / 0.18, 0.05, 1) ** 0.3
    weight = np.clip((batch.of(table.boldness) + colour) * size, 0, 1)
    said = batch.of(table.said, np.nan)
    drawn: FloatArray = np.where(batch.present, np.where(np.isnan(said), weight, np.nan_to_num(said)), 0.0)
    return drawn


def _first(weight: FloatArray) -> FloatArray:
    first: FloatArray = weight.max(axis=1)
    return first


def _leader(weight: FloatArray) -> BoolArray:
    return np.eye(weight.shape[1], dtype=bool)[weight.argmax(axis=1)]


def _focus(batch: LookBatch, weight: FloatArray) -> Points:
    first = _first(weight)
    values = batch.weights.points["one-voice"] * np.clip((first - 0.12) / 0.4, 0, 1)
    lead = _leader(weight)
    return Points(
        "one-voice", values, lead,
        lambda i: f"{batch.called(i, lead[i])} speaks, with a weight of {first[i]:.2f}",
    )  # fmt: skip


def _shares_print(batch: LookBatch, weight: FloatArray) -> FloatArray:
    """How well each plain piece repeats a colour of the loudest print, 0..1. (n, m)."""
    table = batch.table
    prints = batch.of(table.print, False)
    lead = np.where(prints, weight, -1).argmax(axis=1)
    rows = np.arange(len(lead))
    nearest = batch.between(table.nearest, 99.0)[rows, lead]
    shared: FloatArray = np.exp(-0.5 * (nearest / PICKED_UP) ** 2) * prints.any(axis=1, keepdims=True) * ~prints
    return shared


def _compete(batch: LookBatch, weight: FloatArray) -> Points:
    lead = _leader(weight)
    first = _first(weight)
    pairs, shared, alike = print_pairs(batch)
    friendly = np.where(pairs & ~alike, shared, 0)
    befriended = np.maximum(friendly, friendly.transpose(0, 2, 1)).max(axis=2)
    befriended = np.where(batch.schools["one_print"][:, None], 0, befriended)
    pick_up = ~batch.schools["mute_round_statement"][:, None]
    belongs = np.maximum(0.75 * _shares_print(batch, weight) * pick_up, 0.55 * befriended)
    said = ~np.isnan(batch.of(batch.table.said, np.nan))
    rival = np.where(lead, 0, weight * np.where(said, 1.0, 1 - belongs))
    second = rival.max(axis=1)
    close = np.clip((second / np.maximum(first, 1e-9) - 0.45) / 0.4, 0, 1)
    values = -batch.weights.points["statements-compete"] * close * np.clip((second - 0.15) / 0.3, 0, 1)
    places = lead | (rival == second[:, None]) & (second > 0)[:, None]
    return Points(
        "statements-compete", values, places,
        lambda i: f"{batch.called(i, places[i])} compete: weights {first[i]:.2f} and {second[i]:.2f}",
    )  # fmt: skip


def _pick_up(batch: LookBatch, weight: FloatArray) -> tuple[Points, Points]:
    table = batch.table
    prints = batch.of(table.print, False)
    lead = np.where(prints, weight, -1).argmax(axis=1)
    rows = np.arange(len(lead))
    has_print = prints.any(axis=1)
    answer = batch.between(table.answer)[rows, lead]
    which = batch.between(table.answered_colour, -1)[rows, lead]
    plain = batch.present & ~prints
    repeats = plain & (answer > 0.5)
    colours = np.stack([(repeats & (which == k)).any(axis=1) for k in range(1, 8)], axis=1).sum(axis=1)
    available = np.maximum(batch.of(table.colours)[rows, lead] - 1, 1)
    school = ~batch.schools["mute_round_statement"] & has_print
    motif = repeats & (which > 0)
    # the ground counts when it comes a second time: a print all of whose colours return has no room left
    ground = (repeats & (which == 0)).any(axis=1)
    every = (colours >= available) & (colours + ground >= 3)
    w = batch.weights.points
    one_or_two = np.where(school & (colours >= 1) & (colours <= 2) & ~every, w["picked-up"], 0.0)
    too_many = np.where(school & every, -w["every-colour-again"], 0.0)
    return (
        Points(
            "picked-up", one_or_two, motif,
            lambda i: f"{batch.called(i, motif[i])}: {colours[i]} of the print's colours picked up",
        ),
        Points(
            "every-colour-again", too_many, motif,
            lambda i: f"{batch.called(i, motif[i])}: every colour of the print returns, which leaves it no room",
        ),
    )  # fmt: skip


def _mute(batch: LookBatch, weight: FloatArray) -> Points:
    school, w = batch.schools["mute_round_statement"], batch.weights.points
    busy = np.clip((_first(weight) - 0.3) / 0.2, 0, 1)
    lead = _leader(weight)
    loud = np.maximum(
        np.clip((batch.of(batch.table.strong) - LOUD_PARTNER + 8) / 20, 0, 1),
        batch.of(batch.table.print, False),
    )
    loud = np.where(lead, 0, loud)
    others = np.where(lead, 0, batch.area)
    share = (others * loud).sum(axis=1) / np.maximum(others.sum(axis=1), 1e-9)
    values = np.where(
        school,
        busy * np.where(share < 0.05, w["partners-quiet"], -w["partners-loud"] * np.clip(share / 0.5, 0.2, 1)),
        0.0,
    )
    places = (loud > 0.3) & batch.present
    return Points(
        "partners-muted", values, np.where((values < 0)[:, None], places, lead),
        lambda i: f"{batch.called(i, places[i])}: loud beside the statement, {100 * share[i]:.0f} % of the rest"
        if values[i] < 0 else f"the partners of {batch.called(i, lead[i]).lower()} keep quiet",
    )  # fmt: skip


def _print_school(batch: LookBatch) -> Points:
    prints = batch.of(batch.table.print, False)
    several = prints.sum(axis=1) > 1
    values = np.where(several & batch.schools["one_print"], -batch.weights.points["one-print"], 0.0)
    return Points(
        "one-print", values, prints,
        lambda i: f"{batch.called(i, prints[i])}: {prints[i].sum()} prints, by the school of one",
    )  # fmt: skip


def _accent_wanted(batch: LookBatch) -> Points:
    accent, w = strong_places(batch) & (batch.area < 0.2), batch.weights.points
    wanted = batch.intent == INTENTS.index(Intent.ACCENT)
    values = np.where(wanted, np.where(accent.any(axis=1), w["accent-there"], -w["accent-missing"]), 0.0)
    return Points(
        "accent-wanted", values, accent,
        lambda i: f"{batch.called(i, accent[i])}: the accent that was wanted" if values[i] > 0
        else "an accent was wanted and no small strong colour is there",
    )  # fmt: skip
