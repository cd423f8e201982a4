"""What a wardrobe is made of."""

import numpy as np
import pytest
from hypothesis import given
from hypothesis import strategies as st

from lucid_swatch.core.garment.piece import Piece
from lucid_swatch.core.garment.sorting import sort_pieces
from lucid_swatch.core.garment.vocabulary import Category
from lucid_swatch.core.garment.wardrobe import made_of
from tests.strategies import pieces


def plain(id, lab):
    return Piece(id, Category.KNIT, np.array([lab], float), np.ones(1))


def test_shares_follow_the_cloth_and_not_the_number_of_pieces():
    rail = [plain("coat", [21, 4, -22]), plain("glove", [44, 60, 36]), plain("sock", [44, 60, 36])]
    made = made_of(rail, sort_pieces(rail), [45.0, 2.5, 2.5])
    assert [(one.name, one.share) for one in made.families] == [
        ("navy", pytest.approx(0.9)),
        ("red", pytest.approx(0.1)),
    ]
    assert [one.name for one in made.heavy] == ["navy"]
    assert made.families[1].pieces == ("glove", "sock")


@given(st.lists(pieces(), min_size=1, max_size=6))
def test_every_way_to_part_it_adds_up(rail):
    made = made_of(rail, sort_pieces(rail), [float(k + 1) for k in range(len(rail))])
    for shares in (made.sorts, made.families, made.temperatures, made.lightness):
        assert sum(one.share for one in shares) == pytest.approx(1)
        assert len({one.name for one in shares}) == len(shares)


def test_an_empty_rail_is_made_of_nothing():
    assert made_of([], [], []).families == ()
