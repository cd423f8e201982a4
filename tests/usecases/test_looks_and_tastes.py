"""Looks are judged for this client, kept with what they are for, and compared; the rules follow only when asked."""

import io
from dataclasses import replace
from datetime import UTC, date, datetime

import numpy as np
import pytest
from PIL import Image

from lucid_swatch.core.client.about import About, Refusals
from lucid_swatch.core.garment.vocabulary import Category, Finish, Undertone, Worn
from lucid_swatch.core.garment.word import Word
from lucid_swatch.core.look.kept_look import LookParticulars, PastVerdict, TimeOfDay
from lucid_swatch.core.look.look import Conventions
from lucid_swatch.core.look.scorer.weights import standard_weights
from lucid_swatch.core.look.theme import Theme
from lucid_swatch.core.problems import Refused
from lucid_swatch.formats.client import AboutDocument
from lucid_swatch.formats.look_particulars import LookParticularsDocument
from lucid_swatch.formats.particulars import ParticularsDocument
from lucid_swatch.store.clients import Clients
from lucid_swatch.store.folder import Folder
from lucid_swatch.store.looks import Looks
from lucid_swatch.store.pieces import Pieces
from lucid_swatch.store.records import Side, SideBySide, SideKind
from lucid_swatch.store.trials import Comparisons
from lucid_swatch.usecases.clients import write_about
from lucid_swatch.usecases.erase import erase_client
from lucid_swatch.usecases.eyes import OwnEyes, Sight
from lucid_swatch.usecases.looks import (
    Setting,
    change_look,
    colours_missing,
    dismiss,
    judge_pieces,
    keep_look,
    overall_of,
)
from lucid_swatch.usecases.rail import change_pieces, join_faces
from lucid_swatch.usecases.tastes import LEAST_VERDICTS, put_taste_back, take_taste_on, taste
from lucid_swatch.usecases.tidy import Moved, tidy
from lucid_swatch.usecases.worn import add_worn_photo

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
    write_about(session, maren, About(refuses=Refusals(colours=("navy",))))
    change_pieces(session, maren, ["tan shoes"], Word(), ParticularsDocument.model_validate({"fits": False}))
    change_pieces(session, maren, ["red knit"], Word(), ParticularsDocument.model_validate({"verdict": "let go"}))
    judged = judge_pieces(session, maren, start)
    assert offered(judged) & every == set()
    assert every <= set(judged.effects)  # what it would do is still told


def test_notes_name_refusals_and_irritants_and_stay_away_when_waved_away(session, maren):
    about = {"refuses": {"colours": ["navy"]}, "allergies": ["nickel"]}
    write_about(session, maren, AboutDocument.model_validate(about).to_core())
    change_pieces(
        session, maren, ["tan shoes"], Word(), ParticularsDocument.model_validate({"note": "buckle holds nickel"})
    )
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
    about = LookParticulars(occasion="opening", time=TimeOfDay.EVENING, stylist_rating=4)
    first = keep_look(session, maren, "Monday", LOOK, particulars=about)
    second = keep_look(
        session, maren, "Monday, warmer", (*LOOK, "navy coat"), particulars=LookParticulars(parent=first.id)
    )
    session.expire_all()
    assert Looks(session).get(first.id).particulars == about
    assert Looks(session).get(second.id).particulars == LookParticulars(parent=first.id)
    change_look(session, first.id, "Tuesday", LOOK, None)
    assert Looks(session).get(first.id).particulars.occasion == "opening"
    with pytest.raises(Refused, match="variation of itself"):
        change_look(session, first.id, "Tuesday", LOOK, None, LookParticulars(parent=first.id))
    other = a_client(session, "Tobe")
    hang_all(session, other, [("tobe top", Category.TOP, [50, 0, 0])])
    with pytest.raises(Refused, match="another client"):
        keep_look(session, other, "Mine", ("tobe top",), particulars=LookParticulars(parent=first.id))


def test_the_verdict_of_an_earlier_version_stays_beside_the_new_one(session, maren):
    kept = keep_look(session, maren, "Monday", LOOK)
    assert [one.weights for one in kept.verdicts] == [standard_weights().version]
    past = PastVerdict("2030-01-01", 50.0, date(2030, 1, 1))
    Looks(session).change(kept.id, lambda look: replace(look, verdicts=(past,)))
    changed = change_look(session, kept.id, "Monday", LOOK, None)
    assert [one.weights for one in changed.verdicts] == ["2030-01-01", standard_weights().version]
    assert change_look(session, kept.id, "Monday", LOOK, None).verdicts == changed.verdicts


def compare(session, client, better, worse, number):
    sides = (Side(SideKind.LOOK, better.id, better.name), Side(SideKind.LOOK, worse.id, worse.name))
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


def test_how_a_look_is_worn_is_judged_and_kept_with_it(session, maren):
    coat = ("cream top", "navy trousers", "navy coat")
    opened, closed = (
        judge_pieces(session, maren, coat, setting=Setting(worn={"navy coat": how})).verdict
        for how in (Worn.OPEN, Worn.CLOSED)
    )
    assert opened.overall != closed.overall
    about = LookParticulars(worn={"navy coat": Worn.CLOSED}, formality=2)
    kept = keep_look(session, maren, "Quay", coat, None, about)
    assert kept.verdicts[-1].overall == closed.overall
    assert overall_of(session, maren, [kept])[kept.id] == closed.overall


def test_a_look_may_follow_a_school_of_its_own(session, maren):
    strict = Conventions(strict_neutrals=True)
    usual = judge_pieces(session, maren, LOOK)
    other = judge_pieces(session, maren, LOOK, setting=Setting(conventions=strict))
    assert other.conventions.strict_neutrals
    assert not usual.conventions.strict_neutrals
    assert other.verdict.measures["harmony"].score != usual.verdict.measures["harmony"].score


def test_one_look_is_held_against_another_client(session, maren):
    cool, warm = (a_client(session, name) for name in ("Cool", "Warm"))
    Clients(session).change(cool, lambda client: replace(client, undertone=Undertone.COOL))
    Clients(session).change(warm, lambda client: replace(client, undertone=Undertone.WARM))
    at_the_face = [
        judge_pieces(session, maren, LOOK, setting=Setting(on=client)).verdict.measures["colouring"].score
        for client in (cool, warm)
    ]
    assert at_the_face[0] < at_the_face[1]  # cream at the face


def test_the_occasion_bars_what_does_not_go_there_from_the_mends(session, maren):
    start = ("cream top", "navy trousers")
    change_pieces(session, maren, ["tan shoes", "olive skirt"], Word(formality=2.0))
    free = judge_pieces(session, maren, start)
    dressed = judge_pieces(session, maren, start, setting=Setting(formality=4))
    offered, barred = ({id for mend in one.mends for id in (mend.piece, mend.with_piece)} for one in (free, dressed))
    assert "olive skirt" in offered
    assert "olive skirt" not in barred
    worn = judge_pieces(session, maren, LOOK, setting=Setting(formality=4))
    assert any(note.code == "occasion-4" and note.pieces == ("tan shoes",) for note in worn.notes)


@pytest.mark.parametrize("feet", [True, False])
def test_a_photo_of_a_look_worn_is_kept_without_metadata_and_goes_with_the_client(sessions, data, feet):
    def figure(srgb):
        seen = np.zeros(srgb.shape[:2])
        seen[20 : 100 if feet else 120, 30:50] = 1.0
        return seen

    folder = Folder(data)
    with sessions.begin() as session:
        client = a_client(session)
        hang_all(session, client)
        kept = keep_look(session, client, "Quay", LOOK)
    sent = io.BytesIO()
    exif = Image.Exif()
    exif[0x8825] = {1: "N", 2: (59.0, 54.0, 0.0)}
    Image.new("RGB", (80, 120), (190, 180, 170)).save(sent, "JPEG", exif=exif)
    eyes = OwnEyes(Sight(figure, lambda srgb: []))
    kept = add_worn_photo(sessions, folder, eyes, kept.id, sent.getvalue(), "quay.jpg")
    assert kept.particulars.photo.feet is feet
    stored = Image.open(folder.picture(kept.id, "as-sent"))
    assert 0x8825 not in stored.getexif()
    assert tidy(sessions, folder) == Moved(0, 0)
    erased = erase_client(sessions, folder, client)
    assert any(kept.id in name for name in erased.files)
    assert erased.left == ()


def test_a_colour_that_is_missing_gains_what_it_says(session, maren):
    found = colours_missing(session, maren, LOOK, None, Setting())
    before = judge_pieces(session, maren, LOOK).verdict.overall
    assert found
    for mend in found[:2]:
        hung = Pieces(session).get(mend.piece)
        Pieces(session).change(replace(hung, piece=replace(hung.piece, lab=mend.lab[None])))
        assert judge_pieces(session, maren, LOOK).verdict.overall == pytest.approx(before + mend.gain, abs=0.11)
        Pieces(session).change(hung)


def test_what_is_meant_and_a_theme_are_kept_with_the_look_and_count_when_it_is_judged_again(session, maren):
    plain = judge_pieces(session, maren, LOOK)
    cost = min((r for m in plain.verdict.measures.values() if m for r in m.because), key=lambda r: r.points)
    assert cost.points < 0
    theme = Theme("quay", ((21.0, 4.0, -21.0),), (Finish.LEATHER,))
    setting = Setting(meant={cost.code: "for the pier"}, theme=theme)
    judged = judge_pieces(session, maren, LOOK, setting=setting)
    assert judged.verdict.overall > judged.verdict.overall_as_scored == plain.verdict.overall
    assert 0 < judged.carried.share <= 1
    assert all(one.code != cost.code for one in judged.held_back)
    kept = keep_look(
        session, maren, "Pier", LOOK, particulars=LookParticulars(meant={cost.code: "for the pier"}, theme=theme)
    )
    read = Looks(session).get(kept.id)
    assert read.particulars.meant == {cost.code: "for the pier"}
    assert read.particulars.theme == theme
    assert overall_of(session, maren, [read])[kept.id] == judged.verdict.overall
    told = LookParticularsDocument.from_core(read.particulars)
    assert told.to_core() == read.particulars
