"""What a candidate would do for a rail, and what is missing on it, in the open formats."""

from typing import Any

from pydantic import Field

from lucid_swatch.core.client.reading import FaceReading, reading_of
from lucid_swatch.core.colour.arrays import FloatArray
from lucid_swatch.core.garment.kin import Neighbour
from lucid_swatch.core.garment.known import as_seen
from lucid_swatch.core.garment.vocabulary import Category, Finish, PatternType
from lucid_swatch.core.look.buying.consider import Considered, PlainWord, consider
from lucid_swatch.core.look.buying.gaps import Gap
from lucid_swatch.core.look.dressing.held import irritants_of, refused_by
from lucid_swatch.core.look.dressing.outfits import GOOD
from lucid_swatch.core.look.dressing.wardrobe import Wardrobe
from lucid_swatch.core.look.making.apart import set_apart
from lucid_swatch.core.look.verdict import judge
from lucid_swatch.core.problems import Refused

from .document import Document
from .made import MadeLookDocument, look_of, made_document, wardrobe_of_rail
from .particulars import ParticularsDocument
from .piece import PieceDocument
from .rail import RailDocument, RailPieceDocument


class NearDocument(Document):
    """A piece of the rail whose colour is near that of a candidate."""

    id: str
    delta_e: float
    """CIEDE2000 between the main colours."""

    @classmethod
    def from_core(cls, near: Neighbour) -> "NearDocument":
        """The document of a neighbour."""
        return cls(id=near.piece.id, delta_e=round(near.difference, 2))


class PartnerDocument(Document):
    """A piece of the rail that a candidate goes with."""

    id: str
    looks: int
    """Good looks that the candidate opens beside it."""


class ConsideredDocument(Document):
    """What is to be said of a candidate."""

    format: str = "lucid-swatch/considered"
    version: int = 1
    suits: float | None = None
    """How well its colours sit with the client, 0 to 1; none where too little is known."""
    in_range: bool | None = None
    opens: int
    """Good base looks that it adds or, for an accessory, base looks that it makes good."""
    opens_least: int
    opens_most: int
    """The same over where its colour may lie."""
    good: float = GOOD
    """The overall from which a look is good."""
    good_now: int
    """Good base looks of the rail without it."""
    usual: int | None = None
    """How many of those the middle piece of its kind is in."""
    partners: list[str]
    """Ids of what it goes with, most first."""
    partner_looks: list[PartnerDocument]
    woken: list[str]
    """Ids of what is in no good look now and would be."""
    doubles: list[NearDocument]
    quarrels: list[NearDocument]
    looks: list[MadeLookDocument]
    word: PlainWord
    because: list[str]
    otherwise: str
    """What would have to be different for another word."""


class GapDocument(Document):
    """A piece that is missing."""

    category: Category
    lab: list[float]
    name: str
    opens: int
    within: float
    """CIEDE2000 round lab in which that nearly holds."""
    pattern: PatternType = PatternType.SOLID
    """Another one where it opens clearly more than a plain cloth, and so the finish."""
    finish: list[Finish] = Field(default_factory=list)
    ground: list[float] | None = None
    """CIELAB of the other colour of a pattern, half and half."""

    @classmethod
    def from_core(cls, gap: Gap) -> "GapDocument":
        """The document of a gap."""
        return cls(
            category=gap.category,
            lab=_short(gap.lab),
            name=gap.name,
            opens=gap.opens,
            within=gap.within,
            pattern=gap.pattern,
            finish=list(gap.finish),
            ground=None if gap.ground is None else _short(gap.ground),
        )


def _short(lab: FloatArray) -> list[float]:
    return [round(float(value), 2) for value in lab]


class CandidateDocument(PieceDocument):
    """A piece that may be bought, with what is kept about it."""

    kept: ParticularsDocument = Field(default_factory=ParticularsDocument)


def reading_for(wardrobe: Wardrobe) -> FaceReading | None:
    """What is known of the colouring that a wardrobe is for."""
    return None if wardrobe.client is None else reading_of(wardrobe.client)


def considered_document(rail: RailDocument, candidate: CandidateDocument) -> ConsideredDocument:
    """A candidate held against a rail. Refused when a piece of its id hangs there."""
    if any(piece.id == candidate.id for piece in rail.pieces):
        raise Refused(f"a piece '{candidate.id}' hangs on this rail.", "$.id", "Give the candidate an id of its own.")
    wardrobe = wardrobe_of_rail(rail)
    piece = as_seen(candidate.to_core())
    about, school = rail.about.to_core(), rail.conventions.to_core().school
    refused = refused_by(about, [piece], school).get(piece.id)
    irritant = irritants_of(about, [piece], [candidate.kept.to_core()]).get(piece.id)
    barred = refused or (None if irritant is None else f"it is marked with {irritant}")
    found = consider(wardrobe, piece, reading_for(wardrobe), barred)
    return _document(found, wardrobe.with_strangers([piece]), rail, candidate)


def _document(
    found: Considered, wardrobe: Wardrobe, rail: RailDocument, candidate: CandidateDocument
) -> ConsideredDocument:
    hung = RailPieceDocument.model_validate(candidate.model_dump(mode="json", exclude_unset=True))
    wider = rail.model_copy(update={"pieces": [*rail.pieces, hung]})
    looks = [look_of(wardrobe, f"look {k}", one.piece_ids, None) for k, one in enumerate(found.looks, start=1)]
    verdicts = judge(looks) if looks else []
    told: dict[str, Any] = {
        "suits": found.suits,
        "in_range": found.in_range,
        "opens": found.opens,
        "opens_least": found.opens_within[0],
        "opens_most": found.opens_within[1],
        "good_now": found.good_now,
        "usual": found.usual,
        "partners": [id for id, _ in found.partners],
        "partner_looks": [PartnerDocument(id=id, looks=looks) for id, looks in found.partners],
        "woken": list(found.woken),
        "doubles": [NearDocument.from_core(one) for one in found.doubles],
        "quarrels": [NearDocument.from_core(one) for one in found.quarrels],
        "looks": made_document(looks, set_apart(looks, verdicts), verdicts, wider, None),
        "word": found.word,
        "because": list(found.because),
        "otherwise": found.otherwise,
    }
    return ConsideredDocument(**told)
