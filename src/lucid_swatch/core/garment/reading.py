"""What was read from a photo of a garment, as it is kept."""

from collections.abc import Mapping
from dataclasses import dataclass, field
from typing import Any

import numpy as np

from ..colour.arrays import FloatArray, Lab
from .chances import Chances
from .finishes import finish_chances, told_by
from .front import NOTHING_ON_IT, Front, Neck
from .surface import Surface
from .surface_measures import NAMES
from .vocabulary import Bin, Category, Finish, Part, PatternType, Scale


@dataclass(frozen=True, slots=True)
class ReadColour:
    """One colour of the cloth."""

    lab: Lab
    share: float
    uncertainty: float
    """CIEDE2000 that holds the true colour nine times in ten."""
    part: Part = Part.CLOTH


@dataclass(frozen=True, slots=True, eq=False)
class Reading:
    """A measurement as the open format writes it, with what further steps draw on. Equal when the documents are."""

    document: Mapping[str, Any]
    """All of it: unknown keys are kept."""
    colours: tuple[ReadColour, ...] = field(init=False)
    """At least one, the largest share first."""
    pattern: PatternType = field(init=False)
    scale: Scale | None = field(init=False)
    pattern_confidence: float = field(init=False)
    name: str = field(init=False)
    """What the main colour is called."""
    bin: Bin = field(init=False)
    outline_method: str = field(init=False)
    guesses: tuple[tuple[Category, float], ...] = field(init=False)
    """What its outline may be, and how likely, likeliest first; empty for readings that did not ask."""
    outline_confidence: float = field(init=False)
    surface: Surface = field(init=False)
    front: Front = field(init=False)
    """Nothing for readings that did not look."""

    def __post_init__(self) -> None:
        """ValueError when the document is no measurement."""
        try:
            told = self.document
            pattern, sort, garment, surface = told["pattern"], told["sort"], told["garment"], told["finish"]
            measures = surface.get("measures")
            found = {
                "colours": tuple(_colour(one) for one in told["colours"]),
                "pattern": PatternType(pattern["type"]),
                "scale": None if pattern.get("scale") is None else Scale(pattern["scale"]),
                "pattern_confidence": float(pattern["confidence"]),
                "name": str(sort["name"]),
                "bin": Bin(sort["bin"]),
                "guesses": tuple(
                    (Category(one["category"]), float(one["confidence"])) for one in garment.get("guesses", [])
                ),
                "outline_method": str(garment["method"]),
                "outline_confidence": float(garment["confidence"]),
                "surface": Surface(
                    float(surface["sheen"]),
                    float(surface["texture"]),
                    None if measures is None or len(measures) != len(NAMES) else np.array(measures, dtype=float),
                ),
                "front": _front(told.get("front")),
            }
        except (KeyError, TypeError, AttributeError) as problem:
            raise ValueError(f"this is no measurement: {problem}") from None
        if not found["colours"]:
            raise ValueError("a measurement has at least one colour")
        for name, value in found.items():
            object.__setattr__(self, name, value)

    def __eq__(self, other: object) -> bool:
        return isinstance(other, Reading) and self.document == other.document

    __hash__ = None  # type: ignore[assignment]

    @property
    def main(self) -> FloatArray:
        """(3,), CIELAB of the main colour."""
        return np.array(self.colours[0].lab)

    def finishes(self, category: Category) -> Chances[Finish]:
        """What a piece of a category that looks so may be made of, likeliest first."""
        return finish_chances(category, self.finish_numbers)

    @property
    def finish_numbers(self) -> FloatArray:
        """What a finish is told by, as told_by gives it."""
        return told_by(self.surface, np.array([colour.lab for colour in self.colours]), self.pattern)


def _front(told: Mapping[str, Any] | None) -> Front:
    if told is None:
        return NOTHING_ON_IT
    neck = told.get("neck")
    shown = None if neck is None else Neck(float(neck["half_width"]), float(neck["depth"]), float(neck["pointed"]))
    return Front(shown, int(told.get("buttons", 0)))


def _colour(told: Mapping[str, Any]) -> ReadColour:
    lightness, a, b = (float(value) for value in told["lab"])
    part = Part(told.get("part", Part.CLOTH))
    return ReadColour((lightness, a, b), float(told["share"]), float(told["uncertainty"]), part)
