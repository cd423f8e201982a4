"""A book as kept: its pages in their order, what goes in, and what was made of it."""

from collections.abc import Mapping
from dataclasses import dataclass, field
from datetime import datetime
from enum import StrEnum

from ...garment.vocabulary import Worn
from ..kept_look import TimeOfDay
from ..look import Intent

MOST_PAGES = 200


class MadeAs(StrEnum):
    """What a book is made as."""

    PDF = "pdf"
    HTML = "html"
    ZIP = "zip"
    """Pictures of its looks."""


class PaperSize(StrEnum):
    """Of a PDF."""

    A4 = "A4"
    A5 = "A5"


@dataclass(frozen=True, slots=True)
class KeptPage:
    """A look in a book."""

    id: str
    name: str
    piece_ids: tuple[str, ...]
    look_id: str | None = None
    """The kept look that it is, whose pieces it follows while that is kept; None for a look of a wall, a plan or a capsule."""
    when: str = ""
    """What stands above its name."""
    occasion: str = ""
    time: TimeOfDay = TimeOfDay.ANY
    intent: Intent | None = None
    worn: Mapping[str, Worn] = field(default_factory=dict)
    left_out: bool = False
    how: str | None = None
    evening: str | None = None
    why: str | None = None
    """In the stylist's own words; None for what is told of the look, empty for nothing."""


@dataclass(frozen=True, slots=True)
class Holds:
    """What goes into a book beside its pages."""

    cover: bool = True
    colouring: bool = True
    index: bool = True
    helps: bool = False
    """What would help, if one comes across it."""
    face: bool = False
    """The head of the client's portrait on the figure."""
    name: bool = True
    """The client's name on the cover."""


@dataclass(frozen=True, slots=True)
class MadeFile:
    """A file that was made of a book."""

    kind: MadeAs
    at: datetime
    bytes: int


@dataclass(frozen=True, slots=True)
class KeptBook:
    """What a client takes home. ValueError where it has too many pages."""

    id: str
    client_id: str
    title: str
    created_at: datetime
    changed_at: datetime
    pages: tuple[KeptPage, ...] = ()
    holds: Holds = field(default_factory=Holds)
    by: str = ""
    """Who made it, as it stands on the cover."""
    word: str = ""
    """What the stylist says to the client."""
    paper: PaperSize = PaperSize.A4
    asked: tuple[MadeAs, ...] = ()
    """What is being made of it."""
    made: tuple[MadeFile, ...] = ()
    lack: str = ""
    """Why it could not be made."""

    def __post_init__(self) -> None:
        if len(self.pages) > MOST_PAGES:
            raise ValueError(f"a book has up to {MOST_PAGES} pages, and this one would have {len(self.pages)}")

    @property
    def shown(self) -> tuple[KeptPage, ...]:
        """The pages that are not left out."""
        return tuple(page for page in self.pages if not page.left_out)

    def is_current(self, made: MadeFile) -> bool:
        """Whether nothing was changed since a file was made."""
        return made.at >= self.changed_at
