"""Steps without a cliff, for arrays of looks."""

import numpy as np

from ...colour.arrays import RealArray


def rising(values: RealArray, low: float, high: float) -> RealArray:
    """0 up to low, 1 from high, a straight line between. Any shape."""
    return _limited(values - low, 1 / (high - low))


def falling(values: RealArray, low: float, high: float) -> RealArray:
    """1 up to low, 0 from high, a straight line between. Any shape."""
    return _limited(high - values, 1 / (high - low))


def _limited(steps: RealArray, slope: float) -> RealArray:
    """What is between 0 and 1 of a slope. steps: of our own, and written over: a step costs less where it lies."""
    steps = np.asarray(steps)
    steps *= slope
    return steps.clip(0, 1, out=steps)
