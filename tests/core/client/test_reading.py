"""What is known of a colouring, from one source and from several."""

import numpy as np
import pytest

from lucid_swatch.core.client.colouring import read_colouring
from lucid_swatch.core.client.reading import (
    Estimate,
    FaceReading,
    Veil,
    after_trial,
    combined,
    disagreements,
    read_face,
    spot_doubts,
)
from lucid_swatch.core.client.trial import TrialReading
from lucid_swatch.core.client.whole import FaceColours, whole_colouring
from lucid_swatch.core.garment.vocabulary import Undertone

WARM = {"skin": np.array([66.0, 11.0, 23.0]), "hair": np.array([30.0, 8.0, 14.0]), "eyes": np.array([36.0, 8.0, 16.0])}
COOL = {**WARM, "skin": np.array([66.0, 15.0, 16.0])}
DOUBTS = {"skin": 2.0, "hair": 3.0, "eyes": 3.0}
TRIAL = TrialReading(-0.6, 0.15, 0.4, 0.1, 0.6, 0.1, 0.03, 0.05)


def told(undertone, doubt=0.2):
    other = Estimate(0.5, 0.1)
    return FaceReading(Estimate(undertone, doubt), other, other, Estimate(40.0, 4.0), Estimate(30.0, 4.0))


def test_depth_rises_from_the_fairest_to_the_deepest():
    depths = [
        read_face({**WARM, "skin": np.array([lightness, 10.0, 18.0])}, DOUBTS).depth.value
        for lightness in (85, 70, 50, 30)
    ]
    assert depths == sorted(depths)
    assert read_face({p: np.array([20.0, 4, 6]) for p in WARM}, DOUBTS).depth.value == 1


def test_more_doubt_in_a_colour_is_more_doubt_in_what_it_says():
    sure, unsure = read_face(dict(WARM), DOUBTS), read_face(dict(WARM), {p: 3 * d for p, d in DOUBTS.items()})
    for name in ("undertone", "depth", "clarity", "contrast", "typology_angle"):
        assert getattr(sure, name).value == getattr(unsure, name).value
        assert getattr(sure, name).doubt < getattr(unsure, name).doubt


def test_what_is_not_seen_is_not_said():
    only_eyes = read_face({"skin": None, "hair": None, "eyes": WARM["eyes"]}, {"eyes": 3.0})
    assert not only_eyes.undertone.known
    assert not only_eyes.contrast.known
    assert only_eyes.depth.doubt > read_face(dict(WARM), DOUBTS).depth.doubt


@pytest.mark.parametrize(
    ("veil", "part", "other"),
    [(Veil.MAKE_UP, "skin", "hair"), (Veil.DYED_HAIR, "hair", "skin"), (Veil.TINTED_GLASSES, "eyes", "hair")],
)
def test_a_veil_lowers_the_trust_in_what_it_covers(veil, part, other):
    bare, veiled = spot_doubts(dict(WARM), None, frozenset()), spot_doubts(dict(WARM), None, frozenset({veil}))
    assert veiled[part] > bare[part]
    assert veiled[other] == bare[other]


def test_portraits_are_combined_by_trust():
    both = combined([told(0.6, 0.1), told(0.2, 0.4)])
    assert 0.5 < both.undertone.value < 0.6
    same = combined([told(0.6, 0.2), told(0.6, 0.2)])
    assert same.undertone.doubt < 0.2
    apart = combined([told(0.9, 0.2), told(-0.9, 0.2)])
    assert apart.undertone.doubt > 0.5


def test_portraits_that_contradict_each_other_say_in_what():
    assert disagreements([told(0.9), told(-0.9)]) == ("undertone",)
    assert disagreements([told(0.4), told(0.2)]) == ()


def test_the_trial_outranks_the_portraits_and_leaves_them_the_contrast():
    counts = after_trial(read_face(dict(WARM), DOUBTS), TRIAL)
    assert counts.undertone.value == -0.6
    assert counts.contrast.value == pytest.approx(36.0)
    assert after_trial(None, TRIAL).undertone.known
    assert after_trial(None, None) is None


def test_the_whole_is_what_looks_are_judged_against():
    faces = [FaceColours(WARM, DOUBTS)]
    by_photo = read_colouring(whole_colouring(faces).client)
    by_trial = read_colouring(whole_colouring(faces, TRIAL).client)
    by_word = read_colouring(whole_colouring(faces, TRIAL, Undertone.WARM).client)
    assert by_photo.undertone > 0 > by_trial.undertone
    assert by_photo.undertone_trust < by_trial.undertone_trust < by_word.undertone_trust == 1
    assert by_trial.clarity == 0.6
    assert by_word.undertone > 0
    assert read_colouring(whole_colouring([]).client) is None


def test_a_trial_counts_without_any_portrait():
    read = read_colouring(whole_colouring([], TRIAL).client)
    assert read.undertone == -0.6
    assert np.isnan(read.contrast)
