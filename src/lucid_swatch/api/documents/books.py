"""What the screens send and get about books."""

from datetime import datetime
from typing import Literal

from pydantic import Field

from lucid_swatch.core.look.book.kept_book import Holds, KeptPage, MadeAs, PaperSize
from lucid_swatch.core.look.book.order import OrderBy
from lucid_swatch.core.look.book.page import BookPage
from lucid_swatch.usecases.book_sources import BookSource
from lucid_swatch.usecases.books import BookChange, PageChange
from lucid_swatch.usecases.bound_books import ShownBook

from .base import Answer, Request

Ids = list[str]


class BookSourceRequest(Request):
    """Where looks for a book come from: one of these."""

    looks: Ids = Field(default_factory=list, max_length=200)
    """Kept looks, in their order."""
    wall: str | None = Field(default=None, max_length=64)
    plan: str | None = Field(default=None, max_length=64)
    capsule: str | None = Field(default=None, max_length=64)

    def to_core(self) -> BookSource:
        """As the use cases take it."""
        return BookSource(tuple(self.looks), self.wall, self.plan, self.capsule)


class BookRequest(BookSourceRequest):
    """A book to begin."""

    title: str = Field(default="", max_length=200)


class HoldsRequest(Request):
    """What goes into a book beside its pages."""

    cover: bool
    colouring: bool
    index: bool
    helps: bool
    face: bool
    name: bool


class BookChangeRequest(Request):
    """What changes on a book; what is left out stays."""

    title: str | None = Field(default=None, max_length=200)
    by: str | None = Field(default=None, max_length=120)
    word: str | None = Field(default=None, max_length=2000)
    holds: HoldsRequest | None = None
    paper: PaperSize | None = None
    order: Ids | None = Field(default=None, max_length=200)
    """Its pages as they are to follow each other."""

    def to_core(self) -> BookChange:
        """As the use cases take it."""
        holds = None if self.holds is None else Holds(**self.holds.model_dump())
        order = None if self.order is None else tuple(self.order)
        return BookChange(self.title, self.by, self.word, holds, self.paper, order)


class OrderRequest(Request):
    """What the pages are put in order by."""

    by: OrderBy


class PageChangeRequest(Request):
    """What changes on a page; what is left out stays."""

    name: str | None = Field(default=None, max_length=200)
    when: str | None = Field(default=None, max_length=200)
    occasion: str | None = Field(default=None, max_length=120)
    left_out: bool | None = None
    how: str | None = Field(default=None, max_length=1000)
    evening: str | None = Field(default=None, max_length=1000)
    why: str | None = Field(default=None, max_length=1000)
    told_again: list[Literal["how", "evening", "why"]] = Field(default_factory=list, max_length=3)
    """Of which what is told of the look is to stand there again."""

    def to_core(self) -> PageChange:
        """As the use cases take it."""
        words = (self.how, self.evening, self.why)
        return PageChange(self.name, self.when, self.occasion, self.left_out, *words, tuple(self.told_again))


class MakeBookRequest(Request):
    """The files that are to be made."""

    kinds: list[MadeAs] = Field(min_length=1, max_length=3)


class HoldsAnswer(Answer):
    """What goes into a book beside its pages."""

    cover: bool
    colouring: bool
    index: bool
    helps: bool
    face: bool
    name: bool


class PageInListAnswer(Answer):
    """A page as it stands in the list."""

    id: str
    name: str
    when: str
    left_out: bool
    gone: bool
    """Whether nothing of it hangs there any more."""


class MadeFileAnswer(Answer):
    """A file that was made."""

    kind: MadeAs
    at: datetime
    bytes: int
    current: bool
    """Whether nothing was changed since."""


class BookAnswer(Answer):
    """A book."""

    id: str
    title: str
    by: str
    word: str
    holds: HoldsAnswer
    paper: PaperSize
    pages: list[PageInListAnswer]
    making: float | None
    """How far its making is, 0..1; null when nothing is being made."""
    asked: list[MadeAs]
    made: list[MadeFileAnswer]
    lack: str
    """Why it could not be made."""
    will_hold: str
    """Everything that will be in the files, in a sentence."""


class BookInListAnswer(Answer):
    """A book as it stands in the list."""

    id: str
    title: str
    pages: int


class ToldPageAnswer(Answer):
    """What a page says."""

    id: str
    name: str
    when: str
    occasion: str
    pieces: Ids
    worn: dict[str, str]
    """How pieces are worn, by id."""
    how: str
    evening: str
    why: str
    own: list[str]
    """Which of these are the stylist's own words."""
    gone: list[str]
    left_out: bool


def book_answer(found: ShownBook) -> BookAnswer:
    """A book as the screen shows it."""
    book, holds = found.book, found.book.holds
    return BookAnswer(
        id=book.id,
        title=book.title,
        by=book.by,
        word=book.word,
        holds=HoldsAnswer(
            cover=holds.cover,
            colouring=holds.colouring,
            index=holds.index,
            helps=holds.helps,
            face=holds.face,
            name=holds.name,
        ),
        paper=book.paper,
        pages=[
            PageInListAnswer(id=p.id, name=p.name, when=p.when, left_out=p.left_out, gone=p.id in found.gone)
            for p in book.pages
        ],
        making=found.making,
        asked=list(book.asked),
        made=[MadeFileAnswer(kind=m.kind, at=m.at, bytes=m.bytes, current=book.is_current(m)) for m in book.made],
        lack=book.lack,
        will_hold=found.will_hold,
    )


def page_answer(told: BookPage, kept: KeptPage) -> ToldPageAnswer:
    """A page as the screen shows it."""
    own = [name for name, said in (("how", kept.how), ("evening", kept.evening), ("why", kept.why)) if said is not None]
    return ToldPageAnswer(
        id=told.id,
        name=told.name,
        when=told.when,
        occasion=told.occasion,
        pieces=[piece.id for piece in told.pieces],
        worn={piece.id: piece.worn.value for piece in told.pieces if piece.worn is not None},
        how=told.how,
        evening=told.evening,
        why=told.why,
        own=own,
        gone=list(told.gone),
        left_out=kept.left_out,
    )
