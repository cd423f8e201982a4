"""What is woven of crossing bands is made of few rows, whichever way it lies."""

import numpy as np
import pytest

from lucid_swatch.core.garment.bands import UNKNOWN, crossing_bands, upright_by
from lucid_swatch.core.garment.borders import slopes
from lucid_swatch.core.garment.palette import run_length

SIDE = 300
Y, X = np.mgrid[0:SIDE, 0:SIDE]
LAB = np.array([[88.0, 0, 4], [28.0, 10, -30], [55.0, 40, 20]])


def turned(degrees):
    lean = np.radians(degrees)
    return X * np.cos(lean) + Y * np.sin(lean), -X * np.sin(lean) + Y * np.cos(lean)


def gingham(u, v):
    return ((v // 15) % 2 + (u // 15) % 2).astype(np.int8)


def board(u, v):
    return ((v // 15 + u // 15) % 2).astype(np.int8)


def shares(labels):
    lab = LAB[: labels.max() + 1]
    return crossing_bands(labels, lab, slopes(labels, lab), run_length(labels))


@pytest.mark.parametrize("degrees", [0, 10, 30, 44, -20])
@pytest.mark.parametrize("weave", [gingham, board])
def test_a_check_is_made_of_two_rows_whichever_way_it_lies(weave, degrees):
    assert shares(weave(*turned(degrees)))[1] > 0.96


def test_a_stripe_is_made_of_one_row():
    assert shares(((Y // 12) % 2).astype(np.int8))[0] > 0.99


def test_what_is_strewn_is_made_of_many():
    labels = np.zeros((SIDE, SIDE), np.int8)
    for x, y in np.random.default_rng(3).uniform(0, SIDE, (160, 2)):
        labels[(X - x) ** 2 + (Y - y) ** 2 < 60] = 1
    assert shares(labels)[1] < 0.75


@pytest.mark.parametrize("degrees", [0, 10, 30, -20, 44])
def test_a_check_is_turned_upright_by_how_it_lies(degrees):
    labels = gingham(*turned(degrees))
    assert upright_by(slopes(labels, LAB)) == pytest.approx(degrees, abs=0.6)


def test_of_cloth_too_small_nothing_is_known():
    few = np.full((SIDE, SIDE), -1, np.int8)
    few[10:20, 10:20] = gingham(X, Y)[10:20, 10:20]
    few[12:18, 12:18] = 1
    assert crossing_bands(few, LAB, slopes(few, LAB), 8.0) == UNKNOWN
