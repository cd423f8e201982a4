"""What a pattern is made of: repeats, borders, shapes on a ground."""

import numpy as np
import pytest

from lucid_swatch.core.garment.borders import directions, slopes, straightness
from lucid_swatch.core.garment.motifs import motif_distance, motif_spacing, painted, read_likeness, read_repeat
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
    assert read_repeat(read_likeness(labels, LAB), run_length(labels)) == pytest.approx(period, abs=1.5)


def test_scattered_spots_have_no_lattice():
    rng = np.random.default_rng(3)
    labels = np.zeros((SIDE, SIDE), int)
    for x, y in rng.uniform(0, SIDE, (140, 2)):
        labels[(X - x) ** 2 + (Y - y) ** 2 < 60] = 1
    assert read_repeat(read_likeness(labels, LAB), run_length(labels)) is None


@pytest.mark.parametrize(
    ("labels", "degrees"),
    [((Y // 10) % 2, {18}), ((X // 10) % 2, {0}), (((X + Y) // 14) % 2, {9}), (gingham(40), {0, 18})],
    ids=["stripe", "down", "bias", "check"],
)
def test_borders_run_where_they_were_drawn(labels, degrees):
    share = directions(slopes(labels, LAB))
    near = sum(np.roll(share, k) for k in (-1, 0, 1))
    assert sum(near[list(degrees)]) > 0.6
    assert min(near[list(degrees)]) > 0.25


def test_the_borders_of_dots_run_everywhere():
    assert directions(slopes(dots(40, 14), LAB)).max() < 0.12


def test_a_cloth_of_one_colour_has_no_borders():
    assert directions(slopes(np.zeros((SIDE, SIDE), int), LAB)).sum() == 0


def test_bands_run_straight_and_dots_do_not():
    lines, spots = slopes((Y // 10) % 2, LAB), slopes(dots(40, 12), LAB)
    assert straightness(lines, 20.0) > 0.95 > 0.5 > straightness(spots, 20.0)


def test_the_distance_of_dots_is_how_many_share_the_cloth():
    assert motif_distance(dots(40, 12), 14.0) * 0.87 == pytest.approx(40, rel=0.05)


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
