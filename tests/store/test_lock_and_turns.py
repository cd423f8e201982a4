"""One server a folder, one change at a time."""

import multiprocessing
import os
import signal
import sqlite3
import subprocess
from concurrent.futures import ThreadPoolExecutor
from dataclasses import dataclass

import pytest
import sqlalchemy as sa

from lucid_swatch.core.problems import Refused
from lucid_swatch.store.database import FILE
from lucid_swatch.store.lock import FolderLock
from lucid_swatch.store.studio import Studio, StudioKey
from tests.running import COMMAND, asking, environment_for, running, wait_for_address


@dataclass(frozen=True)
class Count:
    n: int


COUNT = StudioKey("count", Count)


def test_the_second_one_is_told_where_the_first_one_answers(data):
    first = FolderLock(data)
    first.tell("http://127.0.0.1:8317/")
    with pytest.raises(Refused, match="already works on this folder") as problem:
        FolderLock(data)
    assert "http://127.0.0.1:8317/" in problem.value.do
    first.release()
    FolderLock(data).release()


def _hold(data, ready):
    lock = FolderLock(data)
    ready.set()
    signal.pause()
    lock.release()


def test_a_killed_one_leaves_no_lock(data):
    context = multiprocessing.get_context("spawn")
    ready = context.Event()
    holder = context.Process(target=_hold, args=(data, ready))
    holder.start()
    assert ready.wait(60)
    with pytest.raises(Refused):
        FolderLock(data)
    os.kill(holder.pid, signal.SIGKILL)
    holder.join()
    FolderLock(data).release()


def test_a_second_application_on_a_folder_is_refused_and_disturbs_nothing(data):
    with running("serve", data) as url, asking(url) as http:
        client = http.post("/api/clients", json={"name": "Maren", "consent": True}).json()["id"]
        second = subprocess.run(
            [COMMAND, "serve", "--port", "0"],
            env=environment_for("serve", data),
            capture_output=True,
            text=True,
            timeout=60,
            check=False,
        )
        assert second.returncode == 1
        assert url.split("?")[0] in second.stderr
        assert "Traceback" not in second.stderr
        for command in (["check"], ["restore", str(data / FILE)]):
            done = subprocess.run(
                [COMMAND, *command, "--data", str(data)], capture_output=True, text=True, timeout=60, check=False
            )
            assert done.returncode == 1
            assert "already works" in done.stderr
        assert http.get(f"/api/clients/{client}").json()["name"] == "Maren"


def test_the_application_ends_with_a_folder_and_a_port_that_can_be_used_again(data):
    for _ in range(2):
        with running("serve", data) as url:
            assert url
    process = subprocess.Popen(
        [COMMAND, "serve", "--port", "0"], env=environment_for("serve", data), stdout=subprocess.PIPE, text=True
    )
    wait_for_address(process)
    process.kill()
    process.wait()
    process.stdout.close()
    with running("serve", data) as url:
        assert url


def test_changes_that_read_before_they_write_lose_nothing(sessions):
    with sessions.begin() as session:
        Studio(session).keep(COUNT, Count(0))

    def add(_):
        with sessions.begin() as session:
            studio = Studio(session)
            studio.keep(COUNT, Count(studio.get(COUNT).n + 1))

    with ThreadPoolExecutor(12) as hands:
        list(hands.map(add, range(60)))
    with sessions() as session:
        assert Studio(session).get(COUNT) == Count(60)


def test_a_change_that_fails_gives_its_turn_back(sessions):
    for _ in range(3):
        with pytest.raises(sa.exc.IntegrityError), sessions.begin() as session:
            session.execute(sa.text("insert into studio (key) values ('a')"))
    with sessions.begin() as session:
        Studio(session).keep(COUNT, Count(0))


def test_reading_is_of_one_moment_and_in_nobodys_way(sessions):
    with sessions() as reading:
        assert Studio(reading).get(COUNT) is None
        with sessions.begin() as session:
            Studio(session).keep(COUNT, Count(1))
        assert reading.execute(sa.text("select count(*) from studio")).scalar_one() == 0
    with sessions() as reading:
        assert Studio(reading).get(COUNT) == Count(1)


def test_an_outside_program_that_holds_the_database_makes_a_change_wait(sessions, data):
    outside = sqlite3.connect(data / FILE, isolation_level=None, check_same_thread=False)
    outside.execute("begin immediate")
    with ThreadPoolExecutor(1) as hand:

        def keep():
            with sessions.begin() as session:
                Studio(session).keep(COUNT, Count(1))

        waiting = hand.submit(keep)
        with pytest.raises(TimeoutError):
            waiting.result(timeout=0.3)
        outside.execute("commit")
        waiting.result(timeout=30)
    outside.close()
