"""A short busy day with everything that can go wrong; the long one is in the benchmarks."""

from benchmarks.busy_day import busy_day


def test_what_was_answered_as_done_is_there_once_and_nothing_of_the_erased():
    day = busy_day(seconds=20, seed=11)
    assert sum(day["faults"].values()) >= 3
    # how many there are is the machine's affair: beside other work it answered nine
    assert sum(day["answers"].values()) > 3
    assert day["answers of 500"] == 0
    assert day["traces in the log"] == 0, day["last of them"]
    assert day["settled"]
    assert day["lost"] == day["doubled"] == day["left of who was erased"] == []
    assert day["still not read"] == day["half-written files"] == day["what the check found wrong"] == 0
