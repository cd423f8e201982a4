"""What follows from a client's colouring: how well colours suit it, and the ranges of those that do."""

from dataclasses import dataclass
from functools import cache

import numpy as np

from ..colour.arrays import BoolArray, FloatArray
from ..colour.names import name_colours
from ..colour.spaces import chroma, hue_angle, lab_to_rgb_linear
from ..garment.neutrals import neutrality
from ..garment.school import BROAD, School
from ..garment.vocabulary import Metal
from .drapes import places_of
from .reading import Estimate, FaceReading
from .trial import STEPS, UNDERTONES, WEIGHTS

REACH = 0.5
"""Distance of places at which a colour suits six tenths as well as the best."""
WELL = 0.62
"""Of the best colour's fit, from which a colour or a piece is in the client's range."""
CONTRAST_OPENS = 90.0
"""L* of contrast in a face that doubles how far from its own depth it carries a colour."""
DEPTH_COUNTS = 0.6
"""Of its weight in a trial: a whole wardrobe reaches further from a face's own depth than one drape does."""
UNKNOWN_DOUBT = 0.6
"""Standard deviation taken for what nobody has read."""
AXES = (np.linspace(-1, 1, len(UNDERTONES)), STEPS, STEPS)
"""Where undertone, depth and clarity are believed to lie."""
SHOWN = {"neutrals": 8, "tones": 12}


@dataclass(frozen=True, slots=True, eq=False)
class ColourRange:
    """Some colours that suit, varied, and the range they are taken from."""

    lab: FloatArray
    """(n, 3), by hue and from light to dark."""
    names: tuple[str, ...]
    fit: FloatArray
    """(n,), 0..1."""
    lightness: tuple[float, float]
    """L* between which four fifths of the colours lie that suit well."""
    chroma: tuple[float, float]


@dataclass(frozen=True, slots=True)
class Suits:
    """What suits a client."""

    neutrals: ColourRange
    tones: ColourRange
    metals: tuple[tuple[Metal, float], ...]
    """Metals with the chance that each sits with the skin, the best first."""


def fit_of(lab: FloatArray, reading: FaceReading) -> FloatArray:
    """How well colours suit a colouring, expected over what is not known of it, 0..1. (n, 3) to (n,).

    Undertone, depth and clarity are believed apart from each other, so that the fit is the product of three."""
    contrast = reading.contrast.value if reading.contrast.known else 40.0
    stretch = WEIGHTS * np.array([1.0, DEPTH_COUNTS / (1.0 + contrast / CONTRAST_OPENS), 1.0])
    believed = (reading.undertone, reading.depth, reading.clarity)
    fit = np.ones(len(lab))
    for place, axis, estimate, reach in zip(places_of(lab).T, AXES, believed, REACH / stretch, strict=True):
        fit *= np.exp(-0.5 * ((place[:, None] - axis) / reach) ** 2) @ _bell(axis, estimate)
    return fit


def _bell(axis: FloatArray, estimate: Estimate) -> FloatArray:
    middle, doubt = (estimate.value, max(estimate.doubt, 0.05)) if estimate.known else (axis.mean(), UNKNOWN_DOUBT)
    chance = np.exp(-0.5 * ((axis - middle) / doubt) ** 2)
    answer: FloatArray = chance / chance.sum()
    return answer


@cache
def cloth_colours() -> FloatArray:
    """Colours that cloth has, evenly over lightness, chroma and hue. (n, 3), CIELAB."""
    lightness, strength, hue = np.meshgrid(
        np.arange(16, 97, 8.0), [1.0, 5, 9, 14, 20, 28, 38, 50, 64], np.arange(0, 360, 15.0)
    )
    lab = np.stack(
        [lightness, strength * np.cos(np.radians(hue)), strength * np.sin(np.radians(hue))], axis=-1
    ).reshape(-1, 3)
    light = lab_to_rgb_linear(lab)
    shown = ((light > -0.002) & (light < 1.002)).all(axis=1)
    # as strong as dyes are: a very pale or very dark cloth is never vivid
    dyed = chroma(lab) < 74 * np.sin(np.pi * np.clip(lab[:, 0] / 100, 0.05, 0.97)) ** 0.6
    answer: FloatArray = lab[shown & dyed]
    return answer


def what_suits(reading: FaceReading, school: School = BROAD) -> Suits:
    """The neutrals, tones and metals that sit with a colouring. school: what counts as a neutral."""
    lab = cloth_colours()
    fit = fit_of(lab, reading)
    neutral = neutrality(lab, school) > 0.6
    tone = neutrality(lab, school) < 0.3
    return Suits(_range(lab, fit, neutral, SHOWN["neutrals"]), _range(lab, fit, tone, SHOWN["tones"]), _metals(reading))


def _range(lab: FloatArray, fit: FloatArray, kind: BoolArray, count: int) -> ColourRange:
    lab, fit = lab[kind], fit[kind]
    well = fit >= WELL * fit.max()
    names = name_colours(lab[well], neutrality(lab[well]) > 0.5)
    chosen = _varied(lab[well], fit[well], names, count)
    lightness, strength = lab[well][:, 0], chroma(lab[well])
    low, high = np.quantile(lightness, [0.1, 0.9])
    weak, strong = np.quantile(strength, [0.1, 0.9])
    return ColourRange(
        lab[well][chosen],
        tuple(names[k] for k in chosen),
        fit[well][chosen],
        (float(low), float(high)),
        (float(weak), float(strong)),
    )


APART = 55.0
"""CIELAB units, lightness counted half, beyond which two colours are as varied as they need be."""


def _varied(lab: FloatArray, fit: FloatArray, names: list[str], count: int) -> list[int]:
    """The places of some good and varied colours, each with a name of its own.

    Source: maximal marginal relevance, Carbonell and Goldstein 1998."""
    seen = lab * np.array([0.6, 1.0, 1.0])
    chosen = [int(fit.argmax())]
    told = np.array(names)
    while len(chosen) < min(count, len(set(names))):
        nearest = np.linalg.norm(seen[:, None] - seen[chosen][None], axis=2).min(axis=1)
        worth = 0.5 * fit / fit.max() + 0.5 * np.minimum(nearest / APART, 1)
        worth[np.isin(told, told[chosen])] = -1
        chosen.append(int(worth.argmax()))
    # told as a person lays them out: by hue, then from light to dark
    return sorted(chosen, key=lambda k: (float(chroma(lab[k])) > 6, round(float(hue_angle(lab[k])) / 45), -lab[k][0]))


def _metals(reading: FaceReading) -> tuple[tuple[Metal, float], ...]:
    """Yellow metal sits with warm skin, white metal with cool skin, rose between them."""
    axis = np.linspace(-1, 1, 81)
    chance = _bell(axis, reading.undertone)
    sits = {
        Metal.GOLD: chance @ (1 / (1 + np.exp(-5 * (axis + 0.1)))),
        Metal.SILVER: chance @ (1 / (1 + np.exp(5 * (axis - 0.1)))),
        Metal.ROSE: chance @ np.exp(-0.5 * ((axis - 0.1) / 0.45) ** 2),
    }
    return tuple(sorted(((metal, float(value)) for metal, value in sits.items()), key=lambda one: -one[1]))


def in_range(colours: list[tuple[FloatArray, FloatArray]], reading: FaceReading) -> list[tuple[float, bool]]:
    """How well pieces suit a colouring, and whether each is in the client's range.

    colours: CIELAB, (n, 3), and shares, (n,), of each piece."""
    if not colours:
        return []
    best = float(fit_of(cloth_colours(), reading).max())
    lengths = [len(share) for _, share in colours]
    every = np.split(fit_of(np.concatenate([lab for lab, _ in colours]), reading), np.cumsum(lengths)[:-1])
    fits = [float(fit @ share / share.sum()) for fit, (_, share) in zip(every, colours, strict=True)]
    return [(fit / best, fit >= WELL * best) for fit in fits]
