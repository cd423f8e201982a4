"""What must hold of the scorer whatever it is given: no cliffs, no false certainty, nothing counted twice."""

from dataclasses import replace

import numpy as np
import pytest
from benchmarks.cliffs import steps_moved, wardrobe_looks
from benchmarks.own_pairs import own_pairs
from hypothesis import given, settings
from hypothesis import strategies as st

from lucid_swatch.core.client.colouring import Client, Settled
from lucid_swatch.core.garment.piece import Piece
from lucid_swatch.core.garment.vocabulary import Category, Finish, Part, PatternType, Scale
from lucid_swatch.core.look.look import Look
from lucid_swatch.core.look.remarks.sense import Circumstances, sense_notes
from lucid_swatch.core.look.verdict import judge
from tests.strategies import lab_colours, looks

C = Category
CLIFF = 7
"""Points that no step of one CIEDE2000 may move a measure beyond."""


def plain(category, lab, id="", **said):
    return Piece(id or category.value, category, np.array([lab], float), np.ones(1), **said)


def test_a_difference_that_nobody_sees_moves_no_measure_far():
    draw = np.random.default_rng(8)
    own = [look for pair in own_pairs() for look in (pair.better, pair.worse)]
    steps = np.concatenate([steps_moved(look, draw, 12) for look in [*wardrobe_looks(draw, 120), *own]])
    assert steps.max() <= CLIFF


def test_who_leads_of_a_print_and_its_partner_does_not_matter():
    # a partner in a colour of the print does not compete with it, whichever of the two draws the eye a little more
    look = next(pair.better for pair in own_pairs() if pair.better.id == "print-accent-91-0")
    scarf, coat, knit = look.pieces
    knits = [replace(knit, lab=np.array([[66.0, 10.0, b]])) for b in np.arange(46.0, 66.0, 0.5)]
    verdicts = judge([Look(str(k), (scarf, coat, knit)) for k, knit in enumerate(knits)])
    statement = [verdict.measures["statement"].score for verdict in verdicts]
    assert np.abs(np.diff(statement)).max() < CLIFF


@given(looks())
@settings(max_examples=40)
def test_a_colour_that_was_measured_twice_counts_once(look):
    def twice(piece):
        halves = np.repeat(piece.share, 2) / 2
        return replace(piece, lab=np.repeat(piece.lab, 2, axis=0), share=halves, parts=(), uncertainty=None)

    once, again = judge([look, replace(look, pieces=tuple(twice(p) for p in look.pieces))])
    assert again.overall == pytest.approx(once.overall, abs=0.11)


@given(looks(), st.floats(-1, 1), st.floats(0, 1), st.floats(0, 1))
@settings(max_examples=40)
def test_knowing_less_of_the_client_never_says_more(look, undertone, trust, less):
    def at_the_face(trusted):
        client = Client(np.array([60.0, 12, 18]), settled=Settled(undertone, trusted, 0.5))
        reasons = judge([replace(look, client=client)])[0].measures["colouring"].because
        return sum(abs(r.points) for r in reasons if r.code == "near-face-temperature")

    assert at_the_face(trust * less) <= at_the_face(trust) + 0.11


@given(lab_colours(), st.floats(0, 1), st.sampled_from([C.BAG, C.SHOES, C.BELT]))
@settings(max_examples=60)
def test_a_stark_black_is_never_the_worse_for_being_repeated(hue, lightness, stark):
    pale = np.array([78 + 16 * lightness, *(0.2 * hue[1:])])
    black = [14.0, 0, 0]
    base = (plain(C.KNIT, pale), plain(C.TROUSERS, pale - [6, 0, 0]), plain(stark, black))
    answer = plain(C.HAT if stark is C.BELT else C.BELT, black, "answer")
    alone, repeated = judge([Look("alone", base), Look("repeated", (*base, answer))])
    assert repeated.measures["harmony"].score >= alone.measures["harmony"].score - 0.11


def test_a_lining_is_not_seen_and_a_trim_is_no_motif():
    shell = plain(C.COAT, [30, 0, -3])
    lined = replace(
        shell, lab=np.array([[30.0, 0, -3], [50, 60, 30]]), share=np.array([0.6, 0.4]), parts=(Part.CLOTH, Part.LINING)
    )
    base = (plain(C.KNIT, [80, 2, 10]), plain(C.TROUSERS, [31, 3, -20]))
    bare, covered = judge([Look("bare", (*base, shell)), Look("covered", (*base, lined))])
    assert covered.overall == bare.overall
    trimmed = replace(lined, parts=(Part.CLOTH, Part.TRIM), pattern=PatternType.STRIPE, scale=Scale.SMALL)
    codes = {r.code for r in judge([Look("trimmed", (*base, trimmed))])[0].measures["statement"].because}
    assert not codes & {"picked-up", "every-colour-again"}


EIGHT = Piece(
    "print",
    C.DRESS,
    np.array(
        [[20, 4, -20], [45, 50, 30], [70, 10, 60], [50, -40, 20], [60, 30, -10], [88, 2, 8], [35, 20, -40], [80, 0, 0]],
        float,
    ),
    np.array([0.3, 0.2, 0.12, 0.1, 0.09, 0.08, 0.06, 0.05]),
    pattern=PatternType.FLORAL,
    scale=Scale.LARGE,
)
TWELVE = tuple(
    plain(category, [40 + 3 * k, 10, 15], finish=frozenset({Finish.LEATHER}))
    for k, category in enumerate(
        (
            C.BAG,
            C.BELT,
            C.SCARF,
            C.HAT,
            C.NECKLACE,
            C.EARRINGS,
            C.BRACELET,
            C.BROOCH,
            C.WATCH,
            C.EYEWEAR,
            C.GLOVES,
            C.RING,
        )
    )
)


@pytest.mark.parametrize(
    ("pieces", "said"),
    [
        ((plain(C.KNIT, [60, 5, 10]),), {"unfinished"}),
        (TWELVE, set()),
        ((plain(C.DRESS, [40, 2, 5]), plain(C.SHOES, [20, 0, 0]), plain(C.BOOTS, [30, 8, 12])), {"two-pairs"}),
        ((plain(C.JUMPSUIT, [40, 2, 5]), plain(C.TROUSERS, [30, 2, 5]), plain(C.SHOES, [20, 0, 0])), {"doubled"}),
        ((EIGHT, plain(C.SHOES, [20, 4, -20])), set()),
    ],
)
def test_odd_looks_get_a_verdict_and_a_word_about_what_is_odd(pieces, said):
    verdict = judge([Look("odd", pieces)])[0]
    assert 0 <= verdict.overall <= 100
    assert all(np.isfinite(m.score) for m in verdict.measures.values() if m is not None)
    assert said <= {note.code for note in sense_notes(pieces, Circumstances())}
