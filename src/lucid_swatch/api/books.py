"""Books that clients take home: begun, written, put in order, made."""

from fastapi import APIRouter, Response
from sqlalchemy.orm import Session

from lucid_swatch.core.look.book.kept_book import MadeAs
from lucid_swatch.store.clients import Clients
from lucid_swatch.store.look_books import LookBooks
from lucid_swatch.usecases.books import add_pages, begin_book, change_book, change_page, let_book_go, order_pages
from lucid_swatch.usecases.bound_books import ask_for_files, made_file, shown_book, stop_making_book, told_page
from lucid_swatch.usecases.rail_out import file_name

from .context import Context, Id, InContext, ReadSession, UnitOfWork, in_one_change
from .documents.books import (
    BookAnswer,
    BookChangeRequest,
    BookInListAnswer,
    BookRequest,
    BookSourceRequest,
    MakeBookRequest,
    OrderRequest,
    PageChangeRequest,
    ToldPageAnswer,
    book_answer,
    page_answer,
)
from .documents.changes import LetGoAnswer

router = APIRouter(tags=["lookbook"])

MEDIA = {MadeAs.PDF: "application/pdf", MadeAs.HTML: "text/html; charset=utf-8", MadeAs.ZIP: "application/zip"}


@router.get("/clients/{client_id}/books")
def list_books(session: ReadSession, client_id: Id) -> list[BookInListAnswer]:
    """A client's books, the newest first."""
    Clients(session).get(client_id)
    return [
        BookInListAnswer(id=one.id, title=one.title, pages=len(one.shown))
        for one in LookBooks(session).of_client(client_id)
    ]


@router.post("/clients/{client_id}/books", status_code=201)
@in_one_change
def add_book(session: UnitOfWork, client_id: Id, asked: BookRequest) -> BookAnswer:
    """Begins a book of kept looks, of a wall, of the days of a plan, or of the best looks of a capsule."""
    return _shown(session, begin_book(session, client_id, asked.to_core(), asked.title).id)


@router.get("/books/{book_id}")
def show_book(session: ReadSession, book_id: Id) -> BookAnswer:
    """A book with its pages, and what its files will hold."""
    return _shown(session, book_id)


@router.put("/books/{book_id}")
@in_one_change
def change_kept_book(session: UnitOfWork, book_id: Id, asked: BookChangeRequest) -> BookAnswer:
    """Changes what a book is, or the order of its pages."""
    return _shown(session, change_book(session, book_id, asked.to_core()).id)


@router.delete("/books/{book_id}")
def let_go_of_book(context: InContext, book_id: Id) -> LetGoAnswer:
    """Lets a book go, which can be taken back; its files go."""
    with context.sessions.begin() as session:
        number = let_book_go(session, book_id)
    context.queue.end([book_id])
    context.folder.remove_pictures(book_id)
    return LetGoAnswer(change=number)


@router.post("/books/{book_id}/pages")
@in_one_change
def add_book_pages(session: UnitOfWork, book_id: Id, asked: BookSourceRequest) -> BookAnswer:
    """Adds looks to a book."""
    return _shown(session, add_pages(session, book_id, asked.to_core()).id)


@router.post("/books/{book_id}/order")
@in_one_change
def order_book_pages(session: UnitOfWork, book_id: Id, asked: OrderRequest) -> BookAnswer:
    """Puts the pages in order by occasion or by season."""
    return _shown(session, order_pages(session, book_id, asked.by).id)


@router.get("/books/{book_id}/pages/{page_id}")
def show_page(session: ReadSession, book_id: Id, page_id: Id) -> ToldPageAnswer:
    """What a page says as things are now."""
    return page_answer(*told_page(session, book_id, page_id))


@router.put("/books/{book_id}/pages/{page_id}")
@in_one_change
def change_kept_page(session: UnitOfWork, book_id: Id, page_id: Id, asked: PageChangeRequest) -> BookAnswer:
    """Changes a page, or leaves it out."""
    return _shown(session, change_page(session, book_id, page_id, asked.to_core()).id)


@router.post("/books/{book_id}/making")
def make_book_files(context: InContext, book_id: Id, asked: MakeBookRequest) -> BookAnswer:
    """Makes files of a book as a job that can be watched and stopped."""
    with context.sessions.begin() as session:
        ask_for_files(session, book_id, asked.kinds)
    context.queue.add(book_id)
    return _answer(context, book_id)


@router.delete("/books/{book_id}/making")
def stop_making_files(context: InContext, book_id: Id) -> BookAnswer:
    """Stops the making; files that are there stay."""
    with context.sessions.begin() as session:
        stop_making_book(session, book_id)
    context.queue.end([book_id])
    return _answer(context, book_id)


@router.get("/books/{book_id}/book.{kind}")
def take_book(session: ReadSession, context: InContext, book_id: Id, kind: MadeAs) -> Response:
    """A file that was made of a book."""
    title, content = made_file(session, context.folder, book_id, kind)
    headers = {
        "content-disposition": f'attachment; filename="{file_name(title)}.{kind.value}"',
        "cache-control": "no-store",
    }
    return Response(content, media_type=MEDIA[kind], headers=headers)


def _answer(context: Context, id: str) -> BookAnswer:
    with context.sessions() as session:
        return _shown(session, id)


def _shown(session: Session, id: str) -> BookAnswer:
    return book_answer(shown_book(session, id))
