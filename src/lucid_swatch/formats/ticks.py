"""What a client ticked in a book as worn, and sent back."""

from datetime import date
from typing import Literal

from pydantic import Field

from lucid_swatch.core.look.wearing.wear import Felt

from .document import Document, Titled, json_content, parse
from .wear_log import WornLine


class TickDocument(Document):
    """A look that was worn."""

    on: date
    look: str = Field(default="", max_length=200)
    """Id of its page."""
    pieces: list[str] = Field(min_length=1, max_length=40)
    felt: Felt | None = None
    note: str = Field(default="", max_length=500)


class TicksDocument(Titled):
    """Everything that was ticked on a device."""

    format: Literal["lucid-swatch/worn"] = "lucid-swatch/worn"
    book: str = Field(default="", max_length=200)
    worn: list[TickDocument] = Field(max_length=5000)


def is_ticks(content: bytes) -> bool:
    """Whether a file is no table but what a book wrote."""
    return content.lstrip(b"\xef\xbb\xbf \r\n\t").startswith(b"{")


def read_ticks(content: bytes, file: str) -> list[WornLine]:
    """Lines of the log. Refused with the place and what is wrong."""
    document = parse(TicksDocument, json_content(content, file), file)
    return [WornLine(one.on, tuple(one.pieces), look=one.look, felt=one.felt, note=one.note) for one in document.worn]
