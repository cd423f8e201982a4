"""Light undone: against colour-science, and against what must hold."""

import numpy as np
import pytest
from hypothesis import given
from hypothesis import strategies as st
from numpy.testing import assert_allclose

from lucid_swatch.core.colour.adaptation import adaptation_matrix, correlated_colour_temperature, relight
from lucid_swatch.core.colour.spaces import D65_WHITE, RGB_TO_XYZ, XYZ_TO_RGB

ILLUMINANTS = {"A": (0.44758, 0.40745), "D50": (0.34567, 0.35851), "F2": (0.37208, 0.37529), "D75": (0.29902, 0.31485)}
"""Chromaticities, CIE 1931 2°. Source: CIE 15:2004."""

lights = st.tuples(st.floats(0.6, 1.5), st.just(1.0), st.floats(0.4, 1.5)).map(np.array)


def white(x, y):
    return np.array([x / y, 1.0, (1 - x - y) / y])


@pytest.mark.parametrize("name", ILLUMINANTS)
def test_the_matrix_is_that_of_cat16(name):
    import colour

    ours = adaptation_matrix(white(*ILLUMINANTS[name]))
    theirs = colour.adaptation.matrix_chromatic_adaptation_VonKries(
        white(*ILLUMINANTS[name]), D65_WHITE, transform="CAT16"
    )
    assert_allclose(ours, theirs, atol=1e-6)


@given(lights)
def test_a_white_surface_becomes_white(light):
    seen = 0.7 * light
    relit = relight(seen, light)
    assert np.ptp(relit) < 1e-6


@given(lights, st.tuples(*[st.floats(0.02, 0.9)] * 3).map(np.array))
def test_exposure_is_left_alone(light, colour):
    relit = relight(colour * light, light)
    assert np.all(np.isfinite(relit))
    assert relight(2 * colour * light, light) == pytest.approx(2 * relit)


@given(lights, st.tuples(*[st.floats(0.02, 0.9)] * 3).map(np.array))
def test_a_light_that_is_not_believed_changes_nothing(light, colour):
    assert_allclose(relight(colour, light, amount=0.0), colour, atol=1e-9)


@pytest.mark.parametrize(
    ("name", "kelvin", "within"), [("A", 2856, 30), ("D50", 5003, 60), ("D75", 7504, 120), ("F2", 4230, 80)]
)
def test_colour_temperatures_are_those_of_the_illuminants(name, kelvin, within):
    rgb = XYZ_TO_RGB @ white(*ILLUMINANTS[name])
    assert correlated_colour_temperature(rgb) == pytest.approx(kelvin, abs=within)


def test_the_screen_white_is_daylight():
    assert correlated_colour_temperature(np.ones(3)) == pytest.approx(6504, abs=15)
    assert_allclose(RGB_TO_XYZ @ np.ones(3), D65_WHITE, atol=1e-6)
