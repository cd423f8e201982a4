"""What of a cloth's surface a finish is told by: how rough it is at which size, which way its threads run, how it shines."""

from itertools import pairwise
from typing import cast

import cv2
import numpy as np

from ..colour.arrays import BoolArray, FloatArray, RealArray
from ..colour.spaces import chroma
from .palette import Palette

SIGMAS = (0.7, 1.4, 2.8, 5.6, 11.2, 22.4)
"""Pixels: between each two lies a size of grain."""
LEAST = 400
"""Pixels of the main colour from which anything is told."""
MOST = 420
"""Rows and columns that are looked at, in the middle of the piece."""
NAMES = (
    *(f"grain {k + 1}" for k in range(len(SIGMAS) - 1)),
    "runs one way", "runs down", "bright tail", "dark tail", "skew", "pales in light", "threads",
)  # fmt: skip


def surface_measures(lab: FloatArray, palette: Palette, yarns: float) -> FloatArray | None:
    """The measures named above. lab: (rows, columns, 3), of the relit photo; yarns: change of a* and b* between threads.

    None where too little of one colour lies together."""
    main = cv2.erode((palette.labels == 0).astype(np.uint8), np.ones((5, 5), np.uint8)) > 0
    if main.sum() < LEAST:
        return None
    box = _middle(main)
    inside = main[box]
    lightness = np.ascontiguousarray(lab[box][..., 0], dtype=np.float32)
    blurred = [_blurred(lightness, sigma) for sigma in SIGMAS]
    grains = [float((fine - coarse)[inside].std()) for fine, coarse in pairwise(blurred)]
    # how light lies is told by every other pixel of every other row
    some = lab[::2, ::2][main[::2, ::2]]
    values = some[:, 0]
    low, middle, high = (float(v) for v in np.percentile(values, (2, 50, 99)))
    off = (values - values.mean()) / max(float(values.std()), 1e-3)
    return np.array(
        [
            *np.log(np.maximum(grains, 0.02)),
            *_run(blurred[0] - blurred[2], inside),
            high - middle,
            middle - low,
            float(np.clip((off**3).mean(), -3, 3)),
            _paling(some),
            yarns,
        ]
    )


def _blurred(lightness: RealArray, sigma: float) -> RealArray:
    """A picture without what is finer than a size; coarse ones from a quarter of it, which is as good and much sooner.

    (rows, columns) to (rows, columns). sigma: pixels."""
    if sigma < COARSE or min(lightness.shape) < 16:
        return cast(RealArray, cv2.GaussianBlur(lightness, (0, 0), sigma))
    few = cv2.resize(lightness, None, fx=0.25, fy=0.25, interpolation=cv2.INTER_AREA)
    smooth = cv2.GaussianBlur(few, (0, 0), sigma / 4)
    return cast(RealArray, cv2.resize(smooth, lightness.shape[::-1], interpolation=cv2.INTER_LINEAR))


COARSE = 8.0
"""Pixels from which a blur is made of a smaller picture."""


def _middle(place: BoolArray) -> tuple[slice, slice]:
    """The part of a picture round the middle of a place."""
    rows, columns = (int(np.median(at)) for at in np.nonzero(place))
    return (slice(max(0, rows - MOST // 2), rows + MOST // 2), slice(max(0, columns - MOST // 2), columns + MOST // 2))


def _run(fine: FloatArray, inside: BoolArray) -> tuple[float, float]:
    """How far a grain runs one way, 0..1, and whether that is down (1) or across (-1). Structure tensor (Förstner 1987)."""
    across, down = cv2.Sobel(fine, cv2.CV_32F, 1, 0), cv2.Sobel(fine, cv2.CV_32F, 0, 1)
    xx, yy, xy = (
        float((one * other)[inside].mean()) for one, other in ((across, across), (down, down), (across, down))
    )
    spread, total = np.hypot(xx - yy, 2 * xy), max(xx + yy, 1e-6)
    return float(spread / total), float((xx - yy) / total)


def _paling(lab: FloatArray) -> float:
    """How much chroma is lost for each step of lightness in the bright half of a colour. lab: (n, 3)."""
    light = lab[:, 0]
    bright = light > np.median(light)
    if bright.sum() < LEAST // 8 or float(light[bright].std()) < 0.5:
        return 0.0
    light, strength = light[bright].astype(float), chroma(lab[bright]).astype(float)
    light = light - light.mean()
    return float(np.clip((light @ strength) / (light @ light), -2, 2))
