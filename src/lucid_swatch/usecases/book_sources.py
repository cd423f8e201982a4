"""Where the pages of a book come from: kept looks, the looks of a wall, the days of a plan, the best looks of a capsule."""

from collections.abc import Sequence
from dataclasses import dataclass
from uuid import uuid4

from sqlalchemy.orm import Session

from lucid_swatch.core.look.book.kept_book import KeptPage
from lucid_swatch.core.look.called import called_after
from lucid_swatch.core.look.kept_look import KeptLook, TimeOfDay
from lucid_swatch.core.look.making.make import make_looks
from lucid_swatch.core.look.making.wanted import Wanted
from lucid_swatch.core.problems import NotThere, Refused
from lucid_swatch.formats.book import day_words, sky_words
from lucid_swatch.store.capsules import Capsules
from lucid_swatch.store.looks import Looks
from lucid_swatch.store.plans import Plans
from lucid_swatch.store.walls import Walls

from .dressed_days import only_capsule
from .wardrobe import ClientWardrobe, wardrobe_of

OF_A_CAPSULE = 12
"""Looks that are made of a capsule."""


@dataclass(frozen=True, slots=True)
class BookSource:
    """What a book is made of: one of these."""

    looks: tuple[str, ...] = ()
    """Ids of kept looks, in their order."""
    wall: str | None = None
    plan: str | None = None
    capsule: str | None = None


def pages_from(session: Session, client_id: str, source: BookSource) -> tuple[str, tuple[KeptPage, ...]]:
    """What a book of this would be called, and its pages. Refused when there is no look; NotThere when it is another client's."""
    loaded = wardrobe_of(session, client_id)
    if source.wall is not None:
        name, pages = _of_wall(session, loaded, source.wall)
    elif source.plan is not None:
        name, pages = _of_plan(session, loaded, source.plan)
    elif source.capsule is not None:
        name, pages = _of_capsule(session, loaded, source.capsule)
    else:
        name, pages = "Looks", _of_looks(session, client_id, source.looks)
    if not pages:
        raise Refused("there is no look in it.", name, "Keep looks, make some, or fill the days first.")
    return name, pages


def _of_looks(session: Session, client_id: str, ids: Sequence[str]) -> tuple[KeptPage, ...]:
    kept = {look.id: look for look in Looks(session).of_client(client_id)}
    missing = next((id for id in ids if id not in kept), None)
    if missing is not None:
        raise NotThere("this look is not kept any more.", missing, "Load the page again.")
    return tuple(page_of(kept[id]) for id in dict.fromkeys(ids))


def page_of(look: KeptLook) -> KeptPage:
    """A kept look as a page that follows it."""
    told = look.particulars
    return KeptPage(
        uuid4().hex, look.name, look.piece_ids, look.id, told.occasion, told.occasion, told.time, look.intent, told.worn
    )


def _of_wall(session: Session, loaded: ClientWardrobe, id: str) -> tuple[str, tuple[KeptPage, ...]]:
    wall = Walls(session).get(id)
    _own(loaded, wall.client_id, wall.name)
    kept = {look.id: look for look in Looks(session).of_client(wall.client_id)}
    wanted = wall.wanted
    return wall.name, tuple(
        page_of(kept[one.kept_as])
        if one.kept_as in kept
        else _plain(loaded, one.piece_ids, wall.name, one.occasion, one.occasion, wanted.time)
        for one in wall.looks
    )


def _plain(
    loaded: ClientWardrobe, ids: tuple[str, ...], otherwise: str, when: str, occasion: str, time: TimeOfDay
) -> KeptPage:
    by_id = loaded.wardrobe.by_id
    name = called_after(by_id[id] for id in ids if id in by_id) or otherwise
    return KeptPage(uuid4().hex, name, ids, when=when, occasion=occasion, time=time)


def _of_plan(session: Session, loaded: ClientWardrobe, id: str) -> tuple[str, tuple[KeptPage, ...]]:
    plan = Plans(session).get(id)
    _own(loaded, plan.client_id, plan.name)
    return plan.name, tuple(
        _plain(
            loaded,
            event.piece_ids,
            event.name,
            day_words(event.on, event.name, sky_words(plan.weather.get(event.on))),
            event.name,
            event.time,
        )
        for event in plan.ordered
        if event.piece_ids
    )


def _of_capsule(session: Session, loaded: ClientWardrobe, id: str) -> tuple[str, tuple[KeptPage, ...]]:
    capsule = Capsules(session).get(id)
    _own(loaded, capsule.client_id, capsule.name)
    made = make_looks(only_capsule(loaded.wardrobe, capsule), Wanted(OF_A_CAPSULE)) if capsule.here else None
    looks = () if made is None else made.looks
    return capsule.name, tuple(_plain(loaded, one.piece_ids, capsule.name, "", "", TimeOfDay.ANY) for one in looks)


def _own(loaded: ClientWardrobe, client_id: str, name: str) -> None:
    if client_id != loaded.client.id:
        raise NotThere("this is another client's.", name, "Load the page again.")
