"""What was worn on a day, and how it felt."""

from dataclasses import dataclass
from datetime import date, datetime
from enum import StrEnum

from ..planning.days import Weather


class Felt(StrEnum):
    """How the client felt in what was worn."""

    LOVED = "loved"
    FINE = "fine"
    OFF = "off"


@dataclass(frozen=True, slots=True)
class Wear:
    """Pieces that were worn together on a day."""

    id: str
    client_id: str
    on: date
    """By the calendar of where it was."""
    piece_ids: tuple[str, ...]
    """Of pieces that hung there then; some may have gone since."""
    created_at: datetime
    look_id: str | None = None
    """The kept look that it was."""
    planned: str | None = None
    """The occasion of a plan that it was worn to, by id."""
    occasion: str = ""
    felt: Felt | None = None
    note: str = ""
    """The client's word."""
    weather: Weather | None = None


@dataclass(frozen=True, slots=True)
class Line:
    """What counting needs of it."""

    on: date
    piece_ids: tuple[str, ...]
    felt: Felt | None = None
