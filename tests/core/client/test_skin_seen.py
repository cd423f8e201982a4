"""What a camera makes of skin is taken back where a measured card tells of the camera."""

from dataclasses import replace

import numpy as np
from benchmarks.skin_seen import sights

from lucid_swatch.core.client.skin_seen import HIDDEN, as_an_eye_sees
from lucid_swatch.core.colour.difference import delta_e_2000
from lucid_swatch.core.photo.light import UNCORRECTED, Light, LightReference

BARE = Light(LightReference.CARD, np.ones(3), 1.0, 0.01, 0.06)


def corrected(change):
    return replace(BARE, correction=UNCORRECTED + change.reshape(3, 6))


def test_cameras_that_were_never_fitted_see_skin_truer():
    change, seen, true = sights(99, 12)
    found = np.array([as_an_eye_sees(skin, corrected(own)) for skin, own in zip(seen, change, strict=True)])
    before, after = (delta_e_2000(skin, true) for skin in (seen, found))
    fair = true[:, 0] > 60
    assert np.median(after) < 0.58 * np.median(before)
    assert np.median(after[fair]) < 0.45 * np.median(before[fair])


def test_skin_is_left_as_it_was_read_where_nothing_tells_of_the_camera():
    skin = np.array([68.0, 12.0, 16.0])
    assert as_an_eye_sees(skin, BARE) is skin


def test_deep_skin_shows_no_blood_to_correct():
    skin = np.array([HIDDEN, 9.0, 11.0])
    assert np.array_equal(as_an_eye_sees(skin, corrected(np.full(18, 0.2))), skin)
