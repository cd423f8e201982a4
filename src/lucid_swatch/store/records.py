"""What the repositories give and take: plain values, no rows."""

from dataclasses import dataclass, field
from datetime import date, datetime
from enum import StrEnum
from typing import Any

from lucid_swatch.core.client.colouring import Client
from lucid_swatch.core.garment.piece import Piece
from lucid_swatch.core.garment.vocabulary import Bin
from lucid_swatch.core.look.look import Conventions, Intent


class PhotoState(StrEnum):
    """How far a photo has come."""

    WAITING = "waiting"
    READING = "reading"
    READ = "read"
    FAILED = "failed"
    HUNG = "hung"
    NOT_NOW = "not now"


@dataclass(frozen=True, slots=True)
class ClientRecord:
    """A client as kept."""

    id: str
    name: str
    consent_on: date
    created_at: datetime
    note: str = ""
    colouring: Client = field(default_factory=Client)
    conventions: Conventions = field(default_factory=Conventions)
    portrait: bool = False
    spots: dict[str, Any] | None = None


@dataclass(frozen=True, slots=True)
class PhotoRecord:
    """A photo as kept."""

    id: str
    client_id: str
    name: str
    file: str
    created_at: datetime
    state: PhotoState = PhotoState.WAITING
    stage: str = ""
    problem: dict[str, Any] | None = None
    neutral: dict[str, Any] | None = None
    outline: list[Any] | None = None
    strokes: tuple[dict[str, Any], ...] = ()
    reading: dict[str, Any] | None = None
    light: dict[str, Any] | None = None
    series_light: dict[str, Any] | None = None
    reader: list[float] | None = None
    likeness: dict[str, Any] | None = None
    not_same: tuple[str, ...] = ()
    proposal: dict[str, Any] | None = None
    reading_number: int = 0


@dataclass(frozen=True, slots=True)
class HungPiece:
    """A piece on a client's rail."""

    piece: Piece
    client_id: str
    created_at: datetime
    photo_id: str | None = None
    bin_said: Bin | None = None


@dataclass(frozen=True, slots=True)
class KeptLook:
    """A look as kept: its pieces by id. The verdict is always made anew."""

    id: str
    client_id: str
    name: str
    piece_ids: tuple[str, ...]
    created_at: datetime
    intent: Intent | None = None
