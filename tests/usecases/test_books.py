"""Books: begun of looks, walls, plans and capsules, written, put in order, made into files, every step taken back."""

from dataclasses import replace

import pypdfium2
import pytest

from lucid_swatch.core.look.book.kept_book import MOST_PAGES, Holds, MadeAs, PaperSize
from lucid_swatch.core.look.kept_look import LookParticulars
from lucid_swatch.core.look.making.wanted import Wanted
from lucid_swatch.core.look.planning.kept_capsule import CapsuleWish
from lucid_swatch.core.problems import NotThere, Refused
from lucid_swatch.store.clients import Clients
from lucid_swatch.store.jobs import Jobs
from lucid_swatch.store.look_books import LookBooks
from lucid_swatch.store.looks import Looks
from lucid_swatch.store.pieces import Pieces
from lucid_swatch.store.records import HungPiece
from lucid_swatch.store.wears import Wears
from lucid_swatch.usecases.book_sources import BookSource
from lucid_swatch.usecases.books import (
    BookChange,
    PageChange,
    add_pages,
    begin_book,
    change_book,
    change_page,
    let_book_go,
)
from lucid_swatch.usecases.bound_books import (
    ask_for_files,
    bound,
    made_file,
    make_book,
    set_down_unmade_book,
    shown_book,
    stop_making_book,
    told_page,
)
from lucid_swatch.usecases.capsules import begin_capsule, make_capsule
from lucid_swatch.usecases.changes import redo, undo
from lucid_swatch.usecases.jobs import do_job, patience_with
from lucid_swatch.usecases.looks import keep_look
from lucid_swatch.usecases.walls import begin_wall, make_wall
from lucid_swatch.usecases.wear_log import take_log_in
from tests.core.look.making.rails import RAIL
from tests.usecases.rails import NOW, a_client
from tests.usecases.test_plans import filled, maren, plan

__all__ = ["maren", "plan"]  # fixtures
DAY, OFFICE = (
    ("cream shirt", "tan skirt", "tan shoes", "tan bag"),
    ("navy top", "navy trousers", "navy shoes", "navy bag"),
)


@pytest.fixture
def looks(sessions, maren):
    """Two kept looks."""
    with sessions.begin() as session:
        first = keep_look(
            session, maren, "Monday", DAY, None, LookParticulars(occasion="school visit", note="secret note")
        )
        second = keep_look(session, maren, "Office", OFFICE, None, LookParticulars())
    return [first.id, second.id]


@pytest.fixture
def book(sessions, maren, looks):
    with sessions.begin() as session:
        return begin_book(session, maren, BookSource(tuple(looks)), "Tour").id


def at(sessions, id):
    with sessions() as session:
        return LookBooks(session).get(id)


def changed(sessions, id, **values):
    with sessions.begin() as session:
        return change_book(session, id, BookChange(**values))


def test_a_book_is_begun_of_kept_looks_a_wall_a_plan_or_a_capsule(sessions, maren, plan, looks):
    filled(sessions, plan)
    with sessions.begin() as session:
        wall = begin_wall(session, maren, "Spring", Wanted(3)).id
        capsule = begin_capsule(session, maren, "Seven", 7, CapsuleWish()).id
    make_wall(sessions, wall)
    make_capsule(sessions, capsule)
    with sessions.begin() as session:
        of_looks = begin_book(session, maren, BookSource((*looks, looks[0])))
        of_wall = begin_book(session, maren, BookSource(wall=wall))
        of_plan = begin_book(session, maren, BookSource(plan=plan))
        of_capsule = begin_book(session, maren, BookSource(capsule=capsule))
    assert [page.name for page in of_looks.pages] == ["Monday", "Office"]
    assert (of_looks.pages[0].when, of_looks.pages[0].look_id) == ("school visit", looks[0])
    assert (of_wall.title, len(of_wall.pages)) == ("Spring", 3)
    assert of_plan.title == "Tour"
    assert of_plan.pages[0].when.endswith("13 to 18 °C, dry")
    assert [page.occasion for page in of_plan.pages] == ["Train", "Dinner", "Office", "Gallery"]
    with sessions() as session:
        inside = set(LookBooks(session).get(of_capsule.id).pages[0].piece_ids)
    assert inside <= {piece.id for piece in RAIL}
    assert len(of_capsule.pages) > 3
    assert all(page.look_id is None for page in of_capsule.pages)


def test_pages_are_ordered_left_out_and_written_and_all_is_taken_back(sessions, maren, book):
    first, second = (page.id for page in at(sessions, book).pages)
    changed(sessions, book, order=(second, first))
    assert [page.id for page in at(sessions, book).pages] == [second, first]
    with sessions.begin() as session:
        change_page(session, book, first, PageChange(left_out=True))
        change_page(session, book, second, PageChange(name="The talk", why="It simply does.", evening=""))
        told, kept = told_page(session, book, second)
    assert (told.name, told.why, told.evening) == ("The talk", "It simply does.", "")
    assert kept.how is None
    assert [page.id for page in at(sessions, book).shown] == [second]
    with sessions.begin() as session:
        change_page(session, book, second, PageChange(told_again=("why",)))
        assert told_page(session, book, second)[0].why not in ("", "It simply does.")
        number = let_book_go(session, book)
    assert number is not None
    for _ in range(6):
        with sessions.begin() as session:
            undo(session, maren)
    with sessions() as session:
        assert LookBooks(session).of_client(maren) == []
    for _ in range(5):
        with sessions.begin() as session:
            redo(session, maren)
    assert [page.name for page in at(sessions, book).pages] == ["The talk", "Monday"]


def test_a_page_follows_its_look_and_says_what_was_let_go(sessions, maren, looks, book):
    page = at(sessions, book).pages[0].id
    with sessions.begin() as session:
        Looks(session).change(looks[0], lambda now: replace(now, piece_ids=(*DAY, "tan belt")))
        assert "tan belt" in {piece.id for piece in told_page(session, book, page)[0].pieces}
        Looks(session).remove(looks[0])  # the page stays as it was put in
        told = told_page(session, book, page)[0]
        assert ({piece.id for piece in told.pieces}, told.gone) == (set(DAY), ())
        Pieces(session).remove("tan bag")
        assert told_page(session, book, page)[0].gone == ("a piece that was let go",)
        for id in DAY[:3]:
            Pieces(session).remove(id)
        assert shown_book(session, book).gone == (page,)
        with pytest.raises(Refused, match="no piece of this look"):
            told_page(session, book, page)
    assert [one.name for one in bound_of(sessions, book).pages] == ["Office"]


def bound_of(sessions, id, folder=None):
    return bound(sessions, folder, at(sessions, id))


def test_only_what_was_chosen_goes_out(sessions, folder, maren, book):
    with sessions.begin() as session:
        other = Clients(session).get(maren).name
    whole = bound(sessions, folder, at(sessions, book))
    assert (whole.cover, whole.index, whole.helps) == (True, True, ())
    assert other in whole.subtitle
    changed(
        sessions,
        book,
        holds=Holds(False, False, False, False, False, False),
        by="Ada",
        word="Well?",
        paper=PaperSize.A5,
    )
    less = bound(sessions, folder, at(sessions, book))
    assert (less.bolt, less.colouring, less.index, less.subtitle, less.word) == ((), None, False, "by Ada", "Well?")
    with sessions() as session:
        told = shown_book(session, book).will_hold
    assert "2 looks of 8 pieces" in told
    assert "your word" in told
    assert "name" not in told.split(".")[0].replace("names", "")
    assert "boxes" not in told
    changed(sessions, book, word="漢字")
    with sessions() as session:
        assert "boxes, because no font of the book has them: 漢字" in shown_book(session, book).will_hold


def test_files_are_made_by_a_job_and_nothing_else_is_in_them(sessions, folder, maren, looks, book):
    with sessions.begin() as session:
        other = a_client(session, "Somebody Else")
        Pieces(session).add(HungPiece(replace(RAIL[0], id="strange", label="Strange cape"), other, NOW))
        ask_for_files(session, book, (MadeAs.PDF, MadeAs.HTML, MadeAs.ZIP))
        assert shown_book(session, book).making == 0.0
    assert patience_with(sessions, book) > 1
    assert do_job(sessions, folder, None, book) == []
    made = at(sessions, book)
    assert {one.kind for one in made.made} == set(MadeAs)
    assert all(made.is_current(one) for one in made.made)
    with sessions() as session:
        assert Jobs(session).of_client(maren) == []
        files = {kind: made_file(session, folder, book, kind) for kind in MadeAs}
    assert {name for name, _ in files.values()} == {"Tour"}
    pdf = files[MadeAs.PDF][1]
    text = "".join(page.get_textpage().get_text_range() for page in pypdfium2.PdfDocument(pdf))
    everything = text.encode() + b"".join(content for _, content in files.values())
    assert b"Monday" in everything
    for hidden in ("secret note", "Strange cape", "Somebody Else", str(folder.path), "wine knit"):
        assert hidden.encode() not in everything
    changed(sessions, book, word="One more thing.")
    assert not any(at(sessions, book).is_current(one) for one in at(sessions, book).made)


def test_making_is_stopped_set_down_and_refused_in_words(sessions, folder, book):
    with sessions() as session, pytest.raises(NotThere, match="not made yet"):
        made_file(session, folder, book, MadeAs.PDF)
    with sessions.begin() as session:
        ask_for_files(session, book, (MadeAs.PDF,))
        stop_making_book(session, book)
    make_book(sessions, folder, book)
    assert at(sessions, book).made == ()
    with sessions.begin() as session:
        ask_for_files(session, book, (MadeAs.PDF,))
    set_down_unmade_book(sessions, book, Refused("x", "y", "z"))
    assert "could not be made" in at(sessions, book).lack
    with sessions.begin() as session:
        for page in at(sessions, book).pages:
            change_page(session, book, page.id, PageChange(left_out=True))
        with pytest.raises(Refused, match="every page is left out"):
            ask_for_files(session, book, (MadeAs.PDF,))


def test_what_cannot_be_is_refused_by_name(sessions, maren, looks, book):
    other = a_client
    for source, said in ((BookSource(), "no look in it"), (BookSource(("ghost",)), "not kept any more")):
        with sessions.begin() as session, pytest.raises((Refused, NotThere), match=said):
            begin_book(session, maren, source)
    with sessions.begin() as session:
        stranger = other(session, "Stranger")
        wall = begin_wall(session, stranger, "Hers", Wanted(2)).id
    with sessions.begin() as session, pytest.raises(NotThere, match="another client's"):
        begin_book(session, maren, BookSource(wall=wall))
    for change, said in ((BookChange(title=" "), "no title"), (BookChange(order=("x",)), "other pages")):
        with sessions.begin() as session, pytest.raises((Refused, NotThere), match=said):
            change_book(session, book, change)
    with sessions.begin() as session, pytest.raises(Refused, match="no name"):
        change_page(session, book, at(sessions, book).pages[0].id, PageChange(name=""))
    with sessions.begin() as session:
        page = at(sessions, book).pages[0]
        full = tuple(replace(page, id=f"p{k}", look_id=None) for k in range(MOST_PAGES))
        LookBooks(session).change(book, lambda now: replace(now, pages=full))
    with sessions.begin() as session, pytest.raises(Refused, match="up to 200 pages"):
        add_pages(session, book, BookSource(tuple(looks)))


def test_looks_are_added_once(sessions, maren, looks, book):
    with sessions.begin() as session:
        new = keep_look(session, maren, "Gallery", ("navy dress", "navy shoes"), None, LookParticulars())
        now = add_pages(session, book, BookSource((*looks, new.id)))
    assert [page.name for page in now.pages] == ["Monday", "Office", "Gallery"]


def test_what_was_ticked_comes_back_into_the_log(sessions, maren, looks, book):
    ticks = (
        b'{"format": "lucid-swatch/worn", "version": 1, "book": "b", "worn": ['
        b'{"on": "2024-05-04", "look": "p1", "pieces": ["cream shirt", "tan skirt"], "felt": "loved", "note": "all day"},'
        b'{"on": "2024-05-05", "pieces": ["ghost"]}, {"on": "2999-01-01", "pieces": ["tan skirt"]}]}'
    )
    with sessions.begin() as session:
        taken = take_log_in(session, maren, ticks, "worn.json")
        again = take_log_in(session, maren, ticks, "worn.json")
        wears = Wears(session).of_client(maren)
    assert (taken.added, again.added, again.same) == (1, 0, 1)
    assert [wear.felt.value for wear in wears] == ["loved"]
    assert wears[0].note == "all day"
    assert "Tick 2: 'ghost' is no piece of this rail." in taken.refused
    assert taken.refused[1].startswith("Tick 3: ")
    for content, said in (
        (b'{"format": "else"}', "lucid-swatch/worn"),
        (b'{"format": "lucid-swatch/worn", "version": 1, "worn": [{"on": "soon", "pieces": ["x"]}]}', "on"),
        (b'{"format": "lucid-swatch/worn", "version": 1, "worn": [{"on": "2024-05-04", "pieces": ["x"], "felt": "meh"}]}', "felt"),
        (b"{not json", "not JSON"),
    ):  # fmt: skip
        with sessions.begin() as session, pytest.raises(Refused, match=said):
            take_log_in(session, maren, content, "worn.json")
