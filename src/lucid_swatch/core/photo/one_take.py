"""Which photos were taken in one go: on one ground, one after the other."""

from dataclasses import dataclass

import numpy as np

from ..colour.arrays import FloatArray
from .room_ground import Ground, likeness

LIKE = 15.0
"""Log likelihood ratio from which grounds are the same, on average over a room."""
STRANGERS = 2
"""Photos of other grounds in a row that end a take."""
LEAST = 3
"""Photos of one ground that are a take among others: two pale walls are soon alike."""
ONE_AFTER_THE_OTHER = 0.6
"""Of the photos of a ground, those that follow on another of it directly, at least, where no file says when it was taken."""
PAUSE = 3600.0
"""Seconds without a photo that end a take: the light has changed."""


@dataclass(frozen=True, slots=True, eq=False)
class Taken:
    """A photo as it is told which others were taken with it."""

    ground: Ground | None
    at: float | None = None
    """Seconds, where the file says when it was taken."""
    camera: str | None = None
    """Something that is the same for photos of one camera, where the file says so."""


def takes_of(photos: list[Taken]) -> list[int]:
    """The take of every photo, as numbers from 0; a photo that belongs to none has one of its own.

    photos: in the order in which they were taken or named. Alike are those of a ground by average linkage of their
    likeness; then a pause, another camera or other grounds in between part them."""
    numbers = list(range(len(photos)))
    # a photo that shows no ground is no stranger between others
    places = [k for k, photo in enumerate(photos) if photo.ground is not None]
    seen = [photos[k] for k in places]
    if len(seen) < 2:
        return numbers
    groups: dict[tuple[int, str | None], list[int]] = {}
    for k, number in enumerate(_alike([photo.ground for photo in seen if photo.ground is not None])):
        groups.setdefault((number, seen[k].camera), []).append(k)
    for members in groups.values():
        timed = all(seen[k].at is not None for k in members)
        if not timed and len(members) > 1 and (np.diff(members) == 1).mean() < ONE_AFTER_THE_OTHER:
            # a ground that comes again and again between others is a common one and no room
            continue
        for take in _parted(members, seen):
            if len(take) >= min(LEAST, len(photos)):
                for k in take:
                    numbers[places[k]] = places[take[0]]
    return _from_zero(numbers)


def _alike(grounds: list[Ground]) -> list[int]:
    """Groups of the same ground, by average linkage."""
    # it takes half a second to load, which a first photo need not wait for
    from scipy.cluster.hierarchy import fcluster, linkage
    from scipy.spatial.distance import squareform

    ratios = likeness(grounds)
    far = float(ratios.max()) + 1.0
    apart = far - ratios
    np.fill_diagonal(apart, 0.0)
    joined: FloatArray = fcluster(linkage(squareform(apart, checks=False), "average"), far - LIKE, "distance")
    return [int(number) for number in joined]


def _parted(members: list[int], photos: list[Taken]) -> list[list[int]]:
    """Photos of one ground, parted where one take ends. members: places in photos, rising."""
    parted: list[list[int]] = []
    for k in members:
        before = parted[-1][-1] if parted else None
        if before is None or k - before > STRANGERS or _paused(photos[before], photos[k]):
            parted.append([])
        parted[-1].append(k)
    return parted


def _paused(before: Taken, after: Taken) -> bool:
    return before.at is not None and after.at is not None and abs(after.at - before.at) > PAUSE


def _from_zero(numbers: list[int]) -> list[int]:
    order = {number: place for place, number in enumerate(dict.fromkeys(numbers))}
    return [order[number] for number in numbers]
