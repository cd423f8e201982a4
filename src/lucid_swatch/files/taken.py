"""When and with what a photo was taken, as far as its file says: all that is kept of it to tell photos of one room."""

import calendar
import hashlib
import io
import time
from dataclasses import dataclass

from PIL import Image

EXIF_BLOCK, ORIGINAL, WRITTEN = 0x8769, 0x9003, 0x0132
MAKE, MODEL = 0x010F, 0x0110


@dataclass(frozen=True, slots=True)
class When:
    """The moment and the camera of a photo."""

    at: float | None = None
    """Seconds by the clock of the camera; only differences mean anything."""
    camera: str | None = None
    """A digest that is the same for cameras of one make and model."""


UNTOLD = When()


def taken_of(content: bytes) -> When:
    """What the bytes of a photo say of when it was taken; nothing where they say nothing or are broken."""
    try:
        exif = Image.open(io.BytesIO(content), formats=["JPEG", "PNG", "WEBP", "HEIF"]).getexif()
        told = exif.get_ifd(EXIF_BLOCK).get(ORIGINAL) or exif.get(WRITTEN)
        named = " ".join(str(exif.get(tag, "")).strip() for tag in (MAKE, MODEL)).strip()
        return When(_seconds(told), hashlib.sha256(named.encode()).hexdigest()[:16] if named else None)
    except Exception:
        # a file may say anything here; that it says nothing usable is no fault of the photo
        return UNTOLD


def _seconds(told: object) -> float | None:
    try:
        return float(calendar.timegm(time.strptime(str(told).strip("\x00 "), "%Y:%m:%d %H:%M:%S")))
    except ValueError:
        return None
