"""Capsules: chosen with their curve, walked along, named, let go, every step taken back."""

from dataclasses import replace

import pytest

from lucid_swatch.core.look.making.wanted import Wanted
from lucid_swatch.core.look.planning.kept_capsule import CapsuleWish, Purpose
from lucid_swatch.core.problems import NotThere, Refused
from lucid_swatch.formats.palette import Palette, PaletteColour
from lucid_swatch.store.capsules import Capsules
from lucid_swatch.store.jobs import Jobs
from lucid_swatch.store.pieces import Pieces
from lucid_swatch.store.records import HungPiece
from lucid_swatch.usecases import capsules
from lucid_swatch.usecases.capsules import (
    begin_capsule,
    capsule_in,
    capsule_out,
    change_capsule,
    let_capsule_go,
    make_capsule,
    set_down_unchosen,
    shown_capsule,
    stop_choosing,
)
from lucid_swatch.usecases.changes import redo, undo
from lucid_swatch.usecases.jobs import do_job
from lucid_swatch.usecases.palettes import keep_palette
from tests.core.look.making.rails import CREAM, NAVY, RAIL
from tests.usecases.rails import NOW, a_client


@pytest.fixture
def maren(sessions):
    with sessions.begin() as session:
        client = a_client(session)
        for piece in RAIL:
            Pieces(session).add(HungPiece(piece, client, NOW))
    return client


def chosen(sessions, client, pieces=7, wish=None):
    with sessions.begin() as session:
        id = begin_capsule(session, client, "Seven", pieces, wish or CapsuleWish()).id
    make_capsule(sessions, id)
    return id


def at(sessions, id):
    with sessions() as session:
        return shown_capsule(session, id)


def test_a_capsule_is_chosen_with_its_curve(sessions, maren):
    found = at(sessions, chosen(sessions, maren))
    assert (found.choosing, found.gone, found.capsule.lack) == (None, (), "")
    here = found.capsule.here
    assert here.proven
    assert len(here.piece_ids) == 7
    assert {number for number, _ in found.capsule.points} >= {3, 6, 7, 8, 12}
    assert len(found.capsule.bag_ids) == 1
    with sessions() as session:
        assert Jobs(session).of_client(maren) == []
        name, document = capsule_out(session, found.capsule.id)
    assert (name, document.looks, document.pieces) == ("Seven", here.looks, list(here.piece_ids))


def test_a_capsule_that_went_out_comes_back(sessions, maren):
    id = chosen(sessions, maren)
    with sessions() as session:
        name, document = capsule_out(session, id)
    written = document.model_dump_json(by_alias=True).encode()
    with sessions.begin() as session:
        back = capsule_in(session, maren, written, f"{name}.json")
    with sessions() as session:
        assert capsule_out(session, back.id) == (name, document)
    assert back.bag_ids == at(sessions, id).capsule.bag_ids
    with sessions.begin() as session:
        undo(session, maren)
        assert [one.id for one in Capsules(session).of_client(maren)] == [id]
    # of another rail the numbers are that rail's
    with sessions.begin() as session:
        Pieces(session).remove(next(iter(document.added)))
        fewer = capsule_in(session, maren, written, "x.json").here
    assert fewer.looks == document.looks
    assert fewer.of < document.of
    with sessions.begin() as session, pytest.raises(Refused, match="not on the client's rail"):
        capsule_in(session, maren, written.replace(document.pieces[0].encode(), b"ghost"), "x.json")
    with sessions.begin() as session, pytest.raises(Refused, match="lucid-swatch/capsule"):
        capsule_in(session, maren, b'{"format": "else"}', "x.json")


def test_what_is_asked_of_it_is_kept_to(sessions, maren):
    with sessions.begin() as session:
        colours = [PaletteColour(name="navy", lab=NAVY), PaletteColour(name="cream", lab=CREAM)]
        palette = keep_palette(session, maren, Palette(name="Harbour", colours=colours), 10.0).id
    wish = CapsuleWish(keep=("wine knit",), palette=palette, shoes=1, bags=0)
    here = at(sessions, chosen(sessions, maren, 5, wish)).capsule
    assert here.bag_ids == ()
    ids = set(here.here.piece_ids)
    assert "wine knit" in ids
    assert len([id for id in ids if "shoes" in id]) <= 1
    assert all(id.startswith(("navy", "cream", "wine knit")) for id in ids)
    asked = CapsuleWish(
        purposes=(Purpose("gala", Wanted(1, formality=(5.0, 5.0))), Purpose("work", Wanted(1, formality=(2.0, 4.0))))
    )
    assert at(sessions, chosen(sessions, maren, 5, asked)).capsule.here.unmet == ("gala",)


def test_the_curve_is_walked_the_capsule_named_and_let_go_and_all_is_taken_back(sessions, maren):
    id = chosen(sessions, maren)
    with sessions.begin() as session:
        assert change_capsule(session, id, pieces=9).here.asked_for == 9
        change_capsule(session, id, name="Nine")
        with pytest.raises(Refused, match="does not tell of 40"):
            change_capsule(session, id, pieces=40)
        with pytest.raises(Refused, match="no name"):
            change_capsule(session, id, name="  ")
        let_capsule_go(session, id)
    with sessions.begin() as session:
        told = [undo(session, maren).told for _ in range(3)]
    assert told == ["let the capsule 'Nine' go", "called 'Seven' Nine", "'Seven' holds 9 pieces"]
    assert (at(sessions, id).capsule.name, at(sessions, id).capsule.pieces) == ("Seven", 7)
    with sessions.begin() as session:
        assert undo(session, maren).told == "chose the capsule 'Seven'"
        with pytest.raises(NotThere):
            Capsules(session).get(id)
        redo(session, maren)
        assert len(Capsules(session).get(id).curve) > 5


class StopsAfterTwo:
    """A stylist who stops once two numbers of pieces are told."""

    def __init__(self, sessions, id):
        self.sessions, self.id = sessions, id

    def __call__(self, good, asked, tell, clock):
        def watched(share, curve):
            if len(curve) == 2:
                with self.sessions.begin() as session:
                    stop_choosing(session, self.id)
            return tell(share, curve)

        return CURVE(good, asked, watched, clock)


CURVE = capsules.curve_of


def test_stopped_the_best_by_then_stays(sessions, maren, monkeypatch):
    with sessions.begin() as session:
        id = begin_capsule(session, maren, "Seven", 7, CapsuleWish()).id
    monkeypatch.setattr(capsules, "curve_of", StopsAfterTwo(sessions, id))
    make_capsule(sessions, id)
    found = at(sessions, id)
    assert found.choosing is None
    assert found.capsule.chosen_at is not None
    assert 1 <= len(found.capsule.curve) <= 2
    with sessions.begin() as session:
        assert undo(session, maren).told == "chose the capsule 'Seven'"


def test_what_cannot_be_chosen_says_why(sessions, folder, maren):
    with sessions.begin() as session:
        for pieces in (0, 61):
            with pytest.raises(Refused, match="cannot be asked for"):
                begin_capsule(session, maren, "x", pieces, CapsuleWish())
        with pytest.raises(Refused, match="no name"):
            begin_capsule(session, maren, " ", 5, CapsuleWish())
        bare = a_client(session, "Bare")
    assert "No good look" in at(sessions, chosen(sessions, bare)).capsule.lack
    wish = CapsuleWish(keep=("navy top", "cream shirt", "grey knit", "tan shoes", "navy shoes"))
    assert "5 pieces have to be in" in at(sessions, chosen(sessions, maren, 3, wish)).capsule.lack
    with sessions.begin() as session:
        id = begin_capsule(session, maren, "Five", 5, CapsuleWish()).id
        with pytest.raises(Refused, match="nothing is chosen"):
            capsule_out(session, id)
    set_down_unchosen(sessions, id, Refused("x", "y", "z"))
    assert "could not be chosen" in at(sessions, id).capsule.lack
    assert do_job(sessions, folder, None, id) == []
    with pytest.raises(ValueError, match="pairs of shoes"):
        CapsuleWish(shoes=0)
    with pytest.raises(ValueError, match="bags"):
        replace(CapsuleWish(), bags=99)


def test_pieces_that_went_are_told_of(sessions, maren):
    id = chosen(sessions, maren)
    gone = at(sessions, id).capsule.here.piece_ids[0]
    with sessions.begin() as session:
        Pieces(session).remove(gone)
    assert at(sessions, id).gone == (gone,)
