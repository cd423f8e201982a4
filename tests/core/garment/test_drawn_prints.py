"""Drawn cloths are what they are called, and their measures tell them apart."""

import numpy as np
import pytest
from benchmarks.prints.drawn import draw_piece
from benchmarks.prints.fields import FAMILIES

from lucid_swatch.core.garment.closely import read_closely
from lucid_swatch.core.garment.motifs import read_likeness
from lucid_swatch.core.garment.print_measures import NAMES, print_measures
from lucid_swatch.core.garment.vocabulary import PatternType

SIDE = 300
Y, X = np.mgrid[0:SIDE, 0:SIDE]
LAB = np.array([[85.0, 0, 8], [30.0, 10, -30]])


def measured(labels):
    share = np.bincount(labels.ravel(), minlength=2) / labels.size
    values = print_measures(labels.astype(np.int8), LAB, share, float(SIDE), 0.5, read_likeness(labels, LAB))
    return dict(zip(NAMES, values, strict=True))


def test_the_same_seed_draws_the_same_piece():
    one, other = draw_piece(5), draw_piece(5)
    assert one.kind is other.kind
    assert (one.rgb_linear == other.rgb_linear).all()
    assert (one.mask == other.mask).all()


@pytest.mark.parametrize("kind", FAMILIES)
def test_every_family_shows_two_colours_or_more(kind):
    u, v = X / 60 - 2.5, Y / 60 - 2.5
    for family in FAMILIES[kind]:
        shown = np.unique(family(u, v, np.random.default_rng(2), 3))
        assert len(shown) > 1, family.__name__
        assert shown.min() >= 0


def test_stripes_run_one_way_and_checks_two():
    stripe, check = measured((Y // 12) % 2), measured(((X // 12) % 2) * ((Y // 12) % 2))
    assert stripe["one way"] > 0.9 > check["one way"]
    assert check["two ways"] > 0.7
    assert stripe["second way"] < 0.05 < check["second way"]


def test_a_lattice_is_like_itself_and_strewn_spots_are_not():
    spots = np.zeros((SIDE, SIDE), int)
    for x, y in np.random.default_rng(3).uniform(0, SIDE, (60, 2)):
        spots[(X - x) ** 2 + (Y - y) ** 2 < 36] = 1
    rows = (((X % 36) - 18) ** 2 + ((Y % 36) - 18) ** 2 < 36).astype(int)
    assert measured(rows)["likeness"] > 0.8 > measured(spots)["likeness"] + 0.3
    assert measured(rows)["spread of roundness"] < 0.1


def test_blocks_are_few_and_uneven():
    block, dots = (
        measured((Y > 160).astype(int)),
        measured((((X % 30) - 15) ** 2 + ((Y % 30) - 15) ** 2 < 40).astype(int)),
    )
    assert block["regions"] < dots["regions"]
    assert block["uneven down"] + block["uneven across"] > dots["uneven down"] + dots["uneven across"] + 0.2


def test_fine_motifs_are_read_as_they_are_and_coarse_ones_smaller():
    large = np.zeros((1600, 1600), np.int8)
    y, x = np.mgrid[0:1600, 0:1600]
    coarse, _ = read_closely(np.where((y // 200) % 2 == 1, 1, large).astype(np.int8))
    fine, width = read_closely(np.where((x // 4) % 2 == 1, 1, large).astype(np.int8))
    assert max(coarse.shape) == 640
    assert width == 1600
    assert (np.diff(fine[300]) != 0).mean() == pytest.approx(0.25, abs=0.02)


def test_plain_pieces_are_drawn_too():
    kinds = {draw_piece(seed).kind for seed in range(14)}
    assert {PatternType.SOLID, PatternType.MARL} <= kinds
