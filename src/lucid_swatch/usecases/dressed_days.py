"""The days of a plan as the core takes them: what happens, the weather, the good looks, what is away or rests."""

from collections.abc import Iterable, Mapping
from dataclasses import dataclass, replace
from datetime import date, timedelta
from functools import lru_cache

from sqlalchemy.orm import Session

from lucid_swatch.core.garment.piece import Piece
from lucid_swatch.core.garment.vocabulary import Category
from lucid_swatch.core.look.dressing.base_looks import BASE, COLUMNS
from lucid_swatch.core.look.dressing.dress import zone_of
from lucid_swatch.core.look.dressing.wardrobe import Wardrobe
from lucid_swatch.core.look.planning.days import Day, Habits, Occasion
from lucid_swatch.core.look.planning.good_looks import GoodLooks, good_looks
from lucid_swatch.core.look.planning.kept_capsule import KeptCapsule
from lucid_swatch.core.look.planning.plan import Event, Plan
from lucid_swatch.core.look.wearing.tally import days_of
from lucid_swatch.store.capsules import Capsules
from lucid_swatch.store.wears import Wears

from .as_asked import AsAsked
from .occasion_words import own_words
from .wardrobe import wardrobe_of

REMEMBERED = 8
"""Tables of good looks that are kept for who asks again while nothing has changed."""


@dataclass(frozen=True, slots=True)
class Days:
    """What a plan is dressed from and for."""

    wardrobe: Wardrobe
    """With what is not in the capsule barred."""
    days: tuple[Day, ...]
    """The occasions of each in the order of time."""
    occasions: Mapping[str, Occasion]
    """Each as it is dressed for, by its id; where a look is locked, with its clothes and shoes."""
    habits: Habits
    worn: frozenset[str]
    """Ids of occasions that are in the log: what was worn cannot be worn otherwise."""

    @property
    def by_date(self) -> dict[date, Day]:
        """The days by their date."""
        return {day.on: day for day in self.days}


def days_of_plan(session: Session, plan: Plan) -> Days:
    """The days of a plan with what the log and the studio know."""
    wardrobe = _of_capsule(session, plan, wardrobe_of(session, plan.client_id).wardrobe)
    words = own_words(session)
    worn = frozenset(
        wear.planned or "" for wear in Wears(session).planned(plan.client_id, tuple(e.id for e in plan.events))
    )
    occasions = {
        event.id: Occasion(
            event.name,
            event.span(words),
            event.time,
            frozenset(event.people),
            base_of(wardrobe, event) if event.locked or event.id in worn else (),
        )
        for event in plan.events
    }
    own: dict[date, list[Occasion]] = {}
    for event in plan.ordered:
        own.setdefault(event.on, []).append(occasions[event.id])
    days = tuple(Day(on, tuple(own.get(on, ())), plan.weather.get(on)) for on in plan.dates)
    habits = Habits(plan.rest)
    away = _resting(session, plan, wardrobe, habits)
    for id, until in plan.away.items():
        away[id] = max(until, away.get(id, until))
    return Days(wardrobe, days, occasions, replace(habits, away=away), worn)


def _of_capsule(session: Session, plan: Plan, wardrobe: Wardrobe) -> Wardrobe:
    """The wardrobe with what is not in the capsule of the plan barred; all of it where the capsule went."""
    kept = {one.id: one for one in Capsules(session).of_client(plan.client_id)}
    capsule = kept.get(plan.capsule or "")
    if capsule is None:
        return wardrobe
    return only_capsule(wardrobe, capsule)


def only_capsule(wardrobe: Wardrobe, capsule: KeptCapsule) -> Wardrobe:
    """A wardrobe with what is not in a capsule barred; its accessories stay. All of it where nothing is chosen yet."""
    if capsule.here is None:
        return wardrobe
    inside = {*capsule.here.piece_ids, *capsule.bag_ids}
    others = {
        piece.id: f"is not in the capsule '{capsule.name}'"
        for piece in wardrobe.pieces
        if piece.id not in inside
        and (zone_of(piece.category) in BASE or (piece.category is Category.BAG and capsule.bag_ids))
    }
    return replace(wardrobe, barred={**others, **wardrobe.barred})


def base_of(wardrobe: Wardrobe, event: Event) -> tuple[str, ...]:
    """The clothes and shoes of the look that hangs on an occasion, one of each place. Their ids."""
    found: dict[int, str] = {}
    for id in event.piece_ids:
        column = COLUMNS.get(zone_of(wardrobe.by_id[id].category)) if id in wardrobe.by_id else None
        if column is not None:
            found.setdefault(column, id)
    return tuple(found.values())


def _resting(session: Session, plan: Plan, wardrobe: Wardrobe, habits: Habits) -> dict[str, date]:
    """Until when pieces rest that were worn just before the plan begins, by id."""
    found: dict[str, date] = {}
    lines = Wears(session).lines(plan.client_id)
    for id, days in days_of(line for line in lines if line.on < plan.first).items():
        piece = wardrobe.by_id.get(id)
        until = None if piece is None else days[-1] + timedelta(habits.rests(piece))
        if until is not None and until >= plan.first:
            found[id] = until
    return found


def looks_of_days(days: Days, events: Iterable[Event]) -> GoodLooks:
    """The good looks of the wardrobe, and those that are locked on some occasions, good or not."""
    good = _good(AsAsked(days.wardrobe))
    for event in events:
        locked = days.occasions[event.id].locked
        if locked:
            pieces: list[Piece] = [days.wardrobe.by_id[id] for id in locked]
            good = good.with_look(pieces, 0.0)
    return good


@lru_cache(maxsize=REMEMBERED)
def _good(asked: AsAsked) -> GoodLooks:
    return good_looks(asked.wardrobe)
