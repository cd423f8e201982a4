"""The same photo twice, the same garment again, and the navy that is nearly this one."""

import io

import pytest
from PIL import Image

from lucid_swatch.core.garment.vocabulary import Category
from lucid_swatch.core.garment.word import Word
from lucid_swatch.core.problems import Refused
from lucid_swatch.store.photos import Photos
from lucid_swatch.usecases.alike import Likeness, alike, neighbours, not_the_same
from lucid_swatch.usecases.rail import hang_photo
from lucid_swatch.usecases.reading_photos import read_kept_photo
from tests.pictures import coat_photo, encoded
from tests.usecases.test_intake import client, coat, photo, take

__all__ = ["client", "coat", "take"]  # fixtures


def seen(sessions, client):
    with sessions() as session:
        return alike(Photos(session).of_client(client.id))


@pytest.fixture
def add(take, sessions, folder, network):
    def added(name, content):
        id = take((name, content))[0].photo.id
        read_kept_photo(sessions, folder, network, id)
        return id

    return added


def smaller(content):
    image = Image.open(io.BytesIO(content))
    return encoded(image.resize((240, 300)), quality=70)


def test_a_smaller_copy_is_the_same_photo(coat, add, sessions, client):
    copy = add("copy.jpg", smaller(coat_photo()))
    found = seen(sessions, client)
    assert found[copy].kind is Likeness.PHOTO
    assert found[copy].photo.id == coat
    assert coat not in found


def test_the_same_garment_elsewhere_in_the_picture(coat, add, sessions, client):
    image = Image.open(io.BytesIO(coat_photo()))
    wider = Image.new("RGB", (620, 480), image.getpixel((3, 3)))
    wider.paste(image, (280, 60))
    other = add("again.jpg", encoded(wider))
    assert seen(sessions, client)[other].kind is Likeness.GARMENT


def test_another_colour_is_another_garment(coat, add, sessions, client):
    add("green.jpg", coat_photo(lab=(40.0, -28.0, 20.0)))
    assert seen(sessions, client) == {}


def test_the_stylist_says_that_it_is_something_else(coat, add, sessions, client):
    copy = add("copy.jpg", smaller(coat_photo()))
    with sessions.begin() as session:
        not_the_same(session, copy, coat)
        with pytest.raises(Refused, match="from itself"):
            not_the_same(session, coat, coat)
    assert seen(sessions, client) == {}
    assert photo(sessions, copy).not_same == (coat,)


def test_the_nearest_pieces_come_first_with_a_word(coat, add, sessions):
    for name, lab in (
        ("navy.jpg", (30.0, 3.0, -18.0)),
        ("blue.jpg", (36.0, 3.0, -26.0)),
        ("red.jpg", (40.0, 50.0, 30.0)),
    ):
        id = add(name, coat_photo(lab=lab))
        with sessions.begin() as session:
            hang_photo(session, id, Word(category=Category.COAT, label=name))
    with sessions() as session:
        found = neighbours(session, coat)
    assert [one.piece.label for one in found] == ["navy.jpg", "blue.jpg", "red.jpg"]
    assert found[0].kin == "match"
    assert found[1].kin in ("may match", "clash", "related")
    assert found[2].kin == "apart"
    assert found[0].difference < found[1].difference < found[2].difference


def test_nothing_is_near_before_it_is_read(take, sessions):
    id = take(("coat.jpg", coat_photo()))[0].photo.id
    with sessions() as session, pytest.raises(Refused, match="not read yet"):
        neighbours(session, id)
