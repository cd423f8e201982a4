"""Looks are judged, kept and let go."""

from dataclasses import dataclass, replace
from datetime import UTC, datetime
from uuid import uuid4

import numpy as np
from sqlalchemy.orm import Session

from lucid_swatch.core.client.colouring import Client
from lucid_swatch.core.garment.piece import Piece
from lucid_swatch.core.garment.vocabulary import Category
from lucid_swatch.core.look.considered import Effect, consider
from lucid_swatch.core.look.look import Intent, Look
from lucid_swatch.core.look.mends import Mend
from lucid_swatch.core.look.stitches import Stitch
from lucid_swatch.core.look.verdict import Verdict, judge
from lucid_swatch.core.problems import NotThere, Refused
from lucid_swatch.formats.client import About
from lucid_swatch.store.clients import Clients
from lucid_swatch.store.looks import Looks
from lucid_swatch.store.pieces import Pieces
from lucid_swatch.store.records import ClientRecord, KeptLook


@dataclass(frozen=True, slots=True)
class Judged:
    """A look with all that the screen says of it."""

    verdict: Verdict
    mends: list[Mend]
    effects: dict[str, Effect]
    """What each piece of the rail would do, by piece id."""
    stitches: list[Stitch]
    band: tuple[float, float] | None
    """L* from the darkest to the lightest of the client's skin, hair and eyes."""


def judge_pieces(session: Session, client_id: str, piece_ids: tuple[str, ...], intent: Intent | None = None) -> Judged:
    """The verdict on some pieces of a client's rail, and what every other piece would do to it.

    NotThere, naming it, when a piece is not on the rail; Refused without any."""
    client = Clients(session).get(client_id)
    rail = {hung.piece.id: hung.piece for hung in Pieces(session).of_client(client_id)}
    missing = next((id for id in piece_ids if id not in rail), None)
    if missing is not None:
        raise NotThere("this piece is not on the client's rail.", missing, "Load the page again.")
    if len(set(piece_ids)) < len(piece_ids):
        raise Refused("one piece is in the look twice.", "look", "Take one of them out.")
    always = _always_on(client, rail, piece_ids)
    taken = {*piece_ids, *(piece.id for piece in always)}
    face = known_face(client)
    found = consider(
        Look(
            "look", tuple(rail[id] for id in piece_ids), face, client.conventions, intent,
            tuple(piece for id, piece in rail.items() if id not in taken), always,
        )
    )  # fmt: skip
    return Judged(found.verdict, found.mends, found.effects, found.stitches, band_of(face))


def _always_on(client: ClientRecord, rail: dict[str, Piece], piece_ids: tuple[str, ...]) -> tuple[Piece, ...]:
    """What joins every look of a client: glasses, a ring, a headscarf, and the lipstick as a colour at the face."""
    about = About.model_validate(client.about)
    pieces = tuple(rail[id] for id in about.always_on if id in rail and id not in piece_ids)
    if about.lipstick is None:
        return pieces
    lipstick = Piece("lipstick", Category.HAIR_PIECE, np.array([about.lipstick]), np.ones(1), label="lipstick")
    return (*pieces, lipstick)


def known_face(client: ClientRecord) -> Client | None:
    """What is known of a client's colouring; None when it is nothing at all."""
    face = client.whole.client
    found = any(p is not None for p in (face.skin, face.hair, face.eyes, face.undertone, face.settled))
    return face if found else None


def band_of(face: Client | None) -> tuple[float, float] | None:
    """From the darkest to the lightest of skin, hair and eyes, L*; None with fewer than two of them."""
    parts = [] if face is None else [float(lab[0]) for lab in (face.skin, face.hair, face.eyes) if lab is not None]
    return (min(parts), max(parts)) if len(parts) > 1 else None


def keep_look(
    session: Session, client_id: str, name: str, piece_ids: tuple[str, ...], intent: Intent | None = None
) -> KeptLook:
    """Keeps a look. Refused without a name; what is not on the rail is named."""
    if not name.strip():
        raise Refused("the look has no name.", "name", "Write what it is for, such as 'Tuesday rehearsal'.")
    judge_pieces(session, client_id, piece_ids, intent)
    look = KeptLook(uuid4().hex, client_id, name.strip(), piece_ids, datetime.now(UTC), intent)
    Looks(session).add(look)
    return look


def change_look(session: Session, id: str, name: str, piece_ids: tuple[str, ...], intent: Intent | None) -> KeptLook:
    """Writes a kept look again."""
    kept = Looks(session).get(id)
    if not name.strip():
        raise Refused("the look has no name.", "name", "Write what it is for, such as 'Tuesday rehearsal'.")
    judge_pieces(session, kept.client_id, piece_ids, intent)
    changed = replace(kept, name=name.strip(), piece_ids=piece_ids, intent=intent)
    Looks(session).change(changed)
    return changed


def overall_of(session: Session, client_id: str, looks: list[KeptLook]) -> dict[str, float]:
    """The whole of each kept look, by look id, all in one batch."""
    client = Clients(session).get(client_id)
    rail = {hung.piece.id: hung.piece for hung in Pieces(session).of_client(client_id)}
    face = known_face(client)
    judged = judge(
        [
            Look(
                k.id,
                tuple(rail[id] for id in k.piece_ids),
                face,
                client.conventions,
                k.intent,
                always=_always_on(client, rail, k.piece_ids),
            )
            for k in looks
        ]
    )
    return {verdict.id: verdict.overall for verdict in judged}
