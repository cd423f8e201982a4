"""Photos that were taken to compare are kept like portraits: relit, without metadata, erased with the client."""

from dataclasses import replace
from datetime import date

import numpy as np
import pytest
from PIL import Image

from lucid_swatch.core.colour.difference import delta_e_2000
from lucid_swatch.core.colour.spaces import decode_srgb, rgb_linear_to_lab
from lucid_swatch.core.problems import NotThere, Refused
from lucid_swatch.demo.studio.portrait import SPOTS, Sitter, draw_portrait
from lucid_swatch.files.photo import decode_photo
from lucid_swatch.store.compared_photos import ComparedPhotos
from lucid_swatch.store.records import SideKind
from lucid_swatch.usecases.clients import add_client, withdraw_consent
from lucid_swatch.usecases.compared_photos import (
    ORIGINAL,
    PICTURE,
    add_compared_photo,
    compared_picture,
    remove_compared_photo,
    rename_compared_photo,
    side_by_side,
)
from lucid_swatch.usecases.erase import erase_client
from lucid_swatch.usecases.side_by_side import keep_side_by_side
from lucid_swatch.usecases.tidy import Moved, tidy
from tests.pictures import encoded, located

SITTER = Sitter((64.0, 11.0, 18.0), (22.0, 5.0, 8.0), (35.0, 4.0, 9.0), "short")
BLUE, RUST = (40.0, 0.0, -24.0), (46.0, 29.0, 34.0)


@pytest.fixture(scope="module")
def shots():
    """The same person in two cloths, as a phone made them of one light."""
    lamps = ((1.0, 0.9, 0.74), (0.84, 0.9, 0.86))
    pictures = [
        draw_portrait(SITTER, lamp, k, cloth) for k, (lamp, cloth) in enumerate(zip(lamps, (BLUE, RUST), strict=True))
    ]
    return [encoded(Image.fromarray(picture), exif=located().tobytes()) for picture in pictures]


@pytest.fixture
def client(sessions):
    with sessions.begin() as session:
        return add_client(session, "Tove", date(2031, 5, 4)).id


@pytest.fixture
def add(sessions, folder, eyes, client):
    def added(content, name="shot.jpg", client=client):
        return add_compared_photo(sessions, folder, eyes, client, content, name)

    return added


def cheek(picture):
    """CIELAB of a patch of skin in a JPEG."""
    srgb = decode_photo(picture, "picture", 1000).srgb
    rows, columns = srgb.shape[:2]
    x, y = SPOTS["skin"][0]
    patch = srgb[int(y * rows) - 8 : int(y * rows) + 8, int(x * columns) - 8 : int(x * columns) + 8]
    return rgb_linear_to_lab(decode_srgb(np.median(patch.reshape(-1, 3), axis=0) / 255))


def test_two_photos_come_into_one_light_and_one_size(sessions, folder, add, shots):
    left, right = add(shots[0], "in blue.jpg"), add(shots[1], "in rust.jpg")
    assert left.name == "in blue"
    with sessions() as session:
        pair = side_by_side(session, left.id, right.id)
        alone = [cheek(compared_picture(session, folder, one.id, None)) for one in (left, right)]
        both = [
            cheek(compared_picture(session, folder, one.id, other.id)) for one, other in ((left, right), (right, left))
        ]
    assert pair.left == left.face
    assert pair.left.width == pytest.approx(pair.right.width, rel=0.05)
    assert pair.changed in (left.id, right.id)
    assert pair.light.remaining < 0.5 < pair.light.apart
    before, after = delta_e_2000(alone[0], alone[1]), delta_e_2000(both[0], both[1])
    assert 2 * after < before


def test_where_both_lights_are_known_as_well_one_photo_is_changed_and_not_none(sessions, folder, add, shots):
    left, right = add(shots[0]), add(shots[1])
    twin = replace(right, id="twin", light=left.light)
    folder.keep_picture("twin", PICTURE, folder.picture(right.id, PICTURE).read_bytes())
    with sessions.begin() as session:
        ComparedPhotos(session).add(twin)
        changed = [
            compared_picture(session, folder, one, other) != compared_picture(session, folder, one, None)
            for one, other in ((left.id, "twin"), ("twin", left.id))
        ]
        assert side_by_side(session, left.id, "twin").changed == side_by_side(session, "twin", left.id).changed
    assert sum(changed) == 1


def test_it_keeps_no_metadata_and_can_be_named_and_removed(sessions, folder, add, shots):
    photo = add(shots[0])
    for picture in folder.pictures(photo.id):
        assert b"Telltale" not in picture.read_bytes()
    with sessions.begin() as session:
        assert rename_compared_photo(session, photo.id, " in steel blue ").name == "in steel blue"
        with pytest.raises(Refused, match="no name"):
            rename_compared_photo(session, photo.id, " ")
    assert tidy(sessions, folder) == Moved(0, 0)
    assert folder.has_picture(photo.id, ORIGINAL)
    with sessions.begin() as session:
        remove_compared_photo(session, folder, photo.id)
    assert folder.pictures(photo.id) == []
    with sessions() as session, pytest.raises(NotThere):
        ComparedPhotos(session).get(photo.id)


def test_what_was_found_outlives_its_photo(sessions, folder, client, add, shots):
    left, right = add(shots[0], "in blue.jpg"), add(shots[1], "in rust.jpg")
    with sessions.begin() as session:
        kept = keep_side_by_side(session, client, (SideKind.PHOTO, left.id), (SideKind.PHOTO, right.id), "right", "")
        remove_compared_photo(session, folder, left.id)
    assert (kept.left.label, kept.right.label) == ("in blue", "in rust")


def test_without_a_person_or_a_ground_each_photo_stays_by_itself(sessions, add, shots):
    noise = encoded(Image.fromarray(np.random.default_rng(1).integers(0, 255, (400, 320, 3)).astype(np.uint8)))
    left, right = add(shots[0]), add(noise, "noise.jpg")
    with sessions() as session:
        pair = side_by_side(session, left.id, right.id)
    assert (pair.changed, pair.light) == (None, None)
    assert pair.left == left.figure


def test_consent_is_asked_and_nobody_elses_photo_shown(sessions, add, client, shots):
    with sessions.begin() as session:
        other = add_client(session, "Runa", date(2031, 5, 4)).id
    mine, hers = add(shots[0]), add(shots[1], client=other)
    with sessions() as session, pytest.raises(Refused, match="two clients"):
        side_by_side(session, mine.id, hers.id)
    with sessions() as session, pytest.raises(Refused, match="another client"):
        keep_side_by_side(session, client, (SideKind.PHOTO, hers.id), (SideKind.NOTHING, ""), None, "")
    with sessions.begin() as session:
        withdraw_consent(session, client)
    with pytest.raises(Refused, match="withdrew consent"):
        add(shots[0])


def test_it_goes_with_the_client(sessions, folder, client, add, shots):
    photo = add(shots[0])
    erased = erase_client(sessions, folder, client)
    assert erased.rows["compared_photo"] == 1
    assert erased.left == ()
    assert not (folder.path / "pictures" / photo.id).exists()
