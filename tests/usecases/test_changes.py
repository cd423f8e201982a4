"""Every change of a rail can be taken back, any number of them, also after a restart."""

import io
from concurrent.futures import ThreadPoolExecutor

import numpy as np
import pytest
from PIL import Image

from lucid_swatch.core.client.trial import Held
from lucid_swatch.core.garment.vocabulary import Bin, Metal, Worn
from lucid_swatch.core.garment.word import Word
from lucid_swatch.core.look.kept_look import LookParticulars
from lucid_swatch.core.look.look import Intent
from lucid_swatch.core.problems import NotThere, Refused
from lucid_swatch.formats.particulars import ParticularsDocument
from lucid_swatch.store.database import open_database
from lucid_swatch.store.folder import Folder
from lucid_swatch.store.journal import Journal
from lucid_swatch.store.looks import Looks
from lucid_swatch.store.pieces import Pieces
from lucid_swatch.store.records import SideKind
from lucid_swatch.store.trials import Comparisons, Trials
from lucid_swatch.usecases.changes import redo, undo
from lucid_swatch.usecases.eyes import OwnEyes, Sight
from lucid_swatch.usecases.looks import keep_look, let_look_go
from lucid_swatch.usecases.rail import change_piece, change_pieces, join_faces, take_off, take_off_all, the_rail
from lucid_swatch.usecases.side_by_side import forget_side_by_side, keep_side_by_side
from lucid_swatch.usecases.trial import begin_trial, end_trial, forget_trial, judge_pair
from lucid_swatch.usecases.worn import PICTURE, add_worn_photo

from .rails import a_client, hang_all


@pytest.fixture
def maren(sessions):
    with sessions.begin() as session:
        client = a_client(session)
        hang_all(session, client)
    return client


def rail(sessions, client):
    with sessions() as session:
        book = Pieces(session)
        return {one.piece.id: book.snapshot(one.piece.id) for one in book.of_client(client)}


def do(sessions, act, *arguments, **named):
    with sessions.begin() as session:
        return act(session, *arguments, **named)


DEEDS = [
    lambda s, c: change_piece(s, "cream top", Word(bin=Bin.TONE)),
    lambda s, c: change_pieces(
        s,
        c,
        ["cream top", "red knit"],
        Word(),
        ParticularsDocument.model_validate({"verdict": "let go", "uses": ["stage"]}),
    ),
    lambda s, c: join_faces(s, c, "navy coat", "navy trousers"),
    lambda s, c: take_off(s, "navy coat"),
    lambda s, c: change_piece(s, "cream top", Word(metal=Metal.GOLD, label="Best top")),
    lambda s, c: take_off_all(s, c, ["olive skirt", "tan shoes"]),
]


def test_every_step_goes_back_and_forth_also_after_a_restart(sessions, data, maren):
    states = [rail(sessions, maren)]
    for deed in DEEDS:
        do(sessions, deed, maren)
        states.append(rail(sessions, maren))
    assert len({str(state) for state in states}) == len(states)
    again = open_database(data)
    for state in reversed(states[:-1]):
        do(again, undo, maren)
        assert rail(again, maren) == state
    with pytest.raises(Refused, match="nothing to take back"):
        do(again, undo, maren)
    for state in states[1:]:
        do(sessions, redo, maren)
        assert rail(sessions, maren) == state
    with pytest.raises(Refused, match="nothing to do again"):
        do(sessions, redo, maren)


def test_steps_that_come_at_once_each_take_one_change_back(sessions, maren):
    before = rail(sessions, maren)
    for deed in DEEDS:
        do(sessions, deed, maren)
    with ThreadPoolExecutor(len(DEEDS)) as threads:
        list(threads.map(lambda _: do(sessions, undo, maren), DEEDS))
    assert rail(sessions, maren) == before


def test_a_new_change_ends_what_could_be_done_again(sessions, maren):
    do(sessions, DEEDS[0], maren)
    do(sessions, undo, maren)
    do(sessions, DEEDS[4], maren)
    with pytest.raises(Refused, match="nothing to do again"):
        do(sessions, redo, maren)


def test_what_changed_otherwise_meanwhile_stays(sessions, maren):
    do(sessions, change_piece, "cream top", Word(bin=Bin.TONE))
    with sessions.begin() as session:  # a newer reading of its photo, which is no change of the stylist's
        book = Pieces(session)
        book.restore("cream top", book.snapshot("cream top") | {"lab": [[88.0, 1.0, 12.0]]})
    do(sessions, undo, maren)
    now = rail(sessions, maren)["cream top"]
    assert (now["bin_said"], now["lab"]) == (None, [[88.0, 1.0, 12.0]])


def test_what_changes_nothing_is_no_change(sessions, maren):
    do(sessions, change_pieces, maren, ["cream top"], Word(label="cream top"))
    with sessions() as session:
        assert Journal(session).of_client(maren) == []


def test_a_word_is_told_in_words(sessions, maren):
    do(sessions, change_pieces, maren, ["cream top", "red knit"], Word(bin=Bin.TONE))
    do(sessions, change_pieces, maren, ["cream top"], Word(bin="as read"))
    do(sessions, change_pieces, maren, ["cream top"], Word(), ParticularsDocument.model_validate({"size": "M"}))
    with sessions() as session:
        told = [change.told for change in Journal(session).of_client(maren)]
    assert told == ["cream top: size", "cream top: hung as read", "cream top and 1 more: hung with the tones"]


def test_taking_back_is_refused_where_a_kept_look_would_lose_a_piece(sessions, maren):
    do(sessions, take_off, "navy coat")
    do(sessions, undo, maren)
    do(sessions, keep_look, maren, "Monday", ("navy coat", "navy trousers"))
    with pytest.raises(Refused, match="navy coat is in 'Monday'"):
        do(sessions, redo, maren)
    assert "navy coat" in rail(sessions, maren)


def test_a_look_that_was_let_go_comes_back_as_it_was(sessions, data, maren):
    folder = Folder(data)
    about = LookParticulars(note="for the second half", worn={"navy coat": Worn.CLOSED})
    kept = do(sessions, keep_look, maren, "Encore", ("navy coat", "cream top", "navy trousers"), Intent.TONAL, about)
    do(sessions, let_look_go, folder, kept.id)
    with sessions() as session:
        assert Looks(session).of_client(maren) == []
    assert do(open_database(data), undo, maren).told == "let the look 'Encore' go"
    with sessions() as session:
        assert Looks(session).get(kept.id) == kept
    do(sessions, redo, maren)
    with sessions() as session, pytest.raises(NotThere):
        Looks(session).get(kept.id)


def test_a_trial_that_was_forgotten_comes_back_as_it_was(sessions, data, maren):
    trial = do(sessions, begin_trial, maren)
    for _ in range(2):
        left, right = trial.pair
        trial = do(sessions, judge_pair, trial.trial.id, left, right, Held.LEFT)
    ended = do(sessions, end_trial, trial.trial.id).trial
    change = do(sessions, forget_trial, ended.id)
    with sessions() as session:
        assert Trials(session).of_client(maren) == []
    assert do(open_database(data), undo, maren, change).told == "forgot a trial of 2 pairs"
    with sessions() as session:
        assert Trials(session).of_client(maren) == [ended]
    do(sessions, redo, maren)
    with sessions() as session:
        assert Trials(session).of_client(maren) == []


def test_a_trial_without_a_pair_is_no_change(sessions, maren):
    trial = do(sessions, begin_trial, maren)
    assert do(sessions, forget_trial, trial.trial.id) is None
    with pytest.raises(Refused, match="nothing to take back"):
        do(sessions, undo, maren)


def test_a_comparison_that_was_forgotten_comes_back_as_it_was(sessions, maren):
    sides = (SideKind.PIECE, "navy coat"), (SideKind.NOTHING, "")
    kept = do(sessions, keep_side_by_side, maren, *sides, "left", "calmer")
    change = do(sessions, forget_side_by_side, kept.id)
    assert do(sessions, undo, maren, change).told == "forgot navy coat against nothing"
    with sessions() as session:
        assert Comparisons(session).of_client(maren) == [kept]


def test_a_change_that_is_meant_is_not_mistaken_for_a_newer_one(sessions, maren):
    kept = do(sessions, keep_side_by_side, maren, (SideKind.PIECE, "navy coat"), (SideKind.NOTHING, ""), None, "")
    change = do(sessions, forget_side_by_side, kept.id)
    do(sessions, change_piece, "cream top", Word(bin=Bin.TONE))
    before = rail(sessions, maren)
    with pytest.raises(Refused, match="something else was changed since"):
        do(sessions, undo, maren, change)
    assert rail(sessions, maren) == before


def test_a_photo_of_a_look_is_never_left_behind_by_a_step(sessions, data, maren):
    folder, sent = Folder(data), io.BytesIO()
    Image.new("RGB", (80, 120), (190, 180, 170)).save(sent, "PNG")
    photo = sent.getvalue()

    def figure(srgb):
        return np.ones(srgb.shape[:2])

    eyes = OwnEyes(Sight(figure, lambda srgb: []))
    kept = do(sessions, keep_look, maren, "Encore", ("cream top", "navy trousers"))
    add_worn_photo(sessions, folder, eyes, kept.id, photo, "encore.png")
    do(sessions, let_look_go, folder, kept.id)
    with pytest.raises(NotThere):
        folder.picture(kept.id, PICTURE)
    do(sessions, undo, maren)
    with sessions() as session:
        assert Looks(session).get(kept.id).particulars.photo is None
    add_worn_photo(sessions, folder, eyes, kept.id, photo, "encore.png")
    with pytest.raises(Refused, match="photo"):
        do(sessions, redo, maren)
    assert folder.picture(kept.id, PICTURE).exists()


def test_one_rail_is_not_changed_through_another(sessions, maren):
    other = do(sessions, a_client, "Tobe")
    with pytest.raises(Refused, match="another client's rail"):
        do(sessions, change_pieces, other, ["cream top"], Word(bin=Bin.TONE))
    with pytest.raises(NotThere):
        do(sessions, change_pieces, maren, ["nobody"], Word(bin=Bin.TONE))
    with pytest.raises(Refused, match="no piece was named"):
        do(sessions, change_pieces, maren, [], Word())
    with pytest.raises(Refused, match="nothing to take back"):
        do(sessions, undo, other)


def test_the_two_faces_of_a_piece_part_when_one_goes(sessions, maren):
    do(sessions, join_faces, maren, "navy coat", "red knit")
    with pytest.raises(Refused, match="has another face already"):
        do(sessions, join_faces, maren, "navy coat", "cream top")
    with pytest.raises(Refused, match="only with another one"):
        do(sessions, join_faces, maren, "cream top", "cream top")
    do(sessions, take_off, "navy coat")
    assert rail(sessions, maren)["red knit"]["particulars"] == {}
    do(sessions, undo, maren)
    assert rail(sessions, maren)["red knit"]["particulars"] == {"other_face": "navy coat"}


def test_the_reading_stays_beside_the_word(sessions, maren):
    do(sessions, change_piece, "cream top", Word(bin=Bin.COOL_NEUTRAL))
    with sessions() as session:
        one = next(p for p in the_rail(session, maren) if p.hung.piece.id == "cream top")
    assert (one.sorted.bin, one.read.bin, one.doubtful) == (Bin.COOL_NEUTRAL, Bin.WARM_NEUTRAL, False)
