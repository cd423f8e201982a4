"""A wardrobe read again: shown first, then taken over, and the stylist's words stay."""

from dataclasses import replace

import pytest

from lucid_swatch.core.garment.vocabulary import Bin, Category
from lucid_swatch.core.garment.word import Word
from lucid_swatch.core.photo.neutral import NeutralPoint
from lucid_swatch.store.jobs import Jobs
from lucid_swatch.store.photos import Photos
from lucid_swatch.store.pieces import Pieces
from lucid_swatch.store.records import JobKind, PhotoState
from lucid_swatch.usecases.intake import relight
from lucid_swatch.usecases.rail import hang_photo
from lucid_swatch.usecases.reading_photos import read_kept_photo
from lucid_swatch.usecases.rereading import ask_again, call_off, changes, take_over, waiting
from tests.usecases.test_intake import client, coat, photo, take

__all__ = ["client", "coat", "take"]  # fixtures


@pytest.fixture
def hung(coat, sessions):
    """A hung coat whose stylist has said more than was read."""
    with sessions.begin() as session:
        return hang_photo(session, coat, Word(category=Category.COAT, label="The old one", bin=Bin.TONE))


def better_light(sessions, id):
    """The light gets better without the piece being taken off: as if the measuring had."""
    with sessions.begin() as session:
        Photos(session).change(id, lambda kept: replace(kept, neutral=NeutralPoint(0.1, 0.1, 50.0)))


def test_what_would_change_is_shown_before_it_does(hung, coat, client, sessions, folder, network):
    before = photo(sessions, coat).reading
    better_light(sessions, coat)
    with sessions.begin() as session:
        assert ask_again(session, client.id) == [coat]
        assert [job.about for job in Jobs(session).all()] == [coat]
        assert waiting(session, client.id) == 1
    read_kept_photo(sessions, folder, network, coat)
    kept = photo(sessions, coat)
    assert kept.state is PhotoState.HUNG
    assert kept.reading == before
    with sessions() as session:
        (change,) = changes(session, client.id)
        assert [job.about for job in Jobs(session).all()] == []
    assert change.label == "The old one"
    assert change.difference > 5
    assert change.before == before


def test_what_is_taken_over_recolours_the_piece_and_keeps_the_words(hung, coat, client, sessions, folder, network):
    better_light(sessions, coat)
    with sessions.begin() as session:
        ask_again(session, client.id)
    read_kept_photo(sessions, folder, network, coat)
    number = photo(sessions, coat).reading_number
    with sessions.begin() as session:
        assert take_over(session, client.id, [coat]) == [coat]
    read_kept_photo(sessions, folder, network, coat)
    kept = photo(sessions, coat)
    assert kept.state is PhotoState.HUNG
    assert kept.newer is None
    assert kept.reading_number == number + 1
    with sessions() as session:
        piece = Pieces(session).get(hung.piece.id)
    assert piece.piece.label == "The old one"
    assert piece.piece.bin_said is Bin.TONE
    assert piece.piece.lab[0] == pytest.approx(kept.reading.document["colours"][0]["lab"], abs=0.01)
    assert abs(piece.piece.lab[0, 0] - hung.piece.lab[0, 0]) > 5


def test_what_is_not_chosen_stays_as_it_was(hung, coat, client, sessions, folder, network):
    before = photo(sessions, coat).reading
    better_light(sessions, coat)
    with sessions.begin() as session:
        ask_again(session, client.id)
    read_kept_photo(sessions, folder, network, coat)
    with sessions.begin() as session:
        assert take_over(session, client.id, []) == []
    kept = photo(sessions, coat)
    assert kept.reading == before
    assert kept.newer is None


def test_a_photo_that_cannot_be_read_anew_keeps_what_was_read(hung, coat, client, sessions, folder, network):
    before = photo(sessions, coat).reading
    with sessions.begin() as session:
        ask_again(session, client.id)
    folder.photo(photo(sessions, coat).file).unlink()
    read_kept_photo(sessions, folder, network, coat)
    kept = photo(sessions, coat)
    assert kept.reading == before
    assert kept.state is PhotoState.HUNG
    assert kept.newer is None


def test_a_deleted_photo_says_so(coat, sessions, folder, network):
    with sessions.begin() as session:
        relight(session, coat, None)
    folder.photo(photo(sessions, coat).file).unlink()
    read_kept_photo(sessions, folder, network, coat)
    failed = photo(sessions, coat)
    assert failed.state is PhotoState.FAILED
    assert "cannot be opened" in failed.problem.what
    assert "send the photo again" in failed.problem.do


def test_a_correction_made_meanwhile_comes_first(coat, client, sessions, folder, network):
    with sessions.begin() as session:
        ask_again(session, client.id)
        relight(session, coat, NeutralPoint(0.1, 0.1, 83.0))
    read_kept_photo(sessions, folder, network, coat)
    read = photo(sessions, coat)
    assert read.state is PhotoState.READ
    assert read.newer is None
    assert read.reading.document["light"]["reference"] == "neutral"


def test_a_rereading_that_is_called_off_leaves_what_hangs(hung, coat, client, sessions, folder, network):
    before = photo(sessions, coat)
    with sessions.begin() as session:
        ask_again(session, client.id)
        take_over(session, client.id, [])
    read_kept_photo(sessions, folder, network, coat)  # it was in the queue already
    now = photo(sessions, coat)
    assert replace(now, light=None, evidence=None) == replace(before, light=None, evidence=None)


def test_reading_anew_can_be_stopped(hung, coat, client, sessions, folder, network):
    with sessions.begin() as session:
        ask_again(session, client.id)
        assert call_off(session, client.id) == [coat]
        assert waiting(session, client.id) == 0
    read_kept_photo(sessions, folder, network, coat)
    assert photo(sessions, coat).newer is None


def test_what_is_still_to_be_read_at_all_is_not_asked_for_anew(hung, coat, client, sessions):
    with sessions.begin() as session:
        Jobs(session).ask(client.id, JobKind.PICTURES, coat)
        assert ask_again(session, client.id) == []
        assert Jobs(session).about(coat).kind is JobKind.PICTURES
