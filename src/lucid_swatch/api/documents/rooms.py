"""What the screens send and get about the rooms of photos."""

from lucid_swatch.usecases.rooms import Room

from .base import Answer, Request


class RoomAnswer(Answer):
    """Photos that were taken in one go and are read in one light."""

    photos: list[str]
    lamp: str
    """The kind of lamp, empty where nothing tells it firmly."""
    lenders: list[str]
    """Photos whose paper, card or mark tells the light of all."""
    uncertainty: float
    """CIEDE2000 that the light leaves on a mid-grey cloth."""
    with_paper: float | None
    """What it would leave with a sheet of paper in one of them; none where the light is known."""
    would_change: list[str]
    """Photos that were read in another light than the room now tells."""


class JoinRequest(Request):
    """The photo whose room is meant."""

    other: str


class PaperRequest(Request):
    """Whether what may be paper is paper; none to leave it to the reading."""

    paper: bool | None


class ReadAgainAnswer(Answer):
    """Photos that are now read again."""

    photos: list[str]


def room_answer(room: Room) -> RoomAnswer:
    """A room as the intake shows it."""
    return RoomAnswer(
        photos=list(room.photos),
        lamp=room.lamp,
        lenders=list(room.lenders),
        uncertainty=round(room.uncertainty, 1),
        with_paper=None if room.with_paper is None else round(room.with_paper, 1),
        would_change=list(room.would_change),
    )
