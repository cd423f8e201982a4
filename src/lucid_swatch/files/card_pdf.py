"""The reference card as a PDF to print at home."""

import io
from enum import StrEnum

from reportlab.lib.units import mm
from reportlab.pdfgen.canvas import Canvas

from lucid_swatch.core.colour.arrays import FloatArray
from lucid_swatch.core.colour.spaces import encode_srgb, lab_to_rgb_linear
from lucid_swatch.core.photo.card import (
    BOTTOM,
    CORNERS,
    HEIGHT,
    MARGIN,
    NOMINAL,
    TOP,
    WIDTH,
    marker_boxes,
    marker_cells,
    patch_boxes,
)


class CardSize(StrEnum):
    """Paper sizes of the card, ISO 216."""

    A6 = "A6"
    A4 = "A4"


SCALE = {CardSize.A6: 1.0, CardSize.A4: 2.0}
TITLE = "Reference card"
ADVICE = ("Print on matt white paper, without scaling.", "Lay it flat beside the garment, in the same light.")


def card_pdf(size: CardSize) -> bytes:
    """The card on one page: corner marks, grey steps and colour patches, as vectors and without a date."""
    scale = SCALE[size]
    out = io.BytesIO()
    canvas = Canvas(out, pagesize=(WIDTH * scale * mm, HEIGHT * scale * mm), invariant=1)
    canvas.setTitle(f"Lucid Swatch {TITLE.lower()}, {size.value}")
    canvas.scale(scale, scale)
    for number, box in zip(CORNERS, marker_boxes(), strict=True):
        _marker(canvas, number, box)
    colours = encode_srgb(lab_to_rgb_linear(NOMINAL))
    for k, (box, colour) in enumerate(zip(patch_boxes(), colours, strict=True)):
        left, top, right, bottom = box
        canvas.setFillColorRGB(*(1, 1, 1) if k == 0 else map(float, colour))
        canvas.setStrokeColorRGB(0.6, 0.6, 0.6)
        canvas.setLineWidth(0.2)
        canvas.rect(left * mm, (HEIGHT - bottom) * mm, (right - left) * mm, (bottom - top) * mm, fill=1, stroke=k == 0)
    _words(canvas)
    canvas.showPage()
    canvas.save()
    return out.getvalue()


def _marker(canvas: Canvas, number: int, box: FloatArray) -> None:
    left, top, right, _ = box
    cells = marker_cells(number)
    side = (right - left) / len(cells)
    canvas.setFillColorRGB(0, 0, 0)
    for row, line in enumerate(cells):
        for column, black in enumerate(line):
            if black:
                x, y = (left + column * side) * mm, (HEIGHT - top - (row + 1) * side) * mm
                canvas.rect(x, y, side * mm, side * mm, fill=1, stroke=0)


def _words(canvas: Canvas) -> None:
    canvas.setFillColorRGB(0.25, 0.25, 0.25)
    canvas.setFont("Helvetica-Bold", 8)
    canvas.drawCentredString(WIDTH / 2 * mm, (HEIGHT - TOP + 12) * mm, TITLE)
    canvas.setFont("Helvetica", 3.6)
    for k, line in enumerate(ADVICE):
        canvas.drawCentredString(WIDTH / 2 * mm, (HEIGHT - BOTTOM - MARGIN - 4 * k) * mm, line)
