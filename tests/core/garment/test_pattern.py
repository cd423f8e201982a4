"""Patterns are read from where colours lie: drawn cloth, true answers."""

import numpy as np
import pytest

from lucid_swatch.core.colour.spaces import lab_to_rgb_linear, rgb_linear_to_lab
from lucid_swatch.core.garment.palette import read_palette
from lucid_swatch.core.garment.pattern import read_pattern, scale_of
from lucid_swatch.core.garment.surface import read_surface, yarn_chroma
from lucid_swatch.core.garment.vocabulary import Finish, PatternType, Scale
from lucid_swatch.demo.studio.cloth import Cloth, colour_map, weave

NAVY, CREAM, RED = (22.0, 4.0, -21.0), (90.0, 1.0, 12.0), (42.0, 52.0, 30.0)
SIDE, BODY = 420, 320


def drawn(cloth, seed=3):
    """A square of cloth on nothing: light and mask."""
    rng = np.random.default_rng(seed)
    labels = colour_map(cloth, rng, (SIDE, SIDE), BODY, 0.0)
    light = lab_to_rgb_linear(np.array(cloth.lab))[labels] * weave(cloth, rng, (SIDE, SIDE))[..., None]
    mask = np.zeros((SIDE, SIDE), bool)
    mask[30:390, 50:370] = True
    return np.maximum(light, 0.001), mask


def read(cloth):
    light, mask = drawn(cloth)
    palette = read_palette(light, mask)
    return palette, read_pattern(palette, yarn_chroma(rgb_linear_to_lab(light), palette))


@pytest.mark.parametrize("repeat", [0.07, 0.12, 0.2])
def test_stripes_are_stripes_at_every_scale(repeat):
    palette, pattern = read(Cloth((NAVY, CREAM), PatternType.STRIPE, repeat))
    assert pattern.type is PatternType.STRIPE
    assert len(palette.lab) == 2


@pytest.mark.parametrize("grain", [0.0, 25.0, 90.0])
def test_stripes_are_stripes_in_every_direction(grain):
    assert read(Cloth((NAVY, CREAM), PatternType.STRIPE, 0.12, grain=grain))[1].type is PatternType.STRIPE


def test_a_check_has_two_directions():
    assert read(Cloth((NAVY, CREAM), PatternType.CHECK, 0.14))[1].type is PatternType.CHECK


@pytest.mark.parametrize("kind", [PatternType.DOT, PatternType.FLORAL, PatternType.GEOMETRIC, PatternType.ABSTRACT])
def test_prints_are_prints(kind):
    pattern = read(Cloth((CREAM, NAVY, RED), kind, 0.15))[1]
    assert pattern.type not in (PatternType.SOLID, PatternType.MARL)
    assert pattern.scale is not None


@pytest.mark.parametrize("finish", [(), (Finish.KNIT,), (Finish.DENIM,), (Finish.LINEN,), (Finish.TWEED,)])
@pytest.mark.parametrize("lab", [NAVY, CREAM, RED])
def test_the_weave_of_plain_cloth_is_no_pattern(lab, finish):
    palette, pattern = read(Cloth((lab,), finish=finish))
    assert pattern.type is PatternType.SOLID
    assert len(palette.lab) == 1
    assert pattern.scale is None


def test_a_fold_and_a_highlight_are_no_second_colour():
    light, mask = drawn(Cloth((NAVY,)))
    x = np.linspace(0, 6 * np.pi, SIDE)
    folded = light * (0.75 + 0.35 * np.sin(x))[None, :, None]
    shine = 0.12 * np.exp(-(((np.arange(SIDE) - 200) / 26.0) ** 2))
    palette = read_palette(folded + shine[None, :, None], mask)
    assert len(palette.lab) == 1


def test_shares_are_the_shares_that_were_drawn():
    cloth = Cloth((CREAM, NAVY), PatternType.DOT, 0.2)
    rng = np.random.default_rng(3)
    light, mask = drawn(cloth)
    true = (colour_map(cloth, rng, (SIDE, SIDE), BODY, 0.0)[mask] == 0).mean()
    palette = read_palette(light, mask)
    assert palette.share[0] == pytest.approx(true, abs=0.05)
    assert palette.share.sum() == pytest.approx(1)


@pytest.mark.parametrize(
    ("size", "scale"), [(0.03, Scale.SMALL), (0.049, Scale.SMALL), (0.1, Scale.MEDIUM), (0.151, Scale.LARGE)]
)
def test_scales_are_those_of_the_format(size, scale):
    assert scale_of(size) is scale


def test_satin_shines_and_knit_has_relief():
    light, mask = drawn(Cloth((RED,)))
    shine = np.zeros((SIDE, SIDE))
    shine[::60, :] = 0.5
    shine[1::60, :] = 0.5
    shine[2::60, :] = 0.4
    matte = read_surface(rgb_linear_to_lab(light), read_palette(light, mask), 0.0)
    glossy = read_surface(rgb_linear_to_lab(light + shine[..., None]), read_palette(light, mask), 0.0)
    knit, mask = drawn(Cloth((RED,), finish=(Finish.KNIT,)))
    assert glossy.sheen > matte.sheen
    assert read_surface(rgb_linear_to_lab(knit), read_palette(knit, mask), 0.0).texture > matte.texture
