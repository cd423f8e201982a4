"""Fits what a pattern is called to drawn cloths and to photos, and reports on photos that were kept out of the fit.

Usage: python -m benchmarks.prints.fit FOLDER... [--drawn N]
Each FOLDER holds photos with a truth.json; each is kept out once, and what the program says of it today stands beside.
Multinomial logistic regression (McCullagh and Nelder 1989)."""

import argparse
import json
import multiprocessing
from concurrent.futures import ProcessPoolExecutor
from dataclasses import dataclass
from functools import cache
from pathlib import Path

import cv2
import numpy as np
from scipy.optimize import minimize

from lucid_swatch.core.colour.spaces import rgb_linear_to_lab
from lucid_swatch.core.garment.motifs import read_likeness
from lucid_swatch.core.garment.palette import read_palette
from lucid_swatch.core.garment.surface import yarn_chroma
from lucid_swatch.core.garment.vocabulary import PLAIN_PATTERNS, PatternType
from lucid_swatch.files.photo import decode_photo
from lucid_swatch.outside.cut_out import SalientObjectNetwork
from lucid_swatch.usecases.measure_photo import measure_photo

from .closely import read_closely
from .drawn import draw_piece
from .measures import NAMES, print_measures

KINDS = tuple(
    PatternType(name)
    for name in ["solid", "marl", "stripe", "check", "dot", "floral", "animal", "geometric", "abstract", "colour-block"]
)
FAR = 3.0
"""Spreads from the middle beyond which a number says no more."""
HELD_TIGHT = 0.006
"""Weight of the squared numbers against the likelihood of all."""
PHOTO_WEIGHT, PART_WEIGHT = 60.0, 12.0
"""What a photo, and a part of one, counts against a drawn cloth."""
PARTS = (
    (0, 0.6, 0, 1, 1), (0.4, 1, 0, 1, 1), (0, 1, 0, 0.6, 1), (0, 1, 0.4, 1, 1), (0, 1, 0, 1, 0.7),
    (0.15, 0.85, 0.15, 0.85, 1), (0, 1, 0, 1, 0.5),
)  # fmt: skip
"""Parts of a photo that are learnt from beside the whole: rows, columns, and how large they are shown."""


@dataclass(frozen=True, eq=False)
class Seen:
    """What was measured of a photo or of a drawn cloth."""

    measures: np.ndarray
    """(measures,), nan where one colour is seen."""
    kind: PatternType
    accepted: tuple[PatternType, ...]
    read: PatternType
    """What the program says today."""
    parts: tuple[np.ndarray, ...] = ()


@dataclass(frozen=True, eq=False)
class Model:
    """What the measures say of each kind."""

    middle: np.ndarray
    spread: np.ndarray
    """(measures,), of what it was fitted to."""
    weights: np.ndarray
    """(measures, kinds)."""
    start: np.ndarray
    """(kinds,)."""


def chances(measures, model):
    """The chance of each kind. measures: (n, measures). Returns (n, kinds), rows sum to 1."""
    scores = np.clip((measures - model.middle) / model.spread, -FAR, FAR) @ model.weights + model.start
    weight = np.exp(scores - scores.max(axis=1, keepdims=True))
    return weight / weight.sum(axis=1, keepdims=True)


def main():
    parser = argparse.ArgumentParser(description=__doc__, formatter_class=argparse.RawDescriptionHelpFormatter)
    parser.add_argument("folders", type=Path, nargs="+")
    parser.add_argument("--drawn", type=int, default=3000)
    asked = parser.parse_args()
    with ProcessPoolExecutor(2, mp_context=multiprocessing.get_context("spawn")) as pool:
        drawn = list(pool.map(_drawn, range(asked.drawn), chunksize=20))
        sets = [list(pool.map(_read, *zip(*_named(folder), strict=True))) for folder in asked.folders]
    for k, folder in enumerate(asked.folders):
        rest = [one for j, rows in enumerate(sets) if j != k for one in rows]
        print(folder.name, "kept out:", json.dumps(report(fit(drawn, rest), sets[k])))


def _named(folder):
    truths = json.loads((folder / "truth.json").read_text(encoding="utf-8"))
    return [(folder / truth["file"], truth["pattern"]) for truth in truths]


@cache
def _network():
    return SalientObjectNetwork()


def _read(path, truth):
    read = measure_photo(decode_photo(path.read_bytes(), path.name), _network()).measurement
    palette, surface = read.palette, read.surface.measures
    yarns = 0.0 if surface is None else float(surface[-1])
    kind = PatternType(truth["type"])
    accepted = tuple(PatternType(one) for one in truth.get("accept", [kind]))
    parts = tuple(m for m in (_part(palette, yarns, *where) for where in PARTS) if m is not None)
    return Seen(_measured(palette.labels, palette.lab, palette.share, yarns), kind, accepted, read.pattern.type, parts)


def _drawn(seed):
    piece = draw_piece(seed)
    palette = read_palette(piece.rgb_linear, piece.mask)
    yarns = yarn_chroma(rgb_linear_to_lab(piece.rgb_linear), palette)
    return Seen(_measured(palette.labels, palette.lab, palette.share, yarns), piece.kind, (piece.kind,), piece.kind)


def _measured(labels, lab, share, yarns):
    if len(lab) < 2:
        return np.full(len(NAMES), np.nan)
    closely, width = read_closely(labels)
    return print_measures(closely, lab, share, width, yarns, read_likeness(closely, lab))


def _part(palette, yarns, top, bottom, left, right, scale):
    """What is measured of a part of a photo; None where it holds one colour, or hardly anything."""
    rows, columns = palette.labels.shape
    labels = palette.labels[int(top * rows) : int(bottom * rows), int(left * columns) : int(right * columns)]
    labels = np.ascontiguousarray(cv2.resize(labels, None, fx=scale, fy=scale, interpolation=cv2.INTER_NEAREST))
    held = np.bincount(labels[labels >= 0], minlength=len(palette.lab))
    order = np.argsort(-held, kind="stable")
    order = order[held[order] > 0.01 * max(held.sum(), 1)]
    if len(order) < 2 or held.sum() < 3000:
        return None
    renamed = np.full(len(palette.lab) + 1, -1, np.int8)
    renamed[order] = np.arange(len(order))
    return _measured(renamed[labels], palette.lab[order], held[order] / held[order].sum(), yarns)


def fit(drawn, photos):
    """The model of some drawn cloths and photos."""
    rows = [(one.measures, one.kind, 1.0) for one in drawn]
    for one in photos:
        rows.append((one.measures, one.kind, PHOTO_WEIGHT))
        rows += [(part, one.kind, PART_WEIGHT) for part in one.parts]
    rows = [row for row in rows if not np.isnan(row[0]).any()]
    measures = np.array([row[0] for row in rows])
    truth = np.array([KINDS.index(row[1]) for row in rows])
    weight = np.array([row[2] for row in rows])
    weight = weight / weight.sum()
    middle, spread = measures.mean(axis=0), measures.std(axis=0) + 1e-6
    seen = np.clip((measures - middle) / spread, -FAR, FAR)
    seen = np.column_stack([seen, np.ones(len(seen))])
    each = np.arange(len(truth))

    def loss(flat):
        weights = flat.reshape(-1, len(KINDS))
        scores = seen @ weights
        chance = np.exp(scores - scores.max(axis=1, keepdims=True))
        chance /= chance.sum(axis=1, keepdims=True)
        value = -(weight * np.log(chance[each, truth] + 1e-12)).sum() + HELD_TIGHT / 2 * (flat**2).sum()
        chance[each, truth] -= 1
        return value, (seen.T @ (chance * weight[:, None]) + HELD_TIGHT * weights).ravel()

    found = minimize(loss, np.zeros(seen.shape[1] * len(KINDS)), jac=True, method="L-BFGS-B", options={"maxiter": 400})
    weights = found.x.reshape(-1, len(KINDS))
    return Model(middle, spread, weights[:-1], weights[-1])


def report(model, photos):
    """How often the kind is right, and how often plain is told from patterned, in per cent."""
    right, plain, now = [], [], []
    for one in photos:
        kind = one.read
        if not np.isnan(one.measures).any():
            kind = KINDS[int(chances(one.measures[None], model)[0].argmax())]
        right.append(kind in one.accepted)
        plain.append((kind in PLAIN_PATTERNS) == (one.kind in PLAIN_PATTERNS) or kind in one.accepted)
        now.append(one.read in one.accepted)
    return {
        "photos": len(photos),
        "kind": round(100 * np.mean(right)),
        "plain or patterned": round(100 * np.mean(plain)),
        "as it is kept": round(100 * np.mean(now)),
    }


if __name__ == "__main__":
    main()
