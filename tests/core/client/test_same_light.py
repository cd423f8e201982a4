"""Two photos of one person are brought into one light by what lies behind."""

import numpy as np
import pytest
from hypothesis import given
from hypothesis import strategies as st

from lucid_swatch.core.client.face import FaceBox
from lucid_swatch.core.client.frame import SHAPE, frame_of_face, frame_of_person
from lucid_swatch.core.client.same_light import ground_of, one_light

PERSON = np.zeros((160, 120), bool)
PERSON[40:160, 30:90] = True


def shot(cloth=(0.1, 0.1, 0.3), wall=(0.45, 0.42, 0.38), gain=(1.0, 1.0, 1.0), seed=1):
    """A photo of somebody before an unevenly lit wall. (160, 120, 3)."""
    rng = np.random.default_rng(seed)
    light = np.linspace(1.1, 0.6, 120)[None, :, None] * np.array(wall) * np.ones((160, 1, 1))
    light[PERSON] = cloth
    return np.clip(light * np.array(gain) * np.exp(rng.normal(0, 0.02, light.shape)), 0, 1)


@given(st.tuples(*[st.floats(-0.28, 0.28)] * 3))
def test_what_the_phone_changed_is_undone(changed):
    gain = np.exp(np.array(changed))
    first, second = shot(cloth=(0.1, 0.1, 0.3)), shot(cloth=(0.4, 0.1, 0.05), gain=gain, seed=2)
    back = one_light(ground_of(second, PERSON), ground_of(first, PERSON))
    assert back.gain * gain == pytest.approx([1, 1, 1], abs=0.03)
    assert back.remaining < 1.0


def test_the_cloth_that_is_compared_has_no_say():
    navy, white = shot(cloth=(0.02, 0.02, 0.06)), shot(cloth=(0.9, 0.9, 0.9))
    same = one_light(ground_of(navy, PERSON), ground_of(white, PERSON))
    assert same.gain == pytest.approx([1, 1, 1], abs=0.01)
    assert same.apart < 0.5


@pytest.mark.parametrize(
    "other",
    [
        shot(wall=(0.1, 0.3, 0.1)),
        shot(gain=(0.3, 0.3, 0.3)),
        np.where(np.arange(160)[:, None, None] % 40 < 20, 0.05, 1.0) * shot(),
    ],
    ids=["another wall", "another hour", "a striped one"],
)
def test_another_ground_brings_nothing_together(other):
    assert one_light(ground_of(shot(), PERSON), ground_of(other, PERSON)) is None


@pytest.mark.parametrize(
    ("photo", "person"),
    [(shot(), np.ones_like(PERSON)), (np.ones((160, 120, 3)), PERSON), (np.zeros((160, 120, 3)), PERSON)],
    ids=["no ground", "blown out", "black"],
)
def test_what_tells_nothing_is_not_asked(photo, person):
    assert ground_of(photo, person) is None


def test_two_faces_are_framed_alike():
    frames = [
        frame_of_face(FaceBox(left, top, width, width), (1000, 800))
        for left, top, width in ((0.3, 0.3, 0.4), (0.2, 0.1, 0.3))
    ]
    for frame, (left, top, width) in zip(frames, ((240, 300, 320), (160, 100, 240)), strict=True):
        assert frame.width / frame.height == pytest.approx(SHAPE)
        assert (left - frame.left) / frame.width == pytest.approx((1 - 1 / 2.4) / 2)
        assert (top - frame.top) / frame.height == pytest.approx(0.27)
        assert width / frame.width == pytest.approx(1 / 2.4)


def test_a_far_face_is_part_of_a_figure():
    assert frame_of_face(FaceBox(0.45, 0.1, 0.1, 0.08), (1000, 800)) is None
    frame = frame_of_person(PERSON)
    assert frame.top < 40
    assert frame.top + frame.height > 160
    assert frame.left + frame.width / 2 == pytest.approx(60)
