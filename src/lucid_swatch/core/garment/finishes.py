"""What cloth a piece likely is: what such pieces usually are, weighed by how its surface looks.

The weights of the surface measures stand in finishes.csv; `benchmarks/finish.py` fits them and reports on photos that were
kept out. Finishes that no photo shows have no weights of their own: they follow their kin, or what is usual."""

from functools import cache

import numpy as np

from ..colour.arrays import FloatArray
from ..colour.spaces import chroma, hue_angle
from .chances import Chances, in_order
from .logistic import Model, read_model
from .surface import Surface
from .surface_measures import NAMES
from .usual_finishes import USUAL_FINISHES
from .vocabulary import PLAIN_PATTERNS, Category, Finish, PatternType

TOLD_BY = (*NAMES, "sheen", "texture", "denim blue", "lightness", "chroma", "print", "marl")
"""What is measured, in the order of the numbers."""
FIRM = 0.7
"""Chance from which a guess is taken for what the cloth is."""
KIN: dict[Finish, tuple[Finish, float]] = {Finish.SILK: (Finish.SATIN, 0.7), Finish.RIB: (Finish.KNIT, 0.9)}
"""Whose weights a finish takes that no photo shows, and how far."""
DENIM_HUE, DENIM_WIDTH = 272.0, 22.0
"""Hue angle of indigo, and how far from it a denim may be, degrees."""


def told_by(surface: Surface, lab: FloatArray, pattern: PatternType) -> FloatArray:
    """The numbers that a finish is told by, nan where a surface was too small. lab: (n, 3), largest share first."""
    grain = np.full(len(NAMES), np.nan) if surface.measures is None else surface.measures
    lightness, strength, hue = float(lab[0, 0]), float(chroma(lab[:1])[0]), float(hue_angle(lab[:1])[0])
    away = abs((hue - DENIM_HUE + 180) % 360 - 180)
    blue = (
        np.exp(-0.5 * (away / DENIM_WIDTH) ** 2)
        * np.clip(strength / 12, 0, 1)
        * np.exp(-0.5 * ((lightness - 35) / 22) ** 2)
    )
    colour = [blue, lightness / 100, strength / 100, pattern not in PLAIN_PATTERNS, pattern is PatternType.MARL]
    return np.array([*grain, surface.sheen, surface.texture, *colour], dtype=float)


def finish_chances(category: Category, numbers: FloatArray, model: Model[Finish] | None = None) -> Chances[Finish]:
    """What a piece of a category may be made of, likeliest first. numbers: as told_by gives them; model: left out, the
    one that is kept."""
    usual, model = usual_weights(category, numbers), model or kept_model()
    seen = model.scores(numbers)
    scores = {finish: np.log(weight) + _speaks(finish, seen, model) for finish, weight in usual.items()}
    most = max(scores.values())
    return in_order({finish: float(np.exp(score - most)) for finish, score in scores.items()})


def usual_weights(category: Category, numbers: FloatArray) -> dict[Finish, float]:
    """What such pieces usually are: denim is mostly blue, sometimes grey, hardly any other colour."""
    usual = dict(USUAL_FINISHES[category])
    blue, strength = numbers[TOLD_BY.index("denim blue")], 100 * numbers[TOLD_BY.index("chroma")]
    if Finish.DENIM in usual and not np.isnan([blue, strength]).any():
        usual[Finish.DENIM] *= (
            OTHER_DENIM + BLUE_DENIM * float(np.clip(blue, 0, 1)) + GREY_DENIM * float(np.clip(1 - strength / 10, 0, 1))
        )
    return usual


OTHER_DENIM, BLUE_DENIM, GREY_DENIM = 0.15, 2.0, 0.35
"""How much more or less often than usual a piece is denim by its colour."""


def why(category: Category, finish: Finish, numbers: FloatArray) -> str:
    """What speaks most for a finish, in a few words; what such pieces usually are where the surface says little."""
    model = kept_model()
    if finish is Finish.DENIM and numbers[TOLD_BY.index("denim blue")] > 0.5:
        return "the blue of indigo"
    kin, _ = KIN.get(finish, (finish, 1.0))
    if kin in model.kinds:
        off = model.away(numbers)
        says = off * model.weights[:, model.kinds.index(kin)]
        for k in np.argsort(-says):
            words = SHOWS.get(TOLD_BY[k])
            told = words[0 if off[k] > 0 else 1] if words and abs(off[k]) > 0.4 else ""
            if says[k] > LITTLE and told:
                return told
    usual = USUAL_FINISHES[category]
    share = usual.get(finish, 0.0) / sum(usual.values())
    return "as such pieces often are" if share > 0.1 else "as such pieces may be"


LITTLE = 0.15
"""How much a number has to say for a finish to be named as its reason."""
SHOWS: dict[str, tuple[str, str]] = {
    "grain 1": ("a fine grain", "no grain at all"), "grain 2": ("a fine grain", "smooth close up"),
    "grain 3": ("relief", "smooth"), "grain 4": ("soft waves", "lies flat"), "grain 5": ("deep folds", "hardly a fold"),
    "runs one way": ("its grain runs one way", "its grain runs no way"), "runs down": ("ribs run down", "lines run across"),
    "bright tail": ("bright lights on it", "no lights on it"), "dark tail": ("deep shades", "no deep shades"),
    "skew": ("a few bright spots", "a few dark spots"), "pales in light": ("stays coloured in light", "pales in light"),
    "threads": ("threads of two colours", "threads of one colour"), "sheen": ("it shines", "no shine"),
    "texture": ("relief", "smooth"), "marl": ("mixed yarns", ""),
}  # fmt: skip
"""What a number shows where it is high and where it is low."""


def _speaks(finish: Finish, seen: FloatArray, model: Model[Finish]) -> float:
    kin, share = KIN.get(finish, (finish, 1.0))
    return share * float(seen[model.kinds.index(kin)]) if kin in model.kinds else 0.0


@cache
def kept_model() -> Model[Finish]:
    """The model in finishes.csv."""
    return read_model("finishes.csv", Finish, TOLD_BY)
