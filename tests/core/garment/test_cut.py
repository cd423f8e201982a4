"""How a piece is cut, from its outline alone."""

import cv2
import numpy as np
import pytest
from benchmarks.likely import laid, outlines
from hypothesis import given, settings
from hypothesis import strategies as st

from lucid_swatch.core.garment.chances import along_a_scale, in_order, taken, weighed
from lucid_swatch.core.garment.cut import WAIST_FLAT, cut_seen
from lucid_swatch.core.garment.lengths import HEMS, LENGTHS_OF, WAIST
from lucid_swatch.core.garment.upright import hanging
from lucid_swatch.core.garment.vocabulary import Category as C
from lucid_swatch.core.garment.vocabulary import Heel, Length, Neckline, Sleeve, Toe, Volume

SIDE = 500


def outline(points, turn=0.0):
    """A polygon in centimetres, three pixels each, turned by some degrees."""
    angle = np.radians(turn)
    place = np.array([[np.cos(angle), -np.sin(angle)], [np.sin(angle), np.cos(angle)]])
    moved = (np.array(points, float) - np.mean(points, axis=0)) @ place.T * 3 + SIDE / 2
    mask = np.zeros((SIDE, SIDE), np.uint8)
    cv2.fillPoly(mask, [np.rint(moved).astype(np.int32)], 1)
    return mask > 0


def skirt(length, hem=56.0):
    half = WAIST_FLAT / 2
    return [(-half, 0), (half, 0), (hem / 2, length), (-hem / 2, length)]


def trousers(leg):
    half = WAIST_FLAT / 2
    return [(-half, 0), (half, 0), (half + 2, 30), (2 + leg, 96), (2, 96), (0, 30), (-2, 96), (-2 - leg, 96), (-half - 2, 30)]  # fmt: skip


def top(out, down):
    """A top with sleeves that reach so far out and down."""
    right = [(8, 0), (20, 2), (20 + out, down), (14 + out, down + 6), (23, 24), (22, 62)]
    return [*right, *[(-x, y) for x, y in reversed(right)]]


@pytest.mark.parametrize("length", [Length.KNEE, Length.MIDI, Length.ANKLE])
def test_a_skirt_ends_where_its_waist_says(length):
    seen = cut_seen(outline(skirt(HEMS[length] - WAIST)), C.SKIRT)
    assert seen.length[0][0] is length


@pytest.mark.parametrize(("hem", "volume"), [(36, Volume.CLOSE), (54, Volume.EASY), (86, Volume.FULL)])
def test_a_skirt_is_as_full_as_it_flares(hem, volume):
    assert cut_seen(outline(skirt(76, hem)), C.SKIRT).volume[0][0] is volume


@pytest.mark.parametrize(("leg", "volume"), [(10.5, Volume.CLOSE), (15.0, Volume.EASY), (21.0, Volume.FULL)])
def test_trousers_are_as_full_as_their_legs_at_the_hem(leg, volume):
    seen = cut_seen(outline(trousers(leg)), C.TROUSERS)
    assert seen.volume[0][0] is volume
    assert seen.length[0][0] in (Length.ANKLE, Length.FLOOR)


@pytest.mark.parametrize("turn", [-20, -8, 8, 20])
def test_how_it_lies_does_not_matter(turn):
    straight, turned = (cut_seen(outline(skirt(76), t), C.SKIRT) for t in (0, turn))
    assert turned.length[0][0] is straight.length[0][0] is Length.MIDI
    assert turned.volume[0][0] is straight.volume[0][0]


def test_sleeves_end_where_the_outline_draws_in():
    assert cut_seen(outline(top(12, 20)), C.TOP).sleeve[0][0] is Sleeve.SHORT
    assert cut_seen(outline(top(22, 50)), C.TOP).sleeve[0][0] is Sleeve.LONG


def test_straps_stand_at_the_top():
    strappy = outline([(-15, 16), (15, 16), (14, 36), (30, 104), (-30, 104), (-14, 36)])
    strappy |= outline([(-13, 16), (-11, 16), (-11, 0), (-13, 0)]) & False
    columns, row = [SIDE // 2 - 36, SIDE // 2 + 30], int(np.flatnonzero(strappy.any(axis=1))[0])
    for column in columns:
        strappy[row - 45 : row + 3, column : column + 6] = True
    assert cut_seen(strappy, C.DRESS).neckline == ((Neckline.STRAPS, 1.0),)


def test_a_pair_from_above_shows_its_toes_and_no_heel():
    def pair(tip):
        shoe = [(-5, 26), (-4, 12), (-tip, 0), (tip, 0), (4, 12), (5, 26)]
        left, right = outline([(x - 8, y) for x, y in shoe]), outline([(x + 8, y) for x, y in shoe])
        return np.hstack([left[:, 150:350], right[:, 150:350]])

    assert cut_seen(pair(3.6), C.SHOES).toe[0][0] is Toe.ROUND
    assert cut_seen(pair(0.4), C.SHOES).toe[0][0] is Toe.POINTED
    assert cut_seen(pair(3.6), C.SHOES).heel == ()


def test_a_shoe_from_the_side_shows_its_heel():
    flat = outline([(0, 0), (8, 0), (14, 5), (27, 8), (27, 12), (0, 12)])
    high = outline([(0, 0), (8, 0), (14, 5), (27, 12), (27, 16), (20, 16), (6, 8), (3, 8), (2, 16), (0, 16)])
    assert cut_seen(flat, C.SHOES).heel[0][0] is Heel.FLAT
    assert cut_seen(high, C.SHOES).heel[0][0] is Heel.HIGH


def test_own_silhouettes_end_within_a_step_of_what_they_are_drawn_as():
    rng = np.random.default_rng(5)
    drawn = [(C.COAT, "", Length.MIDI), (C.DRESS, "long", Length.FLOOR), (C.SKIRT, "", Length.MIDI), (C.TROUSERS, "", Length.ANKLE)]  # fmt: skip
    steps = list(HEMS)
    off = [
        abs(steps.index(cut_seen(laid(outlines(c, style), rng), c).length[0][0]) - steps.index(length))
        for c, style, length in drawn
        for _ in range(12)
    ]
    assert np.mean(np.array(off) <= 1) >= 0.85


def test_what_has_no_cut_shows_none():
    assert cut_seen(outline(skirt(40)), C.BAG).length == ()
    assert cut_seen(outline(skirt(40)), C.NECKLACE).volume == ()


@settings(max_examples=60, deadline=None)
@given(st.sampled_from(C), st.integers(1, 60), st.integers(1, 60), st.integers(0, 2**32 - 1), st.floats(0.02, 1))
def test_any_outline_of_any_piece_gets_chances_in_order(category, rows, columns, seed, share):
    mask = np.random.default_rng(seed).random((rows, columns)) < share
    mask[rows // 2, columns // 2] = True
    seen = cut_seen(mask, category)
    for chances in (seen.length, seen.volume, seen.sleeve, seen.neckline, seen.toe, seen.heel):
        told = [chance for _, chance in chances]
        assert told == sorted(told, reverse=True)
        assert not told or 0.9 <= sum(told) <= 1.01
    if seen.length:
        assert {word for word, _ in seen.length} <= set(LENGTHS_OF[category])


def test_an_outline_hangs_straight_whichever_way_it_lies():
    straight, turned = hanging(outline(skirt(76))), hanging(outline(skirt(76), 17))
    assert turned.mirrored > 0.93
    for start, end in ((0.03, 0.09), (0.9, 0.95)):
        across = [one.width(start, end) / one.height for one in (straight, turned)]
        assert across[1] == pytest.approx(across[0], rel=0.08)


def test_chances_lie_along_a_scale_and_the_usual_weighs_in():
    words = ("low", "middle", "high")
    assert along_a_scale(5.0, 1.0, words, (2, 8))[0] == ("middle", 0.997)
    even = along_a_scale(2.0, 1.0, words, (2, 8))
    assert [round(chance, 1) for _, chance in even] == [0.5, 0.5]
    assert weighed(even, {"low": 0.9, "middle": 0.1}, 0.0)[0] == ("low", 0.9)
    assert taken(even, 0.6) is None
    assert taken(in_order({"a": 3, "b": 1}), 0.6) == "a"
    assert taken((), 0.1) is None
