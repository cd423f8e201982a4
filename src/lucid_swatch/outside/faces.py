"""The cascade that says where faces are."""

from functools import cache
from typing import Protocol

import cv2
from skimage.data import lbp_frontal_face_cascade_filename
from skimage.feature import Cascade

from lucid_swatch.core.client.face import FaceBox, turned
from lucid_swatch.core.colour.arrays import ByteArray

SEARCH_SIDE = 400
"""Long side of the picture that is searched."""
LEAST_FACE, MOST_FACE = 0.12, 0.9
"""Of the short side."""
LEAST_AGREEING = 3
"""Neighbouring windows that must say the same."""


TILTS = (-22.0, 22.0)
"""Degrees by which a picture is turned for heads that are held aslant; the cascade bears half of that by itself."""


class FaceFinder(Protocol):
    """Anything that finds faces seen from the front."""

    def __call__(self, srgb: ByteArray) -> list[FaceBox]:
        """Boxes round faces, upright and tilted ones, the largest first; one face may have several.

        srgb: (rows, columns, 3)."""


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
        boxes = [_box(f, size) for f in found]
        for tilt in TILTS:
            aslant = cv2.warpAffine(grey, turned(grey.shape, tilt), size, borderMode=cv2.BORDER_REPLICATE)
            boxes += [_box(f, size, tilt) for f in _search(aslant)]
        return sorted(boxes, key=lambda box: -box.width * box.height)


def _box(found: dict[str, int], size: tuple[int, int], tilt: float = 0.0) -> FaceBox:
    columns, rows = size
    return FaceBox(found["c"] / columns, found["r"] / rows, found["width"] / columns, found["height"] / rows, tilt)


def _search(grey: ByteArray) -> list[dict[str, int]]:
    short = min(grey.shape)
    found: list[dict[str, int]] = _cascade().detect_multi_scale(
        img=grey,
        scale_factor=1.15,
        step_ratio=1,
        min_size=(round(LEAST_FACE * short),) * 2,
        max_size=(round(MOST_FACE * short),) * 2,
        min_neighbor_number=LEAST_AGREEING,
    )
    return found


@cache
def _cascade() -> Cascade:
    return Cascade(lbp_frontal_face_cascade_filename())
