"""Many small pictures as one: a rail of hundreds of strips is one file to fetch and to decode."""

from collections.abc import Iterable

import cv2
import numpy as np

ACROSS = 32
"""Cells in a row."""
CELL = (48, 80)
"""Width and height of a cell in pixels."""
QUALITY = 85


def sheet(pictures: Iterable[bytes | None]) -> bytes:
    """JPEG of pictures in rows of ACROSS, each filling its cell from the middle; what is missing or broken stays grey."""
    cells = [_cell(one) for one in pictures]
    width, height = CELL
    rows = max(1, -(-len(cells) // ACROSS))
    whole = np.full((rows * height, ACROSS * width, 3), 128, dtype=np.uint8)
    for place, cell in enumerate(cells):
        if cell is not None:
            y, x = place // ACROSS * height, place % ACROSS * width
            whole[y : y + height, x : x + width] = cell
    done: bytes = cv2.imencode(".jpg", whole, [cv2.IMWRITE_JPEG_QUALITY, QUALITY])[1].tobytes()
    return done


def _cell(picture: bytes | None) -> np.ndarray | None:
    found = None if picture is None else cv2.imdecode(np.frombuffer(picture, dtype=np.uint8), cv2.IMREAD_COLOR)
    if found is None:
        return None
    width, height = CELL
    scale = max(width / found.shape[1], height / found.shape[0])
    size = (max(width, round(found.shape[1] * scale)), max(height, round(found.shape[0] * scale)))
    large = cv2.resize(found, size, interpolation=cv2.INTER_AREA if scale < 1 else cv2.INTER_LINEAR)
    top, left = (large.shape[0] - height) // 2, (large.shape[1] - width) // 2
    cut: np.ndarray = large[top : top + height, left : left + width]
    return cut
