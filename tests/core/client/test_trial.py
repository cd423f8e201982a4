"""The trial by drapes: what verdicts say, which pair tells most, and what is sure when it says so."""

import numpy as np
import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from lucid_swatch.core.client.drapes import PLAIN_CLOTH, Drape, choose_drapes, places_of
from lucid_swatch.core.client.trial import (
    LAPSE,
    VERDICTS,
    TrialDesign,
    chances,
    distances,
    in_doubt,
    next_pair,
    read_trial,
    telling,
    updated,
)

LEFT, RIGHT, NONE = range(3)


@pytest.fixture(scope="module")
def design():
    return TrialDesign(places_of(np.array([lab for _, lab in PLAIN_CLOTH])))


def judged(design, belief, left, right, verdict):
    pair, mirrored = design.pair_of(left, right)
    return updated(design, belief, np.array([pair]), np.array([mirrored]), np.array([verdict]))


def held(design, client, count=12):
    """A trial with an observer who never slips."""
    belief, pairs = design.start(), []
    for _ in range(count):
        left, right = next_pair(design, belief, pairs)
        apart = distances(np.array([client]), design.drapes[[left, right]])[0]
        belief = judged(design, belief, left, right, LEFT if apart[0] < apart[1] else RIGHT)
        pairs.append((left, right))
    return belief, pairs


@given(st.floats(-3, 3), st.floats(0.5, 8), st.floats(-0.5, 0.5))
def test_chances_are_chances_and_mirror(nearer, slope, leaning):
    there = chances(np.array(nearer), np.array(slope), np.array(leaning))
    mirrored = chances(np.array(-nearer), np.array(slope), np.array(-leaning))
    assert there.sum() == pytest.approx(1)
    assert (there > 0).all()
    assert there[LEFT] == pytest.approx(mirrored[RIGHT])
    assert there[NONE] == pytest.approx(mirrored[NONE])


def test_a_finger_may_slip_however_plain_the_pair():
    assert chances(np.array(50.0), np.array(6.0), np.array(0.0))[RIGHT] == pytest.approx(0.45 * LAPSE)


def test_drapes_lie_on_both_sides_of_every_measure(design):
    low, high = design.drapes.min(axis=0), design.drapes.max(axis=0)
    assert (low <= [-0.7, 0.1, 0.1]).all()
    assert (high >= [0.7, 0.9, 0.8]).all()
    assert 8 <= (design.drapes[:, 0] > 0.2).sum() <= 14


def test_every_pair_has_a_number_of_its_own(design):
    count = len(design.drapes)
    numbers = {design.pair_of(a, b) for a in range(count) for b in range(count) if a != b}
    assert len(numbers) == count * (count - 1)
    assert {n for n, _ in numbers} == set(range(len(design.pairs)))
    pair, mirrored = design.pair_of(7, 3)
    assert design.pairs[pair].tolist() == [3, 7]
    assert mirrored


@settings(max_examples=25, deadline=None)
@given(st.lists(st.tuples(st.integers(0, 23), st.integers(0, 23), st.integers(0, 2)), min_size=1, max_size=8))
def test_what_was_held_first_does_not_matter(design, answers):
    answers = [a for a in answers if a[0] != a[1]]
    there, back = design.start(), design.start()
    for left, right, verdict in answers:
        there = judged(design, there, left, right, verdict)
    for left, right, verdict in reversed(answers):
        back = judged(design, back, left, right, verdict)
    assert there == pytest.approx(back, rel=1e-3, abs=1e-9)
    assert there.sum() == pytest.approx(1, rel=1e-3)


def test_the_same_verdict_mirrored_says_the_same(design):
    there = judged(design, design.start(), 2, 14, LEFT)
    mirrored = judged(design, design.start(), 14, 2, RIGHT)
    places = len(design.places)
    assert there.reshape(places, -1).sum(1) == pytest.approx(mirrored.reshape(places, -1).sum(1), rel=1e-3)


def test_many_clients_are_judged_as_one_by_one(design):
    both = updated(design, design.start(2), np.array([5, 90]), np.array([False, True]), np.array([LEFT, NONE]))
    first = updated(design, design.start(), np.array([5]), np.array([False]), np.array([LEFT]))
    second = updated(design, design.start(), np.array([90]), np.array([True]), np.array([NONE]))
    assert both == pytest.approx(np.hstack([first, second]), rel=1e-4)
    assert telling(design, both)[:, :1] == pytest.approx(telling(design, first), rel=1e-3, abs=1e-6)


def test_a_pair_never_tells_less_than_nothing(design):
    belief, _ = held(design, (0.6, 0.3, 0.5), 4)
    assert telling(design, belief).min() > -1e-4


@pytest.mark.parametrize("client", [(0.7, 0.2, 0.3), (-0.7, 0.8, 0.7), (0.4, 0.9, 0.2), (-0.4, 0.1, 0.8)])
def test_a_steady_observer_is_understood(design, client):
    belief, pairs = held(design, client)
    told = read_trial(design, belief)[0]
    assert (told.undertone > 0) == (client[0] > 0)
    assert told.side_sure > 0.95
    assert told.depth == pytest.approx(client[1], abs=0.3)
    assert told.clarity == pytest.approx(client[2], abs=0.35)
    assert len({frozenset(pair) for pair in pairs}) == len(pairs)


def test_the_warm_cloth_takes_turns_on_both_sides(design):
    _, pairs = held(design, (0.5, 0.5, 0.5), 12)
    lefts = sum(design.drapes[left, 0] > design.drapes[right, 0] for left, right in pairs)
    assert 4 <= lefts <= 8


def test_verdicts_settle_what_was_in_doubt(design):
    assert in_doubt(read_trial(design, design.start())[0]) == ("undertone", "depth", "clarity")
    belief, _ = held(design, (0.8, 0.4, 0.5), 24)
    assert in_doubt(read_trial(design, belief)[0]) == ()


def test_no_difference_everywhere_says_balanced_rather_than_a_side(design):
    belief = design.start()
    warm = np.flatnonzero(design.drapes[:, 0] > 0.6)[:6]
    cool = np.flatnonzero(design.drapes[:, 0] < -0.6)[:6]
    for left, right in zip(warm, cool, strict=True):
        belief = judged(design, belief, int(left), int(right), VERDICTS.index(VERDICTS[NONE]))
    told = read_trial(design, belief)[0]
    assert abs(told.undertone) < 0.25
    assert told.side_sure < 0.8


def test_the_clients_own_cloth_is_held_where_it_is_as_good():
    own = (
        Drape("My rust knit", np.array([43.0, 33.0, 38.0]), "knit"),
        Drape("Neon vest", np.array([85.0, -70.0, 75.0]), "vest"),
    )
    chosen = choose_drapes(own)
    assert len(chosen) == len(PLAIN_CLOTH)
    assert [d.piece_id for d in chosen if d.piece_id] == ["knit"]
    assert "rust" not in {d.name for d in chosen}
    assert [d.name for d in choose_drapes(())] == [name for name, _ in PLAIN_CLOTH]
