"""Colouring: what sits near the face, against the face."""

import numpy as np

from ..colour.arrays import FloatArray
from .batch import LookBatch
from .body import Zone
from .contrast import client_band, look_contrast
from .points import Measured, Points


def measure_colouring(batch: LookBatch) -> Measured:
    """Points for every look of a batch; only those with a client are to be used."""
    return Measured(
        batch.weights.starts["colouring"], (_temperature(batch), _clarity(batch), _contrast(batch), _unsure(batch))
    )


def _near(batch: LookBatch) -> FloatArray:
    """Weight of each piece at the face. (n, m), rows sum to 1."""
    under_layer = batch.zone(Zone.LAYER).any(axis=1, keepdims=True) & batch.zone(Zone.UPPER)
    nearness = np.where(under_layer, 0.95, batch.of(batch.table.nearness))
    weight = np.sqrt(batch.area) * nearness**2 * batch.present
    near: FloatArray = weight / np.maximum(weight.sum(axis=1, keepdims=True), 1e-9)
    return near


def _temperature(batch: LookBatch) -> Points:
    near = _near(batch)
    skin = batch.colouring["undertone"]
    # a white or a black sits with every skin; a cool skin minds warm cloth and the other way round
    warmth = batch.of(batch.table.temperature)
    agreement = warmth * skin[:, None]
    values = (
        batch.weights.points["near-face-temperature"]
        * (near * np.where(agreement < 0, 1.25, 1.0) * agreement).sum(axis=1)
        / 0.8
    )
    values = values * batch.colouring["undertone_trust"]
    felt = np.where((values >= 0)[:, None], agreement, -agreement) * near
    places = felt > 0.3 * np.maximum(felt.max(axis=1, keepdims=True), 1e-9)
    face = (near * warmth).sum(axis=1)

    def text(i: int) -> str:
        apart = abs(face[i] - skin[i])
        side = "warmer" if face[i] > skin[i] else "cooler"
        if values[i] >= 0:
            return f"{batch.called(i, places[i])} near the face: with {'warm' if skin[i] > 0 else 'cool'} skin, {apart:.1f} apart"
        return f"{batch.called(i, places[i])} near the face: {side} than the skin by {apart:.1f}"

    return Points("near-face-temperature", values, places, text)


def _clarity(batch: LookBatch) -> Points:
    near = _near(batch)
    own = batch.colouring["clarity"]
    level = np.clip((batch.of(batch.table.strong) - 8) / 50, 0, 1)
    coloured = np.clip(1 - batch.of(batch.table.neutral), 0, 1) * near
    seen = (coloured * level).sum(axis=1) / np.maximum(coloured.sum(axis=1), 1e-9)
    off = np.abs(seen - np.nan_to_num(own, nan=0.5))
    amount = np.clip(coloured.sum(axis=1) / 0.4, 0, 1)
    values = np.where(
        np.isnan(own), 0.0, amount * batch.weights.points["near-face-clarity"] * np.clip(1 - 3.0 * off, -4 / 3, 1)
    )
    places = coloured > 0.1
    return Points(
        "near-face-clarity", values, places,
        lambda i: f"{batch.called(i, places[i])}: clarity {seen[i]:.1f} near a face of {own[i]:.1f}",
    )  # fmt: skip


def _contrast(batch: LookBatch) -> Points:
    own = client_band(batch.colouring["contrast"])
    seen = look_contrast(batch)
    off = np.abs(seen - np.nan_to_num(own, nan=0.0))
    values = np.where(
        np.isnan(own),
        0.0,
        batch.weights.points["contrast-of-the-face"] * np.clip(1 - np.maximum(off - 8, 0) / 24, -1, 1),
    )
    return Points(
        "contrast-of-the-face", values, batch.present,
        lambda i: f"a contrast of {seen[i]:.0f} L* beside the client's own {own[i]:.0f}",
    )  # fmt: skip


def _unsure(batch: LookBatch) -> Points:
    trust = batch.colouring["undertone_trust"]
    values = np.where(batch.has_client, -batch.weights.points["undertone-unsure"] * (1 - trust), 0.0)
    return Points(
        "undertone-unsure", values, np.zeros_like(batch.present),
        lambda i: f"the undertone is {100 * trust[i]:.0f} % trusted, so warm and cool count for less",
    )  # fmt: skip
