"""What a camera makes of skin, and an eye does not.

Blood absorbs in narrow bands that no ink of a card has: corrected on inks, a camera shows fair skin redder and less yellow
than it is, deep skin, whose melanin hides the blood, hardly. How much hangs on the camera, and what its colours had to be
corrected by tells a good part of it; and on how much blood there is, which the redness of the skin itself tells. The
figures of skin_seen.toml were fitted by benchmarks/skin_seen.py to generic cameras that look at modelled skin; a real
camera may differ from them."""

import tomllib
from functools import cache
from importlib.resources import files

import numpy as np

from ..colour.arrays import FloatArray
from ..photo.light import UNCORRECTED, Light

HIDDEN, PLAIN = 30.0, 75.0
"""L* of skin up to which melanin hides the blood, and from which it is seen in full."""
USUAL, USUAL_SPREAD = np.array([9.0, 15.0]), 5.0
"""a* and b* of skin in the middle, and the units in which it differs from them."""


def as_an_eye_sees(lab: FloatArray, light: Light) -> FloatArray:
    """Skin as an eye would see it. lab: (..., 3), CIELAB, relit. Returns the same.

    Only where a measured card gave a colour correction: of other photos nothing is known of what the camera does."""
    if light.correction is None:
        return lab
    change = (light.correction - UNCORRECTED).ravel()
    return without_blood(lab, change, *_figures())


def without_blood(
    lab: FloatArray, change: FloatArray, middle: FloatArray, spread: FloatArray, figures: FloatArray
) -> FloatArray:
    """Skin without what blood does to a camera. (..., 3), CIELAB.

    change: (..., 18), what the colour correction did. middle, spread: (18,), of the cameras that were fitted.
    figures: (58, 3), what each of blood_terms adds."""
    seen: FloatArray = lab + blood_terms(lab, (change - middle) / spread) @ figures
    return seen


def blood_terms(lab: FloatArray, change: FloatArray) -> FloatArray:
    """What tells how much blood does to a camera: how plainly it is seen, times the camera, times the skin's own redness
    and yellowness, times both. (..., 3), CIELAB, and (..., 18), in spreads from the middle, to (..., 58)."""
    plain = plainness(lab)
    change = np.broadcast_to(change, (*lab.shape[:-1], change.shape[-1]))
    own = np.clip((lab[..., 1:] - USUAL) / USUAL_SPREAD, -2.0, 2.0)
    both = (own[..., :, None] * change[..., None, :]).reshape(*lab.shape[:-1], -1)
    terms: FloatArray = plain * np.concatenate([np.ones_like(plain), plain, change, own, both], axis=-1)
    return terms


def plainness(lab: FloatArray) -> FloatArray:
    """How plainly blood is seen through the skin, 0..1 and a little more. (..., 3) to (..., 1)."""
    return np.clip((lab[..., :1] - HIDDEN) / (PLAIN - HIDDEN), 0.0, 1.2)


@cache
def _figures() -> tuple[FloatArray, FloatArray, FloatArray]:
    """(18,), (18,) and (58, 3)."""
    value = tomllib.loads(files(__package__).joinpath("skin_seen.toml").read_text(encoding="utf-8"))
    return np.array(value["middle"]), np.array(value["spread"]), np.array(value["figures"])
