"""The light of a scene whose light is known."""

import numpy as np
import pytest
from numpy.testing import assert_allclose

from lucid_swatch.core.colour.spaces import lab_to_rgb_linear, rgb_linear_to_lab
from lucid_swatch.core.photo.light import Light, LightReference, light_doubt, relit, root_polynomial
from lucid_swatch.core.photo.neutral import NeutralPoint, light_from_neutral
from lucid_swatch.core.photo.scene_light import background_estimates, estimate_light
from lucid_swatch.core.problems import Refused

LAMP = np.array([1.25, 1.0, 0.7])
CLOTH = np.array([40.0, 20.0, -30.0])


def scene(wall=(88.0, 0.0, 0.0), exposure=1.1, cloth=CLOTH):
    """A cloth before a wall with a grey card in a corner, under a lamp."""
    picture = np.tile(lab_to_rgb_linear(np.array(wall)), (120, 100, 1))
    picture[30:90, 30:70] = lab_to_rgb_linear(np.asarray(cloth))
    picture[100:115, 5:20] = lab_to_rgb_linear(np.array([50.0, 0, 0]))
    mask = np.zeros((120, 100), bool)
    mask[30:90, 30:70] = True
    return np.clip(picture * LAMP * exposure, 0, 1), mask


def test_a_card_gives_the_cloth_back():
    picture, mask = scene()
    light = light_from_neutral(picture, mask, NeutralPoint(0.12, 0.9, 50.0))
    assert light.reference is LightReference.NEUTRAL
    assert_allclose(light.rgb, LAMP, atol=0.02)
    assert light.exposure == pytest.approx(1.1, abs=0.05)
    found = rgb_linear_to_lab(relit(picture, light)[mask].mean(axis=0))
    assert_allclose(found, CLOTH, atol=3.0)  # adaptation moves strong colours a little


def test_a_bright_wall_is_believed_and_a_red_one_is_not():
    picture, mask = scene(wall=(85.0, 0.0, 0.0), exposure=1.0)
    assert_allclose(estimate_light(picture, mask).rgb, LAMP, atol=0.08)
    red, mask = scene(wall=(45.0, 50.0, 30.0), exposure=1.0)
    assert np.abs(estimate_light(red, mask).rgb - LAMP).max() < 0.5


def test_the_garment_itself_never_tells_the_light():
    blue, mask = scene(cloth=[40, 20, -50])
    green, _ = scene(cloth=[40, -40, 20])
    assert_allclose(estimate_light(blue, mask).rgb, estimate_light(green, mask).rgb, atol=1e-9)


def test_an_estimate_is_less_certain_than_a_card():
    picture, mask = scene()
    card = light_from_neutral(picture, mask, NeutralPoint(0.12, 0.9, 50.0))
    assert estimate_light(picture, mask).uncertainty > card.uncertainty


@pytest.mark.parametrize(
    ("point", "says"),
    [(NeutralPoint(1.4, 0.5), "outside the photo"), (NeutralPoint(0.5, 0.5, 120.0), "cannot be a neutral")],
)
def test_an_impossible_neutral_is_refused(point, says):
    picture, mask = scene()
    with pytest.raises(Refused, match=says):
        light_from_neutral(picture, mask, point)


def test_black_tells_no_light():
    with pytest.raises(Refused, match="too dark"):
        light_from_neutral(np.zeros((100, 100, 3)), np.zeros((100, 100), bool), NeutralPoint(0.5, 0.5))


def test_doubt_is_that_of_the_colour():
    """A black hardly feels a wrong exposure, and a doubtful lamp adds to it."""
    light = Light(LightReference.ESTIMATED, np.ones(3), 1.0, 0.0, 0.25)
    black, grey = light_doubt(np.array([[6.0, 0, 0], [55.0, 0, 0]]), light)
    assert black < 0.5 * grey
    both = Light(LightReference.ESTIMATED, np.ones(3), 1.0, 0.1, 0.25)
    assert light_doubt(np.array([[55.0, 0, 0]]), both)[0] > grey


def test_a_believed_white_wall_tells_the_exposure_too():
    dark, mask = scene(wall=(90.0, 0.0, 2.0), exposure=0.95)
    bright, _ = scene(wall=(90.0, 0.0, 2.0), exposure=1.15)
    assert estimate_light(bright, mask).exposure > estimate_light(dark, mask).exposure
    wood, _ = scene(wall=(55.0, 14.0, 30.0), exposure=1.0)
    assert estimate_light(wood, mask).exposure_spread > estimate_light(bright, mask).exposure_spread


def test_a_photo_with_more_at_the_top_of_the_scale_is_taken_for_more_exposed():
    wood, mask = scene(wall=(55.0, 14.0, 30.0), exposure=1.0)
    exposures = []
    for width in (0, 6, 20, 45):
        with_window = wood.copy()
        with_window[:25, 100 - width :] = 1.0
        exposures.append(estimate_light(with_window, mask).exposure)
    assert exposures == sorted(exposures)
    assert exposures[-1] > 1.1 * exposures[0]


def test_estimators_agree_on_an_even_wall():
    picture, mask = scene(wall=(88.0, 0.0, 0.0), exposure=0.9)
    estimates, brightness = background_estimates(picture, mask)
    middle, shades, _, brightest = estimates
    assert_allclose(middle, np.log(LAMP[[0, 2]]), atol=0.02)
    assert_allclose(shades, middle, atol=0.05)
    assert_allclose(brightest, middle, atol=0.02)
    assert 0.5 < brightness < 1


def test_a_scene_that_is_all_garment_still_answers():
    picture, _ = scene()
    assert background_estimates(picture, np.ones(picture.shape[:2], bool)) is None
    assert estimate_light(picture, np.ones(picture.shape[:2], bool)).cast_spread > 0


def test_coloured_light_is_refused_as_no_neutral():
    picture, mask = scene()
    green = picture * np.array([0.15, 1.0, 0.15])
    with pytest.raises(Refused, match="no lamp makes"):
        light_from_neutral(green, mask, NeutralPoint(0.12, 0.9, 50.0))


def test_root_polynomials_do_not_feel_the_exposure():
    rng = np.random.default_rng(2)
    colours, correction = rng.random((20, 3)), rng.normal(size=(3, 6))
    assert_allclose(root_polynomial(3.0 * colours, correction), 3.0 * root_polynomial(colours, correction))
