import cv2
import numpy as np
import pytest

from lucid_swatch.core.colour.spaces import lab_to_rgb_linear, rgb_linear_to_lab
from lucid_swatch.core.garment.hardware import read_hardware
from lucid_swatch.core.garment.palette import read_palette
from lucid_swatch.core.garment.vocabulary import Metal

SIDE = 400
LEATHER = (30.0, 12.0, 16.0)
GOLD, STEEL, COPPER, HORN = (66.0, 4.0, 34.0), (68.0, 0.0, -1.0), (60.0, 18.0, 26.0), (24.0, 4.0, 7.0)


def buckled(buckle, shine, cloth=LEATHER, soft=0.0, size=(34, 26), top=None):
    """A plain cloth with a buckle that mirrors a light from its middle to its rim. size: half its width and height.
    top: where the cloth begins, if it does not fill the picture."""
    rng = np.random.default_rng(3)
    light = np.broadcast_to(lab_to_rgb_linear(np.array(cloth)), (SIDE, SIDE, 3)).copy()
    y, x = np.mgrid[0:SIDE, 0:SIDE]
    inside = (np.abs(x - 200) < size[0]) & (np.abs(y - 200) < size[1])
    level = 1 - shine * np.clip(np.abs(x - 192) / 34, 0, 1)
    if size[1] > size[0]:
        level = 1 - shine * np.clip(np.abs(y - 192) / size[1], 0, 1)
    mask = y >= (top or 0)
    part = lab_to_rgb_linear(np.array(buckle)) * level[..., None]
    edge = cv2.GaussianBlur(inside.astype(np.float64), (0, 0), soft or 0.6)[..., None]
    light = light * (1 - edge) + part * edge
    light = light * (1 + 0.01 * rng.standard_normal((SIDE, SIDE, 1)))
    palette = read_palette(light, mask)
    return read_hardware(rgb_linear_to_lab(light), palette)


@pytest.mark.parametrize(
    ("buckle", "cloth", "metal"),
    [(GOLD, LEATHER, Metal.GOLD), (STEEL, LEATHER, Metal.SILVER), (COPPER, (14.0, 0.0, -1.0), Metal.ROSE)],
)
def test_a_buckle_that_mirrors_is_metal(buckle, cloth, metal):
    assert buckled(buckle, 0.75, cloth).metal is metal


def test_a_button_of_horn_is_no_metal():
    assert buckled(HORN, 0.3, cloth=(62.0, 8.0, 22.0)) is None


def test_a_flat_patch_of_yellow_is_no_metal():
    assert buckled(GOLD, 0.0) is None


def test_a_highlight_that_fades_is_no_metal():
    assert buckled(STEEL, 0.75, soft=18.0) is None


def test_the_ground_between_two_sleeves_is_no_metal_but_a_bar_in_the_cloth_is():
    """As long and as thin, and in the shade of what lies beside it as uneven as a mirror."""
    assert buckled(STEEL, 0.75, size=(9, 40)).metal is Metal.SILVER
    assert buckled(STEEL, 0.75, size=(9, 40), top=160) is None


def test_a_buckle_at_the_edge_is_still_one():
    assert buckled(STEEL, 0.75, top=176).metal is Metal.SILVER


def test_a_plain_cloth_has_no_hardware():
    assert buckled(LEATHER, 0.0) is None
