"""What the scorer asks of every colour of some pieces, as the eye takes it: a colour with what is near it.

Borders between families are narrower than what an eye tells apart on cloth or a photo measures. Each answer is the mean
over the near neighbours of a colour, so that no verdict turns on a difference that nobody sees."""

from dataclasses import dataclass
from itertools import product

import numpy as np

from ...colour.arrays import BoolArray, FloatArray, IntArray
from ...colour.difference import pairwise_delta_e_2000
from ...colour.spaces import chroma, hue_angle
from ...garment.neutrals import neutrality, temperature
from ...garment.piece import Piece
from ...garment.school import School
from ...garment.sorting import said_temperature
from ...garment.vocabulary import Bin, Part

REACH, SIDE_REACH = 4.5, 14.0
"""CIELAB units from a colour to its nearest neighbours, and where it is warm or cool: of all that is said of a beige the
least agreed on. Half as far again to the others."""
NEIGHBOURS = np.array(
    [
        (0, 0, 0),
        *(tuple(s * (k == axis) for k in range(3)) for axis in range(3) for s in (-1.0, 1.0)),
        *((a * 0.9, b * 0.9, c * 0.9) for a, b, c in product((-1, 1), repeat=3)),
    ]
)
"""(15, 3), in units of reach, of lightness, chroma and hue."""


@dataclass(frozen=True, slots=True, eq=False)
class ColourAnswers:
    """Of each colour, (n,), 0..1 where nothing else is said."""

    neutral: FloatArray
    temperature: FloatArray
    """-1..1."""
    warm: FloatArray
    """How far it is a warm neutral that is no white."""
    cool: FloatArray
    strong: FloatArray
    """C*, weighted by how little neutral it is."""
    black: FloatArray
    white: FloatArray
    blue: FloatArray
    brown: FloatArray


@dataclass(frozen=True, slots=True, eq=False)
class WornColours:
    """The colours of some pieces that are seen when they are worn, one piece after the other. (n, ...)."""

    lab: FloatArray
    share: FloatArray
    """Of the piece."""
    motif: BoolArray
    """Whether it is a colour of the cloth other than its ground."""
    counts: IntArray
    """(pieces,), how many each piece has."""
    first: IntArray
    """(pieces,), where each piece begins."""
    cloth: IntArray
    """(pieces,), how many of them are cloth and no trim."""


def worn_colours(pieces: tuple[Piece, ...]) -> WornColours:
    """What is seen of some pieces: without lining and hardware, and a colour that was measured twice only once."""
    each = [_worn(piece) for piece in pieces]
    counts = np.array([len(lab) for lab, _, _ in each])
    first = np.concatenate([[0], np.cumsum(counts)[:-1]])
    cloth = np.concatenate([own for _, _, own in each])
    motif = cloth.copy()
    motif[first] = False
    return WornColours(
        # what is nothing has one hue: a b* of 1e-300, or of -0, would have another
        np.concatenate([lab for lab, _, _ in each]).round(LAB_DIGITS) + 0.0,
        np.concatenate([share for _, share, _ in each]),
        motif,
        counts,
        first,
        np.add.reduceat(cloth.astype(int), first),
    )


def _worn(piece: Piece) -> tuple[FloatArray, FloatArray, BoolArray]:
    if len(piece.lab) == 1:
        return piece.lab, piece.share, np.ones(1, dtype=bool)
    parts = piece.parts or (Part.CLOTH,) * len(piece.lab)
    seen = [k for k, part in enumerate(parts) if part in (Part.CLOTH, Part.TRIM)] or list(range(len(parts)))
    lab, share, kept = piece.lab[seen], piece.share[seen] / piece.share[seen].sum(), [0]
    cloth = np.array([parts[k] is not Part.TRIM for k in seen])
    near = (pairwise_delta_e_2000(lab, lab) < SAME) & (cloth[:, None] == cloth)
    if near.sum() == len(near):
        return lab, share, cloth
    for k in range(1, len(seen)):
        alike = [j for j in kept if near[j, k]]
        if not alike:
            kept.append(k)
            continue
        into = alike[0]
        total = share[into] + share[k]
        lab[into], share[into] = (share[into] * lab[into] + share[k] * lab[k]) / total, total
    return lab[kept], share[kept], cloth[kept]


LAB_DIGITS = 6
"""Decimals of CIELAB that say anything."""
SAME = 1.0
"""CIEDE2000 under which two readings of a piece are one colour."""


def ask_colours(colours: WornColours, pieces: tuple[Piece, ...], school: School) -> ColourAnswers:
    """The answers of every colour of some pieces."""
    near = _near(colours.lab, REACH)
    neutral, warmth = _as_said(
        pieces,
        colours.counts,
        neutrality(near, school),
        temperature(_near(colours.lab, SIDE_REACH), school).mean(axis=1, keepdims=True),
    )
    strength, hue, lightness = chroma(near), hue_angle(near), near[..., 0]
    white = _above(lightness, 90, 1.5) * _below(strength, 6.5, 1.0)
    brownish = _above(strength, 13, 1.5) * ((hue > 35) & (hue < 94)) * _below(lightness, 72, 3)

    black = _below(lightness, 22, 5) * _below(strength, 7, 1.5)
    # a colour on the border has no side: it does not lie on both. A white or a black sits with either side
    side = (neutral * (1 - white) * (1 - black)).mean(axis=1) * warmth[:, 0]

    def mean(values: FloatArray) -> FloatArray:
        blurred: FloatArray = values.mean(axis=1)
        return blurred

    return ColourAnswers(
        neutral=mean(neutral),
        temperature=warmth[:, 0],
        warm=np.maximum(side, 0),
        cool=np.maximum(-side, 0),
        strong=mean(strength * (1 - neutral)),
        black=mean(black),
        white=mean(white),
        blue=mean(_above(strength, 7, 1.5) * ((hue > 225) & (hue < 300))),
        brown=mean(neutral * brownish),
    )


def _near(lab: FloatArray, reach: float) -> FloatArray:
    """Every colour with its neighbours: (n, 3) to (n, 15, 3). What is near grows with chroma, as in CIE94."""
    strength, angle = chroma(lab), np.radians(hue_angle(lab))
    width = reach * np.stack([np.ones_like(strength), 1 + 0.045 * strength, 1 + 0.015 * strength], axis=1)
    by_lightness, by_chroma, by_hue = np.moveaxis(NEIGHBOURS * width[:, None, :], -1, 0)
    cosine, sine = np.cos(angle)[:, None], np.sin(angle)[:, None]
    moved = np.stack([by_lightness, by_chroma * cosine - by_hue * sine, by_chroma * sine + by_hue * cosine], axis=-1)
    return lab[:, None, :] + moved


def _as_said(
    pieces: tuple[Piece, ...], counts: IntArray, neutral: FloatArray, warmth: FloatArray
) -> tuple[FloatArray, FloatArray]:
    """Neutrality and temperature with the stylist's word on where each piece hangs. (n, neighbours) each."""
    start = 0
    for piece, count in zip(pieces, counts.tolist(), strict=True):
        own = slice(start, start + count)
        start += count
        said = piece.bin_said
        if said is None or said is Bin.PRINT:
            continue
        neutral[own] = 0.0 if said is Bin.TONE else 1.0
        warmth[own] = said_temperature(said, warmth[own])
    return neutral, warmth


def _above(values: FloatArray, border: float, softness: float) -> FloatArray:
    return 1 / (1 + np.exp(-np.clip((values - border) / softness, -40, 40)))


def _below(values: FloatArray, border: float, softness: float) -> FloatArray:
    return 1 - _above(values, border, softness)
