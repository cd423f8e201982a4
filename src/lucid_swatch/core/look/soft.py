"""Steps without a cliff, for arrays of looks."""

from ..colour.arrays import RealArray


def rising(values: RealArray, low: float, high: float) -> RealArray:
    """0 up to low, 1 from high, a straight line between. Any shape."""
    risen: RealArray = ((values - low) * (1 / (high - low))).clip(0, 1)
    return risen


def falling(values: RealArray, low: float, high: float) -> RealArray:
    """1 up to low, 0 from high, a straight line between. Any shape."""
    return rising(-values, -high, -low)
