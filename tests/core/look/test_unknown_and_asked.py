"""What is not known lowers what hangs on it, and the unknown that would change most looks is worth asking."""

from dataclasses import replace

import numpy as np
import pytest

from lucid_swatch.core.garment.piece import Piece
from lucid_swatch.core.garment.vocabulary import Category as C
from lucid_swatch.core.garment.vocabulary import Finish, Length, PatternType, Scale, Volume
from lucid_swatch.core.look.dressing.wardrobe import Wardrobe
from lucid_swatch.core.look.dressing.worth_asking import NOTHING_HANGS_ON_IT, Open, worth_asking
from lucid_swatch.core.look.figure.figure import draw
from lucid_swatch.core.look.figure.marks import Pulls, marks_of
from lucid_swatch.core.look.look import Look
from lucid_swatch.core.look.remarks.sense import Circumstances, sense_notes
from lucid_swatch.core.look.rules.alone import alone
from lucid_swatch.core.look.verdict import judge

MATTE, SATIN, SEQUIN = (frozenset({one}) for one in (Finish.MATTE, Finish.SATIN, Finish.SEQUIN))
BARE = frozenset()
GREY = ([48.0, 1, 2], [50.0, 1, 3], [47.0, 1, 2])


def piece(id, category, lab=GREY[0], **values):
    return Piece(id, category, np.array([lab], float), np.ones(1), label=f"the {id}", **values)


def tonal(*finishes):
    pieces = [piece(c.value, c, lab, finish=f) for c, lab, f in zip((C.KNIT, C.SKIRT), GREY, finishes, strict=False)]
    return Look("look", tuple(pieces))


def reason(look, code):
    (verdict,) = judge([look])
    return next(one for one in verdict.measures["monochrome"].because if one.code == code)


def test_a_flat_look_costs_less_where_a_surface_is_not_known_and_says_so():
    known, unknown, half = (reason(tonal(*f), "flat") for f in ((MATTE, MATTE), (BARE, BARE), (MATTE, BARE)))
    assert known.points < half.points < unknown.points < 0
    assert "not known" not in known.text
    assert half.text.endswith("so it reads flat; surfaces not known for one piece")
    assert unknown.text.endswith("surfaces not known for 2 pieces")


def test_the_notes_say_whose_surface_is_not_known():
    notes = sense_notes(tonal(MATTE, frozenset()).pieces, Circumstances())
    (told,) = [note for note in notes if note.code == "surfaces-unknown"]
    assert told.text == "surfaces not known for the skirt: relief and shine count for less"
    assert told.pieces == ("skirt",)


RAIL = (
    piece("top", C.TOP),
    piece("shirt", C.SHIRT, [92.0, 0, 3]),
    piece("skirt", C.SKIRT, GREY[1]),
    piece("trousers", C.TROUSERS, [20.0, 2, -14]),
    piece("shoes", C.SHOES, [20.0, 0, 0]),
    piece("scarf", C.SCARF, [45.0, 40, 20]),
)


def opened(one, *finishes):
    return Open(one.id, tuple((replace(one, finish=finish), 1 / len(finishes)) for finish in finishes))


def test_what_moves_more_looks_further_is_worth_more():
    wardrobe = Wardrobe(RAIL)
    skirt, shoes, same = worth_asking(
        wardrobe, [opened(RAIL[2], MATTE, SEQUIN), opened(RAIL[4], MATTE, SEQUIN), opened(RAIL[3], MATTE, MATTE)]
    )
    assert skirt.looks == pytest.approx(0.5)
    assert shoes.looks == pytest.approx(1.0)
    assert same.points == 0.0
    assert skirt.points > 0.05


def test_an_accessory_is_tried_on_looks_it_is_added_to():
    (scarf,) = worth_asking(Wardrobe(RAIL), [opened(RAIL[5], MATTE, SEQUIN)])
    assert scarf.looks == 0.5
    assert scarf.points > 0


def test_what_is_in_no_look_is_worth_nothing():
    barred = Wardrobe(RAIL, barred={"skirt": "is to be let go"})
    assert worth_asking(barred, [opened(RAIL[2], MATTE, SATIN)])[0].looks == 0.0
    assert worth_asking(Wardrobe(RAIL[:1]), [opened(RAIL[0], MATTE, SATIN)]) == [NOTHING_HANGS_ON_IT]
    assert worth_asking(Wardrobe(RAIL), []) == []


def test_a_loud_print_says_more_alone_than_a_quiet_plain_piece_and_why():
    loud = Piece(
        "print",
        C.DRESS,
        np.array([[30.0, 50, 30], [90.0, 0, 0]]),
        np.array([0.6, 0.4]),
        pattern=PatternType.FLORAL,
        scale=Scale.LARGE,
        volume=Volume.FULL,
    )
    said, quiet = alone([loud, piece("plain", C.DRESS)])
    assert said.value > quiet.value
    assert said.because == "a large floral, a strong colour, it is full"
    assert quiet.because == "nothing in it speaks up"
    assert alone([]) == []
    assert alone([replace(loud, statement=0.0)])[0].value == said.value


@pytest.mark.parametrize("category", [C.TOP, C.SKIRT, C.TROUSERS, C.DRESS, C.COAT, C.BOOTS])
def test_marks_stand_where_the_drawing_ends(category):
    one = piece("it", category)
    marks = {mark.pulls: mark for mark in marks_of(one)}
    heights = [stop.y for stop in marks[Pulls.LENGTH].stops]
    assert heights == sorted(heights, reverse=category is C.BOOTS)
    for stop in marks[Pulls.LENGTH].stops:
        drawn = draw(replace(one, length=Length(stop.word)))
        assert stop.y == pytest.approx(drawn.top if category is C.BOOTS else drawn.bottom, abs=0.6)
    if Pulls.VOLUME in marks:
        reach = [abs(stop.x) for stop in marks[Pulls.VOLUME].stops]
        assert [stop.word for stop in marks[Pulls.VOLUME].stops] == ["close", "easy", "full"]
        assert reach == sorted(reach)


def test_what_has_no_cut_has_no_marks():
    assert marks_of(piece("bag", C.BAG)) == ()
    assert {mark.pulls for mark in marks_of(piece("skirt", C.SKIRT))} == {Pulls.LENGTH, Pulls.VOLUME}
