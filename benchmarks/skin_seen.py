"""Fits what cameras make of skin to generic cameras, lamps and cards, none of which the portraits are rendered with.

Usage: python -m benchmarks.skin_seen [--write]
With --write the figures go into core/client/skin_seen.toml."""

import argparse
from pathlib import Path

import colour
import numpy as np

from lucid_swatch.core.client import skin_seen
from lucid_swatch.core.client.skin_seen import blood_terms, without_blood
from lucid_swatch.core.colour.difference import delta_e_2000
from lucid_swatch.core.colour.spaces import rgb_linear_to_lab
from lucid_swatch.core.photo.card import NOMINAL, CardReading
from lucid_swatch.core.photo.card_light import light_from_card
from lucid_swatch.core.photo.light import UNCORRECTED, relit

from .card_scenes import NANOMETRES, READER_NOISE, SHAPE, _lab, maker_matrix, seen_by
from .portraits import CARDS, DEPTHS, _card, skin_reflectance

FILE = Path(skin_seen.__file__).with_suffix(".toml")
NAMED_LAMPS = ("D55", "D65", "D75", "FL7", "FL11", "LED-B2", "LED-B4", "LED-V1", "LED-BH1")
GLOWING = (2700, 3400)
"""Kelvin."""
TRAINED, HELD_OUT, SIGHTS, A_SIGHT = 300, 60, 20, 3
HOLD = 0.04
"""How firmly a correction is kept from telling anything, for each skin that is seen."""
PATCH_NOISE = 0.01
OTHER_CARDS = 12
"""Printed cards, none of them one of the portraits'."""


def sights(seed, cameras):
    """What a camera's correction did, the skin as corrected and as it is: (n, 18), (n, 3), (n, 3)."""
    rng = np.random.default_rng(seed)
    lamps = _lamps()
    change, seen, true = [], [], []
    for _ in range(cameras):
        sensitivities = _camera(rng)
        matrix = maker_matrix(sensitivities)
        for _ in range(SIGHTS):
            skins, printed = _skins(rng), _card(CARDS + int(rng.integers(OTHER_CARDS)))
            lamp, balanced = lamps[rng.integers(len(lamps))], rng.uniform(0.6, 1.0)
            rgb = 0.7 * seen_by(np.vstack([skins, printed]), sensitivities, matrix, lamp, balanced)
            patches = rgb[A_SIGHT:] * np.exp(rng.normal(0, PATCH_NOISE, NOMINAL.shape))
            measured = _lab(printed) + rng.normal(0, READER_NOISE, NOMINAL.shape)
            light = light_from_card(CardReading(patches, np.ones(len(NOMINAL), bool)), measured)
            change += [(light.correction - UNCORRECTED).ravel()] * A_SIGHT
            seen.append(rgb_linear_to_lab(relit(rgb[:A_SIGHT], light)))
            true.append(_lab(skins))
    return np.array(change), np.concatenate(seen), np.concatenate(true)


def fit_skin(change, seen, true):
    """Middle and spread of what the corrections did, (18,) each, and what every term adds, (58, 3): ridge regression."""
    middle, spread = change.mean(axis=0), change.std(axis=0)
    terms = blood_terms(seen, (change - middle) / spread)
    held = HOLD * len(terms) * np.diag([1e-6] * 2 + [1.0] * (terms.shape[1] - 2))
    return middle, spread, np.linalg.solve(terms.T @ terms + held, terms.T @ (true - seen))


def _lamps():
    named = [colour.SDS_ILLUMINANTS[name].copy().align(SHAPE).values for name in NAMED_LAMPS]
    metres = NANOMETRES * 1e-9
    return [*named, *(metres**-5 / np.expm1(1.4388e-2 / (metres * kelvin)) for kelvin in GLOWING)]


def _camera(rng):
    """Three sensitivities with peaks, widths and shoulders as cameras have them. (31, 3)."""

    def peak(at, wide):
        return np.exp(-0.5 * ((NANOMETRES - at) / wide) ** 2)

    red = peak(rng.uniform(585, 620), rng.uniform(20, 42))
    green = peak(rng.uniform(520, 550), rng.uniform(25, 45))
    blue = peak(rng.uniform(440, 475), rng.uniform(20, 35))
    red += rng.uniform(0, 0.3) * peak(540, 35) + rng.uniform(0, 0.08) * peak(450, 25)
    green += rng.uniform(0, 0.2) * peak(600, 40) + rng.uniform(0, 0.2) * peak(460, 30)
    blue += rng.uniform(0, 0.15) * peak(530, 30)
    return np.stack([red, green, blue], axis=1)


def _skins(rng):
    """Wider than the portraits: more and less blood, melanin that darkens the blue more or less."""
    return np.stack(
        [
            skin_reflectance(
                float(np.exp(rng.uniform(np.log(DEPTHS[0]), np.log(DEPTHS[-1])))),
                rng.uniform(0.003, 0.024),
                rng.uniform(0.3, 0.95),
                rng.uniform(0.0, 0.6),
                rng.uniform(1.8, 2.7),
            )
            for _ in range(A_SIGHT)
        ]
    )


def main():
    """Fits, says how well, and writes when asked to."""
    parser = argparse.ArgumentParser(description=__doc__, formatter_class=argparse.RawDescriptionHelpFormatter)
    parser.add_argument("--write", action="store_true")
    asked = parser.parse_args()
    fitted = fit_skin(*sights(1, TRAINED))
    change, seen, true = sights(2, HELD_OUT)
    found = without_blood(seen, change, *fitted)
    for name, skin in (("before", seen), ("after", found)):
        off = delta_e_2000(skin, true)
        fair, deep = (float(np.median(off[kept])) for kept in (true[:, 0] > 60, true[:, 0] < 40))
        print(f"cameras held out, {name}: {np.median(off):.2f}, fair skin {fair:.2f}, deep skin {deep:.2f}")
    if asked.write:
        FILE.write_text(_text(*fitted), encoding="utf-8")


def _text(middle, spread, figures):
    def row(values):
        return f"[{', '.join(f'{v:.4g}' for v in values)}]"

    return (
        "# What to add to skin that a camera saw, in CIELAB, as plainly as its blood is seen: fitted by\n"
        "# benchmarks/skin_seen.py to generic cameras and lamps.\n"
        "# Each entry of the colour correction less doing nothing, row by row: its middle and its spread.\n"
        f"middle = {row(middle)}\nspread = {row(spread)}\n"
        "# For each of the terms, in their order.\n"
        "figures = [\n" + "".join(f"  {row(one)},\n" for one in figures) + "]\n"
    )


if __name__ == "__main__":
    main()
