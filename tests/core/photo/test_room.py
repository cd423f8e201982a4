"""Photos of one room solved together: what the ground ties, what any of them knows, and what belongs to no room."""

from dataclasses import replace

import numpy as np
import pytest
from hypothesis import given
from hypothesis import strategies as st

from lucid_swatch.core.colour.spaces import RGB_TO_XYZ
from lucid_swatch.core.photo.light import LAMP_LINE, Light, LightReference
from lucid_swatch.core.photo.one_take import PAUSE, Taken, takes_of
from lucid_swatch.core.photo.room import RoomPhoto, lent_by, light_alone, lights_of_room
from lucid_swatch.core.photo.room_ground import ground_of

REFLECTED = np.array([0.30, 0.22, 0.13])
LEFT = (0.02, 0.14, 0.30, 0.08, 0.22, 0.05)
GAIN = (1.0, 1.3, 0.7, 1.1, 0.9, 1.6)
ESTIMATED, NEUTRAL, PAPER = LightReference.ESTIMATED, LightReference.NEUTRAL, LightReference.PAPER


def ground(light, seed, colour=REFLECTED, grain=0.05):
    """A rug under a light, as a photo records it, with a garment in the middle."""
    rng = np.random.default_rng(seed)
    texture = np.exp(rng.normal(0, grain, (260, 200, 1)))
    recorded = np.minimum(colour * texture * light.rgb * green(light), 1.0).astype(np.float32)
    covered = np.zeros((260, 200), bool)
    covered[70:190, 50:150] = True
    return ground_of(recorded, covered)


def green(light):
    return light.exposure / (light.rgb @ RGB_TO_XYZ[1])


def true_light(along, gain):
    return Light(NEUTRAL, np.exp(along * LAMP_LINE), gain, 0.022, 0.09)


def guessed(true, seed):
    """An estimate that is off, as estimates are."""
    rng = np.random.default_rng(seed)
    rgb = np.exp(np.clip(0.12 + rng.normal(0, 0.03), 0, 1) * LAMP_LINE)
    return Light(ESTIMATED, rgb, true.exposure * np.exp(rng.normal(0, 0.25)), 0.09, 0.28)


def room(known=0, colour=REFLECTED, reference=NEUTRAL):
    """Photos of one room, some of whose first know their light; and the truth."""
    truth = [true_light(along, gain) for along, gain in zip(LEFT, GAIN, strict=True)]
    photos = []
    for k, true in enumerate(truth):
        guess = guessed(true, 40 + k)
        own = replace(true, reference=reference) if k < known else guess
        photos.append(RoomPhoto(ground(true, k, colour), own, guess))
    return photos, truth


def off(lights, truth):
    """How far casts, in log ratios, and exposures, in logarithms, are off at most."""
    casts = [np.abs(np.log(light.rgb / true.rgb)).max() for light, true in zip(lights, truth, strict=True)]
    exposures = [abs(np.log(light.exposure / true.exposure)) for light, true in zip(lights, truth, strict=True)]
    return max(casts), max(exposures)


def test_what_one_photo_knows_is_the_light_of_all():
    photos, truth = room(known=1)
    lights = lights_of_room(photos)
    assert lights[0].rgb == pytest.approx(truth[0].rgb)
    cast, exposure = off(lights, truth)
    assert cast < 0.06
    assert exposure < 0.12
    assert [light.reference for light in lights[1:]] == [LightReference.SERIES] * 5
    assert lent_by(photos) == [0] * 6


def test_estimates_of_one_room_are_better_than_each_alone():
    photos, truth = room()
    together, alone = (off(lights, truth) for lights in (lights_of_room(photos), [one.own for one in photos]))
    assert together[0] < 0.5 * alone[0]
    assert together[1] < 0.7 * alone[1]
    assert lent_by(photos) == [None] * 6


def test_a_lamp_that_no_camera_leaves_so_far_is_the_bound_where_nothing_is_known():
    """The least cast of a room is nearly none: some camera always balances well."""
    photos, _ = room()
    casts = [np.log(light.rgb[0]) for light in lights_of_room(photos)]
    assert -0.06 < min(casts) < 0.08


@pytest.mark.parametrize("colour", [REFLECTED, np.array([0.8, 0.75, 0.62])])
def test_overexposed_channels_do_not_drag_the_others(colour):
    photos, truth = room(known=1, colour=colour)
    cast, _ = off(lights_of_room(photos), truth)
    assert cast < 0.12


def test_the_doubt_of_a_light_that_is_lent_is_more_than_that_of_its_lender_and_less_than_a_guess():
    photos, _ = room(known=1)
    first, *others = lights_of_room(photos)
    for light, photo in zip(others, photos[1:], strict=True):
        assert first.cast_spread < light.cast_spread < photo.own.cast_spread
        assert light.exposure_spread < photo.own.exposure_spread


def test_the_stylists_own_word_outranks_the_room():
    photos, _ = room(known=1)
    other = Light(NEUTRAL, np.array([1.3, 1.0, 0.8]), 0.5, 0.022, 0.09)
    photos[3] = replace(photos[3], own=other)
    assert lights_of_room(photos)[3].rgb == pytest.approx(other.rgb)
    assert lent_by(photos)[3] == 3


def test_the_room_tells_how_light_its_paper_is():
    photos, truth = room(known=1, reference=PAPER)
    white = 0.567 * truth[0].rgb * green(truth[0])  # L* 80: neither white nor grey
    wrong = replace(photos[0].own, exposure=truth[0].exposure * 0.66, exposure_spread=0.3)
    alone = abs(np.log(wrong.exposure / truth[0].exposure))
    photos[0] = replace(photos[0], own=wrong, sheet=white)
    _, exposure = off(lights_of_room(photos), truth)
    assert exposure < 0.6 * alone


@given(st.permutations(range(6)))
def test_the_order_of_photos_changes_nothing(order):
    photos, _ = room(known=1)
    plain = lights_of_room(photos)
    turned = lights_of_room([photos[k] for k in order])
    for place, k in enumerate(order):
        assert turned[place].rgb == pytest.approx(plain[k].rgb, rel=1e-6)
        assert turned[place].exposure == pytest.approx(plain[k].exposure, rel=1e-6)


def test_a_photo_by_itself_is_told_its_lamp_only_where_its_cast_is_known():
    assert light_alone(Light(ESTIMATED, np.exp(0.3 * LAMP_LINE), 1.0, 0.09, 0.28)).correction is None
    assert light_alone(true_light(0.3, 1.0)).correction is not None


def taken(colour, seed, grain=0.05, **told):
    true = true_light(LEFT[seed % 6], GAIN[seed % 6])
    return Taken(ground(true, seed, np.array(colour), grain), **told)


RUG, WALL = (0.30, 0.22, 0.13), (0.70, 0.72, 0.74)


def test_photos_of_one_ground_are_one_take_and_one_of_another_is_left_out():
    photos = [taken(RUG, 0), taken(RUG, 1), taken(WALL, 2, 0.004), taken(RUG, 3), taken(RUG, 4)]
    numbers = takes_of(photos)
    assert [numbers[k] == numbers[0] for k in range(5)] == [True, True, False, True, True]


def test_a_photo_without_ground_belongs_to_none():
    numbers = takes_of([taken(RUG, 0), Taken(None), taken(RUG, 1), taken(RUG, 2)])
    assert numbers[0] == numbers[2] == numbers[3] != numbers[1]


def test_dusk_and_another_camera_split_a_room():
    early = [taken(RUG, k, at=60.0 * k, camera="a") for k in range(3)]
    late = [taken(RUG, k, at=60.0 * k + 2 * PAUSE, camera="a") for k in range(3, 6)]
    assert takes_of(early + late) == [0, 0, 0, 1, 1, 1]
    other = [replace(photo, camera="b", at=photo.at - 2 * PAUSE) for photo in late]
    assert takes_of(early + other) == [0, 0, 0, 1, 1, 1]


def test_a_ground_that_comes_now_and_then_is_no_room():
    photos = [taken(RUG if k % 2 else WALL, k, 0.05 if k % 2 else 0.004) for k in range(12)]
    assert takes_of(photos) == list(range(12))


def test_too_little_ground_is_none():
    covered = np.ones((260, 200), bool)
    covered[:8] = False
    assert ground_of(np.full((260, 200, 3), 0.5, np.float32), covered) is None
