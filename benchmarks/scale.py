"""The scale on which scores are shown: over looks drawn from whole wardrobes, the middle at 50 and the best hundredth at
90, or as far as the worst hundredth leaves room, by one straight line for each measure and one for the whole.

Usage: python -m benchmarks.scale [--write]"""

import argparse
import json
import re
from dataclasses import replace

import numpy as np

from lucid_swatch.core.look.look import Look
from lucid_swatch.core.look.scorer.batch import make_batch
from lucid_swatch.core.look.scorer.weights import Scale, standard_weights
from lucid_swatch.core.look.verdict import MEASURES, score_batch

from .chosen import drawn, own_wardrobes
from .fit import FILE

WORST, MIDDLE, BEST = 8.0, 50.0, 90.0
STEEPEST = 1.7
"""Times beyond which a step of colour that nobody sees would move a measure far."""
EACH, SEED = 40, 77
PLAIN = Scale(0.0, 1.0)


def scores_of_drawn(scale):
    """The measures and the whole of drawn looks, half of them with a client. (looks, 6); colouring nan without one."""
    weights = replace(standard_weights(), scale=scale)
    found = []
    for wardrobe in own_wardrobes():
        rng = np.random.default_rng(SEED)
        ids = [one for look in wardrobe.looks for one in drawn(wardrobe, look, rng, EACH)]
        for face in (None, wardrobe.client):
            looks = [Look("", tuple(wardrobe.pieces[id] for id in one), face) for one in ids]
            scores = score_batch(replace(make_batch(looks), weights=weights))
            found.append(np.column_stack([scores.scores, scores.overall]))
    return np.concatenate(found)


def lines(scores):
    """The straight lines. scores: as scores_of_drawn gives them, on the plain scale."""
    found = {}
    for name, column in zip((*MEASURES, "whole"), scores.T, strict=True):
        known = column[~np.isnan(column)]
        worst, middle, best = np.quantile(known, (0.01, 0.5, 0.99))
        times = (BEST - MIDDLE) / (best - middle)
        if name != "whole":
            # what 0 cuts off is to be rare, where a measure falls farther than it rises
            times = min(times, STEEPEST, (MIDDLE - WORST) / (middle - worst))
        times = round(float(times), 2)
        found[name] = Scale(round(MIDDLE - times * float(middle), 1), times)
    return found


def told(scores):
    """What lies where on a scale."""
    return {
        name: {
            "middle": round(float(np.nanmedian(column)), 1),
            "best hundredth": round(float(np.nanquantile(column, 0.99)), 1),
            "cut off, %": round(100 * float(np.mean((column <= 0) | (column >= 100))), 1),
        }
        for name, column in zip((*MEASURES, "whole"), scores.T, strict=True)
    }


def main():
    parser = argparse.ArgumentParser(description=__doc__, formatter_class=argparse.RawDescriptionHelpFormatter)
    parser.add_argument("--write", action="store_true")
    asked = parser.parse_args()
    plain = scores_of_drawn(dict.fromkeys((*MEASURES, "whole"), PLAIN))
    found = lines(plain)
    print(
        json.dumps(
            {
                "as it ships": told(scores_of_drawn(standard_weights().scale)),
                "drawn anew": told(scores_of_drawn(found)),
            },
            indent=1,
        )
    )
    for name, line in found.items():
        print(f"{name}: {line.plus:+} and {line.times} times")
    if asked.write:
        text = FILE.read_text(encoding="utf-8")
        for name, line in found.items():
            text = re.sub(
                rf"^{name} = \{{ plus = .*$",
                f"{name} = {{ plus = {line.plus}, times = {line.times} }}",
                text,
                flags=re.MULTILINE,
            )
        FILE.write_text(text, encoding="utf-8")


if __name__ == "__main__":
    main()
