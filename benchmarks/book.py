"""The lookbook: how soon it is made, how large it is, how true its colours are, how soon it opens on a telephone."""

import io
import time
from dataclasses import replace

import numpy as np
from PIL import Image
from tests.running import browser

from lucid_swatch.core.colour.difference import delta_e_2000
from lucid_swatch.core.colour.spaces import decode_srgb, rgb_linear_to_lab
from lucid_swatch.core.garment.known import as_seen
from lucid_swatch.core.look.book.bolt import bolt_of
from lucid_swatch.core.look.book.book import LookBook
from lucid_swatch.core.look.book.page import BookLook, book_pages
from lucid_swatch.core.look.called import called_after
from lucid_swatch.core.look.dressing.wardrobe import Wardrobe
from lucid_swatch.core.look.making.make import make_looks
from lucid_swatch.core.look.making.wanted import Wanted
from lucid_swatch.files.book.html import book_html
from lucid_swatch.files.book.layout import Paper
from lucid_swatch.files.book.pdf import book_pdf
from lucid_swatch.files.book.pictures import page_png
from lucid_swatch.store.clients import Clients
from lucid_swatch.store.database import open_database
from lucid_swatch.store.folder import Folder
from lucid_swatch.store.pieces import Pieces
from lucid_swatch.usecases.book_pictures import book_pictures

PIECES, LOOKS = 60, 24
A4 = Paper.A4.value
ACROSS = 6000
"""Pixels of a rendered page: cloth is then hardly made smaller, which a renderer does in its own way."""


def book(demo, folder):
    """Figures of a book of 24 looks on a rail of 60 photographed pieces. folder: where the page is laid to be opened."""
    pieces, pictures = _rail(demo)
    wardrobe = Wardrobe(tuple(pieces))
    made = make_looks(wardrobe, Wanted(LOOKS)).looks
    looks = [
        BookLook(
            str(k),
            called_after(wardrobe.by_id[id] for id in one.piece_ids),
            wardrobe.look(str(k), one.piece_ids, None, {}),
        )
        for k, one in enumerate(made)
    ]
    begun = time.perf_counter()
    pages = book_pages(looks)
    whole = LookBook("Spring", pages, pictures=pictures, bolt=bolt_of(pieces))
    words = time.perf_counter() - begun
    begun = time.perf_counter()
    pdf = book_pdf(whole, A4)
    paper = time.perf_counter() - begun
    begun = time.perf_counter()
    html = book_html(whole, "benchmark")
    page = time.perf_counter() - begun
    apart = _apart(pdf, whole)
    return {
        "looks, pieces": (len(pages), len({piece.id for one in pages for piece in one.pieces})),
        "words of the pages, seconds": round(words, 2),
        "PDF, seconds": round(words + paper, 2),
        "PDF, MB": round(len(pdf) / 1e6, 2),
        "HTML, seconds": round(words + page, 2),
        "HTML, MB": round(len(html) / 1e6, 2),
        "first page of the HTML, milliseconds": _first_page(html, folder),
        "cloth on paper against its picture, CIEDE2000, median and most": (
            round(float(np.median(apart)), 2),
            round(float(apart.max()), 2),
        ),
    }


def _rail(demo):
    """The pieces of all sample clients as one rail; where there are too few, some hang twice."""
    sessions, folder = open_database(demo), Folder(demo)
    with sessions() as session:
        hung = [one for client in Clients(session).all() for one in Pieces(session).of_client(client.id)]
        pictures = book_pictures(session, folder, hung)
    hung = [one for one in hung if one.piece.id in pictures]
    pieces, shown = [], {}
    for k in range(PIECES):
        one = hung[k % len(hung)]
        id = one.piece.id if k < len(hung) else f"{one.piece.id} again"
        pieces.append(replace(as_seen(one.piece), id=id))
        shown[id] = pictures[one.piece.id]
    return pieces, shown


def _apart(pdf, whole):
    """CIEDE2000 of each strip of the cover, as it is rendered, to the picture of its cloth."""
    picture = np.asarray(Image.open(io.BytesIO(page_png(pdf, A4, ACROSS)))) / 255.0
    scale = ACROSS / A4.width
    left, right = A4.margin, A4.width - A4.margin
    each = (right - left) / len(whole.bolt)
    found = []
    for k, piece in enumerate(whole.bolt):
        cloth = whole.pictures[piece.id].cloth
        if cloth is None:
            continue
        high = each * cloth.shape[0] / cloth.shape[1]
        columns = slice(round((left + (k + 0.1) * each) * scale), round((left + (k + 0.9) * each) * scale))
        rows = slice(round(A4.margin * scale), round((A4.margin + high) * scale))
        inner = cloth[:, round(0.1 * cloth.shape[1]) : round(0.9 * cloth.shape[1])] / 255.0
        means = [rgb_linear_to_lab(decode_srgb(one).mean(axis=(0, 1))) for one in (picture[rows, columns], inner)]
        found.append(float(delta_e_2000(*means)))
    return np.array(found)


def _first_page(html, folder):
    """Milliseconds until the first page is painted, network cut, the middle of five openings."""
    file = folder / "book.html"
    file.write_bytes(html)
    took = []
    with browser() as chromium:
        for _ in range(5):
            context = chromium.new_context(viewport={"width": 390, "height": 844}, offline=True)
            page = context.new_page()
            page.goto(file.as_uri())
            page.wait_for_timeout(300)
            took.append(page.evaluate("performance.getEntriesByName('first-contentful-paint')[0].startTime"))
            context.close()
    return round(sorted(took)[2])
