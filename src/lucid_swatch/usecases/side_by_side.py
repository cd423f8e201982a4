"""This against that at the face: pieces, looks, photos, or nothing, kept with the client."""

from datetime import UTC, datetime
from uuid import uuid4

from sqlalchemy.orm import Session

from lucid_swatch.core.problems import Refused
from lucid_swatch.store.clients import Clients
from lucid_swatch.store.compared_photos import ComparedPhotos
from lucid_swatch.store.looks import Looks
from lucid_swatch.store.pieces import Pieces
from lucid_swatch.store.records import Side, SideBySide, SideKind
from lucid_swatch.store.trials import Comparisons

from .changes import recorded


def keep_side_by_side(
    session: Session,
    client_id: str,
    left: tuple[SideKind, str],
    right: tuple[SideKind, str],
    better: str | None,
    note: str,
) -> SideBySide:
    """Keeps what was compared and what was found better. Refused when both sides are the same."""
    Clients(session).get(client_id)
    if left == right:
        raise Refused("both sides hold the same.", "side by side", "Choose something else for one of them.")
    shown, other = _side(session, client_id, *left), _side(session, client_id, *right)
    compared = SideBySide(uuid4().hex, client_id, datetime.now(UTC), shown, other, better, note.strip())
    Comparisons(session).add(compared)
    return compared


def forget_side_by_side(session: Session, id: str) -> int | None:
    """Forgets a comparison. The number of the change, to take it back."""
    one = Comparisons(session).get(id)
    told = f"forgot {one.left.label} against {one.right.label}"
    with recorded(session, one.client_id, told) as change:
        change.touches("side by side", id)
        Comparisons(session).remove(id)
    return change.number


def _side(session: Session, client_id: str, kind: SideKind, id: str) -> Side:
    """A side with the name it has now, so that it can be read when the thing is gone."""
    label = "nothing"
    if kind is SideKind.PIECE:
        found = Pieces(session).get(id)
        _check_owner(found.client_id, client_id, id)
        label = found.piece.label
    elif kind is SideKind.LOOK:
        look = Looks(session).get(id)
        _check_owner(look.client_id, client_id, id)
        label = look.name
    elif kind is SideKind.PHOTO:
        photo = ComparedPhotos(session).get(id)
        _check_owner(photo.client_id, client_id, id)
        label = photo.name
    return Side(kind, id if kind is not SideKind.NOTHING else "", label)


def _check_owner(owner: str, client_id: str, id: str) -> None:
    if owner != client_id:
        raise Refused("this belongs to another client.", id, "Choose something of this client's.")
