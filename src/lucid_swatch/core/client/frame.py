"""What part of a photo to show, so that two photos show a person at one size and in one place."""

from dataclasses import dataclass

import numpy as np

from ..colour.arrays import BoolArray
from .face import FaceBox

SHAPE = 4 / 5
"""Width of a frame for each of its height."""
FACE_WIDTHS = 2.4
"""Width of a frame round a face, in widths of the face."""
FACE_FROM_TOP = 0.27
"""Of the height of a frame: where the brows lie."""
NEAR_ENOUGH = 0.12
"""Of the height of a photo: a face that is smaller stands on a figure that is to be seen whole."""
ROOM = 1.08
"""Height of a frame round a whole figure, in heights of the figure."""


@dataclass(frozen=True, slots=True)
class Frame:
    """A rectangle in pixels of the photo; it may reach beyond its edges."""

    left: float
    top: float
    width: float
    height: float


def frame_of_face(face: FaceBox, shape: tuple[int, int]) -> Frame | None:
    """The frame round a near face. shape: rows and columns of the photo. None where the face is far."""
    if face.height < NEAR_ENOUGH:
        return None
    rows, columns = shape
    width = FACE_WIDTHS * face.width * columns
    middle, height = (face.left + face.width / 2) * columns, width / SHAPE
    return Frame(middle - width / 2, face.top * rows - FACE_FROM_TOP * height, width, height)


def frame_of_person(person: BoolArray) -> Frame:
    """The frame round a whole figure. person: (rows, columns), some of it True."""
    down, across = np.flatnonzero(person.any(axis=1)), np.flatnonzero(person.any(axis=0))
    high, wide = float(down[-1] - down[0] + 1), float(across[-1] - across[0] + 1)
    height = ROOM * max(high, wide / SHAPE)
    middle_x, middle_y = (across[0] + across[-1] + 1) / 2, (down[0] + down[-1] + 1) / 2
    return Frame(float(middle_x - height * SHAPE / 2), float(middle_y - height / 2), height * SHAPE, height)
