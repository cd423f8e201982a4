"""A light for a whole series, a reader held to the cloth, a card measured once."""

from dataclasses import replace

import numpy as np
import pytest
from numpy.testing import assert_allclose

from lucid_swatch.core.colour.difference import delta_e_2000
from lucid_swatch.core.garment.vocabulary import Category
from lucid_swatch.core.garment.word import Word
from lucid_swatch.core.photo.card import NOMINAL
from lucid_swatch.core.photo.neutral import NeutralPoint
from lucid_swatch.core.problems import Refused
from lucid_swatch.demo.hand import SampleHand, printed_card
from lucid_swatch.outside.reader import SocketReader
from lucid_swatch.outside.reader_stand_in import ReaderStandIn
from lucid_swatch.store.photos import Photos
from lucid_swatch.store.records import PhotoState
from lucid_swatch.usecases.intake import relight, share_light
from lucid_swatch.usecases.rail import hang_photo
from lucid_swatch.usecases.reader import OwnHand, calibrate, forget_card, measure_patch, measured_card, read_cloth
from lucid_swatch.usecases.reading_photos import read_kept_photo
from tests.pictures import coat_photo
from tests.usecases.test_intake import client, coat, photo, take

__all__ = ["client", "coat", "take"]  # fixtures


@pytest.fixture
def device(tmp_path):
    with ReaderStandIn(seed=2) as there:
        yield there


@pytest.fixture
def reader(device):
    return SocketReader(device.port)


def again(sessions, folder, network, id):
    read_kept_photo(sessions, folder, network, id)
    return photo(sessions, id)


def test_the_light_of_one_photo_is_taken_by_the_others(coat, take, sessions, folder, network):
    with sessions.begin() as session:
        relight(session, coat, NeutralPoint(0.1, 0.1, 83.0))
    one = again(sessions, folder, network, coat)
    # on a wall of its own: of one room it would have the light without being asked
    other = take(("second.jpg", coat_photo(lab=(60.0, 10.0, 30.0), wall=0.06)))[0].photo.id
    before = again(sessions, folder, network, other)
    assert before.reading.document["light"]["reference"] == "estimated"
    with sessions.begin() as session:
        changed = share_light(session, coat, [coat, other])
    assert [p.id for p in changed] == [other]
    after = again(sessions, folder, network, other)
    assert after.reading.document["light"]["reference"] == "neutral"
    assert after.series_light.photo_id == coat
    assert after.light.exposure == pytest.approx(one.light.exposure)
    with sessions.begin() as session:
        relight(session, other, None)
    assert again(sessions, folder, network, other).reading.document["light"]["reference"] == "estimated"


def test_an_unread_photo_has_no_light_to_share(take, sessions):
    id = take(("coat.jpg", coat_photo()))[0].photo.id
    with sessions.begin() as session, pytest.raises(Refused, match="not known yet"):
        share_light(session, id, [id])


def test_what_hangs_keeps_its_light(coat, take, sessions, folder, network):
    hung = take(("second.jpg", coat_photo()))[0].photo.id
    read_kept_photo(sessions, folder, network, hung)
    with sessions.begin() as session:
        hang_photo(session, hung, Word(category=Category.COAT))
        assert share_light(session, coat, [hung]) == []


def test_the_reader_settles_the_main_colour(coat, sessions, folder, network, device, reader):
    true = np.array([27.0, 5.0, -22.0])
    before = photo(sessions, coat)
    calibrate(reader, OwnHand())
    device.answer("UNDER " + " ".join(map(str, true)))
    assert read_cloth(sessions, reader, OwnHand(), coat).state is PhotoState.WAITING
    after = again(sessions, folder, network, coat)
    assert after.reading.document["light"]["reference"] == "reader"
    main = after.reading.document["colours"][0]
    assert delta_e_2000(np.array(main["lab"]), true) < 0.6
    assert main["uncertainty"] <= 1.0 < before.reading.document["colours"][0]["uncertainty"]


def test_a_reader_without_its_tile_changes_nothing(coat, sessions, reader):
    before = photo(sessions, coat)
    with pytest.raises(Refused, match="has not been calibrated"):
        read_cloth(sessions, reader, OwnHand(), coat)
    now = photo(sessions, coat)
    assert replace(now, light=None, evidence=None) == replace(before, light=None, evidence=None)


def test_the_card_counts_once_every_patch_is_measured(sessions, device, reader, tmp_path):
    hand = SampleHand(device.port, tmp_path)
    calibrate(reader, hand)
    for number in range(len(NOMINAL)):
        with sessions.begin() as session:
            assert measured_card(session) is None
            left = measure_patch(session, reader, hand, number)
        assert left == len(NOMINAL) - 1 - number
    with sessions.begin() as session:
        assert_allclose(measured_card(session), printed_card(), atol=0.5)
        forget_card(session)
        assert measured_card(session) is None


@pytest.mark.parametrize(("under", "says"), [("8 0 0", "cannot be the patch"), ("94 10 9", "colour of its own")])
def test_a_reader_on_the_wrong_patch_is_noticed(sessions, device, reader, under, says):
    calibrate(reader, OwnHand())
    device.answer(f"UNDER {under}")
    with sessions.begin() as session, pytest.raises(Refused, match=says) as problem:
        measure_patch(session, reader, OwnHand(), 0)
    assert problem.value.where == "patch 1"


def test_there_is_no_patch_beyond_the_card(sessions, reader):
    with sessions.begin() as session, pytest.raises(Refused, match="no such patch"):
        measure_patch(session, reader, OwnHand(), 24)


def test_the_sample_hand_has_only_samples(coat, sessions, device, demo_template):
    hand = SampleHand(device.port, demo_template / "samples")
    with sessions() as session, pytest.raises(Refused, match="only the cloth of the samples"):
        hand.on_cloth(Photos(session).get(coat))
