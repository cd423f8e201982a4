"""A candidate as a piece, what was said of it before, and what it costs a wear."""

from dataclasses import replace
from datetime import UTC, date, datetime, timedelta

import numpy as np
import pytest

from lucid_swatch.core.garment.piece import Piece
from lucid_swatch.core.garment.vocabulary import Bin, Finish, PatternType, Scale
from lucid_swatch.core.garment.vocabulary import Category as C
from lucid_swatch.core.garment.word import Word, over, with_word
from lucid_swatch.core.look.buying.candidate import (
    EYE,
    READER,
    SCREEN,
    Candidate,
    Judged,
    Source,
    judged_anew,
    piece_of,
)
from lucid_swatch.core.look.buying.consider import PlainWord
from lucid_swatch.core.look.buying.cost import ASSUMED, KEPT_FOR, Log, cost_a_wear
from lucid_swatch.core.look.dressing.dress import zone_of

NOW = datetime(2031, 5, 4, tzinfo=UTC)
RED = (45.0, 52.0, 30.0)


def candidate(source=Source.EYE, **values):
    return Candidate("it", "maren", NOW, source, **({"word": Word(category=C.KNIT), "colours": (RED,)} | values))


@pytest.mark.parametrize(("source", "doubt"), [(Source.EYE, EYE), (Source.READER, READER), (Source.GAP, 3.0)])
def test_a_colour_is_known_as_far_as_its_source_goes(source, doubt):
    told = 3.0 if source is Source.GAP else None
    found = piece_of(candidate(source, uncertainty=told))
    assert found.uncertainty.tolist() == [doubt]
    assert found.label == "Clear red knit"


def test_colours_by_eye_share_the_cloth_and_the_stylists_word_counts():
    word = Word(category=C.SHIRT, label="Deck shirt", pattern=PatternType.STRIPE, finish=(Finish.LINEN,))
    found = piece_of(candidate(colours=(RED, (92.0, 0.0, 4.0)), word=word))
    assert found.share.tolist() == [0.5, 0.5]
    assert (found.label, found.pattern, found.finish) == ("Deck shirt", PatternType.STRIPE, {Finish.LINEN})


def test_a_picture_off_a_screen_leaves_its_light_open():
    read = Piece("photo", C.KNIT, np.array([RED]), np.ones(1), label="Read", uncertainty=np.array([3.0]))
    shown = piece_of(candidate(Source.SCREEN, colours=()), read)
    assert shown.uncertainty == pytest.approx(np.hypot(3.0, SCREEN))
    assert piece_of(candidate(Source.PHOTO, colours=()), read).uncertainty.tolist() == [3.0]
    assert shown.id == "it"


def test_nothing_is_weighed_while_nobody_knows_what_it_is():
    assert piece_of(candidate(word=Word())) is None
    assert piece_of(candidate(Source.PHOTO, colours=())) is None


def said(word, opens, on=4):
    return Judged(word, opens, 20, date(2031, 5, on))


def test_what_was_said_before_stands_until_it_is_said_again_or_seen():
    first = judged_anew(candidate(), said(PlainWord.WAIT, 4))
    assert (first.judged, first.before) == (said(PlainWord.WAIT, 4), None)
    assert judged_anew(first, said(PlainWord.WAIT, 4, on=9)) == first
    second = judged_anew(first, said(PlainWord.BUY, 12, on=9))
    assert (second.judged.word, second.before) == (PlainWord.BUY, said(PlainWord.WAIT, 4))
    third = judged_anew(second, said(PlainWord.BUY, 15, on=11))
    assert third.before == said(PlainWord.WAIT, 4), "the word that the stylist knows"
    back = judged_anew(third, said(PlainWord.WAIT, 4, on=12))
    assert back.before is None, "it is as she knows it"
    assert judged_anew(replace(third, before=None), said(PlainWord.BUY, 15)).before is None


TODAY = date(2031, 5, 4)


def worn(category, *days_ago):
    return Log(category, tuple(TODAY - timedelta(days=one) for one in days_ago))


def test_a_piece_costs_what_its_price_is_over_the_wears_of_its_like():
    logs = [worn(C.COAT, *range(0, 100, 10)), worn(C.COAT), worn(C.SHOES, 1, 2, 3, 4, 5, 6, 7)]
    found = cost_a_wear(300.0, C.COAT, logs, TODAY)
    a_year = 10 / 2 * 365 / 91
    assert (found.wears, found.pieces) == (10, 2)
    assert found.a_year == pytest.approx(a_year)
    assert found.a_wear == round(300 / (a_year * KEPT_FOR), 2)
    assert found.told.endswith("as 2 pieces like it are: 10 wears.")


def test_what_is_worn_in_the_same_place_speaks_where_its_own_kind_does_not():
    found = cost_a_wear(100.0, C.JACKET, [worn(C.COAT, *range(6)), worn(C.JACKET, 3)], TODAY)
    assert (found.wears, found.pieces) == (7, 2)


def test_an_assumed_rate_says_so():
    found = cost_a_wear(90.0, C.KNIT, [worn(C.KNIT, 1, 400, 500), worn(C.SHOES, *range(40))], TODAY)
    assert found.wears == 0
    assert found.a_year == ASSUMED[zone_of(C.KNIT)]
    assert "assumed" in found.told
    assert cost_a_wear(0.0, C.KNIT, [], TODAY).a_wear == 0.0


def test_a_later_word_goes_over_an_earlier_one():
    first = Word(category=C.KNIT, label="Knit", pattern=PatternType.STRIPE, bin=Bin.TONE)
    both = over(first, Word(label="Deck knit", finish=(Finish.RIB,), unsaid=("pattern",)))
    assert (both.category, both.label, both.finish, both.pattern, both.bin) == (
        C.KNIT,
        "Deck knit",
        (Finish.RIB,),
        None,
        Bin.TONE,
    )
    read = Piece("a", C.TOP, np.array([RED]), np.ones(1), pattern=PatternType.DOT, scale=Scale.SMALL)
    assert with_word(read, both).category is C.KNIT
    assert with_word(read, Word(pattern=PatternType.SOLID)).scale is None
