"""Which piece that does not hang there would open looks: quiet colours first, as a stylist would."""

from dataclasses import dataclass, replace

import numpy as np

from ...colour.arrays import BoolArray, FloatArray, IntArray
from ...garment.piece import Piece
from ...garment.vocabulary import Category as C
from ..body import Zone
from ..dressing.dress import zone_of
from ..dressing.mends import WANTED, wanted_names
from ..dressing.outfits import GOOD
from ..dressing.wardrobe import NOTHING, Wardrobe
from .bases import base_rows
from .day import CLOTHES
from .judging import Judging
from .material import Material
from .wanted import Wanted

ASKED = (C.TOP, C.KNIT, C.TROUSERS, C.SKIRT, C.JACKET, C.SHOES)
"""Categories that are asked for."""
DRESSING_LIFTS = 6.0
"""Points that accessories add to a base look, as a rule: what lies so far below a good look becomes one."""


@dataclass(frozen=True, slots=True)
class Opening:
    """A piece that would open looks."""

    category: C
    lab: tuple[float, float, float]
    name: str
    """The colour and what it is, as in 'navy trousers'."""
    opens: int
    """Different good looks, by their clothes, that there would be more."""


def openings(wardrobe: Wardrobe, wanted: Wanted) -> tuple[int, list[Opening]]:
    """How many different good looks a question has now, and what one more piece would open, most first.

    Base looks are counted, by their clothes, as far as dressing them would make them good."""
    colours = wanted_names(wardrobe.conventions.school)
    strangers = {
        f"a stranger {k} {category.value}": (category, k, _stranger(f"a stranger {k} {category.value}", category, lab))
        for category in ASKED
        for k, lab in enumerate(WANTED)
    }
    wider = replace(wardrobe, pieces=(*wardrobe.pieces, *(piece for _, _, piece in strangers.values())))
    material = Material(wider, wanted)
    judging = Judging(material)
    places = tuple(material.place[id] for id in strangers)
    found = [base_rows(judging, start, places) for start in material.starts if material.worn_together(start.all)]
    good = [rows[wholes >= GOOD - DRESSING_LIFTS][:, :4] for rows, wholes in found if len(rows)]
    rows = np.concatenate([np.zeros((0, 4), np.intp), *good])
    keys = _clothes_keys(material, rows)
    stranger = np.isin(rows, places)
    now = set(keys[~stranger.any(axis=1)].tolist())
    opened = []
    for id, place in zip(strangers, places, strict=True):
        category, k, _ = strangers[id]
        with_it = set(keys[(rows == place).any(axis=1)].tolist())
        opened.append(Opening(category, tuple(WANTED[k].tolist()), _called(colours[k], category), len(with_it - now)))
    return len(now), sorted((one for one in opened if one.opens), key=lambda one: -one.opens)


def _stranger(id: str, category: C, lab: FloatArray) -> Piece:
    return Piece(id, category, lab[None, :], np.ones(1), label=id)


def _called(colour: str, category: C) -> str:
    return f"{colour} {category.value}" if category in PLURAL else f"a {colour} {category.value}"


PLURAL = frozenset({C.TROUSERS, C.SHOES})


def _clothes_keys(material: Material, rows: IntArray) -> IntArray:
    """A number for each base look that is the same where its clothes are. (n, 4) to (n,)."""
    clothes: BoolArray = np.array([zone_of(piece.category) in CLOTHES for piece in material.known] + [False])
    worn = np.sort(np.where(clothes[rows], rows, NOTHING), axis=1)
    _, keys = np.unique(worn, axis=0, return_inverse=True)
    numbered: IntArray = keys.reshape(-1)
    return numbered


def lacks_zone(material: Material) -> str | None:
    """What no look of a rail can be whole without and nothing of it may come; None where all is there."""
    there = {zone_of(material.known[k].category) for k in material.usable}
    there |= {zone_of(piece.category) for piece in material.wardrobe.always}
    if Zone.WHOLE not in there and Zone.UPPER not in there:
        return "a top, a shirt or a knit"
    if Zone.WHOLE not in there and Zone.LOWER not in there:
        return "trousers, a skirt or a dress"
    return None if Zone.FEET in there else "a pair of shoes"
