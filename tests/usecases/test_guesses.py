"""What a photo may show: its outline, and what this studio hung before that looked like it."""

import pytest

from lucid_swatch.core.garment.vocabulary import Category
from lucid_swatch.core.garment.word import Word
from lucid_swatch.store.photos import Photos
from lucid_swatch.usecases.guesses import guesses_of
from lucid_swatch.usecases.rail import hang_photo
from lucid_swatch.usecases.reading_photos import read_kept_photo
from tests.pictures import coat_photo
from tests.usecases.test_intake import client, coat, photo, take

__all__ = ["client", "coat", "photo", "take"]  # fixtures


@pytest.fixture
def another(take, sessions, folder, network):
    id = take(("IMG_2.jpg", coat_photo(lab=(40.0, -28.0, 20.0))))[0].photo.id
    read_kept_photo(sessions, folder, network, id)
    return id


def guessed(sessions, id):
    with sessions() as session:
        return guesses_of(session, [Photos(session).get(id)]).get(id)


def test_a_reading_tells_what_the_piece_may_be(coat, sessions):
    with sessions() as session:
        kept = Photos(session).get(coat).reading.document["garment"]["guesses"]
    found = guessed(sessions, coat)
    assert [one.category for one in found] == [Category(one["category"]) for one in kept[: len(found)]]
    assert 1 <= len(found) <= 3


def test_what_was_hung_is_proposed_for_what_looks_like_it(coat, another, sessions):
    before = {one.category: one.confidence for one in guessed(sessions, another)}
    with sessions.begin() as session:
        hang_photo(session, coat, Word(category=Category.WRAP))
    after = {one.category: one.confidence for one in guessed(sessions, another)}
    assert Category.WRAP not in before
    assert after[Category.WRAP] > 0.3
    assert sum(after.values()) <= 1 + 1e-9


def test_what_hangs_is_not_guessed_at(coat, sessions):
    with sessions.begin() as session:
        hang_photo(session, coat, Word(category=Category.COAT))
    assert guessed(sessions, coat) is None
