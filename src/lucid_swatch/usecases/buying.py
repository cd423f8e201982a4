"""What is said before buying: of a candidate, of two together, and of what is missing."""

from collections.abc import Sequence
from dataclasses import dataclass, replace
from datetime import UTC, datetime
from functools import lru_cache

import numpy as np
from sqlalchemy.orm import Session

from lucid_swatch.core.client.about import About
from lucid_swatch.core.client.reading import FaceReading
from lucid_swatch.core.client.suits import WELL, cloth_colours, fit_of
from lucid_swatch.core.colour.arrays import FloatArray
from lucid_swatch.core.colour.names import name_colours
from lucid_swatch.core.colour.spaces import lab_to_hex
from lucid_swatch.core.garment.colour_map import ColourMap, colour_map
from lucid_swatch.core.garment.kin import Neighbour, doubt_of, neighbours
from lucid_swatch.core.garment.known import as_known
from lucid_swatch.core.garment.neutrals import neutrality
from lucid_swatch.core.garment.piece import Piece
from lucid_swatch.core.garment.school import School
from lucid_swatch.core.garment.sorting import sort_pieces
from lucid_swatch.core.garment.vocabulary import Category
from lucid_swatch.core.look.buying.candidate import Candidate, Judged, judged_anew
from lucid_swatch.core.look.buying.consider import Considered, consider
from lucid_swatch.core.look.buying.cost import CostAWear, Log, cost_a_wear
from lucid_swatch.core.look.buying.gaps import Gap, OneGap, as_one, gaps
from lucid_swatch.core.look.buying.gaps import Refused as RefusedBy
from lucid_swatch.core.look.buying.pair import GapPair, Together, best_pair, opened_together
from lucid_swatch.core.look.dressing.held import irritants_of, refused_by
from lucid_swatch.core.look.wearing.tally import days_of
from lucid_swatch.core.problems import Refused
from lucid_swatch.files.shopping_card import Card
from lucid_swatch.store.candidates import Candidates
from lucid_swatch.store.records import HungPiece
from lucid_swatch.store.wears import Wears

from .as_asked import AsAsked
from .candidates import another_candidate, to_be_judged
from .rail import OnRail, hanging
from .wardrobe import ClientWardrobe, wardrobe_of
from .ways import studio_ways

NEAREST = 4
"""Pieces of the rail that are laid beside a candidate."""
REMEMBERED = 64
"""Answers that are kept for who asks again while nothing has changed."""


@dataclass(frozen=True, slots=True, eq=False)
class Answer:
    """What is said of a candidate."""

    candidate: Candidate
    on_rail: OnRail
    """As it would hang."""
    told: Considered
    rail: dict[str, HungPiece]
    """What hangs, by piece id."""
    nearest: tuple[Neighbour, ...]
    """The pieces of the rail of nearly its colour, nearest first."""
    cost: CostAWear | None
    """None while nobody has said what it costs."""


@lru_cache(maxsize=REMEMBERED)
def _considered(asked: AsAsked, reading: "_Reading", barred: str | None) -> Considered:
    assert asked.piece is not None
    return consider(asked.wardrobe, asked.piece, reading.value, barred)


@lru_cache(maxsize=REMEMBERED)
def _together(asked: AsAsked, other: AsAsked) -> Together:
    assert asked.piece is not None
    assert other.piece is not None
    return opened_together(asked.wardrobe, asked.piece, other.piece)


@lru_cache(maxsize=REMEMBERED)
def _gaps(asked: AsAsked, reading: "_Reading", about: About, kinds: tuple[Category, ...]) -> tuple[OneGap, ...]:
    refused = _refused(about, asked.wardrobe.conventions.school)
    found = [gap for kind in kinds for gap in gaps(asked.wardrobe, MOST_GAPS, reading.value, [kind], refused)]
    return tuple(as_one(found)[:MOST_GAPS])


def _refused(about: About, school: School) -> RefusedBy:
    return lambda pieces: refused_by(about, pieces, school).keys()


MOST_GAPS = 6
"""Gaps that are told of kinds that are asked about together."""


@dataclass(frozen=True, slots=True, eq=False)
class _Reading:
    """What is known of a colouring, equal by what it says."""

    value: FaceReading | None

    def __eq__(self, other: object) -> bool:
        return isinstance(other, _Reading) and repr(self.value) == repr(other.value)

    def __hash__(self) -> int:
        return hash(repr(self.value))


def answer(session: Session, id: str) -> Answer:
    """What there is to say of a candidate. Refused, saying what is missing, while too little is known of it."""
    candidate, hung = to_be_judged(session, id)
    loaded = wardrobe_of(session, candidate.client_id)
    known = as_known(hung.piece, studio_ways(session))
    told = _considered(AsAsked(loaded.wardrobe, piece=known), _Reading(_reading(loaded)), _barred(loaded, known, hung))
    price = candidate.particulars.price
    worn = days_of(Wears(session).lines(candidate.client_id))
    logs = [Log(one.piece.category, worn.get(one.piece.id, ())) for one in loaded.hung]
    today = datetime.now(UTC).date()
    (on_rail,) = hanging(loaded.client, [hung], studio_ways(session))
    cost = None if price is None else cost_a_wear(price, known.category, logs, today)
    return Answer(candidate, on_rail, told, loaded.of_piece, _nearest(loaded, known), cost)


def judge(session: Session, id: str) -> Answer:
    """The same, and what is said is noted on the candidate: what it was before, where it was another word."""
    found = answer(session, id)
    told = found.told
    now = Judged(told.word, told.opens, len(found.rail), datetime.now(UTC).date())
    kept = Candidates(session).change(id, lambda before: judged_anew(before, now))
    return replace(found, candidate=replace(found.candidate, judged=kept.judged, before=kept.before))


def together(session: Session, client_id: str, one: str, other: str) -> Together:
    """What two candidates of a client open, alone and together. Refused for one alone."""
    if one == other:
        raise Refused("this is one candidate twice.", "before buying", "Choose another one.")
    loaded, ways = wardrobe_of(session, client_id), studio_ways(session)
    first, second = (as_known(another_candidate(session, client_id, id)[1].piece, ways) for id in (one, other))
    return _together(AsAsked(loaded.wardrobe, piece=first), AsAsked(loaded.wardrobe, piece=second))


def missing(session: Session, client_id: str, kinds: Sequence[Category]) -> tuple[OneGap, ...]:
    """The pieces of some kinds that would open most looks, those that are nearly one told once."""
    loaded = wardrobe_of(session, client_id)
    return _gaps(AsAsked(loaded.wardrobe), _Reading(_reading(loaded)), loaded.client.about, tuple(kinds))


def missing_pair(session: Session, client_id: str, found: Sequence[Gap]) -> GapPair | None:
    """The two pieces that would open most looks which neither opens alone. found: gaps that are known already."""
    loaded = wardrobe_of(session, client_id)
    refused = _refused(loaded.client.about, loaded.client.conventions.school)
    return best_pair(loaded.wardrobe, found, _reading(loaded), refused) if loaded.wardrobe.pieces else None


@dataclass(frozen=True, slots=True, eq=False)
class Map:
    """The colours of a rail as places, among those that the client may wear."""

    rail: tuple[HungPiece, ...]
    told: ColourMap
    """Places in `rail`."""
    wanted: FloatArray
    """(n, 3), colours of cloth in the client's range; empty while too little is known of the colouring."""


def map_of(session: Session, client_id: str) -> Map:
    """Where the colours of a rail lie."""
    loaded = wardrobe_of(session, client_id)
    reading, lab = loaded.client.whole.counts, cloth_colours()
    wanted = np.zeros((0, 3))
    if reading is not None and reading.undertone.known:
        fit = fit_of(lab, reading)
        wanted = lab[fit >= WELL * fit.max()]
    mains = np.array([one.piece.lab[0] for one in loaded.hung]).reshape(-1, 3)
    return Map(loaded.hung, colour_map(mains, wanted), wanted)


def _reading(loaded: ClientWardrobe) -> FaceReading | None:
    counts = loaded.client.whole.counts
    return counts if counts is not None and counts.undertone.known else None


def _barred(loaded: ClientWardrobe, piece: Piece, hung: HungPiece) -> str | None:
    """Why the client would not wear a candidate; None where nothing is known against it."""
    about, school = loaded.client.about, loaded.client.conventions.school
    refused = refused_by(about, [piece], school).get(piece.id)
    if refused is not None:
        return refused
    irritant = irritants_of(about, [piece], [hung.particulars]).get(piece.id)
    return None if irritant is None else f"it is marked with {irritant}"


def _nearest(loaded: ClientWardrobe, piece: Piece) -> tuple[Neighbour, ...]:
    pieces = [one.piece for one in loaded.hung]
    school = loaded.client.conventions.school
    near = neighbours(piece, sort_pieces([piece], school)[0], pieces, sort_pieces(pieces, school))
    return tuple(near[:NEAREST])


def shopping_card(found: Answer) -> Card:
    """What to look for in shops, without a word of whom it is for."""
    piece, told = found.on_rail.known, found.told
    names = _colour_names([piece, *(found.rail[id].piece for id, _ in told.partners if id in found.rail)])
    lightness, a, b = (float(value) for value in piece.lab[0])
    partners = [found.rail[id].piece for id, _ in told.partners if id in found.rail]
    lines = [
        f"L* {lightness:.0f}   a* {a:.0f}   b* {b:.0f}   sRGB {lab_to_hex(piece.lab[0])}",
        f"As good up to {doubt_of(piece):.0f} CIEDE2000 from it: a shade that one has to look for.",
        f"Opens {told.opens} good looks. Hold it to the light at the door.",
        "To go with:" if partners else "",
    ]
    return Card(
        _kind(names[0], piece),
        piece.lab[0],
        tuple(line for line in lines if line),
        tuple((_kind(name, one), one.lab[0]) for name, one in zip(names[1:], partners, strict=True)),
    )


def _kind(name: str, piece: Piece) -> str:
    return f"{name} {piece.category.value.replace('-', ' ')}"


def _colour_names(pieces: Sequence[Piece]) -> list[str]:
    """What the main colours are called. Labels are the stylist's own and may say whose a piece is."""
    lab = np.array([one.lab[0] for one in pieces])
    return name_colours(lab, neutrality(lab) > 0.5)
