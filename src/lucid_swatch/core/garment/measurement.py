"""From the pixels of a photo and the outline of a garment to everything that is read from it."""

from dataclasses import dataclass, replace

import numpy as np

from ..beside import beside
from ..colour.arrays import BoolArray, FloatArray
from ..colour.spaces import chroma, lab_to_rgb_linear, rgb_linear_to_lab
from ..photo.clipping import restore_clipped
from ..photo.light import NINE_IN_TEN, Light, light_doubt, relit
from .deepest import deepest_part
from .front import NOTHING_ON_IT, Front, look_at_front
from .hardware import Hardware, read_hardware
from .palette import Palette, read_palette, run_length
from .pattern import Pattern, read_pattern
from .piece import Piece
from .school import BROAD, School
from .sorting import Sorted, sort_colours, sort_prints
from .surface import Surface, read_surface, yarn_chroma
from .vocabulary import Category, Part, PatternType


@dataclass(frozen=True, slots=True, eq=False)
class Measurement:
    """What was read."""

    lab: FloatArray
    """(n, 3), largest share first."""
    share: FloatArray
    uncertainty: FloatArray
    """(n,), CIEDE2000 that holds the true colour nine times in ten."""
    parts: tuple[Part, ...]
    names: tuple[str, ...]
    pattern: Pattern
    surface: Surface
    hardware: Hardware | None
    """The metal that shows on a plain cloth."""
    sorted: Sorted
    light: Light
    palette: Palette
    threads: FloatArray | None
    """(k, 3), the yarns of a marl whose mean stands in lab."""
    yarns: float
    """How much the colour changes from thread to thread."""
    front: Front = NOTHING_ON_IT
    """The neck and the buttons that show."""


@dataclass(frozen=True, slots=True, eq=False)
class Sight:
    """A garment as it looks in daylight, with its few colours; nothing is concluded yet."""

    lab: FloatArray
    """(rows, columns, 3), the rectangle round the garment."""
    inside: BoolArray
    """(rows, columns), the garment in it."""
    palette: Palette
    yarns: float
    """How much the colour changes from thread to thread."""
    light: Light
    box: tuple[slice, slice]
    """Where the rectangle lies in the photo."""
    shape: tuple[int, ...]
    """Rows and columns of the photo."""

    @property
    def fine(self) -> bool:
        """Whether motifs or yarns are so fine that a larger picture of the same photo would tell more."""
        return _fine(self.palette, self.yarns)


def look_at_cloth(rgb_linear: FloatArray, mask: BoolArray, light: Light) -> Sight:
    """The colours of a garment in daylight.

    rgb_linear: (rows, columns, 3), as shot. mask: (rows, columns), the garment, at least one pixel."""
    box = _box(mask)
    cloth, inside = np.ascontiguousarray(rgb_linear[box]), mask[box]
    daylight = relit(restore_clipped(cloth, inside), light)
    picture = beside(lambda: rgb_linear_to_lab(np.maximum(daylight, 0)))
    palette = read_palette(daylight, inside)
    lab = picture()
    return Sight(lab, inside, palette, yarn_chroma(lab, palette), light, box, mask.shape)


def looks_fine(rgb_linear: FloatArray, mask: BoolArray) -> bool:
    """Whether motifs or yarns are fine in the middle of a garment, which a small part tells much sooner than the whole.

    rgb_linear: (rows, columns, 3), as shot: no usual light makes fine of coarse. mask: (rows, columns), about where the
    garment is, at least one pixel."""
    part = deepest_part(mask, PART_SIDE)
    cloth, inside = np.ascontiguousarray(rgb_linear[part]), mask[part]
    palette = read_palette(cloth, inside, sample=PART_SAMPLE)
    return _fine(palette, yarn_chroma(rgb_linear_to_lab(cloth), palette))


def _fine(palette: Palette, yarns: float) -> bool:
    return yarns > FINE_YARNS or (len(palette.lab) > 1 and run_length(palette.labels) < FINE_RUN)


PART_SIDE, PART_SAMPLE = 192, 4_000
"""Pixels: a tenth of most garments, and some twenty of the smallest repeats."""


def measure_cloth(sight: Sight, school: School = BROAD, told: FloatArray | None = None) -> Measurement:
    """The colours, pattern, surface and sort of a garment.

    told: (3,), CIELAB of the main colour where a colour reader has been held to it."""
    palette, light = sight.palette, sight.light
    surface = beside(lambda: read_surface(sight.lab, palette, sight.yarns))
    front = beside(lambda: look_at_front(sight.lab, sight.inside))
    pattern = read_pattern(palette, sight.yarns)
    lab, share, parts, threads = _described(palette, pattern)
    uncertainty = NINE_IN_TEN * np.hypot(light_doubt(lab, light), _own_doubt(lab))
    if told is not None:
        lab, uncertainty = np.vstack([told[None], lab[1:]]), np.concatenate([[READER_DOUBT], uncertainty[1:]])
    plain = pattern.type in (PatternType.SOLID, PatternType.MARL)
    # the small shining places of a print are its motifs
    hardware = read_hardware(sight.lab, palette) if plain else None
    sorts = sort_colours(lab, uncertainty, school)
    main = sorts[0]
    if not plain:
        # what it is does not matter here, only its cloth
        cloth = Piece("", Category.TOP, lab, share, pattern=pattern.type, pattern_confidence=pattern.confidence)
        main = sort_prints([cloth], school)[0]
    labels = np.full(sight.shape, -1, dtype=np.int8)
    labels[sight.box] = palette.labels
    return Measurement(
        lab,
        share,
        uncertainty,
        parts,
        tuple(s.name for s in sorts),
        pattern,
        surface(),
        hardware,
        main,
        light,
        replace(palette, labels=labels),
        threads,
        sight.yarns,
        # a row of dots is not one of buttons
        replace(front(), buttons=0) if pattern.type is PatternType.DOT else front(),
    )


FINE_RUN = 7.0
"""Pixels of one colour in a row, on average, below which a larger picture tells more."""
FINE_YARNS = 1.5
"""CIELAB units of fine change in a* and b* above which yarns may be blended: below, no larger picture shows a marl."""


def _box(mask: BoolArray) -> tuple[slice, slice]:
    """The rectangle round a garment, with a little rim."""
    rows, columns = np.flatnonzero(mask.any(axis=1)), np.flatnonzero(mask.any(axis=0))
    return (
        slice(max(0, int(rows[0]) - RIM), int(rows[-1]) + RIM + 1),
        slice(max(0, int(columns[0]) - RIM), int(columns[-1]) + RIM + 1),
    )


RIM = 4
READER_DOUBT = 1.0
"""CIEDE2000 that a colour reader leaves, nine times in ten: its noise, and where on the cloth it was held."""


def _described(
    palette: Palette, pattern: Pattern
) -> tuple[FloatArray, FloatArray, tuple[Part, ...], FloatArray | None]:
    """The colours as a person would list them: a marl as its mean, the trims of a plain cloth as trims."""
    if pattern.blended:
        light = lab_to_rgb_linear(palette.lab)
        mean = rgb_linear_to_lab((light * palette.share[:, None]).sum(axis=0))
        return mean[None, :], np.ones(1), (Part.CLOTH,), palette.lab
    trims = pattern.type in (PatternType.SOLID, PatternType.MARL)
    parts = tuple(Part.TRIM if trims and k else Part.CLOTH for k in range(len(palette.lab)))
    return palette.lab, palette.share, parts, None


OWN_DOUBT, OWN_DOUBT_BY_CHROMA, OWN_DOUBT_OF_PRINTS = 1.6, 0.04, 1.25


def _own_doubt(lab: FloatArray) -> FloatArray:
    """Standard deviation in CIEDE2000 beside the light: folds, a camera that sees strong dyes otherwise, and the
    blended edges between the colours of a print."""
    doubt: FloatArray = OWN_DOUBT + OWN_DOUBT_BY_CHROMA * chroma(lab)
    return doubt * (OWN_DOUBT_OF_PRINTS if len(lab) > 1 else 1.0)
