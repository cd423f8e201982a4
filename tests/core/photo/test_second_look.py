"""Of two outlines the one that holds cloth and no ground."""

import numpy as np

from lucid_swatch.core.photo.second_look import agreement, second_is_better

ROWS, COLUMNS = 384, 300
y, x = np.mgrid[0:ROWS, 0:COLUMNS]
RUG = (x > 40) & (x < 260)
BAG = (x > 70) & (x < 230) & (y > 120) & (y < 340)
LOWER_HALF = BAG & (y > 230)


def photo(upper=(240, 210, 140), lower=(120, 40, 90)):
    """A bag in two colours on a rug of four, the rug on a bed."""
    stripes = np.array([(150, 60, 50), (90, 100, 60), (190, 170, 140), (60, 60, 90)])
    picture = np.where(RUG[..., None], stripes[(y // 24) % 4], (150, 80, 60))
    picture = np.where(BAG[..., None], upper, picture)
    picture = np.where(LOWER_HALF[..., None], lower, picture)
    noise = np.random.default_rng(2).normal(0, 3, picture.shape)
    return np.clip(picture + noise, 0, 255).astype(np.uint8)


def test_a_second_look_that_finds_the_whole_is_better():
    upper = BAG & ~LOWER_HALF
    assert second_is_better(photo(), upper, BAG)
    assert not second_is_better(photo(), BAG, upper)


def test_a_second_look_that_takes_the_rug_is_not():
    with_rug = BAG | (RUG & (y > 60) & (y < 370))
    assert not second_is_better(photo(), BAG, with_rug)
    assert second_is_better(photo(), with_rug, BAG)


def test_a_look_at_the_wrong_place_is_left_for_the_right_one():
    elsewhere = RUG & (y < 100) & (y > 20)
    assert second_is_better(photo(), elsewhere, BAG)
    assert not second_is_better(photo(), BAG, elsewhere)


def test_the_same_again_and_a_photo_without_ground_change_nothing():
    assert not second_is_better(photo(), BAG, BAG)
    assert not second_is_better(photo(), BAG, np.ones_like(BAG))


def test_agreement_is_of_all_that_either_holds():
    assert agreement(BAG, BAG) == 1
    assert agreement(BAG, LOWER_HALF) == LOWER_HALF.sum() / BAG.sum()
    assert agreement(BAG, ~BAG) == 0
