"""Books are begun, written, put in order, left out of, and let go; every step can be taken back."""

from collections.abc import Iterator, Sequence
from contextlib import contextmanager
from dataclasses import dataclass, replace
from datetime import UTC, datetime
from typing import Literal
from uuid import uuid4

from sqlalchemy.orm import Session

from lucid_swatch.core.look.book.kept_book import Holds, KeptBook, KeptPage, PaperSize
from lucid_swatch.core.look.book.order import OrderBy, put_in_order
from lucid_swatch.core.problems import NotThere, Refused
from lucid_swatch.store.clients import Clients
from lucid_swatch.store.jobs import Jobs
from lucid_swatch.store.look_books import LookBooks
from lucid_swatch.store.looks import Looks

from .book_sources import BookSource, pages_from
from .changes import recorded
from .wardrobe import wardrobe_of


def begin_book(session: Session, client_id: str, source: BookSource, title: str = "") -> KeptBook:
    """A book of some looks. Refused when there are none, or more than a book has pages."""
    Clients(session).get(client_id)
    name, pages = pages_from(session, client_id, source)
    now = datetime.now(UTC)
    with _not_too_many():
        book = KeptBook(uuid4().hex, client_id, title.strip() or name, now, now, pages)
    with recorded(session, client_id, f"began the book '{book.title}'") as change:
        change.touches("lookbook", book.id)
        LookBooks(session).add(book)
    return book


@contextmanager
def _not_too_many() -> Iterator[None]:
    """Numbers that make no sense are refused where they are made."""
    try:
        yield
    except ValueError as problem:
        raise Refused(f"{problem}.", "pages", "Choose fewer, or begin another book.") from None


@dataclass(frozen=True, slots=True)
class BookChange:
    """What changes on a book; None for what stays."""

    title: str | None = None
    by: str | None = None
    word: str | None = None
    holds: Holds | None = None
    paper: PaperSize | None = None
    order: tuple[str, ...] | None = None
    """Ids of its pages as they are to follow each other."""


def change_book(session: Session, id: str, said: BookChange) -> KeptBook:
    """Changes what a book is. Refused without a title, or when the order leaves a page out."""
    book = LookBooks(session).get(id)
    if said.title is not None and not said.title.strip():
        raise Refused("the book has no title.", "title", "Write what stands on its cover.")
    now = replace(
        book,
        title=book.title if said.title is None else said.title.strip(),
        by=book.by if said.by is None else said.by.strip(),
        word=book.word if said.word is None else said.word.strip(),
        holds=book.holds if said.holds is None else said.holds,
        paper=book.paper if said.paper is None else said.paper,
        pages=book.pages if said.order is None else _ordered(book, said.order),
    )
    return _write(session, now, "put the pages in another order" if said.order is not None else "changed the book")


def _ordered(book: KeptBook, order: Sequence[str]) -> tuple[KeptPage, ...]:
    pages = {page.id: page for page in book.pages}
    if sorted(order) != sorted(pages):
        raise NotThere("the book has other pages by now.", book.title, "Load the page again.")
    return tuple(pages[id] for id in order)


@dataclass(frozen=True, slots=True)
class PageChange:
    """What changes on a page; None for what stays."""

    name: str | None = None
    when: str | None = None
    occasion: str | None = None
    left_out: bool | None = None
    how: str | None = None
    evening: str | None = None
    why: str | None = None
    """In the stylist's words."""
    told_again: tuple[Literal["how", "evening", "why"], ...] = ()
    """Of which no words of the stylist stay, so that what is told of the look stands there again."""


def change_page(session: Session, id: str, page_id: str, said: PageChange) -> KeptBook:
    """Changes a page. NotThere when the book has no such page; Refused when it is to have no name."""
    book = LookBooks(session).get(id)
    page = page_in(book, page_id)
    if said.name is not None and not said.name.strip():
        raise Refused("the page has no name.", "name", "Write what the look is called.")
    now = replace(
        page,
        name=page.name if said.name is None else said.name.strip(),
        when=page.when if said.when is None else said.when.strip(),
        occasion=page.occasion if said.occasion is None else said.occasion.strip(),
        left_out=page.left_out if said.left_out is None else said.left_out,
        how=_own("how", said, page.how),
        evening=_own("evening", said, page.evening),
        why=_own("why", said, page.why),
    )
    pages = tuple(now if one.id == page_id else one for one in book.pages)
    told = f"left '{page.name}' out" if said.left_out else f"changed the page '{page.name}'"
    return _write(session, replace(book, pages=pages), told)


def _own(name: Literal["how", "evening", "why"], said: PageChange, before: str | None) -> str | None:
    if name in said.told_again:
        return None
    own: str | None = getattr(said, name)
    return before if own is None else own.strip()


def page_in(book: KeptBook, page_id: str) -> KeptPage:
    """A page of a book. NotThere when it has no such page."""
    found = next((page for page in book.pages if page.id == page_id), None)
    if found is None:
        raise NotThere("the book has no such page.", page_id, "Load the page again.")
    return found


def add_pages(session: Session, id: str, source: BookSource) -> KeptBook:
    """Adds looks to a book; kept looks that are in it already are not added again."""
    book = LookBooks(session).get(id)
    there = {page.look_id for page in book.pages if page.look_id is not None}
    new = [page for page in pages_from(session, book.client_id, source)[1] if page.look_id not in there]
    with _not_too_many():
        now = replace(book, pages=(*book.pages, *new))
    return _write(session, now, f"added looks to '{book.title}'")


def order_pages(session: Session, id: str, by: OrderBy) -> KeptBook:
    """Puts the pages of a book in order by occasion, or from light to warm."""
    book = LookBooks(session).get(id)
    by_id = wardrobe_of(session, book.client_id).wardrobe.by_id
    kept = {look.id: look.piece_ids for look in Looks(session).of_client(book.client_id)}
    worn = {
        page.id: [by_id[one] for one in kept.get(page.look_id or "", page.piece_ids) if one in by_id]
        for page in book.pages
    }
    return _write(
        session, replace(book, pages=put_in_order(book.pages, by, worn)), f"put the pages in order by {by.value}"
    )


def _write(session: Session, book: KeptBook, told: str) -> KeptBook:
    with recorded(session, book.client_id, f"{told}: {book.title}") as change:
        change.touches("lookbook", book.id)
        return LookBooks(session).change(
            book.id,
            lambda now: replace(book, made=now.made, asked=now.asked, lack=now.lack, changed_at=datetime.now(UTC)),
        )


def let_book_go(session: Session, id: str) -> int | None:
    """Lets a book go; its files go for good, so that taken back it is as if none was made yet. The number of the change."""
    book = LookBooks(session).change(id, lambda now: replace(now, made=(), asked=()))
    Jobs(session).call_off([id])
    with recorded(session, book.client_id, f"let the book '{book.title}' go") as change:
        change.touches("lookbook", id)
        LookBooks(session).remove(id)
    return change.number
