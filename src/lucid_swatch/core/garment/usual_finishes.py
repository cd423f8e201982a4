"""Which finishes pieces of a category usually have, from usual_finishes.toml."""

import tomllib
from collections.abc import Mapping
from importlib.resources import files

from .vocabulary import Category, Finish


def _read() -> dict[Category, dict[Finish, float]]:
    told = tomllib.loads((files(__package__) / "usual_finishes.toml").read_text(encoding="utf-8"))
    return {
        Category(category): {Finish(finish): float(weight) for finish, weight in weights.items()}
        for category, weights in told.items()
    }


USUAL_FINISHES: Mapping[Category, Mapping[Finish, float]] = _read()
"""Of every category: finishes with their weights against each other."""
