"""Chromatic adaptation: what a surface would look like under another light."""

import numpy as np

from .arrays import FloatArray
from .spaces import D65_WHITE, RGB_TO_XYZ, XYZ_TO_RGB, like

CAT16 = np.array([[0.401288, 0.650173, -0.051461], [-0.250268, 1.204414, 0.045854], [-0.002079, 0.048952, 0.953127]])
"""XYZ to the sharpened cone responses of CAT16. Source: Li et al. 2017, Color Res. Appl. 42(6)."""


def adaptation_matrix(white_from: FloatArray, white_to: FloatArray = D65_WHITE) -> FloatArray:
    """The full von Kries adaptation from one white to another, in XYZ.

    white_from, white_to: (3,), XYZ; only their chromaticity and ratio matter. Returns (3, 3). Source: CAT16."""
    gain = (CAT16 @ white_to) / (CAT16 @ white_from)
    matrix: FloatArray = np.linalg.inv(CAT16) @ np.diag(gain) @ CAT16
    return matrix


def relight(rgb_linear: FloatArray, light_rgb: FloatArray, amount: float = 1.0) -> FloatArray:
    """Linear sRGB as it would be if the light had been D65.

    rgb_linear: (..., 3). light_rgb: (3,), linear sRGB of the light (a white surface in the photo);
    its luminance is kept, so exposure is not touched. amount: 0..1, how far the light is believed.
    Returns (..., 3)."""
    light = RGB_TO_XYZ @ (light_rgb / max(float(RGB_TO_XYZ[1] @ light_rgb), 1e-9))
    believed = D65_WHITE * (light / D65_WHITE) ** amount
    matrix = XYZ_TO_RGB @ adaptation_matrix(believed) @ RGB_TO_XYZ
    relit: FloatArray = rgb_linear @ like(matrix, rgb_linear).T
    return relit


def correlated_colour_temperature(light_rgb: FloatArray) -> float:
    """Correlated colour temperature in kelvin of a light given as linear sRGB, (3,).

    Source: McCamy 1992, Color Res. Appl. 17(2); useful between 2000 K and 12500 K and clipped there."""
    x, y, _ = (xyz := RGB_TO_XYZ @ light_rgb) / xyz.sum()
    n = (x - 0.3320) / (0.1858 - y)
    return float(np.clip(449 * n**3 + 3525 * n**2 + 6823.3 * n + 5520.33, 2000, 12500))
