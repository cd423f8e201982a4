"""A light as kept beside a photo, and taken over by others of its series."""

from typing import Any

import numpy as np

from lucid_swatch.core.photo.light import Light, LightReference


def light_values(light: Light) -> dict[str, Any]:
    """The light as plain values."""
    return {
        "reference": light.reference.value,
        "rgb": light.rgb.tolist(),
        "exposure": light.exposure,
        "cast_spread": light.cast_spread,
        "exposure_spread": light.exposure_spread,
        "tone": None if light.tone is None else light.tone.tolist(),
        "correction": None if light.correction is None else light.correction.tolist(),
    }


def light_from_values(values: dict[str, Any]) -> Light:
    """The light that those values were written from."""
    return Light(
        LightReference(values["reference"]),
        np.array(values["rgb"]),
        float(values["exposure"]),
        float(values["cast_spread"]),
        float(values["exposure_spread"]),
        None if values["tone"] is None else np.array(values["tone"]),
        None if values["correction"] is None else np.array(values["correction"]),
    )
