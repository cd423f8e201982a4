"""What is stored comes back, and goes when it shall."""

from dataclasses import replace
from datetime import UTC, date, datetime

import numpy as np
import pytest
from hypothesis import HealthCheck, given, settings

from lucid_swatch.core.client.colouring import Client
from lucid_swatch.core.garment.vocabulary import Bin, Undertone
from lucid_swatch.core.look.look import Conventions, Intent
from lucid_swatch.core.problems import NotThere, Refused
from lucid_swatch.store.clients import Clients
from lucid_swatch.store.looks import Looks
from lucid_swatch.store.photos import Photos
from lucid_swatch.store.pieces import Pieces
from lucid_swatch.store.records import ClientRecord, HungPiece, KeptLook, PhotoRecord, PhotoState
from tests.strategies import pieces

NOW = datetime(2031, 5, 4, 10, 11, tzinfo=UTC)
MAREN = ClientRecord(
    "maren", "Maren", date(2031, 5, 4), NOW, "plays the cello", Client(np.array([60.0, 13, 20]), undertone=Undertone.WARM),
    Conventions(strict_neutrals=True),
)  # fmt: skip


@pytest.fixture
def session(sessions):
    with sessions.begin() as session:
        Clients(session).add(MAREN)
        yield session


def test_a_client_comes_back(session):
    session.expire_all()
    back = Clients(session).get("maren")
    assert replace(back, colouring=MAREN.colouring) == MAREN
    assert back.colouring.skin.tolist() == [60, 13, 20]
    assert back.colouring.hair is None
    assert back.colouring.undertone is Undertone.WARM


@settings(max_examples=40, suppress_health_check=[HealthCheck.function_scoped_fixture], deadline=None)
@given(pieces())
def test_every_piece_comes_back(session, piece):
    hung = HungPiece(piece, "maren", NOW, None, Bin.TONE)
    Pieces(session).add(hung)
    session.expire_all()
    back = Pieces(session).get(piece.id)
    assert (back.client_id, back.created_at, back.bin_said) == ("maren", NOW, Bin.TONE)
    for name in ("category", "label", "pattern", "scale", "finish", "metal", "volume", "length", "statement", "worn"):
        assert getattr(back.piece, name) == getattr(piece, name)
    assert np.array_equal(back.piece.lab, piece.lab)
    assert np.array_equal(back.piece.share, piece.share)
    Pieces(session).remove(piece.id)


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
    Clients(session).erase("maren")
    tables = ("client", "photo", "piece", "piece_colour", "look", "look_piece")
    left = {
        table: session.connection().exec_driver_sql(f"select count(*) from {table}").scalar_one() for table in tables
    }
    assert set(left.values()) == {0}


def test_what_waits_is_known_after_a_restart(session):
    for k, state in enumerate(PhotoState):
        Photos(session).add(PhotoRecord(f"p{k}", "maren", "coat.jpg", f"p{k}.jpg", NOW, state=state))
    assert Photos(session).unfinished() == ["p0", "p1"]
