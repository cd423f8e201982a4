"""What a pattern is made of: repeats, borders, shapes on a ground."""

import numpy as np
import pytest

from lucid_swatch.core.garment.motifs import (
    motif_spacing,
    painted,
    read_borders,
    read_lattice,
    read_likeness,
    read_motifs,
)
from lucid_swatch.core.garment.palette import run_length

SIDE = 400
Y, X = np.mgrid[0:SIDE, 0:SIDE]
LAB = np.array([[80.0, 0, 10], [30.0, 10, -30]])


def dots(period, radius):
    return ((((X % period) - period / 2) ** 2 + ((Y % period) - period / 2) ** 2) < radius**2).astype(int)


def gingham(period):
    return ((X % period < period / 2) & (Y % period < period / 2)).astype(int)


@pytest.mark.parametrize("period", [20, 40, 80])
def test_the_repeat_of_a_lattice_is_its_period(period):
    labels = dots(period, period / 4)
    assert read_lattice(read_likeness(labels, LAB), run_length(labels)).distance == pytest.approx(period, abs=1.5)


def test_scattered_spots_have_no_lattice():
    rng = np.random.default_rng(3)
    labels = np.zeros((SIDE, SIDE), int)
    for x, y in rng.uniform(0, SIDE, (140, 2)):
        labels[(X - x) ** 2 + (Y - y) ** 2 < 60] = 1
    assert read_lattice(read_likeness(labels, LAB), run_length(labels)) is None


def test_bands_run_through_and_dots_do_not():
    lines = ((X % 40 < 6) | (Y % 40 < 6)).astype(int)
    spots = dots(40, 10)
    assert (
        read_lattice(read_likeness(lines, LAB), run_length(lines)).ridge
        > read_lattice(read_likeness(spots, LAB), run_length(spots)).ridge
    )


@pytest.mark.parametrize(
    ("labels", "directions"),
    [((Y // 10) % 2, 1), (((X + Y) // 14) % 2, 1), (gingham(40), 2)],
    ids=["stripe", "bias", "check"],
)
def test_borders_run_where_they_were_drawn(labels, directions):
    read = read_borders(labels, LAB)
    assert read.directions == directions
    assert read.share > 0.6


def test_the_borders_of_dots_run_everywhere():
    assert read_borders(dots(40, 14), LAB).share < 0.52


def test_dots_are_round_and_lie_apart():
    read = read_motifs(dots(40, 12), 14.0)
    assert read.isolated
    assert read.round
    assert read.spacing * 0.87 == pytest.approx(40, rel=0.05)


def test_stars_are_not_round():
    angle, far = np.arctan2((Y % 80) - 40, (X % 80) - 40), np.hypot((Y % 80) - 40, (X % 80) - 40)
    read = read_motifs((far < 18 + 12 * np.cos(5 * angle)).astype(int), 20.0)
    assert read.isolated
    assert not read.round


@pytest.mark.parametrize("size", [10.0, 20.0])
def test_the_spacing_of_a_scattered_print_follows_its_size(size):
    rng = np.random.default_rng(8)
    labels = np.zeros((SIDE, SIDE), int)
    for x, y in rng.uniform(0, SIDE, (int(30_000 / size**2), 2)):
        labels[(X - x) ** 2 + (Y - y) ** 2 < (size / 2) ** 2] = 1
    assert 2.0 < motif_spacing(labels, LAB) / size < 7.0


@pytest.mark.parametrize(("count", "axes"), [(2, 1), (3, 2), (5, 3)])
def test_painted_cloth_keeps_its_energy_on_as_many_axes_as_its_colours_need(count, axes):
    rng = np.random.default_rng(count)
    lab, labels = rng.uniform(-40, 90, (count, 3)), rng.integers(0, count, (60, 50)).astype(np.int8)
    labels[:4] = -1
    pictures = painted(labels, lab)
    assert len(pictures) == axes
    apart = lab[labels[4:]] - lab[labels[4:]].reshape(-1, 3).mean(axis=0)
    assert sum(picture[4:] ** 2 for picture in pictures) == pytest.approx((apart**2).sum(axis=-1), rel=0.01, abs=2)
    assert not any(picture[:4].any() for picture in pictures)
