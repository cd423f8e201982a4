"""Contrast: does the step from light to dark suit the client, or what the look is going for?"""

import numpy as np

from ...colour.arrays import BoolArray, RealArray
from ..look import Intent
from ..scorer.asked import seen
from ..scorer.batch import INTENTS, LookBatch, across
from ..scorer.points import Measured, Points
from ..scorer.table import Feature, PieceTable
from ..scorer.weights import threshold

BAND = threshold("contrast-band")
UNSAID_WIDER = 14.0
"""L* either side by which a look of which nothing is said may contrast more or less."""
WITHIN = 0.25
"""How much less a contrast fits at the edge of what suits than in its middle."""
MIDDLE = 50.0
"""L* that lightness is counted from, so that its squares keep their digits."""


@seen
def _off_middle(table: PieceTable) -> Feature:
    return table.mean_lightness - MIDDLE


@seen
def _off_middle_squared(table: PieceTable) -> Feature:
    return (table.mean_lightness - MIDDLE) ** 2 + 0.6 * table.lightness_variance


def look_contrast(batch: LookBatch) -> RealArray:
    """Contrast of each look in L*: half the spread over the figure, half the widest step that is seen. (n,)."""
    area, lightness, inner = batch.area, batch.of("mean_lightness"), batch.of("lightness_variance")
    spread = np.sqrt((batch.seen(_off_middle_squared) - batch.seen(_off_middle) ** 2).clip(0, None))
    shown = np.sqrt((area / 0.12).clip(0, 1))
    steps = across(np.subtract, lightness)
    np.abs(steps, out=steps)
    steps *= across(np.minimum, shown)
    step = batch.most(steps)
    within = 2 * np.sqrt((inner * (area / 0.3).clip(0, 1)).max(axis=0))
    contrast: RealArray = spread + 0.5 * np.maximum(step, within)
    return contrast


def client_band(colouring_contrast: RealArray) -> RealArray:
    """The look contrast in L* that suits a client's contrast level; nan stays nan. (n,) to (n,)."""
    return 10.0 + 0.78 * colouring_contrast


def contrast_that_suits(contrast: float) -> tuple[float, float]:
    """From the least to the most look contrast, L*, that sits with a client's contrast level."""
    middle = float(client_band(np.array([contrast]))[0])
    return max(0.0, middle - BAND), middle + BAND


def measure_contrast(batch: LookBatch, seen: RealArray) -> Measured:
    """Points for every look of a batch. seen: (n,), its contrast."""
    own = client_band(batch.colouring["contrast"])
    against_client = ~np.isnan(own)
    target = np.where(against_client, own, np.float32(40.0))
    width = np.where(against_client, np.float32(BAND), np.float32(22.0))
    # where nothing is said, a look may be all of one lightness or black and white: both are meant
    unsaid = batch.intent == INTENTS.index(None)
    width = np.where(unsaid, width + np.float32(UNSAID_WIDER), width)
    meant = batch.intent == INTENTS.index(Intent.CONTRAST)
    tonal = batch.intent == INTENTS.index(Intent.TONAL)
    target = np.where(meant, np.where(against_client, np.maximum(target, 52.0), np.float32(66.0)), target)
    width = np.where(meant, np.float32(16.0), np.where(tonal, np.maximum(width, 22.0), width))
    target = np.where(tonal & ~against_client, np.float32(28.0), target)
    apart = np.abs(seen - target)
    off = np.maximum(apart - width, 0)
    start = batch.weights.starts["contrast"]
    asked = ~unsaid | against_client
    # where nothing is asked of it, a contrast can only be too much of it
    fits = np.where(asked, 1 - WITHIN * np.minimum(apart / width, 1), np.float32(0))
    values = np.maximum(batch.weights.points["contrast-fits"] * (fits - off / 22.0), 2.0 - start)

    def text(i: int) -> str:
        whose = "the client's own" if against_client[i] else "what the look is going for:"
        if meant[i]:
            whose = "a look meant to contrast:"
        harder = seen[i] > target[i]
        if not asked[i] and off[i] == 0:
            return f"{batch.called(i, _ends(batch, i))}: a contrast of {seen[i]:.0f} L*, and nothing asks for another"
        how = "within"
        if off[i] > 0:
            near = "a little " if off[i] < 9 else ""
            how = near + ("harder than" if harder else "gentler than")
        return (
            f"{batch.called(i, _ends(batch, i))}: a contrast of {seen[i]:.0f} L*, {how} {whose} "
            f"{max(target[i] - width[i], 0):.0f} to {target[i] + width[i]:.0f}"
        )

    return Measured(start, (Points("contrast-fits", values, lambda i: _ends(batch, i), text, always=True),))


def _ends(batch: LookBatch, look: int) -> BoolArray:
    """The darkest and the lightest piece of one look that is large enough to be seen. (m,)."""
    lightness = batch.of("mean_lightness")[:, look]
    ends: BoolArray = batch.present[:, look] & (batch.area[:, look] > 0.02)
    if ends.any():
        lightest, darkest = np.where(ends, lightness, -np.inf).argmax(), np.where(ends, lightness, np.inf).argmin()
        ends &= np.isin(np.arange(len(ends)), (lightest, darkest))
    return ends
