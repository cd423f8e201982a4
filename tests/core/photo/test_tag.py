"""A paper tag is none of the piece; cuffs, motifs and metal are."""

import cv2
import numpy as np
import pytest

from lucid_swatch.core.garment.vocabulary import Category
from lucid_swatch.core.photo.tag import without_tag
from lucid_swatch.demo.studio.cloth import Cloth
from lucid_swatch.demo.studio.scene import Room, Subject, photograph
from lucid_swatch.demo.wardrobe import SAMPLES

SIZE = (288, 384)
PIECE = np.zeros((384, 288), bool)
PIECE[60:330, 60:230] = True


def painted(*boxes, colour=(236, 234, 230)):
    """A navy piece with light boxes (top, bottom, left, right) on it."""
    picture = np.full((384, 288, 3), (200, 196, 188), np.uint8)
    picture[PIECE] = (34, 42, 70)
    for top, bottom, left, right in boxes:
        picture[top:bottom, left:right] = colour
    return picture


@pytest.mark.parametrize(
    "cloth", [(24.0, 3.0, -22.0), (45.0, 40.0, 25.0), (60.0, 11.0, 30.0), (72.0, 0.0, 1.0), (76.0, 3.0, 14.0)]
)
@pytest.mark.parametrize("lamp", [(1.0, 1.0, 1.0), (1.15, 1.0, 0.75)])
def test_a_tag_with_writing_is_left_out(cloth, lamp):
    subject = Subject(Category.KNIT, Cloth([cloth]))
    picture, truth = photograph(subject, Room("wall", lamp, tag=True), 5)
    bare = photograph(subject, Room("wall", lamp), 5)[1].mask
    small = cv2.resize(picture, SIZE, interpolation=cv2.INTER_AREA)
    whole, cloth_only = (
        cv2.resize(m.astype(np.uint8), SIZE, interpolation=cv2.INTER_NEAREST) > 0 for m in (bare, truth.mask)
    )
    left = without_tag(small, whole)
    assert not (left & ~cloth_only).any()
    assert (left & cloth_only).sum() > 0.97 * cloth_only.sum()


def test_a_light_box_with_cloth_all_round_it_is_a_tag():
    left = without_tag(painted((150, 180, 120, 140)), PIECE)
    assert not left[150:180, 120:140].any()
    assert left.sum() > 0.97 * PIECE.sum() - 600


@pytest.mark.parametrize(
    "boxes",
    [
        [(60, 84, 60, 90), (60, 84, 200, 230)],
        [(100, 120, 90, 110), (200, 220, 150, 170), (260, 280, 100, 120)],
        [(150, 290, 90, 200)],
        [(150, 153, 120, 124)],
    ],
    ids=["cuffs at the edge", "motifs", "most of the front", "a button"],
)
def test_what_belongs_to_the_piece_stays(boxes):
    assert (without_tag(painted(*boxes), PIECE) == PIECE).all()


def test_a_shining_clasp_stays():
    picture = painted((150, 174, 120, 144))
    picture[150:174, 120:144] = np.linspace(160, 245, 24).astype(np.uint8)[:, None, None]
    assert (without_tag(picture, PIECE) == PIECE).all()


def test_a_clasp_with_a_bright_and_a_dark_side_stays():
    bag = next(sample for sample in SAMPLES if sample.file == "seed-bag.jpg")
    picture, truth = photograph(bag.subject, bag.room, 472)
    mask = cv2.resize(truth.mask.astype(np.uint8), SIZE, interpolation=cv2.INTER_NEAREST) > 0
    assert (without_tag(cv2.resize(picture, SIZE, interpolation=cv2.INTER_AREA), mask) == mask).all()


def test_a_round_badge_stays():
    picture = painted()
    cv2.circle(picture, (140, 180), 14, (236, 234, 230), -1)
    assert (without_tag(picture, PIECE) == PIECE).all()
