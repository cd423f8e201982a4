"""What to look for in shops: a card to print, and the same as a picture for a telephone."""

import io
from dataclasses import dataclass
from pathlib import Path

import numpy as np
import reportlab
from PIL import Image, ImageCms, ImageDraw, ImageFont
from reportlab.lib.pagesizes import A6
from reportlab.lib.units import mm
from reportlab.pdfbase.pdfmetrics import registerFont
from reportlab.pdfbase.ttfonts import TTFont
from reportlab.pdfgen.canvas import Canvas

from lucid_swatch.core.colour.arrays import FloatArray
from lucid_swatch.core.colour.spaces import encode_srgb, lab_to_rgb_linear

FONTS = Path(reportlab.__file__).parent / "fonts"
PLAIN, BOLD = "Vera", "VeraBd"
WIDTH, HEIGHT = 1080, 1530
"""Of the picture, pixels: the proportion of A6."""
MARGIN, TEETH = 0.06, 44
"""In widths of the card, and teeth of the pinked edge across it."""
INK, SOFT, PAPER = 0.1, 0.35, 0.97
"""Greys of the words and of the card, 0..1."""
PARTNERS = 3


@dataclass(frozen=True, slots=True, eq=False)
class Card:
    """What is written on a card."""

    title: str
    """The colour and what it is, as in 'navy trousers'."""
    lab: FloatArray
    """(3,), CIELAB D65."""
    lines: tuple[str, ...]
    partners: tuple[tuple[str, FloatArray], ...]
    """What it is to go with, with the colour of each."""


def card_pdf(card: Card) -> bytes:
    """One A6 page of vectors and words, without a date."""
    for name in (PLAIN, BOLD):
        registerFont(TTFont(name, str(FONTS / f"{name}.ttf")))
    out, (wide, high) = io.BytesIO(), A6
    canvas = Canvas(out, pagesize=A6, invariant=1, pageCompression=0)
    canvas.setTitle(f"To look for: {card.title}")
    canvas.setFillGray(PAPER)
    canvas.rect(0, 0, wide, high, fill=1, stroke=0)
    _cloth(canvas, card.lab, (MARGIN * wide, 0.46 * high, (1 - 2 * MARGIN) * wide, 0.48 * high), TEETH)
    canvas.setFillGray(INK)
    canvas.setFont(BOLD, _fitting(card.title, 17, wide))
    canvas.drawString(MARGIN * wide, 0.40 * high, card.title)
    canvas.setFont(PLAIN, 7.6)
    canvas.setFillGray(SOFT)
    for k, line in enumerate(card.lines):
        canvas.drawString(MARGIN * wide, 0.355 * high - k * 4.2 * mm, line)
    for k, (name, lab) in enumerate(card.partners[:PARTNERS]):
        left = MARGIN * wide + k * 0.3 * wide
        _cloth(canvas, lab, (left, 0.075 * high, 0.27 * wide, 0.09 * high), 12)
        canvas.setFillGray(SOFT)
        canvas.setFont(PLAIN, 6)
        canvas.drawString(left, 0.05 * high, name)
    canvas.showPage()
    canvas.save()
    return out.getvalue()


def _fitting(words: str, size: float, wide: float) -> float:
    """The size at which some words fit across the card."""
    return min(size, 1.62 * (1 - 2 * MARGIN) * wide / max(len(words), 1))


def _cloth(canvas: Canvas, lab: FloatArray, box: tuple[float, float, float, float], teeth: int) -> None:
    left, bottom, wide, high = box
    path = canvas.beginPath()
    outline = _pinked(wide, high, teeth)
    path.moveTo(left + outline[0][0], bottom + outline[0][1])
    for x, y in outline[1:]:
        path.lineTo(left + x, bottom + y)
    path.close()
    canvas.setFillColorRGB(*map(float, _srgb(lab)))
    canvas.drawPath(path, fill=1, stroke=0)


def _pinked(wide: float, high: float, teeth: int) -> list[tuple[float, float]]:
    """A rectangle cut with pinking shears, from a corner round it."""
    tooth = wide / teeth / 2
    down = max(2, round(high / tooth / 2)) * 2
    across = [(k * tooth, (k % 2) * tooth * 0.8) for k in range(2 * teeth)]
    up = [(wide - (k % 2) * tooth * 0.8, k * high / down) for k in range(down)]
    return [*across, *up, *((wide - x, high - y) for x, y in across), *((wide - x, high - y) for x, y in up)]


def _srgb(lab: FloatArray) -> FloatArray:
    return np.clip(encode_srgb(lab_to_rgb_linear(lab)), 0, 1)


def card_png(card: Card) -> bytes:
    """The same as a picture that is told to be sRGB."""
    picture = Image.new("RGB", (WIDTH, HEIGHT), _grey(PAPER))
    draw, left = ImageDraw.Draw(picture), MARGIN * WIDTH
    _paint(draw, card.lab, (left, MARGIN * WIDTH, WIDTH - 2 * left, 0.48 * HEIGHT), TEETH)
    size = _fitting(card.title, 62, WIDTH)
    draw.text((left, 0.56 * HEIGHT), card.title, _grey(INK), _font(BOLD, size))
    for k, line in enumerate(card.lines):
        draw.text((left, 0.625 * HEIGHT + k * 44), line, _grey(SOFT), _font(PLAIN, 28))
    for k, (name, lab) in enumerate(card.partners[:PARTNERS]):
        x = left + k * 0.3 * WIDTH
        _paint(draw, lab, (x, 0.83 * HEIGHT, 0.27 * WIDTH, 0.09 * HEIGHT), 12)
        draw.text((x, 0.93 * HEIGHT), name, _grey(SOFT), _font(PLAIN, 22))
    out = io.BytesIO()
    profile = ImageCms.ImageCmsProfile(ImageCms.createProfile("sRGB")).tobytes()
    picture.save(out, "PNG", icc_profile=profile)
    return out.getvalue()


def _paint(draw: ImageDraw.ImageDraw, lab: FloatArray, box: tuple[float, float, float, float], teeth: int) -> None:
    left, top, wide, high = box
    colour = tuple(round(255 * float(v)) for v in _srgb(lab))
    draw.polygon([(left + x, top + y) for x, y in _pinked(wide, high, teeth)], fill=colour)


def _font(name: str, size: float) -> ImageFont.FreeTypeFont:
    return ImageFont.truetype(str(FONTS / f"{name}.ttf"), size)


def _grey(value: float) -> tuple[int, int, int]:
    level = round(255 * value)
    return level, level, level
