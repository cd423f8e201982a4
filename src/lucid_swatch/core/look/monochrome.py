"""Monochrome: one tone from head to foot, and enough step or surface in it to hold the eye."""

import numpy as np

from ..colour.arrays import BoolArray, FloatArray
from ..colour.spaces import hue_distance
from ..garment.vocabulary import Finish
from .batch import LookBatch
from .body import Zone
from .harmony import emphasis, rising
from .points import Measured, Points
from .table import FINISHES


def measure_monochrome(batch: LookBatch) -> Measured:
    """Points for every look of a batch."""
    one = oneness(batch)
    return Measured(
        batch.weights.starts["monochrome"],
        (_one_family(batch, one), _stray(batch), *_relief(batch, one), _column(batch)),
    )


def oneness(batch: LookBatch) -> FloatArray:
    """0 for colours all over the circle .. 1 for one family. (n,).

    Two coloured pieces are one by hue, two neutrals by temperature; a neutral beside a colour is half way, more
    when they lean alike."""
    table = batch.table
    weight = emphasis(batch) * ~batch.of(table.metallic, False)
    neutral, hue = batch.of(table.neutral), batch.of(table.leading_hue)
    warm, cool = batch.of(table.warm), batch.of(table.cool)
    side = warm - cool
    by_hue = np.exp(-0.5 * (hue_distance(hue[:, :, None], hue[:, None, :]) / 28.0) ** 2)
    by_side = 1 - np.abs(side[:, :, None] - side[:, None, :]) / 2
    # a black and a grey have no hue to lean by
    tinted = rising(batch.of(table.chroma), 2, 9)
    tinted = np.minimum(tinted[:, :, None], tinted[:, None, :])
    by_tint = tinted * by_hue + (1 - tinted) * 0.5
    both_neutral = neutral[:, :, None] * neutral[:, None, :]
    both_coloured = (1 - neutral)[:, :, None] * (1 - neutral)[:, None, :]
    mixed = 1 - both_neutral - both_coloured
    alike = both_neutral * by_side + both_coloured * by_hue + mixed * (0.35 + 0.3 * by_tint)
    pairs = weight[:, :, None] * weight[:, None, :]
    total = pairs.sum(axis=(1, 2))
    share: FloatArray = (alike * pairs).sum(axis=(1, 2)) / np.maximum(total, 1e-9)
    return share


def _one_family(batch: LookBatch, one: FloatArray) -> Points:
    values = batch.weights.points["one-family"] * 2 * (one - 0.5)
    return Points(
        "one-family", values, batch.present,
        lambda i: f"{100 * one[i]:.0f} % of the cloth, pair by pair, is of one family",
    )  # fmt: skip


def _stray(batch: LookBatch) -> Points:
    table = batch.table
    coloured = (1 - batch.of(table.neutral)) * np.clip(batch.of(table.strong) / 30, 0, 1)
    weight = batch.area * coloured
    hue = np.radians(batch.of(table.leading_hue))
    centre = np.degrees(np.arctan2((weight * np.sin(hue)).sum(axis=1), (weight * np.cos(hue)).sum(axis=1))) % 360
    away = hue_distance(batch.of(table.leading_hue), centre[:, None])
    led = 0.6 + 0.4 * rising(weight.sum(axis=1), 0.2, 0.3)
    foreign = rising(coloured, 0.1, 0.6) * np.clip((away - 45) / 45, 0, 1)
    # in a look of neutrals any strong colour is the foreign one
    alone = rising(-weight.sum(axis=1), -0.19, -0.11)[:, None] * rising(coloured, 0.25, 0.75)
    foreign = np.maximum(foreign, alone * np.clip(coloured, 0, 1))
    worst = (foreign * np.clip(emphasis(batch) / 0.08, 0.3, 1)).max(axis=1)
    places = foreign > 0.3
    return Points(
        "foreign-hue", -batch.weights.points["foreign-hue"] * led * worst, places,
        lambda i: f"{batch.called(i, places[i])}: a hue from outside the family",
    )  # fmt: skip


def _relief(batch: LookBatch, one: FloatArray) -> tuple[Points, Points]:
    table = batch.table
    lightness = batch.of(table.mean_lightness)
    large = batch.area > 0.04
    both = large[:, :, None] & large[:, None, :]
    step = np.where(both, np.abs(lightness[:, :, None] - lightness[:, None, :]), 0).max(axis=(1, 2))
    inner = np.where(large, np.sqrt(batch.of(table.lightness_variance)), 0).max(axis=1)
    surfaces = batch.of(table.finish, False).copy()
    surfaces[..., FINISHES.index(Finish.MATTE)] = False
    kinds = surfaces.any(axis=1).sum(axis=1)
    broken = (batch.zone(Zone.WAIST) | (batch.of(table.metal) > 0)).any(axis=1)
    by_lightness = 1 - np.exp(-np.maximum(step, 1.5 * inner) / 14)
    by_surface = 1 - np.exp(-0.55 * np.maximum(kinds - 1, 0))
    relief = 1 - (1 - by_lightness) * (1 - 0.8 * by_surface) * np.where(broken, 0.85, 1.0)
    flat = -batch.weights.points["flat"] * (1 - relief) * one
    lively = batch.weights.points["relief"] * relief * one
    return (
        Points(
            "relief", lively, large & batch.present,
            lambda i: f"a step of {step[i]:.0f} L* and {kinds[i]} surfaces give relief",
        ),
        Points(
            "flat", np.where(relief > 0.97, 0.0, flat), large & batch.present,
            lambda i: f"{batch.called(i, large[i])}: only {step[i]:.0f} L* and {kinds[i]} surfaces between them, so it reads flat",
        ),
    )  # fmt: skip


def _column(batch: LookBatch) -> Points:
    upper, lower = batch.zone(Zone.UPPER), batch.zone(Zone.LOWER)
    whole, feet = batch.zone(Zone.WHOLE), batch.zone(Zone.FEET)
    difference = batch.between(batch.table.main_difference, 99.0)

    def apart(first: BoolArray, second: BoolArray) -> FloatArray:
        least: FloatArray = np.where(first[:, :, None] & second[:, None, :], difference, 99.0).min(axis=(1, 2))
        return least

    body = np.where(whole.any(axis=1), 0.0, apart(upper, lower))
    foot = np.minimum(apart(lower, feet), apart(whole, feet))
    line = np.clip(1 - (body - 5) / 10, 0, 1) * (0.6 + 0.4 * np.clip(1 - (foot - 6) / 14, 0, 1))
    line = np.where(body > 15, 0.0, line)
    open_layer: BoolArray = np.asarray(batch.zone(Zone.LAYER).any(axis=1))
    values = line * np.where(open_layer, batch.weights.points["column-under-a-layer"], batch.weights.points["column"])
    places = upper | lower | whole | (feet & np.expand_dims(foot < 14, 1))
    return Points(
        "column", values, places,
        lambda i: f"{batch.called(i, places[i])}: one line from neck to hem" + (" under an open layer" if open_layer[i] else ""),
    )  # fmt: skip
