"""The head that is cut from a portrait, and drapes drawn as cloth."""

import cv2
import numpy as np
import pytest

from lucid_swatch.core.client.drape_cloth import drape_cloth
from lucid_swatch.core.client.drapes import PLAIN_CLOTH
from lucid_swatch.core.client.head import ABOVE_CHIN, EYES_TO_CHIN, SCALE, WIDE, can_be_cut, cut_head
from lucid_swatch.core.colour.difference import delta_e_2000
from lucid_swatch.core.colour.spaces import decode_srgb, lab_to_rgb_linear, rgb_linear_to_lab
from lucid_swatch.demo.studio.portrait import CENTRE, HEIGHT, SPOTS, UNIT, WIDTH, Sitter, draw_portrait

SKIN, HAIR, EYES = (68.0, 16.0, 22.0), (14.0, 2.0, 3.0), (30.0, 8.0, 14.0)


def sat(style, cloth=(38.0, 0.0, -1.0)):
    """A drawn portrait and where the person is in it."""
    srgb = draw_portrait(Sitter(SKIN, HAIR, EYES, style), (1, 1, 1), 3, cloth)
    wall = rgb_linear_to_lab(decode_srgb(srgb / 255.0))
    person = (np.hypot(wall[..., 1], wall[..., 2]) > 6) | (wall[..., 0] < 55)
    closed = cv2.morphologyEx(person.astype(np.uint8), cv2.MORPH_CLOSE, np.ones((9, 9), np.uint8))
    return srgb, closed.astype(float)


def at(head, x, below_chin):
    """What is seen so many centimetres from the middle and below the chin."""
    return head.opacity[round((ABOVE_CHIN + below_chin) * SCALE), round((WIDE / 2 + x) * SCALE)]


@pytest.mark.parametrize("style", ["up", "short", "bob"])
def test_a_head_stands_without_neck_and_cloth_at_one_size(style):
    srgb, person = sat(style)
    head = cut_head(srgb, person, SPOTS["eyes"], np.array(HAIR))
    for x, below in ((0, -5), (0, -EYES_TO_CHIN), (4, -8), (0, -17)):
        assert at(head, x, below) > 0.95
    for x, below in ((0, 3), (5, 4), (-12, 8), (15, 15), (14, -10), (0, -ABOVE_CHIN + 1)):
        assert at(head, x, below) < 0.05


def test_hair_that_hangs_stays_with_the_head_and_dark_shoulders_do_not():
    srgb, person = sat("bob", cloth=HAIR)
    head = cut_head(srgb, person, SPOTS["eyes"], np.array(HAIR))
    side = 1.14 * UNIT / (SPOTS["eyes"][1][0] - SPOTS["eyes"][0][0]) / WIDTH * 6.3
    assert at(head, side - 1.2, -4) > 0.9
    assert at(head, 15, 12) < 0.05
    assert at(cut_head(srgb, person, SPOTS["eyes"], None), side - 1.2, -4) < 0.1


def test_a_head_that_is_held_aslant_is_set_upright():
    srgb, person = sat("short")
    turn = cv2.getRotationMatrix2D((float(CENTRE[0]), float(CENTRE[1])), 14, 1.0)
    aslant = cv2.warpAffine(srgb, turn, (WIDTH, HEIGHT), borderMode=cv2.BORDER_REPLICATE)
    there = cv2.warpAffine(person, turn, (WIDTH, HEIGHT))
    moved = tuple(tuple(turn @ [x * WIDTH, y * HEIGHT, 1] / [WIDTH, HEIGHT]) for x, y in SPOTS["eyes"])
    upright = cut_head(srgb, person, SPOTS["eyes"], np.array(HAIR))
    again = cut_head(aslant, there, moved, np.array(HAIR))
    seen = (upright.opacity > 0.9) & (again.opacity > 0.9)
    assert seen.sum() > 0.93 * (upright.opacity > 0.9).sum()
    assert np.abs(upright.srgb[seen].astype(float) - again.srgb[seen]).mean() < 6


@pytest.mark.parametrize(
    "eyes", [(), ((0.4, 0.4),), ((0.4, 0.4), (0.41, 0.4)), ((0.1, 0.4), (0.9, 0.4)), ((0.4, 0.2), (0.5, 0.6))]
)
def test_lenses_that_lie_on_no_two_eyes_cut_no_head(eyes):
    assert not can_be_cut(eyes)
    assert can_be_cut(SPOTS["eyes"])


@pytest.mark.parametrize(("name", "lab"), PLAIN_CLOTH)
def test_a_drape_is_cloth_of_the_colour_that_was_meant(name, lab):
    drawn = rgb_linear_to_lab(decode_srgb(drape_cloth(np.array(lab)) / 255.0)).reshape(-1, 3)
    shown = rgb_linear_to_lab(np.clip(lab_to_rgb_linear(np.array(lab)), 0, 1))
    assert delta_e_2000(drawn.mean(axis=0)[None], shown[None])[0] < 0.3
    # it has folds, and a weave finer than them
    assert drawn[:, 0].std() > 0.6


def test_two_drapes_fall_alike():
    one, other = (drape_cloth(np.array(lab))[..., 1].astype(float) for lab in ((60.0, 0, 0), (48.0, 0, 0)))
    assert np.corrcoef(one.ravel(), other.ravel())[0, 1] > 0.97
