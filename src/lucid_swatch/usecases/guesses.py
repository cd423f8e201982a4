"""What pieces that wait may be: what their outlines say, and what this studio hung before that looked like them."""

from collections.abc import Sequence

from sqlalchemy.orm import Session

from lucid_swatch.core.garment.likely import Guess
from lucid_swatch.core.garment.shape import overlap
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
    known = Photos(session).hung_shapes() if waiting else []
    return {one.id: _guessed(one, known) for one in waiting}


def _guessed(photo: PhotoRecord, known: Sequence[tuple[str, Category]]) -> list[Guess]:
    chances = {} if photo.reading is None else dict(photo.reading.guesses)
    if photo.likeness is not None:
        for category, said in _remembered(photo.likeness.shape, known).items():
            chances[category] = chances.get(category, 0.0) + said
    total = max(sum(chances.values()), 1.0)
    likeliest = sorted(chances.items(), key=lambda one: -one[1])[:SHOWN]
    return [Guess(category, chance / total) for category, chance in likeliest if chance / total >= LEAST]


def _remembered(shape: str, known: Sequence[tuple[str, Category]]) -> dict[Category, float]:
    """What the outline that is nearest among those of a category adds to it."""
    nearest: dict[Category, float] = {}
    for other, category in known:
        nearest[category] = max(nearest.get(category, 0.0), overlap(shape, other))
    return {one: TELLS * (near - LIKE) / (1 - LIKE) for one, near in nearest.items() if near > LIKE}
