"""Photos are read in processes of their own, and after a restart."""

from dataclasses import replace
from datetime import date

import pytest

from lucid_swatch.store.photos import Photos
from lucid_swatch.store.records import PhotoState
from lucid_swatch.usecases.clients import add_client
from lucid_swatch.usecases.intake import take_in
from lucid_swatch.work.queue import WorkQueue
from tests.pictures import coat_photo


@pytest.fixture
def waiting(sessions, folder, eyes):
    """Two photos that wait, one of them broken."""
    with sessions.begin() as session:
        client = add_client(session, "Maren", date(2031, 5, 4))
    sent = [("broken.jpg", coat_photo()[:4000]), ("coat.jpg", coat_photo())]
    return [one.photo.id for one in take_in(sessions, folder, eyes, client.id, sent)]


def test_what_was_left_is_taken_up_and_a_broken_one_stops_nothing(sessions, data, waiting):
    with sessions.begin() as session:
        Photos(session).change(
            waiting[1], lambda kept: replace(kept, state=PhotoState.READING)
        )  # the machine went down
    queue = WorkQueue(sessions, data, workers=1)
    queue.resume()
    queue.add(waiting[1]).result(timeout=120)
    queue.stop()
    with sessions() as session:
        states = [Photos(session).get(id).state for id in waiting]
    assert states == [PhotoState.FAILED, PhotoState.READ]


def test_a_stopped_queue_leaves_the_rest_waiting(sessions, data, waiting):
    queue = WorkQueue(sessions, data, workers=1)
    futures = [queue.add(id) for id in waiting * 3]
    queue.stop()
    assert all(future.done() for future in futures)
    with sessions() as session:
        assert all(Photos(session).get(id).state is not PhotoState.READING for id in waiting)
