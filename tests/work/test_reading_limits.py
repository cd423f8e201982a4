"""A reading that takes too long, dies or is called off."""

import multiprocessing
import os
import signal
import threading
import time

import pytest

from lucid_swatch.core.problems import Refused
from lucid_swatch.store.records import PhotoState
from lucid_swatch.usecases.intake import relight, take_in
from lucid_swatch.work import queue as work_queue
from lucid_swatch.work.queue import WorkQueue
from tests.pictures import coat_photo
from tests.usecases.test_intake import client, photo

__all__ = ["client"]  # a fixture


@pytest.fixture
def queue(sessions, data):
    made = []

    def start(**options):
        made.append(WorkQueue(sessions, data, **{"workers": 1} | options))
        return made[-1]

    yield start
    for one in made:
        one.stop()


@pytest.fixture
def coat(sessions, folder, eyes, client):
    return take_in(sessions, folder, eyes, client.id, [("coat.jpg", coat_photo())])[0].photo.id


# looks that are sent to a reading process


def look_for_ever(sight):
    while True:
        time.sleep(1)


def look_and_die(sight):
    os.kill(os.getpid(), signal.SIGKILL)


def look_at(sight, value):
    return value, os.getpid()


def test_a_look_that_takes_too_long_is_ended_and_the_next_one_goes_on(queue):
    limited = queue(within=1.0)
    with pytest.raises(Refused, match="could not be read within 1 seconds"):
        limited.see(look_for_ever)
    patient = queue(within=60.0)
    assert patient.see(look_at, 5)[0] == 5


def test_a_look_that_ends_its_process_again_and_again_is_given_up(queue):
    own = queue()
    with pytest.raises(Refused, match="ended again and again"):
        own.see(look_and_die)
    assert own.see(look_at, "next")[0] == "next"


def test_a_process_that_is_killed_between_two_looks_is_replaced(queue):
    own = queue()
    _, process = own.see(look_at, 1)
    os.kill(process, signal.SIGKILL)
    _, another = own.see(look_at, 2)
    assert another != process


def children():
    return [child.pid for child in multiprocessing.active_children() if child.name == "reading"]


def test_a_photo_whose_process_is_killed_is_read_by_the_next_one(queue, coat, sessions):
    own = queue()
    own.make_ready()
    future = own.add(coat)
    killed = False
    while not future.done() and not killed:
        if photo(sessions, coat).state is PhotoState.READING:
            for pid in children():
                os.kill(pid, signal.SIGKILL)
            killed = True
    future.result(timeout=120)
    assert killed
    assert photo(sessions, coat).state is PhotoState.READ


def test_a_photo_that_takes_too_long_says_so_and_stops_nothing(queue, coat, sessions, folder, eyes, client):
    limited = queue(within=0.001)  # nothing is read in so short a time
    limited.add(coat).result(timeout=120)
    told = photo(sessions, coat)
    assert told.state is PhotoState.FAILED
    assert "could not be read within" in told.problem.what
    limited.stop()
    patient = queue()
    with sessions.begin() as session:
        relight(session, coat, None)
    patient.add(coat).result(timeout=120)
    assert photo(sessions, coat).state is PhotoState.READ


def test_ending_a_reading_ends_it(queue, sessions, folder, eyes, client):
    sent = [(f"{k}.jpg", coat_photo()) for k in range(4)]
    ids = [one.photo.id for one in take_in(sessions, folder, eyes, client.id, sent)]
    own = queue()
    futures = [own.add(id) for id in ids]
    while photo(sessions, ids[0]).state is PhotoState.WAITING and not futures[0].done():
        pass
    own.end(ids)
    assert all(future.done() for future in futures)
    assert own.see(look_at, 1)[0] == 1


def test_a_full_disk_keeps_a_photo_waiting_and_not_failed(queue, coat, sessions, data, monkeypatch):
    """A file where the folder of pictures should be: nothing can be written there, until it goes."""
    monkeypatch.setattr(work_queue, "TRIES_AGAIN_AFTER", 0.5)
    (data / "pictures").write_text("full")
    own = queue()
    future = own.add(coat)
    own.see(look_at, 1)  # after the first try
    assert not future.done()
    assert photo(sessions, coat).state in (PhotoState.WAITING, PhotoState.READING)
    (data / "pictures").unlink()
    future.result(timeout=120)
    assert photo(sessions, coat).state is PhotoState.READ


def test_a_correction_that_comes_while_it_is_read_stands(coat, sessions, folder, network):
    from lucid_swatch.core.photo.neutral import NeutralPoint
    from lucid_swatch.usecases.intake import relight
    from lucid_swatch.usecases.reading_photos import read_kept_photo

    def corrected_meanwhile(srgb):
        with sessions.begin() as session:
            relight(session, coat, NeutralPoint(0.1, 0.1, 80))
        return network(srgb)

    read_kept_photo(sessions, folder, corrected_meanwhile, coat)
    assert photo(sessions, coat).state is PhotoState.WAITING
    read_kept_photo(sessions, folder, network, coat)
    assert photo(sessions, coat).reading.document["light"]["reference"] == "neutral"


def refused(queue, look):
    with pytest.raises(Refused, match="being stopped"):
        queue.see(look)


def test_stopping_waits_for_nobody_who_takes_too_long(queue):
    own = queue(within=600.0)
    hanging = threading.Thread(target=refused, args=(own, look_for_ever), daemon=True)
    hanging.start()
    while not children():
        pass
    own.stop()
    assert not children()


def test_an_erasing_that_fails_lets_its_photos_be_read_after_all(queue, sessions, folder, eyes, client):
    sent = [(f"{k}.jpg", coat_photo()) for k in range(3)]
    ids = [one.photo.id for one in take_in(sessions, folder, eyes, client.id, sent)]
    own = queue()
    for id in ids:
        own.add(id)
    with pytest.raises(ZeroDivisionError), own.without(ids):
        raise ZeroDivisionError
    while {photo(sessions, id).state for id in ids} != {PhotoState.READ}:
        own.see(look_at, 1)  # as long as a look takes
