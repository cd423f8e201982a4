"""Measure one photo: decode, find the garment, read the light, read the cloth."""

from collections.abc import Callable
from dataclasses import dataclass, replace

from lucid_swatch.core.garment.measurement import Measurement, measure_cloth
from lucid_swatch.core.photo.neutral import NeutralPoint, light_from_neutral
from lucid_swatch.core.photo.outline import Outline, find_outline, without_card
from lucid_swatch.core.photo.scene_light import estimate_light
from lucid_swatch.core.problems import Refused
from lucid_swatch.files.photo import Photo
from lucid_swatch.outside.cut_out import CutOut

Progress = Callable[[str], None]


@dataclass(frozen=True, slots=True, eq=False)
class PhotoReading:
    """A photo with all that was read from it."""

    photo: Photo
    outline: Outline
    measurement: Measurement


def measure_photo(
    photo: Photo,
    cut_out: CutOut,
    neutral: NeutralPoint | None = None,
    strict: bool = False,
    outline: Outline | None = None,
    progress: Progress = lambda stage: None,
) -> PhotoReading:
    """Everything that is read from a photo.

    outline: given when it is already known, so that relighting does not search again.
    Refused when there is no garment, naming the photo."""
    try:
        if outline is None:
            progress("finding the garment")
            outline = find_outline(photo.srgb, cut_out(photo.srgb))
        progress("reading the light")
        light_rgb = photo.rgb_linear
        if neutral is not None:
            outline = replace(outline, mask=without_card(light_rgb, outline.mask, neutral.x, neutral.y))
        light = (
            estimate_light(light_rgb, outline.mask)
            if neutral is None
            else light_from_neutral(light_rgb, outline.mask, neutral)
        )
        progress("reading the colours")
        measurement = measure_cloth(light_rgb, outline.mask, light, strict)
    except Refused as problem:
        where = f"{photo.file}: {problem.where}" if problem.where else photo.file
        raise Refused(problem.what, where, problem.do) from None
    return PhotoReading(photo, outline, measurement)
