"""Faces are found and spots placed on drawn portraits; what is no face gets a sentence and no reading."""

import cv2
import numpy as np
import pytest

from lucid_swatch.core.client.face import FaceBox, place_spots
from lucid_swatch.core.client.portrait import IRIS_RADIUS, SPOT_RADIUS, read_spots
from lucid_swatch.core.colour.difference import delta_e_2000
from lucid_swatch.core.colour.spaces import decode_srgb, encode_srgb, rgb_linear_to_lab
from lucid_swatch.core.photo.outline import find_outline
from lucid_swatch.demo.studio.portrait import Sitter, draw_portrait
from lucid_swatch.outside.faces import FaceCascade

SITTERS = (
    Sitter((84.0, 6.0, 12.0), (80.0, 0.0, 3.0), (58.0, -3.0, -9.0), "bob"),
    Sitter((74.0, 10.0, 17.0), (55.0, 12.0, 30.0), (52.0, -6.0, 10.0), "up"),
    Sitter((62.0, 13.0, 21.0), (24.0, 6.0, 10.0), (33.0, 8.0, 14.0), "short"),
    Sitter((50.0, 15.0, 21.0), (15.0, 3.0, 4.0), (25.0, 8.0, 12.0), "bob"),
    Sitter((38.0, 13.0, 18.0), (12.0, 2.0, 2.0), (20.0, 6.0, 8.0), "up"),
    Sitter((27.0, 10.0, 12.0), (11.0, 2.0, 2.0), (17.0, 5.0, 6.0), "short"),
)
ROWS, COLUMNS = 720, 576


def portrait(sitter=SITTERS[2]):
    return cv2.resize(draw_portrait(sitter, (1.0, 1.0, 1.0), 1), (COLUMNS, ROWS), interpolation=cv2.INTER_AREA)


def placed(srgb, person=None):
    light = decode_srgb(srgb / 255.0)
    person = np.ones(srgb.shape[:2], bool) if person is None else person
    return place_spots(rgb_linear_to_lab(light), FaceCascade()(srgb), person), light


@pytest.mark.parametrize("sitter", SITTERS, ids=lambda s: f"L{s.skin[0]:.0f}")
def test_spots_find_skin_hair_and_iris_at_every_depth(sitter, network):
    picture = portrait(sitter)
    found, light = placed(picture, find_outline(picture, network(picture)).mask)
    assert found.note == ""
    assert len(found.skin) >= 2
    for part, radius in (("skin", SPOT_RADIUS), ("hair", SPOT_RADIUS), ("eyes", IRIS_RADIUS)):
        read = read_spots(light, getattr(found, part), radius)
        assert delta_e_2000(read, np.array(getattr(sitter, part))) < (9 if part == "hair" else 4), part


def test_a_face_is_not_taken_for_the_shelf_behind_it(network):
    picture = portrait(SITTERS[2])
    alone = find_outline(picture, network(picture), person=True).mask
    boards = np.array([[150, 98, 68], [60, 40, 30], [225, 210, 180], [40, 90, 110], [176, 120, 86]], np.uint8)
    shelf = boards[np.mgrid[0:ROWS, 0:COLUMNS][0] // 50 % 5]
    soft = cv2.GaussianBlur(alone.astype(np.float32), (0, 0), 1.5)[..., None]
    before_shelf = (picture * soft + shelf * (1 - soft)).astype(np.uint8)
    found = find_outline(before_shelf, network(before_shelf), person=True).mask
    assert (found & alone).sum() / (found | alone).sum() > 0.95


@pytest.mark.parametrize("tilt", [-25, 25])
@pytest.mark.parametrize("sitter", SITTERS[1:5], ids=lambda s: f"L{s.skin[0]:.0f}")
def test_a_head_that_is_held_aslant_is_read_where_it_lies(sitter, tilt):
    turn = cv2.getRotationMatrix2D((COLUMNS / 2, ROWS / 2), tilt, 1.0)
    picture = cv2.warpAffine(portrait(sitter), turn, (COLUMNS, ROWS), borderMode=cv2.BORDER_REFLECT)
    found, light = placed(picture)
    assert len(found.eyes) == 2
    for part, radius in (("skin", SPOT_RADIUS), ("hair", SPOT_RADIUS), ("eyes", IRIS_RADIUS)):
        read = read_spots(light, getattr(found, part), radius)
        assert delta_e_2000(read, np.array(getattr(sitter, part))) < 4, part


def test_a_fold_that_was_taken_for_a_small_face_is_no_second_person():
    picture = portrait()
    lab, person = rgb_linear_to_lab(decode_srgb(picture / 255.0)), np.ones(picture.shape[:2], bool)
    ghost = FaceBox(0.1, 0.82, 0.16, 0.13)
    found = place_spots(lab, [*FaceCascade()(picture), ghost], person)
    assert found.note == ""
    assert all(not (0.1 < x < 0.26 and y > 0.82) for x, y in found.skin)


def test_the_noise_of_a_camera_in_the_dark_hides_no_deep_face():
    for sitter in SITTERS[-2:]:
        light = decode_srgb(portrait(sitter) / 255.0) * 0.25
        for seed in range(5):
            noise = np.random.default_rng(seed).standard_normal(light.shape) * 3 * (0.002 + 0.008 * np.sqrt(light))
            assert FaceCascade()(np.rint(255 * encode_srgb(np.clip(light + noise, 0, 1))).astype(np.uint8))


def sunglasses(srgb):
    dark = srgb.copy()
    for x in (-0.41, 0.41):
        middle = (int((400 + x * 178) * 0.72), int(430 * 0.72 - 2))
        cv2.ellipse(dark, middle, (38, 28), 0, 0, 360, (18, 18, 20), -1)
    return dark


@pytest.mark.parametrize(
    ("changed", "said"),
    [
        (lambda p: np.full_like(p, 180), "No face was found"),
        (lambda p: p[:, :300].copy(), "No face was found"),
        (lambda p: np.hstack([p, p]), "There are 2 faces"),
        (lambda p: np.repeat(cv2.cvtColor(p, cv2.COLOR_RGB2GRAY)[..., None], 3, 2), "not the colour of skin"),
        (lambda p: (p * np.array([0.5, 1.0, 0.5])).astype(np.uint8), "not the colour of skin"),
        (lambda p: cv2.bilateralFilter(p, 15, 60, 15), "drawn or heavily retouched"),
    ],
    ids=["empty", "half", "two", "grey", "green", "cartoon"],
)
def test_what_is_no_face_is_left_to_the_stylist(changed, said):
    found, _ = placed(changed(portrait()))
    assert said in found.note
    assert found.skin == found.hair == found.eyes == ()


def test_behind_dark_glasses_the_skin_is_read_and_the_eyes_are_not():
    found, _ = placed(sunglasses(portrait()))
    assert "eyes are covered" in found.note
    assert found.eyes == ()
    assert len(found.skin) == 3


FRINGES = (
    ((74.0, 12.0, 18.0), (62.0, 8.0, 28.0)),
    ((74.0, 12.0, 18.0), (74.0, 4.0, 24.0)),
    ((64.0, 16.0, 24.0), (45.0, 14.0, 24.0)),
    ((50.0, 18.0, 26.0), (62.0, 8.0, 28.0)),
    ((36.0, 14.0, 18.0), (30.0, 10.0, 14.0)),
)


@pytest.mark.parametrize(("skin", "hair"), FRINGES, ids=lambda lab: f"L{lab[0]:.0f}")
def test_no_lens_lies_on_a_fringe_whose_colour_is_near_the_skin(skin, hair):
    picture = draw_portrait(Sitter(skin, hair, (30.0, 8.0, 14.0), "short", fringe=True), (1.0, 1.0, 1.0), 11)
    found, light = placed(picture)
    assert found.skin or found.note
    for spot in found.skin:
        assert delta_e_2000(read_spots(light, (spot,), SPOT_RADIUS), np.array(skin)) < 6
