"""Fits what tells a finish by its surface, and reports on photos that were kept out of the fit.

Usage: python -m benchmarks.finish FOLDER... [--write]
Each FOLDER holds photos with a truth.json; each is kept out once. --write fits to all of them and writes the numbers."""

import argparse
import json
import multiprocessing
from concurrent.futures import ProcessPoolExecutor
from functools import cache
from pathlib import Path

import numpy as np
from scipy.optimize import minimize

from lucid_swatch.core.garment import finishes
from lucid_swatch.core.garment.logistic import FAR, Model
from lucid_swatch.core.garment.vocabulary import Category, Finish
from lucid_swatch.files.photo import decode_photo
from lucid_swatch.outside.cut_out import SalientObjectNetwork
from lucid_swatch.usecases.measure_photo import measure_photo

from .numbers import write_model

HELD_TIGHT = 3.0
"""Weight of the squared numbers against the likelihood of all photos."""
FINISHES = list(Finish)


def main():
    parser = argparse.ArgumentParser(description=__doc__, formatter_class=argparse.RawDescriptionHelpFormatter)
    parser.add_argument("folders", type=Path, nargs="+")
    parser.add_argument("--write", action="store_true")
    asked = parser.parse_args()
    sets = [photographed(folder) for folder in asked.folders]
    for k, folder in enumerate(asked.folders):
        rest = [row for j, rows in enumerate(sets) if j != k for row in rows]
        if rest:
            print(folder.name, "kept out:", json.dumps(report(fit(rest), sets[k])))
    if asked.write:
        write_model("finishes.csv", finishes.TOLD_BY, fit([row for rows in sets for row in rows]))


def photographed(folder):
    """The numbers, category and true finishes of each photo of a folder, as the program itself reads it."""
    truths = json.loads((folder / "truth.json").read_text(encoding="utf-8"))
    with ProcessPoolExecutor(2, mp_context=multiprocessing.get_context("spawn")) as pool:
        numbers = list(pool.map(_read, [folder / truth["file"] for truth in truths]))
    return [
        (one, Category(truth["category"]), [Finish(f) for f in truth["finish"]])
        for one, truth in zip(numbers, truths, strict=True)
    ]


@cache
def _network():
    return SalientObjectNetwork()


def _read(path):
    read = measure_photo(decode_photo(path.read_bytes(), path.name), _network()).measurement
    return finishes.told_by(read.surface, read.lab, read.pattern.type)


def fit(rows):
    """The model of some photos: weights of finishes that they show, around what is usual for the categories."""
    numbers = np.array([one for one, _, _ in rows])
    middle, spread = np.nanmean(numbers, axis=0), np.nanstd(numbers, axis=0) + 1e-6
    seen = np.clip((np.where(np.isnan(numbers), middle, numbers) - middle) / spread, -FAR, FAR)
    truth = np.array([FINISHES.index(found[0]) for _, _, found in rows])
    usual = np.array([[np.log(finishes.usual_weights(c, one).get(f, 1e-9)) for f in FINISHES] for one, c, _ in rows])
    known = sorted({found[0] for _, _, found in rows}, key=FINISHES.index)
    # a finish without a photo goes with its kin
    lent = np.zeros((len(known), len(FINISHES)))
    for k, finish in enumerate(FINISHES):
        kin, share = (finish, 1.0) if finish in known else finishes.KIN.get(finish, (finish, 1.0))
        if kin in known:
            lent[known.index(kin), k] = share
    each = np.arange(len(truth))

    def loss(flat):
        weights = flat.reshape(len(known), -1)
        scores = usual + seen @ weights.T @ lent
        chance = np.exp(scores - scores.max(axis=1, keepdims=True))
        chance /= chance.sum(axis=1, keepdims=True)
        off = chance.copy()
        off[each, truth] -= 1
        slope = lent @ off.T @ seen + 2 * HELD_TIGHT * weights
        return -np.log(chance[each, truth] + 1e-12).sum() + HELD_TIGHT * (weights**2).sum(), slope.ravel()

    found = minimize(loss, np.zeros(len(known) * seen.shape[1]), jac=True, method="L-BFGS-B")
    return Model(tuple(known), middle, spread, found.x.reshape(len(known), -1).T)


def report(model, rows):
    """How often the truth is the first guess, among the first three, and how often what is firm is right, in per cent."""
    first, three, firm = [], [], []
    plain = np.array([truth == [Finish.MATTE] for _, _, truth in rows])
    for numbers, category, truth in rows:
        chances = finishes.finish_chances(category, numbers, model)
        words = [word for word, _ in chances]
        first.append(words[0] in truth)
        three.append(any(word in truth for word in words[:3]))
        firm.append(chances[0][1] >= finishes.FIRM)
    right, among, firm = np.array(first), np.array(three), np.array(firm)
    return {
        "photos": len(rows),
        "first": round(100 * right.mean()),
        "among three": round(100 * among.mean()),
        "not matte, first": round(100 * right[~plain].mean()),
        "not matte, among three": round(100 * among[~plain].mean()),
        "firm": round(100 * firm.mean()),
        "firm and right": round(100 * right[firm].mean()) if firm.any() else None,
    }


if __name__ == "__main__":
    main()
