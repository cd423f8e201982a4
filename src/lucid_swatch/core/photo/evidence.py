"""What a photo tells of the light by itself, small enough to be kept."""

from dataclasses import dataclass

from ..colour.arrays import FloatArray
from .light import Light
from .paper import Sheet
from .room import RoomPhoto
from .room_ground import Ground


@dataclass(frozen=True, slots=True, eq=False)
class Evidence:
    """What a photo tells of its light; nothing in it is larger than some hundred numbers."""

    own: Light
    """The most trusted light that the photo tells."""
    guessed: Light
    """The estimate from its scene alone."""
    ground: Ground | None = None
    """None where too little of it is seen."""
    sheets: tuple[Sheet, ...] = ()
    """Paper and cards that were found in it, the surest first, whether used or not."""
    sheet: FloatArray | None = None
    """(3,), linear sRGB as shot of the paper that its light was read from."""

    def in_room(self) -> RoomPhoto | None:
        """As a photo of a room; None where no ground links it to any."""
        return None if self.ground is None else RoomPhoto(self.ground, self.own, self.guessed, self.sheet)
