"""The studio: silhouettes read as garments, cloth holds its colours, light is light."""

import numpy as np
import pytest

from lucid_swatch.core.garment.vocabulary import Finish, PatternType
from lucid_swatch.demo.studio.cloth import Cloth, colour_map, surface_of, weave
from lucid_swatch.demo.studio.noise import creases, layered_noise, smooth_noise
from lucid_swatch.demo.studio.portrait import SPOTS, Sitter, draw_portrait
from lucid_swatch.demo.studio.scene import HEIGHT, WIDTH, Room, photograph
from lucid_swatch.demo.studio.silhouettes import parts_of, smooth
from lucid_swatch.demo.wardrobe import SAMPLES

CATEGORIES = sorted({s.subject.category for s in SAMPLES})
THREE = ((20.0, 0.0, 0.0), (50.0, 10.0, 10.0), (90.0, 0.0, 5.0))


@pytest.mark.parametrize("category", CATEGORIES)
def test_every_part_is_a_closed_outline_with_an_inside(category):
    for part in parts_of(category):
        x, y = smooth(part.points).T
        area = abs(np.dot(x, np.roll(y, 1)) - np.dot(y, np.roll(x, 1))) / 2
        assert area > 0
        assert np.isfinite(x).all()


@pytest.mark.parametrize("kind", [k for k in PatternType if k.value not in ("animal", "graphic", "gradient", "solid")])
def test_every_pattern_shows_its_colours_and_no_other(kind):
    cloth = Cloth(THREE if kind is not PatternType.MARL else THREE[:2], kind, 0.2)
    found = set(np.unique(colour_map(cloth, np.random.default_rng(1), (300, 300), 240, 0.0)))
    assert found <= set(range(len(cloth.lab)))
    assert len(found) >= 2


@pytest.mark.parametrize("finish", Finish)
def test_a_weave_leaves_the_mean_light_alone(finish):
    cloth = Cloth(THREE[:1], finish=(finish,))
    assert weave(cloth, np.random.default_rng(1), (200, 200)).mean() == pytest.approx(1, abs=0.03)
    assert surface_of(cloth).gloss >= 0


def test_noise_is_as_smooth_as_asked():
    rng = np.random.default_rng(2)
    fine, coarse = (smooth_noise(rng, (200, 200), (w, w)) for w in (4.0, 60.0))
    assert np.abs(np.diff(fine)).mean() > 5 * np.abs(np.diff(coarse)).mean()
    assert layered_noise(rng, (50, 70), 20).shape == (50, 70)
    assert creases(rng, (60, 40), 12.0, 10.0, 3.0).shape == (60, 40)


def test_a_warm_lamp_makes_a_photo_warmer_and_the_truth_stays():
    sample = next(s for s in SAMPLES if s.file == "jeans.jpg")
    day, truth = photograph(sample.subject, Room("wall"), 5)
    bulb, same = photograph(sample.subject, Room("wall", (1.2, 1.0, 0.7)), 5)
    assert day.shape == (HEIGHT, WIDTH, 3)
    assert bulb[..., 0].mean() / bulb[..., 2].mean() > 1.2 * day[..., 0].mean() / day[..., 2].mean()
    assert truth.shares == same.shares
    assert (truth.mask == same.mask).all()


def test_the_card_lies_where_the_truth_says():
    sample = next(s for s in SAMPLES if s.file == "cognac-loafers.jpg")
    picture, truth = photograph(sample.subject, Room("wood", card=True), 5)
    x, y = round(truth.neutral["x"] * WIDTH), round(truth.neutral["y"] * HEIGHT)
    patch = picture[y - 8 : y + 8, x - 8 : x + 8].reshape(-1, 3).astype(int)
    assert patch.mean() > 235
    assert np.ptp(patch.mean(axis=0)) < 6
    assert not truth.mask[y, x]


@pytest.mark.parametrize("skin", [(84.0, 6.0, 14.0), (60.0, 13.0, 20.0), (30.0, 10.0, 14.0)])
def test_a_portrait_has_the_skin_it_was_given(skin):
    picture = draw_portrait(Sitter(skin, (20.0, 5.0, 8.0), (30.0, 8.0, 14.0)), (1.0, 1.0, 1.0), 1)
    x, y = SPOTS["skin"][0]
    rows, columns = picture.shape[:2]
    from lucid_swatch.core.colour.spaces import decode_srgb, rgb_linear_to_lab

    lab = rgb_linear_to_lab(decode_srgb(picture / 255.0))[int(y * rows), int(x * columns)]
    assert abs(lab[0] - skin[0]) < 12
