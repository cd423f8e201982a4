"""Measure one photo: decode, find the garment, see what tells the light, read the cloth."""

from collections.abc import Callable
from dataclasses import dataclass, replace

import numpy as np

from lucid_swatch.core.beside import beside
from lucid_swatch.core.colour.arrays import BoolArray, FloatArray
from lucid_swatch.core.garment.cloth_light import light_from_cloth
from lucid_swatch.core.garment.measurement import Measurement, look_at_cloth, looks_fine, measure_cloth
from lucid_swatch.core.garment.school import BROAD, School
from lucid_swatch.core.photo.card import Sighting, find_card, read_patches
from lucid_swatch.core.photo.card_light import light_from_card
from lucid_swatch.core.photo.evidence import Evidence
from lucid_swatch.core.photo.light import Light
from lucid_swatch.core.photo.neutral import NeutralPoint, light_from_neutral, light_from_sheet
from lucid_swatch.core.photo.outline import Outline, enlarged, without_card
from lucid_swatch.core.photo.paper import Sheet, find_sheets
from lucid_swatch.core.photo.room import OWN_WORD, light_alone
from lucid_swatch.core.photo.room_ground import ground_of
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
    """The light of another photo of the same series, or of the room, taken as it is."""
    reader: FloatArray | None = None
    """(3,), CIELAB of the cloth as the colour reader read it."""
    card: FloatArray | None = None
    """(24, 3), CIELAB of the reference card as the colour reader read it once."""
    paper: bool | None = None
    """Whether what may be paper is paper, where the stylist said so."""


@dataclass(frozen=True, slots=True, eq=False)
class SeenPhoto:
    """A photo with the garment found in it; its cloth is not read yet."""

    photo: Photo
    outline: Outline
    evidence: Evidence
    closer: Photo | None
    """The larger photo, where the cloth asks for it."""


@dataclass(frozen=True, slots=True, eq=False)
class PhotoReading:
    """A photo with all that was read from it."""

    photo: Photo
    outline: Outline
    measurement: Measurement
    evidence: Evidence


def measure_photo(
    photo: Photo,
    cut_out: CutOut,
    source: LightSource | None = None,
    school: School = BROAD,
    outline: Outline | None = None,
    progress: Progress = lambda stage: None,
) -> PhotoReading:
    """Everything that is read from a photo by itself.

    outline: given when it is already known, so that relighting does not search again.
    Refused when there is no garment, naming the photo."""
    source = source or LightSource()
    seen = see_photo(photo, cut_out, source, outline, progress)
    light = light_alone(seen.evidence.own)
    if source.series is not None and seen.evidence.own.reference not in OWN_WORD:
        light = replace(source.series, note=seen.evidence.own.note)
    return read_seen(seen, light, school, source.reader, progress)


def see_photo(
    photo: Photo,
    cut_out: CutOut,
    source: LightSource | None = None,
    outline: Outline | None = None,
    progress: Progress = lambda stage: None,
) -> SeenPhoto:
    """Where the garment is, and what the photo tells of its light. Refused when there is no garment, naming the photo."""
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
        # what is printed on a card is neither paper nor grey
        sheets = () if sighting.card is not None else tuple(find_sheets(photo.srgb, outline.mask))
        used = _used(sheets, source)
        outline = _without_references(rgb, outline, sighting, used, source.neutral)
        evidence = _evidence(rgb, outline.mask, sighting, sheets, used, source)
    except Refused as problem:
        raise _named(problem, photo) from None
    return SeenPhoto(photo, outline, evidence, larger)


def read_seen(
    seen: SeenPhoto,
    light: Light,
    school: School = BROAD,
    told: FloatArray | None = None,
    progress: Progress = lambda stage: None,
) -> PhotoReading:
    """The cloth of a photo in a light.

    told: (3,), CIELAB of the cloth as the colour reader read it. Refused when nothing can be read, naming the photo."""
    photo, outline, larger = seen.photo, seen.outline, seen.closer
    progress("reading the colours")
    try:
        if larger is None:
            sight = look_at_cloth(photo.rgb_linear, outline.mask, light)
            larger = photo.finer() if photo.has_finer and sight.fine else None
        if larger is not None:
            progress("looking closer at a fine pattern")
            photo, outline = larger, enlarged(outline, larger.srgb.shape[:2])
            sight = look_at_cloth(photo.rgb_linear, outline.mask, light)
        measurement = measure_cloth(sight, school, told)
    except Refused as problem:
        raise _named(problem, photo) from None
    return PhotoReading(photo, outline, measurement, seen.evidence)


def _named(problem: Refused, photo: Photo) -> Refused:
    where = f"{photo.file}: {problem.where}" if problem.where else photo.file
    return Refused(problem.what, where, problem.do)


PROBABLY = 0.5


def _seen_aside(photo: Photo, rgb_linear: FloatArray, mask: BoolArray) -> Callable[[], tuple[Sighting, Photo | None]]:
    """What needs no outline and is found beside it: the card, and the larger photo where the cloth asks for it.

    rgb_linear: of the photo, (rows, columns, 3). mask: (rows, columns), about where the garment is."""

    def seen() -> tuple[Sighting, Photo | None]:
        fine = photo.has_finer and bool(mask.any()) and looks_fine(rgb_linear, mask)
        return find_card(photo.largest), photo.finer() if fine else None

    return beside(seen)


def _used(sheets: tuple[Sheet, ...], source: LightSource) -> tuple[Sheet, ...]:
    """The sheets that are believed to be paper."""
    if source.paper is False:
        return ()
    sure = tuple(sheet for sheet in sheets if sheet.sure)
    return sheets[:1] if source.paper and not sure else sure


def _without_references(
    rgb_linear: FloatArray,
    outline: Outline,
    sighting: Sighting,
    sheets: tuple[Sheet, ...],
    neutral: NeutralPoint | None,
) -> Outline:
    """The outline without the card or paper that tells the light."""
    mask = outline.mask
    regions = [sheet.region(mask.shape) for sheet in sheets]
    if sighting.card is not None:
        regions.append(sighting.card.region(mask.shape))
    for region in regions:
        left = mask & ~region
        mask = left if left.any() else mask
    if neutral is not None:
        mask = without_card(rgb_linear, mask, neutral.x, neutral.y)
    return replace(outline, mask=mask)


def _evidence(
    rgb: FloatArray,
    mask: BoolArray,
    sighting: Sighting,
    sheets: tuple[Sheet, ...],
    used: tuple[Sheet, ...],
    source: LightSource,
) -> Evidence:
    """The most trusted light that the photo tells: the reader, the stylist's tap, a card in it, paper in it, the scene."""
    guessed = estimate_light(rgb, mask)
    covered = np.logical_or.reduce([mask, *(sheet.region(mask.shape) for sheet in sheets)])
    if sighting.card is not None:
        covered = covered | sighting.card.region(mask.shape)
    ground = ground_of(rgb, covered)
    own, sheet, note = guessed, None, sighting.note
    if source.reader is not None:
        own, note = light_from_cloth(rgb, mask, source.reader), ""
    elif source.neutral is not None:
        own, note = light_from_neutral(rgb, mask, source.neutral, guessed), ""
    else:
        carded = None
        if sighting.card is not None:
            try:
                carded = light_from_card(read_patches(rgb, sighting.card), source.card)
            except Refused as problem:
                note = f"{problem.what[0].upper()}{problem.what[1:]} {problem.do}"
        if carded is not None:
            own = carded
        elif used:
            sheet = used[0].colour
            own = light_from_sheet(sheet, guessed)
    return Evidence(replace(own, note=note) if note else own, guessed, ground, sheets, sheet)
