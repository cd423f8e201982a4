"""What is known of each piece and each pair of pieces, computed once for a whole rail."""

from collections.abc import Callable
from dataclasses import dataclass
from functools import cached_property
from typing import Any

import numpy as np
from numpy.typing import NDArray

from ...colour.arrays import BoolArray, FloatArray, IntArray
from ...colour.difference import pairwise_delta_e_2000
from ...colour.harmony import two_colour_harmony
from ...colour.spaces import chroma, hue_angle, hue_distance
from ...garment.piece import Piece
from ...garment.school import BROAD, School
from ...garment.vocabulary import PLAIN_PATTERNS, Category, Finish, Metal, PatternType, Scale, Volume, Worn
from ..body import ACCESSORY_ZONES, LARGE_NECKLACE_AREA, NEARNESS, ZONES, Zone, area_of
from .colours import ColourAnswers, WornColours, ask_colours, worn_colours
from .soft import rising
from .weights import threshold

METALS = (Metal.NONE, Metal.GOLD, Metal.SILVER, Metal.ROSE, Metal.MIXED)
PATTERNS = tuple(PatternType)
SCALES = (None, Scale.SMALL, Scale.MEDIUM, Scale.LARGE)
ZONE_ORDER = tuple(Zone)
CATEGORIES = tuple(Category)
GREAT_SHINE = frozenset({Finish.METALLIC, Finish.SEQUIN, Finish.PATENT})
SOFT_SHINE = frozenset({Finish.SATIN, Finish.SILK, Finish.PEARL, Finish.STONE})
SAME_FAMILY, PRINT_MATCH, PICKED_UP = threshold("same-family"), threshold("print-match"), threshold("picked-up")


Feature = NDArray[Any]
"""A feature of n pieces, single precision where it is a number; a last row stands for no piece."""


@dataclass(frozen=True, eq=False)
class PieceTable:
    """Features of n pieces, in n + 1 rows: the last is blank and stands where a look has fewer pieces.

    The features of pairs are (n + 1, n + 1) and do not mind which of the two is first, except where said."""

    pieces: tuple[Piece, ...]
    lightness: Feature
    """L* of the main colour."""
    chroma: Feature
    """C* of the main colour."""
    leading_hue: Feature
    """Hue angle of what colour a piece has, by share and chroma: a black ground has none."""
    hue_agreement: Feature
    """How far the hues of a piece point that way, 0 for all against each other .. 1 for one hue."""
    neutral: Feature
    """Share of the cloth that is neutral, 0..1."""
    warm: Feature
    """Share-weighted warmth of the neutral cloth, 0..1."""
    cool: Feature
    temperature: Feature
    """Share-weighted, -1..1."""
    mean_lightness: Feature
    lightness_variance: Feature
    strong: Feature
    """Largest C* of a colour that is no neutral, weighted by how little neutral it is."""
    black: Feature
    """Share of the cloth that is a hard black."""
    white: Feature
    blue: Feature
    brown: Feature
    denim: Feature
    metallic: Feature
    metal: Feature
    """Into METALS."""
    print: Feature
    plain: Feature
    """Whether there is a piece and it is no print."""
    animal: Feature
    surfaces: Feature
    """A bit for each finish that gives relief, in the order of SURFACES."""
    surface_known: Feature
    """Whether anybody knows what the piece is made of."""
    colours: Feature
    closed: Feature
    zones: Feature
    """(zones, n + 1), whether the piece is worn there, in the order of ZONE_ORDER."""
    categories: Feature
    """(categories, n + 1), whether it is one, in the order of CATEGORIES."""
    area: Feature
    """Hundredths of a figure, before layering."""
    nearness: Feature
    accessory: Feature
    clothes: Feature
    """Whether there is a piece and it is no accessory."""
    boldness: Feature
    """How much the piece says by itself, before its company: print, shine, volume."""
    said: Feature
    """The stylist's own say on statement, nan where there is none."""
    formality: Feature
    weather: Feature
    nearest: Feature
    """Of a pair: smallest CIEDE2000 between any colour of one and any of the other."""
    main_difference: Feature
    """Of a pair: CIEDE2000 between the main colours."""
    hues_apart: Feature
    """Of a pair: degrees between the hues of the main colours."""
    family: Feature
    """Of a pair: 0 for nothing in common .. 1 for one family of colours."""
    answer: Feature
    """Of a pair, 0..1: how well the main colour of the second answers some colour of the first."""
    by_ground: Feature
    """Of a pair, 0..1: how well the main colour of the second answers the ground of the first."""
    by_motif: Feature
    """Of a pair, 0..1: how well it answers the motif of the first that it answers best, 0 where there is none."""
    motif: Feature
    """Of a pair: which colour of the first that motif is."""
    returns: Feature
    """Of a pair, 0..1: how well the colour of either returns in the other."""
    repeated: Feature
    """Of a pair, 0..1: the same, where one metal that is seen on both counts in full."""
    in_the_print: Feature
    """Of a pair, 0..1: how surely the two share a colour, as strictly as a print and its accent need it."""
    kin: Feature
    """Of a pair, 0..1: how surely the main colour of either is of one hue with a colour of the other."""
    picked_up: Feature
    """Of a pair, 0..1: the same, as loosely as a partner picks a colour of a print up."""
    one_kind: Feature
    """Of a pair: whether one pattern type meets one scale."""
    harmony: Feature
    """Of a pair: share-weighted harmony of Ou and Luo."""

    @property
    def blank(self) -> int:
        """The row that stands for no piece."""
        return len(self.pieces)

    def worn(self, *zones: Zone) -> Feature:
        """Whether each piece is worn in one of the zones."""
        inside: Feature = np.any(self.zones[[ZONE_ORDER.index(zone) for zone in zones]], axis=0)
        return inside

    def is_a(self, *categories: Category) -> Feature:
        """Whether each piece is of one of the categories."""
        inside: Feature = np.any(self.categories[[CATEGORIES.index(one) for one in categories]], axis=0)
        return inside

    def named(self, feature: "str | Callable[[PieceTable], Feature]") -> Feature:
        """A feature by its name, or what a rule makes of every piece or pair."""
        values: Feature = getattr(self, feature) if isinstance(feature, str) else self.derive(feature)
        return values

    def derive(self, rule: Callable[["PieceTable"], Feature]) -> Feature:
        """What a rule makes of every piece, or of every pair; worked out once for a table."""
        if rule not in self._derived:
            derived = np.asarray(rule(self))
            self._derived[rule] = np.ascontiguousarray(derived, np.float32 if derived.dtype.kind == "f" else None)
        return self._derived[rule]

    @cached_property
    def _derived(self) -> dict[Any, Feature]:
        return {}


class _Tables:
    """The tables that were built last: between two swaps the same rail is asked again."""

    MOST = 3

    def __init__(self) -> None:
        self.tables: dict[object, PieceTable] = {}

    def table(self, pieces: tuple[Piece, ...], school: School) -> PieceTable:
        key = (school, tuple(piece.fingerprint() for piece in pieces))
        table = self.tables.pop(key, None) or build_table(pieces, school)
        self.tables[key] = table
        for oldest in list(self.tables)[: -self.MOST]:
            self.tables.pop(oldest, None)
        return table


_tables = _Tables()


def table_of(pieces: tuple[Piece, ...], school: School = BROAD) -> PieceTable:
    """The same as `build_table`, kept for when the same pieces are asked again."""
    return _tables.table(pieces, school)


def build_table(pieces: tuple[Piece, ...], school: School = BROAD) -> PieceTable:
    """The table of a rail, or of the pieces of some looks. pieces: at least one. school: what counts as a neutral."""
    colours = worn_colours(pieces)
    lab, share, first = colours.lab, colours.share, colours.first

    def held(values: FloatArray) -> FloatArray:
        total: FloatArray = np.add.reduceat(values * share, first)
        return total

    def each(read: Callable[[Piece], float | None]) -> FloatArray:
        return np.array([np.nan if (value := read(p)) is None else value for p in pieces], dtype=float)

    metallic = np.array([Finish.METALLIC in p.finish for p in pieces])
    denim = np.array([Finish.DENIM in p.finish for p in pieces])
    told = ask_colours(colours, pieces, school)
    lightness, strength = lab[:, 0], chroma(lab)
    mean = held(lightness)
    strong = np.maximum.reduceat(told.strong * (share > 0.04), first)
    prints = np.array([p.pattern not in PLAIN_PATTERNS for p in pieces]) & (colours.cloth > 1)
    accessory = np.array([ZONES[p.category] in ACCESSORY_ZONES for p in pieces])
    leading_hue, hue_agreement = _leading_hue(held, lab, told.strong + 0.05)
    features = {
        "lightness": lightness[first],
        "chroma": strength[first],
        "leading_hue": leading_hue,
        "hue_agreement": hue_agreement,
        "neutral": np.where(
            metallic, 1.0, np.maximum(held(told.neutral), _neutral_whatever(told, held, denim, school))
        ),
        "warm": np.where(metallic, 0.0, held(told.warm)),
        "cool": np.where(metallic, 0.0, held(told.cool)),
        "temperature": held(told.temperature),
        "mean_lightness": mean,
        "lightness_variance": np.maximum(held(lightness**2) - mean**2, 0.0),
        "strong": np.where(metallic, 0.0, strong),
        "black": held(told.black),
        "white": held(told.white),
        "blue": held(told.blue),
        "brown": held(told.brown),
        "denim": denim,
        "metallic": metallic,
        "metal": np.array([METALS.index(p.metal) for p in pieces], dtype=np.int8),
        "print": prints,
        "plain": ~prints,
        "animal": np.array([p.pattern is PatternType.ANIMAL for p in pieces]),
        "surfaces": np.array(
            [sum(1 << SURFACES.index(f) for f in p.finish if f in SURFACES) for p in pieces], np.uint32
        ),
        "surface_known": np.array([bool(p.finish) for p in pieces]),
        "colours": colours.cloth.astype(np.int8),
        "closed": np.array([p.worn is Worn.CLOSED for p in pieces]),
        "area": each(_area),
        "nearness": each(lambda p: NEARNESS[ZONES[p.category]]),
        "accessory": accessory,
        "clothes": ~accessory,
        "boldness": each(_boldness) + _print_boldness(pieces, colours) * prints,
        "said": each(lambda p: p.statement),
        "formality": each(lambda p: p.formality),
        "weather": each(lambda p: p.warmth),
    }
    pairs = _pair_features(pieces, colours, features)
    return PieceTable(
        pieces=pieces,
        zones=np.array([[ZONES[p.category] is zone for p in pieces] + [False] for zone in ZONE_ORDER]),
        categories=np.array([[p.category is category for p in pieces] + [False] for category in CATEGORIES]),
        **{name: _padded(values, BLANK.get(name, 0), 1) for name, values in features.items()},
        **{name: _padded(values, BLANK.get(name, 0), 2) for name, values in pairs.items()},
    )


def _neutral_whatever(
    told: ColourAnswers, held: Callable[[FloatArray], FloatArray], denim: BoolArray, school: School
) -> FloatArray:
    """How far pieces are neutrals whatever little colour they have, 0..1: a black, and by the broad school blue denim."""
    black = np.asarray(rising(held(told.black), 0.2, 0.6), float)
    return black if school.strict else np.maximum(black, denim * held(told.blue))


SURFACES = tuple(finish for finish in Finish if finish is not Finish.MATTE)
BLANK = {"said": np.nan, "formality": np.nan, "weather": np.nan, "nearest": 99.0, "main_difference": 99.0, "motif": -1}
"""What stands for no piece, where that is not 0."""


def _padded(values: FloatArray, blank: float, axes: int) -> Feature:
    single = np.float32 if values.dtype.kind == "f" else values.dtype
    padded: Feature = np.full([size + 1 for size in values.shape], blank, dtype=single)
    padded[(slice(-1),) * axes] = values
    return padded


def _pair_features(
    pieces: tuple[Piece, ...], colours: WornColours, features: dict[str, FloatArray]
) -> dict[str, FloatArray]:
    lab, first = colours.lab, colours.first
    difference = pairwise_delta_e_2000(lab, lab)
    nearest, hue = _nearest(difference, first), hue_angle(lab[first])
    by_ground, by_motif, motif = _answers(difference[:, first], colours)
    answer = np.maximum(by_ground, by_motif)
    metal = features["metal"]
    one_metal = (metal[:, None] == metal) & (metal > 0)
    returns = np.maximum(answer, answer.T)
    kind = np.array([PATTERNS.index(p.pattern) * len(SCALES) + SCALES.index(p.scale) for p in pieces])
    return {
        "nearest": nearest,
        "main_difference": difference[np.ix_(first, first)],
        "hues_apart": hue_distance(hue[:, None], hue),
        "answer": answer,
        "by_ground": by_ground,
        "by_motif": by_motif,
        "motif": motif.astype(np.int8),
        "returns": returns,
        "repeated": np.maximum(returns, one_metal),
        "in_the_print": np.exp(-0.5 * (nearest / PRINT_MATCH) ** 2),
        "kin": _kin(lab, hue, features["chroma"], first),
        "picked_up": np.exp(-0.5 * (nearest / PICKED_UP) ** 2),
        "one_kind": kind[:, None] == kind,
        "family": _family(features),
        "harmony": _pair_harmony(lab, colours.share, first),
    }


def _family(features: dict[str, FloatArray]) -> FloatArray:
    """Two coloured pieces are one by hue, two neutrals by temperature; a neutral beside a colour is half way, more
    when they lean alike."""
    neutral, hue, side = features["neutral"], features["leading_hue"], features["warm"] - features["cool"]
    agreed = features["hue_agreement"][:, None] * features["hue_agreement"]
    by_hue = agreed * np.exp(-0.5 * (hue_distance(hue[:, None], hue) / 28.0) ** 2)
    by_side = 1 - np.abs(side[:, None] - side) / 2
    # a black and a grey have no hue to lean by
    tinted = np.clip((features["chroma"] - 2) / 10, 0, 1)
    both_tinted = np.minimum(tinted[:, None], tinted)
    by_tint = both_tinted * by_hue + (1 - both_tinted) * 0.5
    both_neutral, both_coloured = neutral[:, None] * neutral, (1 - neutral)[:, None] * (1 - neutral)
    mixed = 1 - both_neutral - both_coloured
    alike: FloatArray = both_neutral * by_side + both_coloured * by_hue + mixed * (0.35 + 0.3 * by_tint)
    return alike


def _leading_hue(
    held: Callable[[FloatArray], FloatArray], lab: FloatArray, weight: FloatArray
) -> tuple[FloatArray, FloatArray]:
    angle = np.radians(hue_angle(lab))
    across, along = held(weight * np.cos(angle)), held(weight * np.sin(angle))
    return np.degrees(np.arctan2(along, across)) % 360, np.hypot(across, along) / held(weight)


def _answers(difference: FloatArray, colours: WornColours) -> tuple[FloatArray, FloatArray, IntArray]:
    """How well the main colours answer the ground and the best motif of every piece, and which motif that is.

    difference: (colours, pieces), CIEDE2000 between every colour and the main ones."""
    likeness = np.exp(-0.5 * (difference / SAME_FAMILY) ** 2)
    by_motif = likeness * colours.motif[:, None]
    starts = zip(colours.first, colours.counts, strict=True)
    which = np.stack([by_motif[start : start + count].argmax(axis=0) for start, count in starts])
    return likeness[colours.first], np.maximum.reduceat(by_motif, colours.first, axis=0), which


def _kin(lab: FloatArray, main_hue: FloatArray, main_chroma: FloatArray, first: IntArray) -> FloatArray:
    """Hue alike between main colours and any colours, where both have one."""
    apart = hue_distance(hue_angle(lab)[:, None], main_hue)
    tinted = np.clip((chroma(lab)[:, None] - 4) / 10, 0, 1) * np.clip((main_chroma - 4) / 10, 0, 1)
    of_one = np.maximum.reduceat(tinted * np.exp(-0.5 * (apart / ONE_HUE) ** 2), first, axis=0)
    alike: FloatArray = np.maximum(of_one, of_one.T)
    return alike


ONE_HUE = 16.0
"""Degrees of hue at which two colours are still of one hue with three fifths of full strength."""


def _nearest(difference: FloatArray, first: IntArray) -> FloatArray:
    nearest: FloatArray = np.minimum.reduceat(np.minimum.reduceat(difference, first, axis=0), first, axis=1)
    return nearest


def _pair_harmony(lab: FloatArray, share: FloatArray, first: IntArray) -> FloatArray:
    harmony = two_colour_harmony(lab[:, None, :], lab[None, :, :]) * share[:, None] * share[None, :]
    held: FloatArray = np.add.reduceat(np.add.reduceat(harmony, first, axis=0), first, axis=1)
    return held


def _shine(piece: Piece) -> float:
    if piece.finish & GREAT_SHINE:
        return 1.0
    return 0.5 if piece.finish & SOFT_SHINE else 0.0


TUCKED = 0.86
"""Share of a top that is seen when it is tucked in."""


def _area(piece: Piece) -> float:
    if piece.worn is Worn.TUCKED and ZONES[piece.category] is Zone.UPPER:
        return TUCKED * area_of(piece.category)
    if piece.category.value == "necklace" and (piece.statement or 0.0) > 0.5:
        return LARGE_NECKLACE_AREA
    return area_of(piece.category)


def _boldness(piece: Piece) -> float:
    return 0.15 * _shine(piece) + (0.08 if piece.volume is Volume.FULL else 0.0)


BY_SCALE = {None: 0.35, Scale.SMALL: 0.16, Scale.MEDIUM: 0.30, Scale.LARGE: 0.45}


def _print_boldness(pieces: tuple[Piece, ...], colours: WornColours) -> FloatArray:
    """What each piece says beyond that where it is a print: its scale, inner contrast, colour and colours."""
    lightness, seen = colours.lab[:, 0], colours.share > 0.04
    highest = np.maximum.reduceat(np.where(seen, lightness, 0), colours.first)
    lowest = np.minimum.reduceat(np.where(seen, lightness, 100), colours.first)
    inner = np.maximum(highest - lowest, 0) / 100
    colourful = np.maximum.reduceat(chroma(colours.lab), colours.first) / 100
    others = np.clip(np.add.reduceat(seen.astype(float), colours.first) - 1, 0, 4)
    return np.array([BY_SCALE[p.scale] for p in pieces]) + 0.22 * inner + 0.25 * colourful + 0.05 * others
