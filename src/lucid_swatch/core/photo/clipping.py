"""Overexposed channels, restored from what the same cloth shows where the light is weaker."""

import cv2
import numpy as np

from ..colour.arrays import BoolArray, FloatArray, IntArray, some_of

CLIPPED = 0.93
"""Linear light above which a channel may have lost something; JPEG blurs the exact limit."""
LEAST_LOST = 0.002
"""Of the garment, below which nothing is restored."""
MOST_USED = 80_000
"""Pixels from which the ratios are read, to within twice as many."""
LEAST_PIXELS = 40
"""That tell a ratio, or are worth restoring."""
KEY_STEP, LEVEL_STEP = 0.05, 0.2
TABLE = (81, 41)
NEAR_LIMIT = 0.6
MOST_RESTORED = 0.6
"""Natural logarithm of the largest gain that is believed."""


def restore_clipped(rgb_linear: FloatArray, mask: BoolArray) -> FloatArray:
    """The photo with the overexposed channels of a garment restored, where one or two of the three are lost.

    rgb_linear: (rows, columns, 3), as shot. mask: (rows, columns). Folds scale light, so the ratio of a channel to the
    other two is the same in a fold as beside it: it is read where nothing is clipped, from pixels that share the ratio
    of the other two. Answers values above 1 where light was lost. After Zhang and Brainard 2004, JOSA A 21(12)."""
    over = rgb_linear > CLIPPED
    # channels are added up several times sooner than short rows are summed
    lost_of_three = cv2.transform(over.view(np.uint8), np.ones((1, 3), np.float32))
    lost = np.flatnonzero(mask & ((lost_of_three == 1) | (lost_of_three == 2)))
    if len(lost) < LEAST_LOST * np.count_nonzero(mask):
        return rgb_linear
    pixels = rgb_linear.reshape(-1, 3)
    usable = pixels.take(some_of(np.flatnonzero(mask & (lost_of_three == 0)), MOST_USED), axis=0)
    usable = usable[(usable[:, 0] > LEAST_LIGHT) & (usable[:, 1] > LEAST_LIGHT) & (usable[:, 2] > LEAST_LIGHT)]
    recorded = pixels.take(lost, axis=0)
    clipped, twice = recorded > CLIPPED, lost_of_three.ravel().take(lost) == 2
    restored, known = recorded.copy(), _logarithms(usable)
    for channel in range(3):
        own = np.flatnonzero(clipped[:, channel] & ~twice)
        if len(own) >= LEAST_PIXELS:
            restored[own, channel] = _restored(known, recorded.take(own, axis=0), channel)
    once = restored.take(some_of(np.flatnonzero(~twice), MOST_USED), axis=0)
    for left in range(3):
        own = np.flatnonzero(~clipped[:, left] & twice)
        if len(own) >= LEAST_PIXELS:
            restored[own] = _restored_twice(usable, once, recorded.take(own, axis=0), left)
    answer = pixels.copy()
    answer[lost] = restored
    return answer.reshape(rgb_linear.shape)


LEAST_LIGHT = 0.01
"""Linear light below which a ratio is noise."""


def _logarithms(rgb: FloatArray) -> FloatArray:
    """Of the light of each channel. (n, 3) to (3, n): a channel after the other is gone through sooner."""
    return np.log(np.maximum(np.ascontiguousarray(rgb.T), np.float32(LEAST_LIGHT)))


def _restored(known: FloatArray, lost: FloatArray, channel: int) -> FloatArray:
    """The channel of the lost pixels, at least what was recorded. known: (3, n), logarithms. lost: (m, 3) to (m,)."""
    recorded = lost[:, channel]
    if known.shape[1] < LEAST_PIXELS:
        return recorded
    first, second = [c for c in range(3) if c != channel]
    ratio, level = _described(known[first], known[second])
    place, cells = _place(ratio, level), TABLE[0] * TABLE[1]
    # a clipped pixel is answered by pixels of its own ratio that are up to a stop darker
    total = _gathered(np.bincount(place, known[channel] - level, cells).reshape(TABLE).astype(np.float64))
    held = _gathered(np.bincount(place, minlength=cells).reshape(TABLE).astype(np.float64))
    gain = np.where(held >= LEAST_PIXELS, total / np.maximum(held, 1.0), -np.inf).astype(known.dtype)
    seen = _logarithms(lost)
    ratio, level = _described(seen[first], seen[second])
    risen = np.clip(level + gain.ravel().take(_place(ratio, level)) - seen[channel], 0.0, MOST_RESTORED)
    answer: FloatArray = recorded * np.exp(risen)
    return answer


def _restored_twice(usable: FloatArray, single: FloatArray, lost: FloatArray, left: int) -> FloatArray:
    """Pixels of which one channel is left, restored by the ratio of the least exposed pixels that show all three.

    usable, single: (n, 3), unclipped or restored. lost: (m, 3). The pixels just below the limit are the nearest to
    the same cloth."""
    known = np.concatenate([usable, single])
    first, second = [c for c in range(3) if c != left]
    close = known[(known[:, first] > NEAR_LIMIT * CLIPPED) & (known[:, second] > NEAR_LIMIT * CLIPPED)]
    if len(close) < LEAST_PIXELS:
        return lost
    answer = lost.copy()
    for channel in (first, second):
        ratio = float(np.median(close[:, channel] / np.maximum(close[:, left], 0.01)))
        most = lost[:, channel] * np.exp(MOST_RESTORED)
        answer[:, channel] = np.clip(lost[:, left] * ratio, lost[:, channel], most)
    return answer


def _described(first: FloatArray, second: FloatArray) -> tuple[FloatArray, FloatArray]:
    """Ratio and level of two channels, all of them logarithms."""
    return first - second, 0.5 * (first + second)


def _place(ratio: FloatArray, level: FloatArray) -> IntArray:
    """The cell of a table of ratios and levels. (n,) and (n,) to (n,)."""
    row = np.clip(np.rint(ratio / KEY_STEP) + 40, 0, TABLE[0] - 1)
    column = np.clip(np.rint(level / LEVEL_STEP) + 38, 0, TABLE[1] - 1)
    return (row * TABLE[1] + column).astype(np.intp)


def _gathered(table: FloatArray) -> FloatArray:
    padded = np.pad(table, ((1, 1), (4, 0)))
    rows, columns = table.shape
    gathered: FloatArray = sum(
        (padded[r : r + rows, c : c + columns] for r in range(3) for c in range(5)), start=np.zeros_like(table)
    )
    return gathered
