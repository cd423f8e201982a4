"""What a piece is, from the photo to the rail: seen, said, unsaid, asked about, taken back, taken out and brought in."""

from dataclasses import replace
from datetime import date

import numpy as np
import pytest

from lucid_swatch.core.garment.details import Details
from lucid_swatch.core.garment.known import as_known
from lucid_swatch.core.garment.seen import NOTHING
from lucid_swatch.core.garment.vocabulary import Category as C
from lucid_swatch.core.garment.vocabulary import Finish, Heel, Length, Sleeve, Sole, Toe, Volume
from lucid_swatch.core.garment.word import Word
from lucid_swatch.core.problems import Refused
from lucid_swatch.formats.particulars import ParticularsDocument
from lucid_swatch.store.photos import Photos
from lucid_swatch.store.pieces import Pieces
from lucid_swatch.usecases.changes import redo, undo
from lucid_swatch.usecases.clients import add_client
from lucid_swatch.usecases.intake import take_in
from lucid_swatch.usecases.rail import change_piece, change_pieces, hang_photo, the_rail
from lucid_swatch.usecases.rail_in import open_rail, plan_rail
from lucid_swatch.usecases.rail_out import rail_json, rail_table
from lucid_swatch.usecases.reading_photos import read_kept_photo
from lucid_swatch.usecases.seen import outline_mask, seen_in
from lucid_swatch.usecases.walk import By, walk
from lucid_swatch.usecases.wardrobe import wardrobe_of
from lucid_swatch.usecases.what import what_of_photo, what_of_piece
from tests.pictures import coat_photo
from tests.usecases.rails import a_client, hang_all


@pytest.fixture
def photo(sessions, folder, eyes, network):
    """A photo of a navy square that was read."""
    with sessions.begin() as session:
        client = add_client(session, "Maren", date(2031, 5, 4))
    (taken,) = take_in(sessions, folder, eyes, client.id, [("square.jpg", coat_photo())])
    read_kept_photo(sessions, folder, network, taken.photo.id)
    with sessions() as session:
        return Photos(session).get(taken.photo.id)


def test_the_outline_that_is_kept_tells_the_cut_of_whatever_it_is_said_to_be(photo):
    mask = outline_mask(photo)
    assert mask.mean() == pytest.approx(photo.reading.document["garment"]["share"], rel=0.05)
    skirt, bag = seen_in(photo, C.SKIRT), seen_in(photo, C.BAG)
    assert skirt.length
    assert bag.length == ()
    assert {finish for finish, _ in bag.finish} != {finish for finish, _ in skirt.finish}
    assert seen_in(replace(photo, reading=None), C.SKIRT) == NOTHING
    assert seen_in(replace(photo, outline=None), C.SKIRT).length == ()


def test_a_piece_hangs_with_what_was_seen_and_sees_anew_when_it_is_something_else(sessions, photo):
    with sessions.begin() as session:
        hung = hang_photo(session, photo.id, Word(category=C.SKIRT, length=Length.MIDI))
    with sessions.begin() as session:
        kept = Pieces(session).get(hung.piece.id).piece
        assert kept.seen == seen_in(photo, C.SKIRT)
        assert (kept.length, kept.volume) == (Length.MIDI, None)
        now = change_piece(session, hung.piece.id, Word(category=C.COAT))
        assert now.piece.seen == seen_in(photo, C.COAT)
        assert now.piece.length is Length.MIDI
    with sessions.begin() as session:
        undo(session, hung.client_id)
        assert Pieces(session).get(hung.piece.id).piece.seen == kept.seen


def test_what_is_shown_before_hanging_follows_the_words_and_keeps_nothing(sessions, folder, photo):
    with sessions() as session:
        plain = what_of_photo(session, folder, photo.id, Word(category=C.SKIRT))
        silk = what_of_photo(session, folder, photo.id, Word(category=C.SKIRT, finish=(Finish.SATIN,), formality=5.0))
        assert silk.formality.value > plain.formality.value
        assert "satin" in silk.formality.because
        assert (plain.piece.formality, silk.piece.formality) == (None, 5.0)
        assert [mark.pulls.value for mark in plain.marks] == ["length", "volume"]
        assert [one.finish for one in plain.cloths[:3]] == [f for f, _ in seen_in(photo, C.SKIRT).finish[:3]]
        assert all(folder.has_picture(photo.id, one.picture) for one in plain.cloths[:3])
        assert what_of_photo(session, folder, photo.id, Word(category=C.SHOES)).asked == (
            "closure",
            "heel",
            "toe",
            "sole",
        )
        with pytest.raises(Refused, match="nobody has said what it is"):
            what_of_photo(session, folder, photo.id, Word())


@pytest.fixture
def session(sessions):
    with sessions.begin() as session:
        yield session


@pytest.fixture
def maren(session):
    client = a_client(session)
    hang_all(session, client)
    return client


def test_a_word_stays_over_what_is_seen_and_can_be_unsaid(session, maren):
    said = change_piece(
        session, "navy coat", Word(length=Length.KNEE, formality=2.0, details=Details(sleeve=Sleeve.LONG))
    )
    said = change_piece(session, "navy coat", Word(details=Details(toe=Toe.ROUND)))
    assert said.piece.details == Details(sleeve=Sleeve.LONG, toe=Toe.ROUND)
    unsaid = change_piece(session, "navy coat", Word(unsaid=("length", "formality", "sleeve"))).piece
    assert (unsaid.length, unsaid.formality, unsaid.details) == (None, None, Details(toe=Toe.ROUND))
    undo(session, maren)
    assert Pieces(session).get("navy coat").piece.length is Length.KNEE


def test_three_pieces_take_one_word_and_give_it_back_together(session, maren, folder):
    three = ["cream top", "red knit", "olive skirt"]
    change_pieces(session, maren, three, Word(finish=(Finish.SILK,)))
    assert [Pieces(session).get(id).piece.finish for id in three] == [{Finish.SILK}] * 3
    undo(session, maren)
    assert [Pieces(session).get(id).piece.finish for id in three] == [frozenset()] * 3
    redo(session, maren)
    assert what_of_piece(session, folder, "red knit").known.finish == {Finish.SILK}


def test_the_wardrobe_holds_pieces_as_they_are_known(session, maren):
    held = {piece.id: piece for piece in wardrobe_of(session, maren).wardrobe.pieces}
    assert held["navy coat"].warmth > 3
    assert all(piece.formality is not None for piece in held.values())


def test_what_the_studio_says_of_some_moves_what_is_proposed_for_others(session, maren):
    before = {one.hung.piece.id: one.known.formality for one in the_rail(session, maren)}
    change_pieces(session, maren, ["cream top"], Word(formality=4.0))
    other = a_client(session, "Ada")
    hang_all(session, other, [("other top", C.TOP, [60, 0, 5]), ("other shoes", C.SHOES, [30, 0, 5])])
    after = {one.hung.piece.id: one.known.formality for one in the_rail(session, other)}
    assert after["other top"] > before["cream top"]
    assert after["other shoes"] == pytest.approx(before["tan shoes"], abs=0.4)


def test_the_walk_asks_what_is_not_known_until_it_is_said(session, maren):
    asked = walk(session, maren, By.FINISH)
    assert {one.piece_id for one in asked} == {
        "cream top", "red knit", "navy trousers", "olive skirt", "tan shoes", "navy coat"
    }  # fmt: skip
    weights = [one.looks * one.points for one in asked]
    assert weights == sorted(weights, reverse=True)
    first = asked[0]
    assert {Finish(option.value) for option in first.options} <= set(Finish)
    change_piece(session, first.piece_id, Word(finish=(Finish(first.options[0].value),)))
    assert first.piece_id not in {one.piece_id for one in walk(session, maren, By.FINISH)}


@pytest.mark.parametrize(
    ("by", "word"),
    [
        (By.LENGTH, Word(length=Length.MIDI)),
        (By.VOLUME, Word(volume=Volume.FULL)),
        (By.FORMALITY, Word(formality=3.0)),
        (By.WARMTH, Word(warmth=1.0)),
        (By.STATEMENT, Word(statement=0.4)),
    ],
)
def test_each_way_of_going_through_ends_when_it_is_answered(session, maren, by, word):
    asked = [one.piece_id for one in walk(session, maren, by)]
    assert "olive skirt" in asked
    change_pieces(session, maren, asked, word)
    assert walk(session, maren, by) == []


def test_fit_is_asked_of_clothes_and_shoes(session, maren):
    hang_all(session, maren, [("gold bag", C.BAG, [70, 5, 40])])
    asked = [one.piece_id for one in walk(session, maren, By.FIT)]
    assert "gold bag" not in asked
    change_pieces(session, maren, asked, Word(), ParticularsDocument(fits=True))
    assert walk(session, maren, By.FIT) == []


def test_what_matters_most_asks_of_no_look_last(session, maren):
    hang_all(session, maren, [("gold bag", C.BAG, [70, 5, 40])])
    asked = walk(session, maren)
    assert {one.by for one in asked} <= {By.FINISH, By.LENGTH, By.VOLUME, By.FORMALITY, By.WARMTH}
    assert asked[0].looks > 0


def test_all_of_it_leaves_and_comes_back(session, maren):
    told = Word(
        finish=(Finish.SUEDE, Finish.LEATHER),
        formality=2.5,
        warmth=1.0,
        details=Details(heel=Heel.LOW, toe=Toe.POINTED, sole=Sole.THIN),
    )
    change_piece(session, "tan shoes", told)
    change_piece(
        session, "navy coat", Word(length=Length.MIDI, volume=Volume.FULL, details=Details(sleeve=Sleeve.LONG))
    )
    pieces = Pieces(session)
    seen = replace(pieces.get("red knit"), piece=replace(pieces.get("red knit").piece, seen=SEEN))
    pieces.change(seen)
    for content in (rail_json(session, maren), rail_table(session, maren)):
        sent = open_rail(content.encode(), "rail.json")
        shoes = next(one.to_core() for one in sent.rail.pieces if one.id == "tan shoes")
        knit = next(one.to_core() for one in sent.rail.pieces if one.id == "red knit")
        assert shoes.details == told.details
        assert shoes.finish == set(told.finish)
        assert knit.seen == SEEN
        assert plan_rail(session, maren, sent).changed == ()


SEEN = replace(NOTHING, length=((Length.HIP, 0.7), (Length.WAIST, 0.3)), finish=((Finish.KNIT, 0.8),))


def test_a_seen_cut_is_held_as_known(session, maren):
    knit = Pieces(session).get("red knit")
    known = as_known(replace(knit.piece, seen=SEEN))
    assert (known.length, known.finish) == (Length.HIP, {Finish.KNIT})
    assert np.array_equal(known.lab, knit.piece.lab)
