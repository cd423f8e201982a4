"""Faces: the same rule from the fairest to the deepest skin."""

import numpy as np
import pytest

from lucid_swatch.core.client.colouring import Client, read_colouring, skin_undertone, typology_angle
from lucid_swatch.core.client.portrait import read_spots
from lucid_swatch.core.colour.spaces import lab_to_rgb_linear
from lucid_swatch.core.garment.vocabulary import Undertone
from lucid_swatch.core.problems import Refused


def skin(lightness, chroma, hue):
    return np.array([lightness, chroma * np.cos(np.radians(hue)), chroma * np.sin(np.radians(hue))])


@pytest.mark.parametrize("lightness", [28, 40, 55, 70, 82])
def test_a_yellower_skin_reads_warmer_at_every_depth(lightness):
    values = [skin_undertone(skin(lightness, 22, hue)) for hue in (42, 50, 57, 64, 72)]
    assert values == sorted(values)
    assert values[0] < -0.3
    assert values[-1] > 0.3


@pytest.mark.parametrize(("lab", "angle"), [((75, 10, 15), 59.0), ((50, 12, 18), 0.0), ((30, 12, 17), -49.6)])
def test_the_typology_angle_is_that_of_chardin(lab, angle):
    assert typology_angle(np.array(lab, dtype=float)) == pytest.approx(angle, abs=0.1)


def test_the_stylists_word_wins():
    cool = Client(skin(60, 22, 72), undertone=Undertone.COOL)
    assert read_colouring(cool).undertone < 0
    assert read_colouring(cool).undertone_trust == 1


def test_what_is_unknown_stays_unknown():
    assert read_colouring(Client()) is None
    only_hair = read_colouring(Client(hair=np.array([20.0, 5, 8])))
    assert only_hair.undertone_trust == 0
    assert np.isnan(only_hair.contrast)


@pytest.mark.parametrize("lab", [(82.0, 7.0, 14.0), (60.0, 13.0, 20.0), (34.0, 12.0, 16.0)])
def test_a_spot_reads_the_skin_and_not_the_shine(lab):
    picture = np.broadcast_to(lab_to_rgb_linear(np.array(lab)), (200, 160, 3)).copy()
    picture[98:101, 70:90] = 0.95
    assert np.allclose(read_spots(picture, ((0.5, 0.5),), radius=0.05), lab, atol=0.5)


def test_a_spot_outside_is_refused():
    with pytest.raises(Refused, match="outside the portrait"):
        read_spots(np.ones((100, 100, 3)), ((1.2, 0.5),))
