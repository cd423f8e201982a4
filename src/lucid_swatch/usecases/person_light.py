"""The light on a person: a portrait, or a photo taken to compare."""

import numpy as np

from lucid_swatch.core.colour.arrays import BoolArray, FloatArray
from lucid_swatch.core.photo.card import find_card, read_patches
from lucid_swatch.core.photo.card_light import light_from_card
from lucid_swatch.core.photo.light import Light
from lucid_swatch.core.photo.neutral import NeutralPoint, light_from_neutral
from lucid_swatch.core.photo.outline import find_outline
from lucid_swatch.core.photo.scene_light import estimate_light
from lucid_swatch.core.problems import Refused
from lucid_swatch.files.photo import Photo
from lucid_swatch.outside.cut_out import CutOut


def light_on_person(
    measured: FloatArray | None, photo: Photo, cut_out: CutOut, neutral: NeutralPoint | None = None
) -> tuple[Light, BoolArray]:
    """The most trusted light of a portrait, and where the person is.

    measured: (24, 3), CIELAB of the reference card as the colour reader read it once."""
    try:
        person = find_outline(photo.srgb, cut_out(photo.srgb), person=True).mask
    except Refused:
        person = np.ones(photo.srgb.shape[:2], dtype=bool)
    if neutral is not None:
        return light_from_neutral(photo.rgb_linear, person, neutral), person
    card = find_card(photo.largest).card
    if card is not None:
        try:
            return light_from_card(read_patches(photo.rgb_linear, card), measured), person
        except Refused:
            pass  # a card in the shade or the glare: the scene tells more
    return estimate_light(photo.rgb_linear, person), person
