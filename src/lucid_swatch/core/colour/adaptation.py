"""Chromatic adaptation: what a surface would look like under another light."""

from typing import cast

import cv2
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
    if rgb_linear.dtype == np.float32 and rgb_linear.ndim == 3 and rgb_linear.size:
        # a picture, at half the time
        return cast(FloatArray, cv2.transform(np.ascontiguousarray(rgb_linear), matrix.astype(np.float32)))
    relit: FloatArray = rgb_linear @ like(matrix, rgb_linear).T
    return relit


def seen_under(kelvin: float, luminance: float, surround: float = 1.0) -> FloatArray:
    """How surfaces look to an eye under a lamp that it has only partly adapted to, beside daylight: linear sRGB to
    linear sRGB. (3, 3).

    kelvin: of a black body, 1667..25000. luminance: of what is adapted to, cd/m². surround: 1 in a lit room, 0.9 in a
    dim one, 0.8 in the dark. Dyes that change with the lamp are beyond it. Source: the degree of adaptation of CAT16, Li
    et al. 2017; the chromaticity of a black body after Kim et al. 2002."""
    degree = float(np.clip(surround * (1 - np.exp((-luminance - 42) / 92) / 3.6), 0, 1))
    lamp, day = CAT16 @ black_body(kelvin), CAT16 @ D65_WHITE
    gain = degree + (1 - degree) * lamp / day
    matrix: FloatArray = XYZ_TO_RGB @ np.linalg.inv(CAT16) @ np.diag(gain) @ CAT16 @ RGB_TO_XYZ
    return matrix


def black_body(kelvin: float) -> FloatArray:
    """XYZ of a black body with Y = 1. kelvin: 1667..25000. Returns (3,). Source: Kim, Kim, Park and Jung 2002, the cubic
    splines of US patent 7024034."""
    t = 1000.0 / float(np.clip(kelvin, 1667, 25000))
    x = (
        np.polyval([-0.2661239, -0.2343589, 0.8776956, 0.179910], t)
        if t >= 0.25
        else np.polyval([-3.0258469, 2.1070379, 0.2226347, 0.240390], t)
    )
    if t > 1000 / 2222:
        y = np.polyval([-1.1063814, -1.34811020, 2.18555832, -0.20219683], x)
    elif t >= 0.25:
        y = np.polyval([-0.9549476, -1.37418593, 2.09137015, -0.16748867], x)
    else:
        y = np.polyval([3.0817580, -5.87338670, 3.75112997, -0.37001483], x)
    return np.array([x / y, 1.0, (1 - x - y) / y])


def correlated_colour_temperature(light_rgb: FloatArray) -> float:
    """Correlated colour temperature in kelvin of a light given as linear sRGB, (3,).

    Source: McCamy 1992, Color Res. Appl. 17(2); useful between 2000 K and 12500 K and clipped there."""
    x, y, _ = (xyz := RGB_TO_XYZ @ light_rgb) / xyz.sum()
    n = (x - 0.3320) / (0.1858 - y)
    return float(np.clip(449 * n**3 + 3525 * n**2 + 6823.3 * n + 5520.33, 2000, 12500))
