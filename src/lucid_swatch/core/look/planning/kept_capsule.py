"""A capsule as kept: what was asked, and the best pieces for every number of them."""

from dataclasses import dataclass
from datetime import datetime

from ..making.wanted import Wanted
from .capsule import Capsule, Demand


@dataclass(frozen=True, slots=True)
class Purpose:
    """Something that a capsule has to dress for."""

    name: str
    wanted: Wanted
    least: int = 1
    """Good looks that go to it, at least."""

    def to_demand(self) -> Demand:
        """The same as the choice takes it."""
        return Demand(self.name, self.wanted, self.least)


@dataclass(frozen=True, slots=True)
class CapsuleWish:
    """What is asked of a capsule."""

    keep: tuple[str, ...] = ()
    """Ids of pieces that must be in it."""
    palette: str | None = None
    """Id of the palette in which its pieces have to be."""
    shoes: int | None = None
    """At most so many pairs."""
    bags: int = 1
    """At most so many, beside the pieces."""
    purposes: tuple[Purpose, ...] = ()

    def __post_init__(self) -> None:
        if self.shoes is not None and not 0 < self.shoes <= 40:
            raise ValueError(f"{self.shoes} pairs of shoes cannot be asked for; 1 to 40 can")
        if not 0 <= self.bags <= 20:
            raise ValueError(f"{self.bags} bags cannot be asked for; 0 to 20 can")


@dataclass(frozen=True, slots=True)
class KeptCapsule:
    """The few pieces that carry most good looks, with the curve of looks against pieces that it is a point of."""

    id: str
    client_id: str
    name: str
    created_at: datetime
    wish: CapsuleWish
    pieces: int
    """How many it holds."""
    curve: tuple[Capsule, ...] = ()
    """The best for every number of pieces, few first."""
    bag_ids: tuple[str, ...] = ()
    """Bags that go with most of its looks, beside the pieces."""
    lack: str = ""
    """Why there is none."""
    chosen_at: datetime | None = None
    """When the curve was told to its end; None while it is being looked for."""

    @property
    def here(self) -> Capsule | None:
        """The point of the curve that it is; None while it is not known."""
        return next((one for number, one in self.points if number == self.pieces), None)

    @property
    def points(self) -> tuple[tuple[int, Capsule], ...]:
        """The numbers of pieces of the curve, each with its choice."""
        return tuple((one.asked_for, one) for one in self.curve)
