"""What the rules are worth: read from weights.toml, which says each in a sentence."""

import tomllib
from collections.abc import Mapping
from dataclasses import dataclass, replace
from functools import cache
from importlib.resources import files
from typing import Any

from ..look import Intent


@dataclass(frozen=True, slots=True)
class Scale:
    """A straight line from the points of the rules to those that are shown."""

    plus: float
    times: float

    def shown(self, raw: Any) -> Any:
        """A score as it is shown. Any shape."""
        return self.plus + self.times * raw

    def raw(self, shown: Any) -> Any:
        """A shown score in the points of the rules. Any shape."""
        return (shown - self.plus) / self.times


@dataclass(frozen=True, slots=True)
class Weights:
    """The weights of one version."""

    version: str
    parts: Mapping[Intent | None, tuple[float, ...]]
    """Parts of the whole by intent: harmony, contrast, monochrome, statement, colouring."""
    starts: Mapping[str, float]
    points: Mapping[str, float]
    """Points of a measure at each rule's full effect."""
    thresholds: Mapping[str, float]
    priors: Mapping[str, float]
    """Points that each rule was given by hand, before anything was fitted."""
    scale: Mapping[str, "Scale"]
    """Of each measure, and of the whole."""
    parts_by_hand: Mapping[Intent | None, tuple[float, ...]]
    """Likewise the parts."""

    def moved(self, factors: tuple[tuple[str, float], ...]) -> "Weights":
        """The same with the points of some rules multiplied: a stylist's own taste."""
        if not factors:
            return self
        points = dict(self.points) | {name: self.points[name] * by for name, by in factors if name in self.points}
        return replace(self, version=f"{self.version} and this studio's own", points=points)


def read_weights(text: str) -> Weights:
    """The weights of a file. KeyError when one is missing."""
    value = tomllib.loads(text)
    parts, by_hand = (
        {None if name == "unsaid" else Intent(name): tuple(shares) for name, shares in value[table].items()}
        for table in ("parts", "parts-by-hand")
    )
    return Weights(
        value["version"],
        parts,
        value["starts"],
        {name: one["value"] for name, one in value["points"].items()},
        {name: one["value"] for name, one in value["thresholds"].items()},
        {name: one["prior"] for name, one in value["points"].items()},
        {name: Scale(one["plus"], one["times"]) for name, one in value["scale"].items()},
        by_hand,
    )


@cache
def standard_weights() -> Weights:
    """The weights that ship."""
    return read_weights(weights_text())


def weights_text() -> str:
    """The file as it ships."""
    return files(__package__).joinpath("weights.toml").read_text(encoding="utf-8")


def threshold(name: str) -> float:
    """One threshold that ships."""
    return standard_weights().thresholds[name]


def sentence_of(name: str) -> str:
    """What a rule is about."""
    said: str = tomllib.loads(weights_text())["points"][name]["says"]
    return said
