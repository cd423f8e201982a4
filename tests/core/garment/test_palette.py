"""Colours from pixels that were made from known colours."""

import cv2
import numpy as np
import pytest

from lucid_swatch.core.colour.difference import delta_e_2000
from lucid_swatch.core.colour.spaces import lab_to_rgb_linear, rgb_linear_to_lab
from lucid_swatch.core.garment.palette import read_palette
from lucid_swatch.core.garment.pattern import read_pattern, scale_of
from lucid_swatch.core.garment.surface import yarn_chroma
from lucid_swatch.core.garment.vocabulary import PatternType, Scale

SIDE = 300


def cloth(labels, labs, folds=0.0, seed=1):
    """Linear light of a cloth: labels to colours, waves of light over it, a little noise."""
    rng = np.random.default_rng(seed)
    light = lab_to_rgb_linear(np.array(labs, float))[labels]
    y, x = np.mgrid[0:SIDE, 0:SIDE] / SIDE
    shade = 1 - folds * (0.5 + 0.5 * np.sin(9 * x + 3 * np.sin(4 * y)))
    return np.clip(light * shade[..., None] * rng.normal(1, 0.02, (SIDE, SIDE, 1)), 0, 1)


def read(picture):
    """The pattern of a cloth as a lens shows it: its borders are never sharp to the pixel."""
    picture = cv2.GaussianBlur(picture, (0, 0), 0.8)
    palette = read_palette(picture, WHOLE)
    return read_pattern(palette, yarn_chroma(rgb_linear_to_lab(picture), palette))


Y, X = np.mgrid[0:SIDE, 0:SIDE]
WHOLE = np.ones((SIDE, SIDE), bool)
PLAIN = np.zeros((SIDE, SIDE), int)
STRIPE = (Y // 12) % 2
CHECK = (Y // 15) % 2 + (X // 15) % 2
BLOCK = (Y > 150).astype(int)
DOT = ((((X % 30) - 15) ** 2 + ((Y % 30) - 15) ** 2) < 64).astype(int)


@pytest.mark.parametrize("lab", [[45, 40, 25], [25, 4, -18], [80, 3, 14], [50, -30, 10]])
def test_folds_do_not_make_a_second_colour(lab):
    palette = read_palette(cloth(PLAIN, [lab], folds=0.5), WHOLE)
    assert len(palette.lab) == 1
    assert delta_e_2000(palette.lab[0], np.array([*lab])) < 12  # the fold's mean light is unknowable; chroma is not
    assert abs(np.arctan2(palette.lab[0, 2], palette.lab[0, 1]) - np.arctan2(lab[2], lab[1])) < 0.1


def test_two_colours_and_their_shares_are_found():
    labels = (X < 90).astype(int)
    palette = read_palette(cloth(labels, [[85, 2, 12], [30, 5, -25]], folds=0.1), WHOLE)
    assert len(palette.lab) == 2
    assert palette.share == pytest.approx([0.7, 0.3], abs=0.02)
    assert (delta_e_2000(palette.lab, np.array([[85.0, 2, 12], [30.0, 5, -25]])) < 4).all()


def test_a_small_motif_that_is_really_there_is_kept():
    labels = (((X % 60) < 12) & ((Y % 60) < 14)).astype(int)
    palette = read_palette(cloth(labels, [[90, 0, 5], [40, 50, 30]]), WHOLE)
    assert len(palette.lab) == 2
    assert palette.share[1] == pytest.approx(12 * 14 / 3600, abs=0.015)


def test_a_pale_motif_is_no_highlight_of_another_that_it_hardly_touches():
    """Where they touch the print is smudged, as softly as light runs into shade."""
    labels = np.zeros((SIDE, SIDE), int)
    labels[20:140, 60:240], labels[140:240, 60:240] = 1, 2
    labels[130:150, 60:180] = 0
    light = cloth(labels, [[61, 16, 50], [30, -21, 23], [77, 2, 0]])
    meet = (slice(120, 160), slice(182, 240))
    light[meet] = cv2.GaussianBlur(light, (0, 0), 3.0)[meet]
    palette = read_palette(light, WHOLE)
    assert len(palette.lab) == 3
    assert (delta_e_2000(palette.lab[1:], np.array([[30.0, -21, 23], [77.0, 2, 0]])) < 5).all()


def test_shares_sum_to_one_and_labels_stay_inside():
    inside = (X - 150) ** 2 + (Y - 150) ** 2 < 100**2
    palette = read_palette(cloth(DOT, [[90, 0, 5], [30, 30, -20]]), inside)
    assert palette.share.sum() == pytest.approx(1)
    assert (palette.labels[~inside] == -1).all()


@pytest.mark.parametrize(
    ("labels", "pattern"),
    [
        (PLAIN, PatternType.SOLID),
        (STRIPE, PatternType.STRIPE),
        (CHECK, PatternType.CHECK),
        (BLOCK, PatternType.COLOUR_BLOCK),
        (DOT, PatternType.DOT),
    ],
    ids=["solid", "stripe", "check", "colour-block", "dot"],
)
def test_patterns_are_told_by_where_the_colours_lie(labels, pattern):
    picture = cloth(labels, [[88, 0, 4], [28, 10, -30], [55, 40, 20]], folds=0.05)
    assert read(picture).type == pattern


def test_a_mixture_of_threads_is_a_marl():
    threads = (np.random.default_rng(3).random((SIDE // 3, SIDE // 3)) < 0.5).astype(int).repeat(3, 0).repeat(3, 1)
    found = read(cloth(threads, [[60, 5, 5], [35, 5, 5]]))
    assert found.type in (PatternType.MARL, PatternType.SOLID)


def test_the_scale_is_the_repeat_against_the_width():
    found = read(cloth(STRIPE, [[88, 0, 4], [28, 10, -30]]))
    assert found.repeat == pytest.approx(24 / SIDE, abs=0.01)
    assert [scale_of(s) for s in (0.03, 0.1, 0.2)] == [Scale.SMALL, Scale.MEDIUM, Scale.LARGE]


@pytest.mark.parametrize("pixels", [1, 2, 3, 40])
def test_a_few_pixels_have_a_colour_too(pixels):
    mask = np.zeros((SIDE, SIDE), bool)
    mask.ravel()[np.linspace(0, mask.size - 1, pixels).astype(int)] = True
    palette = read_palette(cloth(PLAIN, [[45, 40, 25]]).astype(np.float32), mask)
    assert len(palette.lab) == 1
    assert delta_e_2000(palette.lab[0], np.array([45.0, 40, 25])) < 3
