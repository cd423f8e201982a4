"""A book as one page that carries everything itself: for a telephone without a network, and to be ticked."""

import base64
import hashlib
import io
import json
from functools import cache
from html import escape
from importlib.resources import files

from PIL import Image

from lucid_swatch.core.colour.arrays import ByteArray
from lucid_swatch.core.colour.spaces import lab_to_hex
from lucid_swatch.core.garment.piece import Piece
from lucid_swatch.core.look.book.book import LookBook
from lucid_swatch.core.look.book.index import by_occasion, by_piece
from lucid_swatch.core.look.book.page import BookPage, BookStopped, Tell
from lucid_swatch.core.look.wearing.wear import Felt

from .fonts import BOLD, ITALIC, PETRONA, PLAIN, font_file
from .svg import Drawings, cloth_id, cut_id

LONGEST = 720
"""Pixels of the longer side of a picture."""
QUALITY = 86

FACES = (("Petrona", 400, PETRONA), ("PetronaItalic", 400, ITALIC), ("Atkinson", 400, PLAIN), ("Atkinson", 700, BOLD))


def book_html(book: LookBook, id: str, tell: Tell = lambda share: True) -> bytes:
    """A book as one HTML page. id: under which the device remembers what is ticked, and by which the ticks are known again.

    Raises BookStopped when it is told to. The page names no address outside itself, and its own policy forbids all."""
    drawings = Drawings(book)
    parts = [_cover(book)] if book.cover else []
    if book.colouring is not None:
        parts.append(_colouring(book, drawings))
    for k, page in enumerate(book.pages):
        if not tell(k / max(len(book.pages), 1)):
            raise BookStopped
        parts.append(_look(page, k, drawings))
    if book.index and book.pages:
        parts.append(_index(book, drawings))
    if book.helps:
        parts.append(_helps(book))
    parts.append(_back())
    style, script = _style(), _resource("book.js")
    policy = (
        f"default-src 'none'; img-src data:; font-src data:; style-src '{_hash(style)}'; script-src '{_hash(script)}'; "
        "base-uri 'none'; form-action 'none'"
    )
    title = escape(book.title)
    contents = '<a href="#contents">Contents</a>' if book.index and book.pages else ""
    whole = f"""<!doctype html>
<html lang="en" data-book="{escape(id)}">
<head>
<meta charset="utf-8">
<meta http-equiv="Content-Security-Policy" content="{policy}">
<meta name="viewport" content="width=device-width, initial-scale=1">
<meta name="referrer" content="no-referrer">
<title>{title}</title>
<style>{style}</style>
</head>
<body>
<nav class="bar" aria-label="The book">
<input id="search" type="search" aria-label="Search by piece, name or occasion" placeholder="Search a piece" autocomplete="off">
<span id="found" role="status"></span>
{contents}
</nav>
<main>
{"".join(parts)}
</main>
{_pictures(book)}
<script>{script}</script>
</body>
</html>
"""
    return whole.encode()


def _cover(book: LookBook) -> str:
    each = 100 / max(len(book.bolt), 1)
    strips = "".join(
        f'<rect x="{k * each:.2f}" width="{each + 0.1:.2f}" height="40" fill="{lab_to_hex(piece.lab[0])}"/>'
        + _strip(book, piece, k * each, each)
        for k, piece in enumerate(book.bolt)
    )
    bolt = (
        f'<svg class="bolt" viewBox="0 0 100 40" preserveAspectRatio="none" role="img" '
        f'aria-label="The cloth of {len(book.bolt)} pieces, side by side">{strips}</svg>'
        if book.bolt
        else ""
    )
    word = f'<p class="word" dir="auto">{escape(book.word)}</p>' if book.word else ""
    under = f'<p class="soft" dir="auto">{escape(book.subtitle)}</p>' if book.subtitle else ""
    face = (
        '<svg class="face" viewBox="0 0 1 1" role="img" aria-label="The face of the portrait">'
        '<use href="#face" width="1" height="1"/></svg>'
        if book.wearer.face is not None
        else ""
    )
    return (
        f'<section class="page" id="cover">{bolt}{face}<h1 dir="auto">{escape(book.title)}</h1>{under}{word}</section>'
    )


def _strip(book: LookBook, piece: Piece, x: float, wide: float) -> str:
    found = book.pictures.get(piece.id)
    if found is None or found.cloth is None:
        return ""
    high = wide * found.cloth.shape[0] / found.cloth.shape[1]
    rows = range(int(40 / high) + 1)
    return "".join(
        f'<use href="#{cloth_id(piece.id)}" x="{x:.2f}" y="{k * high:.2f}" width="{wide + 0.1:.2f}" height="{high:.2f}"/>'
        for k in rows
    )


def _colouring(book: LookBook, drawings: Drawings) -> str:
    told = book.colouring
    assert told is not None
    sentences = "".join(f"<p>{escape(one)}</p>" for one in told.sentences)
    cloths = "".join(
        f'<li>{drawings.swatch(p.id, p.lab[0], p.in_a_sentence)}<span dir="auto">{escape(p.called)}</span></li>'
        for p in told.cloths
    )
    own = (
        f'<h3>From your own rail, what sits with it at the face</h3><ul class="cloths">{cloths}</ul>' if cloths else ""
    )
    return f'<section class="page" id="colouring"><h2>Your colouring</h2>{sentences}{own}</section>'


def _look(page: BookPage, place: int, drawings: Drawings) -> str:
    words = " ".join((page.name, page.when, page.occasion, *(piece.called for piece in page.pieces)))
    pair = "".join(
        f'<div><h3>{head}</h3><p dir="auto">{escape(text)}</p></div>'
        for head, text in (("How", page.how), ("For the evening", page.evening), ("Why it works", page.why))
        if text
    )
    gone = f'<p class="soft">Not in it any more: {escape(", ".join(page.gone))}.</p>' if page.gone else ""
    when = f'<p class="soft" dir="auto">{escape(page.when)}</p>' if page.when else ""
    name = escape(page.name)
    return (
        f'<article class="page look" id="look-{place + 1}" data-look="{escape(page.id)}" data-name="{name}" '
        f'data-pieces="{escape(json.dumps([piece.id for piece in page.pieces]))}" data-words="{escape(words)}">'
        f'<header>{when}<h2 dir="auto">{name}</h2></header>'
        f'<div class="cloth">{drawings.figure(page)}{drawings.pieces(page)}</div>'
        f'<div class="two">{pair}</div>{gone}{_tick(name)}</article>'
    )


def _tick(name: str) -> str:
    """Where a look is ticked as worn; name: for HTML."""
    feelings = "".join(f'<option value="{one.value}">{one.value}</option>' for one in Felt)
    return (
        f'<div class="worn"><p><button type="button" class="open" aria-expanded="false">I wore it'
        f'</button> <button type="button" class="untick" hidden>take the last tick back</button> '
        f'<span class="told soft"></span></p><form hidden aria-label="When {name} was worn">'
        '<label>on <input name="on" type="date" required></label>'
        f'<label>it felt <select name="felt"><option value="">I do not say</option>{feelings}</select></label>'
        '<label>a word <input name="note" maxlength="500" autocomplete="off"></label>'
        '<button class="firm">Tick</button></form></div>'
    )


def _index(book: LookBook, drawings: Drawings) -> str:
    def links(places: list[int]) -> str:
        return " ".join(
            f'<a href="#look-{k + 1}" aria-label="{k + 1}, {escape(book.pages[k].name)}">{k + 1}</a>' for k in places
        )

    pieces = "".join(
        f'<li>{drawings.swatch(p.id, p.lab[0], p.in_a_sentence)}<span dir="auto">{escape(p.called)}</span> {links(places)}</li>'
        for p, places in by_piece(book.pages)
    )
    occasions = "".join(
        f'<li><span dir="auto">{escape(name)}</span> {links(places)}</li>' for name, places in by_occasion(book.pages)
    )
    by = f'<h3>By occasion</h3><ul class="lines">{occasions}</ul>' if occasions else ""
    return (
        '<section class="page" id="contents"><h2>What to wear with it</h2>'
        f'<ul class="lines two">{pieces}</ul>{by}</section>'
    )


def _helps(book: LookBook) -> str:
    lines = "".join(
        f'<li><svg class="chip" viewBox="0 0 10 10" role="img" aria-label="The colour of {escape(one.name)}">'
        f'<rect width="10" height="10" fill="{lab_to_hex(one.lab)}"/></svg>'
        f"<span><strong>{escape(one.name)}</strong> would make {one.opens} more good looks of what hangs there.</span></li>"
        for one in book.helps
    )
    return f'<section class="page" id="helps"><h2>What would help</h2><ul class="lines">{lines}</ul></section>'


def _back() -> str:
    return (
        '<section class="page" id="back"><h2>Back to your stylist</h2>'
        "<p>What you tick stays on this device until you save it as a file and send it.</p>"
        '<p><button type="button" id="save" class="firm" disabled>Save what I wore</button> '
        '<span id="count" class="soft"></span></p><p id="said" role="status"></p></section>'
    )


def _pictures(book: LookBook) -> str:
    """Every picture once, to be shown from wherever it is named."""
    shown = {piece.id for page in book.pages for piece in page.pieces}
    cloths = shown | {piece.id for piece in book.bolt}
    if book.colouring is not None:
        cloths |= {piece.id for piece in book.colouring.cloths}
    kept = []
    for id, found in book.pictures.items():
        if id in cloths and found.cloth is not None:
            kept.append(_symbol(cloth_id(id), found.cloth))
        if id in shown and found.cut_out is not None:
            kept.append(_symbol(cut_id(id), found.cut_out))
    if book.wearer.head is not None:
        kept.append(_symbol("head", book.wearer.head))
    if book.wearer.face is not None:
        kept.append(_symbol("face", book.wearer.face))
    return f'<svg class="defs" aria-hidden="true">{"".join(kept)}</svg>'


def _symbol(id: str, pixels: ByteArray) -> str:
    rows, columns = pixels.shape[:2]
    picture = Image.fromarray(pixels)
    picture.thumbnail((LONGEST, LONGEST), Image.Resampling.LANCZOS)
    out = io.BytesIO()
    picture.save(out, "WEBP", quality=QUALITY)
    data = base64.b64encode(out.getvalue()).decode()
    return (
        f'<symbol id="{id}" viewBox="0 0 {columns} {rows}" preserveAspectRatio="none">'
        f'<image width="{columns}" height="{rows}" preserveAspectRatio="none" href="data:image/webp;base64,{data}"/></symbol>'
    )


@cache
def _style() -> str:
    faces = "".join(
        f"@font-face{{font-family:{family};font-weight:{weight};src:url(data:font/ttf;base64,{_encoded(name)})}}"
        for family, weight, name in FACES
    )
    return faces + _resource("book.css")


def _encoded(font: str) -> str:
    return base64.b64encode(font_file(font).read_bytes()).decode()


def _resource(name: str) -> str:
    return files(__package__).joinpath(name).read_text(encoding="utf-8")


def _hash(text: str) -> str:
    return f"sha256-{base64.b64encode(hashlib.sha256(text.encode()).digest()).decode()}"
