"""Work whose first result is answered while the rest goes on."""

from threading import Event, Timer

import pytest

from lucid_swatch.work.first_seen import FirstSeen

LONG = 30


@pytest.fixture
def first_seen():
    seen = FirstSeen()
    yield seen
    seen.stop()


def test_the_first_result_is_there_while_the_rest_waits_to_go_on(first_seen):
    done, ended = [], Event()

    def work(seen):
        done.append("first")
        seen()
        done.append("rest")
        ended.set()

    with first_seen.of(work):
        assert done == ["first"]
    assert ended.wait(LONG)
    assert done == ["first", "rest"]


def test_a_work_without_a_first_result_is_waited_for(first_seen):
    done = []
    with first_seen.of(lambda seen: done.append("all")):
        assert done == ["all"]


def test_what_goes_wrong_before_there_is_anything_to_see_is_told_to_who_asked(first_seen):
    def work(seen):
        raise ValueError("broken")

    with pytest.raises(ValueError, match="broken"), first_seen.of(work):
        pytest.fail("there is nothing to answer")


def test_who_stops_waits_for_what_is_under_way():
    seen, done, go_on = FirstSeen(), [], Event()

    def work(first):
        first()
        go_on.wait(LONG)
        done.append("rest")

    with seen.of(work):
        pass
    Timer(0.1, go_on.set).start()
    seen.stop()
    assert done == ["rest"]
