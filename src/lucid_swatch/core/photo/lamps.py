"""Kinds of lamps: how they move greys, and what they do to dyes that a balanced camera still sees otherwise."""

import tomllib
from dataclasses import dataclass, replace
from functools import cache
from importlib.resources import files

import numpy as np
from scipy.special import log_ndtr, logsumexp

from ..colour.arrays import FloatArray
from .light import Light, along_lamps

MOST_LEFT = 0.45
"""Of a lamp: no camera leaves more of it than about this in a photo."""
USUAL = {"daylight": 0.40, "filament": 0.12, "warm LED": 0.22, "white LED": 0.16, "tube": 0.10}
"""How usual the kinds are where clothes are photographed at home."""
NOISE = 0.03
"""What a single photo's place along LAMP_LINE is off by itself."""
FIRM = 0.6
"""Belief from which a kind is named."""


@dataclass(frozen=True, slots=True, eq=False)
class Family:
    """A kind of lamp."""

    name: str
    least: float
    most: float
    """Between which its greys lie along LAMP_LINE where nothing is balanced."""
    corrections: FloatArray
    """(cameras, 3, 3), linear sRGB to linear sRGB, after the cast is undone; greys stay."""


@cache
def families() -> tuple[Family, ...]:
    """The kinds there are. Derived from CIE illuminants, samples of CIE 224:2017 and two measured cameras."""
    told = tomllib.loads((files(__package__) / "lamps.toml").read_text(encoding="utf-8"))
    return tuple(
        Family(name, one["least"], one["most"], np.array(one["corrections"], dtype=np.float64))
        for name, one in told.items()
    )


def log_chances(casts: FloatArray) -> FloatArray:
    """How likely each kind of lamp leaves such casts in photos of one take, as logarithms. (..., n) to (..., kinds).

    casts: along LAMP_LINE. A camera leaves between nothing and MOST_LEFT of a lamp, any of it as likely."""
    rows = []
    for family in families():
        least, most = min(0.0, MOST_LEFT * family.least), max(0.02, MOST_LEFT * family.most)
        above, below = log_ndtr((casts - least) / NOISE), log_ndtr((casts - most) / NOISE)
        inside = above + np.log1p(-np.minimum(np.exp(below - above), 1 - 1e-9))
        each = np.logaddexp(inside, np.log(STRANGE)) - np.log(most - least)
        rows.append(np.log(USUAL[family.name]) + each.sum(axis=-1))
    return np.stack(rows, axis=-1)


STRANGE = 1e-3
"""Of photos whose cast no lamp of a kind explains."""


def under_lamp(light: Light, belief: FloatArray) -> Light:
    """A light with what its lamp does to dyes undone as far as it is believed. belief: (kinds,), summing to 1.

    A light whose colours a measured card corrects stays as it is: the card saw the lamp."""
    if light.correction is not None:
        return light
    kinds = families()
    corrections = np.stack([kind.corrections for kind in kinds])
    cameras = np.einsum("k,kcij->cij", belief, corrections)
    middle = cameras.mean(axis=0)
    # what the cameras disagree about, and what the kinds do
    off = np.einsum("k,kcij->ij", belief, (corrections - middle) ** 2) / corrections.shape[1]
    spread = np.sqrt(off) * np.sign(cameras[-1] - cameras[0])
    spread -= np.diag(spread.sum(axis=1))
    likeliest = int(np.argmax(belief))
    name = kinds[likeliest].name if belief[likeliest] >= FIRM else ""
    return replace(light, correction=np.hstack([middle, np.zeros((3, 3))]), lamp=name, lamp_spread=spread)


def belief_of(log_chance: FloatArray) -> FloatArray:
    """Chances that sum to 1. (kinds,)."""
    chances: FloatArray = np.exp(log_chance - logsumexp(log_chance))
    return chances


def belief_in(light: Light) -> FloatArray:
    """How far each kind of lamp is believed of one photo whose cast is known. (kinds,)."""
    steps = np.linspace(-2.5, 2.5, 21)
    weight = np.exp(-0.5 * steps**2)
    casts = float(along_lamps(light.rgb)) + steps * light.cast_spread
    chances = np.log(weight)[:, None] + log_chances(casts[:, None])
    return belief_of(logsumexp(chances, axis=0))
