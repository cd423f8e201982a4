"""Conversions between encoded sRGB, linear light, XYZ, CIELAB and LCh. White is D65, the observer 2°."""

from typing import cast

import cv2
import numpy as np

from .arrays import FloatArray

D65_WHITE = np.array([0.95047, 1.0, 1.08883])
"""XYZ of the D65 white, Y = 1. Source: IEC 61966-2-1:1999, from x = 0.3127, y = 0.3290."""

RGB_TO_XYZ = np.array(
    [[0.4124564, 0.3575761, 0.1804375], [0.2126729, 0.7151522, 0.0721750], [0.0193339, 0.1191920, 0.9503041]]
)
"""Linear sRGB to XYZ, from the primaries of IEC 61966-2-1:1999; white maps to D65_WHITE."""

XYZ_TO_RGB = np.linalg.inv(RGB_TO_XYZ)
CUBE_ROOT_ABOVE = (6 / 29) ** 3
SLOPE = 3 * (6 / 29) ** 2


def decode_srgb(srgb: FloatArray) -> FloatArray:
    """Light of encoded sRGB values.

    srgb: (..., 3), 0..1. Returns linear light, (..., 3), 0..1. Source: IEC 61966-2-1:1999."""
    return np.where(srgb > 0.04045, ((np.maximum(srgb, 0.04045) + 0.055) / 1.055) ** 2.4, srgb / 12.92)


def encode_srgb(rgb_linear: FloatArray) -> FloatArray:
    """Encoded sRGB of linear light, clipped to what a screen can show.

    rgb_linear: (..., 3). Returns (..., 3), 0..1. Source: IEC 61966-2-1:1999."""
    light = np.clip(rgb_linear, 0.0, 1.0)
    return np.where(light > 0.0031308, 1.055 * np.maximum(light, 0.0031308) ** (1 / 2.4) - 0.055, 12.92 * light)


def xyz_to_lab(xyz: FloatArray) -> FloatArray:
    """CIELAB of XYZ under D65.

    xyz: (..., 3), Y = 1 for the white. Returns L* 0..100, a*, b*. Source: ISO/CIE 11664-4:2019."""
    ratio = xyz / like(D65_WHITE, xyz)
    f = np.where(ratio > CUBE_ROOT_ABOVE, np.cbrt(ratio), ratio / SLOPE + 4 / 29)
    return np.stack([116 * f[..., 1] - 16, 500 * (f[..., 0] - f[..., 1]), 200 * (f[..., 1] - f[..., 2])], axis=-1)


def like(constant: FloatArray, array: FloatArray) -> FloatArray:
    """A constant in the precision of an array: pictures are read in single precision, colours in double."""
    return constant.astype(array.dtype, copy=False) if array.dtype == np.float32 else constant


def lab_to_xyz(lab: FloatArray) -> FloatArray:
    """XYZ (Y = 1 for the white) of CIELAB under D65. (..., 3) to (..., 3). Source: ISO/CIE 11664-4:2019."""
    lab = np.asarray(lab, dtype=float)
    fy = (lab[..., 0] + 16) / 116
    f = np.stack([fy + lab[..., 1] / 500, fy, fy - lab[..., 2] / 200], axis=-1)
    ratio = np.where(f > 6 / 29, f**3, SLOPE * (f - 4 / 29))
    xyz: FloatArray = ratio * D65_WHITE
    return xyz


def rgb_linear_to_lab(rgb_linear: FloatArray) -> FloatArray:
    """CIELAB of linear sRGB light. (..., 3) to (..., 3), in the precision given."""
    if rgb_linear.dtype == np.float32 and rgb_linear.ndim == 3:
        return _picture_to_lab(rgb_linear)
    return xyz_to_lab(rgb_linear @ like(RGB_TO_XYZ, rgb_linear).T)


_RGB_TO_RATIO = (RGB_TO_XYZ / D65_WHITE[:, None]).astype(np.float32)
_ROOTS_TO_LAB = np.array([[0, 116, 0, -16], [500, -500, 0, 0], [0, 200, -200, 0]], dtype=np.float32)


def _picture_to_lab(rgb_linear: FloatArray) -> FloatArray:
    """The same for a picture in single precision, (rows, columns, 3), at a fifth of the time."""
    if rgb_linear.size == 0:
        return rgb_linear
    ratio = cv2.transform(np.ascontiguousarray(rgb_linear), _RGB_TO_RATIO)
    root = np.cbrt(ratio)
    dark = ratio <= np.float32(CUBE_ROOT_ABOVE)
    if dark.any():
        ratio /= np.float32(SLOPE)
        ratio += np.float32(4 / 29)
        np.copyto(root, ratio, where=dark)
    return cast(FloatArray, cv2.transform(root, _ROOTS_TO_LAB))


def lab_to_rgb_linear(lab: FloatArray) -> FloatArray:
    """Linear sRGB light of CIELAB, outside 0..1 where the screen cannot show it. (..., 3) to (..., 3)."""
    light: FloatArray = lab_to_xyz(lab) @ XYZ_TO_RGB.T
    return light


def chroma(lab: FloatArray) -> FloatArray:
    """C*, the distance from grey. (..., 3) to (...,)."""
    return np.hypot(lab[..., 1], lab[..., 2])


def hue_angle(lab: FloatArray) -> FloatArray:
    """Hue angle in degrees, 0..360; 0 for an exact grey, which has none. (..., 3) to (...,)."""
    return np.degrees(np.arctan2(lab[..., 2], lab[..., 1])) % 360.0


def hue_distance(h_1: FloatArray | float, h_2: FloatArray | float) -> FloatArray:
    """Smaller angle between two hue angles, degrees, 0..180. Broadcasts."""
    turn: FloatArray = np.abs((np.asarray(h_1) - h_2 + 180.0) % 360.0 - 180.0)
    return turn


def lab_to_hex(lab: FloatArray) -> str:
    """The nearest screen colour of one CIELAB colour, as #rrggbb. lab: (3,)."""
    return lab_to_hexes(np.asarray(lab, dtype=float)[None])[0]


def lab_to_hexes(lab: FloatArray) -> list[str]:
    """The nearest screen colour of each CIELAB colour, as #rrggbb. lab: (n, 3)."""
    shown = np.rint(encode_srgb(lab_to_rgb_linear(lab)) * 255).astype(int).tolist()
    return [f"#{red:02x}{green:02x}{blue:02x}" for red, green, blue in shown]


def hex_to_lab(hex: str) -> FloatArray:
    """CIELAB of a screen colour. hex: #rrggbb. Returns (3,)."""
    srgb = np.array([int(hex[k : k + 2], 16) for k in (1, 3, 5)]) / 255
    lab: FloatArray = rgb_linear_to_lab(decode_srgb(srgb))
    return lab
