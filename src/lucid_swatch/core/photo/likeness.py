"""Whether two photos are the same picture."""

from dataclasses import dataclass

import cv2
import numpy as np

from ..colour.arrays import ByteArray

SIDE = 8
SAME_PICTURE = 6
"""Bits of 64 by which two copies of one photo may differ: saved again, shrunk, a little brighter."""


@dataclass(frozen=True, slots=True)
class PhotoMarks:
    """What tells whether another photo shows the same."""

    picture: str
    """The hash of the picture."""
    shape: str
    """The signature of the piece's outline."""


def difference_hash(srgb: ByteArray) -> str:
    """Which of two neighbouring places of a photo is the brighter, 64 of them, as hexadecimal digits.

    srgb: (rows, columns, 3). Copies of one photo keep it; two photos of one garment seldom do."""
    grey = cv2.cvtColor(srgb, cv2.COLOR_RGB2GRAY)
    small = cv2.resize(grey, (SIDE + 1, SIDE), interpolation=cv2.INTER_AREA).astype(np.int16)
    bits = "".join("1" if brighter else "0" for brighter in (small[:, 1:] > small[:, :-1] + 1).ravel())
    return f"{int(bits, 2):016x}"


def bits_apart(first: str, second: str) -> int:
    """In how many of the 64 places two photos differ."""
    return (int(first, 16) ^ int(second, 16)).bit_count()
