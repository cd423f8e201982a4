"""What a cloth is called, by the measures of its print: cloths the numbers were never fitted to."""

import numpy as np
import pytest
from benchmarks.prints.drawn import draw_piece
from hypothesis import given
from hypothesis import strategies as st

from lucid_swatch.core.colour.spaces import rgb_linear_to_lab
from lucid_swatch.core.garment.logistic import FAR, read_model
from lucid_swatch.core.garment.palette import Palette, read_palette
from lucid_swatch.core.garment.pattern import read_pattern
from lucid_swatch.core.garment.pattern_kinds import KINDS, TOLD_BY, kept_model, kind_chances, likeliest_kind, of_kind
from lucid_swatch.core.garment.surface import yarn_chroma
from lucid_swatch.core.garment.vocabulary import PLAIN_PATTERNS, PatternType

NEVER_FITTED = 1_000_000
"""The first of some seeds."""
MEASURES = len(TOLD_BY) - 1
values = st.lists(st.floats(-1e6, 1e6), min_size=MEASURES, max_size=MEASURES)


def read(piece):
    palette = read_palette(piece.rgb_linear, piece.mask)
    return read_pattern(palette, yarn_chroma(rgb_linear_to_lab(piece.rgb_linear), palette))


def test_most_cloths_that_were_not_fitted_are_called_what_they_are():
    pieces = [draw_piece(NEVER_FITTED + k) for k in range(60)]
    found = [read(piece) for piece in pieces]
    right = [one.type is piece.kind for one, piece in zip(found, pieces, strict=True)]
    plain = [
        (one.type in PLAIN_PATTERNS) == (piece.kind in PLAIN_PATTERNS) for one, piece in zip(found, pieces, strict=True)
    ]
    assert np.mean(right) > 0.6
    assert np.mean(plain) > 0.85


def test_what_is_surer_is_oftener_right():
    pieces = [draw_piece(NEVER_FITTED + 100 + k) for k in range(60)]
    found = [read(piece) for piece in pieces]
    right = np.array([one.type is piece.kind for one, piece in zip(found, pieces, strict=True)])
    sure = np.array([one.confidence for one in found]) > 0.75
    assert right[sure].mean() > right[~sure].mean()


@given(values)
def test_chances_sum_to_one_whatever_was_measured(measured):
    chances = kind_chances(np.array([measured]))[0]
    assert chances.sum() == pytest.approx(1)
    kind, chance = likeliest_kind(np.array(measured))
    assert chance == pytest.approx(chances.max())
    assert kind in KINDS


@given(values)
def test_what_lies_far_out_says_no_more(measured):
    model = kept_model()
    away = model.away(np.array([*measured, 1.0]))
    assert np.abs(away).max() <= FAR
    further = model.middle + 50 * (np.array([*measured, 1.0]) - model.middle)
    assert (np.abs(model.away(further)) >= np.abs(away) - 1e-9).all()


def test_every_family_is_of_one_kind_and_every_kind_has_one():
    of = of_kind(kept_model().kinds)
    assert (of.sum(axis=1) == 1).all()
    assert (of.sum(axis=0) > 0).all()


def test_what_was_not_measured_says_nothing():
    model = kept_model()
    nothing = np.full(len(TOLD_BY), np.nan)
    assert (model.scores(nothing) == 0).all()


@given(
    st.tuples(st.integers(1, 40) | st.sampled_from([640, 900]), st.integers(1, 40)),
    st.integers(2, 6),
    st.sampled_from(["strewn", "two ends", "one place", "plain"]),
    st.integers(0, 1000),
)
def test_no_cloth_is_too_odd_to_be_read(shape, count, lies, seed):
    draw = np.random.default_rng(seed)
    labels = np.zeros(shape, np.int8)
    if lies == "strewn":
        labels = draw.integers(-1, count, shape).astype(np.int8)
        labels.flat[0] = 0
    elif lies == "two ends":
        labels[-1] = count - 1
    elif lies == "one place":
        labels[:] = -1
        labels.flat[0] = 1
    lab = np.column_stack([np.linspace(15, 90, count), draw.uniform(-30, 30, (count, 2))])
    share = np.full(count, 1 / count)
    found = read_pattern(Palette(lab, share, share, labels), float(draw.uniform(0, 5)))
    assert 0 <= found.confidence <= 1
    assert found.repeat is None or found.repeat > 0


def test_numbers_of_other_measures_are_refused():
    with pytest.raises(AssertionError, match=r"pattern_kinds\.csv"):
        read_model("pattern_kinds.csv", PatternType, ("something", *TOLD_BY[1:]))
