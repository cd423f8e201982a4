"""Photos of one room, as a phone takes them: the same ground, balanced and exposed anew each time."""

import io
from functools import cache

import numpy as np
from PIL import Image

from lucid_swatch.core.garment.vocabulary import Category
from lucid_swatch.demo.studio.cloth import Cloth
from lucid_swatch.demo.studio.scene import Room, Subject, photograph

CLOTHS = {
    "sea-shirt": (Category.SHIRT, (48.0, -18.0, -22.0)),
    "brick-knit": (Category.KNIT, (44.0, 34.0, 28.0)),
    "moss-trousers": (Category.TROUSERS, (40.0, -14.0, 22.0)),
    "plum-skirt": (Category.SKIRT, (30.0, 24.0, -12.0)),
    "straw-top": (Category.TOP, (78.0, 4.0, 34.0)),
}
GROUNDS = ("carpet", "wood", "sheet", "wall")
LEFT = ((1.00, 1.0, 1.00), (1.12, 1.0, 0.82), (1.06, 1.0, 0.91), (1.15, 1.0, 0.79), (1.03, 1.0, 0.95))
"""What the camera left of the lamp in each."""
EXPOSED = (1.0, 0.78, 1.12, 0.85, 1.05)


@cache
def room_photos(ground="carpet", paper="sea-shirt"):
    """(name, bytes) of each photo; paper lies in one, or in none. Returns them as a tuple."""
    photos = []
    for k, (name, (category, lab)) in enumerate(CLOTHS.items()):
        room = Room(ground, LEFT[k], EXPOSED[k], card=name == paper)
        picture, _ = photograph(Subject(category, Cloth((lab,))), room, 300 + k)
        file = io.BytesIO()
        Image.fromarray(np.asarray(picture)).save(file, "JPEG", quality=95)
        photos.append((f"{name}.jpg", file.getvalue()))
    return tuple(photos)
