"""Looks are made for a client and hang on a wall: kept, dropped for another, asked again, taken back."""

from contextlib import contextmanager

import pytest

from lucid_swatch.core.look.kept_look import DayStage, TimeOfDay
from lucid_swatch.core.look.making.turning import Turn
from lucid_swatch.core.look.making.wanted import Share, Wanted
from lucid_swatch.core.problems import NotThere, Refused
from lucid_swatch.store.folder import Folder
from lucid_swatch.store.jobs import Jobs
from lucid_swatch.store.looks import Looks
from lucid_swatch.store.pieces import Pieces
from lucid_swatch.store.records import HungPiece
from lucid_swatch.store.walls import Walls
from lucid_swatch.usecases import walls
from lucid_swatch.usecases.changes import redo, undo
from lucid_swatch.usecases.day import over_a_day, turn_look
from lucid_swatch.usecases.erase import erase_client
from lucid_swatch.usecases.jobs import do_job, set_down_job
from lucid_swatch.usecases.walls import (
    ask_again,
    begin_wall,
    drop,
    keep_on_wall,
    let_wall_go,
    make_wall,
    make_while_seen,
    rename,
    shown,
    stop_making,
    what_it_needs,
)
from lucid_swatch.usecases.wardrobe import Setting
from tests.core.look.making.rails import RAIL, clothes, rail
from tests.usecases.rails import NOW, a_client

SKIRTS = ("navy trousers", "grey skirt", "tan skirt")


@pytest.fixture
def maren(sessions):
    with sessions.begin() as session:
        client = a_client(session)
        for piece in RAIL:
            Pieces(session).add(HungPiece(piece, client, NOW))
    return client


@pytest.fixture
def wall(sessions, maren):
    return made(sessions, maren, Wanted(6, SKIRTS, Share.EVEN))


def made(sessions, client, wanted):
    with sessions.begin() as session:
        id = begin_wall(session, client, "Tour", wanted).id
    make_wall(sessions, id)
    return id


def at(sessions, id):
    with sessions() as session:
        return Walls(session).get(id)


def test_a_wall_is_made_shown_and_its_job_is_done(sessions, maren, wall):
    with sessions() as session:
        found = shown(session, wall)
        assert Jobs(session).of_client(maren) == []
    assert len(found.looks) == len(found.because) == 6
    assert [len([one for one in found.looks if one.start == k]) for k in range(3)] == [2, 2, 2]
    assert sum(found.uses[skirt] for skirt in SKIRTS) == 6
    assert found.wall.spares
    assert found.wall.good >= 6


class StopsOnceThereIsALook:
    """A stylist who watches a wall and stops it as soon as a look hangs there."""

    def __init__(self, sessions, wall):
        self.sessions, self.wall, self.seen = sessions, wall, []

    def __call__(self):
        return self.sessions()

    @contextmanager
    def begin(self):
        with self.sessions.begin() as session:
            yield session
        now = at(self.sessions, self.wall)
        self.seen.append(len(now.looks))
        if now.looks and now.made_at is None:
            with self.sessions.begin() as session:
                stop_making(session, self.wall)


def test_looks_come_to_the_wall_as_they_are_found_and_a_stop_leaves_them(sessions, maren):
    with sessions.begin() as session:
        id = begin_wall(session, maren, "Tour", Wanted(6, SKIRTS)).id
    watching = StopsOnceThereIsALook(sessions, id)
    make_wall(watching, id)
    assert max(watching.seen) >= 1
    left = at(sessions, id)
    assert 1 <= len(left.looks) < 6
    assert left.lack == "Stopped."


class FullOnceThereIsALook:
    """A disk that takes nothing more once a look hangs there, until the wall is said to be unmade."""

    def __init__(self, sessions):
        self.sessions, self.full, self.refused = sessions, False, 0

    def __call__(self):
        return self.sessions()

    @contextmanager
    def begin(self):
        if self.full and not self.refused:
            self.refused += 1
            raise OSError(28, "no space left")
        with self.sessions.begin() as session:
            yield session

    def fill(self):
        self.full = True


def test_a_making_that_fails_after_its_first_look_is_told_on_the_wall(sessions, maren):
    with sessions.begin() as session:
        id = begin_wall(session, maren, "Tour", Wanted(6, SKIRTS)).id
    disk = FullOnceThereIsALook(sessions)
    with pytest.raises(OSError, match="no space"):
        make_while_seen(disk, id, disk.fill)
    assert disk.refused == 1
    left = at(sessions, id)
    assert left.lack.startswith("The looks could not be made")
    assert 1 <= len(left.looks) < 6
    with sessions() as session:
        assert Jobs(session).about(id) is None, "nobody watches it any more"


def test_nothing_is_dropped_while_looks_are_being_made(sessions, maren, wall):
    with sessions.begin() as session:
        ask_again(session, wall, Wanted(4, SKIRTS))
    with sessions.begin() as session, pytest.raises(Refused, match="still being made"):
        drop(session, wall, at(sessions, wall).looks[0].id)
    assert len(at(sessions, wall).looks) == 6


def test_what_a_kill_cut_off_is_made_when_the_job_is_taken_up(sessions, maren, folder):
    with sessions.begin() as session:
        id = begin_wall(session, maren, "Tour", Wanted(3)).id
    with sessions() as session:
        assert [job.about for job in Jobs(session).all()] == [id]
    do_job(sessions, folder, None, id)
    assert len(at(sessions, id).looks) == 3


def test_a_kept_look_is_one_of_the_clients_and_stays_when_asked_again(sessions, maren, wall):
    first = at(sessions, wall).looks[0]
    with sessions.begin() as session:
        keep_on_wall(session, wall, first.id, True)
    with sessions() as session:
        kept = Looks(session).of_client(maren)
    assert [one.piece_ids for one in kept] == [first.piece_ids]
    assert "with" in kept[0].name
    with sessions.begin() as session:
        ask_again(session, wall, Wanted(4, SKIRTS, seed=3))
    make_wall(sessions, wall)
    again = at(sessions, wall)
    assert [one.kept_as for one in again.looks if one.id == first.id] == [kept[0].id]
    assert len(again.looks) == 4
    assert again.wanted.seed == 3
    with sessions.begin() as session:
        undo(session, maren)
    assert len(at(sessions, wall).looks) == 6
    assert at(sessions, wall).wanted.seed == 0


def test_a_knot_is_taken_off_and_put_back(sessions, maren, wall):
    first = at(sessions, wall).looks[0]
    for keep, count in ((True, 1), (False, 0)):
        with sessions.begin() as session:
            keep_on_wall(session, wall, first.id, keep)
        with sessions() as session:
            assert len(Looks(session).of_client(maren)) == count
    with sessions.begin() as session:
        undo(session, maren)
    with sessions() as session:
        assert len(Looks(session).of_client(maren)) == 1
    assert at(sessions, wall).looks[0].kept_as is not None


def test_a_dropped_look_makes_room_for_one_that_was_not_there(sessions, maren, wall):
    before = at(sessions, wall)
    gone = before.looks[1]
    with sessions.begin() as session:
        drop(session, wall, gone.id)
    after = at(sessions, wall)
    assert len(after.looks) == 6
    new = after.looks[1]
    seen = [clothes(rail(), one.piece_ids) for one in before.looks]
    assert clothes(rail(), new.piece_ids) not in seen
    assert new.start == gone.start
    with sessions.begin() as session:
        undo(session, maren)
    assert at(sessions, wall).looks == before.looks
    assert at(sessions, wall).dropped == ()
    with sessions.begin() as session:
        redo(session, maren)
    assert at(sessions, wall).looks == after.looks


def test_dropping_goes_on_until_nothing_good_is_left(sessions, maren):
    wall = made(sessions, maren, Wanted(2, ("navy dress",)))
    for _ in range(30):
        looks = at(sessions, wall).looks
        if not looks:
            break
        with sessions.begin() as session:
            drop(session, wall, looks[0].id)
    left = at(sessions, wall)
    assert left.looks == ()
    assert "No other good look is left" in left.lack
    dressed = [clothes(rail(), ids) for ids in left.dropped]
    assert len(set(dressed)) == len(dressed) > 2


def test_what_is_kept_is_not_dropped(sessions, wall):
    first = at(sessions, wall).looks[0]
    with sessions.begin() as session:
        keep_on_wall(session, wall, first.id, True)
    with sessions.begin() as session, pytest.raises(Refused, match="kept"):
        drop(session, wall, first.id)
    with sessions.begin() as session, pytest.raises(NotThere):
        drop(session, wall, "nothing")


def test_a_wall_is_named_let_go_and_comes_back(sessions, maren, wall):
    with sessions.begin() as session:
        rename(session, wall, "Opening week")
        with pytest.raises(Refused):
            rename(session, wall, "  ")
    with sessions.begin() as session:
        let_wall_go(session, wall)
    with sessions() as session:
        assert Walls(session).of_client(maren) == []
    with sessions.begin() as session:
        undo(session, maren)
    assert at(sessions, wall).name == "Opening week"
    assert len(at(sessions, wall).looks) == 6


def test_the_making_itself_is_taken_back_and_done_again(sessions, maren, wall):
    with sessions.begin() as session:
        undo(session, maren)
    with sessions() as session:
        assert Walls(session).of_client(maren) == []
    with sessions.begin() as session:
        redo(session, maren)
    assert len(at(sessions, wall).looks) == 6


def test_a_piece_that_went_takes_its_looks_off_the_wall(sessions, maren, wall):
    with sessions.begin() as session:
        Pieces(session).remove("tan skirt")
    with sessions() as session:
        found = shown(session, wall)
    assert found.lost == 2
    assert len(found.looks) == 4
    assert "tan skirt" not in found.uses


def test_what_an_unused_piece_needs_is_told(sessions, maren, wall):
    with sessions() as session:
        need = what_it_needs(session, wall, "navy dress")
        assert need.piece == "navy dress"
        assert need.good > 0
        assert need.text.startswith("in none of these, although")
        with pytest.raises(NotThere):
            what_it_needs(session, wall, "lost hat")
    wet = made(sessions, maren, Wanted(2, wet=True))
    with sessions() as session:
        assert "suede" in what_it_needs(session, wet, "navy shoes").text


def test_one_piece_is_spread_over_occasions_and_says_what_it_does(sessions, maren):
    wall = made(sessions, maren, Wanted(8, ("grey knit",), spread=True))
    with sessions() as session:
        found = shown(session, wall)
    assert len({one.occasion for one in found.looks}) > 1
    assert all("grey knit" in one.piece_ids for one in found.looks)
    assert all(found.roles)


def test_a_way_that_is_dropped_has_another_for_its_occasion(sessions, maren):
    wall = made(sessions, maren, Wanted(4, ("grey knit",), spread=True))
    gone = at(sessions, wall).looks[-1]
    with sessions.begin() as session:
        drop(session, wall, gone.id)
    after = at(sessions, wall).looks
    assert len(after) == 4
    assert after[-1].occasion == gone.occasion
    assert "grey knit" in after[-1].piece_ids
    assert clothes(rail(), after[-1].piece_ids) != clothes(rail(), gone.piece_ids)


def test_a_kept_look_takes_what_it_is_for_along_and_one_let_go_takes_its_knot(sessions, maren):
    wall = made(sessions, maren, Wanted(3, time=TimeOfDay.DAY))
    with sessions.begin() as session:
        keep_on_wall(session, wall, at(sessions, wall).looks[0].id, True)
    with sessions.begin() as session:
        (kept,) = Looks(session).of_client(maren)
        assert kept.particulars.time is TimeOfDay.DAY
        Looks(session).remove(kept.id)
        assert [one.kept_as for one in shown(session, wall).looks] == [None, None, None]


def test_a_job_that_cannot_be_done_says_so_on_the_wall(sessions, maren):
    with sessions.begin() as session:
        id = begin_wall(session, maren, "Tour", Wanted(3)).id
    set_down_job(sessions, id, Refused("it ended again and again.", "", ""))
    assert "could not be made" in at(sessions, id).lack
    with sessions() as session:
        assert Jobs(session).about(id) is None


def test_a_wall_goes_with_its_client(sessions, data, maren, wall):
    erase_client(sessions, Folder(data), maren)
    with sessions() as session:
        assert Walls(session).of_client(maren) == []


def test_a_look_is_turned_and_laid_over_a_day(sessions, maren):
    look = ("cream shirt", "navy trousers", "navy shoes", "tan bag")
    with sessions() as session:
        found, as_it_is = turn_look(session, maren, look, None, Setting(rain=True, warmth=0.0), Turn.RAIN)
        day = over_a_day(
            session,
            maren,
            look,
            None,
            Setting(),
            [DayStage("morning", warmth=3.0), DayStage("evening", 3.5, time=TimeOfDay.EVENING)],
        )
    assert found
    assert not as_it_is
    assert all("navy shoes" not in {p.id for p in one.look.pieces} for one in found)
    assert [one.when for one in day] == ["morning", "evening"]
    assert all({"cream shirt", "navy trousers"} <= {p.id for p in one.look.pieces} for one in day)


def test_a_short_rail_is_made_at_once(sessions, maren, monkeypatch):
    with sessions() as session:
        assert walls.soon_made(session, maren, 9)
        assert not walls.soon_made(session, maren, 500)
        monkeypatch.setattr(walls, "AT_ONCE", 3)
        assert not walls.soon_made(session, maren, 9)
