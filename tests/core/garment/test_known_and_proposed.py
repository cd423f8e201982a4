"""A piece as it is taken to be, and what formality and warmth are proposed for it."""

from dataclasses import replace

import numpy as np
import pytest

from lucid_swatch.core.garment.details import Details, asked_of
from lucid_swatch.core.garment.formality import formality_of
from lucid_swatch.core.garment.known import CUT_FROM, FINISH_FROM, as_known, as_seen, ways_of
from lucid_swatch.core.garment.piece import Piece
from lucid_swatch.core.garment.proposals import own_ways
from lucid_swatch.core.garment.seen import Seen
from lucid_swatch.core.garment.vocabulary import Category as C
from lucid_swatch.core.garment.vocabulary import Finish as F
from lucid_swatch.core.garment.vocabulary import Heel, Length, Neckline, PatternType, Sleeve, Sole, Toe, Volume
from lucid_swatch.core.garment.warmth import warmth_of
from lucid_swatch.demo.wardrobe import CLIENTS


def piece(category, lab=(55.0, 10.0, 12.0), **values):
    return Piece("it", category, np.array([lab], float), np.ones(1), **values)


SEEN = Seen(
    length=((Length.MIDI, 0.7), (Length.KNEE, 0.3)),
    volume=((Volume.EASY, CUT_FROM - 0.05), (Volume.FULL, 0.4)),
    sleeve=((Sleeve.LONG, 0.9),),
    finish=((F.SATIN, FINISH_FROM + 0.05), (F.MATTE, 0.1)),
)


def test_what_is_seen_surely_counts_and_what_is_not_stays_open():
    known = as_seen(piece(C.DRESS, seen=SEEN))
    assert (known.length, known.volume, known.finish) == (Length.MIDI, None, {F.SATIN})
    assert known.details == Details(sleeve=Sleeve.LONG)


def test_a_word_stands_over_what_is_seen():
    said = piece(
        C.DRESS, seen=SEEN, length=Length.KNEE, finish=frozenset({F.SILK}), details=Details(sleeve=Sleeve.NONE)
    )
    known = as_seen(said)
    assert (known.length, known.finish, known.details.sleeve) == (Length.KNEE, {F.SILK}, Sleeve.NONE)


def test_formality_and_warmth_are_filled_in_where_nobody_says_them():
    assert as_known(piece(C.COAT)).warmth > 3
    assert as_known(piece(C.COAT, warmth=1.0, formality=2.0)).warmth == 1.0
    assert as_known(piece(C.NECKLACE)).warmth is None


def test_what_is_remembered_is_of_this_piece_and_these_ways():
    one = piece(C.TROUSERS, uncertainty=np.array([2.0]))
    ways = ways_of([replace(one, formality=1.0)] * 4)
    assert as_known(one) is as_known(replace(one))
    assert as_known(one, ways).formality < as_known(one).formality
    for other in ({"uncertainty": np.array([5.0])}, {"pattern_confidence": 0.4}, {"seen": SEEN}, {"label": "Other"}):
        changed = as_known(replace(one, **other))
        (name, value), *_ = other.items()
        assert (
            np.array_equal(getattr(changed, name), value) if name == "uncertainty" else getattr(changed, name) == value
        )


@pytest.mark.parametrize(
    ("less", "more"),
    [
        (piece(C.TROUSERS, finish=frozenset({F.DENIM})), piece(C.TROUSERS)),
        (piece(C.SHIRT), piece(C.SHIRT, finish=frozenset({F.SATIN}))),
        (piece(C.SHOES, details=Details(sole=Sole.HEAVY)), piece(C.SHOES, details=Details(sole=Sole.THIN))),
        (piece(C.SHOES, details=Details(toe=Toe.ROUND)), piece(C.SHOES, details=Details(toe=Toe.POINTED))),
        (piece(C.SHOES), piece(C.SHOES, details=Details(heel=Heel.HIGH))),
        (piece(C.DRESS), piece(C.DRESS, length=Length.FLOOR)),
        (piece(C.TIE, finish=frozenset({F.KNIT})), piece(C.TIE, finish=frozenset({F.SILK}))),
        (piece(C.TOP, pattern=PatternType.GRAPHIC), piece(C.TOP)),
    ],
)
def test_what_the_craft_calls_less_formal_is_proposed_less(less, more):
    assert formality_of(less, {}).value < formality_of(more, {}).value


def test_a_proposal_says_why():
    told = formality_of(
        piece(C.SHOES, details=Details(toe=Toe.POINTED, sole=Sole.THIN), finish=frozenset({F.SUEDE})), {}
    )
    assert told.because == "shoes, a pointed toe and a thin sole lift it" or "suede takes it down" in told.because
    assert formality_of(piece(C.COAT), {}).because == "as usual for a coat"
    assert (
        warmth_of(piece(C.TOP, details=Details(sleeve=Sleeve.SHORT)), {}).because == "a top, short sleeves take it down"
    )
    assert warmth_of(piece(C.SCARF, finish=frozenset({F.FUR})), {}).because == "a scarf, fur lifts it"


def test_linen_is_cooler_than_tweed_and_bare_arms_than_long_ones():
    linen, tweed = (warmth_of(piece(C.JACKET, finish=frozenset({f})), {}).value for f in (F.LINEN, F.TWEED))
    bare, long = (warmth_of(piece(C.DRESS, details=Details(sleeve=s)), {}).value for s in (Sleeve.NONE, Sleeve.LONG))
    high = warmth_of(piece(C.KNIT, details=Details(neckline=Neckline.HIGH)), {}).value
    assert linen < tweed
    assert bare < long
    assert high > warmth_of(piece(C.KNIT), {}).value


def test_proposals_stay_on_their_scale():
    grand = piece(C.DRESS, (8, 0, 0), finish=frozenset({F.SEQUIN, F.VELVET, F.SATIN}), length=Length.FLOOR)
    assert formality_of(grand, {}).value == 5.0
    assert warmth_of(piece(C.SHORTS, finish=frozenset({F.LINEN})), {}).value == 0.0


def test_the_studios_own_words_move_later_proposals_and_less_where_there_are_few():
    plain = piece(C.TROUSERS)
    start = formality_of(plain, {}).value
    one, four = (ways_of([replace(plain, formality=start - 1)] * count).formality for count in (1, 4))
    after_one, after_four = formality_of(plain, one), formality_of(plain, four)
    assert start > after_one.value > after_four.value > start - 1
    assert after_four.doubt < formality_of(plain, {}).doubt
    assert after_four.because.endswith("less by your word on 4 like it")
    assert own_ways([]) == {}


def test_proposals_lie_near_what_was_said_of_the_sample_wardrobes():
    off = []
    for client in CLIENTS:
        for sample in client.samples:
            word, cloth = sample.word, sample.subject.cloth
            lab = np.array(cloth.lab, float)
            share, finish = np.full(len(lab), 1 / len(lab)), frozenset(word.finish or ())
            one = Piece("x", word.category, lab, share, pattern=cloth.pattern, finish=finish, length=word.length)
            if word.formality is not None:
                off.append(abs(formality_of(one, {}).value - word.formality))
    assert np.mean(np.array(off) <= 1.0) > 0.9


def test_a_piece_is_asked_only_what_it_has():
    assert asked_of(C.SHOES) == ("closure", "heel", "toe", "sole")
    assert asked_of(C.TOP) == ("sleeve", "neckline", "closure")
    assert asked_of(C.NECKLACE) == ("size",)
    assert asked_of(C.SCARF) == ()
