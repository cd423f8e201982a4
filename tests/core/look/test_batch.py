"""What is seen of each piece once it is worn with others."""

import numpy as np
import pytest
from hypothesis import given, settings

from lucid_swatch.core.garment.piece import Piece
from lucid_swatch.core.garment.school import School
from lucid_swatch.core.garment.vocabulary import Category, Worn
from lucid_swatch.core.look.body import AREAS, NEARNESS, ZONES, Zone
from lucid_swatch.core.look.look import Look
from lucid_swatch.core.look.scorer.batch import make_batch
from lucid_swatch.core.look.scorer.table import table_of
from tests.strategies import looks

C = Category


def piece(category, **named):
    return Piece(category.value, category, np.array([[40.0, 2, 3]]), np.ones(1), **named)


def seen(*pieces):
    """Area by category, in shares of the figure."""
    batch = make_batch([Look("look", pieces)])
    return {batch.piece(0, k).category: float(batch.area[k, 0]) for k in range(len(pieces))}


@settings(max_examples=60, deadline=None)
@given(looks())
def test_what_is_seen_sums_to_the_whole(look):
    batch = make_batch([look])
    assert batch.area.sum() == pytest.approx(1)
    assert (batch.area[batch.present] > 0).all()


def test_alone_the_areas_are_those_of_the_table():
    areas = seen(piece(C.TOP), piece(C.TROUSERS), piece(C.SHOES))
    assert areas[C.TOP] / areas[C.TROUSERS] == pytest.approx(28 / 34)
    assert areas[C.SHOES] / areas[C.TROUSERS] == pytest.approx(5 / 34)


def test_an_open_coat_hides_most_of_the_top_and_a_closed_one_more():
    bare = seen(piece(C.TOP), piece(C.TROUSERS))
    opened = seen(piece(C.TOP), piece(C.TROUSERS), piece(C.COAT))
    closed = seen(piece(C.TOP), piece(C.TROUSERS), piece(C.COAT, worn=Worn.CLOSED))
    part = [a[C.TOP] / a[C.TROUSERS] for a in (bare, opened, closed)]
    assert part[0] > part[1] > part[2]


def test_a_knit_leaves_the_collar_of_a_shirt():
    areas = seen(piece(C.SHIRT), piece(C.KNIT), piece(C.TROUSERS))
    assert 0 < areas[C.SHIRT] < 0.2 * areas[C.KNIT]


def test_a_bag_hides_nothing():
    without, with_bag = seen(piece(C.TOP), piece(C.SKIRT)), seen(piece(C.TOP), piece(C.SKIRT), piece(C.BAG))
    assert with_bag[C.TOP] / with_bag[C.SKIRT] == pytest.approx(without[C.TOP] / without[C.SKIRT])


@pytest.mark.parametrize("category", Category)
def test_every_category_has_its_place(category):
    assert ZONES[category] in NEARNESS
    assert make_batch([Look("look", (piece(category),))]).area[0, 0] == pytest.approx(1)


def test_nearness_falls_from_the_face_to_the_feet():
    order = [Zone.HEAD, Zone.UPPER, Zone.WAIST, Zone.LOWER, Zone.FEET]
    values = [NEARNESS[zone] for zone in order]
    assert values == sorted(values, reverse=True)
    assert AREAS[C.DRESS] > AREAS[C.COAT] > AREAS[C.TROUSERS] > AREAS[C.SHOES]


def test_names_in_a_sentence_are_joined_and_lowered():
    batch = make_batch(
        [Look("look", (piece(C.BAG, label="Cognac bag"), piece(C.SHOES, label="XL sneakers"), piece(C.TOP)))]
    )
    named = batch.called(0, np.ones(3, bool))
    assert named == "cognac bag, XL sneakers and top"
    assert batch.called(0, np.zeros(3, bool)) == "nothing"


def test_the_table_of_one_rail_is_built_once_and_anew_when_a_piece_changes():
    rail = (piece(C.TOP, label="Oat top"), piece(C.TROUSERS))
    again = (piece(C.TOP, label="Oat top"), piece(C.TROUSERS))
    assert table_of(rail) is table_of(again)
    assert table_of((piece(C.TOP, label="Sand top"), again[1])) is not table_of(rail)
    assert table_of(rail, School(strict=True)) is not table_of(rail)
