"""A theme: a word and a few colours or surfaces that a look, or a set of looks, is to carry."""

from dataclasses import dataclass

import numpy as np

from ..colour.arrays import FloatArray, IntArray, Lab
from ..colour.difference import pairwise_delta_e_2000
from ..garment.piece import Piece
from ..garment.vocabulary import Finish
from .body import area_of


@dataclass(frozen=True, slots=True)
class Theme:
    """What is to be carried. ValueError where it names nothing."""

    word: str
    colours: tuple[Lab, ...] = ()
    """CIELAB each."""
    surfaces: tuple[Finish, ...] = ()

    def __post_init__(self) -> None:
        if not self.colours and not self.surfaces:
            raise ValueError("a theme has a colour or a surface")


@dataclass(frozen=True, slots=True)
class Carried:
    """How far a look carries its theme."""

    share: float
    """0 where nothing of it is seen .. 1 where each colour and surface is, and most of the look is of it."""
    pieces: tuple[str, ...]
    """Those that carry it, by id, the most first."""
    missing: tuple[str, ...]
    """What of it no piece carries: colours as 'colour 1', surfaces by name."""


LIKE = 12.0
"""CIEDE2000 at which a piece still carries a colour with three fifths of full strength."""
SEEN_FROM = 0.4
"""How well a piece has to carry something for it to be there."""
EACH, MOST = 0.65, 0.35
"""What the theme's own members being there, and how much of the look is of it, count for."""


def carried(pieces: tuple[Piece, ...], theme: Theme) -> Carried:
    """How far some pieces carry a theme. pieces: at least one."""
    strength = _strengths(pieces, theme)
    best = strength.max(axis=0)
    own = strength.max(axis=1)
    share = float(shares_carried(pieces, theme, np.arange(len(pieces))[None, :])[0])
    names = [f"colour {k + 1}" for k in range(len(theme.colours))] + [surface.value for surface in theme.surfaces]
    order = np.argsort(-own, kind="stable")
    return Carried(
        round(share, 3),
        tuple(pieces[int(k)].id for k in order if own[k] >= SEEN_FROM),
        tuple(name for name, there in zip(names, best, strict=True) if there < SEEN_FROM),
    )


def shares_carried(pieces: tuple[Piece, ...], theme: Theme, rows: IntArray) -> FloatArray:
    """How far many looks carry a theme, 0..1. rows: (n, m), places of the pieces, their number where a look has fewer;
    to (n,)."""
    strength = np.concatenate([_strengths(pieces, theme), np.zeros((1, len(theme.colours) + len(theme.surfaces)))])
    area = np.append(np.array([area_of(piece.category) for piece in pieces]) ** 0.6, 0.0)[rows]
    best = strength[rows].max(axis=1).mean(axis=1)
    most = (area * strength.max(axis=1)[rows]).sum(axis=1) / area.sum(axis=1)
    shares: FloatArray = EACH * best + MOST * np.minimum(1.0, most / ENOUGH)
    return shares


def _strengths(pieces: tuple[Piece, ...], theme: Theme) -> FloatArray:
    return np.concatenate([_colours(pieces, theme), _surfaces(pieces, theme)], axis=1)


ENOUGH = 0.5
"""Share of a look, by its area to the power of 0.6, from which it is of the theme."""


def _colours(pieces: tuple[Piece, ...], theme: Theme) -> FloatArray:
    """How well each piece carries each colour, 0..1. (pieces, colours)."""
    if not theme.colours:
        return np.zeros((len(pieces), 0))
    wanted = np.array(theme.colours, dtype=float)
    found = np.zeros((len(pieces), len(wanted)))
    for k, piece in enumerate(pieces):
        likeness = np.exp(-0.5 * (pairwise_delta_e_2000(piece.lab, wanted) / LIKE) ** 2)
        # a little of it in a print is enough to be seen
        shown = np.clip(piece.share / 0.15, 0.3, 1.0)
        found[k] = (likeness * shown[:, None]).max(axis=0)
    return found


def _surfaces(pieces: tuple[Piece, ...], theme: Theme) -> FloatArray:
    """Whether each piece has each surface. (pieces, surfaces)."""
    return np.array([[float(one in piece.finish) for one in theme.surfaces] for piece in pieces]).reshape(
        len(pieces), len(theme.surfaces)
    )
