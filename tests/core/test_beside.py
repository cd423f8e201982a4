"""What goes on beside the rest is begun at once where there are cores for it, and only when asked for where there are not."""

from threading import Event, current_thread

import cv2
import pytest

from lucid_swatch.core.beside import beside


@pytest.fixture
def threads(request):
    before = cv2.getNumThreads()
    cv2.setNumThreads(request.param)
    yield request.param
    cv2.setNumThreads(before)


either_way = pytest.mark.parametrize("threads", [1, 2], indirect=True)


@either_way
def test_it_answers_as_often_as_it_is_asked_and_works_once(threads):
    done = []
    answer = beside(lambda: done.append(current_thread().name) or "cloth")
    assert [answer(), answer()] == ["cloth", "cloth"]
    assert len(done) == 1


@either_way
def test_what_goes_wrong_is_told_to_who_asks(threads):
    answer = beside(lambda: 1 / 0)
    with pytest.raises(ZeroDivisionError):
        answer()


@either_way
def test_many_can_wait_for_one_another(threads):
    def chain(left):
        if left == 0:
            return 0
        rest = beside(lambda: chain(left - 1))
        return 1 + rest()

    assert chain(20) == 20


@pytest.mark.parametrize("threads", [2], indirect=True)
def test_it_begins_before_it_is_asked_where_there_are_two_threads(threads):
    begun = Event()
    answer = beside(begun.set)
    assert begun.wait(10)
    answer()


@pytest.mark.parametrize("threads", [1], indirect=True)
def test_one_thread_does_only_what_is_asked_for(threads):
    done = []
    wanted, _ = [beside(lambda what=what: done.append(what)) for what in ("wanted", "unwanted")]
    assert done == []
    wanted()
    assert done == ["wanted"]
