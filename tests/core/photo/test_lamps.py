"""What lamps do to dyes: the table is what the spectra give, greys stay, and belief follows the cast."""

import numpy as np
import pytest
from benchmarks.lamps import TABLE, table

from lucid_swatch.core.photo.lamps import MOST_LEFT, belief_in, belief_of, families, log_chances, under_lamp
from lucid_swatch.core.photo.light import LAMP_LINE, Light, LightReference, light_doubt, relit

NAMES = [family.name for family in families()]


def light(along=0.0, spread=0.02):
    return Light(LightReference.NEUTRAL, np.exp(along * LAMP_LINE), 1.0, spread, 0.09)


@pytest.mark.filterwarnings("ignore")
def test_the_table_is_what_the_spectra_give():
    assert TABLE.read_text() == table()


def test_greys_stay_grey_under_every_lamp():
    for family in families():
        for correction in family.corrections:
            assert correction @ np.full(3, 0.4) == pytest.approx(np.full(3, 0.4), abs=1e-3)


def test_a_warm_cast_is_no_daylight_and_no_cast_is():
    assert NAMES[int(np.argmax(belief_in(light(0.0))))] == "daylight"
    warm = belief_in(light(0.28))
    assert warm[NAMES.index("daylight")] < 0.02
    assert warm[NAMES.index("warm LED")] + warm[NAMES.index("filament")] > 0.7


def test_many_photos_of_a_room_say_more_than_one():
    casts = np.array([0.02, 0.12, 0.2, 0.27, 0.05])
    one, all_of_them = (belief_of(log_chances(some)) for some in (casts[:1], casts))
    warm = [NAMES.index(name) for name in ("filament", "warm LED")]
    assert all_of_them[warm].sum() > 0.6 > 2 * one[warm].sum()
    assert all_of_them[NAMES.index("daylight")] < 0.001 < one[NAMES.index("daylight")]


def test_no_lamp_is_left_further_than_cameras_leave_any():
    most = max(family.most for family in families())
    assert belief_in(light(MOST_LEFT * most)).max() < 1.0
    assert np.isfinite(log_chances(np.array([2.0]))).all()


def test_dyes_come_back_and_the_doubt_knows_the_lamp():
    warm = light(0.28)
    lit = under_lamp(warm, belief_in(warm))
    red = np.array([0.5, 0.12, 0.10]) * np.exp(0.28 * LAMP_LINE)
    plain, mended = relit(red, warm), relit(red, lit)
    assert mended.max() / mended.min() > plain.max() / plain.min()
    colours = np.array([[50.0, 0.0, 0.0], [50.0, 50.0, 20.0]])
    more = light_doubt(colours, lit) - light_doubt(colours, warm)
    assert more[0] == pytest.approx(0.0, abs=0.02)
    assert more[1] > 0.5


def test_a_measured_card_has_seen_the_lamp_itself():
    card = Light(LightReference.CARD, np.ones(3), 1.0, 0.01, 0.06, None, np.hstack([np.eye(3), np.zeros((3, 3))]))
    assert under_lamp(card, belief_in(card)) is card
