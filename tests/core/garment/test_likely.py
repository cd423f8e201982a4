"""What a piece likely is, from its outline alone."""

import cv2
import numpy as np
import pytest
from benchmarks.likely import DRAWN, laid, outlines
from hypothesis import given, settings
from hypothesis import strategies as st

from lucid_swatch.core.garment.likely import FIRM, MEASURES, Guess, firm, likely, outline_measures
from lucid_swatch.core.garment.vocabulary import Category
from tests.core.garment.test_shape import SHORTS, SKIRT, TROUSERS, drawn


@pytest.mark.parametrize(
    ("polygon", "category"), [(TROUSERS, Category.TROUSERS), (SHORTS, Category.SHORTS), (SKIRT, Category.SKIRT)]
)
def test_plain_shapes_are_among_the_first_three(polygon, category):
    assert category in [guess.category for guess in likely(drawn(polygon))[:3]]


def test_silhouettes_laid_otherwise_than_those_of_the_fit_are_known_and_firm_ones_are_right():
    rng = np.random.default_rng(2031)
    found = [
        (category, likely(laid(outlines(category, style), rng)))
        for category, some in DRAWN.items()
        for style in some[:6]
    ]
    among = [category in [guess.category for guess in some[:3]] for category, some in found]
    assert np.mean(among) > 0.95
    sure = [firm(some) is category for category, some in found if firm(some) is not None]
    assert len(sure) > 0.35 * len(found)
    assert np.mean(sure) > 0.97


@settings(max_examples=60, deadline=None)
@given(st.integers(1, 40), st.integers(1, 40), st.integers(0, 2**32 - 1), st.floats(0.05, 1))
def test_any_outline_gets_chances_that_sum_to_one(rows, columns, seed, share):
    mask = np.random.default_rng(seed).random((rows, columns)) < share
    mask[rows // 2, columns // 2] = True
    assert outline_measures(mask).shape == (len(MEASURES),)
    found = likely(mask)
    assert sum(guess.confidence for guess in found) == pytest.approx(1)
    assert [g.confidence for g in found] == sorted((g.confidence for g in found), reverse=True)


def test_it_does_not_matter_how_large_the_photo_is_or_where_the_piece_lies():
    small, large = drawn(TROUSERS, size=(400, 300)), drawn(TROUSERS, size=(1600, 1200))
    assert np.abs(outline_measures(small) - outline_measures(large)).max() < 0.06
    moved = np.pad(small, ((30, 0), (0, 50)))
    assert np.allclose(outline_measures(small), outline_measures(moved))


def test_a_thin_chain_is_measured():
    mask = np.zeros((1200, 1200), np.uint8)
    cv2.circle(mask, (600, 600), 400, 1, 1)
    assert np.isfinite(outline_measures(mask > 0)).all()


def test_what_is_not_sure_is_asked():
    assert firm([Guess(Category.TOP, FIRM - 0.01), Guess(Category.KNIT, 0.1)]) is None
    assert firm([Guess(Category.TOP, FIRM)]) is Category.TOP
    assert firm([]) is None
