"""An outline turned until it hangs straight, and what is measured across it."""

from dataclasses import dataclass
from typing import cast

import cv2
import numpy as np

from ..colour.arrays import BoolArray, FloatArray, RealArray

SIDE = 240
"""Pixels of the long side at which it is measured."""
MOST_TURNED, STEP = 32, 4
"""Degrees to either side that a piece may lie turned, and between two that are tried."""
STRAIGHT_TO_BEGIN_WITH = 0.0007
"""What a degree of turning has to gain in symmetry: people lay things down straight."""


@dataclass(frozen=True, slots=True, eq=False)
class Hanging:
    """An outline that hangs straight."""

    mask: BoolArray
    """(rows, columns), cut to the outline."""
    middle: float
    """The column round which it is most its own mirror."""
    left: FloatArray
    """(rows,), how far it reaches from the middle to the left; 0 where there is nothing."""
    right: FloatArray
    cloth: FloatArray
    """(rows,), pixels of cloth."""
    mirrored: float
    """How far it is its own mirror image, 0..1."""
    turn: float = 0.0
    """Degrees by which it was turned, to the left."""

    @property
    def height(self) -> int:
        """Pixels from the top to the hem."""
        return self.mask.shape[0]

    def width(self, start: float, end: float) -> float:
        """Pixels from the first cloth to the last, the middle value between two shares of the height."""
        return float(np.median((self.left + self.right)[self._rows(start, end)]))

    def inside(self, start: float, end: float) -> float:
        """Pixels of cloth across, the middle value between two shares of the height."""
        return float(np.median(self.cloth[self._rows(start, end)]))

    def trunk(self) -> FloatArray:
        """(rows,), pixels of the stretch of cloth that holds the middle, without arms that hang beside it; 0 where the
        middle is open."""
        at = min(max(round(self.middle), 0), self.mask.shape[1] - 1)
        open_left = np.maximum.accumulate(np.where(self.mask[:, : at + 1], -1, np.arange(at + 1)), axis=1)[:, -1]
        beyond = self.mask[:, at:][:, ::-1]
        open_right = np.maximum.accumulate(np.where(beyond, -1, np.arange(beyond.shape[1])), axis=1)[:, -1]
        across = (at - open_left) + (beyond.shape[1] - 1 - open_right) - 1
        return np.where(self.mask[:, at], across, 0).astype(float)

    def _rows(self, start: float, end: float) -> slice:
        first = min(int(start * self.height), self.height - 1)
        return slice(first, max(first + 1, int(end * self.height)))


def hanging(mask: BoolArray) -> Hanging:
    """Turns an outline until it is most its own mirror image, and cuts it out. mask: (rows, columns), one pixel at least."""
    small = _small(mask)
    turns = range(-MOST_TURNED, MOST_TURNED + 1, STEP)
    worth = {turn: _mirrored(_turned(small, turn)) - STRAIGHT_TO_BEGIN_WITH * abs(turn) for turn in turns}
    best = max(worth, key=lambda turn: worth[turn])
    straight = _cut(_turned(small, best))
    middle = middle_of(straight)
    columns = np.arange(straight.shape[1])
    left = np.where(straight, middle - columns, 0).max(axis=1)
    right = np.where(straight, columns - middle, 0).max(axis=1)
    return Hanging(straight, middle, left, right, straight.sum(axis=1).astype(float), _mirrored(straight), best)


def hung_straight(picture: RealArray, inside: BoolArray, turn: float, side: int) -> tuple[RealArray, BoolArray]:
    """A picture of a piece and its outline turned likewise and cut to the outline, which has one pixel at least.

    picture: (rows, columns, channels). inside: (rows, columns). side: pixels of the long side of what is turned."""
    rows, columns = np.flatnonzero(inside.any(axis=1)), np.flatnonzero(inside.any(axis=0))
    box = np.s_[rows[0] : rows[-1] + 1, columns[0] : columns[-1] + 1]
    scale = min(1.0, side / max(inside[box].shape))
    size = (max(4, round(inside[box].shape[1] * scale)), max(4, round(inside[box].shape[0] * scale)))
    small = cv2.resize(picture[box].astype(np.float32), size, interpolation=cv2.INTER_AREA)
    mask = cast(BoolArray, cv2.resize(inside[box].astype(np.float32), size, interpolation=cv2.INTER_AREA) > 0.5)
    straight = _turned(mask, turn)
    rows, columns = np.flatnonzero(straight.any(axis=1)), np.flatnonzero(straight.any(axis=0))
    if not len(rows):
        return small, mask
    cut = np.s_[rows[0] : rows[-1] + 1, columns[0] : columns[-1] + 1]
    return _turned_picture(small, turn)[cut], straight[cut]


def _small(mask: BoolArray) -> BoolArray:
    box = _cut(mask)
    scale = SIDE / max(box.shape)
    size = (max(4, round(box.shape[1] * scale)), max(4, round(box.shape[0] * scale)))
    small: BoolArray = cv2.resize(box.astype(np.float32), size, interpolation=cv2.INTER_AREA) > 0.5
    # a chain may be thinner than a pixel of it
    return small if small.any() else cv2.resize(box.astype(np.uint8), size, interpolation=cv2.INTER_NEAREST) > 0


def _turned(mask: BoolArray, degrees: float) -> BoolArray:
    turn, side = _turning(mask.shape, degrees)
    turned: BoolArray = cv2.warpAffine(mask.astype(np.uint8), turn, (side, side), flags=cv2.INTER_NEAREST) > 0
    return turned


def _turned_picture(picture: RealArray, degrees: float) -> RealArray:
    turn, side = _turning(picture.shape, degrees)
    return cast(RealArray, cv2.warpAffine(picture, turn, (side, side), borderMode=cv2.BORDER_REPLICATE))


def _turning(shape: tuple[int, ...], degrees: float) -> tuple[FloatArray, int]:
    """What turns a picture round its middle, and the side of the square that holds it then. shape: (rows, columns, ...)."""
    side = int(np.hypot(shape[0], shape[1])) + 2
    turn = cv2.getRotationMatrix2D(((shape[1] - 1) / 2, (shape[0] - 1) / 2), degrees, 1.0)
    turn[:, 2] += ((side - shape[1]) / 2, (side - shape[0]) / 2)
    return turn, side


def _mirrored(mask: BoolArray) -> float:
    """How far an outline is its own mirror image round its best middle, 0..1."""
    box = _cut(mask)
    middle = middle_of(box)
    flipped = np.zeros_like(box)
    columns = np.arange(box.shape[1])
    other = np.round(2 * middle - columns).astype(int)
    there = (other >= 0) & (other < box.shape[1])
    flipped[:, columns[there]] = box[:, other[there]]
    return float((box & flipped).sum() / max((box | flipped).sum(), 1))


def middle_of(box: BoolArray) -> float:
    """The middle column of its cloth, row by row, weighed by how much cloth a row has."""
    rows = box.any(axis=1)
    first, last = box.argmax(axis=1), box.shape[1] - 1 - box[:, ::-1].argmax(axis=1)
    return float(np.average((first + last)[rows] / 2, weights=box.sum(axis=1)[rows]))


def _cut(mask: BoolArray) -> BoolArray:
    rows, columns = np.flatnonzero(mask.any(axis=1)), np.flatnonzero(mask.any(axis=0))
    return mask[rows[0] : rows[-1] + 1, columns[0] : columns[-1] + 1]
