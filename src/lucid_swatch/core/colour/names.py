"""Names a person would say: a neutral by its nearest example, a tone by its hue with one word before it."""

import csv
from functools import cache
from importlib.resources import files

import numpy as np

from .arrays import BoolArray, FloatArray
from .difference import pairwise_delta_e_2000
from .spaces import chroma, hue_angle

# Where one hue's name ends and the next begins, degrees; the same hue is called otherwise when light or dark. The
# last is the family.
HUES: tuple[tuple[float, str, str, str, str], ...] = (
    (8.0, "pink", "raspberry", "wine", "pink"),
    (36.0, "pink", "red", "burgundy", "red"),
    (46.0, "salmon", "brick red", "oxblood", "red"),
    (68.0, "peach", "orange", "rust", "orange"),
    (86.0, "apricot", "golden yellow", "amber", "yellow"),
    (102.0, "lemon", "yellow", "mustard", "yellow"),
    (122.0, "lime", "yellow green", "moss", "green"),
    (172.0, "mint", "green", "bottle green", "green"),
    (205.0, "aqua", "turquoise", "petrol", "turquoise"),
    (240.0, "sky blue", "teal", "petrol blue", "blue"),
    (297.0, "light blue", "blue", "ink blue", "blue"),
    (308.0, "lavender", "violet", "indigo", "violet"),
    (335.0, "lilac", "purple", "aubergine", "purple"),
    (352.0, "pink", "magenta", "plum", "pink"),
    (360.0, "pink", "raspberry", "wine", "pink"),
)
LIGHT_NAME_ABOVE = 66.0
DARK_NAME_BELOW = 34.0


@cache
def _neutral_examples() -> tuple[tuple[str, ...], FloatArray, tuple[str, ...]]:
    text = files(__package__).joinpath("tables/neutrals.csv").read_text(encoding="utf-8")
    rows = [row for row in csv.reader(text.splitlines()) if row and not row[0].startswith("#")]
    labs = np.array([[float(v) for v in row[1:4]] for row in rows])
    return tuple(row[0] for row in rows), labs, tuple(row[4] for row in rows)


def name_colours(lab: FloatArray, neutral: BoolArray) -> list[str]:
    """A name for each colour. lab: (n, 3). neutral: (n,), whether it counts as a neutral."""
    return names_and_families(lab, neutral)[0]


def names_and_families(lab: FloatArray, neutral: BoolArray) -> tuple[list[str], list[str]]:
    """A name for each colour, and its family: black, navy, sand; for a tone its hue. lab: (n, 3). neutral: (n,)."""
    if not len(lab):
        return [], []
    examples, places, groups = _neutral_examples()
    nearest = pairwise_delta_e_2000(lab, places).argmin(axis=1).tolist()
    names, families = [], []
    for one, near, is_neutral in zip(lab, nearest, neutral, strict=True):
        names.append(examples[near] if is_neutral else _tone(one))
        families.append(groups[near] if is_neutral else _hue_words(one)[3])
    return names, families


def _hue_words(lab: FloatArray) -> tuple[str, str, str, str]:
    """What a hue is called when light, middle and dark, and its family."""
    hue = float(hue_angle(lab))
    light, middle, dark, family = next(names for limit, *names in HUES if hue <= limit)
    return light, middle, dark, family


def _tone(lab: FloatArray) -> str:
    lightness, strength, hue = float(lab[0]), float(chroma(lab)), float(hue_angle(lab))
    light, middle, dark, _ = _hue_words(lab)
    if lightness > LIGHT_NAME_ABOVE + (14 if 60 < hue < 125 else 0):
        name = light
    else:
        name = dark if lightness < DARK_NAME_BELOW + (14 if 46 < hue < 125 else 0) else middle
    modifier = _modifier(lightness, strength)
    return name if modifier in name else f"{modifier} {name}".strip()


def _modifier(lightness: float, strength: float) -> str:
    if lightness > 85:
        return "pale"
    if strength < 24 and lightness >= DARK_NAME_BELOW:
        return "dusty"
    if strength > 58:
        return "clear"
    return "deep" if lightness < 26 else ""
