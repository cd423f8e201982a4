"""Fits what the rules and the measures are worth to the project's own pairs, changes and wardrobes, and says how often
what was kept out of the fit agrees.

Usage: python -m benchmarks.fit [--write]
With --write the fitted values go into core/look/scorer/weights.toml; its version is then to be set by hand."""

import argparse
import json
import re
from collections import defaultdict
from dataclasses import replace
from pathlib import Path

import numpy as np

from lucid_swatch.core.look.scorer import weights
from lucid_swatch.core.look.scorer.batch import INTENTS
from lucid_swatch.core.look.scorer.weights import standard_weights
from lucid_swatch.core.look.verdict import MEASURES

from .chosen import own_wardrobes
from .preferences import Fitted, fit, preferences, values

FOLDS = 8
FILE = Path(weights.__file__).with_name("weights.toml")


def by_hand():
    """The weights that were given by hand."""
    ships = standard_weights()
    return replace(ships, points=ships.priors)


def figures(found, said, fitted_of):
    """How often each kind of preference agrees. fitted_of: the weights to judge a group by."""
    value = {id(one): values(found, one) for one in {id(f): f for f in map(fitted_of, _groups(said))}.values()}
    right, chosen = defaultdict(list), defaultdict(list)
    for one in said:
        of = value[id(fitted_of(one.group))]
        lead = of[one.better, one.measure] - of[one.worse, one.measure]
        if one.kind == "chosen":
            chosen[one.better].append(50 * (lead > 0) + 50 * (lead >= 0))
        else:
            right[one.kind].append(lead >= min(1.0, one.margin))
    every = np.array([np.mean(found) for found in chosen.values()])
    return {
        "pairs": round(float(np.mean(right["pair"])), 3),
        "changes, one preference at a time": round(float(np.mean(right["change"])), 3),
        "chosen among drawn": {
            "median": round(float(np.median(every)), 1),
            "mean": round(float(every.mean()), 1),
            "under 25": int((every < 25).sum()),
        },
    }


def _groups(said):
    return sorted({one.group for one in said})


def kept_out(found, said):
    """The weights by which each wardrobe and each whole principle is judged that had no part in them."""
    groups = _groups(said)
    wardrobes = [one.name for one in own_wardrobes()]
    others = [name for name in groups if name not in wardrobes]
    order = np.random.default_rng(4).permutation(len(others))
    fold = {name: k % FOLDS for k, name in enumerate(wardrobes)}
    fold |= {others[place]: k % FOLDS for k, place in enumerate(order)}
    each = [fit(found, [one for one in said if fold[one.group] != k]) for k in range(FOLDS)]
    return lambda group: each[fold[group]]


def main():
    parser = argparse.ArgumentParser(description=__doc__, formatter_class=argparse.RawDescriptionHelpFormatter)
    parser.add_argument("--write", action="store_true")
    asked = parser.parse_args()
    found, said = preferences(by_hand())
    nothing = Fitted(np.ones(len(found.names)), np.ones(len(MEASURES)))
    fitted = fit(found, said)
    print(
        json.dumps(
            {
                "preferences": len(said),
                "by hand": figures(found, said, lambda group: nothing),
                "fitted": figures(found, said, lambda group: fitted),
                "kept out, by wardrobe and principle": figures(found, said, kept_out(found, said)),
            },
            indent=1,
        )
    )
    for name, factor in sorted(zip(found.names, fitted.points, strict=True), key=lambda one: -abs(np.log(one[1]))):
        print(f"  {name}: times {factor:.2f}")
    if asked.write:
        FILE.write_text(written(FILE.read_text(encoding="utf-8"), found.names, fitted), encoding="utf-8")


def written(text, names, fitted):
    """The file with fitted values: each is what was given by hand times its factor."""
    factors = dict(zip(names, fitted.points, strict=True))

    def point(found):
        name, prior, rest = found.groups()
        return f"{name} = {{ value = {round(float(prior) * factors.get(name, 1.0), 2)}, prior = {prior}{rest}"

    text = re.sub(r"^([a-z-]+) = \{ value = [\d.]+, prior = ([\d.]+)(.*)$", point, text, flags=re.MULTILINE)
    hand = standard_weights().parts_by_hand
    for intent in INTENTS:
        shares = np.array(hand[intent]) * fitted.parts
        shares = (shares / shares.sum()).round(3)
        shares[0] = round(shares[0] + 1 - shares.sum(), 3)
        told = ", ".join(f"{share:.3f}" for share in shares)
        name = "unsaid" if intent is None else intent.value
        # the first table of the two holds what is fitted
        text = re.sub(rf"^{name} = \[[^\]]*\]", f"{name} = [{told}]", text, count=1, flags=re.MULTILINE)
    return text


if __name__ == "__main__":
    main()
