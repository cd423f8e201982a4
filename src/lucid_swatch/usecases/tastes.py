"""A stylist's own verdicts on looks, and the small offset to the rules that they ask for: explained, asked for, undone."""

from dataclasses import dataclass

from sqlalchemy.orm import Session

from lucid_swatch.core.look.fitting import Preference, agreement, fit, leads
from lucid_swatch.core.look.scorer.weights import sentence_of, standard_weights
from lucid_swatch.core.problems import Refused
from lucid_swatch.store.clients import Clients
from lucid_swatch.store.leanings import TASTES, MovedRule, Tastes
from lucid_swatch.store.looks import Looks
from lucid_swatch.store.records import SideKind
from lucid_swatch.store.studio import Studio
from lucid_swatch.store.trials import Comparisons

from .wardrobe import wardrobe_of

HOLD, MOST = 6.0, 1.25
"""A handful of verdicts moves a rule by a quarter at most."""
LEAST_VERDICTS = 3


@dataclass(frozen=True, slots=True)
class Taste:
    """What a stylist's verdicts say of the rules."""

    verdicts: int
    """How many looks were found better than another."""
    agreed: int
    """With how many of them the rules that ship agree."""
    would_agree: int
    """With how many they would, moved as the verdicts ask."""
    asked: tuple[tuple[str, float, str], ...]
    """Rule, factor and sentence of what would move, the most first."""
    kept: tuple[tuple[str, float, str], ...]
    """The same of what was moved."""


def taste(session: Session) -> Taste:
    """What the verdicts of all clients say of the rules, and what was moved for them."""
    kept = [(one.rule, one.times, sentence_of(one.rule)) for one in _kept(session)]
    preferences = _preferences(session)
    if not preferences:
        return Taste(0, 0, 0, (), tuple(kept))
    lead = leads(preferences, standard_weights())
    factors = fit(lead, HOLD, MOST) if len(preferences) >= LEAST_VERDICTS else {}
    asked = sorted(
        ((rule, round(by, 2), sentence_of(rule)) for rule, by in factors.items()), key=lambda one: -abs(one[1] - 1)
    )
    agreed, would = (int(agreement(lead, some).sum()) for some in ({}, factors))
    return Taste(len(preferences), agreed, would, tuple(asked), tuple(kept))


def _preferences(session: Session) -> list[Preference]:
    """The looks that were found better side by side, over all clients; those that are gone are left out."""
    found = []
    for client in Clients(session).all():
        kept = {look.id: look for look in Looks(session).of_client(client.id)}
        compared = Comparisons(session).of_client(client.id) if kept else []
        loaded = wardrobe_of(session, client.id) if compared else None
        for one in compared:
            sides = {"left": one.left, "right": one.right}
            if one.better not in sides or any(side.kind is not SideKind.LOOK for side in sides.values()):
                continue
            better, worse = sides.pop(one.better), next(iter(sides.values()))
            if loaded is not None and better.id in kept and worse.id in kept:
                found.append(Preference(loaded.kept(kept[better.id]), loaded.kept(kept[worse.id])))
    return found


def take_taste_on(session: Session) -> None:
    """Moves the rules as the verdicts ask. Refused when they ask for nothing."""
    asked = taste(session).asked
    if not asked:
        raise Refused(
            "your verdicts ask for nothing yet.",
            "taste",
            f"Compare looks side by side, at least {LEAST_VERDICTS} times.",
        )
    Studio(session).keep(TASTES, Tastes(tuple(MovedRule(rule, times) for rule, times, _ in asked)))


def put_taste_back(session: Session) -> None:
    """Judges by the rules that ship again."""
    Studio(session).forget(TASTES)


def _kept(session: Session) -> tuple[MovedRule, ...]:
    return (Studio(session).get(TASTES) or Tastes()).kept
