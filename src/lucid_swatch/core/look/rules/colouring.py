"""Colouring: what sits near the face, against the face."""

import numpy as np

from ...colour.arrays import BoolArray, RealArray
from ..body import Zone
from ..scorer.batch import LookBatch
from ..scorer.points import Measured, Points, leading
from ..scorer.table import Feature, PieceTable
from .contrast import client_band
from .monochrome import is_layer


def measure_colouring(batch: LookBatch, contrast: RealArray) -> Measured:
    """Points for every look of a batch; only those with a client are to be used. contrast: (n,), of the looks."""
    start = batch.weights.starts["colouring"]
    if not batch.has_client.any():
        return Measured(start, (_unsure(batch),))
    near = _near(batch)
    return Measured(
        start, (_temperature(batch, near), _clarity(batch, near), _contrast(batch, contrast), _unsure(batch))
    )


NEAREST = 4
"""How fast what lies at the face outweighs what lies away from it: a scarf over a coat that is shut."""


def _nearness(table: PieceTable) -> Feature:
    return table.nearness**NEAREST


def _nearer_under_a_layer(table: PieceTable) -> Feature:
    return (0.95**NEAREST - table.nearness**NEAREST) * table.worn(Zone.UPPER)


def _near(batch: LookBatch) -> RealArray:
    """Weight of each piece at the face. (m, n), the places sum to 1."""
    layered = batch.some(is_layer)
    nearness = batch.of(_nearness) + batch.of(_nearer_under_a_layer) * layered
    near: RealArray = np.sqrt(batch.area)
    near *= nearness
    near /= np.maximum(near.sum(axis=0), 1e-9)
    return near


def _temperature(batch: LookBatch, near: RealArray) -> Points:
    skin, trust = batch.colouring["undertone"], batch.colouring["undertone_trust"]
    # a white or a black sits with every skin; a cool skin minds warm cloth and the other way round
    warmth = batch.of("temperature")
    warm = near * warmth
    cool = warm.clip(None, 0).sum(axis=0)
    total = warm.sum(axis=0)
    worth = batch.weights.points["near-face-temperature"] / 0.8
    values = worth * skin * (total + 0.25 * np.where(skin > 0, cool, total - cool)) * trust

    def places(i: int) -> BoolArray:
        telling = warm[:, i] * skin[i] * (1 if values[i] >= 0 else -1)
        shown: BoolArray = telling > 0.3 * max(float(telling.max()), 1e-9)
        return shown

    def text(i: int) -> str:
        face = float((near[:, i] * warmth[:, i]).sum())
        apart = abs(face - skin[i])
        side = "warmer" if face > skin[i] else "cooler"
        if values[i] >= 0:
            return f"{batch.called(i, places(i))} near the face: with {'warm' if skin[i] > 0 else 'cool'} skin, {apart:.1f} apart"
        return f"{batch.called(i, places(i))} near the face: {side} than the skin by {apart:.1f}"

    return Points("near-face-temperature", values, places, text)


def _tone(table: PieceTable) -> Feature:
    return 1 - table.neutral


def _clear_tone(table: PieceTable) -> Feature:
    return _tone(table) * ((table.strong - 8) / 50).clip(0, 1)


def _clarity(batch: LookBatch, near: RealArray) -> Points:
    own = batch.colouring["clarity"]
    coloured = batch.of(_tone) * near
    total = coloured.sum(axis=0)
    seen = (near * batch.of(_clear_tone)).sum(axis=0) / np.maximum(total, 1e-9)
    off = np.abs(seen - own)
    amount = (total / 0.4).clip(0, 1)
    fits = amount * batch.weights.points["near-face-clarity"] * (1 - 3.0 * off).clip(-4 / 3, 1)
    return Points(
        "near-face-clarity",
        np.where(np.isnan(own), np.float32(0), fits),
        lambda i: leading(coloured[:, i]),
        lambda i: f"{batch.called(i, leading(coloured[:, i]))}: clarity {seen[i]:.1f} near a face of {own[i]:.1f}",
    )


def _contrast(batch: LookBatch, seen: RealArray) -> Points:
    own = client_band(batch.colouring["contrast"])
    off = np.abs(seen - own)
    fits = batch.weights.points["contrast-of-the-face"] * (1 - np.maximum(off - 8, 0) / 24).clip(-1, 1)
    return Points(
        "contrast-of-the-face",
        np.where(np.isnan(own), np.float32(0), fits),
        lambda i: batch.present[:, i],
        lambda i: f"a contrast of {seen[i]:.0f} L* beside the client's own {own[i]:.0f}",
    )


def _unsure(batch: LookBatch) -> Points:
    trust = batch.colouring["undertone_trust"]
    values = -batch.weights.points["undertone-unsure"] * (1 - trust) * batch.has_client
    return Points(
        "undertone-unsure",
        values,
        lambda i: np.zeros(len(batch.rows), dtype=bool),
        lambda i: f"the undertone is {100 * trust[i]:.0f} % trusted, so warm and cool count for less",
    )
