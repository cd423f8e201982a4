"""What is stored comes back, and goes when it shall."""

import json
from dataclasses import replace
from datetime import UTC, date, datetime

import numpy as np
import pytest
from hypothesis import HealthCheck, given, settings

from lucid_swatch.core.garment.vocabulary import Bin, Undertone
from lucid_swatch.core.look.look import Conventions, Intent
from lucid_swatch.core.problems import NotThere, Refused
from lucid_swatch.store.clients import Clients
from lucid_swatch.store.compared_photos import ComparedPhotos
from lucid_swatch.store.faces import Faces
from lucid_swatch.store.journal import Journal
from lucid_swatch.store.looks import Looks
from lucid_swatch.store.palettes import Palettes
from lucid_swatch.store.photos import Photos
from lucid_swatch.store.pieces import Pieces
from lucid_swatch.store.records import (
    ClientRecord,
    ComparedPhoto,
    Entry,
    FaceRecord,
    FaceSource,
    HungPiece,
    KeptLook,
    PaletteRecord,
    PhotoRecord,
    PhotoState,
    SideBySide,
    TrialRecord,
)
from lucid_swatch.store.trials import Comparisons, Trials
from tests.strategies import pieces

NOW = datetime(2031, 5, 4, 10, 11, tzinfo=UTC)
MAREN = ClientRecord(
    "maren",
    "Maren",
    date(2031, 5, 4),
    NOW,
    "plays the cello",
    "colour reading",
    undertone=Undertone.WARM,
    conventions=Conventions(strict_neutrals=True),
    about={"tan": True},
)


@pytest.fixture
def session(sessions):
    with sessions.begin() as session:
        Clients(session).add(MAREN)
        yield session


def test_a_client_comes_back(session):
    session.expire_all()
    assert Clients(session).get("maren") == MAREN


def face(id, source=FaceSource.PORTRAIT, **values):
    return FaceRecord(id, "maren", source, NOW, **values)


def test_faces_count_for_the_colouring_unless_they_are_put_aside(session):
    faces = Faces(session)
    faces.add(face("one", colours={"skin": [60.0, 13.0, 20.0]}, doubts={"skin": 2.0}, veils=("flash",)))
    faces.add(face("two", FaceSource.EYE, colours={"hair": [20.0, 5.0, 8.0]}, doubts={"hair": 5.0}))
    whole = Clients(session).get("maren").whole
    assert whole.client.skin.tolist() == [60, 13, 20]
    assert whole.client.hair.tolist() == [20, 5, 8]
    assert whole.client.undertone is Undertone.WARM
    faces.change("two", in_use=False)
    assert Clients(session).get("maren").whole.client.hair is None
    assert faces.get("one").veils == ("flash",)
    faces.remove("one")
    with pytest.raises(NotThere):
        faces.get("one")


def test_the_newest_trial_with_a_verdict_is_the_one_that_counts(session):
    told = {
        "undertone": -0.7,
        "undertone_doubt": 0.1,
        "depth": 0.4,
        "depth_doubt": 0.1,
        "clarity": 0.5,
        "clarity_doubt": 0.1,
        "warm": 0.01,
        "balanced": 0.02,
    }
    trials = Trials(session)
    for day, (id, reading) in enumerate([("old", {**told, "undertone": 0.5}), ("new", told), ("begun", None)], start=5):
        trials.add(TrialRecord(id, "maren", NOW.replace(day=day), (), (), None, reading))
    assert [trial.id for trial in trials.of_client("maren")] == ["begun", "new", "old"]
    assert Clients(session).get("maren").whole.counts.undertone.value == -0.7


@settings(max_examples=40, suppress_health_check=[HealthCheck.function_scoped_fixture], deadline=None)
@given(pieces())
def test_every_piece_comes_back(session, piece):
    hung = HungPiece(replace(piece, bin_said=Bin.TONE), "maren", NOW, None, {"size": "M"})
    Pieces(session).add(hung)
    session.expire_all()
    back = Pieces(session).get(piece.id)
    assert (back.client_id, back.created_at, back.piece.bin_said, back.kept) == ("maren", NOW, Bin.TONE, {"size": "M"})
    for name in ("category", "label", "pattern", "scale", "finish", "metal", "volume", "length", "statement", "worn"):
        assert getattr(back.piece, name) == getattr(piece, name)
    assert np.array_equal(back.piece.lab, piece.lab)
    assert np.array_equal(back.piece.share, piece.share)
    Pieces(session).remove(piece.id)


@settings(max_examples=40, suppress_health_check=[HealthCheck.function_scoped_fixture], deadline=None)
@given(pieces(), pieces())
def test_a_snapshot_brings_a_piece_back_just_so(session, piece, other):
    book = Pieces(session)
    book.add(HungPiece(piece, "maren", NOW, None, {"worn_on": ["2031-05-01"]}))
    before = json.loads(json.dumps(book.snapshot(piece.id)))
    book.change(HungPiece(replace(other, id=piece.id, bin_said=Bin.PRINT), "maren", NOW, None, {}))
    book.restore(piece.id, before)
    assert book.snapshot(piece.id) == before
    book.restore(piece.id, None)
    assert book.snapshot(piece.id) is None
    book.restore(piece.id, before)
    session.expire_all()
    assert book.snapshot(piece.id) == before
    book.remove(piece.id)


def hang(session, id):
    piece = pieces(id=id).example()
    Pieces(session).add(HungPiece(replace(piece, label=f"The {id}"), "maren", NOW))


@pytest.mark.filterwarnings("ignore::hypothesis.errors.NonInteractiveExampleWarning")
def test_a_piece_in_a_kept_look_stays(session):
    hang(session, "coat")
    Looks(session).add(KeptLook("l", "maren", "Monday", ("coat",), NOW, Intent.TONAL))
    with pytest.raises(Refused, match="The coat is in 'Monday'"):
        Pieces(session).remove("coat")
    Looks(session).remove("l")
    Pieces(session).remove("coat")
    with pytest.raises(NotThere):
        Pieces(session).get("coat")


@pytest.mark.filterwarnings("ignore::hypothesis.errors.NonInteractiveExampleWarning")
def test_a_look_keeps_its_pieces_in_order(session):
    for id in ("a", "b", "c"):
        hang(session, id)
    Looks(session).add(KeptLook("l", "maren", "Monday", ("c", "a"), NOW))
    Looks(session).change(KeptLook("l", "maren", "Tuesday", ("b", "c", "a"), NOW, Intent.ACCENT))
    session.expire_all()
    back = Looks(session).get("l")
    assert (back.name, back.piece_ids, back.intent) == ("Tuesday", ("b", "c", "a"), Intent.ACCENT)


@pytest.mark.filterwarnings("ignore::hypothesis.errors.NonInteractiveExampleWarning")
def test_an_erased_client_leaves_no_row(session):
    Photos(session).add(PhotoRecord("p", "maren", "coat.jpg", "p.jpg", NOW))
    hang(session, "coat")
    Looks(session).add(KeptLook("l", "maren", "Monday", ("coat",), NOW))
    Faces(session).add(face("f"))
    Trials(session).add(TrialRecord("t", "maren", NOW, ()))
    Comparisons(session).add(SideBySide("s", "maren", NOW, {"kind": "nothing"}, {"kind": "nothing"}))
    ComparedPhotos(session).add(ComparedPhoto("c", "maren", NOW, "scarf", 9, 9, {}, None, None, [0, 0, 9, 9]))
    Journal(session).add("maren", "hung a coat", [Entry("piece", "coat", None, {})], NOW)
    Palettes(session).write(PaletteRecord("w", "maren", "Winter", ({"name": "navy", "lab": [21, 4, -22]},), 10.0, NOW))
    gone = Clients(session).erase("maren")
    assert gone == {
        "client": 1,
        "look": 1,
        "piece": 1,
        "photo": 1,
        "face": 1,
        "trial": 1,
        "side_by_side": 1,
        "compared_photo": 1,
        "change": 1,
        "palette": 1,
    }
    tables = (
        "client",
        "photo",
        "piece",
        "piece_colour",
        "look",
        "look_piece",
        "face",
        "trial",
        "side_by_side",
        "compared_photo",
        "change",
        "palette",
    )
    left = {
        table: session.connection().exec_driver_sql(f"select count(*) from {table}").scalar_one() for table in tables
    }
    assert set(left.values()) == {0}


def test_what_waits_is_known_after_a_restart(session):
    for k, state in enumerate(PhotoState):
        Photos(session).add(PhotoRecord(f"p{k}", "maren", "coat.jpg", f"p{k}.jpg", NOW, state=state))
    assert Photos(session).unfinished() == ["p0", "p1"]
