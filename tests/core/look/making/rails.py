"""A rail to make looks of, and what a whole look is."""

import numpy as np

from lucid_swatch.core.garment.known import as_known
from lucid_swatch.core.garment.piece import Piece
from lucid_swatch.core.garment.vocabulary import Category, Finish
from lucid_swatch.core.look.body import Zone
from lucid_swatch.core.look.dressing.dress import can_be_worn, is_split, zone_of
from lucid_swatch.core.look.dressing.wardrobe import Wardrobe
from lucid_swatch.core.look.making.day import occasion

NAVY, CREAM, TAN, GREY, BLACK, WINE = [21, 4, -22], [89, 2, 16], [57, 15, 29], [58, -1, -4], [15, 0, 0], [28, 30, 12]
CLOTHES = frozenset({Zone.UPPER, Zone.LOWER, Zone.WHOLE, Zone.LAYER})


def piece(id, category, lab, **values):
    return Piece(id, Category(category), np.array([lab], float), np.ones(1), label=id, **values)


RAIL = (
    piece("cream shirt", "shirt", CREAM),
    piece("navy top", "top", NAVY),
    piece("grey knit", "knit", GREY, finish=frozenset({Finish.KNIT})),
    piece("wine knit", "knit", WINE, finish=frozenset({Finish.KNIT})),
    piece("navy trousers", "trousers", NAVY),
    piece("grey skirt", "skirt", GREY),
    piece("tan skirt", "skirt", TAN),
    piece("navy dress", "dress", NAVY),
    piece("navy coat", "coat", NAVY),
    piece("grey jacket", "jacket", GREY),
    piece("tan shoes", "shoes", TAN, finish=frozenset({Finish.LEATHER})),
    piece("navy shoes", "shoes", NAVY, finish=frozenset({Finish.SUEDE})),
    piece("tan bag", "bag", TAN, finish=frozenset({Finish.LEATHER})),
    piece("navy bag", "bag", NAVY),
    piece("tan belt", "belt", TAN),
    piece("wine scarf", "scarf", WINE),
    piece("navy tie", "tie", NAVY),
)


def rail(**values):
    return Wardrobe(RAIL, **values)


def clothes(wardrobe, ids):
    """The garments of a look, which no other look of a set shares."""
    return frozenset(id for id in ids if zone_of(wardrobe.by_id[id].category) in CLOTHES)


def faults(wardrobe, wanted, ids):
    """What keeps a look from being whole, in words."""
    pieces = [as_known(wardrobe.by_id[id]) for id in ids]
    zones = {zone_of(p.category) for p in pieces}
    dressed = Zone.WHOLE in zones or {Zone.UPPER, Zone.LOWER} <= zones
    whole_sets = [one for one in wardrobe.sets if can_be_worn([wardrobe.by_id[id].category for id in one])]
    formal = [p.formality for p in pieces if zone_of(p.category) in CLOTHES | {Zone.FEET} and p.formality is not None]
    span = occasion(wanted)
    found = {
        "undressed": not dressed,
        "barefoot": Zone.FEET not in zones,
        "worn twice": not can_be_worn([p.category for p in (*pieces, *wardrobe.always)]),
        "a set is split": is_split([*ids, *(p.id for p in wardrobe.always)], whole_sets),
        "barred": bool(set(ids) & wardrobe.barred.keys()),
        "formality": span is not None and bool(formal) and not span[0] - 0.01 <= np.mean(formal) <= span[1] + 0.01,
        "warmth": wanted.warmth is not None
        and any(p.warmth is not None and abs(p.warmth - wanted.warmth) > 1.5 for p in pieces),
        "suffers from rain": wanted.wet and any(p.finish & {Finish.SUEDE, Finish.STRAW} for p in pieces),
    }
    return [what for what, so in found.items() if so]
