"""What pieces that wait may be: what their outlines say, and what this studio hung before that looked like them."""

from collections.abc import Mapping, Sequence

import numpy as np
from sqlalchemy.orm import Session

from lucid_swatch.core.colour.arrays import FloatArray
from lucid_swatch.core.garment.likely import Guess
from lucid_swatch.core.garment.shape import overlaps
from lucid_swatch.core.garment.vocabulary import Category
from lucid_swatch.store.photos import Photos
from lucid_swatch.store.records import PhotoRecord, PhotoState

SHOWN, LEAST = 3, 0.01
"""How many guesses are shown, and the chance below which one is none."""
LIKE, TELLS = 0.8, 0.6
"""Overlap of two outlines from which one speaks for the other, and how much it says where they are the same."""


def guesses_of(session: Session, photos: Sequence[PhotoRecord]) -> dict[str, list[Guess]]:
    """What each photo that was read and does not hang may show, likeliest first, by its id."""
    waiting = [one for one in photos if one.reading is not None and one.state is not PhotoState.HUNG]
    if not waiting:
        return {}
    known = Photos(session).hung_shapes()
    shapes = [one.likeness.shape for one in waiting if one.likeness is not None]
    near = iter(overlaps(shapes, [shape for shape, _ in known]))
    categories = [category for _, category in known]
    return {
        one.id: _guessed(one, {} if one.likeness is None else _remembered(next(near), categories)) for one in waiting
    }


def _guessed(photo: PhotoRecord, remembered: Mapping[Category, float]) -> list[Guess]:
    chances = {} if photo.reading is None else dict(photo.reading.guesses)
    for category, said in remembered.items():
        chances[category] = chances.get(category, 0.0) + said
    total = max(sum(chances.values()), 1.0)
    likeliest = sorted(chances.items(), key=lambda one: -one[1])[:SHOWN]
    return [Guess(category, chance / total) for category, chance in likeliest if chance / total >= LEAST]


def _remembered(near: FloatArray, categories: Sequence[Category]) -> dict[Category, float]:
    """What the outline that is nearest among those of a category adds to it. near: (n,), overlap with each that hangs."""
    nearest: dict[Category, float] = {}
    for k in np.flatnonzero(near > LIKE).tolist():
        nearest[categories[k]] = max(nearest.get(categories[k], 0.0), float(near[k]))
    return {one: TELLS * (most - LIKE) / (1 - LIKE) for one, most in nearest.items()}
