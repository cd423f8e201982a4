"""The metal of a garment's hardware, its buckles, buttons and zips. A suggestion, never a verdict."""

from dataclasses import dataclass

import cv2
import numpy as np

from ..colour.arrays import BoolArray, FloatArray
from ..colour.spaces import chroma, hue_angle
from .grouping import shading_free
from .palette import Palette
from .vocabulary import Metal

LEAST_OF_PIECE, MOST_OF_PIECE = 0.0004, 0.06
"""Share of the garment that one buckle, button or zip covers."""
LEAST_PIXELS = 25
CLOTH_SHARE = 0.06
"""Of the garment: smaller colours may be the hardware itself."""
OFF_CLOTH, OFF_LIGHTNESS = 12.0, 22.0
"""Shading-free chromaticity, or L*, between a part and every colour of the cloth."""
SHINE_STEP = 21.0
"""L* between the dull and the shining pixels of a part: metal mirrors, horn and plastic hardly do."""
SHARP = 0.45
"""Of the difference to the cloth: what happens within a few pixels of the border, where a highlight only fades."""
YELLOW, ROSE = (68.0, 100.0), (35.0, 62.0)
"""Hue angles."""
THIN = 2.8
"""Length against width."""
LEAST_SILVER = 52.0
"""L* of its shining pixels: a dark grey that gleams is horn."""
GREY_BELOW, COLOURED_ABOVE = 7.0, 9.0
"""C*."""

LEAST_CONFIDENCE = 0.6
"""Below it nothing is suggested: a speck may be anything."""


@dataclass(frozen=True, slots=True)
class Hardware:
    """A metal that shows, and how sure that is."""

    metal: Metal
    confidence: float
    """0..1."""


def read_hardware(lab: FloatArray, palette: Palette) -> Hardware | None:
    """The metal of the small shining parts of a garment; None where there is none.

    lab: (rows, columns, 3), of the relit photo, of the same rows and columns as the labels of the palette."""
    lab = cv2.GaussianBlur(lab.astype(np.float32), (0, 0), 0.8)
    inside = cv2.erode((palette.labels >= 0).astype(np.uint8), np.ones((9, 9), np.uint8)) > 0
    cloth = palette.lab[palette.share > CLOTH_SHARE]
    seen: dict[Metal, float] = {}
    rim = inside & ~(cv2.erode(inside.astype(np.uint8), np.ones((5, 5), np.uint8), borderValue=0) > 0)
    for part, share in _parts(lab, inside, palette, cloth):
        if _is_slit(part, rim):
            continue
        metal = _metal_of(lab[part])
        if metal is not None and _sharp(lab, part, cloth):
            seen[metal] = seen.get(metal, 0.0) + share
    if not seen:
        return None
    area = sum(seen.values())
    metal = max(seen, key=lambda m: seen[m])
    agreed = seen[metal] / area
    if agreed < 0.7:
        return Hardware(Metal.MIXED, 0.5)
    confidence = agreed * float(np.clip(0.5 + 40 * area, 0, 0.85))
    return Hardware(metal, round(confidence, 2)) if confidence >= LEAST_CONFIDENCE else None


def _parts(lab: FloatArray, inside: BoolArray, palette: Palette, cloth: FloatArray) -> list[tuple[BoolArray, float]]:
    """Small places that are no colour of the cloth, each with its share of the garment."""
    pixels = np.flatnonzero(inside)
    lightness = lab[..., 0].ravel().take(pixels)
    _, red, yellow = np.ascontiguousarray(shading_free(lab.reshape(-1, 3).take(pixels, axis=0)).T)
    off = np.ones(len(pixels), dtype=bool)
    for colour, plain in zip(shading_free(cloth), cloth, strict=True):
        away = (red - np.float32(colour[1])) ** 2 + (yellow - np.float32(colour[2])) ** 2
        off &= (away > OFF_CLOTH**2) | (np.abs(lightness - np.float32(plain[0])) > OFF_LIGHTNESS)
    strange = np.zeros(inside.shape, np.uint8)
    strange.ravel()[pixels[off]] = 1
    found = cv2.morphologyEx(strange, cv2.MORPH_OPEN, np.ones((3, 3), np.uint8))
    count, labels, stats, _ = cv2.connectedComponentsWithStats(found, connectivity=8)
    whole = max(int((palette.labels >= 0).sum()), 1)
    shares = stats[:, cv2.CC_STAT_AREA] / whole
    kept = [
        k
        for k in range(1, count)
        if LEAST_OF_PIECE < shares[k] < MOST_OF_PIECE and stats[k, cv2.CC_STAT_AREA] >= LEAST_PIXELS
    ]
    largest = sorted(kept, key=lambda k: -shares[k])[:12]
    return [(labels == k, float(shares[k])) for k in largest]


def _metal_of(lab: FloatArray) -> Metal | None:
    """Gold, silver or rose of the pixels of one part, (n, 3); None when it does not shine or has another colour."""
    dull, shining = np.quantile(lab[:, 0], [0.05, 0.95])
    if shining - dull < SHINE_STEP:
        return None
    low, high = np.quantile(lab[:, 0], [0.25, 0.75])
    middle = np.median(lab[(lab[:, 0] >= low) & (lab[:, 0] <= high)], axis=0)
    strength, hue = float(chroma(middle)), float(hue_angle(middle))
    if strength < GREY_BELOW:
        return Metal.SILVER if shining > LEAST_SILVER else None
    if strength > COLOURED_ABOVE and YELLOW[0] <= hue <= YELLOW[1]:
        return Metal.GOLD
    if strength > COLOURED_ABOVE and ROSE[0] <= hue <= ROSE[1]:
        return Metal.ROSE
    return None


def _is_slit(part: BoolArray, rim: BoolArray) -> bool:
    """Whether a part is the ground between two sleeves or legs: long, thin, and from the edge of the garment inwards."""
    if not (part & rim).any():
        return False
    outline = max(cv2.findContours(part.astype(np.uint8), cv2.RETR_EXTERNAL, cv2.CHAIN_APPROX_NONE)[0], key=len)
    one, other = cv2.minAreaRect(outline)[1]
    return bool(max(one, other) + 1 > THIN * (min(one, other) + 1))


def _sharp(lab: FloatArray, part: BoolArray, cloth: FloatArray) -> bool:
    """Whether a part ends at a line, as a thing does, and does not fade, as a highlight does.

    cloth: (n, 3), the colours round it."""
    own = part.astype(np.uint8)
    within = part & ~(cv2.erode(own, np.ones((5, 5), np.uint8)) > 0)
    outside = (cv2.dilate(own, np.ones((9, 9), np.uint8)) > 0) & ~(cv2.dilate(own, np.ones((5, 5), np.uint8)) > 0)
    if not outside.any():
        return False
    middle = np.median(lab[part], axis=0)
    step = np.linalg.norm(np.median(lab[within], axis=0) - np.median(lab[outside], axis=0))
    return bool(step > SHARP * np.linalg.norm(cloth - middle, axis=1).min())
