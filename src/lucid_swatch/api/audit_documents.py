"""What the screens get of the audit of a rail, of palettes and of the studio's own borders."""

from datetime import date, datetime

import numpy as np
from pydantic import Field

from lucid_swatch.core.colour.arrays import FloatArray
from lucid_swatch.core.colour.spaces import lab_to_hex
from lucid_swatch.core.garment.vocabulary import Bin, Category, Metal
from lucid_swatch.core.garment.wardrobe import MadeOf, Share
from lucid_swatch.core.look.dressing.outfits import GOOD
from lucid_swatch.formats.palette import PaletteColour
from lucid_swatch.store.records import ChangeRecord, HungPiece, PaletteRecord
from lucid_swatch.usecases.audit import Audit, Work
from lucid_swatch.usecases.leanings import Proposal
from lucid_swatch.usecases.neighbours import Company
from lucid_swatch.usecases.palettes import Fitted
from lucid_swatch.usecases.rail_in import Plan

from .base import Answer, Request
from .rail_documents import NeighbourAnswer, neighbour_answer, picture_of


class ShareAnswer(Answer):
    """A part of a rail's cloth."""

    name: str
    share: float
    before: float | None
    """The same share when the last visit began; none when nothing is known of then."""
    hex: str
    pieces: list[str]


class DuplicateAnswer(Answer):
    """Two pieces that are nearly one."""

    first: str
    second: str
    difference: float


class AuditAnswer(Answer):
    """What a rail is made of."""

    sorts: list[ShareAnswer]
    families: list[ShareAnswer]
    temperatures: list[ShareAnswer]
    lightness: list[ShareAnswer]
    heavy: list[str]
    """Names of the families of which there is much."""
    in_range: float | None
    """Share of the cloth that suits the client."""
    metals: dict[Metal, int]
    duplicates: list[DuplicateAnswer]
    since: datetime | None


class OpeningAnswer(Answer):
    """A piece that is not there, and how many good looks it would open."""

    category: Category
    name: str
    hex: str
    looks: int


class WorkAnswer(Answer):
    """How hard a rail works."""

    looks: int
    good: int
    good_from: float
    """The whole from which a look is good."""
    drawn: bool
    """Whether the numbers are estimates from a draw."""
    each: dict[str, int]
    """Good looks by piece id."""
    openings: list[OpeningAnswer]


class PartnerAnswer(Answer):
    """A piece beside another one, as a look of two."""

    piece_id: str
    label: str
    score: float
    because: str
    hex: str
    picture: str | None


class CompanyAnswer(Answer):
    """The company of a piece."""

    same: list[NeighbourAnswer]
    clashes: list[NeighbourAnswer]
    partners: list[PartnerAnswer]
    fights: list[PartnerAnswer]


class PaletteColourAnswer(Answer):
    """A colour of a palette."""

    name: str
    lab: list[float]
    hex: str
    covers: float
    """Share of the rail's cloth."""


class InPaletteAnswer(Answer):
    """A piece against a palette."""

    piece_id: str
    inside: bool
    share: float
    difference: float
    nearest: int


class PaletteAnswer(Answer):
    """A palette against a rail."""

    id: str | None
    name: str
    within: float
    colours: list[PaletteColourAnswer]
    covers: float
    pieces: list[InPaletteAnswer]


class PaletteRequest(Request):
    """A palette to try or to keep."""

    name: str = Field(default="", max_length=200)
    within: float = Field(default=10.0, ge=1, le=40)
    colours: list[PaletteColour] = Field(default_factory=list, max_length=40)


class FindRequest(Request):
    """How many colours are wanted."""

    count: int = Field(default=5, ge=1, le=24)
    within: float = Field(default=10.0, ge=1, le=40)
    kept: list[PaletteColour] = Field(default_factory=list, max_length=24)
    """Colours that stay in."""


class ChangeAnswer(Answer):
    """A change of the rail."""

    told: str
    made_at: datetime
    taken_back: bool


class LetGoAnswer(Answer):
    """Something was let go."""

    change: int | None
    """The change to take back; none when nothing was lost by it."""


class UndoneAnswer(Answer):
    """What was taken back or done again, and what comes next."""

    told: str
    back: str | None
    """What can be taken back."""
    again: str | None
    """What can be done again."""


class ImportAnswer(Answer):
    """What taking a rail in does, or would do."""

    added: list[str]
    changed: dict[str, list[str]]
    same: int
    photos: int
    dropped: list[str]


class MovedAnswer(Answer):
    """A piece that a moved border hangs elsewhere."""

    label: str
    client: str
    now: Bin
    then: Bin


class HabitAnswer(Answer):
    """Where this studio hangs colours otherwise than read."""

    family: str
    name: str
    read: Bin
    said: Bin
    labels: list[str]
    hex: str
    warmth: float
    limit: float
    enough: bool
    moves: list[MovedAnswer]


class LeaningAnswer(Answer):
    """A border that was moved."""

    told: str
    on: date
    hex: str
    warmth: float
    limit: float


class LeaningsAnswer(Answer):
    """The studio's own borders, and what its words ask for."""

    kept: list[LeaningAnswer]
    habits: list[HabitAnswer]


class HabitRequest(Request):
    """A habit whose border is to be moved."""

    family: str = Field(max_length=80)
    read: Bin
    said: Bin


def audit_answer(found: Audit) -> AuditAnswer:
    """The audit as the rail shows it."""
    made, before = found.made, found.before

    def shares(now: tuple[Share, ...], then: tuple[Share, ...]) -> list[ShareAnswer]:
        known = {one.name: one for one in then}
        gone = [one for name, one in known.items() if name not in {share.name for share in now}]
        return [
            ShareAnswer(
                name=one.name,
                share=0.0 if one in gone else round(one.share, 4),
                hex=lab_to_hex(_array(one.lab)),
                before=None if before is None else round(known[one.name].share, 4) if one.name in known else 0.0,
                pieces=[] if one in gone else list(one.pieces),
            )
            for one in (*now, *gone)
        ]

    then = before or MadeOf((), (), (), ())
    return AuditAnswer(
        sorts=shares(made.sorts, then.sorts),
        families=shares(made.families, then.families),
        temperatures=shares(made.temperatures, then.temperatures),
        lightness=shares(made.lightness, then.lightness),
        heavy=[one.name for one in made.heavy],
        in_range=None if found.in_range is None else round(found.in_range, 3),
        metals=dict(found.metals),
        duplicates=[DuplicateAnswer(first=a, second=b, difference=round(d, 1)) for a, b, d in found.duplicates],
        since=found.since,
    )


def _array(lab: object) -> FloatArray:
    return np.array(lab, dtype=float)


def work_answer(found: Work) -> WorkAnswer:
    """How hard a rail works, as the rail shows it."""
    outfits = found.outfits
    return WorkAnswer(
        looks=outfits.looks,
        good=outfits.good,
        good_from=GOOD,
        drawn=outfits.drawn,
        each=outfits.each,
        openings=[
            OpeningAnswer(category=one.category, name=one.name, hex=lab_to_hex(_array(one.lab)), looks=one.looks)
            for one in found.openings
        ],
    )


def company_answer(found: Company, rail: dict[str, HungPiece]) -> CompanyAnswer:
    """The company of a piece. rail: its pieces by id."""
    beside = [
        [
            PartnerAnswer(
                piece_id=one.piece.id,
                label=one.piece.called,
                score=one.score,
                because="" if one.because is None else one.because.text,
                hex=lab_to_hex(one.piece.lab[0]),
                picture=picture_of(rail.get(one.piece.id), "colour-0.jpg"),
            )
            for one in some
        ]
        for some in (found.partners, found.fights)
    ]
    same, clashes = (
        [neighbour_answer(one, rail.get(one.piece.id)) for one in some] for some in (found.same, found.clashes)
    )
    return CompanyAnswer(same=same, clashes=clashes, partners=beside[0], fights=beside[1])


def palette_answer(
    colours: list[PaletteColour], within: float, fitted: Fitted, kept: PaletteRecord | None
) -> PaletteAnswer:
    """A palette against a rail. kept: under what it is kept, if it is."""
    return PaletteAnswer(
        id=None if kept is None else kept.id,
        name="" if kept is None else kept.name,
        within=within,
        colours=[
            PaletteColourAnswer(name=one.name, lab=one.lab, hex=one.hex, covers=round(covers, 4))
            for one, covers in zip(colours, fitted.covered, strict=True)
        ],
        covers=round(fitted.share, 4),
        pieces=[
            InPaletteAnswer(
                piece_id=one.piece_id,
                inside=one.inside,
                share=round(one.share, 3),
                difference=round(one.difference, 1),
                nearest=one.nearest,
            )
            for one in fitted.pieces
        ],
    )


def change_answer(change: ChangeRecord) -> ChangeAnswer:
    """A change in words."""
    return ChangeAnswer(told=change.told, made_at=change.made_at, taken_back=change.taken_back)


def import_answer(plan: Plan) -> ImportAnswer:
    """What taking a rail in does."""
    return ImportAnswer(
        added=list(plan.added),
        changed={label: list(what) for label, what in plan.changed},
        same=plan.same,
        photos=plan.photos,
        dropped=list(plan.dropped),
    )


def habit_answer(found: Proposal) -> HabitAnswer:
    """A habit, with what moving the border would do."""
    habit = found.habit
    return HabitAnswer(
        family=habit.family,
        name=habit.name,
        read=habit.read,
        said=habit.said,
        labels=list(found.labels),
        hex=lab_to_hex(_array(habit.leaning.lab)),
        warmth=habit.leaning.warmth,
        limit=habit.leaning.limit,
        enough=habit.enough,
        moves=[
            MovedAnswer(label=m.piece.called, client=m.client, now=Bin(m.now), then=Bin(m.then)) for m in found.moves
        ],
    )


def leaning_answer(kept: dict[str, object]) -> LeaningAnswer:
    """A border that was moved. kept: as the studio keeps it."""
    return LeaningAnswer.model_validate(
        {key: kept[key] for key in ("told", "on", "warmth", "limit")} | {"hex": lab_to_hex(_array(kept["lab"]))}
    )


def by_id(hung: list[HungPiece]) -> dict[str, HungPiece]:
    """Some pieces by their id."""
    return {one.piece.id: one for one in hung}
