"""Paper and cards that nobody tapped: found where they lie, and not where nothing lies."""

import cv2
import numpy as np
import pytest

from lucid_swatch.core.colour.spaces import decode_srgb, encode_srgb, lab_to_rgb_linear, lab_to_xyz
from lucid_swatch.core.photo.neutral import light_from_sheet, settled
from lucid_swatch.core.photo.paper import find_sheets
from lucid_swatch.core.photo.scene_light import estimate_light

ROWS, COLUMNS = 640, 480
GROUND = (62.0, 3.0, 14.0)
CLOTH = (34.0, 6.0, -24.0)


def scene(*things, ground=GROUND, lamp=(1.0, 1.0, 1.0), exposure=1.0, noise=0.006):
    """A ground with a square of cloth and some things on it, and where the cloth is.

    things: (corners in pixels, CIELAB)."""
    rng = np.random.default_rng(8)
    light = np.broadcast_to(lab_to_rgb_linear(np.array(ground)), (ROWS, COLUMNS, 3)).copy()
    mask = np.zeros((ROWS, COLUMNS), bool)
    mask[180:460, 140:340] = True
    light[mask] = lab_to_rgb_linear(np.array(CLOTH))
    for corners, lab in things:
        place = np.zeros((ROWS, COLUMNS), np.uint8)
        cv2.fillPoly(place, [np.array(corners, np.int32)], 1)
        light[place > 0] = lab_to_rgb_linear(np.array(lab))
    encoded = encode_srgb(light * np.array(lamp) * exposure) + rng.normal(0, noise, light.shape)
    return np.rint(encoded.clip(0, 1) * 255).astype(np.uint8), mask


def sheet(x, y, width=58, height=80, turned=12.0):
    return cv2.boxPoints(((x, y), (width, height), turned))


@pytest.mark.parametrize("lightness", [95.0, 80.0, 50.0])
@pytest.mark.parametrize("lamp", [(1.0, 1.0, 1.0), (1.25, 1.0, 0.66)])
def test_paper_and_a_grey_card_are_found_in_any_lamp(lightness, lamp):
    picture, mask = scene((sheet(80, 90), (lightness, 0.0, 1.0)), lamp=lamp, exposure=0.8)
    found = find_sheets(picture, mask)
    assert found
    assert found[0].sure
    assert found[0].middle == pytest.approx([80 / COLUMNS, 90 / ROWS], abs=0.01)
    ratios = found[0].colour / found[0].colour[1]
    assert ratios == pytest.approx(np.array(lamp), rel=0.06)


def test_it_is_left_out_whole():
    corners = sheet(80, 90)
    picture, mask = scene((corners, (95.0, 0.0, 1.0)), exposure=0.8)
    region = find_sheets(picture, mask)[0].region(picture.shape)
    place = np.zeros(picture.shape[:2], np.uint8)
    cv2.fillPoly(place, [corners.astype(np.int32)], 1)
    assert region[place > 0].mean() > 0.99
    assert region.sum() < 1.5 * place.sum()


def test_a_sheet_that_the_outline_took_for_cloth_is_still_a_sheet():
    corners = sheet(400, 300)
    picture, mask = scene((corners, (95.0, 0.0, 1.0)), exposure=0.8)
    place = np.zeros(mask.shape, np.uint8)
    cv2.fillPoly(place, [corners.astype(np.int32)], 1)
    mask |= place > 0
    assert find_sheets(picture, mask)[0].sure


CHEQUERED = [(sheet(x, y, 44, 44, 0.0), (92.0, 0.0, 0.0)) for x in (60, 420) for y in (80, 300, 540)]
PRINTED = [(sheet(80, 90), (95.0, 0.0, 0.0))] + [(sheet(80, 62 + 9 * k, 44, 4), (20.0, 0.0, 0.0)) for k in range(7)]


@pytest.mark.parametrize(
    ("things", "ground"),
    [
        ([], GROUND),
        ([], (92.0, 0.0, 2.0)),
        ([(cv2.ellipse2Poly((80, 90), (44, 44), 0, 0, 360, 5), (95.0, 0.0, 0.0))], GROUND),
        ([(sheet(80, 90), (60.0, 30.0, -40.0))], GROUND),
        ([(sheet(80, 90), (60.0, -45.0, 40.0))], GROUND),
        (CHEQUERED, GROUND),
        (PRINTED, GROUND),
        ([(sheet(240, 320, 180, 260, 0.0), (95.0, 0.0, 0.0))], GROUND),
        ([(sheet(240, 320, 40, 52), (95.0, 0.0, 0.0))], GROUND),
    ],
    ids=["nothing", "wall", "plate", "violet", "green", "tiles", "printed page", "white shirt", "patch on cloth"],
)
def test_what_is_no_paper_is_not_believed(things, ground):
    picture, mask = scene(*things, ground=ground, exposure=0.85)
    assert [one for one in find_sheets(picture, mask) if one.sure] == []


def test_the_lightness_of_a_sheet_follows_from_what_the_exposure_would_be():
    def read(lightness, exposure):
        return np.full(3, float(lab_to_xyz(np.array([lightness, 0.0, 0.0]))[1]) * exposure)

    for lightness in (95.0, 50.0):
        for exposure in (0.7, 1.0):
            found, spread = settled(read(lightness, exposure), np.log(exposure) + 0.15, 0.25)
            assert found == pytest.approx(np.log(exposure), abs=0.12)
            assert spread < 0.25


def test_the_light_of_a_sheet_is_that_of_white():
    lamp = (1.2, 1.0, 0.7)
    picture, mask = scene((sheet(80, 90), (95.0, 0.0, 0.0)), lamp=lamp, exposure=0.75)
    found = find_sheets(picture, mask)[0]
    estimated = estimate_light(decode_srgb(picture / 255.0).astype(np.float32), mask)
    light = light_from_sheet(found.colour, estimated)
    assert light.rgb == pytest.approx(np.array(lamp), rel=0.05)
    assert abs(np.log(light.exposure / 0.78)) < 2 * light.exposure_spread
