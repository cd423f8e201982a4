"""What the screens send and get about the studio's devices and folders."""

from pydantic import Field

from .base import Answer, Request


class WatchRequest(Request):
    """A folder of this machine, and whose photos come into it."""

    path: str = Field(min_length=1, max_length=4000)
    client_id: str


class WatchedAnswer(Answer):
    """The watched folder."""

    path: str
    client_id: str
    problem: str


class PatchAnswer(Answer):
    """How many patches of the card are still to be measured."""

    left: int


class StudioAnswer(Answer):
    """What is set up in the studio."""

    card: list[list[float]] | None
    """CIELAB of the card's patches, if it was measured once."""
    reader: str | None
    """What the colour reader calls itself, if one answers."""
    watched: WatchedAnswer | None
