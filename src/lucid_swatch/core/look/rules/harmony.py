"""Harmony: do the colours of a look belong together?"""

import numpy as np

from ..scorer.batch import LookBatch, across
from ..scorer.points import Measured, Points
from .accents import clarity, competing, held, pop, stark
from .echoes import accents_of_prints, echo, foot_answers, prints_together
from .habits import (
    animal_prints,
    black_in_summer,
    black_with_denim,
    brown_with_blue,
    one_metal,
    pale_accessories,
    shoes_and_bag,
    whites,
)
from .temperature import metal_side, temperature

USUAL = 0.45
"""Harmony that pairs of colours in a wardrobe are usually predicted to have."""


def measure_harmony(batch: LookBatch) -> Measured:
    """Points for every look of a batch."""
    return Measured(
        batch.weights.starts["harmony"],
        (
            _base(batch),
            *temperature(batch),
            metal_side(batch),
            one_metal(batch),
            stark(batch),
            pale_accessories(batch),
            *pop(batch),
            competing(batch),
            held(batch),
            clarity(batch),
            echo(batch),
            foot_answers(batch),
            accents_of_prints(batch),
            prints_together(batch),
            animal_prints(batch),
            brown_with_blue(batch),
            black_with_denim(batch),
            whites(batch),
            shoes_and_bag(batch),
            black_in_summer(batch),
        ),
    )


def _base(batch: LookBatch) -> Points:
    weight = across(np.multiply, batch.area)
    total = weight.sum(axis=0)
    weight *= batch.between("harmony")
    mean = weight.sum(axis=0) / np.maximum(total, 1e-9)
    values = batch.weights.points["colours-together"] * (mean - USUAL).clip(-1, 1) * (total > 0)
    return Points(
        "colours-together",
        values,
        lambda i: batch.present[:, i],
        lambda i: f"side by side the colours predict a harmony of {mean[i]:.2f}, where {USUAL} is usual",
    )
