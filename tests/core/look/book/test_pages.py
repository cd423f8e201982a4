"""What the pages of a book say: how it is worn, what changes for the evening, why it works, and where things are."""

from dataclasses import replace

import numpy as np
import pytest

from lucid_swatch.core.client.colouring import Client
from lucid_swatch.core.client.reading import reading_of
from lucid_swatch.core.garment.vocabulary import Finish, Undertone, Worn
from lucid_swatch.core.look.book.bolt import WIDEST, bolt_of
from lucid_swatch.core.look.book.evening import for_the_evening
from lucid_swatch.core.look.book.how_worn import how_worn
from lucid_swatch.core.look.book.index import by_occasion, by_piece
from lucid_swatch.core.look.book.page import BookLook, BookStopped, book_pages
from lucid_swatch.core.look.book.plain_colouring import plain_colouring
from lucid_swatch.core.look.book.why import TELLS, strongest, why_it_works
from lucid_swatch.core.look.book.words import named
from lucid_swatch.core.look.called import called_after
from lucid_swatch.core.look.dressing.outfits import GOOD
from lucid_swatch.core.look.kept_look import TimeOfDay
from lucid_swatch.core.look.look import Look
from lucid_swatch.core.look.making.turning import MAY_COST, Turn, turn
from lucid_swatch.core.look.verdict import judge
from tests.core.look.making.rails import NAVY, RAIL, piece

BY_ID = {one.id: one for one in RAIL}
SKIN = Client(np.array([62.0, 14, 22]), np.array([20.0, 4, 6]), np.array([30.0, 6, 10]))


def look(*ids, client=SKIN):
    worn = tuple(BY_ID[id] for id in ids)
    return Look("look", worn, client, rail=tuple(one for one in RAIL if one.id not in ids))


DAY = look("cream shirt", "tan skirt", "tan shoes", "tan bag")
OFFICE = look("navy top", "navy trousers", "grey jacket", "navy shoes", "navy bag")


def test_how_a_look_is_worn_is_told_from_the_skin_outwards():
    coat = replace(BY_ID["navy coat"], worn=Worn.OPEN)
    shirt = replace(BY_ID["cream shirt"], worn=Worn.TUCKED)
    told = how_worn([coat, BY_ID["tan skirt"], shirt])
    assert told == "The cream shirt is tucked in. The navy coat stays open."
    assert how_worn([BY_ID["cream shirt"], BY_ID["grey knit"]]) == "The grey knit goes over the cream shirt."
    assert how_worn([replace(coat, worn=Worn.CLOSED)]) == "The navy coat is buttoned."
    assert how_worn([BY_ID["navy dress"]]) == ""


def test_the_evening_is_the_smallest_turn_and_never_a_bad_look():
    satin = piece("navy satin top", "top", NAVY, finish=frozenset({Finish.SATIN}))
    patent = piece("navy patent shoes", "shoes", NAVY, finish=frozenset({Finish.PATENT}))
    there = tuple(BY_ID[id] for id in ("navy top", "grey skirt", "navy shoes", "navy bag"))
    day = Look("look", there, SKIN, rail=(satin, patent, *(one for one in RAIL if one not in there)))
    first = turn(day, Turn.EVENING, 1)[0]
    assert first.whole >= min(GOOD, judge([day])[0].overall - MAY_COST)
    told = for_the_evening(day)
    assert "the navy satin top for the navy top" in told
    for change in first.changes:
        assert (change.with_piece or change.piece) in told
    assert told.endswith(".")
    assert for_the_evening(day, TimeOfDay.EVENING) == ""
    assert for_the_evening(replace(day, rail=())) == ""
    # the smallest turn of this one is no good look
    assert turn(DAY, Turn.EVENING, 1)[0].whole < GOOD
    assert for_the_evening(DAY) == ""


def test_why_it_works_is_told_from_what_speaks_for_the_look():
    for one in (DAY, OFFICE):
        verdict = judge([one])[0]
        told = strongest(one, verdict, {})
        assert all(reason.points > 0 for reason in told)
        kinds = [reason.code for reason in told]
        assert len(set(kinds)) == len(kinds)
        sentence = why_it_works(one, verdict)
        assert sentence[0].isupper()
        assert sentence.endswith(".")
        assert not any(mark in sentence for mark in ("L*", "ΔE", "%", "0."))  # in a client's words


def test_what_was_said_of_many_looks_is_said_of_the_next_one_last():
    verdict = judge([DAY])[0]
    first = strongest(DAY, verdict, {})[0]
    assert strongest(DAY, verdict, {first.code: 50})[0].code != first.code


def test_every_reason_has_words_with_one_piece_and_with_several():
    for tell in TELLS.values():
        for some in ([BY_ID["tan belt"]], [BY_ID["tan shoes"]], [BY_ID["tan belt"], BY_ID["tan bag"]]):
            words = tell(some, DAY)
            assert words == words.strip()
            assert not words.endswith(".")
            assert "  " not in words
    assert TELLS["pop"]([BY_ID["tan belt"]], DAY).startswith("the tan belt is ")
    assert TELLS["pop"]([BY_ID["tan shoes"]], DAY).startswith("the tan shoes are ")


def test_pages_keep_the_stylists_own_words_and_can_be_stopped():
    looks = [
        BookLook("a", "One", DAY, "Monday", "office"),
        BookLook("b", "Two", OFFICE, why="Because.", evening="", how=""),
    ]
    one, two = book_pages(looks)
    assert (one.name, one.when, one.occasion) == ("One", "Monday", "office")
    assert one.why
    assert (two.why, two.evening, two.how) == ("Because.", "", "")
    assert one.pieces == DAY.worn
    with pytest.raises(BookStopped):
        book_pages(looks, lambda share: share < 0.5)
    assert book_pages([]) == ()


def test_the_index_names_every_piece_once_with_all_its_pages():
    pages = book_pages(
        [
            BookLook("a", "One", DAY, occasion="office"),
            BookLook("b", "Two", OFFICE),
            BookLook("c", "Three", DAY, occasion="office"),
        ]
    )
    found = {piece.id: places for piece, places in by_piece(pages)}
    assert found["tan skirt"] == [0, 2]
    assert found["navy shoes"] == [1]
    assert set(found) == DAY.ids | OFFICE.ids
    assert by_occasion(pages) == [("office", [0, 2])]


def test_a_colouring_is_told_in_plain_words_with_cloth_that_sits_with_it():
    told = plain_colouring(reading_of(replace(SKIN, undertone=Undertone.WARM)), RAIL)
    assert told.sentences[0].startswith("Your skin is warm")
    assert all(sentence.endswith(".") for sentence in told.sentences)
    cool = plain_colouring(reading_of(replace(SKIN, undertone=Undertone.COOL)), RAIL)
    assert cool.sentences[0].startswith("Your skin is cool")
    assert {piece.id for piece in told.cloths} != {piece.id for piece in cool.cloths}
    assert "tan shoes" not in {piece.id for piece in told.cloths}  # not at the face


def test_the_bolt_is_of_clothes_the_quiet_ones_first():
    laid = bolt_of((*RAIL, *RAIL))
    assert [one.id for one in laid if one.id in ("cream shirt", "grey skirt", "navy coat")][:2] == [
        "grey skirt",
        "cream shirt",
    ]
    assert "tan bag" not in {one.id for one in laid}
    many = [piece(f"top {k}", "top", [k % 90 + 5, 0, 0]) for k in range(300)]
    assert len(bolt_of(many)) <= WIDEST
    assert bolt_of([]) == ()


def test_pieces_are_named_as_one_says_them():
    assert named([BY_ID["tan belt"]]) == "the tan belt"
    assert (
        named([BY_ID["tan belt"], BY_ID["tan bag"], BY_ID["navy tie"]]) == "the tan belt, the tan bag and the navy tie"
    )
    assert called_after(DAY.pieces) == "tan skirt with cream shirt"
    assert called_after([BY_ID["tan bag"]]) == ""
