"""The light read from the reference card."""

import numpy as np

from ..colour.adaptation import relight
from ..colour.arrays import BoolArray, FloatArray
from ..colour.difference import delta_e_2000
from ..colour.spaces import RGB_TO_XYZ, lab_to_rgb_linear, rgb_linear_to_lab
from ..problems import Refused
from .card import GREY_STEPS, NOMINAL, CardReading
from .light import UNCORRECTED, Light, LightReference, can_be_lamp, relit, root_terms, straightened

CAST_SPREAD = 0.018
CAST_SPREAD_MEASURED = 0.010
EXPOSURE_SPREAD = 0.10
"""Of a card printed at home and never measured: paper is about as light everywhere, the greys are not."""
EXPOSURE_SPREAD_MEASURED = 0.06
LEAST_GREYS = 2
LEAST_PATCHES = 10
"""Usable patches below which a measured card corrects no colours."""
RIDGE = 0.001
"""How firmly a correction is held to doing nothing."""


def light_from_card(reading: CardReading, measured: FloatArray | None = None) -> Light:
    """The light from the patches of a card.

    measured: (24, 3), CIELAB of the printed patches as a colour reader read them, or None: then only the greys are
    trusted to be grey, and the lightness of the paper. With it come the camera's tone curve from the grey steps and,
    where enough patches are usable, a root-polynomial colour correction (Finlayson, Mackiewicz and Hurlbert 2015).
    Refused when too few greys can be read, or when the light itself has a colour."""
    truth = NOMINAL if measured is None else measured
    greys = np.flatnonzero(reading.usable[:GREY_STEPS])
    if len(greys) < LEAST_GREYS:
        raise Refused(
            "the greys of the reference card are overexposed or in the dark.",
            "light",
            "Photograph the card again in the light that falls on the garment.",
        )
    true = lab_to_rgb_linear(truth)
    ratios = reading.rgb[greys] / true[greys]
    weight = np.sqrt(reading.rgb[greys].mean(axis=1))
    rgb = np.exp(np.average(np.log(np.maximum(ratios, 1e-4)), axis=0, weights=weight))
    rgb = rgb / rgb[1]
    if not can_be_lamp(rgb):
        raise Refused(
            "the light has a colour: no grey can be made grey in it.", "light", "Photograph in daylight or white light."
        )
    usable = reading.usable & _agrees(reading.rgb, true, truth, rgb, greys)
    greys = np.flatnonzero(usable[:GREY_STEPS])
    if len(greys) < LEAST_GREYS:
        raise Refused("the reference card is half covered.", "light", "Show its whole first row, the greys.")
    luminance, reflected = reading.rgb @ RGB_TO_XYZ[1], true @ RGB_TO_XYZ[1]
    lightest = greys[:1] if measured is None else greys[:3]
    exposure = float(np.exp(np.mean(np.log(luminance[lightest] / reflected[lightest]))))
    if measured is None:
        # a grey from a home printer is grey, but not surely of the lightness that was asked for
        doubt = EXPOSURE_SPREAD if greys[0] == 0 else 2 * EXPOSURE_SPREAD
        return Light(LightReference.CARD, rgb, exposure, CAST_SPREAD, doubt)
    plain = Light(LightReference.CARD, rgb, exposure, CAST_SPREAD_MEASURED, EXPOSURE_SPREAD_MEASURED)
    tone = _tone(relit(reading.rgb[greys], plain) @ RGB_TO_XYZ[1], reflected[greys])
    correction = _correction(straightened(relit(reading.rgb, plain), tone), true, usable)
    return Light(LightReference.CARD, rgb, exposure, CAST_SPREAD_MEASURED, EXPOSURE_SPREAD_MEASURED, tone, correction)


COVERED = 30.0
"""CIEDE2000 from the colour asked for, printer's errors and lamps included, beyond which something lies on a patch."""


def _agrees(rgb: FloatArray, true: FloatArray, truth: FloatArray, cast: FloatArray, greys: np.ndarray) -> BoolArray:
    """Which patches can be the ones that are printed there: a finger on the card is none. (24,)."""
    level = float(np.median((rgb[greys] @ RGB_TO_XYZ[1]) / (true[greys] @ RGB_TO_XYZ[1])))
    seen = rgb_linear_to_lab(np.maximum(relight(rgb, cast), 0.0) / max(level, 1e-4))
    return delta_e_2000(seen, truth) < COVERED


def _tone(recorded: FloatArray, true: FloatArray) -> FloatArray:
    """Recorded and true light of the greys, rising in both. (k, 2)."""
    order = np.argsort(recorded)
    steps = np.stack([recorded[order], true[order]], axis=1)
    rising = np.concatenate([[True], np.diff(np.maximum.accumulate(steps[:, 1])) > 0])
    return steps[rising]


def _correction(balanced: FloatArray, true: FloatArray, usable: BoolArray) -> FloatArray | None:
    """The (3, 6) correction that brings the balanced patches nearest to the truth; None with too few of them.

    Grey stays grey: white preservation after Finlayson and Drew 1997, IS&T Color Imaging Conference 5. Errors on dark
    patches weigh a little more, as they do to an eye; held to doing nothing where patches say little."""
    if usable.sum() < LEAST_PATCHES:
        return None
    # of a grey all six terms are the same: a change whose rows sum to 0 leaves it alone
    terms, wanted = root_terms(balanced[usable]) @ KEEPS_GREY, true[usable] - balanced[usable]
    weight = 1.0 / np.maximum(true[usable].mean(axis=1), 0.03) ** (1 / 3)
    left = (terms * weight[:, None]).T @ (terms * weight[:, None]) + RIDGE * len(terms) * np.eye(5)
    right = (terms * weight[:, None]).T @ (wanted * weight[:, None])
    change: FloatArray = (KEEPS_GREY @ np.linalg.solve(left, right)).T
    return UNCORRECTED + change


KEEPS_GREY: FloatArray = np.linalg.svd(np.ones((1, 6)))[2][1:].T
"""(6, 5), directions across that of the greys."""
