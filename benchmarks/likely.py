"""Fits what tells a category by its outline, and reports on photos that were kept out of the fit.

Usage: python -m benchmarks.likely FOLDER... [--write]
Each FOLDER holds photos with a truth.json; each is kept out once. The silhouettes of the project's own renderer stand in
for categories that no folder holds. --write fits to all of them and writes the numbers."""

import argparse
import csv
import json
from pathlib import Path

import cv2
import numpy as np
from scipy.optimize import minimize

from lucid_swatch.core.garment import likely
from lucid_swatch.core.garment.vocabulary import Category as C
from lucid_swatch.demo.studio.silhouettes import parts_of, smooth
from lucid_swatch.files.photo import decode_photo
from lucid_swatch.outside.cut_out import SalientObjectNetwork
from lucid_swatch.usecases.find_garment import find_garment

HELD_TIGHT = 1.0
"""Weight of the squared numbers against the likelihood of all outlines."""
SEED = 3
DRAWN = {
    C.JACKET: [""] * 30, C.BOOTS: [""] * 30, C.BELT: [""] * 30, C.EARRINGS: [""] * 30, C.NECKLACE: [""] * 30,
    C.TOP: [""] * 8, C.KNIT: [""] * 8, C.SHIRT: [""] * 8, C.COAT: [""] * 8, C.DRESS: ["", "long"] * 5,
    C.TROUSERS: ["", "wide"] * 5, C.SKIRT: [""] * 8, C.SHOES: [""] * 8, C.BAG: [""] * 8, C.SCARF: [""] * 8, C.HAT: [""] * 8,
}  # fmt: skip
"""How many silhouettes of each style are drawn, each laid a little otherwise."""
SIDE = 420


def main():
    parser = argparse.ArgumentParser(description=__doc__, formatter_class=argparse.RawDescriptionHelpFormatter)
    parser.add_argument("folders", type=Path, nargs="+")
    parser.add_argument("--write", action="store_true")
    asked = parser.parse_args()
    network = SalientObjectNetwork()
    sets = [photographed(folder, network) for folder in asked.folders]
    drawn = silhouettes(np.random.default_rng(SEED))
    for k, folder in enumerate(asked.folders):
        rest = [drawn, *(one for j, one in enumerate(sets) if j != k)]
        if len(rest) > 1:
            print(folder.name, "kept out:", json.dumps(report(fit(rest), sets[k])))
    if asked.write:
        write(fit([drawn, *sets]))


def photographed(folder, network):
    """Measures and categories of the photos of a folder, by the outlines that the program itself finds."""
    measures, categories = [], []
    for truth in json.loads((folder / "truth.json").read_text(encoding="utf-8")):
        photo = decode_photo((folder / truth["file"]).read_bytes(), truth["file"])
        outline = find_garment(photo.srgb, network)
        measures.append(likely.outline_measures(outline.mask))
        categories.append(truth["category"])
    return np.array(measures), categories


def silhouettes(rng):
    """Measures and categories of drawn silhouettes, turned, stretched and bent a little."""
    made = [(likely.outline_measures(laid(outlines(c, style), rng)), c) for c, some in DRAWN.items() for style in some]
    return np.array([one for one, _ in made]), [category.value for _, category in made]


def outlines(category, style):
    """The polygons of a silhouette."""
    parts = [(part, side) for part in parts_of(category, style) for side in ((1, -1) if part.both else (1,))]
    return [smooth([(x * side, y) for x, y in part.points]) for part, side in parts]


def laid(polygons, rng):
    """A silhouette as somebody lays it down. Returns a mask."""
    turn = np.radians(rng.normal(0, 5))
    stretch = np.array([[np.exp(rng.normal(0, 0.1)), rng.normal(0, 0.04)], [0, np.exp(rng.normal(0, 0.12))]])
    place = np.array([[np.cos(turn), -np.sin(turn)], [np.sin(turn), np.cos(turn)]]) @ stretch
    moved = [polygon @ place.T for polygon in polygons]
    every = np.concatenate(moved)
    low, scale = every.min(axis=0), 360 / np.ptp(every, axis=0).max()
    mask = np.zeros((SIDE, SIDE), np.uint8)
    for polygon in moved:
        cv2.fillPoly(mask, [((polygon - low) * scale + 30).astype(np.int32)], 1)
    bend = [
        cv2.resize(rng.normal(0, 6, (7, 7)).astype(np.float32), (SIDE, SIDE), interpolation=cv2.INTER_CUBIC)
        for _ in range(2)
    ]
    y, x = np.mgrid[0:SIDE, 0:SIDE].astype(np.float32)
    return cv2.remap(mask, x + bend[0], y + bend[1], cv2.INTER_NEAREST) > 0


def fit(sets):
    """Numbers for the categories of some sets: names, middle, spread and weights, the offset last."""
    measures = np.concatenate([one for one, _ in sets])
    names = sorted({name for _, some in sets for name in some})
    truth = np.array([names.index(name) for _, some in sets for name in some])
    middle, spread = measures.mean(axis=0), measures.std(axis=0) + 1e-6
    given = np.column_stack([(measures - middle) / spread, np.ones(len(measures))])
    count = len(given)

    def cost(flat):
        weights = flat.reshape(len(names), -1)
        score = given @ weights.T
        score -= score.max(axis=1, keepdims=True)
        chance = np.exp(score)
        chance /= chance.sum(axis=1, keepdims=True)
        loss = -np.log(chance[np.arange(count), truth] + 1e-12).mean()
        slope = chance.copy()
        slope[np.arange(count), truth] -= 1
        held = np.column_stack([weights[:, :-1], np.zeros(len(names))])
        return loss + HELD_TIGHT * (held**2).sum() / count, (
            slope.T @ given / count + 2 * HELD_TIGHT * held / count
        ).ravel()

    start = np.zeros(len(names) * given.shape[1])
    found = minimize(cost, start, jac=True, method="L-BFGS-B", options={"maxiter": 500})
    return names, middle, spread, found.x.reshape(len(names), -1)


def report(model, kept_out):
    """Shares of photos whose category is the first guess, among the first three, firm, and firm and right."""
    names, middle, spread, weights = model
    measures, categories = kept_out
    score = np.column_stack([(measures - middle) / spread, np.ones(len(measures))]) @ weights.T
    chance = np.exp(score - score.max(axis=1, keepdims=True))
    chance /= chance.sum(axis=1, keepdims=True)
    order = np.argsort(-chance, axis=1)
    truth = np.array([names.index(name) if name in names else -1 for name in categories])
    right, sure = order[:, 0] == truth, chance.max(axis=1) >= likely.FIRM
    return {
        "photos": len(truth),
        "first": round(float(right.mean()), 3),
        "among three": round(float((order[:, :3] == truth[:, None]).any(axis=1).mean()), 3),
        "firm": round(float(sure.mean()), 3),
        "firm and right": round(float(right[sure].mean()), 3) if sure.any() else None,
    }


def write(model):
    """The numbers beside the code that reads them."""
    names, middle, spread, weights = model
    with (Path(likely.__file__).parent / "likely.csv").open("w", encoding="utf-8", newline="") as file:
        table = csv.writer(file, lineterminator="\n")
        table.writerow(["measure", "middle", "spread", *names])
        table.writerow(["offset", 0, 1, *(f"{v:.4f}" for v in weights[:, -1])])
        for k, name in enumerate(likely.MEASURES):
            table.writerow([name, f"{middle[k]:.5f}", f"{spread[k]:.5f}", *(f"{v:.4f}" for v in weights[:, k])])


if __name__ == "__main__":
    main()
