"""Contrast: does the step from light to dark suit the client, or what the look is going for?"""

import numpy as np

from ..colour.arrays import BoolArray, FloatArray
from .batch import INTENTS, LookBatch
from .look import Intent
from .points import Measured, Points
from .weights import threshold

BAND = threshold("contrast-band")


def look_contrast(batch: LookBatch) -> FloatArray:
    """Contrast of each look in L*: half the spread over the figure, half the widest step that is seen. (n,)."""
    lightness = batch.of(batch.table.mean_lightness)
    inner = batch.of(batch.table.lightness_variance)
    mean = (batch.area * lightness).sum(axis=1, keepdims=True)
    spread = np.sqrt((batch.area * ((lightness - mean) ** 2 + 0.6 * inner)).sum(axis=1))
    smaller = np.minimum(batch.area[:, :, None], batch.area[:, None, :])
    step = np.abs(lightness[:, :, None] - lightness[:, None, :]) * np.sqrt(np.clip(smaller / 0.12, 0, 1))
    widest = np.maximum(
        step.max(axis=(1, 2)), (2 * np.sqrt(inner) * np.sqrt(np.clip(batch.area / 0.3, 0, 1))).max(axis=1)
    )
    contrast: FloatArray = 0.5 * 2 * spread + 0.5 * widest
    return contrast


def client_band(colouring_contrast: FloatArray) -> FloatArray:
    """The look contrast in L* that suits a client's contrast level; nan stays nan. (n,) to (n,)."""
    return 10.0 + 0.78 * colouring_contrast


def measure_contrast(batch: LookBatch) -> Measured:
    """Points for every look of a batch."""
    seen, ends = look_contrast(batch), _ends(batch)
    own = client_band(batch.colouring["contrast"])
    against_client = ~np.isnan(own)
    target = np.where(against_client, own, 40.0)
    width = np.where(against_client, BAND, 22.0)
    meant = batch.intent == INTENTS.index(Intent.CONTRAST)
    tonal = batch.intent == INTENTS.index(Intent.TONAL)
    target = np.where(meant, np.where(against_client, np.maximum(target, 52.0), 66.0), target)
    width = np.where(meant, 16.0, np.where(tonal, np.maximum(width, 22.0), width))
    target = np.where(tonal & ~against_client, 28.0, target)
    off = np.maximum(np.abs(seen - target) - width, 0)
    start = batch.weights.starts["contrast"]
    values = np.maximum(batch.weights.points["contrast-fits"] * (1 - off / 22.0), 2.0 - start)

    def text(i: int) -> str:
        whose = "the client's own" if against_client[i] else "what the look is going for:"
        if meant[i]:
            whose = "a look meant to contrast:"
        harder = seen[i] > target[i]
        how = "within"
        if off[i] > 0:
            near = "a little " if off[i] < 9 else ""
            how = near + ("harder than" if harder else "gentler than")
        return (
            f"{batch.called(i, ends[i])}: a contrast of {seen[i]:.0f} L*, {how} {whose} "
            f"{max(target[i] - width[i], 0):.0f} to {target[i] + width[i]:.0f}"
        )

    return Measured(start, (Points("contrast-fits", values, ends, text),))


def _ends(batch: LookBatch) -> BoolArray:
    """The darkest and the lightest piece of each look that is large enough to be seen. (n, m)."""
    lightness, seen = batch.of(batch.table.mean_lightness), batch.present & (batch.area > 0.02)
    lightest = np.where(seen, lightness, -np.inf).argmax(axis=1)
    darkest = np.where(seen, lightness, np.inf).argmin(axis=1)
    place = np.arange(lightness.shape[1])
    ends: BoolArray = seen & ((place == lightest[:, None]) | (place == darkest[:, None]))
    return ends
