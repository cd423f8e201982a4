"""Overexposed cloth: what a fold tells of the part that is lost."""

import numpy as np
import pytest
from numpy.testing import assert_allclose

from lucid_swatch.core.photo.clipping import restore_clipped

SIDE = 120
SHADE = np.tile(np.linspace(0.5, 1.3, SIDE), (SIDE, 1))[..., None]
WHOLE = np.ones((SIDE, SIDE), bool)


def cloth(reflectance):
    """A cloth that runs from shade into too much light. (SIDE, SIDE, 3), not yet clipped."""
    return np.array(reflectance) * SHADE


@pytest.mark.parametrize("reflectance", [[0.95, 0.6, 0.4], [0.5, 0.6, 0.95], [0.95, 0.9, 0.35]])
def test_lost_channels_come_back_from_the_folds(reflectance):
    true = cloth(reflectance)
    recorded = np.minimum(true, 1.0)
    restored = restore_clipped(recorded, WHOLE)
    lost = (recorded >= 1.0).any(axis=-1)
    assert lost.any()
    off = np.abs(restored - true)[lost].mean()
    assert off < 0.35 * np.abs(recorded - true)[lost].mean()


def test_what_was_recorded_is_never_lowered_nor_touched():
    true = cloth([0.95, 0.6, 0.4])
    recorded = np.minimum(true, 1.0)
    restored = restore_clipped(recorded, WHOLE)
    assert (restored >= recorded - 1e-12).all()
    shown = (recorded < 0.9).all(axis=-1)
    assert_allclose(restored[shown], recorded[shown])


def test_a_photo_without_clipping_is_given_back():
    recorded = cloth([0.5, 0.4, 0.3])
    assert restore_clipped(recorded, WHOLE) is recorded


def test_white_that_is_lost_altogether_stays_white():
    recorded = np.ones((SIDE, SIDE, 3))
    assert_allclose(restore_clipped(recorded, WHOLE), 1.0)


def test_nothing_outside_the_garment_is_changed():
    recorded = np.minimum(cloth([0.95, 0.6, 0.4]), 1.0)
    inside = WHOLE.copy()
    inside[:, : SIDE // 2] = False
    restored = restore_clipped(recorded, inside)
    assert_allclose(restored[:, : SIDE // 2], recorded[:, : SIDE // 2])
