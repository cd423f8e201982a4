"""Fits what a pattern is called to drawn cloths and to photos, and reports on photos that were kept out of the fit.

Usage: python -m benchmarks.prints.fit FOLDER... [--drawn N] [--write]
Each FOLDER holds photos with a truth.json; each is kept out once, and what the program says of it today, which may have
been fitted to it, stands beside. --write fits to all of them and writes the numbers.
Multinomial logistic regression (McCullagh and Nelder 1989) over the families that are drawn: of a photo only the kind is
known, so that any family of its kind answers for it."""

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
from lucid_swatch.core.garment.closely import read_closely
from lucid_swatch.core.garment.logistic import Model
from lucid_swatch.core.garment.motifs import read_likeness
from lucid_swatch.core.garment.palette import read_palette
from lucid_swatch.core.garment.pattern_kinds import KINDS, TOLD_BY, kind_chances, of_kind
from lucid_swatch.core.garment.print_measures import NAMES, print_measures
from lucid_swatch.core.garment.surface import yarn_chroma
from lucid_swatch.core.garment.vocabulary import PLAIN_PATTERNS, PatternType
from lucid_swatch.files.photo import decode_photo
from lucid_swatch.outside.cut_out import SalientObjectNetwork
from lucid_swatch.usecases.measure_photo import measure_photo

from ..numbers import write_model
from .drawn import draw_piece, draw_swatch

HELD_TIGHT = 0.0003
"""Weight of the squared numbers against the likelihood of all."""
PHOTO_WEIGHT, PART_WEIGHT = 30.0, 6.0
"""What a photo, and a part of one, counts against a drawn cloth."""
PIECES_TO_A_SWATCH = 2
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
    family: str = ""
    """Of its kind, where it was drawn."""
    parts: tuple[np.ndarray, ...] = ()


def main():
    parser = argparse.ArgumentParser(description=__doc__, formatter_class=argparse.RawDescriptionHelpFormatter)
    parser.add_argument("folders", type=Path, nargs="+")
    parser.add_argument("--drawn", type=int, default=4000)
    parser.add_argument("--write", action="store_true")
    asked = parser.parse_args()
    with ProcessPoolExecutor(2, mp_context=multiprocessing.get_context("spawn")) as pool:
        drawn = list(pool.map(_drawn, range(asked.drawn), chunksize=20))
        drawn += pool.map(_swatch, range(asked.drawn // PIECES_TO_A_SWATCH), chunksize=20)
        sets = [list(pool.map(_read, *zip(*_named(folder), strict=True))) for folder in asked.folders]
    for k, folder in enumerate(asked.folders):
        rest = [one for j, rows in enumerate(sets) if j != k for one in rows]
        print(folder.name, "kept out:", json.dumps(report(fit(drawn, rest), sets[k])))
    if asked.write:
        write_model("pattern_kinds.csv", TOLD_BY, fit(drawn, [one for rows in sets for one in rows]))


def _named(folder):
    truths = json.loads((folder / "truth.json").read_text(encoding="utf-8"))
    return [(folder / truth["file"], truth["pattern"]) for truth in truths]


@cache
def _network():
    return SalientObjectNetwork()


def _read(path, truth):
    read = measure_photo(decode_photo(path.read_bytes(), path.name), _network()).measurement
    palette, yarns = read.palette, read.yarns
    kind = PatternType(truth["type"])
    accepted = tuple(PatternType(one) for one in truth.get("accept", [kind]))
    parts = tuple(m for m in (_part(palette, yarns, *where) for where in PARTS) if m is not None)
    return Seen(
        _measured(palette.labels, palette.lab, palette.share, yarns), kind, accepted, read.pattern.type, parts=parts
    )


def _drawn(seed):
    return _seen(draw_piece(seed))


def _swatch(seed):
    return _seen(draw_swatch(seed))


def _seen(piece):
    palette = read_palette(piece.rgb_linear, piece.mask)
    yarns = yarn_chroma(rgb_linear_to_lab(piece.rgb_linear), palette)
    return Seen(
        _measured(palette.labels, palette.lab, palette.share, yarns),
        piece.kind,
        (piece.kind,),
        piece.kind,
        piece.family,
    )


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
    families = tuple(sorted({f"{one.kind}/{one.family}" for one in drawn}))
    of = of_kind(families)
    rows = [(one.measures, np.array([f"{one.kind}/{one.family}" == f for f in families]), 1.0) for one in drawn]
    for one in photos:
        any_of = of[:, KINDS.index(one.kind)]
        rows.append((one.measures, any_of, PHOTO_WEIGHT))
        rows += [(part, any_of, PART_WEIGHT) for part in one.parts]
    rows = [row for row in rows if not np.isnan(row[0]).all()]
    measures, answers, weight = (np.array(column) for column in zip(*rows, strict=True))
    weight = weight / weight.sum()
    middle, spread = np.append(np.nanmean(measures, axis=0), 0.0), np.append(np.nanstd(measures, axis=0) + 1e-6, 1.0)
    measures = np.column_stack([measures, np.ones(len(measures))])
    seen = Model(families, middle, spread, np.zeros((len(middle), len(families)))).away(measures)

    def loss(flat):
        weights = flat.reshape(-1, len(families))
        scores = seen @ weights
        chance = np.exp(scores - scores.max(axis=1, keepdims=True))
        chance /= chance.sum(axis=1, keepdims=True)
        right = chance * answers
        both = right.sum(axis=1, keepdims=True) + 1e-12
        value = -(weight * np.log(both[:, 0])).sum() + HELD_TIGHT / 2 * (flat**2).sum()
        return value, (seen.T @ ((chance - right / both) * weight[:, None]) + HELD_TIGHT * weights).ravel()

    start = np.zeros(seen.shape[1] * len(families))
    found = minimize(loss, start, jac=True, method="L-BFGS-B", options={"maxiter": 500})
    return Model(families, middle, spread, found.x.reshape(-1, len(families)))


def report(model, photos):
    """How often the kind is right, and how often plain is told from patterned, in per cent."""
    right, plain, now = [], [], []
    for one in photos:
        kind = one.read
        if not np.isnan(one.measures).all():
            kind = KINDS[int(kind_chances(one.measures[None], model)[0].argmax())]
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
