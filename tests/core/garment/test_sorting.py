"""Where colours hang."""

import numpy as np
import pytest
from hypothesis import given

from lucid_swatch.core.garment.neutrals import neutrality, temperature
from lucid_swatch.core.garment.piece import Piece
from lucid_swatch.core.garment.school import STRICT
from lucid_swatch.core.garment.sorting import read_pieces, sort_colours, sort_pieces
from lucid_swatch.core.garment.vocabulary import Bin, Category, Finish, Metal, PatternType, Undertone
from tests.strategies import lab_colours

FIRM = [
    ("caramel", [54, 17, 35], Bin.WARM_NEUTRAL),
    ("ivory", [91, 1, 10], Bin.WARM_NEUTRAL),
    ("chocolate", [24, 8, 10], Bin.WARM_NEUTRAL),
    ("putty", [68, 1, 6], Bin.COOL_NEUTRAL),
    ("slate", [42, -3, -10], Bin.COOL_NEUTRAL),
    ("navy", [20, 4, -20], Bin.COOL_NEUTRAL),
    ("white", [95, 0, 0], Bin.BALANCED_NEUTRAL),
    ("black", [14, 0, 0], Bin.BALANCED_NEUTRAL),
    ("scarlet", [46, 60, 40], Bin.TONE),
    ("emerald", [42, -40, 14], Bin.TONE),
    ("lilac", [72, 18, -20], Bin.TONE),
    ("baby pink", [84, 17, 2], Bin.TONE),
    ("mustard", [66, 10, 60], Bin.TONE),
]


@pytest.mark.parametrize(("name", "lab", "bin"), FIRM, ids=[f[0] for f in FIRM])
def test_what_nobody_quarrels_about(name, lab, bin):
    assert sort_colours(np.array([lab], float))[0].bin == bin


@pytest.mark.parametrize(
    ("lab", "side"),
    [
        ([42, 58, 14], Undertone.COOL),
        ([45, 60, 42], Undertone.WARM),
        ([80, 12, 70], Undertone.WARM),
        ([36, 16, -56], Undertone.COOL),
    ],
)
def test_tones_are_warm_or_cool_inside_their_own_hue(lab, side):
    assert sort_colours(np.array([lab], float))[0].undertone == side


def test_navy_and_khaki_are_neutrals_for_the_broad_school_only():
    navy, khaki = np.array([20.0, 5, -22]), np.array([60.0, 0, 20])
    assert (neutrality(np.stack([navy, khaki])) > 0.5).all()
    assert (neutrality(np.stack([navy, khaki]), STRICT) < 0.5).all()


def test_a_greyed_beige_is_cool_although_its_hue_is_yellow():
    greyed, sandy = temperature(np.array([[64.0, 1, 6], [64.0, 5, 20]]))
    assert greyed < -0.2 < 0.2 < sandy


@given(lab_colours())
def test_temperature_and_confidence_stay_on_their_tapes(lab):
    one = sort_colours(lab[None])[0]
    assert -1 <= one.temperature <= 1
    assert 0 < one.confidence < 1
    assert one.name


def test_a_less_certain_colour_is_sorted_less_surely():
    border = np.array([[48.0, 3, 7]])
    sure, unsure = (sort_colours(border, np.array([d]))[0].confidence for d in (1.0, 8.0))
    assert unsure < sure


def test_a_print_hangs_with_the_prints():
    lab = np.array([[20.0, 5, -22], [96.0, 0, 0]])
    piece = Piece("p", Category.SKIRT, lab, np.array([0.6, 0.4]), pattern=PatternType.STRIPE)
    assert sort_pieces([piece])[0].bin == Bin.PRINT
    assert sort_pieces([]) == []


ARGUED_ABOUT = [[47, -1, -2], [90, 4, 3], [94, -10, 28], [50, 3, 8], [79, -17, 32], [63, -6, 5]]
SETTLED = [[40, 60, 38], [24, 4, -24], [70, 4, 22], [60, -36, 10], [14, 0, 0], [74, 20, -20]]


def test_what_people_argue_about_is_less_sure_than_what_they_do_not():
    doubtful, firm = (
        np.mean([s.confidence for s in sort_colours(np.array(lab, float))]) for lab in (ARGUED_ABOUT, SETTLED)
    )
    assert firm - doubtful >= 0.2


def piece_of(lab, pattern=PatternType.SOLID, share=None, **values):
    lab = np.atleast_2d(np.array(lab, float))
    share = np.full(len(lab), 1 / len(lab)) if share is None else np.array(share)
    return Piece("p", Category.SKIRT, lab, share, pattern=pattern, **values)


@pytest.mark.parametrize(
    ("lab", "finish", "metal", "bin"),
    [
        ([40, 0, -40], Finish.DENIM, Metal.NONE, Bin.COOL_NEUTRAL),
        ([80, 4, 60], Finish.STRAW, Metal.NONE, Bin.WARM_NEUTRAL),
        ([70, 2, 6], Finish.METALLIC, Metal.GOLD, Bin.WARM_NEUTRAL),
        ([70, 2, 12], Finish.METALLIC, Metal.SILVER, Bin.COOL_NEUTRAL),
    ],
)
def test_denim_straw_and_metal_are_neutrals_of_the_broad_school(lab, finish, metal, bin):
    piece = piece_of(lab, finish=frozenset({finish}), metal=metal)
    assert sort_pieces([piece])[0].bin == bin
    assert sort_pieces([piece], STRICT)[0] == sort_colours(np.array([lab], float), school=STRICT)[0]


def test_a_print_is_named_by_ground_and_motif():
    colours = [[20, 4, -22], [95, 0, 1]]
    assert sort_pieces([piece_of(colours, PatternType.STRIPE)])[0].name == "navy and white stripe"
    assert sort_pieces([piece_of(colours, PatternType.DOT)])[0].name == "navy dot with white"
    assert sort_pieces([piece_of(colours[:1], PatternType.GRAPHIC)])[0].name == "navy graphic"


@pytest.mark.parametrize("bin", [Bin.WARM_NEUTRAL, Bin.COOL_NEUTRAL, Bin.BALANCED_NEUTRAL, Bin.TONE])
def test_the_stylists_word_wins_and_leaves_no_doubt(bin):
    said = sort_pieces([piece_of([48, 3, 7], bin_said=bin)])[0]
    assert (said.bin, said.confidence) == (bin, 1.0)
    sides = {
        Bin.WARM_NEUTRAL: Undertone.WARM,
        Bin.COOL_NEUTRAL: Undertone.COOL,
        Bin.BALANCED_NEUTRAL: Undertone.BALANCED,
    }
    assert said.undertone == sides.get(bin, said.undertone)
    assert read_pieces([piece_of([48, 3, 7], bin_said=bin)]) == read_pieces([piece_of([48, 3, 7])])


def test_black_and_white_may_lean():
    names = [s.name for s in sort_colours(np.array([[14, 1, -8], [13, 3, 3], [92, 0, -3], [91, 4, 2]], float))]
    assert names == ["blue black", "brown black", "cool white", "pinkish white"]


@given(lab_colours())
def test_a_colour_that_is_badly_known_hangs_where_it_is_likeliest(lab):
    """No answer of a few can be the likeliest of them and hardly likely at all."""
    (sort,) = sort_colours(lab[None], np.array([15.0]))
    assert sort.confidence >= 1 / 6 - 0.05 - 1e-9


def test_a_bag_between_two_sides_is_not_called_balanced_for_lying_in_the_middle():
    lab, radius = np.array([[52.0, 3.0, 5.0]]), np.array([16.0])
    (sort,) = sort_colours(lab, radius)
    assert sort.confidence > 0.2
    (known,) = sort_colours(lab, np.array([1.0]))
    assert known.confidence > sort.confidence


@given(lab_colours())
def test_the_temperature_that_is_told_is_one_of_the_side_where_it_hangs(lab):
    (sort,) = sort_colours(lab[None], np.array([12.0]))
    if sort.bin is Bin.WARM_NEUTRAL:
        assert sort.temperature > 0
    if sort.bin is Bin.COOL_NEUTRAL:
        assert sort.temperature < 0
