"""What a photo tells of the cut and the cloth of the piece in it, once it is known what it is."""

from dataclasses import replace

import cv2
import numpy as np

from lucid_swatch.core.colour.arrays import BoolArray
from lucid_swatch.core.garment.closer import Shows
from lucid_swatch.core.garment.cut import cut_seen
from lucid_swatch.core.garment.seen import NOTHING, Seen
from lucid_swatch.core.garment.vocabulary import Category
from lucid_swatch.store.records import PhotoRecord

SIDE = 480
"""Pixels of the long side at which a kept outline is looked at."""


def seen_in(photo: PhotoRecord, category: Category) -> Seen:
    """What a photo that was read tells of a piece of a category; nothing where it has no reading or no outline."""
    if photo.reading is None:
        return NOTHING
    mask = outline_mask(photo)
    cut = NOTHING if mask is None else cut_seen(mask, category, photo.reading.front)
    return replace(cut, finish=photo.reading.finishes(category))


def outline_mask(photo: PhotoRecord) -> BoolArray | None:
    """The kept outline of a photo as a mask, (rows, columns) in the photo's proportion; None where nothing is in it."""
    if not photo.outline or photo.reading is None:
        return None
    told = photo.reading.document["photo"]
    scale = SIDE / max(told["width"], told["height"])
    size = np.array([max(2, round(told["width"] * scale)), max(2, round(told["height"] * scale))])
    mask = np.zeros((size[1], size[0]), np.uint8)
    # one after the other: an outline in an outline is a hole
    cv2.fillPoly(mask, [np.round(np.array(one) * (size - 1)).astype(np.int32) for one in photo.outline], 1)
    return None if not mask.any() else mask > 0


def close_look(shows: Shows) -> str:
    """The name of the picture of a close look."""
    return f"closer-{shows.value}.jpg"
