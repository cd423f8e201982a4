"""What is kept about a look beside its pieces."""

from typing import Literal

from pydantic import ConfigDict, Field

from .document import Document
from .kept import Season


class KeptLookDocument(Document):
    """What a look is for, and how it was found."""

    model_config = ConfigDict(extra="forbid")

    occasion: str = Field(default="", max_length=120)
    time: Literal["", "day", "evening"] = ""
    seasons: list[Season] = Field(default_factory=list)
    note: str = Field(default="", max_length=2000)
    stylist_rating: int | None = Field(default=None, ge=1, le=5)
    client_rating: int | None = Field(default=None, ge=1, le=5)
    parent: str | None = Field(default=None, max_length=200)
    """The look that this one varies."""
