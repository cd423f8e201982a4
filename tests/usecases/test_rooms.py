"""Photos of one room as they are kept: lit at once when they come, shown first when they came before, and the stylist's word."""

import shutil
from datetime import date

import numpy as np
import pytest
from benchmarks.own_rooms import CLOTHS, room_photos

from lucid_swatch.core.colour.difference import delta_e_2000
from lucid_swatch.core.garment.vocabulary import Category
from lucid_swatch.core.garment.word import Word
from lucid_swatch.core.photo.neutral import NeutralPoint
from lucid_swatch.core.problems import Refused
from lucid_swatch.store.clients import Clients
from lucid_swatch.store.database import open_database
from lucid_swatch.store.folder import Folder
from lucid_swatch.store.jobs import Jobs
from lucid_swatch.store.photos import Photos
from lucid_swatch.store.pieces import Pieces
from lucid_swatch.store.records import JobKind, PhotoState
from lucid_swatch.usecases.changes import redo, undo
from lucid_swatch.usecases.clients import add_client
from lucid_swatch.usecases.erase import erase_client
from lucid_swatch.usecases.intake import relight, remove_photo, take_in
from lucid_swatch.usecases.rail import hang_photo
from lucid_swatch.usecases.reading_photos import read_kept_photo
from lucid_swatch.usecases.rereading import ask_again, changes, take_over
from lucid_swatch.usecases.rooms import join, leave, read_after, rooms_of, say_paper, split
from tests.pictures import coat_photo

NAMES = [f"{name}.jpg" for name in CLOTHS]


class Studio:
    """A data folder with one client, and all that waits done in this process."""

    def __init__(self, path, network, eyes):
        self.sessions, self.folder, self.network, self.eyes = open_database(path), Folder(path), network, eyes
        with self.sessions.begin() as session:
            known = Clients(session).all()
            self.client = (known[0] if known else add_client(session, "Tilde", date(2031, 5, 4))).id

    def bring(self, *files, sent_with=None):
        take_in(self.sessions, self.folder, self.eyes, self.client, files, sent_with)
        self.work()

    def work(self):
        """Does what waits, and what follows from it; answers what was done, by name and kind."""
        done = []
        while True:
            with self.sessions() as session:
                waiting = Jobs(session).all()
            if not waiting:
                return done
            for job in waiting:
                done.append((self.name(job.about), job.kind))
                read_kept_photo(self.sessions, self.folder, self.network, job.about)

    def act(self, do, name, *more):
        with self.sessions.begin() as session:
            return do(session, self.photo(name).id, *more)

    def photos(self):
        with self.sessions() as session:
            return Photos(session).of_client(self.client)

    def photo(self, name):
        return next(one for one in self.photos() if one.name == name)

    def name(self, id):
        return next(one.name for one in self.photos() if one.id == id)

    def rooms(self):
        with self.sessions() as session:
            return [[self.name(id) for id in room.photos] for room in rooms_of(session, self.client)]

    def room(self, name):
        with self.sessions() as session:
            return next(one for one in rooms_of(session, self.client) if self.photo(name).id in one.photos)

    def off(self, names=NAMES):
        """How far what was read is from the cloth, CIEDE2000, in the mean."""
        true = {f"{name}.jpg": np.array(lab) for name, (_, lab) in CLOTHS.items()}
        return float(np.mean([delta_e_2000(self.photo(name).reading.main, true[name]) for name in names]))

    def reference(self, name):
        return self.photo(name).reading.document["light"]["reference"]


@pytest.fixture(scope="module")
def without_paper(tmp_path_factory, network, eyes):
    """Five photos of one room in none of which paper lies, read."""
    path = tmp_path_factory.mktemp("room") / "data"
    studio = Studio(path, network, eyes)
    studio.bring(*room_photos("wood", paper=None))
    studio.sessions.close()
    return path


@pytest.fixture
def studio(without_paper, tmp_path, network, eyes):
    copy = tmp_path / "copy"
    shutil.copytree(without_paper, copy)
    studio = Studio(copy, network, eyes)
    yield studio
    studio.sessions.close()


PAPER = room_photos("wood")[0]


def test_five_photos_and_one_paper_are_lit_at_once_and_nobody_taps(tmp_path, network, eyes):
    studio = Studio(tmp_path / "data", network, eyes)
    studio.bring(*room_photos("wood"))
    assert studio.rooms() == [NAMES]
    assert [studio.reference(name) for name in NAMES] == ["paper"] + ["series"] * 4
    lender = studio.photo(NAMES[0]).id
    assert [studio.photo(name).lent_by for name in NAMES] == [None] + [lender] * 4
    assert studio.photo(NAMES[1]).reading.document["light"]["lent_by"] == NAMES[0]
    assert studio.room(NAMES[0]).would_change == ()
    assert studio.room(NAMES[0]).with_paper is None
    assert studio.off() < 4.0


def test_without_paper_a_room_is_estimated_together_and_says_what_paper_would_gain(studio):
    assert [studio.reference(name) for name in NAMES] == ["series"] * 5
    room = studio.room(NAMES[0])
    assert room.lenders == ()
    assert room.with_paper < room.uncertainty - 0.5


def test_paper_that_comes_later_changes_nothing_before_it_was_shown(studio):
    before = {name: studio.photo(name).reading for name in NAMES}
    studio.bring(("with-paper.jpg", PAPER[1]))
    assert studio.reference("with-paper.jpg") == "paper"
    assert {name: studio.photo(name).reading for name in NAMES} == before
    changing = studio.room(NAMES[0]).would_change
    assert changing
    with studio.sessions.begin() as session:
        assert set(ask_again(session, studio.client, changing)) == set(changing)
    studio.work()
    with studio.sessions.begin() as session:
        shown = changes(session, studio.client)
        assert {change.photo.id for change in shown} <= set(changing)
        take_over(session, studio.client, [change.photo.id for change in shown])
    studio.work()
    assert studio.room(NAMES[0]).would_change == ()
    assert studio.photo(studio.name(changing[0])).lent_by == studio.photo("with-paper.jpg").id


def test_what_she_leaves_as_it_is_stays_when_the_others_of_its_sending_are_taken_over(studio):
    studio.bring(("with-paper.jpg", PAPER[1]))
    changing = studio.room(NAMES[0]).would_change
    assert len(changing) > 1
    with studio.sessions.begin() as session:
        ask_again(session, studio.client, changing)
    studio.work()
    with studio.sessions.begin() as session:
        take_over(session, studio.client, changing[:1])
    assert studio.work() == [(studio.name(changing[0]), JobKind.TAKE_OVER)]
    assert set(studio.room(NAMES[0]).would_change) == set(changing[1:])


def test_a_word_on_a_photo_that_was_removed_is_taken_back_all_the_same(studio):
    studio.bring(("with-paper.jpg", PAPER[1]))
    studio.act(say_paper, "with-paper.jpg", False)
    studio.work()
    with studio.sessions.begin() as session:
        remove_photo(session, studio.folder, studio.photo("with-paper.jpg").id)
    with studio.sessions.begin() as session:
        assert read_after(session, undo(session, studio.client)) == []


def test_what_hangs_is_only_offered_and_then_recoloured(studio):
    with studio.sessions.begin() as session:
        piece = hang_photo(session, studio.photo(NAMES[1]).id, Word(category=Category.KNIT)).piece
    studio.act(relight, NAMES[0], NeutralPoint(0.05, 0.05, 90.0))
    studio.work()
    room = studio.room(NAMES[1])
    assert studio.photo(NAMES[1]).id in room.would_change
    assert studio.photo(NAMES[2]).id not in room.would_change, "what waits in the same sending follows by itself"
    with studio.sessions.begin() as session:
        ask_again(session, studio.client, room.would_change)
    studio.work()
    with studio.sessions.begin() as session:
        take_over(session, studio.client, room.would_change)
    studio.work()
    with studio.sessions() as session:
        assert not np.allclose(Pieces(session).get(piece.id).piece.lab, piece.lab)
    assert studio.photo(NAMES[1]).state is PhotoState.HUNG


def test_a_photo_of_another_room_is_left_out_by_itself(studio):
    studio.bring(("coat.jpg", coat_photo()))
    assert studio.rooms() == [NAMES, ["coat.jpg"]]
    assert studio.reference("coat.jpg") == "estimated"


def test_a_photo_leaves_its_room_joins_it_again_and_both_are_taken_back(studio):
    out = studio.act(leave, NAMES[2])
    assert studio.rooms() == [[NAMES[0], NAMES[1], NAMES[3], NAMES[4]], [NAMES[2]]]
    assert studio.photo(NAMES[2]).id in out
    studio.work()
    assert studio.reference(NAMES[2]) == "estimated"
    with studio.sessions.begin() as session:
        assert read_after(session, undo(session, studio.client)) == out
    assert studio.rooms() == [NAMES]
    studio.work()
    assert studio.reference(NAMES[2]) == "series"
    with studio.sessions.begin() as session:
        redo(session, studio.client)
    assert len(studio.rooms()) == 2
    studio.work()
    studio.act(join, NAMES[2], studio.photo(NAMES[0]).id)
    assert [sorted(room) for room in studio.rooms()] == [sorted(NAMES)]


def test_a_new_room_begins_where_the_light_changes(studio):
    studio.act(split, NAMES[3])
    assert studio.rooms() == [NAMES[:3], NAMES[3:]]
    studio.act(leave, NAMES[3])
    assert studio.rooms() == [NAMES[:3], [NAMES[3]], [NAMES[4]]]
    with pytest.raises(Refused, match="the first of its room"):
        studio.act(split, NAMES[0])
    with pytest.raises(Refused, match="by itself"):
        studio.act(leave, NAMES[4])


def test_paper_that_is_none_is_refused_and_the_room_follows(studio):
    studio.bring(("with-paper.jpg", PAPER[1]))
    assert studio.act(say_paper, "with-paper.jpg", False) == [studio.photo("with-paper.jpg").id]
    studio.work()
    assert studio.reference("with-paper.jpg") == "series"
    assert studio.room("with-paper.jpg").lenders == ()
    with studio.sessions.begin() as session:
        asked = read_after(session, undo(session, studio.client))
    assert asked == [studio.photo("with-paper.jpg").id]
    studio.work()
    assert studio.reference("with-paper.jpg") == "paper"
    with pytest.raises(Refused, match="nothing in this photo looks like paper"):
        studio.act(say_paper, NAMES[1], True)


def test_a_room_outlives_a_kill_between_two_readings(studio):
    """What is still to be read again is a row of the database."""
    asked = studio.act(leave, NAMES[2])
    path = studio.folder.path
    studio.sessions.close()
    again = Studio(path, studio.network, studio.eyes)
    with again.sessions() as session:
        assert [(job.about, job.kind) for job in Jobs(session).all()] == [(id, JobKind.TAKE_OVER) for id in asked]
    again.work()
    assert again.reference(NAMES[2]) == "estimated"
    assert len(again.rooms()) == 2
    studio.sessions = again.sessions


def test_a_photo_that_cannot_be_opened_again_stays_as_it_was_and_is_not_tried_for_ever(studio):
    before = studio.photo(NAMES[2]).reading
    studio.folder.photo(studio.photo(NAMES[2]).file).unlink()
    assert studio.act(leave, NAMES[2])
    done = studio.work()
    assert done.count((NAMES[2], JobKind.TAKE_OVER)) <= 2
    assert studio.photo(NAMES[2]).reading == before
    assert studio.photo(NAMES[2]).state is PhotoState.READ


def test_nothing_of_a_room_is_left_when_its_client_is_erased(studio):
    studio.act(leave, NAMES[2])
    erase_client(studio.sessions, studio.folder, studio.client)
    with studio.sessions() as session:
        assert Photos(session).linked(studio.client) == []
        assert Jobs(session).all() == []
