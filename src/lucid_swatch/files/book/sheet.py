"""A sheet of the book: words that are real text, cloth that is cut along vectors, and what a screen reader says of it."""

import io
from collections.abc import Iterator, Mapping, Sequence
from contextlib import contextmanager

import cv2
import numpy as np
from fpdf import FPDF
from fpdf.enums import OutputIntentSubType
from fpdf.output import PDFICCProfile
from PIL import Image, ImageCms

from lucid_swatch.core.colour.arrays import ByteArray, FloatArray
from lucid_swatch.core.look.book.book import PieceInPictures

from .fonts import BOLD, ITALIC, OTHER_SCRIPTS, PETRONA, PLAIN, font_file, writable
from .strokes import EDGE, EDGE_DARK, Stroke, covering

LONGEST = 640
"""Pixels of the longer side of a piece that was cut out of its photo."""
QUALITY = 88
NO_HOLE = 0.002
"""Share of a cut-out below which a hole in it is dust."""
BAND = 5
"""Pixels by which the cloth is carried on beyond its outline, so that no dark edge shows through."""

Outline = Sequence[FloatArray]
"""Polygons, (n, 2) each; one within another is a hole."""


class Sheet(FPDF):
    """A document of pages of one size, millimetres. Pictures are embedded once, however often they are shown."""

    def __init__(self, width: float, height: float, title: str, pictures: Mapping[str, PieceInPictures]) -> None:
        super().__init__(unit="mm", format=(width, height))
        self.set_auto_page_break(False)
        self.set_margin(0)
        self.set_title(title)
        self.set_lang("en")
        self.set_creator("Lucid Swatch")
        self.c_margin = 0
        for family, style, name in (
            ("petrona", "", PETRONA),
            ("petrona", "I", ITALIC),
            ("plain", "", PLAIN),
            ("plain", "B", BOLD),
            ("others", "", OTHER_SCRIPTS),
        ):
            self.add_font(family, style, font_file(name))
        self.set_fallback_fonts(["others"], exact_match=False)
        self.set_text_shaping(True)
        profile = ImageCms.ImageCmsProfile(ImageCms.createProfile("sRGB")).tobytes()
        self.add_output_intent(
            OutputIntentSubType.PDFA,
            "sRGB IEC61966-2.1",
            dest_output_profile=PDFICCProfile(profile, 3, "DeviceRGB"),
            info="sRGB IEC61966-2.1",
        )
        self.pictures = pictures
        self._cloths: dict[str, bytes | None] = {}
        self._cut_outs: dict[str, tuple[bytes, Outline]] = {}

    @contextmanager
    def tagged(self, kind: str, alternative: str | None = None) -> Iterator[None]:
        """Marks what is drawn as a part of the document's structure. kind: H1, H2, P or Figure; alternative: what is said of a
        picture to who does not see it."""
        mark = self.struct_builder.next_mcid_for_page(self.page)
        told = {} if alternative is None else {"alt_text": alternative}
        self._add_marked_content(struct_type=f"/{kind}", mcid=mark, **told)
        self._out(f"/{kind} <</MCID {mark}>> BDC")
        yield
        self._out("EMC")

    @contextmanager
    def inside(self, outline: Outline) -> Iterator[None]:
        """Shows only what is drawn within some polygons, millimetres."""
        told = []
        for points in outline:
            places = [f"{x * self.k:.2f} {(self.h - y) * self.k:.2f}" for x, y in points.tolist()]
            told.append(f"{places[0]} m {' '.join(f'{one} l' for one in places[1:])} h")
        self._out(f"q {' '.join(told)} W* n")
        yield
        self._out("Q")

    def words(
        self,
        text: str,
        x: float,
        y: float,
        width: float,
        size: float,
        font: tuple[str, str] = ("plain", ""),
        grey: int = 20,
        align: str = "L",
        kind: str = "P",
    ) -> float:
        """Writes words from a place downwards, in lines of a width. The place below them, millimetres."""
        if not text:
            return y
        with self.tagged(kind):
            self.set_font(*font, size=size)
            self.set_text_color(grey)
            self.set_xy(x, y)
            self.multi_cell(width, self.font_size * LEADING, writable(text), align=align, new_x="LEFT", new_y="NEXT")
        return float(self.get_y())

    def height_of(self, text: str, width: float, size: float, font: tuple[str, str] = ("plain", "")) -> float:
        """How high words stand in lines of a width, millimetres."""
        if not text:
            return 0.0
        self.set_font(*font, size=size)
        high = self.multi_cell(
            width, self.font_size * LEADING, writable(text), align="L", dry_run=True, output="HEIGHT"
        )
        assert isinstance(high, float | int)
        return float(high)

    def ground(self, grey: int) -> None:
        """Fills the whole page."""
        self.set_fill_color(grey)
        self.rect(0, 0, self.w, self.h, style="F")

    def stroke(self, stroke: Stroke, scale: float, at: tuple[float, float]) -> None:
        """One outline of a drawing. scale: millimetres for each centimetre; at: where its origin lies."""
        points = stroke.points * scale + at
        if stroke.fill is None:
            with self.local_context(stroke_opacity=stroke.dark):
                self.set_draw_color(0)
                self.set_line_width(stroke.width * scale)
                self.polyline(points.tolist())
            return
        self.set_fill_color(stroke.fill)
        self.polygon(points.tolist(), style="F")
        if stroke.piece is not None:
            self._cloth(stroke, points, scale, at)
        if stroke.edge:
            with self.local_context(stroke_opacity=EDGE_DARK):
                self.set_draw_color(0)
                self.set_line_width(EDGE * scale)
                self.polygon(points.tolist(), style="D")
        if stroke.dark:
            with self.local_context(fill_opacity=stroke.dark):
                self.set_fill_color(0)
                self.polygon(points.tolist(), style="F")

    def _cloth(self, stroke: Stroke, points: FloatArray, scale: float, at: tuple[float, float]) -> None:
        assert stroke.piece is not None
        cloth = self.cloth(stroke.piece.id)
        pixels = self.pictures[stroke.piece.id].cloth if cloth is not None else None
        if cloth is None or pixels is None:
            return
        left, top, right, bottom = covering(stroke.box, pixels.shape[1] / pixels.shape[0])
        x, y = at[0] + left * scale, at[1] + top * scale
        wide, high = (right - left) * scale, (bottom - top) * scale
        with self.inside([points]), self.rotation(-stroke.turn, x + wide / 2, y + high / 2):
            self.image(io.BytesIO(cloth), x, y, wide, high)

    def cloth(self, piece_id: str) -> bytes | None:
        """The cloth of a piece as a JPEG; None where there is no picture of it."""
        if piece_id not in self._cloths:
            found = self.pictures.get(piece_id)
            self._cloths[piece_id] = None if found is None or found.cloth is None else _jpeg(found.cloth)
        return self._cloths[piece_id]

    def cut_out(self, piece_id: str, box: tuple[float, float, float, float]) -> None:
        """A piece alone, cut along its outline. box: left, top, right and bottom, millimetres."""
        if piece_id not in self._cut_outs:
            picture = self.pictures[piece_id].cut_out
            assert picture is not None
            self._cut_outs[piece_id] = _cut(picture)
        content, outline = self._cut_outs[piece_id]
        left, top, right, bottom = box
        size = np.array([right - left, bottom - top])
        with self.inside([points * size + (left, top) for points in outline]):
            self.image(io.BytesIO(content), left, top, right - left, bottom - top)


LEADING = 1.32
"""Of lines, in sizes of the letters."""


def _jpeg(srgb: ByteArray) -> bytes:
    out = io.BytesIO()
    Image.fromarray(srgb).save(out, "JPEG", quality=QUALITY, subsampling=0)
    return out.getvalue()


def _cut(picture: ByteArray) -> tuple[bytes, Outline]:
    """A cut-out as a JPEG of its box, and its outline in fractions of it."""
    scale = min(1.0, LONGEST / max(picture.shape[:2]))
    size = (max(1, round(picture.shape[1] * scale)), max(1, round(picture.shape[0] * scale)))
    small = cv2.resize(picture, size, interpolation=cv2.INTER_AREA) if scale < 1 else picture
    there = (small[..., 3] > 127).astype(np.uint8)
    found, tree = cv2.findContours(there, cv2.RETR_CCOMP, cv2.CHAIN_APPROX_TC89_KCOS)
    least = NO_HOLE * there.size
    kept = [
        one[:, 0] for one, (_, _, _, parent) in zip(found, tree[0], strict=True) if len(one) > 2 and (parent < 0 or cv2.contourArea(one) > least)
    ]  # fmt: skip
    outline = [(one + 0.5) / size for one in kept]
    beyond = cv2.dilate(there, np.ones((BAND, BAND), np.uint8)) - there
    filled = cv2.inpaint(np.ascontiguousarray(small[..., :3]), beyond, 2, cv2.INPAINT_TELEA)
    middle = small[..., :3][there > 0].mean(axis=0) if there.any() else np.zeros(3)
    filled[(there + beyond) == 0] = middle
    return _jpeg(filled), outline
