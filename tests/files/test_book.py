"""A book as files: what stands in them, what does not, and that all of it can be opened by others."""

import io
import json
import re
from dataclasses import replace
from html import unescape

import numpy as np
import pypdfium2
import pytest
from PIL import Image

from lucid_swatch.core.colour.difference import delta_e_2000
from lucid_swatch.core.colour.spaces import decode_srgb, encode_srgb, lab_to_rgb_linear, rgb_linear_to_lab
from lucid_swatch.core.look.book.book import Help, LookBook, PieceInPictures, Wearer
from lucid_swatch.core.look.book.page import BookLook, BookStopped, book_pages
from lucid_swatch.core.look.book.plain_colouring import PlainColouring
from lucid_swatch.core.look.figure.body import Build
from lucid_swatch.files.book.fonts import BOX, unwritable, writable
from lucid_swatch.files.book.html import book_html
from lucid_swatch.files.book.layout import Paper
from lucid_swatch.files.book.pdf import book_pdf, page_pdf
from lucid_swatch.files.book.pictures import page_png
from tests.core.look.book.test_pages import BY_ID, DAY, OFFICE
from tests.core.look.making.rails import RAIL

A4 = Paper.A4.value
PAGES = book_pages(
    [
        BookLook("one", "Rehearsal", DAY, "Thursday 6 · dry", "rehearsal"),
        BookLook("two", "<b>& Office</b>", OFFICE, gone=("Lost hat",)),
    ]
)


def pictures(of=RAIL):
    """Plain cloth in the colour of each piece, and a cut-out that fills its box but for a corner."""
    found = {}
    for one in of:
        srgb = np.rint(encode_srgb(lab_to_rgb_linear(one.lab[0])).clip(0, 1) * 255).astype(np.uint8)
        cut = np.zeros((200, 150, 4), np.uint8)
        cut[..., :3], cut[..., 3] = srgb, 255
        cut[:20, :20, 3] = 0
        found[one.id] = PieceInPictures(np.broadcast_to(srgb, (80, 50, 3)).copy(), cut)
    return found


def a_book(**values):
    usual = {
        "title": "Northern tour",
        "pages": PAGES,
        "pictures": pictures(),
        "subtitle": "for Tilde",
        "word": "Wear it well.",
        "bolt": RAIL[:6],
        "colouring": PlainColouring(("Your skin is warm.",), RAIL[:4]),
        "helps": (Help("camel coat", np.array([60.0, 10, 30]), 12),),
        "wearer": Wearer(Build(172.0), np.array([62.0, 14, 22])),
    }
    return LookBook(**(usual | values))


def text_of(content):
    document = pypdfium2.PdfDocument(content)
    return [document[k].get_textpage().get_text_range() for k in range(len(document))]


def seen(content, width=600, page=0, paper=A4):
    return np.asarray(Image.open(io.BytesIO(page_png(content, paper, width, page))))


def test_a_pdf_holds_a_page_for_everything_in_real_text():
    content = book_pdf(a_book())
    pages = text_of(content)
    assert len(pages) == 1 + 1 + 2 + 1 + 1
    assert "Northern tour" in pages[0]
    assert "Wear it well." in pages[0]
    assert "Your skin is warm." in pages[1]
    assert "Rehearsal" in pages[2]
    assert "Thursday 6 · dry" in pages[2]
    assert "Why it works" in pages[2]
    assert "tan skirt" in pages[2]
    assert "<b>& Office</b>" in pages[3]
    assert "Lost hat" in pages[3]
    assert re.search(r"tan skirt\s+1\b", pages[4])
    assert "12 more good looks" in pages[5]


def test_a_pdf_says_what_it_is_in_bookmarks_tags_and_intents():
    content = book_pdf(a_book())
    document = pypdfium2.PdfDocument(content)
    assert [one.get_title() for one in document.get_toc()][:4] == [
        "Cover",
        "Your colouring",
        "Rehearsal",
        "<b>& Office</b>",
    ]
    assert document.get_metadata_dict()["Title"] == "Northern tour"
    assert b"/Lang (en)" in content
    assert b"/Marked true" in content
    assert b"/OutputIntents" in content
    assert b"sRGB IEC61966-2.1" in content
    assert b"/H1" in content
    assert content.count(b"/Alt ") >= 2 * 5 + 1  # a text for every figure and every piece
    assert b"FontFile2" in content


def test_only_what_was_chosen_is_in_a_book():
    content = book_pdf(a_book(cover=False, colouring=None, index=False, helps=()))
    assert len(text_of(content)) == 2
    html = book_html(a_book(cover=False, colouring=None, index=False, helps=()), "x").decode()
    assert not any(f'id="{part}"' in html for part in ("cover", "colouring", "contents", "helps"))
    assert "Wear it well." not in html
    for page in (html, book_html(a_book(), "x").decode()):
        # what is linked to is there
        assert set(re.findall(r'<a href="#([^"]+)"', page)) <= set(re.findall(r' id="([^"]+)"', page))


def test_colours_on_paper_are_those_of_the_cloth():
    book = a_book()
    picture = seen(book_pdf(book), 1200, 0)
    across = A4.width - 2 * A4.margin
    for k, piece in enumerate(book.bolt):
        x = (A4.margin + (k + 0.5) * across / len(book.bolt)) / A4.width * 1200
        found = rgb_linear_to_lab(decode_srgb(picture[round(0.3 * picture.shape[0]), round(x)] / 255.0))
        assert delta_e_2000(found, piece.lab[0]) < 1.0


def test_words_of_any_length_stay_on_the_page_and_any_script_is_written_or_boxed():
    long = replace(
        PAGES[0], name="A very long name of a look " * 6, why="It works because it does. " * 60, how="Tucked. " * 40
    )
    mixed = replace(PAGES[0], name="Мир שלום سلام Ωmega 漢字")
    for paper in Paper:
        content = page_pdf(a_book(), long, paper.value)
        picture = seen(content, 300, 0, paper.value)
        edge = np.concatenate([picture[-2:].reshape(-1, 3), picture[:, -2:].reshape(-1, 3)])
        assert edge.min() > 200  # nothing runs over the edge
    text = text_of(page_pdf(a_book(), mixed, A4))[0]
    assert "Мир" in text
    assert "Ωmega" in text
    assert BOX * 2 in text
    assert unwritable("Мир שלום 漢字 漢") == "漢字"
    assert writable("a漢") == f"a{BOX}"


def test_a_look_of_twelve_pieces_and_pieces_without_photos_are_drawn():
    many = replace(PAGES[0], pieces=tuple(BY_ID[id] for id in (
        "cream shirt", "grey knit", "tan skirt", "navy coat", "grey jacket", "tan shoes", "tan bag", "tan belt", "wine scarf",
        "navy tie", "navy bag", "navy top")))  # fmt: skip
    for book in (a_book(), a_book(pictures={})):
        text = text_of(page_pdf(book, many, A4))[0]
        assert all(piece.called.split()[0] in text for piece in many.pieces)
        assert (seen(page_pdf(book, many, A4)) < 200).any()


def test_two_hundred_looks_are_two_hundred_pages():
    many = tuple(replace(PAGES[k % 2], id=f"look {k}", name=f"Look {k}") for k in range(200))
    pages = text_of(book_pdf(a_book(pages=many, pictures={}), Paper.A5.value))
    assert sum(bool(re.search(r"\d+ of 200", page)) for page in pages) == 200


def test_making_can_be_stopped():
    told = []

    def tell(share):
        told.append(share)
        return share < 0.5

    for make in (lambda: book_pdf(a_book(), A4, tell), lambda: book_html(a_book(), "x", tell)):
        told.clear()
        with pytest.raises(BookStopped):
            make()
        assert told == [0.0, 0.5]


def test_a_picture_has_the_size_that_was_asked_for_and_says_its_colours():
    for paper, width, height in ((Paper.TELEPHONE, 1080, 1350), (Paper.TALL, 2160, 3840)):
        picture = Image.open(io.BytesIO(page_png(page_pdf(a_book(), PAGES[0], paper.value), paper.value, width)))
        assert picture.size == (width, height)
        assert picture.info["icc_profile"]


def test_the_html_carries_everything_itself_and_lets_nothing_else_in():
    html = book_html(a_book(), 'tour "2031"').decode()
    assert "default-src 'none'" in html
    assert "'unsafe" not in html
    bare = re.sub(r"base64,[A-Za-z0-9+/=]+", "", html)
    assert "//" not in bare
    assert "url(" not in bare.replace("url(data:", "").replace("url(#g", "")
    assert not re.search(r"\s(on[a-z]+|style)=", html)
    assert "&lt;b&gt;&amp; Office&lt;/b&gt;" in html
    assert "<b>" not in html
    assert 'data-book="tour &quot;2031&quot;"' in html
    # every picture once, and every name of one leads somewhere
    ids = re.findall(r'<symbol id="([^"]+)"', html)
    assert len(ids) == len(set(ids))
    assert set(re.findall(r'<use href="#([^"]+)"', html)) <= set(ids)
    assert len(re.findall(r'<article class="page look"', html)) == 2
    told = json.loads(unescape(re.findall(r'data-pieces="([^"]+)"', html)[0]))
    assert told == [piece.id for piece in PAGES[0].pieces]


def test_a_head_is_shown_only_where_one_was_chosen():
    head, face = np.full((60, 36, 4), 255, np.uint8), np.full((40, 40, 3), 90, np.uint8)
    with_head = a_book(wearer=Wearer(head=head, face=face))
    for id in ("head", "face"):
        assert f'id="{id}"' in book_html(with_head, "x").decode()
        assert f'id="{id}"' not in book_html(a_book(), "x").decode()
    assert not np.array_equal(seen(book_pdf(with_head)), seen(book_pdf(a_book())))
    assert not np.array_equal(seen(page_pdf(with_head, PAGES[0], A4)), seen(page_pdf(a_book(), PAGES[0], A4)))
