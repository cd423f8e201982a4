"""How many keys a piece takes at the intake beside Enter, on photos that were kept out of both fits.

Usage: python -m benchmarks.keys FOLDER FOLDER...
Each FOLDER holds photos with a truth.json; each is kept out once. A kind costs no key where the program is firm and right,
one where the truth is among the three that have a key, and a letter and some typing elsewhere; a cloth likewise."""

import argparse
import json
from pathlib import Path

import numpy as np

from lucid_swatch.core.garment import finishes, likely
from lucid_swatch.outside.cut_out import SalientObjectNetwork

from . import finish as cloths
from . import likely as kinds

TYPED = 4
"""Keys for what is not among the likely ones: the letter of the list and the first letters of the word."""


def main():
    parser = argparse.ArgumentParser(description=__doc__, formatter_class=argparse.RawDescriptionHelpFormatter)
    parser.add_argument("folders", type=Path, nargs="+")
    folders = parser.parse_args().folders
    network = SalientObjectNetwork()
    outlines, surfaces = [kinds.photographed(f, network) for f in folders], [cloths.photographed(f) for f in folders]
    drawn = kinds.silhouettes(np.random.default_rng(kinds.SEED))
    for k, folder in enumerate(folders):
        rest = [j for j in range(len(folders)) if j != k]
        kind = kinds.fit([drawn, *(outlines[j] for j in rest)])
        cloth = cloths.fit([row for j in rest for row in surfaces[j]])
        print(
            folder.name, "kept out:", json.dumps(report(kind_keys(kind, outlines[k]), cloth_keys(cloth, surfaces[k])))
        )


def kind_keys(model, kept_out):
    """Keys for the category of each photo."""
    names, middle, spread, weights = model
    measures, categories = kept_out
    score = np.column_stack([(measures - middle) / spread, np.ones(len(measures))]) @ weights.T
    chance = np.exp(score - score.max(axis=1, keepdims=True))
    chance /= chance.sum(axis=1, keepdims=True)
    told = [sorted(zip(row.tolist(), names, strict=True), reverse=True) for row in chance]
    return np.array([_keys(row, truth, likely.FIRM) for row, truth in zip(told, categories, strict=True)])


def cloth_keys(model, rows):
    """Keys for the cloth of each photo."""
    found = []
    for numbers, category, truth in rows:
        told = [(chance, word) for word, chance in finishes.finish_chances(category, numbers, model)]
        found.append(_keys(told, truth[0], finishes.FIRM))
    return np.array(found)


def _keys(told, truth, firm):
    if told[0][1] == truth and told[0][0] >= firm:
        return 0
    return 1 if truth in [word for _, word in told[:3]] else TYPED


def report(kind, cloth):
    """Median and mean of keys, and how often no list is opened."""
    both = kind + cloth
    return {
        "photos": len(both),
        "keys for kind and cloth, median": float(np.median(both)),
        "mean": round(float(both.mean()), 2),
        "no list for the kind": round(float((kind < TYPED).mean()), 2),
        "no list at all": round(float(((kind < TYPED) & (cloth < TYPED)).mean()), 2),
    }


if __name__ == "__main__":
    main()
