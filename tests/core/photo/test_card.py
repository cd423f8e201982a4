"""The reference card: drawn, photographed at an angle, found, and read."""

import cv2
import numpy as np
import pytest
from numpy.testing import assert_allclose

from lucid_swatch.core.colour.difference import delta_e_2000
from lucid_swatch.core.colour.spaces import encode_srgb, lab_to_rgb_linear, rgb_linear_to_lab
from lucid_swatch.core.photo.card import (
    GREY_STEPS,
    HEIGHT,
    NOMINAL,
    WIDTH,
    CardReading,
    find_card,
    marker_boxes,
    marker_cells,
    patch_boxes,
    read_patches,
)
from lucid_swatch.core.photo.card_light import light_from_card
from lucid_swatch.core.photo.light import LightReference, relit
from lucid_swatch.core.problems import Refused

PIXELS = 6
ROWS, COLUMNS = 900, 760
LAMP = np.array([1.28, 1.0, 0.62])


def flat_card(labs=NOMINAL):
    """The card from above, linear light, PIXELS to the millimetre."""
    card = np.full((round(HEIGHT * PIXELS), round(WIDTH * PIXELS), 3), 0.87)

    def fill(box, colour):
        left, top, right, bottom = np.rint(np.asarray(box) * PIXELS).astype(int)
        card[top:bottom, left:right] = colour

    for number, box in enumerate(marker_boxes()):
        cells = marker_cells(number)
        side = (box[2] - box[0]) / len(cells)
        for row, column in zip(*np.nonzero(cells), strict=True):
            x, y = box[0] + column * side, box[1] + row * side
            fill((x, y, x + side, y + side), 0.03)
    for box, colour in zip(patch_boxes(), lab_to_rgb_linear(labs), strict=True):
        fill(box, np.maximum(colour, 0.001))
    return card


def photographed(turn=0.0, exposure=0.8, lamp=LAMP, cover=None, labs=NOMINAL, copies=1, curve=lambda light: light):
    """A grey wall with the card on it, turned by degrees. Returns encoded sRGB bytes."""
    picture = np.full((ROWS, COLUMNS, 3), 0.4)
    card = flat_card(labs)
    size = 2.6
    for copy in range(copies):
        angle = np.radians(turn)
        spin = np.array([[np.cos(angle), -np.sin(angle)], [np.sin(angle), np.cos(angle)]]) * size
        flat = np.array([[0, 0], [WIDTH, 0], [WIDTH, HEIGHT], [0, HEIGHT]]) - [WIDTH / 2, HEIGHT / 2]
        corners = flat @ spin.T * (1 if copies == 1 else 0.9) + [
            COLUMNS / 2,
            ROWS / 2 + (copies - 1) * (copy - 0.5) * 430,
        ]
        corners[0] += [9, 4]  # seen a little from the side
        source = np.array([[0, 0], [card.shape[1], 0], [card.shape[1], card.shape[0]], [0, card.shape[0]]], np.float32)
        matrix = cv2.getPerspectiveTransform(source, corners.astype(np.float32))
        seen = cv2.warpPerspective(card, matrix, (COLUMNS, ROWS), flags=cv2.INTER_AREA)
        there = cv2.warpPerspective(np.ones(card.shape[:2], np.uint8), matrix, (COLUMNS, ROWS)) > 0
        picture[there] = seen[there]
    if cover is not None:
        top, bottom, left, right = cover
        picture[top:bottom, left:right] = 0.2
    light = curve(np.clip(picture * lamp * exposure, 0, 1))
    return np.rint(encode_srgb(light) * 255).astype(np.uint8)


def light_of(srgb):
    encoded = srgb / 255.0
    return np.where(encoded > 0.04045, ((encoded + 0.055) / 1.055) ** 2.4, encoded / 12.92)


@pytest.mark.parametrize("turn", [0, 37, 90, 180, 262])
def test_the_card_is_found_at_any_angle_and_upside_down(turn):
    srgb = photographed(turn)
    card = find_card(srgb).card
    assert card is not None
    assert card.marks == 4
    reading = read_patches(light_of(srgb), card)
    assert reading.usable.sum() >= 20
    true = lab_to_rgb_linear(NOMINAL) * LAMP * 0.8
    assert_allclose(reading.rgb[reading.usable], true[reading.usable], atol=0.03)


@pytest.mark.parametrize("lamp", [LAMP, [1.0, 1.0, 1.0], [0.85, 1.0, 1.3]])
def test_the_greys_give_light_and_exposure(lamp):
    lamp = np.array(lamp)
    srgb = photographed(12, exposure=0.7, lamp=lamp)
    light = light_from_card(read_patches(light_of(srgb), find_card(srgb).card))
    assert light.reference is LightReference.CARD
    assert_allclose(light.rgb, lamp / lamp[1], atol=0.03)
    assert light.exposure == pytest.approx(0.7, rel=0.06)


def test_a_measured_card_undoes_the_tone_curve_and_the_camera():
    camera = np.array([[0.86, 0.18, -0.04], [0.10, 0.84, 0.06], [0.02, 0.16, 0.82]])
    rng = np.random.default_rng(4)
    printed = NOMINAL + rng.normal(0, 3, NOMINAL.shape) * (np.arange(len(NOMINAL)) >= GREY_STEPS)[:, None]

    def curve(light):
        seen = np.clip(light @ camera.T, 0, 1)
        return seen ** (1 / 0.85)

    srgb = photographed(5, lamp=np.ones(3), labs=printed, curve=curve)
    reading = read_patches(light_of(srgb), find_card(srgb).card)
    cloth = np.array([[45.0, 32.0, 20.0], [38.0, -14.0, -22.0], [70.0, 6.0, 30.0]])
    shot = curve(lab_to_rgb_linear(cloth) * 0.8)
    plain = rgb_linear_to_lab(relit(shot, light_from_card(reading)))
    mended = rgb_linear_to_lab(relit(shot, light_from_card(reading, printed)))
    assert delta_e_2000(mended, cloth).mean() < 0.5 * delta_e_2000(plain, cloth).mean()
    assert delta_e_2000(mended, cloth).mean() < 3.0


def test_greys_stay_grey_however_the_colours_are_bent():
    camera = np.array([[0.70, 0.35, -0.05], [0.18, 0.62, 0.20], [0.10, 0.25, 0.65]])
    rng = np.random.default_rng(9)
    printed = NOMINAL + rng.normal(0, 6, NOMINAL.shape) * (np.arange(len(NOMINAL)) >= GREY_STEPS)[:, None]
    true = lab_to_rgb_linear(printed)
    recorded = true @ camera.T * 0.8
    recorded[GREY_STEPS:] *= [1.15, 1.0, 0.88]  # inks that the camera sees otherwise than an eye
    light = light_from_card(CardReading(recorded, np.ones(len(NOMINAL), bool)), printed)
    greys = lab_to_rgb_linear(NOMINAL[:GREY_STEPS] * [1, 0, 0])
    read = rgb_linear_to_lab(relit(greys @ camera.T * 0.8, light))
    assert_allclose(read[:, 1:], 0, atol=0.5)
    assert light.correction is not None


def test_a_photo_without_a_card_says_nothing():
    wall = np.full((600, 500, 3), 130, np.uint8)
    sighting = find_card(wall)
    assert sighting.card is None
    assert sighting.note == ""


def test_a_half_covered_card_is_not_used_and_said():
    sighting = find_card(photographed(cover=(400, 900, 0, 760)))
    assert sighting.card is None
    assert "half covered" in sighting.note


def test_a_finger_on_one_corner_does_no_harm():
    srgb = photographed(cover=(500, 900, 400, 760))
    card = find_card(srgb).card
    assert card is not None
    assert card.marks == 3
    light = light_from_card(read_patches(light_of(srgb), card), NOMINAL)
    assert_allclose(light.rgb, LAMP, atol=0.03)
    cloth = np.array([[45.0, 32.0, 20.0], [38.0, -14.0, -22.0]])
    shot = lab_to_rgb_linear(cloth) * LAMP * 0.8
    assert (delta_e_2000(rgb_linear_to_lab(relit(shot, light)), cloth) < 4).all()


def test_two_cards_are_not_mixed_up():
    sighting = find_card(photographed(turn=90, copies=2))
    assert sighting.card is None
    assert "two reference cards" in sighting.note


def test_coloured_light_has_no_solution():
    srgb = photographed(lamp=np.array([0.08, 1.0, 0.10]))
    with pytest.raises(Refused, match="the light has a colour"):
        light_from_card(read_patches(light_of(srgb), find_card(srgb).card))


def test_an_overexposed_card_is_refused():
    srgb = photographed(lamp=np.ones(3), exposure=30.0)
    card = find_card(photographed()).card
    with pytest.raises(Refused, match="overexposed or in the dark"):
        light_from_card(read_patches(light_of(srgb), card))


def test_patches_and_marks_lie_on_the_card_and_apart():
    boxes = np.concatenate([patch_boxes(), marker_boxes()])
    assert (boxes[:, :2] >= 0).all()
    assert (boxes[:, 2] <= WIDTH).all()
    assert (boxes[:, 3] <= HEIGHT).all()
    for k, one in enumerate(boxes):
        for other in boxes[k + 1 :]:
            apart = one[2] <= other[0] or other[2] <= one[0] or one[3] <= other[1] or other[3] <= one[1]
            assert apart


def test_the_region_covers_the_card_and_little_else():
    srgb = photographed(20)
    region = find_card(srgb).card.region((ROWS, COLUMNS))
    assert region.mean() == pytest.approx(WIDTH * HEIGHT * 2.6**2 / (ROWS * COLUMNS), rel=0.05)
