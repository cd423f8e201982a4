"""A client's colouring in a few plain words: no type, no chart."""

from collections.abc import Sequence
from dataclasses import dataclass

from ...client.reading import FaceReading
from ...client.suits import in_range
from ...garment.piece import Piece
from ..body import ZONES, Zone

WARM, PALE, DEEP, SOFT, CLEAR = 0.25, 0.33, 0.62, 0.42, 0.58
"""On the scales of a reading: from where an undertone is spoken of, and where light, deep, soft and clear begin."""
GENTLE, STRONG = 28.0, 48.0
"""L* between which the contrast of a face is neither."""
CLOTHS = 12
"""Pieces that are shown as cloth."""
AT_THE_FACE = (Zone.UPPER, Zone.LAYER, Zone.WHOLE, Zone.NECK, Zone.HEAD)


@dataclass(frozen=True, slots=True, eq=False)
class PlainColouring:
    """What a book says of a colouring."""

    sentences: tuple[str, ...]
    cloths: tuple[Piece, ...]
    """Pieces of the rail that sit with it, the best first."""


def plain_colouring(reading: FaceReading, rail: Sequence[Piece]) -> PlainColouring:
    """A colouring in words and in cloth of the client's own."""
    fits = in_range([(piece.lab, piece.share) for piece in rail], reading)
    inside = [(fit, piece) for (fit, well), piece in zip(fits, rail, strict=True) if well]
    near = [(fit, piece) for fit, piece in inside if ZONES[piece.category] in AT_THE_FACE]
    best = sorted(near, key=lambda one: (-one[0], one[1].id))[:CLOTHS]
    return PlainColouring(tuple(_sentences(reading)), tuple(piece for _, piece in best))


def _sentences(reading: FaceReading) -> list[str]:
    told = []
    if reading.undertone.known:
        side = reading.undertone.value
        if side > WARM:
            told.append(
                "Your skin is warm: cloth with some gold in it sits best at your face, and yellow metal with it."
            )
        elif side < -WARM:
            told.append(
                "Your skin is cool: cloth with some blue in it sits best at your face, and white metal with it."
            )
        else:
            told.append(
                "Your skin is neither warm nor cool, so both may come to your face, and gold as well as silver."
            )
    if reading.contrast.known:
        step = reading.contrast.value
        how = "far apart" if step > STRONG else "close together" if step < GENTLE else "a fair step apart"
        take = (
            "you carry light against dark"
            if step > STRONG
            else "looks that stay near one lightness are yours"
            if step < GENTLE
            else "looks with one clear step from light to dark are yours"
        )
        told.append(f"Skin, hair and eyes lie {how} from light to dark: {take}.")
    if reading.clarity.known:
        clear = reading.clarity.value
        if clear > CLEAR:
            told.append("Clear colours suit you better than dusty ones.")
        elif clear < SOFT:
            told.append("Soft colours suit you better than bright ones.")
    if reading.depth.known:
        deep = reading.depth.value
        if deep < PALE:
            told.append("As a whole you are light, and light cloth is never lost on you.")
        elif deep > DEEP:
            told.append("As a whole you are deep, and deep cloth never weighs you down.")
    return told
