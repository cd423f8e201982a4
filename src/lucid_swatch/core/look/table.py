"""What is known of each piece and each pair of pieces, computed once for a whole rail."""

from collections.abc import Callable
from dataclasses import dataclass
from functools import cached_property
from typing import Any

import numpy as np
from numpy.typing import NDArray

from ..colour.arrays import FloatArray, IntArray
from ..colour.difference import pairwise_delta_e_2000
from ..colour.harmony import two_colour_harmony
from ..colour.spaces import chroma, hue_angle, hue_distance
from ..garment.neutrals import neutrality, temperature
from ..garment.piece import Piece
from ..garment.school import BROAD, School
from ..garment.sorting import said_temperature
from ..garment.vocabulary import PLAIN_PATTERNS, Bin, Category, Finish, Metal, PatternType, Scale, Volume, Worn
from .body import ACCESSORY_ZONES, LARGE_NECKLACE_AREA, NEARNESS, ZONES, Zone, area_of
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
    answered_colour: Feature
    """Of a pair: which colour of the first that is."""
    returns: Feature
    """Of a pair, 0..1: how well the colour of either returns in the other."""
    repeated: Feature
    """Of a pair, 0..1: the same, where one metal that is seen on both counts in full."""
    in_the_print: Feature
    """Of a pair, 0..1: how surely the two share a colour, as strictly as a print and its accent need it."""
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


def build_table(pieces: tuple[Piece, ...], school: School = BROAD) -> PieceTable:
    """The table of a rail, or of the pieces of some looks. pieces: at least one. school: what counts as a neutral."""
    counts = np.array([len(p.lab) for p in pieces])
    first = np.concatenate([[0], np.cumsum(counts)[:-1]])
    lab, share = np.concatenate([p.lab for p in pieces]), np.concatenate([p.share for p in pieces])

    def held(values: FloatArray) -> FloatArray:
        total: FloatArray = np.add.reduceat(values * share, first)
        return total

    def each(read: Callable[[Piece], float | None]) -> FloatArray:
        return np.array([np.nan if (value := read(p)) is None else value for p in pieces], dtype=float)

    metallic = np.array([Finish.METALLIC in p.finish for p in pieces])
    plainly_neutral, warmth = _as_said(pieces, first, counts, neutrality(lab, school), temperature(lab, school))
    strength, hue, lightness = chroma(lab), hue_angle(lab), lab[:, 0]
    mean = held(lightness)
    strong = np.maximum.reduceat(strength * (1 - plainly_neutral) * (share > 0.04), first)
    black = _below(lightness, 22, 5) * _below(strength, 7, 1.5)
    white = _above(lightness, 90, 1.5) * _below(strength, 6.5, 1.0)
    blueness = _above(strength, 7, 1.5) * ((hue > 225) & (hue < 300))
    brownness = plainly_neutral * _above(strength, 13, 1.5) * ((hue > 35) & (hue < 88)) * _below(lightness, 72, 3)
    prints = np.array([p.pattern not in PLAIN_PATTERNS and len(p.lab) > 1 for p in pieces])
    accessory = np.array([ZONES[p.category] in ACCESSORY_ZONES for p in pieces])
    features = {
        "lightness": lightness[first], "chroma": strength[first],
        "leading_hue": _leading_hue(held, lab, (1 - plainly_neutral) * strength + 0.05),
        "neutral": np.where(metallic, 1.0, held(plainly_neutral)),
        "warm": np.where(metallic, 0.0, held(plainly_neutral * np.maximum(warmth, 0) * (1 - white))),
        "cool": np.where(metallic, 0.0, held(plainly_neutral * np.maximum(-warmth, 0) * (1 - white))),
        "temperature": held(warmth), "mean_lightness": mean,
        "lightness_variance": np.maximum(held(lightness**2) - mean**2, 0.0), "strong": np.where(metallic, 0.0, strong),
        "black": held(black), "white": held(white), "blue": held(blueness), "brown": held(brownness),
        "denim": np.array([Finish.DENIM in p.finish for p in pieces]), "metallic": metallic,
        "metal": np.array([METALS.index(p.metal) for p in pieces], dtype=np.int8),
        "print": prints, "plain": ~prints, "animal": np.array([p.pattern is PatternType.ANIMAL for p in pieces]),
        "surfaces": np.array([sum(1 << SURFACES.index(f) for f in p.finish if f in SURFACES) for p in pieces], np.uint32),
        "colours": counts.astype(np.int8), "closed": np.array([p.worn is Worn.CLOSED for p in pieces]),
        "area": each(_area), "nearness": each(lambda p: NEARNESS[ZONES[p.category]]),
        "accessory": accessory, "clothes": ~accessory, "boldness": each(_boldness),
        "said": each(lambda p: p.statement), "formality": each(lambda p: p.formality), "weather": each(lambda p: p.warmth),
    }  # fmt: skip
    pairs = _pair_features(pieces, lab, share, first, counts, features)
    return PieceTable(
        pieces=pieces,
        zones=np.array([[ZONES[p.category] is zone for p in pieces] + [False] for zone in ZONE_ORDER]),
        categories=np.array([[p.category is category for p in pieces] + [False] for category in CATEGORIES]),
        **{name: _padded(values, BLANK.get(name, 0), 1) for name, values in features.items()},
        **{name: _padded(values, BLANK.get(name, 0), 2) for name, values in pairs.items()},
    )


SURFACES = tuple(finish for finish in Finish if finish is not Finish.MATTE)
BLANK = {
    "said": np.nan, "formality": np.nan, "weather": np.nan, "nearest": 99.0,
    "main_difference": 99.0, "answered_colour": -1,
}  # fmt: skip
"""What stands for no piece, where that is not 0."""


def _padded(values: FloatArray, blank: float, axes: int) -> Feature:
    wide = values.astype(np.float32) if values.dtype.kind == "f" else values
    padded: Feature = np.ascontiguousarray(np.pad(wide, [(0, 1)] * axes, constant_values=blank))
    return padded


def _pair_features(
    pieces: tuple[Piece, ...],
    lab: FloatArray,
    share: FloatArray,
    first: IntArray,
    counts: IntArray,
    features: dict[str, FloatArray],
) -> dict[str, FloatArray]:
    difference = pairwise_delta_e_2000(lab, lab)
    nearest, hue = _nearest(difference, first), hue_angle(lab[first])
    answer, answered = _answers(difference[:, first], first, counts)
    metal = features["metal"]
    one_metal = (metal[:, None] == metal) & (metal > 0)
    returns = np.maximum(answer, answer.T)
    kind = np.array([PATTERNS.index(p.pattern) * len(SCALES) + SCALES.index(p.scale) for p in pieces])
    return {
        "nearest": nearest, "main_difference": difference[np.ix_(first, first)], "hues_apart": hue_distance(hue[:, None], hue),
        "answer": answer,
        "answered_colour": answered.astype(np.int8), "returns": returns, "repeated": np.maximum(returns, one_metal),
        "in_the_print": np.exp(-0.5 * (nearest / PRINT_MATCH) ** 2),
        "picked_up": np.exp(-0.5 * (nearest / PICKED_UP) ** 2), "one_kind": kind[:, None] == kind,
        "family": _family(features), "harmony": _pair_harmony(lab, share, first),
    }  # fmt: skip


def _family(features: dict[str, FloatArray]) -> FloatArray:
    """Two coloured pieces are one by hue, two neutrals by temperature; a neutral beside a colour is half way, more
    when they lean alike."""
    neutral, hue, side = features["neutral"], features["leading_hue"], features["warm"] - features["cool"]
    by_hue = np.exp(-0.5 * (hue_distance(hue[:, None], hue) / 28.0) ** 2)
    by_side = 1 - np.abs(side[:, None] - side) / 2
    # a black and a grey have no hue to lean by
    tinted = np.clip((features["chroma"] - 2) / 7, 0, 1)
    both_tinted = np.minimum(tinted[:, None], tinted)
    by_tint = both_tinted * by_hue + (1 - both_tinted) * 0.5
    both_neutral, both_coloured = neutral[:, None] * neutral, (1 - neutral)[:, None] * (1 - neutral)
    mixed = 1 - both_neutral - both_coloured
    alike: FloatArray = both_neutral * by_side + both_coloured * by_hue + mixed * (0.35 + 0.3 * by_tint)
    return alike


def _as_said(
    pieces: tuple[Piece, ...], first: IntArray, counts: IntArray, neutral: FloatArray, warmth: FloatArray
) -> tuple[FloatArray, FloatArray]:
    """Neutrality and temperature of every colour, with the stylist's word on where its piece hangs."""
    for piece, start, count in zip(pieces, first, counts, strict=True):
        said = piece.bin_said
        if said is None or said is Bin.PRINT:
            continue
        own = slice(start, start + count)
        neutral[own] = 0.0 if said is Bin.TONE else 1.0
        warmth[own] = [said_temperature(said, float(one)) for one in warmth[own]]
    return neutral, warmth


def _above(values: FloatArray, border: float, softness: float) -> FloatArray:
    return 1 / (1 + np.exp(-np.clip((values - border) / softness, -40, 40)))


def _leading_hue(held: Callable[[FloatArray], FloatArray], lab: FloatArray, weight: FloatArray) -> FloatArray:
    angle = np.radians(hue_angle(lab))
    mean: FloatArray = np.degrees(np.arctan2(held(weight * np.sin(angle)), held(weight * np.cos(angle)))) % 360
    return mean


def _below(values: FloatArray, border: float, softness: float) -> FloatArray:
    return 1 - _above(values, border, softness)


def _answers(difference: FloatArray, first: IntArray, counts: IntArray) -> tuple[FloatArray, IntArray]:
    """difference: (colours, pieces), CIEDE2000 between every colour and the main ones."""
    likeness = np.exp(-0.5 * (difference / SAME_FAMILY) ** 2)
    answer = np.maximum.reduceat(likeness, first, axis=0)
    which = np.stack([likeness[f : f + n].argmax(axis=0) for f, n in zip(first, counts, strict=True)])
    return answer, which


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


def _area(piece: Piece) -> float:
    if piece.category.value == "necklace" and (piece.statement or 0.0) > 0.5:
        return LARGE_NECKLACE_AREA
    return area_of(piece.category)


def _boldness(piece: Piece) -> float:
    bold = 0.15 * _shine(piece) + (0.08 if piece.volume is Volume.FULL else 0.0)
    if piece.pattern in PLAIN_PATTERNS or len(piece.lab) < 2:
        return bold
    by_scale = {None: 0.35, Scale.SMALL: 0.16, Scale.MEDIUM: 0.30, Scale.LARGE: 0.45}[piece.scale]
    seen = piece.lab[piece.share > 0.04]
    inner = float(np.ptp(seen[:, 0])) / 100 if len(seen) else 0.0
    colourful = float(chroma(piece.lab).max()) / 100
    return bold + by_scale + 0.22 * inner + 0.25 * colourful + 0.05 * min(len(seen) - 1, 4)
