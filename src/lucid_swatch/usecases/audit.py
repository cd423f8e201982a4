"""The audit of a rail: what it is made of, what works, and what changed since the last visit."""

from dataclasses import dataclass
from datetime import datetime

from sqlalchemy.orm import Session

from lucid_swatch.core.garment.kin import near_duplicates
from lucid_swatch.core.garment.vocabulary import Metal
from lucid_swatch.core.garment.wardrobe import MadeOf, made_of
from lucid_swatch.core.look.body import area_of
from lucid_swatch.core.look.dressing.long_rail import counter_of
from lucid_swatch.core.look.dressing.outfits import Outfits
from lucid_swatch.store.clients import Clients
from lucid_swatch.store.journal import Journal
from lucid_swatch.store.pieces import Pieces
from lucid_swatch.store.records import ClientRecord

from .past import rail_before
from .rail import OnRail, hanging, sorted_pieces
from .wardrobe import wardrobe_of
from .ways import studio_ways


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


def work(session: Session, client_id: str) -> Outfits:
    """How many good looks each piece of a rail is in."""
    return counter_of(wardrobe_of(session, client_id).wardrobe).outfits()
