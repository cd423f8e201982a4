"""The surface of a cloth: how much it shines and how much relief it has. A suggestion, never a verdict."""

from dataclasses import dataclass
from typing import cast

import cv2
import numpy as np

from ..colour.arrays import BoolArray, FloatArray, LabelArray
from ..colour.spaces import chroma
from .palette import Palette
from .surface_measures import surface_measures


@dataclass(frozen=True, slots=True)
class Surface:
    """Sheen and texture, 0..1."""

    sheen: float
    texture: float
    measures: FloatArray | None = None
    """What a finish is told by, as surface_measures has it; None where too little of one colour lies together."""


def read_surface(lab: FloatArray, palette: Palette, yarns: float) -> Surface:
    """Sheen from pixels well above their colour that have lost chroma; texture from fine change of lightness.

    lab: (rows, columns, 3), of the relit photo. Both are shares between 0 and 1. yarns: as yarn_chroma gives it."""
    return Surface(
        float(np.clip(4 * _shining(lab, palette), 0, 1)),
        float(np.clip(_relief(lab, palette) / 8, 0, 1)),
        surface_measures(lab, palette, yarns),
    )


def _shining(lab: FloatArray, palette: Palette) -> float:
    """Share of the cloth that shines, from every other pixel of every other row."""
    few, labels = lab[::2, ::2], np.ascontiguousarray(palette.labels[::2, ::2])
    above = few[..., 0] - _in_place(palette.lab[:, 0], labels)
    paler = _in_place(chroma(palette.lab), labels) - chroma(few)
    inside = labels >= 0
    shining = inside & (above > 12) & (paler > -0.15 * above)
    return float(shining.mean() / max(float(inside.mean()), 1e-9))


def _relief(lab: FloatArray, palette: Palette) -> float:
    """Fine change of lightness within the main colour, CIELAB units; 0 where there is too little of it."""
    same = cv2.erode((palette.labels == 0).astype(np.uint8), np.ones((3, 3), np.uint8))
    rows = _middle_rows(same > 0)
    same, lightness = same[rows], np.ascontiguousarray(lab[rows][..., 0])
    if np.count_nonzero(same) <= 50:
        return 0.0
    fine = lightness - cv2.GaussianBlur(lightness, (0, 0), 3.0)
    return float(cv2.meanStdDev(fine, mask=same)[1].item())


def _middle_rows(place: BoolArray) -> slice:
    """The rows in the middle of a place: enough of them to tell a weave. place: (rows, columns)."""
    held = np.cumsum(np.count_nonzero(place, axis=1))
    middle = int(np.searchsorted(held, held[-1] / 2))
    return slice(max(0, middle - MOST_ROWS // 2), middle + MOST_ROWS // 2)


MOST_ROWS = 400
"""Of a picture, in which threads and relief are looked for."""


def _in_place(values: FloatArray, labels: LabelArray) -> FloatArray:
    """The value of each pixel's colour, anything outside. (n,) and (rows, columns) to (rows, columns)."""
    table = np.zeros(256, dtype=np.float32)
    table[: len(values)] = values
    return cast(FloatArray, cv2.LUT(labels.view(np.uint8), table))


def yarn_chroma(lab: FloatArray, palette: Palette) -> float:
    """How much a* and b* of the main colour change from thread to thread, CIELAB units; folds and shine hardly count.

    lab: (rows, columns, 3), of the relit photo."""
    main = (palette.labels == 0).astype(np.uint8)
    inner = cv2.erode(main, np.ones((9, 9), np.uint8)) > 0
    if inner.sum() < 400:
        return 0.0
    rows = _middle_rows(inner)
    columns = np.flatnonzero(inner[rows].any(axis=0))
    box = rows, slice(columns[0], columns[-1] + 1)
    dyes = np.ascontiguousarray(lab[box][..., 1:], dtype=np.float32)
    fine = cv2.GaussianBlur(dyes, (0, 0), 0.7) - cv2.GaussianBlur(dyes, (0, 0), 3.0)
    _, spread = cv2.meanStdDev(fine, mask=inner[box].astype(np.uint8))
    return float(np.hypot(*spread.ravel()))
