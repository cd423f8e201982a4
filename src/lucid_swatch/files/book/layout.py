"""Where things stand on a page."""

from dataclasses import dataclass
from enum import Enum

Box = tuple[float, float, float, float]
"""Left, top, right and bottom, millimetres."""


@dataclass(frozen=True, slots=True)
class Format:
    """A size of pages."""

    width: float
    height: float
    """Millimetres."""
    body: float
    """Points of the words."""

    @property
    def upright(self) -> bool:
        """Whether it is higher than wide."""
        return self.height > self.width

    @property
    def tall(self) -> bool:
        """Whether it is so high that figure and pieces stand one above the other."""
        return self.height > 1.5 * self.width

    @property
    def margin(self) -> float:
        """Millimetres on every side."""
        return 0.055 * min(self.width, self.height) + 0.01 * self.width

    @property
    def title(self) -> float:
        """Points of a page's name."""
        return 2.35 * self.body

    @property
    def small(self) -> float:
        """Points of the names of pieces and of what stands above a title."""
        return 0.86 * self.body


class Paper(Enum):
    """The sizes in which a book is made."""

    A4 = Format(297.0, 210.0, 12.5)
    A5 = Format(210.0, 148.0, 10.5)
    TELEPHONE = Format(108.0, 135.0, 10.4)
    """1080 by 1350 pixels at ten for each millimetre."""
    TALL = Format(108.0, 192.0, 11.0)
    """2160 by 3840 pixels at twenty."""


@dataclass(frozen=True, slots=True)
class LookPlaces:
    """Where things stand on the page of a look."""

    figure: Box
    pieces: Box
    words: Box
    """How, evening and why."""


def look_places(paper: Format, top: float, words: float) -> LookPlaces:
    """The places of a page. top: below its title; words: how high its words stand, millimetres."""
    m, w, h = paper.margin, paper.width, paper.height
    if paper.tall:
        low = h - m - words
        middle = top + 0.52 * (low - top)
        return LookPlaces((m, top, w - m, middle - 2), (m, middle, w - m, low - 3), (m, low, w - m, h - m))
    if paper.upright:
        low = h - m - words
        return LookPlaces((m, top, 0.42 * w, low - 2), (0.44 * w, top, w - m, low - 2), (m, low, w - m, h - m))
    low = h - m - words
    return LookPlaces((m, top, 0.3 * w, h - m), (0.33 * w, m + 0.02 * h, w - m, low - 3), (0.33 * w, low, w - m, h - m))
