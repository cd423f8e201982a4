"""What follows from a colouring."""

import numpy as np
import pytest

from lucid_swatch.core.client.reading import UNKNOWN, Estimate, FaceReading
from lucid_swatch.core.client.suits import fit_of, in_range, what_suits
from lucid_swatch.core.garment.neutrals import neutrality, temperature
from lucid_swatch.core.garment.vocabulary import Metal
from lucid_swatch.core.look.rules.contrast import contrast_that_suits


def colouring(undertone, depth=0.5, clarity=0.5, doubt=0.15, contrast=40.0):
    return FaceReading(
        Estimate(undertone, doubt), Estimate(depth, 0.1), Estimate(clarity, 0.1), Estimate(contrast, 4.0), UNKNOWN
    )


WARM, COOL = colouring(0.8), colouring(-0.8)


@pytest.mark.parametrize(("reading", "side"), [(WARM, 1), (COOL, -1)])
def test_neutrals_and_tones_lie_on_the_clients_side(reading, side):
    suits = what_suits(reading)
    assert (temperature(suits.neutrals.lab) * side > -0.1).mean() > 0.8
    assert (temperature(suits.tones.lab) * side > 0).mean() > 0.8
    assert (neutrality(suits.neutrals.lab) > 0.5).all()
    assert (neutrality(suits.tones.lab) < 0.5).all()
    assert suits.metals[0][0] is (Metal.GOLD if side > 0 else Metal.SILVER)


def test_every_colour_has_a_name_of_its_own():
    for reading in (WARM, COOL, colouring(0.0)):
        suits = what_suits(reading)
        for found in (suits.neutrals, suits.tones):
            assert len(set(found.names)) == len(found.names) >= 6


def test_a_deeper_colouring_carries_deeper_cloth_and_a_clearer_one_clearer():
    light, deep = what_suits(colouring(0.5, depth=0.1)), what_suits(colouring(0.5, depth=0.9))
    assert np.mean(light.tones.lightness) > np.mean(deep.tones.lightness)
    soft, clear = what_suits(colouring(0.5, clarity=0.1)), what_suits(colouring(0.5, clarity=0.9))
    assert soft.tones.chroma[1] < clear.tones.chroma[1]


def test_what_is_unknown_opens_the_range():
    cloth = np.array([[50.0, 30, 35], [50, -5, -35], [70, 0, -4]])
    sure, unsure = fit_of(cloth, WARM), fit_of(cloth, colouring(0.8, doubt=1.5))
    assert np.ptp(unsure) < np.ptp(sure)


def test_the_band_of_contrast_follows_the_face():
    gentle, strong = contrast_that_suits(20.0), contrast_that_suits(65.0)
    assert gentle[0] < strong[0]
    assert gentle[1] < strong[1]


def test_a_piece_is_in_the_range_by_the_shares_of_its_colours():
    rust, blue = [46.0, 29.0, 34.0], [40.0, 0.0, -38.0]
    pieces = [
        (np.array([rust]), np.ones(1)),
        (np.array([blue]), np.ones(1)),
        (np.array([rust, blue]), np.array([0.9, 0.1])),
    ]
    (rust_fit, inside), (blue_fit, outside), (mixed_fit, _) = in_range(pieces, colouring(0.9))
    assert inside
    assert not outside
    assert rust_fit > mixed_fit > blue_fit
    assert in_range([], WARM) == []
