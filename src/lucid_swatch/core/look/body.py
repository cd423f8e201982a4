"""Where categories are worn: area, nearness to the face, what covers what."""

from enum import StrEnum

from ..garment.vocabulary import Category as C


class Zone(StrEnum):
    """Parts of the figure that a category fills."""

    LAYER = "layer"
    UPPER = "upper"
    LOWER = "lower"
    WHOLE = "whole"
    FEET = "feet"
    LEGS = "legs"
    HEAD = "head"
    NECK = "neck"
    WAIST = "waist"
    HAND = "hand"


ZONES: dict[C, Zone] = {
    C.COAT: Zone.LAYER, C.JACKET: Zone.LAYER, C.WAISTCOAT: Zone.LAYER, C.WRAP: Zone.LAYER,
    C.TOP: Zone.UPPER, C.SHIRT: Zone.UPPER, C.KNIT: Zone.UPPER, C.TUNIC: Zone.UPPER,
    C.SKIRT: Zone.LOWER, C.TROUSERS: Zone.LOWER, C.SHORTS: Zone.LOWER,
    C.DRESS: Zone.WHOLE, C.JUMPSUIT: Zone.WHOLE,
    C.SHOES: Zone.FEET, C.BOOTS: Zone.FEET, C.HOSIERY: Zone.LEGS,
    C.HAT: Zone.HEAD, C.EARRINGS: Zone.HEAD, C.EYEWEAR: Zone.HEAD, C.HAIR_PIECE: Zone.HEAD, C.HEADSCARF: Zone.HEAD,
    C.SCARF: Zone.NECK, C.NECKLACE: Zone.NECK, C.TIE: Zone.NECK, C.POCKET_SQUARE: Zone.NECK, C.BROOCH: Zone.NECK,
    C.BELT: Zone.WAIST, C.BAG: Zone.HAND, C.BRACELET: Zone.HAND, C.WATCH: Zone.HAND, C.GLOVES: Zone.HAND,
    C.RING: Zone.HAND, C.CUFFLINKS: Zone.HAND,
}  # fmt: skip

# Visible area before layering, in hundredths of a figure.
AREAS: dict[C, float] = {
    C.DRESS: 60, C.COAT: 45, C.TROUSERS: 34, C.JUMPSUIT: 60, C.JACKET: 25, C.TOP: 28, C.SHIRT: 28, C.KNIT: 28,
    C.SKIRT: 28, C.SHORTS: 18, C.HOSIERY: 10, C.BOOTS: 8, C.SHOES: 5, C.BAG: 6, C.SCARF: 6, C.HAT: 5, C.NECKLACE: 1,
    C.TIE: 3, C.BELT: 1.5, C.WAISTCOAT: 15, C.TUNIC: 38, C.WRAP: 40, C.HEADSCARF: 6, C.GLOVES: 2,
}  # fmt: skip
OTHER_AREA = 0.5
LARGE_NECKLACE_AREA = 3.0


def area_of(category: C) -> float:
    """Visible area of a category before layering, in hundredths of a figure."""
    return AREAS.get(category, OTHER_AREA)


NEARNESS: dict[Zone, float] = {
    Zone.HEAD: 1.0, Zone.NECK: 1.0, Zone.UPPER: 0.9, Zone.LAYER: 0.8, Zone.WHOLE: 0.85, Zone.WAIST: 0.3,
    Zone.HAND: 0.3, Zone.LOWER: 0.2, Zone.LEGS: 0.15, Zone.FEET: 0.1,
}  # fmt: skip

ACCESSORY_ZONES = (Zone.FEET, Zone.HEAD, Zone.NECK, Zone.WAIST, Zone.HAND)
