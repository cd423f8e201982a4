"""The lights of photos, those of one room solved together."""

from collections.abc import Sequence

from .evidence import Evidence
from .light import Light
from .room import RoomPhoto, lent_by, light_alone, lights_of_room


def lights_together(
    evidence: Sequence[Evidence | None], rooms: Sequence[int]
) -> tuple[list[Light | None], list[int | None]]:
    """The light of every photo, and the place of the photo that lent it.

    rooms: the number of the room of each photo. A photo that shows too little ground is read by itself. None for a photo that
    could not be seen; no lender where nothing but estimates tells the light."""
    lights: list[Light | None] = [None if one is None else light_alone(one.own) for one in evidence]
    lenders: list[int | None] = [None] * len(evidence)
    for number in set(rooms):
        members: list[int] = []
        photos: list[RoomPhoto] = []
        for k in (k for k, room in enumerate(rooms) if room == number):
            one = evidence[k]
            photo = None if one is None else one.in_room()
            if photo is not None:
                members.append(k)
                photos.append(photo)
        if len(photos) < 2:
            continue
        for k, light, lender in zip(members, lights_of_room(photos), lent_by(photos), strict=True):
            lights[k], lenders[k] = light, None if lender is None else members[lender]
    return lights, lenders
