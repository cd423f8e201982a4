"""What cloth a piece likely is."""

from dataclasses import replace

import numpy as np
import pytest
from hypothesis import given
from hypothesis import strategies as st

from lucid_swatch.core.colour.spaces import rgb_linear_to_lab
from lucid_swatch.core.garment.closer import SHOWN_BY, Shows, closer_windows
from lucid_swatch.core.garment.finishes import TOLD_BY, finish_chances, kept_model, told_by, why
from lucid_swatch.core.garment.palette import read_palette
from lucid_swatch.core.garment.reading import Reading
from lucid_swatch.core.garment.surface import Surface
from lucid_swatch.core.garment.surface_measures import NAMES, surface_measures
from lucid_swatch.core.garment.usual_finishes import USUAL_FINISHES
from lucid_swatch.core.garment.vocabulary import Category as C
from lucid_swatch.core.garment.vocabulary import Finish as F
from lucid_swatch.core.garment.vocabulary import PatternType
from lucid_swatch.demo.studio.cloth import Cloth
from tests.core.garment.test_pattern import RED, drawn

INDIGO, RUST = np.array([[33.0, 1.0, -20.0]]), np.array([[45.0, 30.0, 34.0]])
BARE = Surface(0.1, 0.2)


def chance(category, finish, numbers):
    return dict(finish_chances(category, numbers)).get(finish, 0.0)


def test_every_category_has_usual_finishes():
    assert set(USUAL_FINISHES) == set(C)
    assert all(len(usual) >= 2 for usual in USUAL_FINISHES.values())
    assert set(SHOWN_BY) == set(F)


def test_dark_blue_trousers_are_rather_denim_than_rust_ones():
    blue, rust = (told_by(BARE, lab, PatternType.SOLID) for lab in (INDIGO, RUST))
    assert chance(C.TROUSERS, F.DENIM, blue) > 2 * chance(C.TROUSERS, F.DENIM, rust)
    assert why(C.TROUSERS, F.DENIM, blue) == "the blue of indigo"


def test_shine_speaks_for_satin_and_its_kin_and_against_matte():
    model = kept_model()
    dull, glossy = model.middle.copy(), model.middle.copy()
    for name in ("sheen", "bright tail"):
        at = TOLD_BY.index(name)
        dull[at], glossy[at] = model.middle[at] - model.spread[at], model.middle[at] + 2 * model.spread[at]
    assert chance(C.SKIRT, F.SATIN, glossy) > chance(C.SKIRT, F.SATIN, dull)
    assert chance(C.SKIRT, F.SILK, glossy) > chance(C.SKIRT, F.SILK, dull)
    assert chance(C.SKIRT, F.MATTE, glossy) < chance(C.SKIRT, F.MATTE, dull)


def test_what_was_not_measured_leaves_it_to_what_is_usual():
    model = kept_model()
    chances = dict(finish_chances(C.BELT, np.full(len(TOLD_BY), np.nan)))
    assert max(chances, key=chances.get) is F.LEATHER
    assert model.middle.shape == (len(TOLD_BY),)
    assert why(C.NECKLACE, F.PEARL, np.full(len(TOLD_BY), np.nan)) == "as such pieces often are"


@given(
    st.sampled_from(C),
    st.lists(st.floats(-50, 50) | st.just(float("nan")), min_size=len(TOLD_BY), max_size=len(TOLD_BY)),
)
def test_chances_are_in_order_and_of_what_such_a_piece_can_be(category, numbers):
    chances = finish_chances(category, np.array(numbers))
    told = [one for _, one in chances]
    assert told == sorted(told, reverse=True)
    assert 0.6 <= sum(told) <= 1.01
    assert {finish for finish, _ in chances} <= set(USUAL_FINISHES[category])


def test_too_little_of_one_colour_gives_no_measures():
    light, mask = drawn(Cloth((RED,)))
    lab, palette = rgb_linear_to_lab(light), read_palette(light, mask)
    assert len(surface_measures(lab, palette, 0.3)) == len(NAMES)
    few = np.full_like(palette.labels, -1)
    few[5:12, 5:12] = 0
    assert surface_measures(lab, replace(palette, labels=few), 0.3) is None


def test_the_close_look_for_shine_lies_where_it_shines_and_within_the_cloth():
    labels = np.full((300, 300), -1, np.int8)
    labels[40:260, 60:240] = 0
    lab = np.full((300, 300, 3), (40.0, 10.0, 10.0), np.float32)
    lab[60:90, 80:110, 0] = 75.0
    rows = np.arange(300)[:, None] + np.zeros((1, 300), int)
    lab[180:230, 160:210, 0] += np.where(rows % 2, 6, -6)[180:230, 160:210]
    found = closer_windows(labels, lab)
    assert set(found) == set(Shows)
    for window in found.values():
        assert (window.cut(labels) == 0).all()
    shine, relief = found[Shows.SHINE], found[Shows.RELIEF]
    assert max(shine.top, shine.left) < 120
    assert min(relief.top, relief.left) > 130


def test_a_close_look_leaves_out_what_shows_through_the_cloth():
    labels = np.zeros((300, 300), np.int8)
    lab = np.full((300, 300, 3), (20.0, 0.0, 0.0), np.float32)
    lab[150:, 140:160] = (92.0, 0.0, 10.0)
    for window in closer_windows(labels, lab).values():
        assert window.cut(lab)[..., 0].max() < 60


def test_a_thread_of_cloth_has_no_close_look():
    labels = np.full((200, 200), -1, np.int8)
    labels[:, 100:103] = 0
    assert closer_windows(labels, np.zeros((200, 200, 3), np.float32)) == {}


@pytest.mark.parametrize("measures", [None, [0.0] * (len(NAMES) - 1)])
def test_a_reading_from_before_tells_as_much_as_it_can(measures):
    document = {
        "photo": {"width": 30, "height": 40},
        "garment": {"method": "network", "confidence": 0.9},
        "colours": [{"lab": [33, 1, -20], "share": 1.0, "uncertainty": 2.0}],
        "pattern": {"type": "solid", "confidence": 0.9},
        "finish": {"sheen": 0.1, "texture": 0.2, "measures": measures},
        "sort": {"name": "navy", "bin": "cool neutral"},
    }
    reading = Reading(document)
    assert reading.surface.measures is None
    assert reading.finishes(C.TROUSERS)[0][0] in (F.DENIM, F.MATTE)
