"""For one piece of a rail: what matches it, what clashes, what it goes with best and what it fights with."""

from dataclasses import dataclass

from sqlalchemy.orm import Session

from lucid_swatch.core.garment.kin import Kin, Neighbour, neighbours
from lucid_swatch.core.garment.sorting import sort_pieces
from lucid_swatch.core.look.dressing.partners import Partner, partners
from lucid_swatch.store.clients import Clients
from lucid_swatch.store.pieces import Pieces

SHOWN = 5


@dataclass(frozen=True, slots=True)
class Company:
    """The company of a piece."""

    same: tuple[Neighbour, ...]
    """Pieces of the same colour, or of one that is near, nearest first."""
    clashes: tuple[Neighbour, ...]
    """Near misses."""
    partners: tuple[Partner, ...]
    fights: tuple[Partner, ...]


def company_of(session: Session, id: str) -> Company:
    """What a piece of a rail stands beside."""
    hung = Pieces(session).get(id)
    conventions = Clients(session).get(hung.client_id).conventions
    others = [one for one in Pieces(session).of_client(hung.client_id) if one.piece.id != id]
    other_face = hung.kept.get("other_face")
    pieces = [one.piece for one in others]
    sorts = sort_pieces([hung.piece, *pieces], conventions.school)
    near = neighbours(hung.piece, sorts[0], pieces, sorts[1:])
    wearable = [one.piece for one in others if one.piece.id != other_face and one.kept.get("verdict") != "let go"]
    best, worst = partners(hung.piece, wearable, conventions, SHOWN)
    same = [one for one in near if one.kin in (Kin.MATCH, Kin.PERHAPS, Kin.RELATED)]
    return Company(
        tuple(same[:SHOWN]), tuple([one for one in near if one.kin is Kin.CLASH][:SHOWN]), tuple(best), tuple(worst)
    )
