"""What lamps do to colours that a camera has balanced: derived from published spectra, once, into core/photo/lamps.toml.

Reflectances of CIE 224:2017, illuminants of CIE 15:2018 (the tubes and the white LEDs among them), sensitivities of two cameras that
were measured, all as colour-science ships them. Run: python -m benchmarks.lamps --write"""

import argparse
from pathlib import Path

import colour
import numpy as np
from colour.quality.cfi2017 import load_TCS_CIE2017

from lucid_swatch.core.colour.adaptation import relight
from lucid_swatch.core.colour.spaces import XYZ_TO_RGB
from lucid_swatch.core.photo.light import along_lamps

TABLE = Path(__file__).parents[1] / "src/lucid_swatch/core/photo/lamps.toml"
SHAPE = colour.SpectralShape(400, 700, 5)
CAMERAS = ("Nikon 5100 (NPL)", "Sigma SDMerill (NPL)")
FAMILIES = {
    "daylight": ("D50", "D55", "D65", "D75"),
    "filament": ("A",),
    "warm LED": ("LED-B1", "LED-B2", "LED-V1", "LED-BH1"),
    "white LED": ("LED-B3", "LED-V2"),
    "tube": ("FL2", "FL3", "FL11"),
}
DAYLIGHT = "D65"
LEFT = 0.25
"""What a camera leaves of a lamp, typically, at which it is looked at."""
AS_GREY: np.ndarray = np.linalg.svd(np.ones((1, 3)))[2][1:].T
"""(3, 2), directions across that of the greys, which stay grey."""


def families():
    """Of each family: the corrections for the cameras, (2, 3, 3), and how far along LAMP_LINE it lies, unbalanced."""
    reflectance = load_TCS_CIE2017(colour.SpectralShape(380, 780, 5)).copy().align(SHAPE).values
    observer, day = _aligned(colour.MSDS_CMFS["CIE 1931 2 Degree Standard Observer"]), _lamp(DAYLIGHT)
    seen = reflectance.T * day @ observer / (day @ observer)[1] @ XYZ_TO_RGB.T
    found = {}
    for family, lamps in FAMILIES.items():
        corrections, along = [], []
        for camera in CAMERAS:
            sensitivity = _aligned(colour.MSDS_CAMERA_SENSITIVITIES[camera])
            maker = _grey_keeping(_recorded(reflectance, day, sensitivity), seen)
            ways = [_under(reflectance, _lamp(lamp), day, sensitivity, maker) for lamp in lamps]
            corrections.append(np.mean([_grey_keeping(read, seen, _weight(seen)) for read, _ in ways], axis=0))
            along += [cast for _, cast in ways]
        found[family] = (np.array(corrections), along)
    return found


def _under(reflectance, lamp, day, sensitivity, maker):
    """Samples read under a lamp and balanced, (n, 3), and the cast of the lamp along LAMP_LINE if nothing had been."""
    white = (lamp @ sensitivity) / (day @ sensitivity)
    left = (white / white[1]) ** LEFT
    cast = maker @ left
    balanced = relight(_recorded(reflectance, lamp, sensitivity) * left @ maker.T, cast / cast[1])
    return balanced, float(along_lamps(cast)) / LEFT


def _recorded(reflectance, lamp, sensitivity):
    return (reflectance.T * lamp) @ sensitivity / (lamp @ sensitivity)


def _weight(rgb):
    """Errors on dark samples weigh a little more, as they do to an eye."""
    return 1.0 / np.maximum(rgb.mean(axis=1), 0.03) ** (1 / 3)


def _grey_keeping(read, wanted, weight=None):
    """The (3, 3) that brings read nearest to wanted and leaves grey alone. Source: Finlayson and Drew 1997."""
    weight = np.ones(len(read)) if weight is None else weight
    terms = (read @ AS_GREY) * weight[:, None]
    rows = [np.linalg.lstsq(terms, (wanted[:, k] - read[:, k]) * weight, rcond=None)[0] for k in range(3)]
    return np.eye(3) + np.array(rows) @ AS_GREY.T


def _lamp(name):
    return _aligned(colour.SDS_ILLUMINANTS[name])


def _aligned(spectrum):
    inner = colour.SpectralShape(max(400, spectrum.shape.start), min(700, spectrum.shape.end), 5)
    return spectrum.copy().interpolate(inner).align(SHAPE).values


def table():
    """The text of the table."""
    lines = ["# Derived by benchmarks/lamps.py from published spectra; not to be edited by hand."]
    for family, (corrections, along) in families().items():
        lines += ["", f'["{family}"]', f"least = {min(along):.3f}", f"most = {max(along):.3f}"]
        lines += ["corrections = ["]
        for one in corrections:
            rows = ", ".join("[" + ", ".join(f"{value:.4f}" for value in row) + "]" for row in one)
            lines += [f"    [{rows}],"]
        lines += ["]"]
    return "\n".join(lines) + "\n"


def main():
    """Prints the table, or writes it."""
    parser = argparse.ArgumentParser(description=__doc__)
    parser.add_argument("--write", action="store_true", help="write it where the core reads it")
    if parser.parse_args().write:
        TABLE.write_text(table())
    else:
        print(table(), end="")


if __name__ == "__main__":
    main()
