"""The wear log: written, changed, taken out and in, and what it tells."""

from datetime import UTC, date, datetime, timedelta

import pytest

from lucid_swatch.core.garment.particulars import Particulars
from lucid_swatch.core.look.planning.days import Weather
from lucid_swatch.core.look.wearing.wear import Felt
from lucid_swatch.core.problems import NotThere, Refused
from lucid_swatch.formats.wear_log import write_log
from lucid_swatch.store.looks import Looks
from lucid_swatch.store.pieces import Pieces
from lucid_swatch.store.records import HungPiece
from lucid_swatch.store.wears import Wears
from lucid_swatch.usecases.changes import redo, undo
from lucid_swatch.usecases.looks import keep_look, let_look_go
from lucid_swatch.usecases.wardrobe import Setting, wardrobe_of
from lucid_swatch.usecases.wear_log import ToLog, change_line, log, log_out, take_line_out, take_log_in, wearing
from lucid_swatch.usecases.worn import add_worn_photo
from tests.pictures import coat_photo
from tests.usecases.rails import NAVY, NOW, a_client, hang_all, piece

TODAY = datetime.now(UTC).date()


@pytest.fixture
def maren(sessions):
    with sessions.begin() as session:
        client = a_client(session)
        hang_all(session, client)
    return client


def ago(days):
    return TODAY - timedelta(days)


def test_what_was_worn_is_written_changed_taken_out_and_back(sessions, maren):
    with sessions.begin() as session:
        wear = log(session, maren, ToLog(ago(2), ("navy coat", "red knit"), occasion="market", weather=Weather(4, 9)))
        change_line(session, wear.id, ToLog(ago(2), ("navy coat",), felt=Felt.LOVED, note="warm"))
        take_line_out(session, wear.id)
    with sessions.begin() as session:
        told = [undo(session, maren).told for _ in range(2)]
        assert Wears(session).of_client(maren)[0].piece_ids == ("navy coat", "red knit")
        redo(session, maren)
        (kept,) = Wears(session).of_client(maren)
    assert told[1].startswith("changed what was worn")
    assert (kept.piece_ids, kept.felt, kept.note) == (("navy coat",), Felt.LOVED, "warm")


def test_a_look_is_worn_as_it_is_kept(sessions, maren):
    with sessions.begin() as session:
        look = keep_look(session, maren, "Harbour", ("red knit", "navy trousers", "tan shoes"))
        wear = log(session, maren, ToLog(TODAY, (), look.id))
        assert wear.piece_ids == look.piece_ids
        other = a_client(session, "Tilde")
        with pytest.raises(NotThere, match="another client's"):
            log(session, other, ToLog(TODAY, (), look.id))


def test_a_photo_of_a_look_that_was_worn_writes_it_down_once_a_day(sessions, folder, eyes, maren):
    with sessions.begin() as session:
        look = keep_look(session, maren, "Harbour", ("red knit", "navy trousers", "tan shoes")).id
    for _ in range(2):
        add_worn_photo(sessions, folder, eyes, look, coat_photo(), "today.jpg")
    with sessions() as session:
        (wear,) = Wears(session).of_client(maren)
        assert (wear.on, wear.look_id) == (TODAY, look)
        assert Looks(session).get(look).particulars.photo.number == 2


def test_how_it_felt_is_told_although_look_and_piece_have_gone_since(sessions, folder, maren):
    with sessions.begin() as session:
        look = keep_look(session, maren, "Harbour", ("red knit", "navy trousers", "tan shoes"))
        wear = log(session, maren, ToLog(ago(3), (), look.id))
        let_look_go(session, folder, look.id)
        Pieces(session).remove("red knit")
    with sessions.begin() as session:
        now = change_line(session, wear.id, ToLog(ago(3), wear.piece_ids, look.id, felt=Felt.LOVED))
        assert (now.felt, now.piece_ids) == (Felt.LOVED, wear.piece_ids)
        with pytest.raises(NotThere, match="not on the client's rail"):
            change_line(session, wear.id, ToLog(ago(3), ("red knit", "ball gown")))


@pytest.mark.parametrize(
    ("what", "said"),
    [
        (ToLog(ago(-9), ("navy coat",)), "has not come yet"),
        (ToLog(date(1900, 1, 1), ("navy coat",)), "too long ago"),
        (ToLog(ago(1), ()), "nothing is named"),
        (ToLog(ago(1), ("stranger",)), "not on the client's rail"),
        (ToLog(ago(1), tuple(f"p{k}" for k in range(41))), "cannot be worn at once"),
    ],
)
def test_what_cannot_have_been_is_refused(sessions, maren, what, said):
    with sessions.begin() as session, pytest.raises((Refused, NotThere), match=said):
        log(session, maren, what)


def test_the_log_tells_of_pieces_families_and_seasons(sessions, maren):
    with sessions.begin() as session:
        coat = Pieces(session).get("navy coat")
        Pieces(session).change(HungPiece(coat.piece, maren, NOW, None, Particulars(price=300.0)))
        Pieces(session).add(HungPiece(piece("navy trousers 2", coat.piece.category, NAVY), maren, NOW))
        for days, ids, felt in (
            (1, ("navy coat", "red knit"), Felt.LOVED),
            (3, ("navy coat",), Felt.FINE),
            (3, ("navy coat", "tan shoes"), None),
            (9, ("navy coat",), Felt.OFF),
        ):
            log(session, maren, ToLog(ago(days), ids, felt=felt))
        found = wearing(session, maren)
    assert (found.lines, found.first) == (4, ago(9))
    told = found.by_piece["navy coat"]
    assert (told.days, told.last, told.loved, told.off) == (3, ago(1), 1, 1)
    assert "cream top" not in found.by_piece
    most = found.families[0]
    assert (most.days, most.worn, most.cost) == (3, 1, 100.0)
    assert {one.name for one in found.seasons} <= {"spring", "summer", "autumn", "winter"}


def test_a_log_goes_out_and_comes_in_where_it_is_not_there_yet(sessions, maren):
    with sessions.begin() as session:
        log(
            session,
            maren,
            ToLog(ago(4), ("navy coat", "red knit"), None, None, "market", Felt.LOVED, "“warm”", Weather(1, 5, 2)),
        )
        log(session, maren, ToLog(ago(2), ("tan shoes",)))
        content = write_log(log_out(session, maren)).encode()
        before = [w.piece_ids for w in Wears(session).of_client(maren)]
        assert take_log_in(session, maren, content, "worn.csv").same == 2
        for wear in Wears(session).of_client(maren):
            Wears(session).remove(wear.id)
        taken = take_log_in(session, maren, content, "worn.csv")
        assert (taken.added, taken.same, taken.refused) == (2, 0, ())
        after = Wears(session).of_client(maren)
        assert [w.piece_ids for w in after] == before
        assert (after[-1].felt, after[-1].note, after[-1].weather) == (Felt.LOVED, "“warm”", Weather(1, 5, 2))
        undo(session, maren)
        assert Wears(session).of_client(maren) == []


def test_what_is_strange_in_a_log_is_told_by_line_and_the_rest_comes(sessions, maren):
    text = f"on,pieces\n{ago(1)},navy coat\n{ago(1)},ball gown\n{ago(-30)},red knit\n{ago(2)},\n"
    with sessions.begin() as session:
        taken = take_log_in(session, maren, text.encode(), "worn.csv")
    assert taken.added == 1
    assert [one.split(":")[0] for one in taken.refused] == ["Line 3", "Line 4", "Line 5"]
    assert "'ball gown'" in taken.refused[0]


def test_the_log_weighs_in_making_only_where_it_is_asked_to(sessions, maren):
    with sessions.begin() as session:
        log(session, maren, ToLog(ago(1), ("red knit",), felt=Felt.OFF))
        assert wardrobe_of(session, maren).wardrobe.leaning == {}
        leaning = wardrobe_of(session, maren, Setting(by_log=True)).wardrobe.leaning
    assert leaning["red knit"] < 0
