"""A wall: looks that were made for one question and hang side by side, with what was kept, dropped and lies ready."""

from dataclasses import dataclass, field, replace
from datetime import datetime

from .make import MadeLook
from .wanted import Wanted


@dataclass(frozen=True, slots=True)
class WallLook:
    """A look on a wall."""

    id: str
    piece_ids: tuple[str, ...]
    start: int = 0
    """Which of the starts it holds."""
    occasion: str = ""
    """What it was made for, where a piece is spread over occasions."""
    kept_as: str | None = None
    """The kept look that it became, by id."""


@dataclass(frozen=True, slots=True)
class Spare:
    """A look that lies ready for when another is dropped."""

    piece_ids: tuple[str, ...]
    start: int = 0


@dataclass(frozen=True, slots=True)
class Wall:
    """Looks that were made, as kept. Verdicts and sentences are made anew whenever it is shown."""

    id: str
    client_id: str
    name: str
    wanted: Wanted
    """What its looks were made for."""
    created_at: datetime
    asked: Wanted | None = None
    """What is asked for now, until it is answered."""
    looks: tuple[WallLook, ...] = ()
    spares: tuple[Spare, ...] = ()
    dropped: tuple[tuple[str, ...], ...] = ()
    """Looks that were let go, by their pieces: they do not come again."""
    lack: str = ""
    """Why there are fewer than were asked for."""
    base_looks: int = 0
    """Base looks that there were to choose from."""
    good: int = 0
    """Different looks, by their clothes, that were good."""
    left_out: dict[str, str] = field(default_factory=dict)
    """Why pieces are in no look, by id."""
    made_at: datetime | None = None
    """When its looks were made; None while they are being made for the first time."""

    @property
    def question(self) -> Wanted:
        """What is to be answered, with what stays and what does not come again."""
        kept = tuple(one.piece_ids for one in self.looks if one.kept_as is not None)
        return replace(self.asked or self.wanted, kept=kept, dropped=self.dropped)


def as_spare(made: MadeLook) -> Spare:
    """A look as it lies ready."""
    return Spare(made.piece_ids, made.start)
