"""A book on paper: pages of vectors and real text, with bookmarks, a structure and alternative texts."""

import io
from collections.abc import Sequence

import numpy as np
from PIL import Image

from lucid_swatch.core.colour.spaces import lab_to_hex
from lucid_swatch.core.garment.piece import Piece
from lucid_swatch.core.look.book.book import LookBook
from lucid_swatch.core.look.book.index import by_occasion, by_piece
from lucid_swatch.core.look.book.page import BookPage, BookStopped, Tell
from lucid_swatch.core.look.book.words import named
from lucid_swatch.core.look.figure.body import stature_of
from lucid_swatch.core.look.figure.figure import HALF_WIDTH, ROOM, figure_of
from lucid_swatch.core.look.figure.laid_out import laid_out

from .layout import Box, Format, Paper, look_places
from .sheet import LEADING, Sheet
from .strokes import HEAD, figure_strokes, place_strokes

PAPER, INK, SOFT = 246, 20, 84
"""Greys of the page, of its words, and of what is said beside."""
HEADING, GAP = ("plain", "B"), 2.2
"""Font of a heading, and millimetres between paragraphs."""
LEAST = 0.72
"""Of the usual size: the smallest that words become where there are many."""
MOST_WORDS = 0.42
"""Share of the height of a page that words take."""
POINT = 0.3528
"""Millimetres."""


def book_pdf(book: LookBook, paper: Format = Paper.A4.value, tell: Tell = lambda share: True) -> bytes:
    """A book as PDF. Raises BookStopped when it is told to."""
    return bytes(_Writer(book, paper).whole(tell).output())


def page_pdf(book: LookBook, page: BookPage, paper: Format) -> bytes:
    """One page of it by itself."""
    writer = _Writer(book, paper)
    writer.look(page)
    return bytes(writer.sheet.output())


class _Writer:
    """Writes the pages of one book."""

    def __init__(self, book: LookBook, paper: Format) -> None:
        self.book, self.paper = book, paper
        self.sheet = Sheet(paper.width, paper.height, book.title, book.pictures)
        self.m, self.wide = paper.margin, paper.width - 2 * paper.margin

    def whole(self, tell: Tell) -> Sheet:
        book = self.book
        if book.cover:
            self.cover()
        if book.colouring is not None:
            self.colouring()
        numbers = []
        for k, page in enumerate(book.pages):
            if not tell(k / max(len(book.pages), 1)):
                raise BookStopped
            self.look(page, number=True)
            numbers.append(self.sheet.page_no())
        if book.index and book.pages:
            self.index(numbers)
        if book.helps:
            self.helps()
        if not self.sheet.page:
            self._page("")
        return self.sheet

    def _page(self, bookmark: str, level: int = 0) -> None:
        self.sheet.add_page()
        self.sheet.ground(PAPER)
        if bookmark:
            self.sheet.start_section(bookmark, level)

    def cover(self) -> None:
        """The title over the rail as one bolt of cloth."""
        sheet, paper, m = self.sheet, self.paper, self.m
        self._page("Cover")
        low = paper.height * 0.56
        if self.book.bolt:
            with sheet.tagged("Figure", f"The cloth of {len(self.book.bolt)} pieces, side by side."):
                self._bolt((m, m, paper.width - m, low))
        face, wide = self.book.wearer.face, self.wide
        if face is not None:
            high = 0.24 * paper.height
            across = high * face.shape[1] / face.shape[0]
            wide -= across + 4
            with sheet.tagged("Figure", "The face of the portrait."):
                sheet.image(Image.fromarray(face), paper.width - m - across, low + 0.06 * paper.height, across, high)
        size = 2.1 * paper.title
        while size > paper.title and sheet.height_of(self.book.title, wide, size, ("petrona", "")) > 0.2 * paper.height:
            size *= 0.92
        y = sheet.words(self.book.title, m, low + 0.05 * paper.height, wide, size, ("petrona", ""), kind="H1")
        y = sheet.words(self.book.subtitle, m, y + 1, wide, 1.15 * paper.body, grey=SOFT)
        if self.book.word:
            self._fitting(
                self.book.word, m, y + 4, 0.75 * wide, paper.height - m - y - 4, 1.15 * paper.body, ("petrona", "I")
            )

    def _bolt(self, box: Box) -> None:
        sheet, (left, top, right, bottom) = self.sheet, box
        each = (right - left) / len(self.book.bolt)
        for k, piece in enumerate(self.book.bolt):
            x = left + k * each
            # each a hair wider, so that nothing shows between two
            box = (x, top, min(right, x + each + 0.1), bottom)
            self._swatch(piece, box)
        sheet.set_draw_color(0)

    def _swatch(self, piece: Piece, box: Box) -> None:
        """Cloth, or its colours by what they cover."""
        sheet, (left, top, right, bottom) = self.sheet, box
        y = top
        for lab, share in zip(piece.lab, piece.share / piece.share.sum(), strict=True):
            sheet.set_fill_color(lab_to_hex(lab))
            sheet.rect(left, y, right - left, min((bottom - top) * float(share) + 0.05, bottom - y), style="F")
            y += (bottom - top) * float(share)
        cloth, pictures = sheet.cloth(piece.id), self.book.pictures.get(piece.id)
        if cloth is None or pictures is None or pictures.cloth is None:
            return
        corners = np.array([(left, top), (right, top), (right, bottom), (left, bottom)])
        aspect = pictures.cloth.shape[1] / pictures.cloth.shape[0]
        with sheet.inside([corners]):
            # as wide as it is, repeated down: a bolt shows its cloth at one size
            high, y = (right - left) / aspect, top
            while y < bottom:
                sheet.image(io.BytesIO(cloth), left, y, right - left, high)
                y += high

    def colouring(self) -> None:
        """A colouring in words and in cloth."""
        told, sheet, paper, m = self.book.colouring, self.sheet, self.paper, self.m
        assert told is not None
        self._page("Your colouring")
        y = sheet.words("Your colouring", m, m, self.wide, paper.title, ("petrona", ""), kind="H1") + GAP
        wearer = self.book.wearer
        chips = [
            (name, lab)
            for name, lab in (("skin", wearer.skin), ("hair", wearer.hair), ("eyes", wearer.eyes))
            if lab is not None
        ]
        side = 0.07 * self.wide
        for k, (name, lab) in enumerate(chips):
            x = m + k * (side + 4)
            sheet.set_fill_color(lab_to_hex(lab))
            with sheet.tagged("Figure", f"The colour of your {name}."):
                sheet.rect(x, y, side, side, style="F")
            sheet.words(name, x, y + side + 0.6, side + 3, paper.small, grey=SOFT)
        y += (side + paper.small * POINT * LEADING + 3) if chips else 0
        for sentence in told.sentences:
            y = sheet.words(sentence, m, y, 0.8 * self.wide, 1.08 * paper.body) + 1.4
        if told.cloths:
            y = (
                sheet.words(
                    "From your own rail, what sits with it at the face",
                    m,
                    y + GAP,
                    self.wide,
                    paper.body,
                    HEADING,
                    kind="H2",
                )
                + 1.5
            )
            self._cloths(told.cloths, y)

    def _cloths(self, pieces: Sequence[Piece], top: float) -> None:
        """Swatches with names in rows, as many as fit."""
        sheet, paper = self.sheet, self.paper
        across = 4 if paper.upright else 6
        each = (self.wide + 4) / across
        line = paper.small * POINT * LEADING
        high = min(0.16 * paper.height, 0.8 * each)
        y = top
        for start in range(0, len(pieces), across):
            if y + high + 2 * line > paper.height - self.m:
                return
            for k, piece in enumerate(pieces[start : start + across]):
                x = self.m + k * each
                with sheet.tagged("Figure", f"The cloth of {named([piece])}."):
                    self._swatch(piece, (x, y, x + each - 4, y + high))
                sheet.words(piece.called, x, y + high + 0.8, each - 4, paper.small)
            y += high + 2 * line + 3

    def look(self, page: BookPage, number: bool = False) -> None:
        """A page of one look."""
        sheet, paper, m = self.sheet, self.paper, self.m
        self._page(page.name)
        left = self.wide if paper.upright else 0.3 * paper.width
        y = sheet.words(page.when, m, m, self.wide if paper.upright else 0.6 * self.wide, paper.small, grey=SOFT)
        size = paper.title
        while (
            size > LEAST * paper.title and sheet.height_of(page.name, left, size, ("petrona", "")) > 0.2 * paper.height
        ):
            size *= 0.93
        y = sheet.words(page.name, m, y, left, size, ("petrona", ""), kind="H1")
        across = self.wide if paper.upright else 0.67 * paper.width - m
        body, words = self._words_fitting(page, across)
        places = look_places(paper, y + GAP, words)
        self._figure(page, places.figure)
        self._pieces(page, places.pieces)
        self._say(page, places.words, body)
        if number:
            foot = f"{len(self.book.pages)}"
            at = self.book.pages.index(page) + 1
            sheet.words(
                f"{at} of {foot}", m, paper.height - m * 0.7, self.wide, 0.72 * paper.body, grey=SOFT, align="R"
            )

    def _words_fitting(self, page: BookPage, across: float) -> tuple[float, float]:
        """The size at which the words of a page take no more than their share, and how high they stand."""
        size = self.paper.body
        while True:
            high = self._say(page, (0.0, 0.0, across, 0.0), size, dry=True)
            if high <= MOST_WORDS * self.paper.height or size <= LEAST * self.paper.body:
                return size, high
            size *= 0.95

    def _say(self, page: BookPage, box: Box, size: float, dry: bool = False) -> float:
        """How it is worn, what changes for the evening, why it works; how high that stands."""
        left, top, right, _ = box
        gap = 0.04 * self.paper.width
        half = (right - left - gap) / 2
        pair = [(head, text) for head, text in (("How", page.how), ("For the evening", page.evening)) if text]
        lows = [top]
        for k, (head, text) in enumerate(pair):
            width = half if len(pair) == 2 else right - left
            lows.append(self._paragraph(head, text, left + k * (half + gap), top, width, size, dry))
        y = max(lows) + (GAP if pair and page.why else 0)
        if page.why:
            y = self._paragraph("Why it works", page.why, left, y, right - left, size, dry)
        if page.gone:
            text = f"Not in it any more: {', '.join(page.gone)}."
            y = self._paragraph("", text, left, y + GAP, right - left, 0.9 * size, dry)
        return y - top

    def _paragraph(self, head: str, text: str, x: float, y: float, width: float, size: float, dry: bool) -> float:
        if dry:
            return y + self.sheet.height_of(head, width, size, HEADING) + self.sheet.height_of(text, width, size)
        y = self.sheet.words(head, x, y, width, size, HEADING, kind="H2")
        return self.sheet.words(text, x, y, width, size)

    def _fitting(
        self, text: str, x: float, y: float, width: float, height: float, size: float, font: tuple[str, str]
    ) -> None:
        while size > 6 and self.sheet.height_of(text, width, size, font) > height:
            size *= 0.94
        self.sheet.words(text, x, y, width, size, font)

    def _figure(self, page: BookPage, box: Box) -> None:
        left, top, right, bottom = box
        wearer = self.book.wearer
        figure = figure_of(page.pieces, wearer.build)
        tall = stature_of(wearer.build) + ROOM + 2
        scale = min((right - left) / (2 * HALF_WIDTH), (bottom - top) / tall)
        at = ((left + right) / 2, bottom - (tall - ROOM) * scale)
        with self.sheet.tagged("Figure", f"{page.name}, worn: {named(page.pieces)}."):
            for stroke in figure_strokes(figure, wearer):
                if stroke is not None:
                    self.sheet.stroke(stroke, scale, at)
                elif wearer.head is not None:
                    x, y = at[0] + HEAD[0] * scale, at[1] + HEAD[1] * scale
                    self.sheet.image(
                        Image.fromarray(wearer.head), x, y, (HEAD[2] - HEAD[0]) * scale, (HEAD[3] - HEAD[1]) * scale
                    )

    def _pieces(self, page: BookPage, box: Box) -> None:
        """The real pieces in true proportion, each with its name."""
        left, top, right, bottom = box
        aspects = {
            id: a for p in page.pieces if (id := p.id) in self.book.pictures and (a := self.book.pictures[id].aspect)
        }
        flat = laid_out(page.pieces, aspects)
        scale = min((right - left) / max(flat.width, 1), (bottom - top) / max(flat.height, 1))
        at = (left + (right - left - flat.width * scale) / 2, top + (bottom - top - flat.height * scale) / 2)
        # names are as large as fits beside their neighbours, and never larger than the rest
        size = min(self.paper.small, max(4.9 * scale / POINT, 0.62 * self.paper.small))
        for place in flat.places:
            x, y = at[0] + place.left * scale, at[1] + place.top * scale
            wide, high = place.width * scale, place.height * scale
            with self.sheet.tagged("Figure", f"{named([place.piece], '')}, laid flat."):
                if place.piece.id in aspects:
                    self.sheet.cut_out(place.piece.id, (x, y, x + wide, y + high))
                else:
                    for stroke in place_strokes(place):
                        self.sheet.stroke(stroke, scale, at)
            across = max(wide, 2.4 * len(place.piece.called) * scale, 7 * size * POINT)
            self.sheet.words(
                place.piece.called, x + wide / 2 - across / 2, y + high + 0.8 * scale, across, size, align="C"
            )

    def index(self, numbers: Sequence[int]) -> None:
        """By piece and by occasion, with links to the pages."""
        lines = [(piece.called, piece, pages) for piece, pages in by_piece(self.book.pages)]
        occasions = by_occasion(self.book.pages)
        columns = _Columns(self, "What to wear with it")
        for name, piece, pages in lines:
            columns.line(name, piece, pages, numbers)
        if occasions:
            columns.heading("By occasion")
            for name, pages in occasions:
                columns.line(name, None, pages, numbers)

    def helps(self) -> None:
        """What would help, if one comes across it."""
        sheet, paper, m = self.sheet, self.paper, self.m
        self._page("What would help")
        y = sheet.words("What would help", m, m, self.wide, paper.title, ("petrona", ""), kind="H1") + 2 * GAP
        side = 0.06 * self.wide
        for one in self.book.helps:
            if y + side > paper.height - m:
                return
            sheet.set_fill_color(lab_to_hex(one.lab))
            with sheet.tagged("Figure", f"The colour of {one.name}."):
                sheet.rect(m, y, side, side, style="F")
            low = sheet.words(one.name, m + side + 4, y, self.wide - side - 4, paper.body, HEADING)
            text = f"would make {one.opens} more good looks of what hangs there."
            low = sheet.words(text, m + side + 4, low, self.wide - side - 4, paper.body)
            y = max(low, y + side) + GAP * 2


class _Columns:
    """Lines of an index in columns, on as many pages as they need."""

    def __init__(self, writer: _Writer, title: str) -> None:
        self.writer, self.title = writer, title
        self.count = 1 if writer.paper.upright else 2
        self.each = (writer.wide + 8) / self.count
        self.high = writer.paper.body * POINT * 1.9
        self.start()

    def start(self) -> None:
        writer = self.writer
        writer._page(self.title)
        y = writer.sheet.words(
            self.title, writer.m, writer.m, writer.wide, writer.paper.title, ("petrona", ""), kind="H1"
        )
        self.top, self.column = y + GAP, 0
        self.y = self.top

    def room(self, height: float) -> None:
        if self.y + height <= self.writer.paper.height - self.writer.m:
            return
        self.column, self.y = self.column + 1, self.top
        if self.column == self.count:
            self.start()

    def heading(self, text: str) -> None:
        self.room(3 * self.high)
        writer = self.writer
        x = writer.m + self.column * self.each
        self.y = writer.sheet.words(text, x, self.y + 2, self.each - 8, writer.paper.body, HEADING, kind="H2") + 1

    def line(self, name: str, piece: Piece | None, pages: Sequence[int], numbers: Sequence[int]) -> None:
        sheet, writer = self.writer.sheet, self.writer
        told = ", ".join(str(k + 1) for k in pages)
        inner = 0.0 if piece is None else self.high
        text = f"{name}   {told}"
        high = max(self.high, sheet.height_of(text, self.each - 8 - inner, 0.95 * writer.paper.body) + 0.8)
        self.room(high)
        x = writer.m + self.column * self.each
        if piece is not None:
            writer._swatch(piece, (x, self.y, x + 0.72 * self.high, self.y + 0.72 * self.high))
        sheet.words(text, x + inner, self.y, self.each - 8 - inner, 0.95 * writer.paper.body)
        link = sheet.add_link(page=numbers[pages[0]])
        sheet.link(x, self.y, self.each - 8, high, link)
        self.y += high
