"""A look as SVG, for a page that carries its pictures itself."""

from collections.abc import Iterable
from html import escape

from lucid_swatch.core.colour.arrays import FloatArray
from lucid_swatch.core.colour.spaces import lab_to_hex
from lucid_swatch.core.look.book.book import LookBook
from lucid_swatch.core.look.book.page import BookPage
from lucid_swatch.core.look.book.words import named
from lucid_swatch.core.look.figure.body import stature_of
from lucid_swatch.core.look.figure.figure import HALF_WIDTH, ROOM, figure_of
from lucid_swatch.core.look.figure.laid_out import laid_out

from .strokes import EDGE, EDGE_DARK, HEAD, Stroke, covering, figure_strokes, place_strokes

MARGIN = 5.0
"""Centimetres round what is laid flat."""
LETTERS = 5.4
"""Centimetres that the letters of a name are high."""


class Drawings:
    """Draws the looks of one book; grains of cloth that are laid the same way are written once for each drawing."""

    def __init__(self, book: LookBook) -> None:
        self.book = book
        self.grains = 0

    def figure(self, page: BookPage) -> str:
        """A look on who wears it."""
        wearer = self.book.wearer
        figure = figure_of(page.pieces, wearer.build)
        tall = stature_of(wearer.build) + ROOM + 2
        box = (-HALF_WIDTH, -ROOM, 2 * HALF_WIDTH, tall)
        left, top, right, bottom = HEAD
        head = (
            f'<use href="#head" x="{left}" y="{top}" width="{right - left}" height="{bottom - top}"/>'
            if wearer.head is not None
            else ""
        )
        inner = self._drawn(figure_strokes(figure, wearer), head)
        return _svg(box, f"{page.name}, worn: {named(page.pieces)}", inner, "figure")

    def pieces(self, page: BookPage) -> str:
        """The real pieces, laid flat in true proportion, each with its name."""
        pictures = self.book.pictures
        aspects = {p.id: a for p in page.pieces if p.id in pictures and (a := pictures[p.id].aspect) is not None}
        flat = laid_out(page.pieces, aspects)
        inner = []
        for place in flat.places:
            piece = place.piece
            if piece.id in aspects:
                size = f'width="{place.width:.2f}" height="{place.height:.2f}"'
                inner.append(f'<use href="#{cut_id(piece.id)}" x="{place.left:.2f}" y="{place.top:.2f}" {size}/>')
            else:
                inner.append(self._drawn(place_strokes(place)))
            x, y = place.left + place.width / 2, place.top + place.height + LETTERS
            inner.append(f'<text x="{x:.2f}" y="{y:.2f}" font-size="{LETTERS}">{escape(piece.called)}</text>')
        box = (-MARGIN, -MARGIN, flat.width + 2 * MARGIN, flat.height + 2 * MARGIN)
        return _svg(box, f"Its pieces: {named(page.pieces)}", "".join(inner), "flat")

    def _drawn(self, strokes: Iterable[Stroke | None], head: str = "") -> str:
        return "".join(head if one is None else self._stroke(one) for one in strokes)

    def _stroke(self, stroke: Stroke) -> str:
        path = path_data(stroke.points, closed=stroke.fill is not None)
        if stroke.fill is None:
            return f'<path class="s" d="{path}" stroke-width="{stroke.width:g}" opacity="{stroke.dark:g}"/>'
        edge = f' stroke="#000" stroke-opacity="{EDGE_DARK}" stroke-width="{EDGE}"' if stroke.edge else ""
        told, fill = "", stroke.fill
        if stroke.piece is not None:
            told, fill = self._grain(stroke)
        dark = f'<path d="{path}" opacity="{stroke.dark:g}"/>' if stroke.dark else ""
        return f'{told}<path d="{path}" fill="{fill}"{edge}/>{dark}'

    def _grain(self, stroke: Stroke) -> tuple[str, str]:
        """Cloth as a pattern, and what fills with it; the plain colour where there is no picture of it."""
        piece = stroke.piece
        assert piece is not None
        found = self.book.pictures.get(piece.id)
        if found is None or found.cloth is None:
            return "", stroke.fill or ""
        self.grains += 1
        left, top, right, bottom = stroke.box
        wide, high = right - left, bottom - top
        x, y, x1, y1 = covering(stroke.box, found.cloth.shape[1] / found.cloth.shape[0])
        turn = (
            f' patternTransform="rotate({stroke.turn:g} {left + wide / 2:.2f} {top + high / 2:.2f})"'
            if stroke.turn
            else ""
        )
        pattern = (
            f'<pattern id="g{self.grains}" patternUnits="userSpaceOnUse" x="{left:.2f}" y="{top:.2f}" width="{wide:.2f}" '
            f'height="{high:.2f}"{turn}><rect width="{wide:.2f}" height="{high:.2f}" fill="{stroke.fill}"/>'
            f'<use href="#{cloth_id(piece.id)}" x="{x - left:.2f}" y="{y - top:.2f}" width="{x1 - x:.2f}" height="{y1 - y:.2f}"/>'
            "</pattern>"
        )
        return pattern, f"url(#g{self.grains})"

    def swatch(self, piece_id: str, lab: FloatArray, name: str) -> str:
        """A chip of cloth."""
        found = self.book.pictures.get(piece_id)
        inner = f'<rect width="10" height="10" fill="{lab_to_hex(lab)}"/>'
        if found is not None and found.cloth is not None:
            x, y, right, bottom = covering((0, 0, 10, 10), found.cloth.shape[1] / found.cloth.shape[0])
            size = f'x="{x:.2f}" y="{y:.2f}" width="{right - x:.2f}" height="{bottom - y:.2f}"'
            inner += f'<use href="#{cloth_id(piece_id)}" {size}/>'
        return _svg((0, 0, 10, 10), f"The cloth of {name}", inner, "chip")


def cloth_id(piece_id: str) -> str:
    """The name under which the cloth of a piece is kept in the page."""
    return f"cloth-{_plain(piece_id)}"


def cut_id(piece_id: str) -> str:
    """The name under which a piece that was cut out is kept in the page."""
    return f"cut-{_plain(piece_id)}"


def _plain(id: str) -> str:
    return "".join(c if c.isascii() and c.isalnum() else f"_{ord(c):x}_" for c in id)


def path_data(points: FloatArray, closed: bool) -> str:
    """An outline as SVG path data, two decimals of a centimetre. Source: SVG 2, 9.3."""
    told = " ".join(f"{x:g},{y:g}" for x, y in points.round(2).tolist())
    return f"M{told}Z" if closed else f"M{told}"


def _svg(box: tuple[float, float, float, float], name: str, inner: str, kind: str) -> str:
    told = " ".join(f"{v:.2f}" for v in box)
    return f'<svg class="{kind}" viewBox="{told}" role="img" aria-label="{escape(name)}">{inner}</svg>'
