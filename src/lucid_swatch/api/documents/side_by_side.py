"""What the screens send and get about things side by side."""

from datetime import datetime
from typing import Literal

from pydantic import Field

from lucid_swatch.store.records import SideKind

from .base import Answer, Request


class SideDocument(Request):
    """What is on one side."""

    kind: SideKind
    id: str = ""


class SideBySideRequest(Request):
    """Two things to keep side by side."""

    left: SideDocument
    right: SideDocument
    better: Literal["left", "right", "no difference"] | None = None
    note: str = Field(default="", max_length=500)


class SideAnswer(Answer):
    """One side as kept."""

    kind: SideKind
    id: str
    label: str


class SideBySideAnswer(Answer):
    """Two things that were compared."""

    id: str
    created_at: datetime
    left: SideAnswer
    right: SideAnswer
    better: str | None
    note: str
