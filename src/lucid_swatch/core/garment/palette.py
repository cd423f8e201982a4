"""The few true colours of a cloth, with the folds, the shine and the blended edges discounted."""

from dataclasses import dataclass

import cv2
import numpy as np

from ..beside import beside
from ..colour.arrays import BoolArray, FloatArray, IntArray, LabelArray, some_of
from ..colour.difference import delta_e_2000
from ..colour.spaces import like, rgb_linear_to_lab

LEAST_SHARE = 0.03
"""A colour below this share of the garment is not reported."""

SAME_COLOUR = 6.0
"""CIEDE2000, lightness counted half, below which a person calls two shades one colour."""

LIGHTNESS_WEIGHT = 0.55
"""How much lightness counts beside chromaticity while grouping: folds move it, cloth does not."""

SHADES = 14
SAMPLE = 16_000
SHADES_OF = 3_000
"""Pixels in which the shades are found."""
MIDDLE_OF = 2_000
"""Pixels from which a median is taken while grouping."""
MIDDLES_OF = 60_000
"""Pixels of all colours together, from which the middle of each is taken."""
LIT_QUANTILE = 0.68
"""Lightness is read above the middle of a colour's pixels: folds darken more cloth than they brighten."""
TAIL_WEIGHT = 0.35
"""How far the quantile moves away from the longer tail."""


@dataclass(frozen=True, slots=True, eq=False)
class Palette:
    """The measured colours, largest share first."""

    lab: FloatArray
    """(n, 3)."""
    share: FloatArray
    """(n,), sums to 1."""
    spread: FloatArray
    """(n,), CIEDE2000: how far the middle half of a colour's pixels lies from its centre."""
    labels: LabelArray
    """(rows, columns): the colour of each pixel, -1 outside the garment."""


def read_palette(rgb_linear: FloatArray, mask: BoolArray, seed: int = 0, sample: int = SAMPLE) -> Palette:
    """The colours of the cloth inside a mask.

    rgb_linear: (rows, columns, 3), already relit. mask: (rows, columns), at least one pixel. sample: pixels from which
    the colours are found. Returns at least one colour."""
    inside = _inner(mask)
    lab_picture = rgb_linear_to_lab(_calmed(rgb_linear))
    # a list of places is gone through sooner than a mask, once more for every picture
    pixels = np.flatnonzero(inside)
    edge = beside(lambda: _edge_strength(lab_picture).ravel().take(pixels))
    lab = lab_picture.reshape(-1, 3).take(pixels, axis=0)
    feature = shading_free(lab)
    rng = np.random.default_rng(seed)
    chosen = _flat_sample(edge(), sample, rng)
    shades = _shades(feature[chosen], seed)
    group = _merged(feature[chosen], lab[chosen], shades)
    centres = np.array([_middle(feature[chosen[group == g]]) for g in range(group.max() + 1)])
    every = _nearest(feature, centres)
    large = _large_enough(every, len(centres))
    if len(large) < len(centres):
        centres = centres[large]
        every = _nearest(feature, centres)
    every = _without_shading(lab_picture, lab, inside, every, len(centres))
    every = _without_blends(rgb_linear.reshape(-1, 3), pixels, inside, every)
    return _measured(lab, every, np.sort(chosen), inside)


def run_length(labels: LabelArray) -> float:
    """Typical run of one colour in pixels: four fifths of twice the area over the length of the borders.

    labels: (rows, columns), the colour of each pixel, -1 outside."""
    inside = labels >= 0
    across = (labels[:, 1:] != labels[:, :-1]) & inside[:, 1:] & inside[:, :-1]
    down = (labels[1:] != labels[:-1]) & inside[1:] & inside[:-1]
    borders = max(int(across.sum() + down.sum()), 1)
    return 1.6 * float(inside.sum()) / borders


def shading_free(lab: FloatArray) -> FloatArray:
    """Coordinates in which a fold moves a colour along one axis only.

    A fold scales light; X, Y and Z scale together, so a*/(L* + 16) and b*/(L* + 16) stay as they are.
    (..., 3) to (..., 3): weighted lightness and the two chromaticities, near CIELAB units at L* 50."""
    level = np.maximum(lab[..., 0], 2.0) + 16.0
    scale = 66.0 / level
    return np.stack([LIGHTNESS_WEIGHT * lab[..., 0], lab[..., 1] * scale, lab[..., 2] * scale], axis=-1)


def _inner(mask: BoolArray) -> BoolArray:
    """The mask without its rim, which is mixed with what lies behind."""
    depth = max(1, round(0.006 * np.sqrt(mask.sum())))
    inner = cv2.erode(mask.astype(np.uint8), np.ones((2 * depth + 1, 2 * depth + 1), np.uint8), borderValue=0) > 0
    return inner if inner.sum() > 0.3 * mask.sum() else mask


def _calmed(rgb_linear: FloatArray) -> FloatArray:
    """A little less noise of sensor and weave; motifs keep their size."""
    calm: FloatArray = cv2.GaussianBlur(rgb_linear.astype(np.float32, copy=False), (3, 3), 0.7)
    return np.maximum(calm, np.float32(0.0))


def _edge_strength(lab: FloatArray) -> FloatArray:
    """Largest change of colour across a pixel, CIELAB units. (rows, columns, 3) to (rows, columns)."""
    picture = lab.astype(np.float32, copy=False)
    across = cv2.Sobel(picture, cv2.CV_32F, 1, 0, ksize=3, scale=1 / 8)
    down = cv2.Sobel(picture, cv2.CV_32F, 0, 1, ksize=3, scale=1 / 8)
    # three channels are added up so many times sooner than short rows are summed
    squared = cv2.transform(cv2.accumulateSquare(down, cv2.multiply(across, across)), np.ones((1, 3), np.float32))
    return np.sqrt(squared)


def _middle(values: FloatArray) -> FloatArray:
    """The median of some thousand of many. (n, channels) to (channels,)."""
    # short columns are sorted several times sooner than numpy prepares for their median
    columns = np.sort(np.ascontiguousarray(some_of(values, MIDDLE_OF).T))
    half = (columns.shape[1] - 1) // 2, columns.shape[1] // 2
    middle: FloatArray = columns[:, half].mean(axis=1).astype(np.float64)
    return middle


def _middles(values: FloatArray, labels: LabelArray, count: int, places: IntArray | None = None) -> FloatArray:
    """The middle of each colour.

    values: (n, channels). labels: (n,), below count; where places are given, of the values at those. Returns
    (count, channels)."""
    every = max(1, len(labels) // MIDDLES_OF)
    few = np.ascontiguousarray(labels[::every])
    own = [np.flatnonzero(few == k) * every for k in range(count)]
    # a colour that is hardly there is looked for everywhere
    own = [o if len(o) >= LEAST_OF_MIDDLE else np.flatnonzero(labels == k) for k, o in enumerate(own)]
    own = [some_of(o, MIDDLE_OF) for o in own]
    return np.array([_middle(values[o if places is None else places[o]]) for o in own])


LEAST_OF_MIDDLE = 100
"""Pixels of a colour."""


def _flat_sample(edge: FloatArray, sample: int, rng: np.random.Generator) -> IntArray:
    """Pixels that are one colour rather than the blend at an edge."""
    limit = max(4.0, float(np.quantile(some_of(edge, MIDDLES_OF), 0.5)))
    flat = np.flatnonzero(edge <= limit)
    if len(flat) > sample:
        flat = rng.choice(flat, sample, replace=False)
    return flat


def _shades(feature: FloatArray, seed: int) -> LabelArray:
    few = some_of(feature, SHADES_OF).astype(np.float32)
    # as one number each: rows are told apart much more slowly
    count = min(SHADES, len(np.unique(np.rint(few * 10) @ np.array([1e8, 1e4, 1.0]))))
    criteria = (cv2.TERM_CRITERIA_EPS + cv2.TERM_CRITERIA_MAX_ITER, 60, 0.05)
    cv2.setRNGSeed(seed + 1)
    _, _, centres = cv2.kmeans(few, min(count, len(few)), None, criteria, 2, cv2.KMEANS_PP_CENTERS)
    return _nearest(feature, centres.astype(np.float64))


def _merged(feature: FloatArray, lab: FloatArray, shades: LabelArray) -> IntArray:
    """Joins shades that a person would call one colour, the closest pair first."""
    own = [np.flatnonzero(shades == shade) for shade in np.flatnonzero(np.bincount(shades))]
    centres = [_middle(lab[pixels]) for pixels in own]
    middle = [_middle(feature[pixels]) for pixels in own]
    while (pair := _one_colour(feature, own, centres, middle)) is not None:
        a, b = pair
        own[a] = np.sort(np.concatenate([own[a], own[b]]), kind="stable")
        centres[a], middle[a] = _middle(lab[own[a]]), _middle(feature[own[a]])
        for values in (own, centres, middle):
            del values[b]
    group = np.empty(len(shades), dtype=np.intp)
    for g, pixels in enumerate(own):
        group[pixels] = g
    return group


def _one_colour(
    feature: FloatArray, own: list[IntArray], centres: list[FloatArray], middle: list[FloatArray]
) -> tuple[int, int] | None:
    """The closest two shades that are one colour; None when all are different.

    own: the pixels of each shade; centres, middle: their CIELAB and their shading-free colour."""
    if len(own) < 2:
        return None
    first, second = np.triu_indices(len(own), 1)
    at = np.array(centres)
    difference = delta_e_2000(at[first], at[second], lightness_weight=2.0)
    for pair in np.argsort(difference):
        a, b = int(first[pair]), int(second[pair])
        if difference[pair] < SAME_COLOUR or _one_fold(feature, own[a], own[b], middle[b] - middle[a], middle[a]):
            return a, b
    return None


def _one_fold(feature: FloatArray, first: IntArray, second: IntArray, line: FloatArray, start: FloatArray) -> bool:
    """True when two shades run into each other without a gap, as the sides of a fold do.

    first, second: their pixels. line: from the middle of the first, start, to that of the second."""
    length = float(np.linalg.norm(line))
    chromaticity_step = float(np.linalg.norm(line[1:]))
    if chromaticity_step > 9.0 or length > 30.0:
        return False
    both = feature[np.concatenate([first, second])]
    along = (both - start) @ line / length**2
    density, _ = np.histogram(along, bins=np.linspace(-0.5, 1.5, 17))
    smooth = np.convolve(density, [0.25, 0.5, 0.25], mode="same")
    valley = smooth[5:11].min()
    peaks = min(smooth[:7].max(), smooth[9:].max())
    return bool(valley > 0.55 * peaks)


def _nearest(feature: FloatArray, centres: FloatArray) -> LabelArray:
    """The nearest centre of each pixel. (n, 3) and (k, 3) to (n,), k below 128."""
    # the square of the feature is the same for every centre and may stay out of the comparison; going through the few
    # centres is sooner done than through as many short rows as there are pixels
    twice, square = like(2 * centres, feature), like((centres**2).sum(axis=1, keepdims=True), feature)
    nearest = np.zeros(len(feature), dtype=np.int8)
    for start in range(0, len(feature), BLOCK):
        answer = nearest[start : start + BLOCK]
        best, *others = twice @ feature[start : start + BLOCK].T - square
        for k, nearness in enumerate(others, start=1):
            np.copyto(answer, k, where=nearness > best)
            np.maximum(best, nearness, out=best)
    return nearest


BLOCK = 1 << 15
"""Pixels that are worked on at a time: what fits into the cache of a core."""


SOFT_BORDER = 0.5
"""Change across a pixel, as a part of the difference between two shades, below which light made the border."""
MOST_BORDERS = 40_000
"""Places at which the change of colour is looked at."""
BORDERS_OF = 400_000
"""Pixels of the picture in which they are looked for."""
OWN_BORDER = 0.25
"""Part of the border of a fold or a highlight that is with its own cloth, at least."""


def _without_shading(
    lab_picture: FloatArray, lab: FloatArray, inside: BoolArray, labels: LabelArray, count: int
) -> LabelArray:
    """Joins what only light divides: a fold or a highlight runs softly into the cloth, a dye ends sharply.

    lab_picture: (rows, columns, 3). inside: its pixels that lab, (n, 3), and labels, (n,), stand for.
    Returns (n,), renumbered."""
    picture = np.full(inside.shape, -1, dtype=np.int8)
    picture[inside] = labels
    middle = _middles(lab, labels, count)
    share = _counts(labels, count) / len(labels)
    low, high, step = _borders(lab_picture, picture)
    merged = np.arange(count)
    for small in np.argsort(share):
        length = np.count_nonzero((low == small) | (high == small))
        for large in np.argsort(-share):
            if large == small or share[large] < share[small] or not _one_hue(middle[large], middle[small]):
                continue
            steps = step[(low == min(small, large)) & (high == max(small, large))]
            if len(steps) < max(40, OWN_BORDER * length):
                continue
            if np.median(steps) < SOFT_BORDER * np.linalg.norm(middle[large] - middle[small]):
                merged[small] = large
                break
    while (merged[merged] != merged).any():
        merged = merged[merged]
    return _renumbered(merged)[labels]


def _renumbered(merged: IntArray) -> LabelArray:
    """Numbers without gaps for the colours that are left. merged: (n,), the colour that each has become."""
    numbers = np.searchsorted(np.unique(merged), merged)
    return numbers.astype(np.int8)


THIN = 0.16
"""A colour of which less than this lies more than a pixel inside its own areas is only an edge."""


def _without_blends(rgb_linear: FloatArray, pixels: IntArray, inside: BoolArray, labels: LabelArray) -> LabelArray:
    """Gives to their neighbours the colours that are only the blurred edge between two others.

    rgb_linear: (rows * columns, 3). pixels: (n,), which of them labels, (n,), stand for. inside: (rows, columns), the
    same as a mask. Returns (n,), renumbered."""
    count = int(labels.max()) + 1
    if count < 3:
        return labels
    picture = np.full(inside.shape, -1, dtype=np.int8)
    picture[inside] = labels
    light = _middles(rgb_linear, labels, count, pixels)
    kept = np.ones(count, dtype=bool)
    for k in np.argsort(_counts(labels, count)):
        own = (picture == k).astype(np.uint8)
        core = cv2.erode(own, np.ones((3, 3), np.uint8))
        others = [j for j in range(count) if j != k and kept[j]]
        thin = cv2.countNonZero(core) < THIN * cv2.countNonZero(own)
        if thin and len(others) > 1 and _between(light, k, others):
            kept[k] = False
    if kept.all():
        return labels
    lost = np.flatnonzero(~kept[labels])
    lab = rgb_linear_to_lab(rgb_linear.take(pixels[lost], axis=0)[None])[0]
    centres = rgb_linear_to_lab(light[kept])
    answer = (np.cumsum(kept) - 1).astype(np.int8)[labels]
    answer[lost] = _nearest(shading_free(lab), shading_free(centres))
    return answer


def _between(light: FloatArray, k: int, others: list[int]) -> bool:
    """Whether the light of one colour is a mixture of the light of two others."""
    for i, a in enumerate(others):
        for b in others[i + 1 :]:
            line = light[b] - light[a]
            along = float((light[k] - light[a]) @ line / max(float(line @ line), 1e-9))
            off = rgb_linear_to_lab(light[a] + np.clip(along, 0, 1) * line) - rgb_linear_to_lab(light[k])
            if 0.12 < along < 0.88 and np.linalg.norm(off) < 9.0:
                return True
    return False


def _one_hue(cloth: FloatArray, shade: FloatArray) -> bool:
    """Whether a shade can be the cloth in other light: of its hue or greyer, a highlight paler, a shadow darker."""
    along = np.array([cloth[0] + 16, cloth[1], cloth[2]])
    strength = float(np.hypot(cloth[1], cloth[2]))
    expected = along * (shade[0] + 16) / (cloth[0] + 16)
    off = np.array([shade[1], shade[2]]) - expected[1:]
    if strength < 6:
        return bool(np.hypot(*off) < 7)
    direction = cloth[1:] / strength
    beside = abs(float(off @ np.array([-direction[1], direction[0]])))
    more = float(off @ direction)
    return beside < 7 and more < 7 and (more > -8 or shade[0] > cloth[0])


def _borders(lab_picture: FloatArray, picture: LabelArray) -> tuple[LabelArray, LabelArray, FloatArray]:
    """The places where two shades meet.

    picture: (rows, columns), the shade of each pixel, -1 outside. Returns the lower and the higher number of the two
    shades, and the change of colour from a pixel before the border to a pixel behind it, CIELAB units, each (k,)."""
    colours, labels = lab_picture.reshape(-1, 3), picture.ravel()
    rows, columns = picture.shape
    # a large picture has more borders than a median needs in some of its rows
    some = max(1, picture.size // BORDERS_OF)
    met = [
        (1, _met([picture[:rows:some, k : columns - 3 + k] for k in range(4)], some * columns)),
        (columns, _met([picture[k : rows - 3 + k : some] for k in range(4)], some * columns)),
    ]
    # where motifs are fine there are still too many; as many of either direction
    every = max(1, sum(len(places) for _, places in met) // MOST_BORDERS)
    low, high, steps = [], [], []
    for apart, places in met:
        first = places[::every]
        one, other = labels[first + apart], labels[first + 2 * apart]
        low.append(np.minimum(one, other))
        high.append(np.maximum(one, other))
        change = colours[first] - colours[first + 3 * apart]
        steps.append(np.sqrt(np.einsum("ij,ij->i", change, change)))
    return np.concatenate(low), np.concatenate(high), np.concatenate(steps)


def _met(four: list[LabelArray], apart: int) -> IntArray:
    """The first of four pixels in a row of which the middle two are two shades, as places in a picture in which so many
    pixels lie from one of the rows to the next. four: each (rows, columns). Returns (n,)."""
    before, left, right, behind = four
    meet = (left != right) & (left >= 0) & (right >= 0) & (before >= 0) & (behind >= 0)
    row, column = np.divmod(np.flatnonzero(meet), meet.shape[1])
    return row * apart + column


def _counts(labels: LabelArray, count: int) -> IntArray:
    """How many pixels each colour has. labels: (n,), below count. Returns (count,)."""
    # few labels are compared sooner than they are made numbers to count by
    return np.array([np.count_nonzero(labels == k) for k in range(count)])


def _large_enough(labels: LabelArray, count: int) -> IntArray:
    share = _counts(labels, count) / len(labels)
    kept = np.flatnonzero(share >= LEAST_SHARE)
    return kept if len(kept) else np.array([share.argmax()])


def _measured(lab: FloatArray, labels: LabelArray, flat: IntArray, inside: BoolArray) -> Palette:
    """lab: (n, 3), of the pixels inside. labels: (n,), their colours. flat: (k,), those that are no blend."""
    centres, spreads, shares, old = [], [], [], []
    counts = _counts(labels, int(labels.max()) + 1)
    for index in np.flatnonzero(counts):
        own = flat[labels[flat] == index]
        pixels = lab[own] if len(own) >= 20 else lab[labels == index]
        centre = _cloth_colour(pixels)
        centres.append(centre)
        spreads.append(float(np.median(delta_e_2000(some_of(pixels, 500), centre))))
        shares.append(counts[index] / len(labels))
        old.append(index)
    order = np.argsort(shares)[::-1]
    rename = np.zeros(max(old) + 1, dtype=np.int8)
    rename[np.array(old)[order]] = np.arange(len(order))
    picture = np.full(inside.shape, -1, dtype=np.int8)
    picture[inside] = rename[labels]
    share = np.array(shares)[order]
    return Palette(np.array(centres)[order], share / share.sum(), np.array(spreads)[order], picture)


def _cloth_colour(lab: FloatArray) -> FloatArray:
    """The colour of the well-lit part: shine and deep shadow trimmed, chromaticity at its middle."""
    feature = shading_free(lab)
    low, middle, high = np.quantile(lab[:, 0], [0.1, 0.5, 0.9])
    # folds leave a tail of dark pixels, shine one of bright ones: the cloth is on the other side
    tail = float((high + low - 2 * middle) / max(high - low, 1.0))
    lightness = float(np.quantile(lab[:, 0], np.clip(LIT_QUANTILE - TAIL_WEIGHT * tail, 0.35, 0.85)))
    lightness = min(lightness, 100.0)
    scale = (max(lightness, 2.0) + 16.0) / 66.0
    return np.array([lightness, np.median(feature[:, 1]) * scale, np.median(feature[:, 2]) * scale])
