"""Whether two photos are the same picture."""

import cv2
import numpy as np
import pytest

from lucid_swatch.core.photo.likeness import SAME_PICTURE, bits_apart, difference_hash
from tests.pictures import coat_picture

COAT = np.asarray(coat_picture())


@pytest.mark.parametrize(
    "copy",
    [
        cv2.resize(COAT, (160, 200)),
        np.clip(COAT.astype(int) + 12, 0, 255).astype(np.uint8),
        cv2.GaussianBlur(COAT, (5, 5), 1),
    ],
    ids=["smaller", "brighter", "softer"],
)
def test_a_copy_keeps_its_hash(copy):
    assert bits_apart(difference_hash(COAT), difference_hash(copy)) <= SAME_PICTURE


def test_another_picture_has_another():
    rng = np.random.default_rng(2)
    other = cv2.resize(rng.integers(0, 255, (6, 5, 3)).astype(np.uint8), (320, 400))
    assert bits_apart(difference_hash(COAT), difference_hash(other)) > SAME_PICTURE


def test_bits_are_counted():
    assert bits_apart("0000000000000000", "000000000000000f") == 4
    assert len(difference_hash(COAT)) == 16
