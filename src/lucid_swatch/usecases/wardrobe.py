"""A client's wardrobe from what is kept: the one place where the rail, whose it is, the school and the day come together."""

from collections.abc import Mapping, Sequence
from dataclasses import dataclass, field, replace
from datetime import UTC, datetime
from functools import cached_property

from sqlalchemy.orm import Session

from lucid_swatch.core.client.colouring import Client
from lucid_swatch.core.garment.known import as_known
from lucid_swatch.core.garment.piece import Piece
from lucid_swatch.core.garment.vocabulary import Worn
from lucid_swatch.core.look.dressing.held import always_on, held_back, irritants_of, refused_by, sets_of
from lucid_swatch.core.look.dressing.wardrobe import Wardrobe
from lucid_swatch.core.look.kept_look import KeptLook
from lucid_swatch.core.look.look import Conventions, Intent, Look
from lucid_swatch.core.look.remarks.sense import Circumstances
from lucid_swatch.core.look.theme import Theme
from lucid_swatch.core.look.wearing.leaning import leaning
from lucid_swatch.core.problems import NotThere, Refused
from lucid_swatch.store.clients import Clients
from lucid_swatch.store.pieces import Pieces
from lucid_swatch.store.records import ClientRecord, HungPiece
from lucid_swatch.store.wears import Wears

from .ways import studio_ways


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
    meant: Mapping[str, str] = field(default_factory=dict)
    """Codes of reasons that are broken knowingly, each with a note why."""
    theme: Theme | None = None
    by_log: bool = False
    """Whether what the log tells of the pieces weighs when looks are made."""


@dataclass(frozen=True)
class ClientWardrobe:
    """A client's wardrobe, and what there is to say of its pieces."""

    client: ClientRecord
    """Whose rail it is."""
    hung: tuple[HungPiece, ...]
    """In the order in which they were hung."""
    day: Circumstances
    """What the day brings, what the wearer refuses, and what irritates them."""
    wardrobe: Wardrobe

    @cached_property
    def of_piece(self) -> dict[str, HungPiece]:
        """What hangs, by the id of its piece."""
        return {one.piece.id: one for one in self.hung}

    def look(
        self, piece_ids: tuple[str, ...], intent: Intent | None = None, worn: Mapping[str, Worn] | None = None
    ) -> Look:
        """Some pieces as a look. NotThere, naming it, when one is not on the rail; Refused when one, or a face of it, is
        worn twice."""
        missing = next((id for id in piece_ids if id not in self.of_piece), None)
        if missing is not None:
            raise NotThere("this piece is not on the client's rail.", missing, "Load the page again.")
        if len(set(piece_ids)) < len(piece_ids):
            raise Refused("one piece is in the look twice.", "look", "Take one of them out.")
        both = next((id for id in piece_ids if self.of_piece[id].particulars.other_face in piece_ids), None)
        if both is not None:
            called = self.of_piece[both].piece.called
            raise Refused("both faces of one reversible piece are in the look.", called, "Take one of them out.")
        return self.wardrobe.look("look", piece_ids, intent, worn)

    def kept(self, look: KeptLook) -> Look:
        """A kept look as the core judges it, by the school that it follows."""
        told = look.particulars
        schools = None if told.conventions is None else in_force(self.client, told.conventions)
        found = self.wardrobe.look(look.id, look.piece_ids, look.intent, told.worn, schools)
        return replace(found, meant=told.meant, theme=told.theme)


USUAL = Setting()


def wardrobe_of(session: Session, client_id: str, setting: Setting = USUAL) -> ClientWardrobe:
    """A client's wardrobe as it is worn in some setting. NotThere when there is no such client."""
    client = Clients(session).get(client_id)
    wearer = client if setting.on is None else Clients(session).get(setting.on)
    hung = tuple(Pieces(session).of_client(client_id))
    ways = studio_ways(session)
    pieces = tuple(as_worn(as_known(one.piece, ways), setting.worn) for one in hung)
    about, told = wearer.about, [one.particulars for one in hung]
    day = Circumstances(
        setting.rain,
        refused_by(about, pieces, wearer.conventions.school),
        irritants_of(about, pieces, told),
        about.wishes,
        setting.formality,
        setting.warmth,
    )
    wardrobe = Wardrobe(
        pieces,
        known_face(wearer),
        in_force(client, setting.conventions),
        always_on(about, pieces),
        held_back(pieces, told, day),
        sets_of({one.piece.id: one.particulars.set for one in hung}),
        leaning_of(session, client_id, hung) if setting.by_log else {},
    )
    return ClientWardrobe(client, hung, day, wardrobe)


def leaning_of(session: Session, client_id: str, hung: Sequence[HungPiece]) -> dict[str, float]:
    """What the log of a client says to who makes looks, by piece id."""
    since = {one.piece.id: one.created_at.date() for one in hung}
    return leaning(Wears(session).lines(client_id), since, datetime.now(UTC).date())


def known_face(client: ClientRecord) -> Client | None:
    """What is known of a client's colouring; None when it is nothing at all."""
    face = client.whole.client
    found = any(p is not None for p in (face.skin, face.hair, face.eyes, face.undertone, face.settled))
    return face if found else None


def in_force(client: ClientRecord, schools: Conventions | None) -> Conventions:
    """The school of a look, with what this studio does whatever the school. schools: None for the client's own."""
    own = client.conventions
    return own if schools is None else replace(schools, leanings=own.leanings, tastes=own.tastes)


def as_worn(piece: Piece, worn: Mapping[str, Worn]) -> Piece:
    """A piece as it is worn here. worn: by id, where it is not as usual."""
    return replace(piece, worn=worn[piece.id]) if piece.id in worn else piece
