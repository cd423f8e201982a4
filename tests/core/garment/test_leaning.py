"""A studio's own borders: small, explained, and never silent."""

import numpy as np
import pytest

from lucid_swatch.core.garment.leaning import habits, would_move
from lucid_swatch.core.garment.neutrals import neutral_limit, neutrality, temperature
from lucid_swatch.core.garment.piece import Piece
from lucid_swatch.core.garment.school import BROAD, MOST_LIMIT, MOST_WARMTH, Leaning, School
from lucid_swatch.core.garment.sorting import read_pieces, sort_pieces
from lucid_swatch.core.garment.vocabulary import Bin, Category, PatternType

DUSTY_OLIVE = [42, -2, 13]


def piece(id, lab, bin=None, pattern=PatternType.SOLID):
    return Piece(id, Category.KNIT, np.array([lab], float), np.ones(1), bin_said=bin, pattern=pattern)


def test_a_leaning_moves_what_is_near_and_nothing_far_away():
    lab = np.array([DUSTY_OLIVE, [44, -3, 12], [80, 10, 60]], float)
    leaned = School(leanings=(Leaning(tuple(DUSTY_OLIVE), warmth=-0.3),))
    moved = temperature(lab, leaned) - temperature(lab)
    assert moved[0] == pytest.approx(-0.3)
    assert -0.3 < moved[1] < -0.2
    assert abs(moved[2]) < 1e-6


def test_a_leaning_on_the_limit_makes_more_or_less_of_a_neutral():
    lab = np.array([[42.0, -2, -26]])
    more, less = (neutrality(lab, School(leanings=(Leaning((42, -2, -26), limit=x),)))[0] for x in (0.2, -0.2))
    assert less < neutrality(lab)[0] < more


def test_leanings_together_stay_small():
    many = School(leanings=(Leaning(tuple(DUSTY_OLIVE), warmth=-0.3, limit=0.2),) * 5)
    lab = np.array([DUSTY_OLIVE], float)
    assert temperature(lab)[0] - temperature(lab, many)[0] <= MOST_WARMTH + 0.2
    wide = neutral_limit(lab, many) / neutral_limit(lab)
    assert wide[0] == pytest.approx(np.exp(MOST_LIMIT))  # five times 0.2 would be far more


def test_a_word_against_the_reading_is_explained_with_the_border_it_asks_for():
    pieces = [piece("shirt", DUSTY_OLIVE, Bin.COOL_NEUTRAL), piece("coat", [43, -2, 14], Bin.COOL_NEUTRAL)]
    read = read_pieces(pieces)[0]
    assert read.bin is Bin.WARM_NEUTRAL
    habit = habits(pieces, BROAD)[0]
    assert (habit.family, habit.read, habit.said) == (read.family, Bin.WARM_NEUTRAL, Bin.COOL_NEUTRAL)
    assert set(habit.pieces) == {"shirt", "coat"}
    assert -MOST_WARMTH <= habit.leaning.warmth < 0
    assert habit.enough is all(
        p.bin is Bin.COOL_NEUTRAL for p in read_pieces(pieces, School(leanings=(habit.leaning,)))
    )


def test_a_border_taken_on_is_not_asked_for_again():
    pieces = [piece("denim skirt", [42, -2, -28], Bin.COOL_NEUTRAL)]
    assert read_pieces(pieces)[0].bin is Bin.TONE
    habit = habits(pieces, BROAD)[0]
    assert habit.enough
    assert habits(pieces, School(leanings=(habit.leaning,))) == []


def test_words_that_agree_and_prints_ask_for_nothing():
    assert (
        habits([piece("a", DUSTY_OLIVE, Bin.WARM_NEUTRAL), piece("b", DUSTY_OLIVE, Bin.TONE, PatternType.DOT)], BROAD)
        == []
    )


def test_only_pieces_without_a_word_would_move():
    free, held = piece("free", DUSTY_OLIVE), piece("held", DUSTY_OLIVE, Bin.WARM_NEUTRAL)
    other = School(leanings=(Leaning(tuple(DUSTY_OLIVE), warmth=-0.35), Leaning(tuple(DUSTY_OLIVE), warmth=-0.35)))
    assert [p.id for p, _, _ in would_move([free, held], BROAD, other)] in ([], ["free"])
    assert sort_pieces([held], other)[0].bin is Bin.WARM_NEUTRAL
