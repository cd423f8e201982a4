"""What a camera makes of skin, and an eye does not.

Blood absorbs in narrow bands that no ink of a card has: corrected on inks, a camera shows fair skin redder and less yellow
than it is, deep skin, whose melanin hides the blood, hardly. How much hangs on the camera, and what its colours had to be
corrected by tells a good part of it. The figures of skin_seen.toml were fitted by benchmarks/skin_seen.py to generic
cameras that look at modelled skin; a real camera may differ from them."""

import tomllib
from functools import cache
from importlib.resources import files

import numpy as np

from ..colour.arrays import FloatArray
from ..photo.light import UNCORRECTED, Light

HIDDEN, PLAIN = 30.0, 75.0
"""L* of skin up to which melanin hides the blood, and from which it is seen in full."""


def as_an_eye_sees(lab: FloatArray, light: Light) -> FloatArray:
    """Skin as an eye would see it. lab: (..., 3), CIELAB, relit. Returns the same.

    Only where a measured card gave a colour correction: of other photos nothing is known of what the camera does."""
    if light.correction is None:
        return lab
    return without_blood(lab, (light.correction - UNCORRECTED).ravel(), *_figures())


def without_blood(
    lab: FloatArray, change: FloatArray, by_lightness: FloatArray, by_correction: FloatArray
) -> FloatArray:
    """Skin without what blood does to a camera. (..., 3), CIELAB.

    change: (..., 18), what the colour correction did. by_lightness, by_correction: (2, 3) and (18, 3), fitted."""
    plain = plainness(lab)
    seen: FloatArray = lab + plain * (by_lightness[0] + by_lightness[1] * plain + change @ by_correction)
    return seen


def plainness(lab: FloatArray) -> FloatArray:
    """How plainly blood is seen through the skin, 0..1 and a little more. (..., 3) to (..., 1)."""
    return np.clip((lab[..., :1] - HIDDEN) / (PLAIN - HIDDEN), 0.0, 1.2)


@cache
def _figures() -> tuple[FloatArray, FloatArray]:
    """(2, 3) and (18, 3), CIELAB units."""
    value = tomllib.loads(files(__package__).joinpath("skin_seen.toml").read_text(encoding="utf-8"))
    return np.array(value["by_lightness"]), np.array(value["by_correction"])
