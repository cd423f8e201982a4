"""Windows cut from a photo show what they stand for."""

import numpy as np
import pytest

from lucid_swatch.core.garment.crop import cloth_window, colour_window


@pytest.fixture
def labels():
    """A garment of two colours with a button, outside marked -1."""
    picture = np.full((300, 200), -1)
    picture[40:260, 30:170] = 0
    picture[180:260, 30:170] = 1
    picture[100:106, 90:96] = 1
    return picture


def flat(labels, lightness):
    """CIELAB of grey cloth, (rows, columns, 3)."""
    lab = np.zeros((*labels.shape, 3))
    lab[..., 0] = lightness
    return lab


def test_a_colour_is_cut_from_its_own_area(labels):
    for colour in (0, 1):
        window = colour_window(labels, flat(labels, 50.0), colour)
        assert (window.cut(labels) == colour).mean() > 0.9
        assert window.height >= 52


def test_plain_cloth_is_cut_without_button_or_shade(labels):
    lab = flat(labels, 50.0)
    lab[40:90, :, 0] = 20.0
    window = cloth_window(labels, lab, True, 0.6)
    assert (window.cut(labels) == 0).all()
    assert (window.cut(lab)[..., 0] == 50).all()


@pytest.mark.parametrize("seen", [(50.0, 12.0, 25.0), (94.0, 0.0, -20.0)], ids=["wood", "wall"])
def test_what_an_outline_missed_between_two_legs_is_not_cut(labels, seen):
    legs = np.where(labels >= 0, 0, -1)
    folds = np.arange(len(legs))[:, None] % 16 == 0
    lab = flat(legs, np.where(folds, 34.0, 50.0))
    lab[..., 2] = -30.0
    lab[130:, 97:102] = seen
    for window in (cloth_window(legs, lab, True, 0.6), colour_window(legs, lab, 0)):
        assert (window.cut(lab)[..., 2] == -30).all()
        assert window.height > 50


def test_a_print_is_cut_across_its_colours(labels):
    window = cloth_window(labels, flat(labels, 50.0), False, 0.6)
    assert set(np.unique(window.cut(labels))) == {0, 1}


def test_what_is_too_thin_or_not_there_is_still_answered():
    line = np.full((100, 100), -1)
    line[50, 10:90] = 0
    assert cloth_window(line, flat(line, 50.0), True, 0.6) is None
    assert colour_window(line, flat(line, 50.0), 0).height >= 1
    assert cloth_window(np.full((50, 50), -1), np.zeros((50, 50, 3)), True, 0.6) is None


def test_mingled_threads_are_cut_as_they_lie():
    mingled = np.random.default_rng(1).integers(0, 2, (200, 160))
    window = cloth_window(mingled, flat(mingled, np.where(mingled, 60.0, 40.0)), True, 0.6)
    assert window.height > 60
