"""An unsure outline is looked at once more with room around it, and the better look counts."""

import numpy as np
import pytest

from lucid_swatch.core.problems import Refused
from lucid_swatch.usecases.find_garment import find_garment

PIECE = np.zeros((320, 240), bool)
PIECE[100:320, 60:240] = True
NOISE = np.random.default_rng(3).normal(0, 3, (320, 240, 3))
PHOTO = (np.where(PIECE[..., None], (60, 42, 30), (196, 200, 205)) + NOISE).clip(0, 255).astype(np.uint8)


class Seen:
    """A cut-out that is as sure of the piece as it is told, without room and with it."""

    def __init__(self, *sure):
        self.sure, self.shapes = list(sure), []

    def __call__(self, srgb):
        self.shapes.append(srgb.shape)
        probability = np.zeros(srgb.shape[:2])
        above, beside = (srgb.shape[0] - 320) // 2, (srgb.shape[1] - 240) // 2
        probability[above : above + 320, beside : beside + 240][PIECE] = self.sure.pop(0)
        return probability


def test_a_sure_outline_is_not_searched_again():
    seen = Seen(0.97)
    assert find_garment(PHOTO, seen).confidence > 0.7
    assert len(seen.shapes) == 1


def test_what_runs_out_of_the_picture_is_seen_whole_with_room():
    seen = Seen(0.6, 0.98)
    found = find_garment(PHOTO, seen)
    assert (found.mask & PIECE).sum() / (found.mask | PIECE).sum() > 0.97
    assert found.confidence > 0.9
    assert seen.shapes[1] == (320 + 2 * 48, 240 + 2 * 36, 3)


def test_the_first_look_counts_where_the_second_sees_nothing():
    found = find_garment(PHOTO, Seen(0.7, 0.0))
    assert 0.3 < found.confidence < 0.7
    assert (found.mask & PIECE).sum() > 0.95 * PIECE.sum()


def test_an_empty_photo_is_refused_as_before():
    with pytest.raises(Refused, match="no garment"):
        find_garment(np.full((320, 240, 3), 190, np.uint8), Seen(0.0, 0.0))
