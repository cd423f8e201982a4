"""The cascade that says where faces are."""

from functools import cache
from typing import Protocol

import cv2
from skimage.data import lbp_frontal_face_cascade_filename
from skimage.feature import Cascade

from lucid_swatch.core.client.face import FaceBox
from lucid_swatch.core.colour.arrays import ByteArray

SEARCH_SIDE = 400
"""Long side of the picture that is searched."""
LEAST_FACE, MOST_FACE = 0.12, 0.9
"""Of the short side."""
LEAST_AGREEING = 3
"""Neighbouring windows that must say the same."""


class FaceFinder(Protocol):
    """Anything that finds faces seen from the front."""

    def __call__(self, srgb: ByteArray) -> list[FaceBox]:
        """Boxes round faces, the largest first; one face may have several. srgb: (rows, columns, 3)."""


class FaceCascade:
    """Local binary patterns in a cascade. Source: Zhang et al. 2007, as it comes with scikit-image."""

    def __call__(self, srgb: ByteArray) -> list[FaceBox]:
        rows, columns = srgb.shape[:2]
        scale = min(1.0, SEARCH_SIDE / max(rows, columns))
        size = (max(1, round(columns * scale)), max(1, round(rows * scale)))
        grey = cv2.cvtColor(cv2.resize(srgb, size, interpolation=cv2.INTER_AREA), cv2.COLOR_RGB2GRAY)
        if min(size) < 40:
            return []
        # contrast that is evened out helps in hard light, but on deep skin it makes noise of what is looked for
        found = _search(grey) or _search(cv2.createCLAHE(2.0, (8, 8)).apply(grey))
        boxes = [
            FaceBox(f["c"] / size[0], f["r"] / size[1], f["width"] / size[0], f["height"] / size[1]) for f in found
        ]  # fmt: skip
        return sorted(boxes, key=lambda box: -box.width * box.height)


def _search(grey: ByteArray) -> list[dict[str, int]]:
    short = min(grey.shape)
    found: list[dict[str, int]] = _cascade().detect_multi_scale(
        img=grey, scale_factor=1.15, step_ratio=1, min_size=(round(LEAST_FACE * short),) * 2,
        max_size=(round(MOST_FACE * short),) * 2, min_neighbor_number=LEAST_AGREEING,
    )  # fmt: skip
    return found


@cache
def _cascade() -> Cascade:
    return Cascade(lbp_frontal_face_cascade_filename())
