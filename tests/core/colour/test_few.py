"""A few colours that stand for many."""

from itertools import combinations

import numpy as np
import pytest

from lucid_swatch.core.colour.difference import pairwise_delta_e_2000
from lucid_swatch.core.colour.few import few_colours, nearest_of


def some_cloth(seed, count=12):
    draw = np.random.default_rng(seed)
    lab = np.column_stack([draw.uniform(15, 90, count), draw.normal(0, 15, count), draw.normal(5, 15, count)])
    return lab, draw.uniform(1, 40, count)


@pytest.mark.parametrize("seed", range(6))
def test_no_other_choice_covers_more(seed):
    lab, cloth = some_cloth(seed)
    covers = pairwise_delta_e_2000(lab, lab) <= 14
    best = (
        max(cloth[covers[:, list(some)].any(axis=1)].sum() for some in combinations(range(len(lab)), 3)) / cloth.sum()
    )
    assert few_colours(lab, cloth, 3, 14).share == pytest.approx(best)


def test_colours_that_cover_nothing_more_are_left_out():
    lab = np.array([[20.0, 4, -22], [20.5, 4, -22], [80, 2, 12]])
    found = few_colours(lab, np.array([5.0, 20, 10]), 5, 8)
    assert found.chosen.tolist() == [1, 2]  # of two navies the one of most cloth
    assert found.covered.tolist() == pytest.approx([25 / 35, 10 / 35])


def test_what_is_kept_already_is_not_covered_again():
    lab, cloth = np.array([[20.0, 4, -22], [80, 2, 12]]), np.array([30.0, 10])
    assert few_colours(lab, cloth, 1, 8, kept=lab[:1]).chosen.tolist() == [1]


def test_the_nearest_of_a_palette():
    nearest, away = nearest_of(np.array([[50.0, 0, 0], [90, 0, 0]]), np.array([[88.0, 0, 0], [50, 0, 0]]))
    assert nearest.tolist() == [1, 0]
    assert away[0] == 0
    assert away[1] > 0
