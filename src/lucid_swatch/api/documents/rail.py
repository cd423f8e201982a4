"""What the screens send and get about the rail and its pieces."""

from collections.abc import Iterable, Mapping
from datetime import date, datetime
from typing import Literal, get_args

import numpy as np
from pydantic import Field

from lucid_swatch.core.colour.spaces import chroma, hue_angle, lab_to_hexes
from lucid_swatch.core.garment.known import unknown_of, unsaid_of
from lucid_swatch.core.garment.particulars import Season, seasons_of
from lucid_swatch.core.garment.vocabulary import (
    Bin,
    Category,
    Finish,
    Length,
    Metal,
    Part,
    PatternType,
    Scale,
    Volume,
    Worn,
)
from lucid_swatch.core.garment.word import Word
from lucid_swatch.core.look.body import NEARNESS, ZONES, Zone, area_of
from lucid_swatch.core.look.wearing.tally import NEVER, Tally
from lucid_swatch.files.sheet import ACROSS
from lucid_swatch.formats.cut import CutDocument
from lucid_swatch.formats.particulars import ParticularsDocument
from lucid_swatch.formats.verdict import SortDocument
from lucid_swatch.store.records import HungPiece
from lucid_swatch.usecases.rail import OnRail
from lucid_swatch.usecases.strips import pictured, sheet_key

from .base import Answer, Request


class ColourAnswer(Answer):
    """A colour with what a screen shows of it."""

    lab: list[float]
    hex: str
    share: float
    part: Part = Part.CLOTH
    uncertainty: float | None = None
    picture: str | None = None
    """Where the relit crop of it is, if there is one."""


class BoltColour(Answer):
    """A stretch of a rail seen as one bolt of cloth."""

    hex: str
    share: float
    name: str


Sayable = Literal[
    "finish", "volume", "length", "formality", "warmth", "statement", "worn",
    "sleeve", "neckline", "closure", "heel", "toe", "sole", "size",
]  # fmt: skip
"""What the stylist may say of the cut, the cloth and the use of a piece."""


class WordRequest(Request):
    """The stylist's word on a piece; what is left out stays as read."""

    category: Category | None = None
    label: str | None = Field(default=None, max_length=200)
    bin: Bin | Literal["as read"] | None = None
    pattern: PatternType | None = None
    scale: Scale | None = None
    finish: list[Finish] | None = None
    metal: Metal | None = None
    volume: Volume | None = None
    length: Length | None = None
    formality: float | None = Field(default=None, ge=1, le=5)
    warmth: float | None = Field(default=None, ge=0, le=4)
    statement: float | None = Field(default=None, ge=0, le=1)
    worn: Worn | None = None
    cut: CutDocument | None = None
    """What is left out in it stays."""
    unsaid: list[Sayable] = Field(default_factory=list, max_length=14)
    """Words that are taken back: what is read or proposed counts again."""

    def to_word(self) -> Word:
        """As the use cases take it."""
        values = self.model_dump(exclude={"finish", "cut", "unsaid"})
        return Word(
            **values,
            finish=None if self.finish is None else tuple(self.finish),
            details=None if self.cut is None else self.cut.to_core(),
            unsaid=tuple(self.unsaid),
        )


class StripAnswer(Answer):
    """A place on a sheet of strips, which holds so many in a row, each of 3 to 5."""

    sheet: str
    across: int
    place: int


class PieceAnswer(Answer):
    """A piece on the rail."""

    id: str
    label: str
    category: Category
    zone: Zone
    area: float
    """Visible area before layering, in hundredths of a figure."""
    nearness: float
    """To the face, 0 to 1."""
    colours: list[ColourAnswer]
    pattern: PatternType
    scale: Scale | None
    finish: list[Finish]
    """As said, else as seen; empty where it is not known. So are volume, length and cut."""
    metal: Metal
    volume: Volume | None
    length: Length | None
    cut: CutDocument
    formality: float
    """As said, else as proposed. So is warmth; none for what is worn in any weather."""
    warmth: float | None
    statement: float | None
    """As said; it is computed where it is not."""
    worn: Worn | None
    unknown: list[Sayable]
    """What neither the stylist nor the photo tells, of what such a piece has."""
    unsaid: list[Sayable]
    """What stands here by the photo or as a proposal."""
    sort: SortDocument
    bin_said: Bin | None
    read: SortDocument
    """Where its colours alone would hang it."""
    fit: float | None
    """How well it suits the client, against the best colour, 0 to 1; none while nothing is known of the undertone."""
    suits: bool | None
    kept: ParticularsDocument
    seasons: list[Season]
    """As said, or as its warmth tells."""
    cost_per_wear: float | None
    worn_days: int
    """Days in the log on which it was worn."""
    worn_last: date | None
    felt: int
    """Wears that felt right, less those that felt off."""
    looks: list[str]
    """Names of the kept looks that it is in."""
    doubtful: bool
    lightness: float
    chroma: float
    hue: float
    photo_id: str | None
    cloth: str | None
    """Where the relit crop of the cloth is, if there is one."""
    strip: StripAnswer | None
    """The same, small, on a sheet with those of the whole rail."""
    thumbnail: str | None
    created_at: datetime


class ChangeRequest(Request):
    """What changes on some pieces at once; what is left out stays."""

    pieces: list[str] = Field(min_length=1, max_length=5000)
    word: WordRequest = Field(default_factory=WordRequest)
    kept: ParticularsDocument = Field(default_factory=ParticularsDocument)


class TakeOffRequest(Request):
    """Pieces to take off the rail."""

    pieces: list[str] = Field(min_length=1, max_length=5000)


class FacesRequest(Request):
    """Two pieces that are the two faces of one."""

    first: str
    second: str


def strip_answers(client_id: str, hung: list[HungPiece]) -> dict[str, StripAnswer]:
    """Where the strips of a whole rail are, by piece id."""
    sheet = f"/api/clients/{client_id}/strips/{sheet_key(hung)}.jpg"
    return {
        one.piece.id: StripAnswer(sheet=sheet, across=ACROSS, place=place) for place, one in enumerate(pictured(hung))
    }


NOTHING_WORN: Mapping[str, Tally] = {}


def piece_answers(
    rail: list[OnRail],
    looks: Mapping[str, list[str]],
    strips: Mapping[str, StripAnswer],
    worn: Mapping[str, Tally] = NOTHING_WORN,
) -> list[PieceAnswer]:
    """Pieces as the rail shows them. looks: names of the kept looks that each is in; worn: what the log tells of each;
    all by piece id."""
    if not rail:
        return []
    lab = np.concatenate([one.hung.piece.lab for one in rail])
    hexes, rounded = lab_to_hexes(lab), lab.round(2).tolist()
    strength, hue = chroma(lab).round(1).tolist(), hue_angle(lab).round(0).tolist()
    answers, start = [], 0
    for one in rail:
        piece, hung, end = one.hung.piece, one.hung, start + len(one.hung.piece.lab)
        share = piece.share.round(4).tolist()
        doubt = [None] * len(share) if piece.uncertainty is None else piece.uncertainty.round(1).tolist()
        colours = [
            ColourAnswer(
                lab=rounded[start + k],
                hex=hexes[start + k],
                share=share[k],
                uncertainty=doubt[k],
                part=piece.parts[k] if piece.parts else Part.CLOTH,
                picture=picture_of(hung, f"colour-{k}.jpg"),
            )
            for k in range(end - start)
        ]
        zone, particulars, known = ZONES[piece.category], hung.particulars, one.known
        told = worn.get(piece.id, NEVER)
        answers.append(
            PieceAnswer(
                id=piece.id,
                label=piece.called,
                category=piece.category,
                zone=zone,
                area=area_of(piece.category),
                nearness=NEARNESS[zone],
                colours=colours,
                pattern=piece.pattern,
                scale=piece.scale,
                finish=sorted(known.finish),
                metal=piece.metal,
                volume=known.volume,
                length=known.length,
                cut=CutDocument.from_core(known.details),
                formality=known.formality or 0.0,
                warmth=known.warmth,
                statement=piece.statement,
                unknown=sayable(unknown_of(known)),
                unsaid=sayable(unsaid_of(piece, known)),
                worn=piece.worn,
                bin_said=piece.bin_said,
                sort=SortDocument.from_core(piece.id, one.sorted),
                read=SortDocument.from_core(piece.id, one.read),
                fit=None if one.fit is None else round(one.fit, 3),
                suits=one.suits,
                kept=ParticularsDocument.from_core(particulars),
                seasons=seasons_of(particulars, known.warmth),
                cost_per_wear=told.cost(particulars.price),
                worn_days=told.days,
                worn_last=told.last,
                felt=told.loved - told.off,
                looks=looks.get(piece.id, []),
                doubtful=one.doubtful,
                lightness=round(rounded[start][0], 1),
                chroma=strength[start],
                hue=hue[start],
                photo_id=hung.photo_id,
                cloth=picture_of(hung, "cloth.jpg"),
                strip=strips.get(piece.id),
                thumbnail=picture_of(hung, "thumbnail.jpg"),
                created_at=hung.created_at,
            )
        )
        start = end
    return answers


def sayable(names: Iterable[str]) -> list[Sayable]:
    """Names of what may be said, as the answers have them."""
    return [name for name in get_args(Sayable) if name in names]


def picture_of(hung: HungPiece | None, name: str) -> str | None:
    """Where a picture of a piece is; none without a photo, and before its pictures are made."""
    if hung is None or hung.photo_id is None or not hung.reading_number:
        return None
    return f"/api/photos/{hung.photo_id}/pictures/{name}?reading={hung.reading_number}"


def bolt_of(rail: list[OnRail]) -> list[BoltColour]:
    """A rail as one bolt: every piece's colours by what they cover, warm to cool and dark to light."""
    parts = []
    total = 0.0
    for one in rail:
        piece = one.hung.piece
        area = area_of(piece.category)
        total += area
        parts += [
            (one.sorted.bin, float(lab[0]), lab, area * float(share), one.sorted.name)
            for lab, share in zip(piece.lab, piece.share, strict=True)
        ]
    order = list(Bin)
    parts.sort(key=lambda part: (order.index(part[0]), part[1]))
    shown = [part for part in parts if part[3]]
    hexes = lab_to_hexes(np.array([lab for _, _, lab, _, _ in shown]).reshape(-1, 3))
    return [
        BoltColour(hex=hex, share=round(area / total, 4), name=name)
        for hex, (_, _, _, area, name) in zip(hexes, shown, strict=True)
    ]


def by_id(hung: list[HungPiece]) -> dict[str, HungPiece]:
    """Some pieces by their id."""
    return {one.piece.id: one for one in hung}


def cloth_of(hung: list[HungPiece]) -> dict[str, str]:
    """The address of the cloth of each piece that has a photo, by piece id."""
    return {one.piece.id: f"/api/photos/{one.photo_id}/pictures/cloth.jpg" for one in hung if one.photo_id is not None}
