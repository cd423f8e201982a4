"""What the screens send and get about clients."""

from datetime import date
from typing import Literal

from pydantic import Field

from lucid_swatch.core.garment.vocabulary import Undertone
from lucid_swatch.formats.client import AboutDocument
from lucid_swatch.formats.look import ConventionsDocument

from .base import Answer, Request
from .colouring import FaceAnswer
from .portraits import PortraitAnswer
from .rail import BoltColour


class ClientAnswer(Answer):
    """A client."""

    id: str
    name: str
    note: str
    consent_on: date
    consent_for: str
    consent_withdrawn_on: date | None
    archived: bool
    about: AboutDocument
    portrait: str | None
    """Where the face is, relit."""
    person: str | None
    """The person of the same portrait, cut out."""
    head: str | None
    """The head alone, where two eyes are known."""
    portraits: list[PortraitAnswer]
    face: FaceAnswer
    neutrals: Literal["broad", "strict"]
    """The school of neutrals that the stylist follows for this client."""
    waiting: int
    """Photos in the intake that are not hung."""


class BookEntry(ClientAnswer):
    """A client in the book, with the rail as one bolt."""

    pieces: int
    doubtful: int
    looks: int
    bolt: list[BoltColour]


class NewClient(Request):
    """A client to add."""

    name: str = Field(max_length=120)
    note: str = Field(default="", max_length=2000)
    consent: bool = False
    """That the client agreed to be photographed, today."""
    consent_for: str = Field(default="", max_length=500)


class ClientChange(Request):
    """What changes on a client; what is left out stays."""

    name: str | None = Field(default=None, max_length=120)
    note: str | None = Field(default=None, max_length=2000)
    neutrals: Literal["broad", "strict"] | None = None
    conventions: ConventionsDocument | None = None
    """The schools to follow for this client."""
    undertone: Undertone | Literal["as read"] | None = None


class ConsentRequest(Request):
    """Consent to photos, given again or withdrawn today."""

    given: bool
    given_for: str = Field(default="", max_length=500)


class ArchiveRequest(Request):
    """Whether a client is archived."""

    archived: bool


class ErasedAnswer(Answer):
    """What went with an erased client."""

    rows: dict[str, int]
    """How many rows from each table of the database."""
    files: list[str]
    """Names below the data folder."""
    left: list[str]
    """What a search of the data folder still found; empty when everything went."""
    backups_replaced: int
    """Backups of a day that held the client and are gone; a fresh one stands in their place."""
    backups_left: list[str]
    """Backups that still hold the client and are the stylist's to delete."""
