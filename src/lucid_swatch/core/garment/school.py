"""The school of neutrals in force, and how far this studio's borders lie beside the usual ones."""

from dataclasses import dataclass

import numpy as np

from ..colour.arrays import FloatArray

REACH = 9.0
"""CIELAB units over which a leaning fades to six tenths."""
MOST_WARMTH, MOST_LIMIT = 0.35, 0.25
"""The most by which one leaning moves a temperature, and the logarithm of the chroma that a neutral may have."""


@dataclass(frozen=True, slots=True)
class Leaning:
    """A border moved a little, round one colour, because this studio hangs it elsewhere."""

    lab: tuple[float, float, float]
    """CIELAB of the colour round which it moves."""
    warmth: float = 0.0
    """Added to the temperature there."""
    limit: float = 0.0
    """Added there to the logarithm of the chroma up to which a colour is a neutral."""


@dataclass(frozen=True, slots=True)
class School:
    """What counts as a neutral."""

    strict: bool = False
    """Greys, whites, blacks, beiges and browns only; otherwise also navy, denim, olive, khaki and metal."""
    leanings: tuple[Leaning, ...] = ()


BROAD, STRICT = School(), School(strict=True)


def warmth_shift(lab: FloatArray, school: School) -> FloatArray:
    """What a studio's leanings add to the temperature of colours. (..., 3) to (...,)."""
    return _summed(lab, [(one.lab, one.warmth) for one in school.leanings], MOST_WARMTH)


def limit_factor(lab: FloatArray, school: School) -> FloatArray:
    """By what a studio's leanings multiply the chroma of the border to the tones. (..., 3) to (...,)."""
    factor: FloatArray = np.exp(_summed(lab, [(one.lab, one.limit) for one in school.leanings], MOST_LIMIT))
    return factor


def _summed(lab: FloatArray, moves: list[tuple[tuple[float, float, float], float]], most: float) -> FloatArray:
    total = np.zeros(np.shape(lab)[:-1])
    for centre, amount in moves:
        if amount:
            away = ((lab - np.array(centre)) ** 2).sum(axis=-1)
            total = total + amount * np.exp(-0.5 * away / REACH**2)
    held: FloatArray = np.clip(total, -most, most)
    return held
