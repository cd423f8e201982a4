"""A rail as looks are made of it, and what was made, in the open formats."""

from typing import Any

from pydantic import Field

from lucid_swatch.core.garment.known import as_known, as_seen
from lucid_swatch.core.look.dressing.held import always_on, held_back, irritants_of, refused_by, sets_of
from lucid_swatch.core.look.dressing.wardrobe import Wardrobe
from lucid_swatch.core.look.look import Intent, Look
from lucid_swatch.core.look.making.turning import Turned
from lucid_swatch.core.look.remarks.sense import Circumstances
from lucid_swatch.core.look.theme import Theme
from lucid_swatch.core.look.verdict import Verdict, judge

from .document import Document
from .look import ClientDocument, ConventionsDocument, LookDocument, ThemeDocument
from .piece import PieceDocument
from .rail import RailDocument
from .verdict import MendDocument, VerdictDocument, mend_document


def wardrobe_of_rail(rail: RailDocument) -> Wardrobe:
    """The rail as a wardrobe, held to what is known about the client."""
    pieces = tuple(as_seen(piece.to_core()) for piece in rail.pieces)
    told, about, conventions = [p.kept.to_core() for p in rail.pieces], rail.about.to_core(), rail.conventions.to_core()
    day = Circumstances(
        refused=refused_by(about, pieces, conventions.school), irritants=irritants_of(about, pieces, told)
    )
    return Wardrobe(
        pieces,
        rail.client.to_core() if rail.client else None,
        conventions,
        always_on(about, pieces),
        held_back([as_known(piece) for piece in pieces], told, day),
        sets_of({piece.id: piece.kept.set for piece in rail.pieces}),
    )


class MadeLookDocument(LookDocument):
    """A look that was made: complete, with its verdict and what sets it apart."""

    verdict: VerdictDocument
    because: str


class UnusedDocument(Document):
    """A piece that no look uses, and what it would need."""

    piece: str
    text: str


class MadeDocument(Document):
    """Looks that were made, best first."""

    format: str = "lucid-swatch/looks"
    version: int = 1
    looks: list[MadeLookDocument]
    missing: str | None = None
    """Why there are fewer than were asked for."""
    left_out: dict[str, str] = Field(default_factory=dict)
    """Why pieces are in no look, by id."""
    unused: list[UnusedDocument] = Field(default_factory=list)


class TurnedDocument(Document):
    """A look after its turn."""

    changes: list[MendDocument]
    look: LookDocument
    verdict: VerdictDocument


def look_of(wardrobe: Wardrobe, id: str, piece_ids: tuple[str, ...], intent: Intent | None) -> Look:
    """A look as it goes out: what is always on is among its pieces, and nothing is left to draw on."""
    pieces = tuple(wardrobe.by_id[one] for one in piece_ids)
    return Look(id, (*pieces, *wardrobe.always), wardrobe.client, wardrobe.conventions, intent)


def look_document(
    look: Look, told: dict[str, Any], rail: RailDocument, theme: ThemeDocument | None = None
) -> dict[str, Any]:
    """A look as it goes out. told: its pieces as they came in, by id."""
    return {
        "format": "lucid-swatch/look",
        "version": 1,
        "id": look.id,
        "client": None if rail.client is None else rail.client.model_dump(mode="json"),
        "conventions": rail.conventions.model_dump(mode="json", by_alias=True),
        "intent": look.intent,
        "pieces": [
            told[p.id] if p.id in told else PieceDocument.from_core(p).model_dump(mode="json") for p in look.pieces
        ],
        "theme": None if theme is None else theme.model_dump(mode="json"),
    }


def told_of(rail: RailDocument) -> dict[str, Any]:
    """The pieces of a rail as they came in, without what is only kept about them, by id."""
    hidden = {"kept", "photo", "hung_at"}
    return {piece.id: piece.model_dump(mode="json", exclude_unset=True, exclude=hidden) for piece in rail.pieces}


def made_document(
    looks: list[Look], because: list[str], verdicts: list[Verdict], rail: RailDocument, theme: ThemeDocument | None
) -> list[MadeLookDocument]:
    """What was made, as it goes out; `score` reads each and finds the same."""
    told = told_of(rail)
    return [
        MadeLookDocument.model_validate(
            look_document(look, told, rail, theme)
            | {"verdict": VerdictDocument.from_core(verdict, [], look).model_dump(mode="json"), "because": reason}
        )
        for look, verdict, reason in zip(looks, verdicts, because, strict=True)
    ]


def made_of_wardrobe(
    wardrobe: Wardrobe, looks: list[Look], because: list[str], verdicts: list[Verdict], theme: Theme | None
) -> MadeDocument:
    """Looks of a wardrobe that never was a file, as they go out."""
    face = wardrobe.client
    client = None
    if face is not None:
        parts = {"skin": face.skin, "hair": face.hair, "eyes": face.eyes}
        told = {name: {"lab": [float(v) for v in lab]} for name, lab in parts.items() if lab is not None}
        client = ClientDocument.model_validate(told | {"undertone": face.undertone})
    rail = RailDocument(client=client, conventions=ConventionsDocument.from_core(wardrobe.conventions), pieces=[])
    carried = None if theme is None else ThemeDocument.from_core(theme)
    return MadeDocument(looks=made_document(looks, because, verdicts, rail, carried))


def turned_documents(found: list[Turned], told: dict[str, Any], rail: RailDocument) -> list[TurnedDocument]:
    """Looks after a turn, as they go out."""
    whole = [
        Look(t.look.id, t.look.worn, t.look.client, t.look.conventions, t.look.intent, meant=t.look.meant)
        for t in found
    ]
    return [
        TurnedDocument(
            changes=[mend_document(change) for change in one.changes],
            look=LookDocument.model_validate(look_document(look, told, rail)),
            verdict=VerdictDocument.from_core(verdict, [], look),
        )
        for one, look, verdict in zip(found, whole, judge(whole), strict=True)
    ]
