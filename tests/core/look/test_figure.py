"""The figure: every piece is drawn, in its place, in proportion to who wears it, whatever is worn with it."""

from itertools import pairwise

import numpy as np
import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from lucid_swatch.core.garment.piece import Piece
from lucid_swatch.core.garment.vocabulary import Category, Finish, Length, Metal, Part, Volume, Worn
from lucid_swatch.core.look.body import ZONES, Zone
from lucid_swatch.core.look.figure.body import CHIN, HIP, KNEE, SOLE, STATURE, WAIST, Build
from lucid_swatch.core.look.figure.figure import HALF_WIDTH, ROOM, Lies, draw, figure_of, lightness_trace
from lucid_swatch.core.look.figure.fills import fill_of
from lucid_swatch.core.look.figure.laid_out import NAME, laid_out
from lucid_swatch.core.look.figure.parts import Role, cloth, hardware

C = Category


def piece(category, lightness=50.0, **said):
    return Piece(category.value, category, np.array([[lightness, 5.0, 10.0]]), np.ones(1), **said)


def box_of(parts):
    points = np.concatenate([part.points for part in parts])
    return points.min(axis=0), points.max(axis=0)


def shape_of(worn, category, build=Build()):  # noqa: B008
    return next(shape for shape in figure_of(worn, build).shapes if shape.piece.category is category)


def area(points):
    x, y = points.T
    return 0.5 * abs(float(x @ np.roll(y, -1) - y @ np.roll(x, -1)))


LOOK = [piece(C.COAT, 60), piece(C.KNIT, 80), piece(C.TROUSERS, 40), piece(C.SHOES, 20)]


@st.composite
def any_piece(draw):
    return piece(
        draw(st.sampled_from(Category)),
        volume=draw(st.sampled_from(Volume)),
        length=draw(st.none() | st.sampled_from(Length)),
        worn=draw(st.none() | st.sampled_from(Worn)),
        finish=frozenset(draw(st.lists(st.sampled_from(Finish), max_size=2))),
        statement=draw(st.none() | st.floats(0, 1)),
    )


@settings(max_examples=150, deadline=None)
@given(st.lists(any_piece(), min_size=1, max_size=7), st.none() | st.integers(140, 205), st.booleans())
def test_every_piece_is_drawn_within_the_drawing(worn, height, seated):
    figure = figure_of(worn, Build(height, seated))
    assert sorted(s.piece.category for s in figure.shapes) == sorted(one.category for one in worn)
    for layer in figure.layers:
        for part in layer.parts:
            assert np.isfinite(part.points).all()
            assert len(part.points) >= 2
            assert part.role is Role.LINE or area(part.points) > 0.05
    for shape in figure.shapes:
        (left, top), (right, bottom) = box_of(shape.drawn.parts)
        assert -HALF_WIDTH <= left < right <= HALF_WIDTH
        assert -ROOM <= top < bottom <= figure.height + 1.5
        assert shape.drawn.top < shape.drawn.bottom
        assert left - 2 <= shape.drawn.anchor[0] <= right + 2
        assert top - 2 <= shape.drawn.anchor[1] <= bottom + 2


@pytest.mark.parametrize("category", Category)
def test_a_piece_covers_the_part_of_the_body_that_it_is_worn_on(category):
    (_, top), (_, bottom) = box_of(draw(piece(category)).parts)
    expected = {
        Zone.HEAD: (-ROOM, 30),
        Zone.NECK: (20, 90),
        Zone.UPPER: (25, 110),
        Zone.LOWER: (WAIST - 4, SOLE),
        Zone.WHOLE: (25, SOLE),
        Zone.LAYER: (22, SOLE),
        Zone.WAIST: (WAIST - 4, WAIST + 6),
        Zone.HAND: (78, 130),
        Zone.LEGS: (HIP, SOLE),
        Zone.FEET: (SOLE - 50, SOLE),
    }[ZONES[category]]
    assert expected[0] <= top < bottom <= expected[1] + 0.5


def test_what_lies_under_is_drawn_first_and_a_hat_sits_on_hair():
    figure = figure_of([piece(C.HAT), piece(C.SCARF), *LOOK])
    drawn = [(layer.lies, layer.piece and layer.piece.category) for layer in figure.layers]
    order = [drawn.index((Lies.PIECE, c)) for c in (C.SHOES, C.TROUSERS, C.KNIT, C.COAT, C.SCARF)]
    assert order == sorted(order)
    assert drawn.index((Lies.BEHIND, C.COAT)) < drawn.index((Lies.BODY, None)) < order[0]
    assert order[-1] < drawn.index((Lies.HEAD, None)) < drawn.index((Lies.PIECE, C.HAT))


@pytest.mark.parametrize(("length", "end"), [(Length.KNEE, KNEE), (Length.MIDI, 141), (Length.FLOOR, 165)])
def test_a_skirt_ends_where_its_length_says(length, end):
    assert draw(piece(C.SKIRT, length=length)).bottom == end


def test_more_cloth_is_wider_and_a_tucked_top_ends_at_the_waist():
    def width(category, volume):
        (left, _), (right, _) = box_of(draw(piece(category, volume=volume)).parts)
        return right - left

    for category in (C.SKIRT, C.TROUSERS, C.KNIT, C.DRESS, C.COAT):
        assert width(category, Volume.CLOSE) < width(category, Volume.EASY) < width(category, Volume.FULL)
    loose = shape_of([piece(C.SHIRT, worn=Worn.LOOSE), piece(C.SKIRT)], C.SHIRT)
    tucked = shape_of([piece(C.SHIRT, worn=Worn.TUCKED), piece(C.SKIRT)], C.SHIRT)
    assert tucked.drawn.bottom < WAIST + 5 < HIP <= loose.drawn.bottom


def test_a_layer_hides_the_sleeves_below_it_and_shut_covers_more():
    alone, under = shape_of([piece(C.KNIT)], C.KNIT), shape_of(LOOK, C.KNIT)
    (left, _), (right, _) = box_of(alone.drawn.parts)
    (left_under, _), (right_under, _) = box_of(under.drawn.parts)
    assert right_under - left_under < right - left
    opened, shut = (shape_of([piece(C.COAT, worn=how)], C.COAT) for how in (Worn.OPEN, Worn.CLOSED))
    assert opened.drawn.cover < shut.drawn.cover
    assert opened.drawn.behind
    assert not shut.drawn.behind


def test_who_is_tall_has_longer_legs_and_no_larger_head():
    short, tall = figure_of(LOOK, Build(152)), figure_of(LOOK, Build(190))
    assert short.height == pytest.approx(152)
    assert tall.height == pytest.approx(190)
    for one in (short, tall):
        assert box_of(one.head)[1][1] == pytest.approx(CHIN, abs=0.6)
    assert box_of(short.shapes[0].drawn.parts)[1][0] == pytest.approx(box_of(tall.shapes[0].drawn.parts)[1][0])
    assert figure_of(LOOK).height == STATURE


def test_who_sits_is_lower_and_stays_what_they_are_above_the_hip():
    standing, sitting = figure_of(LOOK), figure_of(LOOK, Build(seated=True))
    assert sitting.height < standing.height - 10
    upper = [next(s for s in one.shapes if s.piece.category is C.KNIT) for one in (standing, sitting)]
    assert upper[0].drawn.bottom == upper[1].drawn.bottom
    bags = [shape_of([piece(C.BAG)], C.BAG, Build(seated=seated)) for seated in (False, True)]
    assert bags[0].drawn.anchor == bags[1].drawn.anchor


def test_lightness_is_traced_from_neck_to_foot_by_what_is_seen():
    steps = lightness_trace(figure_of(LOOK))
    assert all(one.bottom <= other.top + 1e-9 for one, other in pairwise(steps))
    assert steps[-1].lightness == pytest.approx(20)
    # where coat and knit share a height each counts by what it covers
    both = next(step for step in steps if step.top < 50 < step.bottom)
    assert both.lightness == pytest.approx((0.5 * 60 + 0.5 * 80) / 1.0)
    striped = Piece("knit", C.KNIT, np.array([[90.0, 0, 0], [10, 0, 0]]), np.array([0.75, 0.25]))
    assert lightness_trace(figure_of([striped]))[0].lightness == pytest.approx(70)


def test_hardware_has_its_own_colour_or_that_of_its_metal():
    buckle = hardware(np.zeros((3, 2)))
    measured = Piece(
        "belt", C.BELT, np.array([[20.0, 5, 8], [70, 4, 40]]), np.array([0.9, 0.1]), parts=(Part.CLOTH, Part.HARDWARE)
    )
    assert fill_of(buckle, measured) == pytest.approx([70, 4, 40])
    assert fill_of(buckle, piece(C.BELT, metal=Metal.SILVER))[0] > 70
    assert fill_of(buckle, piece(C.BELT, 50))[0] < 50
    assert fill_of(cloth(np.zeros((3, 2)), dark=0.5), piece(C.BELT, 50))[0] == pytest.approx(25)


@settings(max_examples=100, deadline=None)
@given(st.data())
def test_laid_out_no_piece_lies_on_another(data):
    chosen = data.draw(st.lists(st.sampled_from(Category), unique=True, min_size=1, max_size=9))
    pieces = [piece(category) for category in chosen]
    aspects = {one.id: data.draw(st.floats(0.3, 3)) for one in pieces if data.draw(st.booleans())}
    flat = laid_out(pieces, aspects)
    assert sorted(place.piece.id for place in flat.places) == sorted(one.id for one in pieces)
    for k, one in enumerate(flat.places):
        assert min(one.left, one.top) >= -1e-9
        assert one.left + one.width <= flat.width + 1e-9
        assert one.top + one.height + NAME <= flat.height + 1e-9
        if one.piece.id in aspects:
            assert one.width / one.height == pytest.approx(aspects[one.piece.id])
            assert not one.parts
        else:
            low, high = box_of(one.parts)
            assert low == pytest.approx([one.left, one.top])
            assert high == pytest.approx([one.left + one.width, one.top + one.height])
        for other in flat.places[:k]:
            beside = one.left + one.width <= other.left + 1e-9 or other.left + other.width <= one.left + 1e-9
            below = one.top + one.height + NAME <= other.top + 1e-9 or other.top + other.height + NAME <= one.top + 1e-9
            assert beside or below


def test_laid_out_in_true_proportion_a_coat_is_longer_than_a_bag_and_a_bag_than_earrings():
    flat = laid_out([*LOOK, piece(C.BAG), piece(C.EARRINGS)], {"coat": 0.8, "bag": 0.9, "earrings": 1.2})
    high = {place.piece.id: place.height for place in flat.places}
    assert high["coat"] == pytest.approx(97, abs=12)
    assert high["bag"] == pytest.approx(34)
    assert high["earrings"] < high["bag"] / 4
