"""The lights a look is seen in, and whether a photo of it shows the shoes."""

import numpy as np
import pytest
from numpy.testing import assert_allclose

from lucid_swatch.core.colour.adaptation import black_body, seen_under
from lucid_swatch.core.colour.spaces import RGB_TO_XYZ, lab_to_rgb_linear, rgb_linear_to_lab
from lucid_swatch.core.look.seen.lights import seen_lights
from lucid_swatch.core.look.seen.worn_photo import shows_the_feet


@pytest.mark.parametrize(
    ("kelvin", "x", "y"),
    [(2856, 0.4476, 0.4074), (2000, 0.5267, 0.4133), (4000, 0.3804, 0.3767), (6500, 0.3135, 0.3236)],
)
def test_a_black_body_has_its_published_chromaticity(kelvin, x, y):
    """2856 K is illuminant A (CIE 15); the others are points of the Planckian locus."""
    xyz = black_body(kelvin)
    assert_allclose([xyz[0] / xyz.sum(), xyz[1] / xyz.sum()], [x, y], atol=0.0012)


def test_an_eye_that_is_bright_adapted_sees_nearly_what_was_measured_and_a_dim_one_sees_it_warmer():
    grey = lab_to_rgb_linear(np.array([60.0, 0, 0]))
    bright, dim = (rgb_linear_to_lab(seen_under(2700, luminance) @ grey) for luminance in (5000, 5))
    assert np.abs(bright[1:]).max() < 1
    assert dim[2] > bright[2] + 3
    assert rgb_linear_to_lab(seen_under(9000, 5) @ grey)[2] < 0


def test_the_lights_begin_as_measured_and_end_in_grey():
    first, *_, last = seen_lights()
    assert_allclose(first.matrix, np.eye(3))
    assert_allclose(last.matrix @ [0.2, 0.5, 0.1], [RGB_TO_XYZ[1] @ [0.2, 0.5, 0.1]] * 3)
    for light in seen_lights():
        assert (light.matrix @ np.ones(3) > 0).all()


def test_a_figure_that_runs_out_of_the_picture_shows_no_feet():
    picture = np.zeros((200, 120))
    picture[20:180, 40:80] = 1.0
    assert shows_the_feet(picture)
    picture[180:] = picture[100]
    assert not shows_the_feet(picture)
    assert not shows_the_feet(np.zeros((200, 120)))
