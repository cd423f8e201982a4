"""For one piece of a rail: what matches it, what clashes, what it goes with best and what it fights with."""

from dataclasses import dataclass, replace

from sqlalchemy.orm import Session

from lucid_swatch.core.garment.kin import Kin, Neighbour, neighbours
from lucid_swatch.core.garment.sorting import sort_pieces
from lucid_swatch.core.look.dressing.partners import Partner, partners
from lucid_swatch.store.pieces import Pieces

from .wardrobe import wardrobe_of

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
    loaded = wardrobe_of(session, hung.client_id)
    wardrobe = loaded.wardrobe
    pieces = [one.piece for one in loaded.hung if one.piece.id != id]
    sorts = sort_pieces([hung.piece, *pieces], wardrobe.conventions.school)
    near = neighbours(hung.piece, sorts[0], pieces, sorts[1:])
    other_face = hung.particulars.other_face
    if other_face is not None:
        wardrobe = replace(wardrobe, barred={**wardrobe.barred, other_face: "is its other face"})
    best, worst = partners(hung.piece, wardrobe, SHOWN)
    same = [one for one in near if one.kin in (Kin.MATCH, Kin.PERHAPS, Kin.RELATED)]
    return Company(
        tuple(same[:SHOWN]), tuple([one for one in near if one.kin is Kin.CLASH][:SHOWN]), tuple(best), tuple(worst)
    )
