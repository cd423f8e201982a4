"""Photos of one room are read in one light: who belongs to it, what each is lit by, and what would change."""

from collections.abc import Iterable, Sequence
from dataclasses import dataclass, replace

import numpy as np
from sqlalchemy.orm import Session

from lucid_swatch.core.photo.evidence import Evidence
from lucid_swatch.core.photo.light import Light, LightReference, differs
from lucid_swatch.core.photo.lights_together import lights_together
from lucid_swatch.core.photo.neutral import CAST_SPREAD, EXPOSURE_SPREAD_PAPER
from lucid_swatch.core.photo.one_take import Taken, takes_of
from lucid_swatch.core.photo.room import KNOWN, OWN_WORD, light_alone
from lucid_swatch.core.problems import Refused
from lucid_swatch.store.database import Sessions
from lucid_swatch.store.jobs import Jobs
from lucid_swatch.store.photos import Linked, Photos
from lucid_swatch.store.records import ChangeRecord, JobKind, PhotoRecord, PhotoState

from .changes import recorded

READ = (PhotoState.READ, PhotoState.NOT_NOW, PhotoState.HUNG)


@dataclass(frozen=True, slots=True)
class Lit:
    """The light that a photo is to be read in."""

    light: Light
    lent_by: str | None
    """The photo whose paper, card or mark tells it, where that is another."""
    lender: str | None
    """What that photo is called."""


@dataclass(frozen=True, slots=True)
class Room:
    """Photos of one take."""

    photos: tuple[str, ...]
    lamp: str
    """The kind of lamp, where that is told firmly."""
    lenders: tuple[str, ...]
    """Those whose paper, card or mark tells the light of all."""
    uncertainty: float
    """CIEDE2000 that the light leaves on a mid-grey cloth, in the middle of the photos."""
    with_paper: float | None
    """What it would leave if a sheet of paper lay in one of them; None where the light is known."""
    would_change: tuple[str, ...]
    """Photos that were read in another light than the room now tells."""


def light_of(sessions: Sessions, photo: PhotoRecord, evidence: Evidence) -> Lit:
    """The light of a photo that was just seen, from all that is known of its room by now.

    The stylist's own word on the photo comes first, then the light that she gave it by hand."""
    if photo.series_light is not None and evidence.own.reference not in OWN_WORD:
        given = photo.series_light
        with sessions() as session:
            lender = session.get(Photos.row, given.photo_id)
            called = None if lender is None else lender.name
        return Lit(replace(given.light, note=evidence.own.note), given.photo_id, called)
    with sessions() as session:
        before = Photos(session).linked(photo.client_id)
    now = Linked(
        photo.id,
        photo.name,
        photo.state,
        evidence,
        None,
        photo.series_light,
        photo.room,
        photo.taken_at,
        photo.camera,
        photo.sent_with,
    )
    known = any(one.id == photo.id for one in before)
    linked = [now if one.id == photo.id else one for one in before] if known else [*before, now]
    return _lit(linked, _numbers(linked))[photo.id]


def _lit(linked: Sequence[Linked], numbers: Sequence[int]) -> dict[str, Lit]:
    """The light of every photo, by its id. numbers: the room of each."""
    lights, lenders = lights_together([one.evidence for one in linked], numbers)
    found = {}
    for k, (one, light, lender) in enumerate(zip(linked, lights, lenders, strict=True)):
        other = linked[lender] if lender is not None and lender != k else None
        found[one.id] = Lit(
            light or light_alone(one.evidence.own),
            None if other is None else other.id,
            None if other is None else other.name,
        )
    return found


def _numbers(linked: Sequence[Linked]) -> list[int]:
    """The room of every photo, as numbers: by the grounds, and where the stylist said so by her word.

    What was given another's light by hand belongs to no room."""
    told = {one.id: k for k, one in enumerate(linked)}
    free = [k for k, one in enumerate(linked) if one.room is None and one.series_light is None]
    numbers = [-1 - k for k in range(len(linked))]
    for k, take in zip(free, takes_of([_taken(linked[k]) for k in free]), strict=True):
        numbers[k] = take
    for k, one in enumerate(linked):
        if one.room is not None and one.series_light is None:
            numbers[k] = _said(k, linked, told, numbers)
    return numbers


def _said(k: int, linked: Sequence[Linked], told: dict[str, int], numbers: list[int]) -> int:
    """The room that the stylist said, followed from photo to photo until one that her word begins or that its ground tells."""
    passed = {k}
    while True:
        room = linked[k].room
        if room is None:
            return numbers[k]
        following = told.get(room)
        if following is None or following in passed:
            return -1 - k
        passed.add(following)
        k = following


def _taken(one: Linked) -> Taken:
    return Taken(one.evidence.ground, one.taken_at, one.camera)


def rooms_of(session: Session, client_id: str) -> list[Room]:
    """The rooms of a client's photos; a photo that lies in none has one of its own."""
    linked = Photos(session).linked(client_id)
    numbers = _numbers(linked)
    lit = _lit(linked, numbers)
    groups: dict[int, list[Linked]] = {}
    for one, number in zip(linked, numbers, strict=True):
        groups.setdefault(number, []).append(one)
    return [_room(members, lit) for members in groups.values()]


def _room(members: list[Linked], lit: dict[str, Lit]) -> Room:
    lights = [lit[one.id].light for one in members]
    known = [one for one in members if one.evidence.own.reference in KNOWN]
    return Room(
        tuple(one.id for one in members),
        lights[0].lamp,
        tuple(one.id for one in known),
        float(np.median([light.uncertainty for light in lights])),
        None if known else _with_paper(members),
        tuple(one.id for one in members if _would_change(one, lit[one.id].light)),
    )


def _with_paper(members: list[Linked]) -> float:
    """What the light of a room would leave open if paper lay in its first photo, CIEDE2000."""
    first = members[0].evidence
    paper = replace(
        first.guessed, reference=LightReference.PAPER, cast_spread=CAST_SPREAD, exposure_spread=EXPOSURE_SPREAD_PAPER
    )
    evidence = [replace(first, own=paper), *(one.evidence for one in members[1:])]
    lights, _ = lights_together(evidence, [0] * len(members))
    return float(np.median([light.uncertainty for light in lights if light is not None]))


def _would_change(one: Linked, light: Light) -> bool:
    return one.state in READ and one.light is not None and one.series_light is None and differs(one.light, light)


def tells_anew(before: Evidence | None, now: Evidence) -> bool:
    """Whether a photo says something of its light that it did not say when it was seen before."""
    return before is None or before.own.reference is not now.own.reference or differs(before.own, now.own)


def settle_sent(session: Session, client_id: str, photo_id: str) -> list[str]:
    """Once all that came in one go is seen, asks for those of it to be read again whose room tells another light.

    To be called where a photo tells something anew: one that only took the light of its room over changes nothing for the
    others, which the stylist may have left as they are on purpose. Answers their ids. What came before, or hangs, is left as
    it is until she has seen what would change."""
    photo = session.get(Photos.row, photo_id)
    if photo is None or photo.sent_with is None or _still_read(session, client_id):
        return []
    linked = Photos(session).linked(client_id)
    together = [one for one in linked if one.sent_with == photo.sent_with and one.state is not PhotoState.HUNG]
    return _ask(session, client_id, linked, {one.id for one in together})


def settle(session: Session, client_id: str, ids: Iterable[str] | None = None) -> list[str]:
    """Asks for photos that do not hang to be read again where their room tells another light; all of them when none are
    named. Answers their ids."""
    linked = Photos(session).linked(client_id)
    wanted = {one.id for one in linked} if ids is None else set(ids)
    loose = {one.id for one in linked if one.state is not PhotoState.HUNG}
    return _ask(session, client_id, linked, wanted & loose)


def _ask(session: Session, client_id: str, linked: Sequence[Linked], among: set[str]) -> list[str]:
    if not among:
        return []
    lit = _lit(linked, _numbers(linked))
    busy = {job.about for job in Jobs(session).of_client(client_id)}
    changing = [
        one.id for one in linked if one.id in among and one.id not in busy and _would_change(one, lit[one.id].light)
    ]
    for id in changing:
        Jobs(session).ask(client_id, JobKind.TAKE_OVER, id)
    return changing


def _still_read(session: Session, client_id: str) -> bool:
    return any(job.kind is JobKind.READ for job in Jobs(session).of_client(client_id))


def roommates(session: Session, client_id: str, ids: Iterable[str]) -> list[Linked]:
    """All photos of the rooms of some, they among them, in the order in which they were taken."""
    linked = Photos(session).linked(client_id)
    numbers, wanted = _numbers(linked), set(ids)
    rooms = {number for one, number in zip(linked, numbers, strict=True) if one.id in wanted}
    return [one for one, number in zip(linked, numbers, strict=True) if number in rooms]


def join(session: Session, id: str, other: str) -> list[str]:
    """Says that a photo was taken in the room of another one; answers the photos that are read again for it.

    Refused when they belong to two clients, or one was not read yet."""
    photos = Photos(session)
    photo, wanted = photos.get(id), photos.get(other)
    if wanted.client_id != photo.client_id or id == other:
        raise Refused("that photo cannot share a room with this one.", "intake", "Choose another photo of this client.")
    for one in (photo, wanted):
        _check_seen(one)
    if id in (mate.id for mate in roommates(session, wanted.client_id, [wanted.id])):
        return []
    said = {id: other}
    if wanted.room == id:
        said[other] = other
    return _said_so(session, photo, said, f"put {photo.name} into the room of {wanted.name}")


def leave(session: Session, id: str) -> list[str]:
    """Says that a photo was not taken in the room that it is in; answers the photos that are read again for it."""
    photo = Photos(session).get(id)
    _check_seen(photo)
    mates = [one for one in roommates(session, photo.client_id, [id]) if one.id != id]
    if not mates:
        raise Refused(f"{photo.name} is in a room by itself.", "intake", "Nothing has to be taken out.")
    said = {id: id} | _without(id, mates)
    return _said_so(session, photo, said, f"took {photo.name} out of its room")


def split(session: Session, id: str) -> list[str]:
    """Says that a new room begins with a photo, such as when the lamp was turned on; answers what is read again for it."""
    photo = Photos(session).get(id)
    _check_seen(photo)
    mates = roommates(session, photo.client_id, [id])
    place = next(k for k, one in enumerate(mates) if one.id == id)
    if place == 0:
        raise Refused(
            f"{photo.name} is the first of its room.", "intake", "Open the photo from which the light changed."
        )
    said = {one.id: id for one in mates[place:]} | _without(id, mates[:place])
    return _said_so(session, photo, said, f"began a new room with {photo.name}")


def _without(id: str, mates: list[Linked]) -> dict[str, str]:
    """What is to be said of photos that pointed to one that leaves: they point to the first of themselves."""
    return {one.id: mates[0].id for one in mates if one.room == id}


def _check_seen(photo: PhotoRecord) -> None:
    if photo.evidence is None or photo.evidence.ground is None:
        do = "Read it again first." if photo.evidence is None else "Photograph it with more of the ground round it."
        raise Refused("too little is known of the ground in this photo.", photo.name, do)


def _said_so(session: Session, photo: PhotoRecord, said: dict[str, str], told: str) -> list[str]:
    photos = Photos(session)
    before = {mate.id for mate in roommates(session, photo.client_id, said)}
    with recorded(session, photo.client_id, told) as change:
        change.touches("photo", *said)
        for id, room in said.items():
            photos.change(id, lambda now, room=room: replace(now, room=room, series_light=None))  # type: ignore[misc]
    after = {mate.id for mate in roommates(session, photo.client_id, said)}
    return settle(session, photo.client_id, before | after)


def say_paper(session: Session, id: str, paper: bool | None) -> list[str]:
    """Says whether what may be paper in a photo is paper; None leaves it to the reading. Answers what is read again.

    Refused when nothing in it may be paper, or when it hangs."""
    photo = Photos(session).get(id)
    if photo.state is PhotoState.HUNG:
        raise Refused("the photo is hung.", "intake", "Take the piece off the rail first.")
    if paper is not None and (photo.evidence is None or not photo.evidence.sheets):
        raise Refused("nothing in this photo looks like paper.", photo.name, "Tap something white or grey in it.")
    word = {True: "is paper", False: "is no paper", None: "may be paper"}[paper]
    with recorded(session, photo.client_id, f"said that what lies in {photo.name} {word}") as change:
        change.touches("photo", id)
        Photos(session).change(id, lambda now: replace(now, paper=paper))
    return ask_for_reading(session, [id])


def read_after(session: Session, change: ChangeRecord) -> list[str]:
    """What is to be read again after a change was taken back or done again: a word on paper or on a room."""
    papers, rooms = [], False
    for entry in change.entries:
        if entry.kind == "photo" and entry.before is not None and entry.after is not None:
            if entry.before.get("paper") != entry.after.get("paper"):
                papers.append(entry.id)
            rooms = rooms or entry.before.get("room") != entry.after.get("room")
    asked = ask_for_reading(session, papers)
    return [*asked, *(settle(session, change.client_id) if rooms else [])]


def ask_for_reading(session: Session, ids: Iterable[str]) -> list[str]:
    """Lets photos that do not hang be seen and read again; their room follows when they are."""
    asked = []
    for id in ids:
        photo = session.get(Photos.row, id)
        # one that was removed meanwhile stays away
        if photo is not None and photo.state in (PhotoState.READ, PhotoState.NOT_NOW):
            Jobs(session).ask(photo.client_id, JobKind.TAKE_OVER, id)
            asked.append(id)
    return asked
