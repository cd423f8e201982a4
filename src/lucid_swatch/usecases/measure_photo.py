"""Measure one photo: decode, find the garment, read the light, read the cloth."""

from collections.abc import Callable
from dataclasses import dataclass, replace

from lucid_swatch.core.beside import beside
from lucid_swatch.core.colour.arrays import BoolArray, FloatArray
from lucid_swatch.core.garment.cloth_light import light_from_cloth
from lucid_swatch.core.garment.measurement import Measurement, look_at_cloth, looks_fine, measure_cloth
from lucid_swatch.core.garment.school import BROAD, School
from lucid_swatch.core.photo.card import Sighting, find_card, read_patches
from lucid_swatch.core.photo.card_light import light_from_card
from lucid_swatch.core.photo.light import Light
from lucid_swatch.core.photo.neutral import NeutralPoint, light_from_neutral
from lucid_swatch.core.photo.outline import Outline, enlarged, without_card
from lucid_swatch.core.photo.scene_light import estimate_light
from lucid_swatch.core.problems import Refused
from lucid_swatch.files.photo import Photo
from lucid_swatch.outside.cut_out import CutOut

from .find_garment import find_garment

Progress = Callable[[str], None]


@dataclass(frozen=True, slots=True, eq=False)
class LightSource:
    """What is known of the light beside the photo itself."""

    neutral: NeutralPoint | None = None
    """A white or grey thing that the stylist tapped: it is her word and comes first."""
    series: Light | None = None
    """The light of another photo of the same series, taken in the same room."""
    reader: FloatArray | None = None
    """(3,), CIELAB of the cloth as the colour reader read it."""
    card: FloatArray | None = None
    """(24, 3), CIELAB of the reference card as the colour reader read it once."""


@dataclass(frozen=True, slots=True, eq=False)
class PhotoReading:
    """A photo with all that was read from it."""

    photo: Photo
    outline: Outline
    measurement: Measurement


def measure_photo(
    photo: Photo,
    cut_out: CutOut,
    source: LightSource | None = None,
    school: School = BROAD,
    outline: Outline | None = None,
    progress: Progress = lambda stage: None,
) -> PhotoReading:
    """Everything that is read from a photo.

    outline: given when it is already known, so that relighting does not search again.
    Refused when there is no garment, naming the photo."""
    source = source or LightSource()
    try:
        rgb = photo.rgb_linear
        if outline is None:
            progress("finding the garment")
            seen = cut_out(photo.srgb)
            aside = _seen_aside(photo, rgb, seen > PROBABLY)
            outline = find_garment(photo.srgb, cut_out, seen)
        else:
            aside = _seen_aside(photo, rgb, outline.mask)
        progress("reading the light")
        sighting, larger = aside()
        outline = _without_references(rgb, outline, sighting, source.neutral)
        light = _light(rgb, outline, sighting, source)
        progress("reading the colours")
        if larger is None:
            sight = look_at_cloth(rgb, outline.mask, light)
            larger = photo.finer() if photo.has_finer and sight.fine else None
        if larger is not None:
            progress("looking closer at a fine pattern")
            photo, outline = larger, enlarged(outline, larger.srgb.shape[:2])
            sight = look_at_cloth(photo.rgb_linear, outline.mask, light)
        measurement = measure_cloth(sight, school, source.reader)
    except Refused as problem:
        where = f"{photo.file}: {problem.where}" if problem.where else photo.file
        raise Refused(problem.what, where, problem.do) from None
    return PhotoReading(photo, outline, measurement)


PROBABLY = 0.5


def _seen_aside(photo: Photo, rgb_linear: FloatArray, mask: BoolArray) -> Callable[[], tuple[Sighting, Photo | None]]:
    """What needs no outline and is found beside it: the card, and the larger photo where the cloth asks for it.

    rgb_linear: of the photo, (rows, columns, 3). mask: (rows, columns), about where the garment is."""

    def seen() -> tuple[Sighting, Photo | None]:
        fine = photo.has_finer and bool(mask.any()) and looks_fine(rgb_linear, mask)
        return find_card(photo.largest), photo.finer() if fine else None

    return beside(seen)


def _without_references(
    rgb_linear: FloatArray, outline: Outline, sighting: Sighting, neutral: NeutralPoint | None
) -> Outline:
    """The outline without the card or paper that tells the light."""
    mask = outline.mask
    if sighting.card is not None:
        left = mask & ~sighting.card.region(mask.shape)
        mask = left if left.any() else mask
    if neutral is not None:
        mask = without_card(rgb_linear, mask, neutral.x, neutral.y)
    return replace(outline, mask=mask)


def _light(rgb: FloatArray, outline: Outline, sighting: Sighting, source: LightSource) -> Light:
    """The most trusted light there is: the reader, the stylist's tap, a card in the photo, the series, the scene."""
    if source.reader is not None:
        return light_from_cloth(rgb, outline.mask, source.reader)
    if source.neutral is not None:
        return light_from_neutral(rgb, outline.mask, source.neutral)
    note = sighting.note
    if sighting.card is not None:
        try:
            return light_from_card(read_patches(rgb, sighting.card), source.card)
        except Refused as problem:
            note = f"{problem.what[0].upper()}{problem.what[1:]} {problem.do}"
    light = source.series or estimate_light(rgb, outline.mask)
    return replace(light, note=note) if note else light
