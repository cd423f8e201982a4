"""What each page of a book says."""

from collections import Counter
from collections.abc import Callable, Sequence
from dataclasses import dataclass

from ...garment.piece import Piece
from ..kept_look import TimeOfDay
from ..look import Look
from ..verdict import judge
from .evening import for_the_evening
from .how_worn import how_worn
from .why import strongest, why_it_works


@dataclass(frozen=True, slots=True, eq=False)
class BookLook:
    """A look as it goes into a book."""

    id: str
    name: str
    look: Look
    """Its pieces as they are worn here, with the rail that the evening may draw on."""
    when: str = ""
    """What stands above its name, as in 'Thursday 6, school visit, 9 °C, dry'."""
    occasion: str = ""
    """Under which it is found in the index."""
    time: TimeOfDay = TimeOfDay.ANY
    how: str | None = None
    evening: str | None = None
    why: str | None = None
    """In the stylist's own words; None for what is told of the look, empty for nothing."""
    gone: tuple[str, ...] = ()
    """Names of pieces that it had and that hang there no more."""


@dataclass(frozen=True, slots=True, eq=False)
class BookPage:
    """A page."""

    id: str
    name: str
    when: str
    occasion: str
    pieces: tuple[Piece, ...]
    """What is seen of it, what is always on among them."""
    how: str
    evening: str
    why: str
    gone: tuple[str, ...] = ()


Tell = Callable[[float], bool]
"""Told how far it is, 0..1; False stops it."""


class BookStopped(Exception):
    """Somebody stopped the making."""


def book_pages(looks: Sequence[BookLook], tell: Tell = lambda share: True) -> tuple[BookPage, ...]:
    """The pages of some looks in their order: how each is worn, what to change for the evening, and why it works.

    Raises BookStopped when it is told to."""
    pages = []
    for k, (one, why) in enumerate(zip(looks, _whys(looks), strict=True)):
        if not tell(k / len(looks)):
            raise BookStopped
        pages.append(_page(one, why))
    return tuple(pages)


def book_page(looks: Sequence[BookLook], place: int) -> BookPage:
    """One page of a book, as it stands among the others."""
    return _page(looks[place], _whys(looks[: place + 1])[place])


def _whys(looks: Sequence[BookLook]) -> list[str]:
    """Why each look works, rather by what was said of few looks before it."""
    said: Counter[str] = Counter()
    found = []
    for one, verdict in zip(looks, judge([one.look for one in looks]) if looks else [], strict=True):
        found.append(why_it_works(one.look, verdict, said) if one.why is None else one.why)
        said.update(reason.code for reason in strongest(one.look, verdict, said)[:2])
    return found


def _page(one: BookLook, why: str) -> BookPage:
    return BookPage(
        one.id,
        one.name,
        one.when,
        one.occasion,
        one.look.worn,
        how_worn(one.look.worn) if one.how is None else one.how,
        for_the_evening(one.look, one.time) if one.evening is None else one.evening,
        why,
        one.gone,
    )
