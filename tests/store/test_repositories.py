"""What is stored comes back, and goes when it shall."""

import json
from dataclasses import replace
from datetime import UTC, date, datetime, time

import numpy as np
import pytest
import sqlalchemy as sa
from hypothesis import HealthCheck, given, settings

from lucid_swatch.core.client.about import About
from lucid_swatch.core.client.frame import Frame
from lucid_swatch.core.client.reading import Veil
from lucid_swatch.core.client.trial import TrialReading
from lucid_swatch.core.garment.particulars import Particulars
from lucid_swatch.core.garment.reading import Reading
from lucid_swatch.core.garment.vocabulary import Bin, Undertone, Worn
from lucid_swatch.core.look.book.kept_book import KeptBook, KeptPage, MadeAs, MadeFile
from lucid_swatch.core.look.buying.candidate import Candidate, Source
from lucid_swatch.core.look.kept_look import KeptLook, LookParticulars
from lucid_swatch.core.look.look import Conventions, Intent
from lucid_swatch.core.look.making.wall import Wall, WallLook
from lucid_swatch.core.look.making.wanted import Wanted
from lucid_swatch.core.look.planning.days import Weather
from lucid_swatch.core.look.planning.kept_capsule import CapsuleWish, KeptCapsule
from lucid_swatch.core.look.planning.plan import Event, Plan
from lucid_swatch.core.look.wearing.tally import tally
from lucid_swatch.core.look.wearing.wear import Felt, Line, Wear
from lucid_swatch.core.photo.light import Light, LightReference
from lucid_swatch.core.problems import NotThere, Refused
from lucid_swatch.store.candidates import Candidates
from lucid_swatch.store.capsules import Capsules
from lucid_swatch.store.clients import Clients
from lucid_swatch.store.compared_photos import ComparedPhotos
from lucid_swatch.store.faces import Faces
from lucid_swatch.store.jobs import Jobs
from lucid_swatch.store.journal import Journal
from lucid_swatch.store.look_books import LookBooks
from lucid_swatch.store.looks import Looks
from lucid_swatch.store.owned import owned_tables
from lucid_swatch.store.palettes import Palettes
from lucid_swatch.store.photos import Photos
from lucid_swatch.store.pieces import Pieces
from lucid_swatch.store.plans import Plans
from lucid_swatch.store.records import (
    ClientRecord,
    ComparedPhoto,
    Entry,
    FaceRecord,
    FaceSource,
    HungPiece,
    JobKind,
    NamedColour,
    PaletteRecord,
    PhotoRecord,
    Side,
    SideBySide,
    SideKind,
    TrialRecord,
)
from lucid_swatch.store.tables import Base
from lucid_swatch.store.trials import Comparisons, Trials
from lucid_swatch.store.walls import Walls
from lucid_swatch.store.wears import Wears
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
    about=About(tan=True),
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
    faces.add(face("one", colours={"skin": (60.0, 13.0, 20.0)}, doubts={"skin": 2.0}, veils=(Veil.FLASH,)))
    faces.add(face("two", FaceSource.EYE, colours={"hair": (20.0, 5.0, 8.0)}, doubts={"hair": 5.0}))
    whole = Clients(session).get("maren").whole
    assert whole.client.skin.tolist() == [60, 13, 20]
    assert whole.client.hair.tolist() == [20, 5, 8]
    assert whole.client.undertone is Undertone.WARM
    faces.change("two", lambda face: replace(face, in_use=False))
    assert Clients(session).get("maren").whole.client.hair is None
    assert faces.get("one").veils == (Veil.FLASH,)
    faces.remove("one")
    with pytest.raises(NotThere):
        faces.get("one")


def test_the_newest_trial_with_a_verdict_is_the_one_that_counts(session):
    told = TrialReading(-0.7, 0.1, 0.4, 0.1, 0.5, 0.1, warm=0.01, balanced=0.02)
    trials = Trials(session)
    for day, (id, reading) in enumerate(
        [("old", replace(told, undertone=0.5)), ("new", told), ("begun", None)], start=5
    ):
        trials.add(TrialRecord(id, "maren", NOW.replace(day=day), (), (), None, reading))
    assert [trial.id for trial in trials.of_client("maren")] == ["begun", "new", "old"]
    assert Clients(session).get("maren").whole.counts.undertone.value == -0.7


@settings(max_examples=40, suppress_health_check=[HealthCheck.function_scoped_fixture], deadline=None)
@given(pieces())
def test_every_piece_comes_back(session, piece):
    hung = HungPiece(replace(piece, bin_said=Bin.TONE), "maren", NOW, None, Particulars(size="M"))
    Pieces(session).add(hung)
    session.expire_all()
    back = Pieces(session).get(piece.id)
    assert (back.client_id, back.created_at, back.piece.bin_said) == ("maren", NOW, Bin.TONE)
    assert back.particulars == Particulars(size="M")
    for name in ("category", "label", "pattern", "scale", "finish", "metal", "volume", "length", "statement", "worn"):
        assert getattr(back.piece, name) == getattr(piece, name)
    assert np.array_equal(back.piece.lab, piece.lab)
    assert np.array_equal(back.piece.share, piece.share)
    Pieces(session).remove(piece.id)


@settings(max_examples=40, suppress_health_check=[HealthCheck.function_scoped_fixture], deadline=None)
@given(pieces(), pieces())
def test_a_snapshot_brings_a_piece_back_just_so(session, piece, other):
    book = Pieces(session)
    book.add(HungPiece(piece, "maren", NOW, None, Particulars(bought_on=date(2031, 5, 1))))
    before = json.loads(json.dumps(book.snapshot(piece.id)))
    book.change(HungPiece(replace(other, id=piece.id, bin_said=Bin.PRINT), "maren", NOW, None))
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
    tuesday = KeptLook("l", "maren", "Tuesday", ("b", "c", "a"), NOW, Intent.ACCENT)
    Looks(session).change("l", lambda monday: tuesday)
    session.expire_all()
    back = Looks(session).get("l")
    assert (back.name, back.piece_ids, back.intent) == ("Tuesday", ("b", "c", "a"), Intent.ACCENT)


LIGHT = Light(LightReference.CARD, np.array([1.2, 1.0, 0.7]), 1.1, 0.02, 0.1, np.array([[0.1, 0.2], [0.8, 0.9]]))


def fill(session):
    """Something in every book that belongs to the client."""
    Photos(session).add(PhotoRecord("p", "maren", "coat.jpg", "p.jpg", NOW))
    hang(session, "coat")
    Looks(session).add(KeptLook("l", "maren", "Monday", ("coat",), NOW))
    Faces(session).add(face("f"))
    Trials(session).add(TrialRecord("t", "maren", NOW, ()))
    nothing = Side(SideKind.NOTHING, "", "nothing")
    Comparisons(session).add(SideBySide("s", "maren", NOW, nothing, nothing))
    frame = Frame(0, 0, 9, 9)
    ComparedPhotos(session).add(ComparedPhoto("c", "maren", NOW, "scarf", 9, 9, LIGHT, None, None, frame))
    Journal(session).add("maren", "hung a coat", [Entry("piece", "coat", None, {})], NOW)
    Palettes(session).add(PaletteRecord("w", "maren", "Winter", (NamedColour("navy", (21, 4, -22)),), 10.0, NOW))
    Candidates(session).add(Candidate("candidate", "maren", NOW, Source.EYE, colours=((50.0, 20.0, 30.0),)))
    Walls(session).add(Wall("wall", "maren", "Tour", Wanted(3), NOW, looks=(WallLook("a", ("coat",)),)))
    Capsules(session).add(KeptCapsule("capsule", "maren", "Nine", NOW, CapsuleWish(), 9))
    page = KeptPage("page", "Monday", ("coat",), "l", worn={"coat": Worn.OPEN}, why="")
    LookBooks(session).add(KeptBook("book", "maren", "Tour", NOW, NOW, (page,), made=(MadeFile(MadeAs.PDF, NOW, 9),)))
    event = Event("e", date(2031, 5, 4), "Concert", begins=time(19, 30), piece_ids=("coat",))
    weather = {date(2031, 5, 4): Weather(3.0, 11.0, 0.4)}
    Plans(session).add(Plan("plan", "maren", "Tour", date(2031, 5, 4), NOW, events=(event,), weather=weather))
    Wears(session).add(Wear("worn", "maren", date(2031, 5, 4), ("coat",), NOW, felt=Felt.LOVED))
    Jobs(session).ask("maren", JobKind.READ, "p")


@pytest.mark.filterwarnings("ignore::hypothesis.errors.NonInteractiveExampleWarning")
def test_an_erased_client_leaves_no_row_in_any_table(session):
    fill(session)
    gone = Clients(session).erase("maren")
    # every table that belongs to a client had a row, whichever there will be
    assert set(gone) == {table.name for table in owned_tables()} | {"client"}
    assert min(gone.values()) == 1
    for table in Base.metadata.sorted_tables:
        assert session.execute(sa.select(sa.func.count()).select_from(table)).scalar_one() == 0, table.name


@pytest.mark.filterwarnings("ignore::hypothesis.errors.NonInteractiveExampleWarning")
def test_a_plan_and_the_log_come_back_just_so(session):
    fill(session)
    before = Plans(session).snapshot("plan")
    session.expire_all()
    plan = Plans(session).get("plan")
    assert (plan.events[0].begins, plan.weather[plan.first].rain) == (time(19, 30), 0.4)
    Plans(session).remove("plan")
    Plans(session).restore("plan", json.loads(json.dumps(before)))
    assert Plans(session).get("plan") == plan
    assert Wears(session).lines("maren") == [Line(date(2031, 5, 4), ("coat",), Felt.LOVED)]
    assert [wear.id for wear in Wears(session).between("maren", date(2031, 5, 4), date(2031, 5, 4))] == ["worn"]
    assert Wears(session).between("maren", date(2031, 5, 5), date(2031, 6, 1)) == []


@pytest.mark.filterwarnings("ignore::hypothesis.errors.NonInteractiveExampleWarning")
def test_the_database_counts_the_log_as_the_core_does(session):
    assert Wears(session).tally("maren") == {}
    felts = (None, *Felt)
    for k in range(40):
        ids = tuple(dict.fromkeys(("coat", f"piece {k % 7}", f"piece {k % 3}")))
        on = date(2031, 5, 1 + k % 20)
        Wears(session).add(Wear(f"w{k}", "maren", on, ids, NOW, felt=felts[k % 4]))
    found = Wears(session).tally("maren")
    assert len(found) == 8
    assert found == tally(Wears(session).lines("maren"))


def test_a_light_comes_back_just_so(session):
    frame = Frame(1.5, 2, 3, 4)
    ComparedPhotos(session).add(ComparedPhoto("c", "maren", NOW, "x", 9, 9, LIGHT, ((0.1, 0.2),), frame, frame))
    session.expire_all()
    back = ComparedPhotos(session).get("c")
    assert (back.face, back.ground, back.light.reference) == (frame, ((0.1, 0.2),), LightReference.CARD)
    assert np.array_equal(back.light.rgb, LIGHT.rgb)
    assert np.array_equal(back.light.tone, LIGHT.tone)
    assert back.light.correction is None


@pytest.mark.parametrize(
    ("wrong", "what"),
    [
        ({"about": {"tan": True}}, "a About was to be kept, and not a dict"),
        ({"conventions": "strict"}, "replace"),
        ({"dismissed": (1, 2)}, "valid string"),
    ],
)
def test_a_value_of_another_kind_is_refused_where_it_is_written(session, wrong, what):
    with pytest.raises((ValueError, TypeError, sa.exc.StatementError), match=what):
        Clients(session).change("maren", lambda client: replace(client, **wrong))


def test_a_value_out_of_range_is_refused_where_it_is_made():
    with pytest.raises(ValueError, match="no rating"):
        LookParticulars(stylist_rating=6)
    with pytest.raises(ValueError, match="no price"):
        Particulars(price=-1.0)
    with pytest.raises(ValueError, match="no measurement"):
        Reading({"colours": []})


def test_what_is_asked_about_a_thing_replaces_what_was_asked_before(session):
    jobs = Jobs(session)
    Photos(session).add(PhotoRecord("p", "maren", "coat.jpg", "p.jpg", NOW))
    first = jobs.ask("maren", JobKind.READ, "p")
    second = jobs.ask("maren", JobKind.READ_AGAIN, "p")
    assert not jobs.is_asked(first.id)
    assert [job.id for job in jobs.all()] == [second.id] == [jobs.about("p").id]
    jobs.call_off(["p"])
    assert jobs.about("p") is None
