"""Overexposed channels, restored from what the same cloth shows where the light is weaker."""

import cv2
import numpy as np

from ..colour.arrays import BoolArray, FloatArray, some_of

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
    single, double = mask & (lost_of_three == 1), mask & (lost_of_three == 2)
    if np.count_nonzero(single | double) < LEAST_LOST * np.count_nonzero(mask):
        return rgb_linear
    whole = np.flatnonzero(mask & (lost_of_three == 0))
    # a list of places is gone through sooner than a mask
    pixels = rgb_linear.reshape(-1, 3)
    usable = pixels[some_of(whole, MOST_USED)]
    usable = usable[(usable[:, 0] > 0.01) & (usable[:, 1] > 0.01) & (usable[:, 2] > 0.01)]
    answer = pixels.copy()
    for channel in range(3):
        lost = np.flatnonzero(single & over[..., channel])
        if len(lost) >= LEAST_PIXELS:
            answer[lost, channel] = _restored(usable, pixels.take(lost, axis=0), channel)
    restored = answer[some_of(np.flatnonzero(single), MOST_USED)]
    for left in range(3):
        lost = np.flatnonzero(double & ~over[..., left])
        if len(lost) >= LEAST_PIXELS:
            answer[lost] = _restored_twice(usable, restored, pixels.take(lost, axis=0), left)
    return answer.reshape(rgb_linear.shape)


def _restored(usable: FloatArray, lost: FloatArray, channel: int) -> FloatArray:
    """The channel of the lost pixels, at least what was recorded. usable: (n, 3), lost: (m, 3) to (m,)."""
    recorded = lost[:, channel]
    if len(usable) < LEAST_PIXELS:
        return recorded
    first, second = [c for c in range(3) if c != channel]
    ratio, level = _described(usable[:, first], usable[:, second])
    gain = np.log(usable[:, channel]) - level
    flat = np.ravel_multi_index(_place(ratio, level), TABLE)
    cells = TABLE[0] * TABLE[1]
    total: FloatArray = np.bincount(flat, gain, cells).reshape(TABLE).astype(np.float64)
    held: FloatArray = np.bincount(flat, minlength=cells).reshape(TABLE).astype(np.float64)
    # a clipped pixel is answered by pixels of its own ratio that are up to a stop darker
    total, held = _gathered(total), _gathered(held)
    ratio, level = _described(np.maximum(lost[:, first], 0.01), np.maximum(lost[:, second], 0.01))
    place = _place(ratio, level)
    known = held[place] >= LEAST_PIXELS
    expected = level + total[place] / np.maximum(held[place], 1.0)
    risen = np.clip(expected - np.log(recorded), 0.0, MOST_RESTORED)
    answer: FloatArray = np.where(known, recorded * np.exp(risen), recorded)
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
    return np.log(first / second), 0.5 * np.log(first * second)


def _place(ratio: FloatArray, level: FloatArray) -> tuple[np.ndarray, np.ndarray]:
    row = np.clip(np.rint(ratio / KEY_STEP) + 40, 0, 80).astype(np.intp)
    column = np.clip(np.rint(level / LEVEL_STEP) + 38, 0, 40).astype(np.intp)
    return row, column


def _gathered(table: FloatArray) -> FloatArray:
    padded = np.pad(table, ((1, 1), (4, 0)))
    rows, columns = table.shape
    gathered: FloatArray = sum(
        (padded[r : r + rows, c : c + columns] for r in range(3) for c in range(5)), start=np.zeros_like(table)
    )
    return gathered
