"""Looks are judged, kept and let go."""

from collections.abc import Mapping
from dataclasses import dataclass, field, replace
from datetime import UTC, datetime
from functools import cache
from uuid import uuid4

import numpy as np
from sqlalchemy.orm import Session

from lucid_swatch.core.client.colouring import Client
from lucid_swatch.core.garment.piece import Piece
from lucid_swatch.core.garment.sorting import sort_pieces
from lucid_swatch.core.garment.vocabulary import Category, Worn
from lucid_swatch.core.look.dressing.considered import Effect, consider
from lucid_swatch.core.look.dressing.mends import Mend, missing_colours
from lucid_swatch.core.look.look import Conventions, Intent, Look
from lucid_swatch.core.look.remarks.held_back import HeldBack, held_back
from lucid_swatch.core.look.remarks.refusals import WillNotWear, why_refused
from lucid_swatch.core.look.remarks.sense import Circumstances, Note, out_of_place, sense_notes
from lucid_swatch.core.look.remarks.stitches import Stitch
from lucid_swatch.core.look.scorer.weights import sentence_of, standard_weights
from lucid_swatch.core.look.verdict import Verdict, judge, wholes
from lucid_swatch.core.problems import NotThere, Refused
from lucid_swatch.formats.client import About
from lucid_swatch.formats.kept_look import KeptLookDocument
from lucid_swatch.store.clients import Clients
from lucid_swatch.store.folder import Folder
from lucid_swatch.store.going import Going
from lucid_swatch.store.looks import Looks
from lucid_swatch.store.pieces import Pieces
from lucid_swatch.store.records import ClientRecord, HungPiece, KeptLook

from .changes import recorded


@dataclass(frozen=True, slots=True)
class Setting:
    """How, when and on whom a look is worn, as far as it is said."""

    rain: bool = False
    worn: Mapping[str, Worn] = field(default_factory=dict)
    """How pieces are worn, by id, where it is not as they usually are."""
    formality: float | None = None
    warmth: float | None = None
    conventions: Conventions | None = None
    """The school, where it is not the client's."""
    on: str | None = None
    """Another client, whose colouring and refusals the look is held against."""


def setting_of(kept: KeptLookDocument) -> Setting:
    """The setting that is kept with a look."""
    schools = None if kept.conventions is None else kept.conventions.to_core()
    return Setting(worn=kept.worn, formality=kept.formality, warmth=kept.warmth, conventions=schools)


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
    held_back: list[HeldBack]
    notes: list[Note]
    """What there is to think of beside colour; what was waved away is left out."""
    conventions: Conventions
    """The school that judged."""


def judge_pieces(
    session: Session,
    client_id: str,
    piece_ids: tuple[str, ...],
    intent: Intent | None = None,
    setting: Setting = Setting(),
) -> Judged:
    """The verdict on some pieces of a client's rail, and what every other piece would do to it.

    NotThere, naming it, when a piece is not on the rail; Refused without any."""
    client = Clients(session).get(client_id)
    hung = Pieces(session).of_client(client_id)
    rail = {one.piece.id: _as_worn(one.piece, setting.worn) for one in hung}
    _check_worn(hung, piece_ids)
    wearer = client if setting.on is None else Clients(session).get(setting.on)
    always = _always_on(wearer, rail, piece_ids)
    taken = {*piece_ids, *(piece.id for piece in always)}
    face, conventions = known_face(wearer), _in_force(client, setting.conventions)
    pieces = tuple(rail[id] for id in piece_ids)
    refused = refused_pieces(wearer, list(rail.values()))
    day = Circumstances(setting.rain, refused, irritants(wearer, hung), setting.formality, setting.warmth)
    others = tuple(piece for id, piece in rail.items() if id not in taken)
    amiss = {piece.id for piece in others if out_of_place(piece, day) is not None}
    barred = frozenset(refused) | amiss | {one.piece.id for one in hung if set_aside(one)}
    found = consider(Look("look", pieces, face, conventions, intent, others, always, barred))
    weights = standard_weights().moved(conventions.tastes)
    notes = [note for note in sense_notes((*pieces, *always), day) if note.key not in client.dismissed]
    return Judged(
        found.verdict,
        found.mends,
        found.effects,
        found.stitches,
        band_of(face),
        held_back(found.verdict, weights, intent, sentences()),
        notes,
        conventions,
    )


def colours_missing(
    session: Session, client_id: str, piece_ids: tuple[str, ...], intent: Intent | None, setting: Setting
) -> list[Mend]:
    """The colours in which a piece of a look would help most, really scored. NotThere when a piece is not on the rail."""
    client = Clients(session).get(client_id)
    rail = {one.piece.id: _as_worn(one.piece, setting.worn) for one in Pieces(session).of_client(client_id)}
    _check_there(rail, piece_ids)
    wearer = client if setting.on is None else Clients(session).get(setting.on)
    pieces, always = tuple(rail[id] for id in piece_ids), _always_on(wearer, rail, piece_ids)
    conventions = _in_force(client, setting.conventions)
    return missing_colours(Look("look", pieces, known_face(wearer), conventions, intent, always=always))


def _check_worn(hung: list[HungPiece], piece_ids: tuple[str, ...]) -> None:
    """NotThere when a piece is not on the rail; Refused when one, or a face of it, is worn twice."""
    _check_there({one.piece.id: one.piece for one in hung}, piece_ids)
    if len(set(piece_ids)) < len(piece_ids):
        raise Refused("one piece is in the look twice.", "look", "Take one of them out.")
    _check_faces(hung, piece_ids)


def _check_there(rail: Mapping[str, Piece], piece_ids: tuple[str, ...]) -> None:
    missing = next((id for id in piece_ids if id not in rail), None)
    if missing is not None:
        raise NotThere("this piece is not on the client's rail.", missing, "Load the page again.")


def _as_worn(piece: Piece, worn: Mapping[str, Worn]) -> Piece:
    return replace(piece, worn=worn[piece.id]) if piece.id in worn else piece


def _in_force(client: ClientRecord, schools: Conventions | None) -> Conventions:
    """The school of a look, with what this studio does whatever the school."""
    own = client.conventions
    return own if schools is None else replace(schools, leanings=own.leanings, tastes=own.tastes)


def refused_pieces(client: ClientRecord, pieces: list[Piece]) -> dict[str, str]:
    """Why the client will not wear some of the pieces, by id."""
    said = About.model_validate(client.about).refuses
    refusals = WillNotWear(
        frozenset(said.lengths),
        said.sheer,
        frozenset(said.materials),
        frozenset(said.patterns),
        frozenset(said.metals),
        tuple(colour.lower() for colour in said.colours),
    )
    names: dict[str, tuple[str, ...]] = {piece.id: (piece.label,) for piece in pieces}
    if refusals.colours:  # only then does it matter what a colour is called
        sorts = sort_pieces(pieces, client.conventions.school)
        names = {piece.id: (s.name, s.family, piece.label) for piece, s in zip(pieces, sorts, strict=True)}
    found = {piece.id: why_refused(piece, names[piece.id], refusals) for piece in pieces}
    return {id: why for id, why in found.items() if why is not None}


def irritants(client: ClientRecord, hung: list[HungPiece]) -> dict[str, str]:
    """The pieces whose label, care or note names something that irritates the client, by id."""
    allergies = [one.lower() for one in About.model_validate(client.about).allergies if one.strip()]
    found = {}
    for one in hung:
        told = f"{one.piece.label} {one.kept.get('care', '')} {one.kept.get('note', '')}".lower()
        named = next((allergy for allergy in allergies if allergy in told), None)
        if named is not None:
            found[one.piece.id] = named
    return found


def set_aside(hung: HungPiece) -> bool:
    """Whether a piece is to be let go, or does not fit."""
    return hung.kept.get("verdict") == "let go" or hung.kept.get("fits") is False


def dismiss(session: Session, client_id: str, key: str, again: bool = False) -> None:
    """Waves a note on a look away for this client, or lets it speak again."""
    others = tuple(one for one in Clients(session).get(client_id).dismissed if one != key)
    Clients(session).change(client_id, dismissed=others if again else (*others, key))


def _check_faces(hung: list[HungPiece], piece_ids: tuple[str, ...]) -> None:
    both = next((o for o in hung if o.piece.id in piece_ids and o.kept.get("other_face") in piece_ids), None)
    if both is not None:
        raise Refused("both faces of one reversible piece are in the look.", both.piece.called, "Take one of them out.")


def look_of(client: ClientRecord, pieces: Mapping[str, Piece], kept: KeptLook) -> Look:
    """A kept look as the core judges it. pieces: of the client's rail, by id."""
    setting = setting_of(KeptLookDocument.model_validate(kept.kept))
    rail = {id: _as_worn(piece, setting.worn) for id, piece in pieces.items()} if setting.worn else dict(pieces)
    conventions = _in_force(client, setting.conventions)
    return Look(
        kept.id,
        tuple(rail[id] for id in kept.piece_ids),
        known_face(client),
        conventions,
        kept.intent,
        always=_always_on(client, rail, kept.piece_ids),
    )


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
    session: Session,
    client_id: str,
    name: str,
    piece_ids: tuple[str, ...],
    intent: Intent | None = None,
    about: KeptLookDocument | None = None,
) -> KeptLook:
    """Keeps a look. Refused without a name; what is not on the rail is named."""
    kept = KeptLook(uuid4().hex, client_id, _named(name), piece_ids, datetime.now(UTC), intent)
    kept = _with(session, kept, about)
    Looks(session).add(kept)
    return kept


def change_look(
    session: Session,
    id: str,
    name: str,
    piece_ids: tuple[str, ...],
    intent: Intent | None,
    about: KeptLookDocument | None = None,
) -> KeptLook:
    """Writes a kept look again."""
    kept = replace(Looks(session).get(id), name=_named(name), piece_ids=piece_ids, intent=intent)
    kept = _with(session, kept, about)
    Looks(session).change(kept)
    return kept


def let_look_go(session: Session, folder: Folder, id: str) -> int | None:
    """Lets a look go, which can be taken back; its photo goes for good. The number of the change."""
    look = Looks(session).get(id)
    with recorded(session, look.client_id, f"let the look '{look.name}' go") as change:
        change.touches("look", id)
        Looks(session).remove(id)
    Going(session, folder).pictures(id)
    return change.number


def _named(name: str) -> str:
    if not name.strip():
        raise Refused("the look has no name.", "name", "Write what it is for, such as 'Tuesday rehearsal'.")
    return name.strip()


def _with(session: Session, kept: KeptLook, about: KeptLookDocument | None) -> KeptLook:
    """A look with what is kept about it, and with the verdict that stood on the day under this version of the weights."""
    told = kept.kept
    if about is not None:
        # which photo there is follows from what was sent, not from what is said
        before = KeptLookDocument.model_validate(kept.kept).photo
        about = about.model_copy(update={"photo": before})
        told = about.model_dump(mode="json", exclude_defaults=True, by_alias=True)
    verdict = _verdict_on(session, replace(kept, kept=told))
    today = {"weights": verdict.weights, "overall": verdict.overall, "on": datetime.now(UTC).date().isoformat()}
    earlier = tuple(one for one in kept.verdicts if one["weights"] != verdict.weights)
    if told.get("parent") is not None:
        _check_parent(session, kept, told["parent"])
    return replace(kept, kept=told, verdicts=(*earlier, today))


def _verdict_on(session: Session, kept: KeptLook) -> Verdict:
    """The verdict on a look that is being kept. Refused without a piece; NotThere when one is not on the rail."""
    hung = Pieces(session).of_client(kept.client_id)
    _check_worn(hung, kept.piece_ids)
    if not kept.piece_ids:
        raise Refused("the look has no piece.", kept.name, "Add at least one piece.")
    pieces = {one.piece.id: one.piece for one in hung}
    return judge([look_of(Clients(session).get(kept.client_id), pieces, kept)])[0]


def _check_parent(session: Session, kept: KeptLook, parent: str) -> None:
    if parent == kept.id:
        raise Refused("a look cannot be a variation of itself.", kept.name, "Keep it as another one.")
    if Looks(session).get(parent).client_id != kept.client_id:
        raise Refused("this look belongs to another client.", parent, "Load the page again.")


@cache
def sentences() -> dict[str, str]:
    """What each rule is about, by name."""
    return {name: sentence_of(name) for name in standard_weights().points}


def overall_of(session: Session, client_id: str, looks: list[KeptLook]) -> dict[str, float]:
    """The whole of each kept look, by look id, all in one batch."""
    client = Clients(session).get(client_id)
    pieces = {one.piece.id: one.piece for one in Pieces(session).of_client(client_id)}
    found = wholes([look_of(client, pieces, kept) for kept in looks])
    return {kept.id: float(whole) for kept, whole in zip(looks, found, strict=True)}
