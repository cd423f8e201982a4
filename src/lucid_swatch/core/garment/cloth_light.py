"""The light told by the cloth itself, once a colour reader has been held to it."""

import numpy as np

from ..colour.arrays import BoolArray, FloatArray
from ..colour.spaces import lab_to_rgb_linear
from ..photo.clipping import restore_clipped
from ..photo.light import Light, LightReference, relit
from ..photo.scene_light import estimate_light
from ..problems import Refused
from .palette import read_palette

CAST_SPREAD, EXPOSURE_SPREAD = 0.012, 0.05
LEAST_LIGHT = 0.004


def light_from_cloth(rgb_linear: FloatArray, mask: BoolArray, lab: FloatArray) -> Light:
    """The light under which the main colour of a garment is the one that the reader read.

    rgb_linear: (rows, columns, 3), as shot. mask: (rows, columns), the garment. lab: (3,), CIELAB from the reader.
    The other colours of the piece are relit by the same light. Refused when the cloth is too dark to tell."""
    guessed = estimate_light(rgb_linear, mask)
    shot = restore_clipped(rgb_linear, mask)
    # the first palette only says which pixels are the main colour; the light follows from their recorded colour
    main = read_palette(relit(shot, guessed), mask).lab[0]
    seen, true = lab_to_rgb_linear(main), np.maximum(lab_to_rgb_linear(lab), LEAST_LIGHT)
    if seen.max() < LEAST_LIGHT:
        raise Refused(
            "the cloth is too dark in the photo to be relit by the reader.", "light", "Photograph it lighter."
        )
    gain = np.maximum(seen, LEAST_LIGHT) / true
    cast = guessed.rgb * gain / gain[1]
    return Light(LightReference.READER, cast, guessed.exposure * float(gain[1]), CAST_SPREAD, EXPOSURE_SPREAD)
