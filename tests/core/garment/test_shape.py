"""Outlines: whether two are the same."""

import cv2
import numpy as np

from lucid_swatch.core.garment.shape import overlaps, signature


def drawn(*polygons, size=(400, 300)):
    """A mask with some polygons, in fractions of width and height."""
    mask = np.zeros(size, np.uint8)
    for polygon in polygons:
        cv2.fillPoly(mask, [np.rint(np.array(polygon) * [size[1], size[0]]).astype(np.int32)], 1)
    return mask > 0


TROUSERS = [
    (0.32, 0.05),
    (0.68, 0.05),
    (0.76, 0.4),
    (0.72, 0.95),
    (0.54, 0.95),
    (0.5, 0.42),
    (0.46, 0.95),
    (0.28, 0.95),
    (0.24, 0.4),
]
SHORTS = [(0.3, 0.3), (0.7, 0.3), (0.8, 0.75), (0.53, 0.75), (0.5, 0.58), (0.47, 0.75), (0.2, 0.75)]
SKIRT = [(0.37, 0.2), (0.63, 0.2), (0.75, 0.8), (0.25, 0.8)]
SHIRT = [
    (0.35, 0.2),
    (0.65, 0.2),
    (0.9, 0.5),
    (0.8, 0.55),
    (0.68, 0.4),
    (0.68, 0.8),
    (0.32, 0.8),
    (0.32, 0.4),
    (0.2, 0.55),
    (0.1, 0.5),
]
SHOES = ([(0.2, 0.3), (0.35, 0.3), (0.38, 0.8), (0.18, 0.8)], [(0.6, 0.3), (0.75, 0.3), (0.78, 0.8), (0.58, 0.8)])


def test_a_shape_covers_itself_wherever_it_lies():
    moved = np.roll(drawn(SKIRT), (20, -15), axis=(0, 1))
    others = [moved, drawn(SKIRT, size=(800, 600)), drawn(SHIRT), drawn(TROUSERS)]
    found = overlaps([signature(drawn(SKIRT))], [signature(one) for one in others])[0]
    assert found[0] > 0.97
    assert found[1] > 0.95
    assert found[2] < 0.86
    assert found[3] == 0.0


def test_many_are_compared_as_two_are():
    told = [signature(drawn(one)) for one in (SKIRT, SHIRT, TROUSERS, SHORTS)]
    together = overlaps(told, told)
    assert np.array_equal(together, [[overlaps([one], [other])[0, 0] for other in told] for one in told])
    assert overlaps([], told).shape == (0, 4)
    assert overlaps(told, []).shape == (4, 0)
