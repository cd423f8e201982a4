"""Pages of a book as pictures."""

import io

import pypdfium2
from PIL import Image, ImageCms

from .layout import Format

MILLIMETRES = 25.4 / 72


def page_png(pdf: bytes, paper: Format, width: int, page: int = 0) -> bytes:
    """A page of a PDF as a PNG so many pixels wide, told to be sRGB."""
    document = pypdfium2.PdfDocument(pdf)
    try:
        scale = width / (paper.width / MILLIMETRES)
        picture = document[page].render(scale=scale).to_pil().convert("RGB")
    finally:
        document.close()
    height = round(width * paper.height / paper.width)
    if picture.size != (width, height):
        picture = picture.resize((width, height), Image.Resampling.LANCZOS)
    out = io.BytesIO()
    profile = ImageCms.ImageCmsProfile(ImageCms.createProfile("sRGB")).tobytes()
    picture.save(out, "PNG", icc_profile=profile, optimize=False)
    return out.getvalue()
