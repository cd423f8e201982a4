"""Conversions, with colour-science as the second opinion."""

import colour
import numpy as np
import pytest
from hypothesis import given
from numpy.testing import assert_allclose

from lucid_swatch.core.colour import spaces
from lucid_swatch.core.colour.adaptation import adaptation_matrix, correlated_colour_temperature, relight
from lucid_swatch.core.colour.harmony import two_colour_harmony, warm_cool
from tests.strategies import lab_colours

GRID = np.stack(np.meshgrid(*[np.linspace(0, 1, 6)] * 3), axis=-1).reshape(-1, 3)


def test_lab_agrees_with_a_second_library():
    theirs = colour.XYZ_to_Lab(colour.sRGB_to_XYZ(GRID), colour.CCS_ILLUMINANTS["cie_2_1931"]["D65"])
    ours = spaces.rgb_linear_to_lab(spaces.decode_srgb(GRID))
    # they round the white to four digits of x and y, which is worth 0.02 in b*
    assert_allclose(ours, theirs, atol=0.03)


def test_white_is_exactly_white():
    assert_allclose(spaces.rgb_linear_to_lab(np.ones(3)), [100, 0, 0], atol=2e-3)


@given(lab_colours())
def test_every_colour_comes_back(lab):
    assert_allclose(spaces.xyz_to_lab(spaces.lab_to_xyz(lab)), lab, atol=1e-9)
    assert_allclose(spaces.rgb_linear_to_lab(spaces.lab_to_rgb_linear(lab)), lab, atol=1e-4)


def test_srgb_comes_back_and_joins_without_a_step():
    assert_allclose(spaces.encode_srgb(spaces.decode_srgb(GRID)), GRID, atol=1e-6)
    assert abs(spaces.decode_srgb(np.array(0.04045)) - spaces.decode_srgb(np.array(0.0404501))) < 1e-6


def test_batches_may_have_any_shape_and_may_be_empty():
    assert spaces.rgb_linear_to_lab(np.zeros((2, 0, 3))).shape == (2, 0, 3)
    assert spaces.hue_angle(np.zeros((4, 5, 3))).shape == (4, 5)


@pytest.mark.parametrize(("first", "second", "apart"), [(350, 10, 20), (10, 350, 20), (0, 180, 180), (90, 90, 0)])
def test_hue_angles_are_compared_round_the_circle(first, second, apart):
    assert spaces.hue_distance(first, second) == apart


def test_a_hex_is_the_screen_colour():
    assert spaces.lab_to_hex(np.array([100.0, 0, 0])) == "#ffffff"
    assert spaces.lab_to_hex(np.array([53.24, 80.09, 67.20])) == "#ff0000"


def test_the_adaptation_agrees_with_a_second_library():
    white = np.array([1.0985, 1.0, 0.3558])
    theirs = colour.adaptation.matrix_chromatic_adaptation_VonKries(white, spaces.D65_WHITE, transform="CAT16")
    assert_allclose(adaptation_matrix(white), theirs, atol=1e-6)


def test_relighting_a_white_sheet_makes_it_white():
    lamp = np.array([1.3, 1.0, 0.6])
    relit = relight(lamp * 0.5, lamp)
    assert_allclose(spaces.chroma(spaces.rgb_linear_to_lab(relit)), 0, atol=0.05)
    assert_allclose(relight(GRID, lamp, amount=0.0), GRID, atol=1e-9)


def test_the_temperature_of_daylight():
    assert correlated_colour_temperature(np.ones(3)) == pytest.approx(6504, abs=15)


def test_harmony_is_symmetric_and_prefers_similar_hues():
    first, second = np.array([[60.0, 30, 20]]), np.array([[70.0, 25, 22]])
    assert_allclose(two_colour_harmony(first, second), two_colour_harmony(second, first))
    assert two_colour_harmony(first, second) > two_colour_harmony(first, np.array([[60.0, -30, -20]]))


def test_orange_feels_warm_and_blue_cool():
    assert warm_cool(np.array([65.0, 42, 58])) > 0.8 > -0.8 > warm_cool(np.array([36.0, 18, -58]))
