"""A capsule in the open format."""

from typing import Literal

from pydantic import Field

from lucid_swatch.core.look.dressing.outfits import GOOD
from lucid_swatch.core.look.planning.capsule import Capsule

from .document import Document


class CapsuleDocument(Document):
    """The few pieces of a rail that carry most good looks."""

    format: Literal["lucid-swatch/capsule"] = "lucid-swatch/capsule"
    version: int = 1
    pieces: list[str]
    """Ids of clothes and shoes; accessories of the rail do not count among them."""
    looks: int
    """Good base looks of nothing but those: one upper with one lower piece or one whole, one pair of shoes, at most one layer."""
    of: int
    """Good base looks of the whole rail."""
    bound: int
    """What no choice of so many pieces can exceed."""
    good: float = GOOD
    """The overall from which a look is good."""
    without: dict[str, int] = Field(default_factory=dict)
    """Looks that would be lost without each piece."""
    added: dict[str, int] = Field(default_factory=dict)
    """Looks that each piece left out would add, where it would add any."""
    unmet: list[str] = Field(default_factory=list)
    """What was asked for and is not dressed for."""

    @classmethod
    def from_core(cls, capsule: Capsule) -> "CapsuleDocument":
        """The document of a capsule."""
        return cls(
            pieces=list(capsule.piece_ids),
            looks=capsule.looks,
            of=capsule.of,
            bound=capsule.bound,
            without=dict(capsule.without),
            added=dict(sorted(capsule.added.items(), key=lambda one: -one[1])),
            unmet=list(capsule.unmet),
        )
