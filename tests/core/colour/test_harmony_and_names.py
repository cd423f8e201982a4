"""The published models of two colours and of warmth, and the names that a person would say."""

import numpy as np
import pytest
from hypothesis import given

from lucid_swatch.core.colour.harmony import two_colour_harmony, warm_cool
from lucid_swatch.core.colour.names import name_colours
from lucid_swatch.core.garment.neutrals import is_neutral
from tests.strategies import lab_colours


def lch(lightness, chroma, hue):
    return np.array([lightness, chroma * np.cos(np.radians(hue)), chroma * np.sin(np.radians(hue))])


@given(lab_colours(), lab_colours())
def test_harmony_is_the_same_both_ways(one, other):
    assert two_colour_harmony(one, other) == pytest.approx(two_colour_harmony(other, one))
    assert -2 < two_colour_harmony(one, other) < 2


def test_harmony_follows_the_published_findings():
    """Ou and Luo 2006: equal hue and chroma, high lightness sum and unequal lightness raise harmony; yellow is disliked dark."""
    base = lch(50, 30, 200)
    assert two_colour_harmony(base, lch(50, 30, 205)) > two_colour_harmony(base, lch(50, 30, 20))
    assert two_colour_harmony(lch(80, 30, 200), lch(70, 30, 200)) > two_colour_harmony(
        lch(30, 30, 200), lch(20, 30, 200)
    )
    assert two_colour_harmony(lch(65, 20, 250), lch(45, 20, 250)) > two_colour_harmony(
        lch(55, 20, 250), lch(55, 20, 250)
    )
    assert two_colour_harmony(lch(85, 50, 95), lch(60, 10, 95)) > two_colour_harmony(lch(35, 50, 95), lch(60, 10, 95))


def test_harmony_of_two_greys_is_the_published_arithmetic():
    # dC = 0, L 60 and 40: H_C + H_Lsum + H_dL, and the hue terms at C* 0
    by_chroma = 0.04 + 0.53 * np.tanh(0.8)
    by_lightness = 0.28 + 0.54 * np.tanh(-3.88 + 2.9) + 0.14 + 0.15 * np.tanh(-2 + 4)
    small = 0.5 + 0.5 * np.tanh(-2)
    greys = two_colour_harmony(np.array([60.0, 0, 0]), np.array([40.0, 0, 0]))
    assert abs(float(greys) - by_chroma - by_lightness) < 2 * small * 0.4


@pytest.mark.parametrize(
    ("hue", "warm"), [(50, True), (20, True), (90, True), (230, False), (200, False), (270, False)]
)
def test_warmth_peaks_at_orange_and_falls_towards_blue(hue, warm):
    assert bool(warm_cool(lch(55, 60, hue)) > -0.5) is warm
    assert warm_cool(lch(55, 60, 50)) >= warm_cool(lch(55, 60, hue))


def test_a_grey_is_neither():
    assert warm_cool(np.array([50.0, 0, 0])) == pytest.approx(-0.5)


NAMES = {
    (96, 0, 1): "white",
    (15, 0, 0): "black",
    (21, 4, -22): "navy",
    (62, 12, 32): "camel",
    (28, 27, 13): "burgundy",
    (38, -20, -13): "teal",
    (46, 29, 34): "rust",
    (27, -18, 6): "bottle green",
    (68, 14, 60): "golden yellow",
}


@pytest.mark.parametrize(("lab", "name"), NAMES.items())
def test_colours_are_called_what_people_call_them(lab, name):
    colour = np.array([lab], dtype=float)
    assert name in name_colours(colour, is_neutral(colour))[0]


@given(lab_colours())
def test_every_colour_has_a_short_name(colour):
    name = name_colours(colour[None], is_neutral(colour[None]))[0]
    assert 0 < len(name.split()) <= 3
    assert name == name.strip().lower()


@pytest.mark.parametrize(
    ("one", "other", "harmony"),
    [
        ((95, 0, 0), (95, 0, 0), 1.1582),
        ((80, 10, 40), (50, -20, 10), -0.0191),
        ((30, 20, -40), (70, 5, 60), -0.3574),
        ((40, 50, 20), (40, 50, 20), -0.3544),
    ],
)
def test_two_colour_harmony_is_that_of_the_published_equations(one, other, harmony):
    """Worked out term by term from the equations of Ou and Luo 2006, outside this program."""
    assert two_colour_harmony(np.array(one, float), np.array(other, float)) == pytest.approx(harmony, abs=2e-4)


@pytest.mark.parametrize(("lab", "warmth"), [((50, 40, 40), 0.995), ((50, -30, -30), -1.5989), ((50, 0, 0), -0.5)])
def test_felt_warmth_is_that_of_the_published_equation(lab, warmth):
    """Worked out from the equation of Ou and others 2004, outside this program."""
    assert warm_cool(np.array(lab, float)) == pytest.approx(warmth, abs=2e-4)
