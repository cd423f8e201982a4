"""The audit of a rail: what it is made of, what works, what is missing, and what changed since the last visit."""

from dataclasses import dataclass
from datetime import datetime
from uuid import uuid4

import numpy as np
from sqlalchemy.orm import Session

from lucid_swatch.core.client.suits import what_suits
from lucid_swatch.core.colour.difference import pairwise_delta_e_2000
from lucid_swatch.core.garment.kin import near_duplicates
from lucid_swatch.core.garment.piece import Piece
from lucid_swatch.core.garment.vocabulary import Category, Metal
from lucid_swatch.core.garment.wardrobe import MadeOf, made_of
from lucid_swatch.core.look.body import area_of
from lucid_swatch.core.look.dressing.long_rail import counter_of
from lucid_swatch.core.look.dressing.mends import WANTED, wanted_names
from lucid_swatch.core.look.dressing.outfits import Outfits
from lucid_swatch.store.clients import Clients
from lucid_swatch.store.journal import Journal
from lucid_swatch.store.pieces import Pieces
from lucid_swatch.store.records import ClientRecord

from .past import rail_before
from .rail import OnRail, hanging, sorted_pieces
from .wardrobe import wardrobe_of
from .ways import studio_ways

THERE_WITHIN = 10.0
"""CIEDE2000 up to which a colour counts as being on the rail already."""
MISSING_SHOWN = 6
WANTED_AS = (Category.TROUSERS, Category.TOP, Category.JACKET, Category.SHOES)


@dataclass(frozen=True, slots=True)
class Audit:
    """What a rail is made of."""

    made: MadeOf
    in_range: float | None
    """Share of the cloth that suits the client; None while nothing is known of the undertone."""
    metals: tuple[tuple[Metal, int], ...]
    """How many pieces show each metal, the most first."""
    duplicates: tuple[tuple[str, str, float], ...]
    """Ids of pieces that are nearly one, with their CIEDE2000."""
    since: datetime | None
    """When the rail was last changed on an earlier day."""
    before: MadeOf | None
    """What it was made of then."""


@dataclass(frozen=True, slots=True)
class Opening:
    """A piece that is not there, and what it would open."""

    category: Category
    name: str
    lab: tuple[float, float, float]
    looks: int


@dataclass(frozen=True, slots=True)
class Work:
    """How hard the pieces of a rail work."""

    outfits: Outfits
    openings: tuple[Opening, ...]


def audit(session: Session, client_id: str) -> Audit:
    """What a client's rail is made of, and what it was made of before the last visit."""
    client = Clients(session).get(client_id)
    hung = Pieces(session).of_client(client_id)
    rail = hanging(client, hung, studio_ways(session))
    since, before = rail_before(Journal(session).of_client(client_id), hung)
    metals: dict[Metal, int] = {}
    for one in hung:
        metals[one.piece.metal] = metals.get(one.piece.metal, 0) + 1
    shown = [(metal, count) for metal, count in metals.items() if metal is not Metal.NONE]
    return Audit(
        _made(rail, client),
        _in_range(rail),
        tuple(sorted(shown, key=lambda one: -one[1])),
        tuple((a.id, b.id, difference) for a, b, difference in near_duplicates([one.piece for one in hung])),
        since,
        None if before is None else _made(sorted_pieces(before, client.conventions.school), client),
    )


def _made(rail: list[OnRail], client: ClientRecord) -> MadeOf:
    pieces = [one.hung.piece for one in rail]
    return made_of(
        pieces, [one.sorted for one in rail], [area_of(p.category) for p in pieces], client.conventions.school
    )


def _in_range(rail: list[OnRail]) -> float | None:
    known = [(area_of(one.hung.piece.category), one.suits) for one in rail if one.suits is not None]
    total = sum(area for area, _ in known)
    return sum(area for area, suits in known if suits) / total if total else None


def work(session: Session, client_id: str) -> Work:
    """How many good looks each piece of a rail is in, and which new piece would open most."""
    loaded = wardrobe_of(session, client_id)
    wardrobe = loaded.wardrobe
    pieces = [wardrobe.pieces[place] for place in wardrobe.free]
    strangers = [
        _stranger(lab, name, category)
        for category in WANTED_AS
        for lab, name in zip(*_wanted(loaded.client, pieces, category), strict=True)
    ]
    counter = counter_of(wardrobe, strangers)
    openings = [
        Opening(one.category, one.label, (float(one.lab[0, 0]), float(one.lab[0, 1]), float(one.lab[0, 2])), looks)
        for one in strangers
        if (looks := counter.opened(one)) > 0
    ]
    return Work(counter.outfits(), _varied(sorted(openings, key=lambda one: -one.looks)))


def _wanted(client: ClientRecord, pieces: list[Piece], category: Category) -> tuple[np.ndarray, list[str]]:
    """Colours that a piece of some category could have: those that suit the client where that is known, and are not
    there in this category."""
    counts = client.whole.counts
    school = client.conventions.school
    if counts is not None and counts.undertone.known:
        suits = what_suits(counts, school)
        lab = np.concatenate([suits.neutrals.lab, suits.tones.lab[:4]])
        names = [*suits.neutrals.names, *suits.tones.names[:4]]
    else:
        lab, names = WANTED, wanted_names(school)
    own = [p.lab[0] for p in pieces if p.category is category]
    if own:
        free = pairwise_delta_e_2000(lab, np.array(own)).min(axis=1) > THERE_WITHIN
        lab, names = lab[free], [name for name, there in zip(names, free, strict=True) if there]
    return lab, names


def _stranger(lab: np.ndarray, name: str, category: Category) -> Piece:
    return Piece(uuid4().hex, category, lab[None], np.ones(1), label=name)


def _varied(openings: list[Opening]) -> tuple[Opening, ...]:
    """The best openings, at most two of one category and one of a name."""
    chosen: list[Opening] = []
    for one in openings:
        same = [c for c in chosen if c.category is one.category]
        if len(same) < 2 and all(c.name != one.name for c in chosen):
            chosen.append(one)
    return tuple(chosen[:MISSING_SHOWN])
