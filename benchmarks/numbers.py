"""Writes what was fitted where the core reads it."""

import csv
from pathlib import Path

from lucid_swatch.core.garment import logistic


def write_model(name, told_by, model):
    """name: of the file beside the core's models. told_by: what its measures are called."""
    with (Path(logistic.__file__).parent / name).open("w", encoding="utf-8", newline="") as file:
        out = csv.writer(file, lineterminator="\n")
        out.writerow(["measure", "middle", "spread", *(str(kind) for kind in model.kinds)])
        for word, *row in zip(told_by, model.middle, model.spread, *model.weights.T, strict=True):
            out.writerow([word, *(f"{value:.5g}" for value in row)])
