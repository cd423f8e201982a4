"""Where colours hang."""

import numpy as np
import pytest
from hypothesis import given

from lucid_swatch.core.garment.piece import Piece
from lucid_swatch.core.garment.sorting import neutrality, sort_colours, sort_pieces, temperature
from lucid_swatch.core.garment.vocabulary import Bin, Category, PatternType, Undertone
from tests.strategies import lab_colours

FIRM = [
    ("caramel", [54, 17, 35], Bin.WARM_NEUTRAL), ("ivory", [91, 1, 10], Bin.WARM_NEUTRAL),
    ("chocolate", [24, 8, 10], Bin.WARM_NEUTRAL), ("putty", [68, 1, 6], Bin.COOL_NEUTRAL),
    ("slate", [42, -3, -10], Bin.COOL_NEUTRAL), ("navy", [20, 4, -20], Bin.COOL_NEUTRAL),
    ("white", [95, 0, 0], Bin.BALANCED_NEUTRAL), ("black", [14, 0, 0], Bin.BALANCED_NEUTRAL),
    ("scarlet", [46, 60, 40], Bin.TONE), ("emerald", [42, -40, 14], Bin.TONE), ("lilac", [72, 18, -20], Bin.TONE),
    ("baby pink", [84, 17, 2], Bin.TONE), ("mustard", [66, 10, 60], Bin.TONE),
]  # fmt: skip


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
    assert (neutrality(np.stack([navy, khaki]), strict=True) < 0.5).all()


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
