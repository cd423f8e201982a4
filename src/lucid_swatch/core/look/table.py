"""What is known of each piece and each pair of pieces, computed once for a whole rail."""

from collections.abc import Callable
from dataclasses import dataclass

import numpy as np

from ..colour.arrays import BoolArray, FloatArray, IntArray
from ..colour.difference import pairwise_delta_e_2000
from ..colour.harmony import two_colour_harmony
from ..colour.spaces import chroma, hue_angle
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
FINISHES = tuple(Finish)
ZONE_ORDER = tuple(Zone)
CATEGORIES = tuple(Category)
GREAT_SHINE = frozenset({Finish.METALLIC, Finish.SEQUIN, Finish.PATENT})
SOFT_SHINE = frozenset({Finish.SATIN, Finish.SILK, Finish.PEARL, Finish.STONE})
SAME_FAMILY = threshold("same-family")


@dataclass(frozen=True, slots=True, eq=False)
class PieceTable:
    """Features of n pieces; the pair tables are (n, n)."""

    pieces: tuple[Piece, ...]
    lab: FloatArray
    """(n, 3), the main colour."""
    chroma: FloatArray
    hue: FloatArray
    leading_hue: FloatArray
    """(n,), hue angle of what colour a piece has, by share and chroma: a black ground has none."""
    neutral: FloatArray
    """(n,), share of the cloth that is neutral, 0..1."""
    warm: FloatArray
    """(n,), share-weighted warmth of the neutral cloth, 0..1."""
    cool: FloatArray
    temperature: FloatArray
    """(n,), share-weighted, -1..1."""
    mean_lightness: FloatArray
    lightness_variance: FloatArray
    strong: FloatArray
    """(n,), largest C* of a colour that is no neutral, weighted by how little neutral it is."""
    black: FloatArray
    """(n,), share of the cloth that is a hard black."""
    white: FloatArray
    blue: FloatArray
    brown: FloatArray
    denim: BoolArray
    metallic: BoolArray
    metal: IntArray
    print: BoolArray
    pattern: IntArray
    scale: IntArray
    finish: BoolArray
    """(n, finishes)."""
    shine: FloatArray
    colours: IntArray
    category: IntArray
    closed: BoolArray
    zone: IntArray
    area: FloatArray
    nearness: FloatArray
    accessory: BoolArray
    boldness: FloatArray
    """(n,), how much the piece says by itself, before its company: print, shine, volume."""
    said: FloatArray
    """(n,), the stylist's own say on statement, nan where there is none."""
    formality: FloatArray
    weather: FloatArray
    nearest: FloatArray
    """(n, n), smallest CIEDE2000 between any colour of one and any of the other."""
    main_difference: FloatArray
    """(n, n), CIEDE2000 between the main colours."""
    answer: FloatArray
    """(n, n), 0..1: how well the main colour of the second answers some colour of the first."""
    answered_colour: IntArray
    """(n, n), which colour of the first that is."""
    pair_harmony: FloatArray
    """(n, n), share-weighted harmony of Ou and Luo."""


def build_table(pieces: tuple[Piece, ...], school: School = BROAD) -> PieceTable:
    """The table of a rail, or of the pieces of some looks. pieces: at least one. school: what counts as a neutral."""
    counts = np.array([len(p.lab) for p in pieces])
    first = np.concatenate([[0], np.cumsum(counts)[:-1]])
    lab, share = np.concatenate([p.lab for p in pieces]), np.concatenate([p.share for p in pieces])

    def held(values: FloatArray) -> FloatArray:
        total: FloatArray = np.add.reduceat(values * share, first)
        return total

    metallic = np.array([Finish.METALLIC in p.finish for p in pieces])
    plainly_neutral, warmth = _as_said(pieces, first, counts, neutrality(lab, school), temperature(lab, school))
    strength, hue, lightness = chroma(lab), hue_angle(lab), lab[:, 0]
    mean = held(lightness)
    strong = np.maximum.reduceat(strength * (1 - plainly_neutral) * (share > 0.04), first)
    black = _below(lightness, 22, 5) * _below(strength, 7, 1.5)
    white = _above(lightness, 90, 1.5) * _below(strength, 6.5, 1.0)
    blueness = _above(strength, 7, 1.5) * ((hue > 225) & (hue < 300))
    brownness = plainly_neutral * _above(strength, 13, 1.5) * ((hue > 35) & (hue < 88)) * _below(lightness, 72, 3)
    zone = np.array([ZONE_ORDER.index(ZONES[p.category]) for p in pieces])
    main = lab[first]
    answer, answered = _answers(pieces, lab, main, first, counts)
    return PieceTable(
        pieces=pieces, lab=main, chroma=strength[first], hue=hue[first],
        leading_hue=_leading_hue(held, lab, (1 - plainly_neutral) * strength + 0.05),
        neutral=np.where(metallic, 1.0, held(plainly_neutral)),
        warm=np.where(metallic, 0.0, held(plainly_neutral * np.maximum(warmth, 0) * (1 - white))),
        cool=np.where(metallic, 0.0, held(plainly_neutral * np.maximum(-warmth, 0) * (1 - white))),
        temperature=held(warmth), mean_lightness=mean,
        lightness_variance=np.maximum(held(lightness**2) - mean**2, 0.0), strong=np.where(metallic, 0.0, strong),
        black=held(black), white=held(white), blue=held(blueness), brown=held(brownness),
        denim=np.array([Finish.DENIM in p.finish for p in pieces]), metallic=metallic,
        metal=np.array([METALS.index(p.metal) for p in pieces]),
        print=np.array([p.pattern not in PLAIN_PATTERNS and len(p.lab) > 1 for p in pieces]),
        pattern=np.array([PATTERNS.index(p.pattern) for p in pieces]),
        scale=np.array([SCALES.index(p.scale) for p in pieces]),
        finish=np.array([[f in p.finish for f in FINISHES] for p in pieces]),
        shine=np.array([_shine(p) for p in pieces]), colours=counts, zone=zone,
        category=np.array([CATEGORIES.index(p.category) for p in pieces]),
        closed=np.array([p.worn is Worn.CLOSED for p in pieces]),
        area=np.array([_area(p) for p in pieces]),
        nearness=np.array([NEARNESS[ZONES[p.category]] for p in pieces]),
        accessory=np.array([ZONES[p.category] in ACCESSORY_ZONES for p in pieces]),
        boldness=np.array([_boldness(p) for p in pieces]),
        said=np.array([np.nan if p.statement is None else p.statement for p in pieces], dtype=float),
        formality=np.array([np.nan if p.formality is None else p.formality for p in pieces], dtype=float),
        weather=np.array([np.nan if p.warmth is None else p.warmth for p in pieces], dtype=float),
        nearest=_nearest(lab, first), main_difference=pairwise_delta_e_2000(main, main),
        answer=answer, answered_colour=answered, pair_harmony=_pair_harmony(lab, share, first),
    )  # fmt: skip


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


def _answers(
    pieces: tuple[Piece, ...], lab: FloatArray, main: FloatArray, first: IntArray, counts: IntArray
) -> tuple[FloatArray, IntArray]:
    difference = pairwise_delta_e_2000(lab, main)
    likeness = np.exp(-0.5 * (difference / SAME_FAMILY) ** 2)
    answer = np.maximum.reduceat(likeness, first, axis=0)
    which = np.stack([likeness[f : f + n].argmax(axis=0) for f, n in zip(first, counts, strict=True)])
    return answer, which


def _nearest(lab: FloatArray, first: IntArray) -> FloatArray:
    difference = pairwise_delta_e_2000(lab, lab)
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
