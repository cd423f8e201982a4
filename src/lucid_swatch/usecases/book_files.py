"""A book as a file of the kind that its name asks for."""

import io
from collections.abc import Iterable

from lucid_swatch.core.look.book.book import LookBook
from lucid_swatch.core.look.book.kept_book import MadeAs
from lucid_swatch.core.look.book.page import BookStopped, Tell
from lucid_swatch.files.archive import pack
from lucid_swatch.files.book.fonts import unwritable
from lucid_swatch.files.book.html import book_html
from lucid_swatch.files.book.layout import Paper
from lucid_swatch.files.book.pdf import book_pdf, page_pdf
from lucid_swatch.files.book.pictures import page_png

PICTURES = ((Paper.TELEPHONE, 1080), (Paper.TALL, 2160))
"""Sizes of the pictures, with their width in pixels."""


def book_file(book: LookBook, kind: MadeAs, paper: Paper, id: str, tell: Tell = lambda share: True) -> bytes:
    """A book as a file. paper: of a PDF. id: by which ticks of the HTML are known again. Raises BookStopped when told to."""
    if kind is MadeAs.PDF:
        return book_pdf(book, paper.value, tell)
    return book_html(book, id, tell) if kind is MadeAs.HTML else _pictures(book, tell)


def _pictures(book: LookBook, tell: Tell) -> bytes:
    made = []
    for k, page in enumerate(book.pages):
        for paper, width in PICTURES:
            if not tell(k / len(book.pages)):
                raise BookStopped
            height = round(width * paper.value.height / paper.value.width)
            picture = page_png(page_pdf(book, page, paper.value), paper.value, width)
            made.append((f"{k + 1:03d} {width}x{height}.png", picture))
    out = io.BytesIO()
    pack(made, out)
    return out.getvalue()


def in_boxes(book: LookBook) -> str:
    """A sentence on letters of a book that no font of it has; empty where all are there."""
    texts = [book.title, book.subtitle, book.word]
    for page in book.pages:
        texts += [page.name, page.when, page.occasion, page.how, page.evening, page.why]
        texts += [piece.called for piece in page.pieces]
    return boxes_told(texts)


def boxes_told(texts: Iterable[str]) -> str:
    """The same of some words."""
    letters = unwritable("".join(texts))
    if not letters:
        return ""
    some = letters if len(letters) <= 12 else f"{letters[:12]}…"
    return (
        f"On paper and in pictures these letters stand as boxes, because no font of the book has them: {some} "
        "The page for a telephone shows them."
    )
