"""A hand that holds a piece is none of it, and cloth in the colour of skin is no hand."""

from dataclasses import replace

import cv2
import numpy as np
import pytest

from lucid_swatch.core.garment.vocabulary import Category
from lucid_swatch.core.photo.hand import without_hand
from lucid_swatch.demo.studio.cloth import Cloth
from lucid_swatch.demo.studio.scene import Room, Subject, photograph

SKINS = [(72.0, 12.0, 16.0), (58.0, 15.0, 20.0), (42.0, 14.0, 18.0), (30.0, 10.0, 12.0)]
NAVY = (24.0, 3.0, -22.0)
SIZE = (288, 384)


def shot(cloth, room, seed=3):
    """A photo and where its piece is, both small."""
    subject = Subject(Category.KNIT, Cloth([cloth]))
    picture, truth = photograph(subject, room, seed)
    small = cv2.resize(picture, SIZE, interpolation=cv2.INTER_AREA)
    return small, cv2.resize(truth.mask.astype(np.uint8), SIZE, interpolation=cv2.INTER_NEAREST) > 0


def taken(cloth, room, step=24):
    """What a network takes for the piece, which is all that is neither ground nor shade, and the piece itself.

    step: of 255, how much the hand changes the photo where it is."""
    picture, piece = shot(cloth, room)
    without, whole = shot(cloth, replace(room, hand=None))
    changed = np.abs(picture.astype(int) - without).max(axis=-1) > step
    changed = cv2.morphologyEx(changed.astype(np.uint8), cv2.MORPH_OPEN, np.ones((3, 3), np.uint8)) > 0
    return picture, whole | changed, piece


@pytest.mark.parametrize("skin", SKINS)
@pytest.mark.parametrize("ground", ["wall", "sheet", "carpet"])
def test_a_hand_and_its_arm_are_left_out(skin, ground):
    picture, mask, piece = taken(NAVY, Room(ground, (1.1, 1.0, 0.85), hand=skin))
    assert (mask & ~piece).sum() > 0.05 * piece.sum()
    left = without_hand(picture, mask)
    assert (left & ~piece).sum() < 0.012 * piece.sum()
    assert (left & piece).sum() > 0.97 * piece.sum()


@pytest.mark.parametrize("skin", [(60.0, 15.0, 20.0), (64.0, 14.0, 22.0)])
def test_an_arm_is_left_out_before_wood_of_its_own_colour(skin):
    picture, mask, piece = taken(NAVY, Room("wood", hand=skin), step=8)
    left = without_hand(picture, mask)
    assert (mask & ~piece).sum() > 0.05 * piece.sum()
    assert (left & ~piece).sum() < 0.012 * piece.sum()
    assert (left & piece).sum() > 0.97 * piece.sum()


@pytest.mark.parametrize("cloth", [NAVY, (62.0, 14.0, 34.0), (70.0, 12.0, 18.0), (90.0, 1.0, 4.0)])
@pytest.mark.parametrize("ground", ["wall", "wood"])
def test_a_piece_that_nobody_holds_stays_whole(cloth, ground):
    picture, piece = shot(cloth, Room(ground))
    assert (without_hand(picture, piece) == piece).all()


def test_tan_cloth_that_runs_out_of_the_photo_stays():
    picture = np.full((384, 288, 3), (205, 206, 210), np.uint8)
    mask = np.zeros((384, 288), bool)
    for left in (90, 150):
        mask[60:384, left : left + 40] = True
    picture[mask] = (176, 128, 88)
    assert (without_hand(picture, mask) == mask).all()


def test_a_line_of_the_rug_that_ends_under_a_piece_takes_nothing_of_it():
    picture = np.full((384, 288, 3), (205, 206, 210), np.uint8)
    mask = np.zeros((384, 288), bool)
    mask[60:300, 80:200] = True
    picture[mask] = (40, 50, 80)
    picture[300:, 120:140] = (176, 128, 88)
    mask[298:302, 120:140] = True
    assert (without_hand(picture, mask) == mask).all()
