"""What looks at a photo: here, or in a process of its own that may be ended when it takes too long."""

from collections.abc import Callable
from dataclasses import dataclass
from typing import Protocol, TypeVar

from lucid_swatch.outside.cut_out import CutOut
from lucid_swatch.outside.faces import FaceFinder

T = TypeVar("T")


@dataclass(frozen=True, slots=True)
class Sight:
    """The network that finds what stands out, and the search for faces."""

    cut_out: CutOut
    faces: FaceFinder


class Eyes(Protocol):
    """Somewhere to look at photos."""

    def see(self, look: Callable[..., T], *at: object) -> T:
        """What a function makes of a sight and some values, all of which can be sent to another process.

        Refused when it took too long."""


@dataclass(frozen=True, slots=True)
class OwnEyes:
    """Looks in this process."""

    sight: Sight

    def see(self, look: Callable[..., T], *at: object) -> T:
        """Looks at once, for as long as it takes."""
        return look(self.sight, *at)
