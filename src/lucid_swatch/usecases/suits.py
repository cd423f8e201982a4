"""What follows from a client's colouring: colours, metals, and which pieces of the rail are in it."""

from dataclasses import dataclass

from sqlalchemy.orm import Session

from lucid_swatch.core.client.suits import Suits, in_range, what_suits
from lucid_swatch.core.look.rules.contrast import contrast_that_suits
from lucid_swatch.store.clients import Clients
from lucid_swatch.store.pieces import Pieces
from lucid_swatch.store.records import HungPiece


@dataclass(frozen=True, slots=True)
class Follows:
    """What follows from a colouring."""

    suits: Suits
    contrast: tuple[float, float] | None
    """Least and most L* of a look's contrast; None while too little is known of the face."""
    pieces: tuple[tuple[HungPiece, float, bool], ...]
    """Every piece of the rail with how well it suits, 0..1, and whether it is in the range; the best first."""


def what_follows(session: Session, client_id: str) -> Follows | None:
    """What suits a client; None while nothing is known of the undertone."""
    client = Clients(session).get(client_id)
    counts = client.whole.counts
    if counts is None or not counts.undertone.known:
        return None
    hung = Pieces(session).of_client(client_id)
    fits = in_range([(one.piece.lab, one.piece.share) for one in hung], counts)
    pieces = [(one, fit, inside) for one, (fit, inside) in zip(hung, fits, strict=True)]
    suits = what_suits(counts, client.conventions.school)
    contrast = contrast_that_suits(counts.contrast.value) if counts.contrast.known else None
    return Follows(suits, contrast, tuple(sorted(pieces, key=lambda one: -one[1])))
