"""Looks are judged for this client, kept with what they are for, and compared; the rules follow only when asked."""

from dataclasses import replace
from datetime import UTC, datetime

import pytest

from lucid_swatch.core.garment.vocabulary import Category
from lucid_swatch.core.look.weights import standard_weights
from lucid_swatch.core.problems import Refused
from lucid_swatch.formats.client import About
from lucid_swatch.formats.kept_look import KeptLookDocument
from lucid_swatch.store.clients import Clients
from lucid_swatch.store.looks import Looks
from lucid_swatch.store.records import SideBySide
from lucid_swatch.store.trials import Comparisons
from lucid_swatch.usecases.clients import write_about
from lucid_swatch.usecases.looks import change_look, dismiss, judge_pieces, keep_look
from lucid_swatch.usecases.rail import Word, change_pieces, join_faces
from lucid_swatch.usecases.tastes import LEAST_VERDICTS, put_taste_back, take_taste_on, taste

from .rails import a_client, hang_all

LOOK = ("cream top", "navy trousers", "tan shoes")
NOW = datetime(2031, 5, 4, tzinfo=UTC)


@pytest.fixture
def session(sessions):
    with sessions.begin() as session:
        yield session


@pytest.fixture
def maren(session):
    client = a_client(session)
    hang_all(session, client)
    return client


def offered(judged):
    return {id for mend in judged.mends for id in (mend.piece, mend.with_piece)} - set(LOOK) - {None}


def test_mends_leave_alone_what_is_refused_does_not_fit_or_goes(session, maren):
    start = ("cream top", "olive skirt")
    every = {"navy trousers", "navy coat", "tan shoes", "red knit"}
    write_about(session, maren, About.model_validate({"refuses": {"colours": ["navy"]}}))
    change_pieces(session, maren, ["tan shoes"], Word(), {"fits": False})
    change_pieces(session, maren, ["red knit"], Word(), {"verdict": "let go"})
    judged = judge_pieces(session, maren, start)
    assert offered(judged) & every == set()
    assert every <= set(judged.effects)  # what it would do is still told


def test_notes_name_refusals_and_irritants_and_stay_away_when_waved_away(session, maren):
    about = {"refuses": {"colours": ["navy"]}, "allergies": ["nickel"]}
    write_about(session, maren, About.model_validate(about))
    change_pieces(session, maren, ["tan shoes"], Word(), {"note": "buckle holds nickel"})
    notes = {note.code: note for note in judge_pieces(session, maren, LOOK).notes}
    assert "the colour navy" in notes["refused"].text
    assert "nickel" in notes["irritates"].text
    dismiss(session, maren, notes["refused"].key)
    assert "refused" not in {note.code for note in judge_pieces(session, maren, LOOK).notes}
    dismiss(session, maren, notes["refused"].key, again=True)
    assert "refused" in {note.code for note in judge_pieces(session, maren, LOOK).notes}


def test_both_faces_of_one_piece_are_no_look(session, maren):
    join_faces(session, maren, "navy coat", "cream top")
    with pytest.raises(Refused, match="both faces"):
        judge_pieces(session, maren, ("navy coat", "cream top"))


def test_a_look_keeps_what_it_is_for_and_what_it_varies(session, maren):
    about = KeptLookDocument(occasion="opening", time="evening", stylist_rating=4)
    first = keep_look(session, maren, "Monday", LOOK, about=about)
    second = keep_look(session, maren, "Monday, warmer", (*LOOK, "navy coat"), about=KeptLookDocument(parent=first.id))
    session.expire_all()
    assert Looks(session).get(first.id).kept == {"occasion": "opening", "time": "evening", "stylist_rating": 4}
    assert Looks(session).get(second.id).kept == {"parent": first.id}
    change_look(session, first.id, "Tuesday", LOOK, None)
    assert Looks(session).get(first.id).kept["occasion"] == "opening"
    with pytest.raises(Refused, match="variation of itself"):
        change_look(session, first.id, "Tuesday", LOOK, None, KeptLookDocument(parent=first.id))
    other = a_client(session, "Tobe")
    hang_all(session, other, [("tobe top", Category.TOP, [50, 0, 0])])
    with pytest.raises(Refused, match="another client"):
        keep_look(session, other, "Mine", ("tobe top",), about=KeptLookDocument(parent=first.id))


def test_the_verdict_of_an_earlier_version_stays_beside_the_new_one(session, maren):
    kept = keep_look(session, maren, "Monday", LOOK)
    assert [one["weights"] for one in kept.verdicts] == [standard_weights().version]
    Looks(session).change(replace(kept, verdicts=({"weights": "2030-01-01", "overall": 50.0, "on": "2030-01-01"},)))
    changed = change_look(session, kept.id, "Monday", LOOK, None)
    assert [one["weights"] for one in changed.verdicts] == ["2030-01-01", standard_weights().version]
    assert change_look(session, kept.id, "Monday", LOOK, None).verdicts == changed.verdicts


def compare(session, client, better, worse, number):
    sides = (
        {"kind": "look", "id": better.id, "label": better.name},
        {"kind": "look", "id": worse.id, "label": worse.name},
    )
    Comparisons(session).add(SideBySide(f"s{number}", client, NOW, *sides, better="left"))


def test_verdicts_on_looks_ask_for_a_taste_that_is_taken_on_and_put_back(session, maren):
    plain, coat, red = (
        keep_look(session, maren, name, pieces)
        for name, pieces in (
            ("Plain", LOOK),
            ("Coat", (*LOOK, "navy coat")),
            ("Red", ("red knit", "navy trousers", "tan shoes")),
        )
    )
    assert taste(session).verdicts == 0
    with pytest.raises(Refused, match="ask for nothing"):
        take_taste_on(session)
    whole = {
        name: judge_pieces(session, maren, look.piece_ids).verdict.overall
        for name, look in (("plain", plain), ("red", red))
    }
    better, worse = (plain, red) if whole["plain"] < whole["red"] else (red, plain)  # against the rules
    for number in range(LEAST_VERDICTS + 3):
        compare(session, maren, better, worse, number)
    compare(session, maren, coat, Looks(session).get(coat.id), 99)  # tells nothing
    found = taste(session)
    assert found.verdicts == LEAST_VERDICTS + 4
    assert found.asked
    assert all(0.79 <= times <= 1.26 for _, times, _ in found.asked)
    before = [judge_pieces(session, maren, look.piece_ids).verdict.overall for look in (better, worse)]
    take_taste_on(session)
    after = [judge_pieces(session, maren, look.piece_ids).verdict for look in (better, worse)]
    assert after[0].overall - after[1].overall > before[0] - before[1]
    assert after[0].weights.endswith("this studio's own")
    assert Clients(session).get(maren).conventions.tastes
    put_taste_back(session)
    assert [judge_pieces(session, maren, look.piece_ids).verdict.overall for look in (better, worse)] == before
