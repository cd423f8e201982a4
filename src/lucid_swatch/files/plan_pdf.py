"""A plan on paper: the days with what is worn, and the case with boxes to tick."""

import io
from collections.abc import Sequence
from dataclasses import dataclass
from pathlib import Path

import numpy as np
import reportlab
from reportlab.lib.pagesizes import A4
from reportlab.lib.units import mm
from reportlab.lib.utils import simpleSplit
from reportlab.pdfbase.pdfmetrics import registerFont
from reportlab.pdfbase.ttfonts import TTFont
from reportlab.pdfgen.canvas import Canvas

from lucid_swatch.core.colour.arrays import FloatArray
from lucid_swatch.core.colour.spaces import encode_srgb, lab_to_rgb_linear

FONTS = Path(reportlab.__file__).parent / "fonts"
PLAIN, BOLD = "Vera", "VeraBd"
LEFT, TOP, BOTTOM = 18 * mm, 20 * mm, 16 * mm
INK, SOFT, LINE = 0.1, 0.35, 0.7
CHIP, TEETH = 9 * mm, 5
"""Side of a chip of cloth, and teeth of its pinked edge along it."""


@dataclass(frozen=True, slots=True, eq=False)
class Cloth:
    """A piece as a chip of cloth."""

    name: str
    colours: tuple[tuple[FloatArray, float], ...]
    """CIELAB D65 with the share that each covers."""


@dataclass(frozen=True, slots=True)
class PaperDay:
    """An occasion on its day."""

    day: str
    occasion: str
    sky: str
    worn: tuple[Cloth, ...]
    stages: tuple[str, ...]


@dataclass(frozen=True, slots=True)
class PackedLine:
    """A piece of the case."""

    name: str
    ticked: bool
    days: int


@dataclass(frozen=True, slots=True)
class PlanOnPaper:
    """Everything that stands on the pages."""

    title: str
    until: str
    place: str
    days: tuple[PaperDay, ...]
    case: tuple[PackedLine, ...]
    travels: str
    unmet: tuple[str, ...]


class _Page:
    """Where the next line goes; begins another page when this one is full."""

    def __init__(self, canvas: Canvas) -> None:
        self.canvas, (self.wide, self.high) = canvas, A4
        self.y = self.high - TOP

    def room(self, height: float) -> None:
        if self.y - height < BOTTOM:
            self.canvas.showPage()
            self.y = self.high - TOP

    def line(self, text: str, size: float, bold: bool = False, grey: float = INK, indent: float = 0.0) -> None:
        font, across = BOLD if bold else PLAIN, self.wide - 2 * LEFT - indent
        for part in simpleSplit(text, font, size, across):
            self.room(size * 1.45)
            self.y -= size * 1.45
            self.canvas.setFont(font, size)
            self.canvas.setFillGray(grey)
            self.canvas.drawString(LEFT + indent, self.y, part)


def plan_pdf(plan: PlanOnPaper) -> bytes:
    """A4 pages of vectors and words, without a date."""
    for name in (PLAIN, BOLD):
        registerFont(TTFont(name, str(FONTS / f"{name}.ttf")))
    out = io.BytesIO()
    canvas = Canvas(out, pagesize=A4, invariant=1)
    canvas.setTitle(plan.title)
    page = _Page(canvas)
    page.line(plan.title, 18, bold=True)
    page.line(" · ".join(filter(None, (plan.until, plan.place))), 9, grey=SOFT)
    for day in plan.days:
        _day(page, day)
    for sentence in plan.unmet:
        page.line(sentence, 8.5, grey=SOFT)
    _case(page, plan)
    canvas.showPage()
    canvas.save()
    return out.getvalue()


def _day(page: _Page, day: PaperDay) -> None:
    page.room(14 + CHIP + 24)
    page.y -= 10
    page.line(f"{day.day}: {day.occasion}", 10.5, bold=True)
    if day.sky:
        page.line(day.sky, 8.5, grey=SOFT)
    if not day.worn:
        page.line("nothing hangs here yet", 8.5, grey=SOFT)
    page.room(CHIP + 8)
    for k, cloth in enumerate(day.worn):
        _chip(page.canvas, cloth, LEFT + k * (CHIP + 2 * mm), page.y - CHIP - 4)
    if day.worn:
        page.y -= CHIP + 6
        page.line(", ".join(cloth.name for cloth in day.worn), 8.5)
    for stage in day.stages:
        page.line(stage, 8, grey=SOFT, indent=4 * mm)


def _chip(canvas: Canvas, cloth: Cloth, left: float, bottom: float) -> None:
    """A square with a pinked edge, its colours from top to bottom by what they cover."""
    canvas.saveState()
    path = canvas.beginPath()
    outline = _pinked()
    path.moveTo(left + outline[0][0], bottom + outline[0][1])
    for x, y in outline[1:]:
        path.lineTo(left + x, bottom + y)
    path.close()
    canvas.clipPath(path, stroke=0, fill=0)
    top = bottom + CHIP
    for lab, share in cloth.colours:
        canvas.setFillColorRGB(*map(float, np.clip(encode_srgb(lab_to_rgb_linear(lab)), 0, 1)))
        canvas.rect(left, top - share * CHIP - 0.2, CHIP, share * CHIP + 0.4, fill=1, stroke=0)
        top -= share * CHIP
    canvas.restoreState()


def _pinked() -> Sequence[tuple[float, float]]:
    tooth = CHIP / TEETH / 2
    side = [(k * tooth, (k % 2) * tooth * 0.7) for k in range(2 * TEETH)]
    return [
        *side,
        *((CHIP - y, x) for x, y in side),
        *((CHIP - x, CHIP - y) for x, y in side),
        *((y, CHIP - x) for x, y in side),
    ]


def _case(page: _Page, plan: PlanOnPaper) -> None:
    if not plan.case and not plan.travels:
        return
    page.room(60)
    page.y -= 16
    page.line("The case", 13, bold=True)
    if plan.travels:
        page.line(f"Worn on the way: {plan.travels}", 9, grey=SOFT)
    page.y -= 4
    for one in plan.case:
        page.room(15)
        page.canvas.setStrokeGray(SOFT)
        page.canvas.setLineWidth(0.9)
        page.canvas.rect(LEFT, page.y - 13.5, 8, 8, fill=0, stroke=1)
        if one.ticked:
            page.canvas.line(LEFT + 1.5, page.y - 9.5, LEFT + 3.5, page.y - 12)
            page.canvas.line(LEFT + 3.5, page.y - 12, LEFT + 7, page.y - 6.5)
        often = f"  (worn on {one.days} days)" if one.days > 1 else ""
        page.line(f"{one.name}{often}", 9.5, indent=14)
