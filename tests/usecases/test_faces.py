"""Portraits, the colour reader and the stylist's eye say together what a face is."""

import io
from datetime import date

import cv2
import numpy as np
import pytest
from PIL import Image

from lucid_swatch.core.client.reading import Veil
from lucid_swatch.core.problems import Refused
from lucid_swatch.demo.studio.portrait import Sitter, draw_portrait
from lucid_swatch.store.clients import Clients
from lucid_swatch.usecases.clients import add_client, withdraw_consent
from lucid_swatch.usecases.faces import (
    add_portrait,
    change_veils,
    count_in,
    head_of,
    read_again,
    read_with_reader,
    remove_face,
    set_by_eye,
)
from lucid_swatch.usecases.reader import OwnHand
from tests.pictures import encoded, located

SITTER = Sitter((40.0, 13.0, 18.0), (13.0, 2.0, 2.0), (21.0, 6.0, 8.0), "short")


@pytest.fixture(scope="module")
def sent():
    drawn = cv2.resize(draw_portrait(SITTER, (1.08, 1.0, 0.84), 2), (576, 720), interpolation=cv2.INTER_AREA)
    return encoded(Image.fromarray(drawn), exif=located().tobytes())


@pytest.fixture
def client(sessions):
    with sessions.begin() as session:
        return add_client(session, "Tove", date(2031, 5, 4)).id


@pytest.fixture
def face(sessions, folder, eyes, client, sent):
    return add_portrait(sessions, folder, eyes, client, sent, "tove.jpg")


def whole(sessions, client):
    with sessions() as session:
        return Clients(session).get(client).whole


class Reader:
    """A reader that lies on a known colour."""

    def __init__(self, lab):
        self.lab = np.array(lab)

    def calibrate(self):
        raise AssertionError("nobody asked for it")

    def read(self):
        return self.lab


def test_a_portrait_is_read_and_keeps_no_metadata(face, folder, sessions, client):
    assert face.note == ""
    assert set(face.colours) == {"skin", "hair", "eyes"}
    for picture in folder.pictures(face.id):
        assert b"Telltale" not in picture.read_bytes()
    counts = whole(sessions, client).counts
    assert counts.depth.value > 0.75
    assert counts.typology_angle.value < 0


def test_without_a_face_nothing_is_read(sessions, folder, eyes, client):
    wall = encoded(Image.fromarray(np.random.default_rng(1).integers(120, 200, (400, 320, 3)).astype(np.uint8)))
    face = add_portrait(sessions, folder, eyes, client, wall, "wall.jpg")
    assert "No face was found" in face.note
    assert face.colours == {}
    assert whole(sessions, client).counts is None
    spots = {"skin": ((0.5, 0.5),), "hair": (), "eyes": ()}
    by_hand = read_again(sessions, folder, eyes, face.id, spots, None, frozenset())
    assert set(by_hand.colours) == {"skin"}
    assert by_hand.note == ""


def test_who_withdrew_consent_gives_no_portrait(sessions, folder, eyes, client, sent):
    with sessions.begin() as session:
        withdraw_consent(session, client)
    with pytest.raises(Refused, match="withdrew consent"):
        add_portrait(sessions, folder, eyes, client, sent, "tove.jpg")


def test_a_veil_is_put_on_and_taken_off(face, sessions):
    with sessions.begin() as session:
        veiled = change_veils(session, face.id, frozenset({Veil.MAKE_UP}))
        assert veiled.doubts["skin"] > face.doubts["skin"]
        assert change_veils(session, face.id, frozenset()).doubts == face.doubts


def test_the_reader_outweighs_the_portrait_and_the_eye(face, sessions, client):
    with sessions.begin() as session:
        set_by_eye(session, client, "skin", (60.0, 5.0, 30.0))
    read_with_reader(sessions, Reader(SITTER.skin), OwnHand(), client, "skin")
    read_with_reader(sessions, Reader(SITTER.hair), OwnHand(), client, "hair")
    skin = whole(sessions, client).client.skin
    assert np.linalg.norm(skin - SITTER.skin) < 4
    with sessions() as session:
        sources = [one.source.value for one in Clients(session).get(client).faces]
    assert sources == ["portrait", "by eye", "colour reader"]


def test_what_does_not_count_is_kept_and_what_is_removed_is_not(face, sessions, folder, client):
    with sessions.begin() as session:
        count_in(session, face.id, False)
    assert whole(sessions, client).counts is None
    assert folder.pictures(face.id)
    with sessions.begin() as session:
        remove_face(session, folder, face.id)
    assert folder.pictures(face.id) == []


def test_a_reading_that_is_no_portrait_has_no_spots(sessions, folder, eyes, client):
    with sessions.begin() as session:
        kept = set_by_eye(session, client, "eyes", (40.0, 0.0, -10.0))
    with pytest.raises(Refused, match="no portrait"):
        read_again(sessions, folder, eyes, kept.id, {"skin": (), "hair": (), "eyes": ()}, None, frozenset())


def test_the_head_for_the_figure_is_cut_where_two_eyes_are_known(sessions, folder, eyes, face):
    with sessions() as session:
        head = Image.open(io.BytesIO(head_of(session, folder, face.id)))
    opacity = np.asarray(head.convert("RGBA"))[..., 3]
    assert 0.1 < (opacity > 128).mean() < 0.5
    read_again(sessions, folder, eyes, face.id, {**face.spots, "eyes": ()}, None, frozenset())
    with sessions() as session, pytest.raises(Refused, match="no head"):
        head_of(session, folder, face.id)
