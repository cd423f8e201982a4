"""What the screens send and get about capsules."""

from datetime import datetime

from pydantic import Field

from lucid_swatch.core.look.kept_look import TimeOfDay
from lucid_swatch.core.look.making.wanted import Wanted
from lucid_swatch.core.look.planning.kept_capsule import CapsuleWish, Purpose
from lucid_swatch.core.problems import Refused
from lucid_swatch.usecases.capsules import ShownCapsule

from .base import Answer, Request
from .walls import Span


class PurposeRequest(Request):
    """Something that a capsule has to dress for."""

    name: str = Field(min_length=1, max_length=120)
    formality: Span | None = None
    time: TimeOfDay = TimeOfDay.ANY
    warmth: float | None = Field(default=None, ge=0, le=4)
    wet: bool = False
    least: int = Field(default=1, ge=1, le=100)
    """Good looks that go to it, at least."""

    def to_core(self) -> Purpose:
        """The purpose as the core sees it. Refused where it makes no sense."""
        span = None if self.formality is None else (self.formality.low, self.formality.high)
        try:
            return Purpose(
                self.name, Wanted(1, formality=span, warmth=self.warmth, wet=self.wet, time=self.time), self.least
            )
        except ValueError as problem:
            raise Refused(f"{problem}.", self.name, "Change it.") from None


class CapsuleRequest(Request):
    """A few pieces that carry most good looks."""

    name: str = Field(max_length=200)
    pieces: int = Field(ge=1, le=60)
    """Clothes and shoes."""
    keep: list[str] = Field(default_factory=list, max_length=60)
    """Pieces that must be in it."""
    palette: str | None = Field(default=None, max_length=64)
    """Only pieces of a kept palette, by its id."""
    shoes: int | None = Field(default=None, ge=1, le=40)
    """At most so many pairs."""
    bags: int = Field(default=1, ge=0, le=20)
    """At most so many, beside the pieces."""
    purposes: list[PurposeRequest] = Field(default_factory=list, max_length=12)

    def to_core(self) -> CapsuleWish:
        """What is asked as the core sees it."""
        purposes = tuple(one.to_core() for one in self.purposes)
        return CapsuleWish(tuple(dict.fromkeys(self.keep)), self.palette, self.shoes, self.bags, purposes)


class CapsuleChange(Request):
    """Another name, or another point of the curve."""

    name: str | None = Field(default=None, max_length=200)
    pieces: int | None = Field(default=None, ge=1, le=60)


class CurvePointAnswer(Answer):
    """The best choice of so many pieces."""

    number: int
    pieces: list[str]
    looks: int
    bound: int
    """What no choice of so many pieces can exceed."""
    proven: bool
    without: dict[str, int]
    """Looks that would be lost without each piece."""
    added: dict[str, int]
    """Looks that each piece left out would add, where it would add any."""
    unmet: list[str]
    """What it does not dress for."""


class CapsuleAnswer(Answer):
    """A capsule with its curve."""

    id: str
    name: str
    number: int
    """Pieces that it holds."""
    keep: list[str]
    palette: str | None
    shoes: int | None
    most_bags: int
    purposes: list[str]
    bags: list[str]
    """Those that go with most of its looks, beside the pieces."""
    curve: list[CurvePointAnswer]
    of: int
    """Good looks of the whole rail."""
    choosing: float | None
    """How far the choosing is, 0..1; null when nothing is being chosen."""
    lack: str
    """Why there is none."""
    gone: list[str]
    """Ids of its pieces that hang there no more."""
    created_at: datetime


def capsule_answer(found: ShownCapsule) -> CapsuleAnswer:
    """A capsule as the screen shows it."""
    capsule, wish = found.capsule, found.capsule.wish
    curve = [
        CurvePointAnswer(
            number=number,
            pieces=list(one.piece_ids),
            looks=one.looks,
            bound=one.bound,
            proven=one.proven,
            without=dict(one.without),
            added=dict(sorted(one.added.items(), key=lambda piece: -piece[1])[:12]),
            unmet=list(one.unmet),
        )
        for number, one in capsule.points
    ]
    return CapsuleAnswer(
        id=capsule.id,
        name=capsule.name,
        number=capsule.pieces,
        keep=list(wish.keep),
        palette=wish.palette,
        shoes=wish.shoes,
        most_bags=wish.bags,
        purposes=[one.name for one in wish.purposes],
        bags=list(capsule.bag_ids),
        curve=curve,
        of=max((one.of for one in capsule.curve), default=0),
        choosing=found.choosing,
        lack=capsule.lack,
        gone=list(found.gone),
        created_at=capsule.created_at,
    )
