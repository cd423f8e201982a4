"""A plan in the open format: what is worn on which day."""

from collections.abc import Sequence
from datetime import date
from typing import Literal

from pydantic import Field

from lucid_swatch.core.look.dressing.wardrobe import Wardrobe
from lucid_swatch.core.look.making.apart import set_apart
from lucid_swatch.core.look.planning.case import packed
from lucid_swatch.core.look.planning.complete import completed
from lucid_swatch.core.look.planning.days import Day
from lucid_swatch.core.look.planning.week import Week
from lucid_swatch.core.look.verdict import judge

from .document import Document
from .made import MadeLookDocument, look_of, made_document
from .rail import RailDocument


class PlannedOccasion(Document):
    """What one dresses for."""

    name: str
    formality: list[float]
    """From least to most, 1 to 5."""
    look: str | None
    """Id of the look for it; none where nothing could be had."""


class PlannedWeather(Document):
    """The weather of a day."""

    low: float
    high: float
    rain: float


class PlannedDay(Document):
    """A day with what is worn on it."""

    on: date
    occasions: list[PlannedOccasion]
    weather: PlannedWeather | None
    looks: list[MadeLookDocument]
    """One for each occasion that could be dressed for, in their order; `score` reads each as it is."""


class PlanDocument(Document):
    """Some days, dressed."""

    format: Literal["lucid-swatch/plan"] = "lucid-swatch/plan"
    version: int = 1
    days: list[PlannedDay]
    unmet: list[str] = Field(default_factory=list)
    """Sentences: what could not be met, and what would meet it."""
    case: list[str] = Field(default_factory=list)
    """Ids of all that is worn, in packing order."""


def plan_document(
    wardrobe: Wardrobe, rail: RailDocument, days: Sequence[Day], week: Week, problems: Sequence[str] = ()
) -> PlanDocument:
    """A plan as it goes out. problems: what could not be read of the calendar."""
    worn = [one for one in week.worn if one is not None]
    ids = completed(wardrobe, worn)
    names = [f"{days[one.slot.day].on.isoformat()} {one.slot.occasion.name}" for one in worn]
    unique = [
        name if names.index(name) == k else f"{name} ({names[:k].count(name) + 1})" for k, name in enumerate(names)
    ]
    looks = [look_of(wardrobe, name, some, None) for name, some in zip(unique, ids, strict=True)]
    verdicts = judge(looks) if looks else []
    documents = iter(made_document(looks, set_apart(looks, verdicts), verdicts, rail, None))
    told: dict[int, list[tuple[PlannedOccasion, MadeLookDocument | None]]] = {}
    for slot, one in zip(week.slots, week.worn, strict=True):
        document = None if one is None else next(documents)
        occasion = PlannedOccasion(
            name=slot.occasion.name,
            formality=list(slot.occasion.formality),
            look=None if document is None else document.id,
        )
        told.setdefault(slot.day, []).append((occasion, document))
    return PlanDocument(
        days=[
            PlannedDay(
                on=day.on,
                occasions=[occasion for occasion, _ in told.get(k, [])],
                weather=None
                if day.weather is None
                else PlannedWeather(low=day.weather.low, high=day.weather.high, rain=day.weather.rain),
                looks=[document for _, document in told.get(k, []) if document is not None],
            )
            for k, day in enumerate(days)
        ],
        unmet=[*problems, *week.unmet],
        case=[piece.id for piece in packed(p for look in looks for p in look.pieces if p.id in wardrobe.by_id)],
    )
