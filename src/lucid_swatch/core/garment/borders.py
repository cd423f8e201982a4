"""Which way the borders between the colours of a print run."""

from dataclasses import dataclass
from typing import cast

import cv2
import numpy as np

from ..colour.arrays import FloatArray, LabelArray, RealArray
from .motifs import painted


@dataclass(frozen=True, slots=True, eq=False)
class Slopes:
    """How steep the painted cloth is across and down, squared and multiplied, (rows, columns) each; 0 at the rim."""

    xx: RealArray
    yy: RealArray
    xy: RealArray


def slopes(labels: LabelArray, lab: FloatArray) -> Slopes:
    """The structure tensor of the painted cloth (Förstner 1987). labels: (rows, columns). lab: (n, 3)."""
    inside = cv2.erode((labels >= 0).astype(np.uint8), np.ones((9, 9), np.uint8))
    xx, yy, xy = np.zeros((3, *labels.shape), dtype=np.float32)
    for flat in painted(labels, lab):
        soft = cv2.GaussianBlur(flat, (0, 0), 1.2)
        across, down = cv2.Sobel(soft, cv2.CV_32F, 1, 0), cv2.Sobel(soft, cv2.CV_32F, 0, 1)
        cv2.accumulateSquare(across, xx, mask=inside)
        cv2.accumulateSquare(down, yy, mask=inside)
        cv2.accumulateProduct(across, down, xy, mask=inside)
    return Slopes(xx, yy, xy)


def directions(steep: Slopes) -> FloatArray:
    """The directions of the borders by their strength, (36,) in steps of five degrees, sums to 1; 0 without borders."""
    strength = (steep.xx + steep.yy).ravel()
    # most of the cloth is far from any border
    somewhere = np.flatnonzero(strength)
    if len(somewhere) == 0:
        return np.zeros(36)
    apart = (steep.xx - steep.yy).ravel().take(somewhere)
    angle = 0.5 * cv2.phase(apart, 2 * steep.xy.ravel().take(somewhere), angleInDegrees=True).ravel()
    weight: FloatArray = strength.take(somewhere) / strength.sum()
    return cast(FloatArray, np.bincount(np.minimum(angle / 5, 35).astype(np.intp), weight, 36))


def straightness(steep: Slopes, sigma: float) -> float:
    """How far the borders near a place run one way, 0..1: 1 where they all do. sigma: how near, pixels."""
    shrink = max(2.0, sigma / 2)
    size = tuple(max(4, round(n / shrink)) for n in steep.xx.shape[::-1])
    xx, yy, xy = (
        cv2.GaussianBlur(cv2.resize(p, size, interpolation=cv2.INTER_AREA), (0, 0), sigma / shrink)
        for p in (steep.xx, steep.yy, steep.xy)
    )
    return float(cv2.magnitude(xx - yy, 2 * xy).sum() / max(float((xx + yy).sum()), 1e-6))
