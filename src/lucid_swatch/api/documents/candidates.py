"""What the screens send and get about pieces that may be bought, and about what is missing."""

from datetime import date, datetime
from typing import Literal

import numpy as np
from pydantic import Field

from lucid_swatch.core.colour.arrays import FloatArray
from lucid_swatch.core.colour.spaces import chroma, hue_angle, lab_to_hex, lab_to_hexes
from lucid_swatch.core.garment.vocabulary import Category, Finish, PatternType
from lucid_swatch.core.look.buying.candidate import Judged, Source
from lucid_swatch.core.look.buying.consider import PlainWord
from lucid_swatch.core.look.buying.gaps import Gap, OneGap, called
from lucid_swatch.core.look.buying.pair import GapPair, Together
from lucid_swatch.core.look.dressing.outfits import GOOD
from lucid_swatch.formats.particulars import ParticularsDocument
from lucid_swatch.formats.piece import Lab
from lucid_swatch.usecases.buying import Answer as Told
from lucid_swatch.usecases.buying import Map
from lucid_swatch.usecases.candidates import Weighed

from .base import Answer, Request
from .photos import NeighbourAnswer, PhotoAnswer, neighbour_answer
from .rail import PieceAnswer, WordRequest


class SaidAnswer(Answer):
    """What was said of a candidate at some time."""

    word: PlainWord
    opens: int
    pieces: int
    """Of how many the rail was then."""
    on: date


class CandidateAnswer(Answer):
    """A piece that may be bought."""

    id: str
    source: Source
    category: Category | None
    """As the stylist says, else as its outline likely is."""
    category_said: bool
    photo: PhotoAnswer | None
    piece: PieceAnswer | None
    """As it would hang; none while nobody knows what or of which colour it is."""
    kept: ParticularsDocument
    seen_at: str
    colours: list[Lab]
    """Where no picture tells them."""
    judged: SaidAnswer | None
    before: SaidAnswer | None
    """What was said before and is said no longer, until the stylist has seen it."""
    created_at: datetime


class CandidateRequest(Request):
    """A candidate of which the colour is known."""

    source: Literal[Source.EYE, Source.GAP]
    word: WordRequest
    colours: list[Lab] = Field(min_length=1, max_length=4)
    """The main one first, each of an equal share."""
    uncertainty: float | None = Field(default=None, ge=0, le=60)
    seen_at: str = Field(default="", max_length=200)


class GoodsRequest(Request):
    """A cloth under the colour reader."""

    word: WordRequest


class CandidateChange(Request):
    """What the stylist says of a candidate; what is left out stays."""

    word: WordRequest = Field(default_factory=WordRequest)
    kept: ParticularsDocument = Field(default_factory=ParticularsDocument)
    seen_at: str | None = Field(default=None, max_length=200)
    colours: list[Lab] | None = Field(default=None, min_length=1, max_length=4)


class PartnerAnswer(Answer):
    """A piece that a candidate goes with."""

    piece_id: str
    looks: int


class NearAnswer(Answer):
    """A piece of nearly the colour of a candidate."""

    piece_id: str
    difference: float


class CandidateLookAnswer(Answer):
    """A look with a candidate."""

    pieces: list[str]
    overall: float


class CostAnswer(Answer):
    """What a candidate would cost a wear."""

    a_wear: float
    a_year: float
    years: float
    wears: int
    """Wears in the log on which that rests; 0 where it is assumed."""
    told: str


class ConsideredAnswer(Answer):
    """What is said of a candidate."""

    candidate_id: str
    word: PlainWord
    because: list[str]
    otherwise: str
    opens: int
    opens_least: int
    opens_most: int
    """The same over where its colour may lie."""
    good: float = GOOD
    """The whole from which a look is good."""
    good_now: int
    usual: int | None
    suits: float | None
    in_range: bool | None
    partners: list[PartnerAnswer]
    goes_with: int
    """Pieces of the rail that are in a look that it opens."""
    pieces: int
    """Of how many."""
    nearest_of_kind: float | None
    """CIEDE2000 to the nearest piece of its kind; none where none hangs."""
    woken: list[str]
    doubles: list[NearAnswer]
    quarrels: list[NearAnswer]
    nearest: list[NeighbourAnswer]
    looks: list[CandidateLookAnswer]
    cost: CostAnswer | None
    judged: SaidAnswer | None
    """The same in short, as it is noted on the candidate."""
    before: SaidAnswer | None


class TogetherAnswer(Answer):
    """What two candidates open."""

    first: int
    second: int
    both: int
    """With both, which neither opens alone."""
    all: int


class GapAnswer(Answer):
    """A piece that is missing."""

    category: Category
    categories: list[Category]
    """All kinds that would fill it."""
    lab: Lab
    hex: str
    region: list[str]
    """Colours round it in which it opens nearly as many."""
    name: str
    opens: int
    within: float
    """CIEDE2000 round its colour in which that holds."""
    pattern: PatternType
    finish: list[Finish]
    colours: list[Lab]
    """Its own, and the ground of a pattern."""
    hexes: list[str]
    """Of those."""
    worth: float
    """What it opens, of a loud colour somewhat less; by this they hang."""


class GapRequest(Request):
    """A gap that is known already."""

    category: Category
    lab: Lab
    opens: int = Field(default=0, ge=0)
    within: float = Field(default=0.0, ge=0, le=100)

    def to_core(self) -> Gap:
        """As the core tells it."""
        lab = np.array(self.lab, dtype=float)
        return Gap(self.category, lab, called(lab, self.category), self.opens, self.within)


class PairRequest(Request):
    """The gaps that are known already."""

    gaps: list[GapRequest] = Field(max_length=120)


class PairAnswer(Answer):
    """Two pieces that open together what neither does alone."""

    first: GapAnswer
    second: GapAnswer
    both: int


class MapPlace(Answer):
    """A colour on the map."""

    lab: Lab
    hex: str


class MapPiece(MapPlace):
    """A piece of the rail on the map."""

    piece_id: str
    alone: bool
    """Whether no other piece is near."""


class EmptyAnswer(MapPlace):
    """A colour of the client's in which nothing hangs."""

    name: str
    away: float
    """CIEDE2000 to the nearest piece."""


class ClusterAnswer(Answer):
    """Pieces of nearly one colour."""

    pieces: list[str]
    name: str


class MapAnswer(Answer):
    """A rail as colours among those that the client may wear."""

    pieces: list[MapPiece]
    clusters: list[ClusterAnswer]
    empty: list[EmptyAnswer]
    wanted: list[MapPlace]
    """Cloth in the client's range; none while too little is known of the colouring."""


def candidate_answer(
    found: Weighed, photo: PhotoAnswer | None, piece: PieceAnswer | None, said: bool
) -> CandidateAnswer:
    """A candidate as the screen shows it. said: whether the stylist said what it is."""
    one = found.candidate
    return CandidateAnswer(
        id=one.id,
        source=one.source,
        category=one.word.category,
        category_said=said,
        photo=photo,
        piece=piece,
        kept=ParticularsDocument.from_core(one.particulars),
        seen_at=one.seen_at,
        colours=[list(lab) for lab in one.colours],
        judged=said_answer(one.judged),
        before=said_answer(one.before),
        created_at=one.created_at,
    )


def said_answer(one: Judged | None) -> SaidAnswer | None:
    """What was said of a candidate."""
    return None if one is None else SaidAnswer(word=one.word, opens=one.opens, pieces=one.pieces, on=one.on)


def considered_answer(found: Told) -> ConsideredAnswer:
    """What is said of a candidate."""
    told, cost = found.told, found.cost
    return ConsideredAnswer(
        candidate_id=found.candidate.id,
        word=told.word,
        because=list(told.because),
        otherwise=told.otherwise,
        opens=told.opens,
        opens_least=told.opens_within[0],
        opens_most=told.opens_within[1],
        good_now=told.good_now,
        usual=told.usual,
        suits=told.suits,
        in_range=told.in_range,
        partners=[PartnerAnswer(piece_id=id, looks=looks) for id, looks in told.partners],
        goes_with=told.goes_with,
        pieces=len(found.rail),
        nearest_of_kind=None if told.nearest is None else round(told.nearest, 1),
        woken=list(told.woken),
        doubles=[NearAnswer(piece_id=one.piece.id, difference=round(one.difference, 1)) for one in told.doubles],
        quarrels=[NearAnswer(piece_id=one.piece.id, difference=round(one.difference, 1)) for one in told.quarrels],
        nearest=[neighbour_answer(one, found.rail.get(one.piece.id)) for one in found.nearest],
        looks=[CandidateLookAnswer(pieces=list(one.piece_ids), overall=one.whole) for one in told.looks],
        cost=None
        if cost is None
        else CostAnswer(
            a_wear=cost.a_wear, a_year=round(cost.a_year, 1), years=cost.years, wears=cost.wears, told=cost.told
        ),
        judged=said_answer(found.candidate.judged),
        before=said_answer(found.candidate.before),
    )


def together_answer(found: Together) -> TogetherAnswer:
    """What two candidates open."""
    return TogetherAnswer(first=found.first, second=found.second, both=found.both, all=found.all)


def gap_answer(gap: Gap, categories: tuple[Category, ...] = ()) -> GapAnswer:
    """A gap as cloth on a hook."""
    colours = gap.lab[None] if gap.ground is None else np.stack([gap.lab, gap.ground])
    return GapAnswer(
        category=gap.category,
        categories=list(categories or (gap.category,)),
        lab=_lab(gap.lab),
        hex=lab_to_hex(gap.lab),
        region=lab_to_hexes(_round_it(gap.lab, gap.within)),
        name=gap.name,
        opens=gap.opens,
        within=gap.within,
        pattern=gap.pattern,
        finish=list(gap.finish),
        colours=[_lab(lab) for lab in colours],
        hexes=lab_to_hexes(colours),
        worth=round(OneGap(gap, ()).worth, 1),
    )


def one_gap_answer(one: OneGap) -> GapAnswer:
    """A gap that pieces of several kinds would fill."""
    return gap_answer(one.gap, one.categories)


def pair_answer(found: GapPair) -> PairAnswer:
    """Two gaps that belong together."""
    return PairAnswer(first=gap_answer(found.first), second=gap_answer(found.second), both=found.both)


def map_answer(found: Map) -> MapAnswer:
    """The map of a rail."""
    mains = np.array([one.piece.lab[0] for one in found.rail]).reshape(-1, 3)
    ids, alone = [one.piece.id for one in found.rail], set(found.told.alone)
    hexes = lab_to_hexes(mains) if len(mains) else []
    wanted = lab_to_hexes(found.wanted) if len(found.wanted) else []
    return MapAnswer(
        pieces=[
            MapPiece(piece_id=id, lab=_lab(lab), hex=hex, alone=k in alone)
            for k, (id, lab, hex) in enumerate(zip(ids, mains, hexes, strict=True))
        ],
        clusters=[ClusterAnswer(pieces=[ids[k] for k in one.members], name=one.name) for one in found.told.clusters],
        empty=[
            EmptyAnswer(lab=_lab(one.lab), hex=lab_to_hex(one.lab), name=one.name, away=one.away)
            for one in found.told.empty
        ],
        wanted=[MapPlace(lab=_lab(lab), hex=hex) for lab, hex in zip(found.wanted, wanted, strict=True)],
    )


def _round_it(lab: FloatArray, within: float) -> FloatArray:
    """Colours at the rim of a region: lighter, darker, clearer, greyer. (3,) to (4, 3)."""
    strength, hue = float(chroma(lab)), float(np.radians(hue_angle(lab)))
    # a step of chroma in a strong colour counts less than one in a grey
    across = within * (1 + 0.045 * strength)
    rim = []
    for lightness, more in ((within, 0.0), (0.0, across), (-within, 0.0), (0.0, -across)):
        chroma_there = max(0.0, strength + more)
        rim.append([float(np.clip(lab[0] + lightness, 3, 98)), chroma_there * np.cos(hue), chroma_there * np.sin(hue)])
    return np.array(rim)


def _lab(lab: FloatArray) -> list[float]:
    return [round(float(value), 2) for value in lab]
